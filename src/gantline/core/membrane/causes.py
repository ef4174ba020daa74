"""Which faults would wrinkle a sheet as it is seen: the library of single faults, and what it says of marks."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gantline.core.membrane.equilibrium import NotAtRest, Solver
from gantline.core.membrane.faults import WHOLE_MM, Fault, Kind, even, spacing_of, thinkable, with_faults
from gantline.core.membrane.holding import Laid
from gantline.core.membrane.looked_at import sights
from gantline.core.membrane.marks import ROUNDS, Field, Line, Patch, lines_of, patches_of, plainest, slant
from gantline.core.membrane.model import Sheet
from gantline.core.tension.points import OPPOSITE, Side

Floats = NDArray[np.float64]
SHARP = 0.06  # of likeness: how much less likely is what is so much less alike
LEAST = 0.30  # likeness under which a fault explains nothing
SHOWS = 1e-4  # of the area: what wrinkles less shows nothing
CLOSE_MM = 160.0  # as far as a finger may have missed
HAND_MM = 0.3  # by how much a hand misses at each point: what is wrong with the whole sheet shows where that is worst
FEW, LEANS = 3, 0.65  # lines, and how far they agree, before a slant speaks for itself
RARER = 0.05  # of likeness: one point is off more often than a whole side, and a frame racked more often than hung askew
LITTLE = 0.1  # of what a single fault leaves to draw: what hands leave on any sheet, at the least
PLAIN = 2.1  # times what such a hand leaves: what is less is no fault
SHEETS, SEED = 3, 20_261


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """A fault, how much of the sheet it wrinkles or slackens, its field (cells * rounds), how much there is to draw, and how
    plain the plainest of it is."""

    fault: Fault
    wrinkled: float
    field: Floats
    drawn: float
    plainest: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cause:
    """A fault that explains what is seen: its share of the likelihood, and how alike it is, 0 to 1."""

    fault: Fault
    weight: float
    likeness: float


class Library:
    """All single faults of one sheet as it should be. Those that show nothing are counted and left out."""

    def __init__(self, laid: Laid, entries: Sequence[Entry], hidden: int, usual: float = 0.0) -> None:
        self.laid, self.entries, self.hidden = laid, list(entries), hidden
        self.grid = Field(*laid.sheet.size_mm)
        fields = (
            np.array([entry.field for entry in entries])
            if entries
            else np.zeros((0, len(self.grid.at) * ROUNDS))
        )
        size = np.linalg.norm(fields, axis=1, keepdims=True)
        self.unit = fields / np.maximum(size, 1e-12)
        self.size = [entry.drawn for entry in entries]
        least = [entry.plainest for entry in entries if entry.fault.point >= 0]
        self.usual = max(usual, LITTLE * float(np.median(least))) if least else usual

    def causes(self, lines: Sequence[Line], patches: Sequence[Patch] = (), most: int = 5) -> list[Cause]:
        """The likely causes of what is drawn, the likeliest first; each stands for its like within a point's spacing.

        Returns: none where nothing that the bench knows looks like it, and none where no more is seen than a hand that
            misses by a little leaves on any sheet.
        Source: likeness is the cosine between both fields; weights fall with it.
        """
        seen = self.grid.of_marks(lines, patches).ravel()
        size = float(np.linalg.norm(seen))
        lean = slant(lines)
        slanted = len(lines) > FEW and abs(lean) > LEANS
        faint = plainest(lines, patches) <= PLAIN * self.usual and not slanted
        if faint or size == 0.0 or not self.entries:
            return []
        likeness = self.unit @ (seen / size)
        whole = [entry.fault.point < 0 for entry in self.entries]
        if len(lines) < FEW:
            likeness[whole] -= RARER
        if slanted:  # all over the sheet, all the same way
            for k, entry in enumerate(self.entries):
                if entry.fault.kind in (Kind.RACKED, Kind.ASKEW) and entry.fault.amount_mm * lean > 0.0:
                    usual = RARER if entry.fault.kind is Kind.RACKED else 0.0
                    likeness[k] = max(likeness[k], 0.9 * abs(lean) + 0.1 * likeness[k]) + usual
        best = float(likeness.max())
        if best < LEAST:
            return []
        weight = np.exp((likeness - best) / SHARP)
        out = [
            Cause(fault=self.entries[k].fault, weight=share, likeness=float(likeness[k]))
            for k, share in self._covering(likeness, most)
        ]
        out = self._with_rival(out, likeness, weight / weight.sum(), most)
        total = sum(cause.weight for cause in out)
        return [replace(cause, weight=cause.weight / total) for cause in out]

    def together(self, lines: Sequence[Line], patches: Sequence[Patch] = (), most: int = 5) -> list[Cause]:
        """The likeliest causes where more than one thing is wrong: each explains what the other does not.

        Source: matching pursuit, with amounts of 0 or more; then for each of the two what else might be in its place.
        """
        alone = self.causes(lines, patches, most=most)
        seen = self.grid.of_marks(lines, patches).ravel()
        size = float(np.linalg.norm(seen))
        if not alone or size == 0.0:
            return alone
        seen = seen / size
        first = self._place(alone[0].fault)
        left = seen - max(0.0, float(self.unit[first] @ seen)) * self.unit[first]
        second = self._next(left, first)
        if second is None:
            return alone
        first_again = self._next(seen - max(0.0, float(self.unit[second] @ seen)) * self.unit[second], second)
        first = first if first_again is None else first_again
        basis = self.unit[[first, second]].T
        amounts = np.maximum(0.0, np.linalg.lstsq(basis, seen, rcond=None)[0])
        ranked = list[list[tuple[int, float]]]()
        for own, other, amount in ((first, second, amounts[1]), (second, first, amounts[0])):
            rest = seen - amount * self.unit[other]
            likeness = self.unit @ (rest / max(float(np.linalg.norm(rest)), 1e-9))
            ranked.append([(own, 1.0), *((k, w) for k, w in self._covering(likeness, most) if k != own)])
        out = list[Cause]()
        for depth_ in range(most):
            for row in ranked:
                if depth_ < len(row) and len(out) < most:
                    k, share = row[depth_]
                    if not any(alike(self.laid, self.entries[k].fault, c.fault, 1.01) for c in out):
                        likeness = float(self.unit[k] @ seen)
                        out.append(Cause(fault=self.entries[k].fault, weight=share, likeness=likeness))
        total = sum(cause.weight for cause in out)
        return [replace(cause, weight=cause.weight / total) for cause in out]

    def _next(self, left: Floats, but: int) -> int | None:
        """What explains most of what is left, other than what explains the rest."""
        gain = self.unit @ left
        for k in np.argsort(-gain):
            if gain[k] < LEAST / 2.0:
                return None
            if not alike(self.laid, self.entries[k].fault, self.entries[but].fault):
                return int(k)
        return None

    def _covering(self, likeness: Floats, most: int) -> list[tuple[int, float]]:
        """The faults that stand for most of the likelihood, each for its like within a point's spacing; with their shares."""
        weight = np.exp((likeness - likeness.max()) / SHARP) * (likeness >= LEAST)
        if not weight.any():
            return []
        weight = weight / weight.sum()
        out = list[tuple[int, float]]()
        there = np.flatnonzero(weight > 1e-6)
        neighbors = {
            int(k): [
                int(o) for o in there if alike(self.laid, self.entries[k].fault, self.entries[o].fault, 1.01)
            ]
            for k in there
        }

        def stands_for(k: int) -> float:
            own = weight[neighbors[k]]
            # of the whole sheet's faults as many stand for one another as there are amounts that show, which says nothing
            return float(
                own.sum() if self.entries[k].fault.point >= 0 else len(WHOLE_MM) * own.max(initial=0.0)
            )

        while len(out) < most and neighbors:
            best = max(neighbors, key=lambda k: (stands_for(k), float(likeness[k])))
            share = stands_for(best)
            if share <= 1e-6:
                break
            # of those it stands for, the likeliest speaks where it stands for as many
            out.append((best, share))
            weight[neighbors[best]] = 0.0
            neighbors.pop(best)
        return out

    def _with_rival(self, out: list[Cause], likeness: Floats, weight: Floats, most: int) -> list[Cause]:
        """A frame out of true and an edge hooked askew look the same: where one is named the other stands next to it."""
        kinds = [cause.fault.kind for cause in out]
        for kind, rival in ((Kind.ASKEW, Kind.RACKED), (Kind.RACKED, Kind.ASKEW)):
            if kind in kinds and rival not in kinds:
                own = [k for k, entry in enumerate(self.entries) if entry.fault.kind is rival]
                if own:
                    k = max(own, key=lambda k: likeness[k])
                    after = kinds.index(kind) + 1
                    cause = Cause(
                        fault=self.entries[k].fault, weight=float(weight[k]), likeness=float(likeness[k])
                    )
                    return [*out[:after], cause, *out[after:]][:most]
        return out

    def amount_of(self, fault: Fault, lines: Sequence[Line], patches: Sequence[Patch] = ()) -> float:
        """By how much [mm] it is wrong, from how long and deep the lines are: between the amounts of the library, and as far
        outside as half and one and a half of them."""
        seen = float(np.linalg.norm(self.grid.of_marks(lines, patches)))
        same = sorted(
            (abs(entry.fault.amount_mm), self.size[k])
            for k, entry in enumerate(self.entries)
            if replace(entry.fault, amount_mm=1.0) == replace(fault, amount_mm=1.0)
            and entry.fault.amount_mm * fault.amount_mm > 0.0
        )
        amounts, sizes = [a for a, _ in same], [size for _, size in same]
        if len(same) == 1 or seen <= sizes[0]:
            amount = amounts[0] * min(1.0, max(0.5, seen / sizes[0]))
        elif seen >= sizes[-1]:
            amount = amounts[-1] * min(1.5, seen / sizes[-1])
        else:
            amount = float(np.interp(seen, np.maximum.accumulate(sizes), amounts))
        return float(np.copysign(amount, fault.amount_mm))

    def doubt(self, causes: Sequence[Cause]) -> list[Fault]:
        """The other single points that may be it as well as the first: near it, and nearly as alike."""
        if not causes or causes[0].fault.point < 0:
            return []
        first = causes[0]
        here = self.laid.points[first.fault.point]
        return [
            cause.fault
            for cause in causes[1:]
            if cause.fault.point >= 0
            and cause.likeness > first.likeness - SHARP * 2.0
            and self.laid.points[cause.fault.point].side is here.side
            and abs(self.laid.points[cause.fault.point].reading_mm - here.reading_mm)
            < max(CLOSE_MM, 1.01 * spacing_of(self.laid, here.side))
        ]

    def _place(self, fault: Fault) -> int:
        return next(k for k, entry in enumerate(self.entries) if entry.fault == fault)


