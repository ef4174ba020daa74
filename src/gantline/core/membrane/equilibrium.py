"""Where the sheet comes to rest: the least energy, by Newton's way with a line search."""

from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import DesignError
from gantline.core.membrane.factor import Steps
from gantline.core.membrane.law import Pulled, pulled
from gantline.core.membrane.model import PAST_LIMIT, SLIP_MM, Sheet, reach, steady

if TYPE_CHECKING:  # slow to import: only who solves a sheet waits for it
    from scipy.sparse import csc_matrix

Floats = NDArray[np.float64]
MOST_STEPS = 40
SMALL = 1e-6  # of the largest force: what is left over at rest
FIRST_DAMPING, LEAST_DAMPING, MOST_DAMPING = (
    1e-3,
    1e-9,
    1.0,
)  # of the taut stiffness, added where a step goes too far
ENOUGH = 1e-4  # of the promised fall of energy
SHORTEST = 2.0**-24


class NotAtRest(DesignError):
    """Newton's way did not come to an end; the sheet's answer is not known."""

    code = "not-at-rest"


@dataclass(frozen=True, slots=True, kw_only=True)
class Rest:
    """The sheet at rest: moved (unknowns,) [mm], and of the pieces their strain and what they pull.

    stretch_mm: of each hold outward. forces [N]: of each hold outward. steps: of Newton's way; energy [N mm] after each;
    left_over: the largest force that is not balanced [N].
    """

    moved: Floats
    strain: Floats
    pulled: Pulled
    stretch_mm: Floats
    forces: Floats
    steps: int
    energies: tuple[float, ...]
    left_over: float


