"""Holes on the wall with their dimensions, brackets on the back of the frame."""

from collections.abc import Iterator

from gantline.core.units import read_tape
from gantline.drawing.marks import Area, Axis, Dimension, Dot, Label, Mark, Side, rectangle
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.common import on_cleat
from gantline.stations.height import rect_of_frame
from gantline.stations.outlines import HATCH_MM, outlines
from gantline.stations.size import screen
from gantline.stations.survey import bands, room
from gantline.stations.wall.cleat_marks import draw as cleat
from gantline.stations.wall.datum import across_from, hooked_across, up_from
from gantline.stations.wall.flat_marks import FLAT_DRAW
from gantline.stations.wall.ledger import on_ledger
from gantline.stations.wall.loads import used_by_hole
from gantline.stations.wall.screws import first_screw_off_mm
from gantline.stations.wall.solve import across_mm, drilled_keys, drilling
from gantline.stations.wall.told import facts

FRAME = "frame-handle"
ROWS = ("upper", "lower")
FEW = 2  # more have no room for words


def by_a_board(at: Ask) -> bool:
    """Whether the screws hold a board on the wall, a cleat's or a ledger's, and no bracket on the frame."""
    return at(on_cleat) or at(on_ledger)


def holes(at: Ask, face: FaceName) -> Iterator[Mark]:
    """A dot for every hole, or for its bracket seen from behind."""
    drill_plan = at(drilling)
    if drill_plan is None or face not in ("front", "back"):
        return
    if face == "back" and at(by_a_board):
        return
    _left, bottom, right, _ = at(rect_of_frame) if face == "back" else (0.0, 0.0, 0.0, 0.0)
    done = at(drilled_keys)
    for hole in drill_plan.holes:
        name = hole.name
        if face == "front":
            place = (hole.x_mm, hole.y_mm)
            drilled = hole.key in done
            yield Dot(
                key=f"hole-{hole.key}",
                role="hole-drilled" if drilled else "hole",
                layer="wall",
                at=place,
                name=f"{name} hole{', drilled' if drilled else ''}",
                moves=None if drilled else FRAME,
            )
        else:
            place = (right - hole.x_mm, hole.y_mm - bottom)
            if hole.screw > 1:
                continue  # the bracket is drawn once
            yield Dot(
                key=f"bracket-{hole.key}", role="bracket", layer="wall", at=place, name=f"{name} bracket"
            )