def alike(laid: Laid, one: Fault, other: Fault, points: float = 2.5) -> bool:
    """Whether two faults are of one kind at places no further apart than so many points."""
    if one.kind is not other.kind:
        return False
    if one.kind in (Kind.RACKED, Kind.ASKEW):
        return one.side is other.side and one.amount_mm * other.amount_mm > 0.0
    a, b = laid.points[one.point], laid.points[other.point]
    if a.side is not b.side:
        return False
    return abs(a.reading_mm - b.reading_mm) < points * spacing_of(laid, a.side)


def library(
    laid: Laid, amounts_mm: Sequence[float], said: Callable[[float], None] = lambda share: None
) -> Library:
    """Every thinkable fault solved once; of mirror images one, where the sheet is its own.

    Raises: NotAtRest where the even sheet does not come to rest; a fault that does not is left out.
    """
    whole = even(laid)
    solver = Solver(whole)
    rest = solver.solve(whole)
    grid = Field(*laid.sheet.size_mm)
    faults = list(thinkable(laid, amounts_mm))
    images = _images(laid)
    uneven, usual = list[tuple[Sheet, float]](), list[float]()
    chance = np.random.default_rng(SEED)
    for _ in range(SHEETS):
        gap = whole.holds.gap_mm.copy()
        gap[:, 0] += chance.normal(0.0, HAND_MM, len(gap))
        sheet = whole.with_holds(gap_mm=gap)
        there = solver.solve(sheet, rest.moved)
        view = sights(sheet, there)
        uneven.append((sheet, view.wrinkled + view.slack))
        usual.append(plainest(lines_of(sheet, there), patches_of(sheet, there)))
    entries, hidden, known = list[Entry](), 0, dict[Fault, Entry | None]()
    for number, fault in enumerate(faults):
        said(number / len(faults))
        if fault not in known:
            own: Entry | None = None
            bases = uneven if fault.kind in (Kind.RACKED, Kind.ASKEW) else [(whole, 0.0)]
            try:
                views, fields = list[float](), list[Floats]()
                sizes, plain = list[float](), list[float]()
                for base, already in bases:
                    sheet = with_faults(laid, base, [fault])
                    there = solver.solve(sheet, rest.moved)
                    view = sights(sheet, there)
                    views.append(view.wrinkled + view.slack - already)
                    fields.append(grid.of_sheet(sheet, there).ravel())
                    lines, patches = lines_of(sheet, there), patches_of(sheet, there)
                    sizes.append(float(np.linalg.norm(grid.of_marks(lines, patches))))
                    plain.append(plainest(lines, patches))
                shown = float(np.mean(views))
                if shown > SHOWS:
                    own = Entry(
                        fault=fault,
                        wrinkled=shown,
                        field=np.mean(fields, axis=0),
                        drawn=float(np.mean(sizes)),
                        plainest=float(np.mean(plain)),
                    )
            except NotAtRest:
                own = None
            known[fault] = own
            for image, across_x, across_y in images(fault):
                if own is None:
                    known.setdefault(image, None)
                else:
                    turned = grid.mirrored(
                        own.field.reshape(-1, ROUNDS), across_x=across_x, across_y=across_y
                    )
                    known.setdefault(image, replace(own, fault=image, field=turned.ravel()))
        entry = known[fault]
        if entry is None:
            hidden += 1
        else:
            entries.append(entry)
    return Library(laid, entries, hidden, float(np.mean(usual)))