class Solver:
    """One sheet's matrices, kept while its points are held one after another. The mesh, the rods and which unknowns are
    given stay; what holds, pulls and lies may change from solve to solve."""

    def __init__(self, sheet: Sheet) -> None:
        self.sheet, nodes = sheet, len(sheet.mesh.nodes)
        self.count = sheet.unknowns
        self.strain_of, self.areas = sheet.mesh.strain_of(), sheet.mesh.areas
        self.stiffness = sheet.cloth.stiffness
        self.dofs = np.stack((2 * sheet.mesh.triangles, 2 * sheet.mesh.triangles + 1), axis=2).reshape(-1, 6)
        self.hold_dofs, self.hold_by = reach(sheet)
        self.lie_dofs = np.arange(2 * nodes).reshape(-1, 2)
        self.free = np.ones(self.count, bool)
        if sheet.fixed is not None:
            self.free[sheet.fixed] = False
        self.steady = steady(sheet)
        self._pattern()

    def braced(self, sheet: Sheet) -> None:
        """The frame gives otherwise from now on: a bar went in, a corner was made fast."""
        self.steady = steady(sheet)

    def _pattern(self) -> None:
        """Where in the matrix of the free unknowns each piece adds its part."""
        blocks = [self.dofs, self.hold_dofs, self.lie_dofs]
        rows = [np.repeat(block, block.shape[1], axis=1).ravel() for block in blocks]
        columns = [np.tile(block, (1, block.shape[1])).ravel() for block in blocks]
        row = np.concatenate([*rows, self.steady[0]])
        column = np.concatenate([*columns, self.steady[1]])
        self.kept = self.free[row] & self.free[column]
        number = np.cumsum(self.free) - 1
        size = int(self.free.sum())
        place = number[column[self.kept]] * size + number[row[self.kept]]
        places, self.into = np.unique(place, return_inverse=True)
        self.into = self.into.reshape(-1)
        self.indices = (places % size).astype(np.int32)
        self.starts = np.searchsorted(places, np.arange(size + 1) * size).astype(np.int32)
        self.shape = (size, size)
        taut = np.einsum(
            "mji,jk,mkl->mil",
            self.strain_of,
            self.stiffness,
            self.strain_of * self.areas[:, None, None],
            optimize=True,
        )
        from scipy.sparse import csc_matrix

        parts = np.concatenate((taut.ravel(), np.zeros(len(self.kept) - taut.size)))
        self.taut = np.bincount(self.into, parts[self.kept], minlength=len(self.indices))
        pattern = csc_matrix((np.ones(len(self.indices)), self.indices, self.starts), shape=self.shape)
        self.step = Steps(pattern, last_aside=bool(self.free[-1]))

    def matrix(self, sheet: Sheet, moved: Floats) -> "csc_matrix":
        """The tangent there, of the free unknowns."""
        return self._all(sheet, moved, tangent=True)[2]

    def energy_and_force(self, sheet: Sheet, moved: Floats) -> tuple[float, Floats]:
        """Energy [N mm] and its gradient [N] there, of all unknowns."""
        return self._all(sheet, moved, tangent=False)[:2]

    def _holds(self, sheet: Sheet, moved: Floats) -> tuple[Floats, Floats, Floats, Floats]:
        """Stretch, energy, force and stiffness of the holds: outward first, then along."""
        holds = sheet.holds
        stretch = holds.gap_mm.T.ravel() + (self.hold_by * moved[self.hold_dofs]).sum(axis=1)
        n = len(holds)
        rate = np.concatenate((holds.rate, holds.along)) * np.concatenate((holds.on, holds.on))
        energy, force, stiff = 0.5 * rate * stretch**2, rate * stretch, rate.copy()
        out = stretch[:n]
        loose = holds.springs & (out < 0.0)
        for values in (energy, force, stiff):
            values[:n][loose] = 0.0
        past = holds.springs & (out > holds.limit_mm)
        if past.any():
            over = (out - holds.limit_mm)[past]
            extra = rate[:n][past] * (PAST_LIMIT - 1.0)
            energy[:n][past] += 0.5 * extra * over**2
            force[:n][past] += extra * over
            stiff[:n][past] += extra
        # a hand pulls the cloth out and the frame in: as a hold of constant force
        hand = holds.pull.T.ravel()
        return stretch, energy + hand * stretch, force + hand, stiff

    def _all(self, sheet: Sheet, moved: Floats, *, tangent: bool) -> tuple[float, Floats, "csc_matrix"]:
        from scipy.sparse import csc_matrix

        strain = np.einsum("mij,mj->mi", self.strain_of, moved[self.dofs])
        law = pulled(self.stiffness, strain, sheet.remnant)
        energy = float(self.areas @ law.energy)
        force = np.zeros(self.count)
        own = np.einsum("mij,mi->mj", self.strain_of, law.tension * self.areas[:, None])
        np.add.at(force, self.dofs.ravel(), own.ravel())

        _, held, hold_force, hold_stiff = self._holds(sheet, moved)
        energy += float(held.sum())
        np.add.at(force, self.hold_dofs.ravel(), (self.hold_by * hold_force[:, None]).ravel())

        row, column, value = self.steady
        away = moved.copy()
        away[-1] -= sheet.rack_mm
        np.add.at(force, row, value * away[column])
        energy += 0.5 * float(away[row] @ (value * away[column]))

        if sheet.load is not None:
            energy -= float(sheet.load @ moved[: len(sheet.load)])
            force[: len(sheet.load)] -= sheet.load
        lie = np.zeros((len(self.lie_dofs), 2, 2))
        if sheet.friction is not None and sheet.lies is not None:
            slid = moved[self.lie_dofs] - sheet.lies
            far = np.sqrt((slid**2).sum(axis=1) + SLIP_MM**2)
            energy += float(sheet.friction @ (far - SLIP_MM))
            force[: 2 * len(far)] += (sheet.friction / far)[:, None].repeat(2, axis=1).ravel() * slid.ravel()
            lie = (
                np.eye(2) / far[:, None, None] - np.einsum("ni,nj->nij", slid, slid) / far[:, None, None] ** 3
            )
            lie *= sheet.friction[:, None, None]
        if not tangent:
            return energy, force, csc_matrix((0, 0))
        turned = self.strain_of.transpose(0, 2, 1)
        piece = turned @ (law.tangent * self.areas[:, None, None]) @ self.strain_of
        holding = hold_stiff[:, None, None] * self.hold_by[:, :, None] * self.hold_by[:, None, :]
        parts = np.concatenate((piece.ravel(), holding.ravel(), lie.ravel(), value))
        data = np.bincount(self.into, parts[self.kept], minlength=len(self.indices))
        return energy, force, csc_matrix((data, self.indices, self.starts), shape=self.shape)

    def solve(self, sheet: Sheet, start: Floats | None = None) -> Rest:
        """The sheet at rest.

        Args: sheet, the one of this solver with other holds, pulls, loads or places where it lies; start (unknowns,), from
            a rest before.
        Returns: Rest.  Raises: NotAtRest after MOST_STEPS, or where no step brings the energy down.
        Source: Newton's way; where its full step goes too far the next matrix is made a little stiffer, as in
            Levenberg's method, for the corners of the law where a piece goes slack.
        """
        moved = np.zeros(self.count) if start is None else start.copy()
        if sheet.fixed is not None:
            moved[sheet.fixed] = sheet.fixed_to if sheet.fixed_to is not None else 0.0
        energy, force, tangent = self._all(sheet, moved, tangent=True)
        energies, damping = [energy], FIRST_DAMPING
        for step in range(MOST_STEPS + 1):
            left_over = float(np.abs(force[self.free]).max(initial=0.0))
            if left_over <= SMALL * self._largest(sheet, moved):
                return self._rest(sheet, moved, step, tuple(energies), left_over)
            if step == MOST_STEPS:
                break
            tangent.data += damping * self.taut
            way = np.zeros(self.count)
            way[self.free] = -self.step.solve(tangent, force[self.free])
            share, moved, energy, force, tangent = self._along(sheet, moved, way, energy, force)
            if share == 1.0:
                damping = damping / 10.0 if damping > LEAST_DAMPING else 0.0
            elif share < 0.5:
                damping = min(max(10.0 * damping, 1e-4), MOST_DAMPING)
            energies.append(energy)
        raise NotAtRest(
            f"The simulated sheet did not come to rest in {MOST_STEPS} steps, {left_over:.2g} N are left over. "
            "Another spacing or line tension may.",
            left_over=left_over,
        )

    def _along(
        self, sheet: Sheet, moved: Floats, way: Floats, energy: float, force: Floats
    ) -> tuple[float, Floats, float, Floats, "csc_matrix"]:
        """The first share of the way that brings the energy down by enough."""
        promised = float(force @ way)
        noise = 1e-11 * abs(energy) + 1e-14
        share = 1.0
        while share > SHORTEST:
            there = moved + share * way
            now, gradient, tangent = self._all(sheet, there, tangent=True)
            if now <= energy + ENOUGH * share * promised or abs(promised) < noise:
                return share, there, now, gradient, tangent
            # the low point of the parabola through both ends
            curve = now - energy - share * promised
            share *= float(np.clip(-0.5 * share * promised / curve, 0.1, 0.5)) if curve > 0.0 else 0.5
        raise NotAtRest(
            "The simulated sheet did not come to rest. Another spacing or line tension may.", energy=energy
        )

    def _largest(self, sheet: Sheet, moved: Floats) -> float:
        """The largest force at work [N], to judge what is left over."""
        forces = self._holds(sheet, moved)[2]
        load = 0.0 if sheet.load is None else float(np.abs(sheet.load).max(initial=0.0))
        strain = np.einsum("mij,mj->mi", self.strain_of, moved[self.dofs])
        across = float(np.abs(strain @ self.stiffness).max(initial=0.0)) * float(np.sqrt(self.areas.max()))
        return max(1e-3, load, float(np.abs(forces).max(initial=0.0)), across)

    def _rest(
        self, sheet: Sheet, moved: Floats, steps: int, energies: tuple[float, ...], left: float
    ) -> Rest:
        strain = np.einsum("mij,mj->mi", self.strain_of, moved[self.dofs])
        stretch, _, force, _ = self._holds(sheet, moved)
        n = len(sheet.holds)
        return Rest(
            moved=moved,
            strain=strain,
            pulled=pulled(self.stiffness, strain, sheet.remnant),
            stretch_mm=stretch[:n],
            forces=force[:n] * sheet.holds.on,
            steps=steps,
            energies=energies,
            left_over=left,
        )
