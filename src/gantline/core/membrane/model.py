"""The sheet on its frame: cloth, points that hold it, rails that give, rods in the hem, friction where it lies."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from gantline.core.membrane.beams import bending, rail
from gantline.core.membrane.law import REMNANT, Cloth
from gantline.core.membrane.mesh import Mesh

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]
RIGID = 1e6  # N/mm, of a frame that does not give
PAST_LIMIT = 25.0  # times its rate: a spring that is stretched out
BAND = 2  # neighbors that a bent rail ties together
SLIP_MM = 0.2  # how far cloth creeps before it slides
SIDES = ("top", "right", "bottom", "left")
NORMAL = {"top": (0.0, 1.0), "right": (1.0, 0.0), "bottom": (0.0, -1.0), "left": (-1.0, 0.0)}


@dataclass(frozen=True, slots=True, kw_only=True)
class FrameGives:
    """How a frame gives under the pull: E times I of rails and stiles [N mm2], supports along them [mm], and what one mm of
    racking (top against bottom) takes [N/mm]. None: it does not give."""

    rail_bending: float | None = None
    stile_bending: float | None = None
    rail_supports_mm: tuple[float, ...] = ()
    stile_supports_mm: tuple[float, ...] = ()
    racking: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Holds:
    """The points all round, one row each: node, side, place along the side [mm], and how each of them holds.

    rate, along: stiffness [N/mm] outward and along the edge; gap_mm (n, 2), where each is unstrained, outward and along; on,
    whether it holds; springs, whether it only pulls and has a limit; limit_mm, of its stretch; pull (n, 2) [N], a hand's
    pull outward and along, against the frame.
    """

    node: Ints
    side: NDArray[np.int8]
    at_mm: Floats
    rate: Floats
    along: Floats
    gap_mm: Floats
    on: NDArray[np.bool_]
    springs: NDArray[np.bool_]
    limit_mm: Floats
    pull: Floats

    def __len__(self) -> int:
        return len(self.node)


def no_holds() -> Holds:
    """A sheet that nothing holds."""
    none, flags = np.zeros(0), np.zeros(0, bool)
    return Holds(
        node=np.zeros(0, np.int64),
        side=np.zeros(0, np.int8),
        at_mm=none,
        rate=none,
        along=none,
        gap_mm=np.zeros((0, 2)),
        on=flags,
        springs=flags,
        limit_mm=none,
        pull=np.zeros((0, 2)),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Sheet:
    """Everything that stores or takes energy.

    rod: E times I of a hem rod along each side [N mm2], 0 without. friction: (n,) force [N] at which a node slides on the
    frame; lies (n, 2) [mm], where it last lay still. load (2 n,) [N], dead loads on the nodes. fixed, (k,) numbers of
    unknowns that are given, and fixed_to [mm]. rack_mm: how far the frame was out of true before the fabric.
    Unknowns: x and y of each node, then the inward bow at each point, then the racking.
    """

    mesh: Mesh
    cloth: Cloth
    holds: Holds = field(default_factory=no_holds)
    frame: FrameGives = field(default_factory=FrameGives)
    rod: float = 0.0
    friction: Floats | None = None
    lies: Floats | None = None
    load: Floats | None = None
    fixed: Ints | None = None
    fixed_to: Floats | None = None
    rack_mm: float = 0.0
    remnant: float = REMNANT

    @property
    def unknowns(self) -> int:
        """Two a node, one a point, one for racking."""
        return 2 * len(self.mesh.nodes) + len(self.holds) + 1

    @property
    def size_mm(self) -> tuple[float, float]:
        """Width and height."""
        return float(self.mesh.nodes[:, 0].max()), float(self.mesh.nodes[:, 1].max())

    def with_holds(self, **changed: object) -> "Sheet":
        """This sheet with its points held otherwise."""
        return replace(self, holds=replace(self.holds, **changed))  # type: ignore[arg-type]


def directions(holds: Holds) -> tuple[Floats, Floats]:
    """Outward (n, 2) and along the edge (n, 2) at each point."""
    out = np.array([NORMAL[side] for side in SIDES])[holds.side]
    return out, np.stack((-out[:, 1], out[:, 0]), axis=1)


def reach(sheet: Sheet) -> tuple[Ints, Floats]:
    """Which four unknowns (2 n, 4) move the end of a hold against the frame, outward first and then along, and by how much each.

    Source: stretch of a hold = gap + direction . (frame - cloth); the frame goes in by its bow, and sideways by its racking
    in proportion to the height above the middle.
    """
    holds, count = sheet.holds, 2 * len(sheet.mesh.nodes)
    out, along = directions(holds)
    number = np.arange(len(holds))
    dofs = np.stack(
        (2 * holds.node, 2 * holds.node + 1, count + number, np.full(len(holds), count + len(holds))), axis=1
    )
    height = sheet.size_mm[1]
    lean = (sheet.mesh.nodes[holds.node, 1] / height - 0.5) if len(holds) else np.zeros(0)
    rows = [
        np.stack((-way[:, 0], -way[:, 1], -(way * out).sum(axis=1), way[:, 0] * lean), axis=1)
        for way in (out, along)
    ]
    return np.vstack((dofs, dofs)), np.vstack(rows)


def steady(sheet: Sheet) -> tuple[Ints, Ints, Floats]:
    """Stiffness that never changes, as row, column and value [N/mm]: rails, rods, joints."""
    rows, columns, values = list[Ints](), list[Ints](), list[Floats]()

    def add(dofs: Ints, stiff: Floats) -> None:
        apart = np.abs(np.subtract.outer(np.arange(len(dofs)), np.arange(len(dofs))))
        there = np.nonzero((stiff != 0.0) | (apart <= BAND))  # the same places, wherever supports stand
        rows.append(dofs[there[0]])
        columns.append(dofs[there[1]])
        values.append(stiff[there])

    holds, count, size = sheet.holds, 2 * len(sheet.mesh.nodes), sheet.size_mm
    for index, side in enumerate(SIDES):
        on_rail = side in ("top", "bottom")
        own = np.flatnonzero(holds.side == index)
        if len(own):
            own = own[np.argsort(holds.at_mm[own], kind="stable")]
            stiffness = sheet.frame.rail_bending if on_rail else sheet.frame.stile_bending
            supports = sheet.frame.rail_supports_mm if on_rail else sheet.frame.stile_supports_mm
            length = size[0] if on_rail else size[1]
            add(
                count + own,
                np.eye(len(own)) * RIGID
                if stiffness is None
                else rail(holds.at_mm[own].tolist(), length, supports, stiffness),
            )
        if sheet.rod:
            axis = 0 if on_rail else 1
            edge = _edge(sheet.mesh, side, size)
            add(2 * edge + 1 - axis, bending(sheet.mesh.nodes[edge, axis].tolist(), sheet.rod))
    racking = RIGID if sheet.frame.racking is None else sheet.frame.racking
    add(np.array([count + len(holds)]), np.array([[racking]]))
    return np.concatenate(rows), np.concatenate(columns), np.concatenate(values)


def _edge(mesh: Mesh, side: str, size: tuple[float, float]) -> Ints:
    """The nodes of one side in order."""
    axis = 0 if side in ("top", "bottom") else 1
    level = {"top": size[1], "right": size[0], "bottom": 0.0, "left": 0.0}[side]
    there = np.flatnonzero(np.abs(mesh.nodes[:, 1 - axis] - level) < 1e-3)
    return there[np.argsort(mesh.nodes[there, axis])]


def edge_nodes(mesh: Mesh, side: str) -> Ints:
    """The nodes of one side of a rectangle from (0, 0), in order along it."""
    return _edge(mesh, side, (float(mesh.nodes[:, 0].max()), float(mesh.nodes[:, 1].max())))


def stretches(sheet: Sheet, moved: Floats) -> Floats:
    """Stretch of every hold [mm], held or not: outward of all of them, then along of all of them."""
    dofs, by = reach(sheet)
    out: Floats = sheet.holds.gap_mm.T.ravel() + (by * moved[dofs]).sum(axis=1)
    return out


def frozen(sheet: Sheet, moved: Floats, held: Sequence[int]) -> Sheet:
    """These points held where they came to rest: each hold pulls from now on what the hand pulled."""
    holds, chosen = sheet.holds, list(held)
    on, gap, pull = holds.on.copy(), holds.gap_mm.copy(), holds.pull.copy()
    on[chosen] = True
    stretch = stretches(sheet, moved).reshape(2, -1)
    for column, rate in ((0, holds.rate), (1, holds.along)):
        gap[chosen, column] += pull[chosen, column] / rate[chosen] - stretch[column, chosen]
    pull[chosen] = 0.0
    return sheet.with_holds(on=on, gap_mm=gap, pull=pull)