def _images(laid: Laid) -> Callable[[Fault], Iterator[tuple[Fault, bool, bool]]]:
    """The mirror images of a fault, where points and braces are their own mirror images; none where they are not."""
    width, height = laid.sheet.size_mm
    place = {(p.side, round(p.u_mm, 1), round(p.v_mm, 1)): k for k, p in enumerate(laid.points)}

    def turned(k: int, *, across_x: bool, across_y: bool) -> int | None:
        p = laid.points[k]
        side = p.side
        if across_x and side in (Side.LEFT, Side.RIGHT):
            side = OPPOSITE[side]
        if across_y and side in (Side.TOP, Side.BOTTOM):
            side = OPPOSITE[side]
        u, v = (width - p.u_mm if across_x else p.u_mm), (height - p.v_mm if across_y else p.v_mm)
        return place.get((side, round(u, 1), round(v, 1)))

    supports = laid.sheet.frame.rail_supports_mm
    even_bars = sorted(round(at, 1) for at in supports) == sorted(round(width - at, 1) for at in supports)
    whole = even_bars and all(
        turned(k, across_x=True, across_y=False) is not None
        and turned(k, across_x=False, across_y=True) is not None
        for k in range(len(laid.points))
    )

    def images(fault: Fault) -> Iterator[tuple[Fault, bool, bool]]:
        if not whole:
            return
        if fault.point < 0:
            sideways = fault.side is not Side.RIGHT  # what runs up and down turns over with top and bottom
            yield replace(fault, amount_mm=-fault.amount_mm), sideways, not sideways
            return
        for across_x, across_y in ((True, False), (False, True), (True, True)):
            k = turned(fault.point, across_x=across_x, across_y=across_y)
            if k is not None:
                yield replace(fault, point=k), across_x, across_y

    return images
