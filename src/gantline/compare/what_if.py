"""The even sheet with something else about it: fewer points, another cloth, a spring less, a stiffer rail, one more brace."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gantline.compare.order_run import MODEL
from gantline.core.errors import DesignError
from gantline.core.membrane.equilibrium import Solver
from gantline.core.membrane.faults import even
from gantline.core.membrane.looked_at import NO_WAVES, Sights, sights, within
from gantline.core.membrane.model import SIDES
from gantline.core.membrane.numbers import SheetNumbers
from gantline.core.tension.points import RAILS, Side, readings
from gantline.core.units import Units, fine_text, length_text
from gantline.stations.common import worded

NOT_SIMULATED = {
    "edge_mm": "This sheet has more points than can be simulated. Space them wider.",
    "": "This sheet cannot be simulated.",
}
SPACINGS = (0.6, 0.75, 1.0, 1.3, 1.6, 2.0, 2.5, 3.2, 4.0)  # times the planned one


@dataclass(frozen=True, slots=True, kw_only=True)
class WhatIfRow:
    """One sheet: what is other about it, what it does, and whether it is good enough; evenness and wrinkled from 0 to 1."""

    name: str
    points: int
    evenness: float
    wrinkled: float
    texts: dict[str, str]
    good: bool
    trouble: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class WhatIf:
    """The rows, and the fewest points that are good enough, in words."""

    rows: tuple[WhatIfRow, ...]
    fewest: str
    model: str = MODEL


Cloths = Sequence[tuple[str, float, float]]  # name, stretch stiffness along and across [N/mm]


def what_if(numbers: SheetNumbers, cloths: Cloths, enough: float, units: Units) -> WhatIf:
    """All rows.

    Args: cloths to try; enough, the evenness that is good enough.
    Source: every sheet with all its points holding and nothing wrong; evenness and wrinkles in the viewable area.
    """
    spread = [_row(name, other, enough, units) for name, other in _spaced(numbers, units)]
    others = [_row(name, other, enough, units) for name, other in _others(numbers, cloths)]
    if numbers.hold == "spring":
        others.append(_row("one spring missing", numbers, enough, units, missing=True))
    return WhatIf(rows=(*spread, *others), fewest=_fewest(spread, enough))


def _fewest(rows: list[WhatIfRow], enough: float) -> str:
    good = [row for row in rows if row.good]
    share = f"{100.0 * enough:.0f} %"
    if not good:
        return f"None of these spacings is even to {share} without waves in the picture."
    row = min(good, key=lambda each: each.points)
    return f"{row.points} points ({row.name}) are the fewest that stay even to {share} with no wave in the picture."


def _spaced(numbers: SheetNumbers, units: Units) -> Iterator[tuple[str, SheetNumbers]]:
    """The points nearer to each other and further apart, the planned spacing as it is."""
    first = min(at for _, at, _ in numbers.points)
    gap = _gap(numbers)
    for times in SPACINGS:
        if times == 1.0:
            yield f"as planned, {length_text(gap, units)} apart", numbers
            continue
        points = list[tuple[str, float, bool]]()
        try:
            for side in (Side.TOP, Side.RIGHT, Side.BOTTOM, Side.LEFT):
                length = numbers.width_mm if side in RAILS else numbers.height_mm
                run = readings(length, first, gap * times, None, None)
                points += [(side.value, at, True) for at, _ in run]
        except DesignError:
            continue
        if len(points) < 2 * len(numbers.points) + 8:
            yield f"{length_text(gap * times, units)} apart", replace(numbers, points=tuple(points))


def _gap(numbers: SheetNumbers) -> float:
    at = sorted(reading for side, reading, _ in numbers.points if side == "top")
    return float(np.median(np.diff(at))) if len(at) > 1 else numbers.width_mm


def _others(numbers: SheetNumbers, cloths: Cloths) -> Iterator[tuple[str, SheetNumbers]]:
    for name, along, across in cloths:
        if (along, across) != (numbers.along, numbers.across):
            yield name, replace(numbers, along=along, across=across)
    yield (
        "rails and stiles four times as stiff",
        replace(numbers, rail_bending=4.0 * numbers.rail_bending, stile_bending=4.0 * numbers.stile_bending),
    )
    count = len(numbers.supports_mm) + 1
    places = tuple(numbers.width_mm * (k + 1) / (count + 1) for k in range(count))
    yield ("one more brace" if numbers.supports_mm else "with a brace"), replace(numbers, supports_mm=places)


def _row(
    name: str, numbers: SheetNumbers, enough: float, units: Units, *, missing: bool = False
) -> WhatIfRow:
    try:
        look = _look(numbers, missing=missing)
    except DesignError as error:
        return WhatIfRow(
            name=name,
            points=len(numbers.points),
            evenness=0.0,
            wrinkled=0.0,
            texts={},
            good=False,
            trouble=worded(error, NOT_SIMULATED),
        )
    return WhatIfRow(
        name=name,
        points=len(numbers.points) - missing,
        evenness=look.evenness,
        wrinkled=look.wrinkled,
        texts={
            "evenness": f"{100.0 * look.evenness:.0f} %",
            "wrinkled": f"{100.0 * look.wrinkled:.1f} %",
            "bow": fine_text(max(abs(mm) for mm in look.bow_mm), units),
            "longest": fine_text(look.longest_mm, units),
        },
        good=look.evenness >= enough and look.wrinkled <= NO_WAVES,
    )


def _look(numbers: SheetNumbers, *, missing: bool) -> Sights:
    own = numbers.laid()
    sheet = even(own)
    if missing:
        on = sheet.holds.on.copy()
        top = np.flatnonzero(sheet.holds.side == SIDES.index("top"))
        on[top[len(top) // 3]] = False
        sheet = sheet.with_holds(on=on)
    rest = Solver(sheet).solve(sheet)
    return sights(sheet, rest, within(sheet, numbers.border_mm), own.even)