def refused(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Where a drill met what must not be drilled."""
    for number, refused_fact in enumerate((fact for fact in at(facts) if not fact.drilled), start=1):
        if face == "front":
            yield Dot(
                key=f"no-hole-{number}",
                role="hole-refused",
                layer="wall",
                at=(refused_fact.x_mm, refused_fact.y_mm),
                name=f"{refused_fact.name} hole, not possible here",
            )


def hits(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The part of a no-drill band that refuses a hole: along the wall beside the fitting, or above and below it."""
    drill_plan = at(drilling)
    if drill_plan is None or face != "front":
        return
    floor, ceiling = at(outlines)
    wall, low, high = at(room).wall_mm, min(y for _, y in floor), max(y for _, y in ceiling)
    for number, band in enumerate(at(bands), start=1):
        parts = {
            "upright": (band.left_mm, low, band.right_mm, high),
            "level": (0.0, band.bottom_mm, wall, band.top_mm),
        }
        for name, (left, bottom, right, top) in parts.items():
            if any(left <= hole.x_mm <= right and bottom <= hole.y_mm <= top for hole in drill_plan.holes):
                points = rectangle(left, bottom, right, top)
                yield Area(key=f"band-hit-{number}-{name}", role="band-hit", layer="wall", points=points)


def across(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Sideways dimensions."""
    drill_plan = at(drilling)
    if drill_plan is None:
        return
    two = drill_plan.pair
    if face == "front":
        floor, ceiling = at(outlines)
        top = max(*(y for _, y in ceiling), at(rect_of_frame)[3]) + HATCH_MM
        for lane, hole_mark in enumerate(drill_plan.ends, start=1):
            hook, read = hooked_across(at, hole_mark)
            holes_of = (
                f"Upper {hole_mark.hole.side} hole"
                if at(first_screw_off_mm)
                else f"{hole_mark.hole.side.capitalize()} holes"
            )
            name = f"{holes_of} from {hook}"
            far = {
                "right": at(room).wall_mm,
                "center": hole_mark.from_left_mm - hole_mark.from_centre_mm,
            }.get(at(across_from), 0.0)
            if at(across_from) == "stud":
                continue  # too short to draw: the table and the tape have it
            near, off = sorted((far, hole_mark.from_left_mm))
            yield _dimension(
                at, f"hole-{hole_mark.hole.side}", "x", near, off, top, (1, lane), name, shown=read
            )
        low, span = min(y for _, y in floor), at(across_mm)
        yield _dimension(
            at, "across", "x", two.left_mm, two.right_mm, low, (-1, 1), "Hole to hole", shown=span
        )
    elif face == "back" and not at(by_a_board):
        frame, right = at(screen), at(rect_of_frame)[2]
        ends = (0.0, right - two.right_mm, right - two.left_mm, frame.overall_width_mm)
        first, whole = (read_tape(length, at.units).read_mm for length in (ends[1], ends[3]))
        # the same number between the brackets as between the holes, and three that add up to the frame
        spans = (first, at(across_mm), whole - first - at(across_mm))
        names = ("Frame end to bracket", "Bracket to bracket", "Bracket to frame end")
        for key, a, b, span, name in zip(
            ("near", "across", "far"), ends, ends[1:], spans, names, strict=False
        ):
            yield _dimension(
                at, f"bracket-{key}", "x", a, b, frame.overall_height_mm, (1, 1), name, shown=span
            )


def rows(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The two rows from the datum line."""
    drill_plan = at(drilling)
    if drill_plan is None or face != "front":
        return
    here, by = at(room), at(up_from)
    for row_mark in filter(None, map(drill_plan.row, ROWS)):
        x, y = row_mark.hole.x_mm, row_mark.hole.y_mm
        foot = {"floor": here.floor.at(x), "ceiling": here.ceiling.at(x)}.get(by, here.datum_mm)
        name = f"{row_mark.hole.row.capitalize()} holes {'above' if y >= foot else 'below'} {by}"
        below, over = sorted((foot, y))
        yield _dimension(at, f"row-{row_mark.hole.row}", "y", below, over, 0.0, (-1, 1), name, FRAME)


def _dimension(
    at: Ask,
    key: str,
    axis: Axis,
    a: float,
    b: float,
    base: float,
    lane: tuple[Side, int],
    name: str,
    moves: str | None = None,
    shown: float | None = None,
) -> Dimension:
    """shown: the length that is printed, where it is the difference of two printed marks."""
    return Dimension(
        key=key,
        layer="wall",
        axis=axis,
        a_mm=a,
        b_mm=b,
        base_mm=base,
        side=lane[0],
        lane=lane[1],
        text=at.text(b - a if shown is None else shown),
        name=name,
        moves=moves,
    )


def load_names(at: Ask, face: FaceName) -> Iterator[Mark]:
    """How much of each upper fixing is used, at its hole."""
    drill_plan, used = at(drilling), at(used_by_hole)
    if drill_plan is None or not used or face != "front":
        return
    firsts = (hole for hole in drill_plan.holes if hole.row == "upper" and hole.screw == 1)
    upper = sorted(firsts, key=lambda loaded: loaded.x_mm)
    words = " of its load" if len(used) <= FEW else ""  # too much is said by its color, and by the Stop
    for loaded, share in zip(upper, used, strict=False):
        yield Label(
            key=f"load-{loaded.key}",
            layer="wall",
            at=(loaded.x_mm, loaded.y_mm),
            text=f"{100.0 * share:.0f} %{words}",
            role="hole" if share <= 1.0 else "hole-refused",
            moves=FRAME,
        )


DRAW = (*FLAT_DRAW, cleat, hits, holes, refused, across, rows, load_names)
