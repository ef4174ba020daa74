"""What is seen on a stretched sheet, its likely causes and their cure, in words and with a forecast picture."""

import io
from base64 import b64encode
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gantline.compare.order_run import FULL, MODEL, texts
from gantline.core.membrane.causes import Cause, Entry, Library, library
from gantline.core.membrane.cures import Forecast, Move, bad, by_margins, by_springs, cured
from gantline.core.membrane.equilibrium import Rest, Solver
from gantline.core.membrane.faults import Fault, Kind, corner_of, even, opposite_of
from gantline.core.membrane.holding import Laid
from gantline.core.membrane.marks import Line, Patch
from gantline.core.membrane.model import Sheet
from gantline.core.membrane.numbers import SheetNumbers
from gantline.core.membrane.picture import Raster, picture, raster
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import Side
from gantline.core.tension.wrinkles import LITTLE_MM
from gantline.core.units import Units, fine_text, length_text

AMOUNTS_MM: Mapping[Hold, tuple[float, float]] = {
    Hold.STAPLE: (3.0, 6.0),
    Hold.TACK: (4.0, 8.0),
    Hold.SPRING: (15.0, 30.0),
    Hold.LUG: (4.0, 8.0),
    Hold.SNAP: (4.0, 8.0),
    Hold.LACE: (4.0, 8.0),
    Hold.PIN: (4.0, 8.0),
}
MOST_CAUSES = 5
LEAST_WEIGHT = 0.02  # a cause that is less likely is not worth a line
AGAIN: Mapping[Hold, str] = {
    Hold.STAPLE: "Take the staples out, smooth outward, pull by hand, staple again.",
    Hold.TACK: "Draw the tacks, smooth outward, pull by hand, tack again.",
    Hold.SNAP: "Open the snaps, smooth outward, pull by hand, press again.",
    Hold.LACE: "Open the ties, smooth outward, pull by hand, tie again.",
}
TURNS: Mapping[Hold, str] = {
    Hold.SPRING: "One hook or hole is about {}: unhook, shift, hook; a spring does not move a sheet.",
    Hold.LUG: "Press or free the lug by {} and look.",
    Hold.PIN: "Half a turn is about {}.",
}
LAST: Mapping[Hold, str] = {
    Hold.STAPLE: "What stays after that: pull the corner along its diagonal once more. Low heat only on a knit, moving.",
    Hold.TACK: "What stays after that: warm air, low and moving, or a day's rest; a knit takes a wave out by itself.",
    Hold.SPRING: "What stays after that: a cure spring or a second rail there, or a diagonal tie in the corner.",
    Hold.LUG: "What stays after that: outer frame off, the four corners hooked again.",
    Hold.SNAP: "What stays after that: open the corner, pull it along its diagonal, press it last.",
    Hold.LACE: "What stays after that: a diagonal tie in the corner.",
    Hold.PIN: "What stays after that: outer frame off, the four corners set again.",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class CauseRow:
    """One cause: what, where, how likely from 0 to 1, and the points it is about (their places in the list of points)."""

    text: str
    weight: float
    points: tuple[int, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class MoveRow:
    """One thing to do at a point or a run of points, and those of its opposite; tighter_mm, below 0 to ease."""

    text: str
    points: tuple[int, ...]
    tighter_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Found:
    """What the bench makes of what is seen. pictures: before and after, base64 of the layers; cells across and up.

    nothing: why no cause is named. last: the last cures of this hold. share_before, share_after: of the sheet that is bad.
    """

    causes: tuple[CauseRow, ...]
    moves: tuple[MoveRow, ...]
    how: str
    nothing: str
    last: str
    cells: tuple[int, int]
    full_n_m: float
    before: str
    after: str
    before_texts: dict[str, str]
    after_texts: dict[str, str]
    share_before: float
    share_after: float
    note: str
    model: str = MODEL


def library_bytes(numbers: SheetNumbers, said: Callable[[float], None]) -> bytes:
    """All single faults of a sheet, as they are kept."""
    made = library(numbers.laid(), AMOUNTS_MM[Hold(numbers.hold)], said)
    out = io.BytesIO()
    entries = made.entries
    np.savez_compressed(
        out,
        kind=[entry.fault.kind.value for entry in entries],
        amount=[entry.fault.amount_mm for entry in entries],
        point=[entry.fault.point for entry in entries],
        side=["" if entry.fault.side is None else entry.fault.side.value for entry in entries],
        numbers=[(entry.wrinkled, entry.drawn, entry.plainest) for entry in entries],
        fields=np.array([entry.field for entry in entries], np.float32).astype(np.float16),
        hidden=made.hidden,
        usual=made.usual,
    )
    return out.getvalue()


def kept_library(laid: Laid, content: bytes) -> Library:
    """A library read back from what was kept of it."""
    with np.load(io.BytesIO(content), allow_pickle=False) as kept:
        rows = zip(
            kept["kind"],
            kept["amount"],
            kept["point"],
            kept["side"],
            kept["numbers"],
            kept["fields"],
            strict=True,
        )
        entries = [
            Entry(
                fault=Fault(
                    kind=Kind(str(kind)),
                    amount_mm=float(amount),
                    point=int(point),
                    side=Side(str(side)) if side else None,
                ),
                wrinkled=float(three[0]),
                field=field.astype(np.float64),
                drawn=float(three[1]),
                plainest=float(three[2]),
            )
            for kind, amount, point, side, three, field in rows
        ]
        return Library(laid, entries, int(kept["hidden"]), float(kept["usual"]))


def found(
    numbers: SheetNumbers,
    content: bytes,
    lines: Sequence[Line],
    patches: Sequence[Patch],
    springs: Mapping[int, float],
    margins: Mapping[str, float],
    labels: Sequence[str],
    units: Units,
) -> Found:
    """Causes and cure of what is drawn, and of what springs and margins read.

    Args: content, from library_bytes() of the same sheet; springs, read stretch [mm] by place of the point; margins, how far
        the cloth reaches past the frame on each side [mm]; labels, what is written beside each point.
    Raises: NotAtRest, OutOfRange.
    """
    own = numbers.laid()
    lib = kept_library(own, content)
    hold = Hold(numbers.hold)
    causes = _causes(lib, lines, patches)
    told = by_springs(own, springs)
    shift = by_margins(margins)
    faults = told[:MOST_CAUSES]
    if not told:
        taken = _taken(lib, causes, lines, patches)
        faults = [replace(c.fault, amount_mm=lib.amount_of(c.fault, lines, patches)) for c in taken]
    sheet = even(own)
    solver = Solver(sheet)
    grid = raster(sheet.mesh, FULL * numbers.line)
    nothing, forecast = "", None
    if faults:
        forecast = cured(own, faults, solver, lib.doubt(causes), read=bool(told))
    elif not any(shift):
        nothing = _nothing(hold, lib, seen=bool(lines or patches or springs or margins))
    rows = _lies_off(shift, units)
    rows += [
        _cause_row(own, Cause(fault=f, weight=1.0, likeness=1.0), labels, units) for f in told[:MOST_CAUSES]
    ]
    worth = [cause for at, cause in enumerate(causes) if at == 0 or cause.weight >= LEAST_WEIGHT]
    rows += [_cause_row(own, cause, labels, units) for cause in worth[: MOST_CAUSES - len(rows)]]
    answer = _found(own, grid, solver, forecast, rows, nothing, labels, units, hold)
    return replace(answer, moves=(*_shifted(shift, units), *answer.moves))


def _found(
    own: Laid,
    grid: Raster,
    solver: Solver,
    forecast: Forecast | None,
    rows: Sequence[CauseRow],
    nothing: str,
    labels: Sequence[str],
    units: Units,
    hold: Hold,
) -> Found:
    if forecast is None:
        sheet = even(own)
        rest = solver.solve(sheet)
        before = after = (sheet, rest)
        moves: tuple[Move, ...] = ()
        looks = None
    else:
        before, after = forecast.before, forecast.after
        moves, looks = forecast.cure.moves, (forecast.cure.before, forecast.cure.after)
    how = AGAIN.get(hold, TURNS.get(hold, "").format(fine_text(LITTLE_MM[hold], units)))
    extra = () if forecast is None else _whole(forecast)
    return Found(
        causes=tuple(rows),
        moves=(*extra, *_move_rows(own, moves, labels, units)),
        how=how if moves else "",
        nothing=nothing,
        last=LAST[hold] if rows else "",
        cells=grid.cells,
        full_n_m=1000.0 * grid.full,
        before=_picture(grid, before),
        after=_picture(grid, after),
        before_texts={} if looks is None else texts(looks[0], units),
        after_texts={} if looks is None else texts(looks[1], units),
        share_before=0.0 if looks is None else bad(looks[0]),
        share_after=0.0 if looks is None else bad(looks[1]),
        note="The forecast is of the sheet as the bench thinks it is. The look after it decides.",
    )


def _causes(lib: Library, lines: Sequence[Line], patches: Sequence[Patch]) -> list[Cause]:
    """One thing wrong where one explains it well, else two."""
    alone = lib.causes(lines, patches, most=MOST_CAUSES)
    if not alone or alone[0].likeness > WELL or len(lines) + len(patches) < 2:
        return alone
    return lib.together(lines, patches, most=MOST_CAUSES)


WELL = 0.75  # likeness at which one fault explains what is seen


def _taken(
    lib: Library, causes: Sequence[Cause], lines: Sequence[Line], patches: Sequence[Patch]
) -> list[Cause]:
    """The causes that are cured at once: the first, and a second one that it does not explain."""
    if not causes:
        return []
    alone = lib.causes(lines, patches, most=1)
    two = alone and alone[0].likeness <= WELL and len(causes) > 1 and causes[0].fault.point >= 0
    return list(causes[:2]) if two and causes[1].fault.point >= 0 else [causes[0]]


def _nothing(hold: Hold, lib: Library, *, seen: bool) -> str:
    if not seen:
        return "Draw what is seen, or read springs and margins."
    held = "A spring that is off" if hold is Hold.SPRING else "A point that is off by little"
    every = lib.hidden + len(lib.entries)
    return (
        "Nothing that a hook cures looks like this. A sharp fold needs time and low warmth, on lenticular cloth it stays; a line "
        f"from beneath needs the sheet off there. {held} often shows no wave at all, here {lib.hidden} faults of {every}: read "
        "margins and lengths instead."
    )


def _picture(grid: Raster, there: tuple[Sheet, Rest]) -> str:
    return b64encode(picture(grid, *there)).decode()


def _where(own: Laid, point: int, labels: Sequence[str]) -> str:
    return f"{labels[point]}, {own.points[point].side.value}"


def _cause_row(own: Laid, cause: Cause, labels: Sequence[str], units: Units) -> CauseRow:
    fault = cause.fault
    points: tuple[int, ...] = (fault.point,) if fault.point >= 0 else ()
    amount = length_text(abs(fault.amount_mm), units)
    match fault.kind:
        case Kind.TIGHT:
            text = f"Point {_where(own, fault.point, labels)}: too tight"
        case Kind.SLACK:
            text = f"Point {_where(own, fault.point, labels)}: too slack"
        case Kind.CORNER:
            here = own.points[fault.point]
            width, height = own.sheet.size_mm
            name = f"{'top' if here.v_mm > height / 2.0 else 'bottom'} {'right' if here.u_mm > width / 2.0 else 'left'}"
            text = f"Corner {name}: not pulled along its diagonal"
            points = tuple(corner_of(own, fault.point))
        case Kind.RACKED:
            text = f"Frame racked, top to the {'right' if fault.amount_mm > 0.0 else 'left'}: read both diagonals"
        case Kind.ASKEW:
            right, left = ("right", "left") if fault.side is Side.TOP else ("up", "down")
            way = right if fault.amount_mm > 0.0 else left
            text = f"{str(fault.side).capitalize()} edge hooked askew, {way} by about {amount}"
            points = tuple(k for k, p in enumerate(own.points) if p.side is fault.side)
    return CauseRow(text=text, weight=cause.weight, points=points)


def _off(shift: tuple[float, float], units: Units, *, back: bool) -> str:
    """So much right or left and up or down, from the back; back: the way home."""
    sign = -1.0 if back else 1.0
    return ", ".join(
        f"{length_text(abs(mm), units)} {plus if sign * mm > 0.0 else minus}"
        for mm, plus, minus in ((shift[0], "right", "left"), (shift[1], "up", "down"))
        if mm
    )


def _lies_off(shift: tuple[float, float], units: Units) -> list[CauseRow]:
    if not any(shift):
        return []
    return [CauseRow(text=f"The sheet lies {_off(shift, units, back=False)}", weight=1.0, points=())]


def _shifted(shift: tuple[float, float], units: Units) -> tuple[MoveRow, ...]:
    if not any(shift):
        return ()
    text = f"Unhook two opposite sides, shift the sheet {_off(shift, units, back=True)}, hook again"
    return (MoveRow(text=text, points=(), tighter_mm=0.0),)


def _whole(forecast: Forecast) -> tuple[MoveRow, ...]:
    out = list[MoveRow]()
    if forecast.cure.square:
        out.append(
            MoveRow(text="Push the frame square until both diagonals agree", points=(), tighter_mm=0.0)
        )
    if forecast.cure.hooked_again is not None:
        side = forecast.cure.hooked_again
        text = f"Take the {side} edge off; hook it again from its middle, center mark on center mark"
        out.append(MoveRow(text=text, points=(), tighter_mm=0.0))
    return tuple(out)


def _move_rows(own: Laid, moves: Sequence[Move], labels: Sequence[str], units: Units) -> list[MoveRow]:
    """Points beside each other that are opened together as one row, with a look at their opposites."""
    again = [move for move in moves if move.again]
    out = list[MoveRow]()
    for side in Side:
        run = [move for move in again if own.points[move.point].side is side]
        if run:
            first, last = labels[run[0].point], labels[run[-1].point]
            named = f"points {first} to {last}" if len(run) > 1 else f"point {first}"
            across = opposite_of(own, run[len(run) // 2].point)
            most = max(run, key=lambda move: abs(move.tighter_mm))
            word = "tighter" if most.tighter_mm > 0.0 else "slacker"
            text = (
                f"Open {named}, {side.value}, and pull again: about {fine_text(abs(most.tighter_mm), units)} {word}. "
                f"Then feel point {labels[across]} opposite"
            )
            out.append(
                MoveRow(text=text, points=(*(m.point for m in run), across), tighter_mm=most.tighter_mm)
            )
    turned = [move for move in moves if not move.again]
    for move in turned:
        if move.tighter_mm == 0.0:
            text = f"Point {_where(own, move.point, labels)}: leave it, feel that it pulls like its neighbors"
        else:
            word = "pull" if move.tighter_mm > 0.0 else "ease"
            text = (
                f"Point {_where(own, move.point, labels)}: {word} by {fine_text(abs(move.tighter_mm), units)}"
            )
        out.append(MoveRow(text=text, points=(move.point,), tighter_mm=move.tighter_mm))
    return out


__all__ = ["Found", "found", "kept_library", "library_bytes"]
