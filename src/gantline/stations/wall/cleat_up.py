"""A wall piece that is up already: where it holds the frame, and what cures it where that is not the plan."""

from collections.abc import Iterator

from gantline.core.defaults import WallDefaults
from gantline.core.wall.cleat import FEWEST
from gantline.job.field import field_of
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, Severity, cure, found, noted
from gantline.stations.common import way_words
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.survey import studs_known
from gantline.stations.wall.codes import Code
from gantline.stations.wall.solve import planned_rows_mm, rows_mm
from gantline.stations.wall.way import cleat_ends_mm, cleat_on_studs, cleat_place, frame_pieces

EDGE = field_of(Hanging.cleat_up_edge_mm).pointer
ENDS = field_of(Hanging.cleat_up_left_mm).pointer
UP = (Hanging.cleat_up_edge_mm, Hanging.cleat_up_left_mm, Hanging.cleat_up_right_mm)


@found
def height(at: Ask) -> Iterator[Finding]:
    """An edge that hangs the frame elsewhere than planned."""
    edge, planned, rows = at.given(Hanging.cleat_up_edge_mm), at(planned_rows_mm), at(rows_mm)
    if edge is None or planned is None or rows is None or not at(cleat_on_studs):
        return
    off = rows[0] - planned[0]
    if abs(off) <= at.default(WallDefaults.drilled_within_mm):
        return
    top = at(placement).top_mm + off
    text = (
        f"The cleat that is up hangs the frame {at.text(abs(off))} {'higher' if off > 0.0 else 'lower'} than planned. Plan the "
        f"frame's top at {at.text(top)}, or take the wall piece down."
    )
    move = cure(
        f"Plan the frame's top at {at.text(top)}",
        (HeightTarget.wish, "frame-top"),
        (HeightTarget.wish_mm, at.near(top)),
    )
    down = cure("Take the wall piece down", *((each, None) for each in UP))
    yield Finding(code=Code.CLEAT_UP, severity="stop", text=text, subject=EDGE, cures=(move, down))


@noted
def drop(at: Ask) -> Iterator[Finding]:
    """A drop that was entered beside a wall piece that is up."""
    if (
        at.given(Hanging.cleat_up_edge_mm) is None
        or not at(cleat_on_studs)
        or at.given(Hanging.drop_mm) is None
    ):
        return
    text = "The drop that was entered does not count: a wall piece that is up hangs the frame by its edge and its boards."
    out = cure("Take the drop out", (Hanging.drop_mm, None))
    subject = field_of(Hanging.drop_mm).pointer
    yield Finding(code=Code.CLEAT_UP, severity="check", text=text, subject=subject, cures=(out,))


@found
def across(at: Ask) -> Iterator[Finding]:
    """Ends on which the screen does not come to its center, or that cross too few studs."""
    ends, place = at(cleat_ends_mm), at(cleat_place)
    if ends is None or place is None or not at(cleat_on_studs):
        return
    down = cure("Take the wall piece down", *((each, None) for each in UP))
    if len(place.studs_mm) < FEWEST:
        count = len(place.studs_mm)
        text = f"The cleat that is up crosses {'one stud' if count else 'no stud'}, and it takes two to carry a screen."
        severity: Severity = "stop" if at(studs_known) else "check"
        yield Finding(
            code=Code.CLEAT_UP,
            severity=severity,
            text=text,
            subject=ENDS,
            cures=(down,),
            hurts=severity == "stop",
        )
    if place.play_mm < 0.0:
        text = (
            f"The cleat that is up is {at.text(at.up(-2.0 * place.play_mm))} longer than the frame leaves free between its "
            "corner joints. Cut it back, or take it down."
        )
        yield Finding(code=Code.CLEAT_UP, severity="stop", text=text, subject=f"{ENDS}#long", cures=(down,))
        return
    middle = (place.left_mm + place.right_mm) / 2.0
    off = middle - at(centre_x_mm)
    over = abs(off) - place.play_mm
    if over > 1.0:
        center = at.near(middle - place.play_mm if off > 0.0 else middle + place.play_mm)
        text = (
            f"The middle of the cleat that is up is {way_words(at, 0, off)} of the screen center, {at.text(at.up(over))} more "
            "than the frame slides on it."
        )
        move = cure(f"Move the screen's center to {at.text(center)}", (HeightTarget.centre_x_mm, center))
        yield Finding(
            code=Code.CLEAT_UP, severity="stop", text=text, subject=f"{ENDS}#center", cures=(move, down)
        )


@found
def ends_swapped(at: Ask) -> Iterator[Finding]:
    """A left end that is not left of the right one, or one end without the other."""
    left, right = at.given(Hanging.cleat_up_left_mm), at.given(Hanging.cleat_up_right_mm)
    if (left is None and right is None) or at(cleat_ends_mm) is not None or not at(cleat_on_studs):
        return
    text = (
        "Enter both ends of the cleat that is up, each from the left wall end."
        if left is None or right is None
        else f"The left end of the cleat that is up, {at.text(left)}, is not left of its right end, {at.text(right)}."
    )
    yield Finding(code=Code.CLEAT_UP, severity="check", text=text, subject=f"{ENDS}#ends")


@found
def blocks(at: Ask) -> Iterator[Finding]:
    """Two blocks longer than the wall piece that they hang on."""
    place = at(cleat_place) if at(cleat_on_studs) else None
    if place is None or at.field(Hanging.cleat_piece) != "blocks":
        return
    if at(frame_pieces):
        return
    text = (
        f"Two blocks of {at.text(at.field(Hanging.cleat_block_mm))} do not fit side by side on a wall piece of "
        f"{at.text(place.right_mm - place.left_mm)}. Cut them shorter, or use one piece."
    )
    whole = cure("Use one piece", (Hanging.cleat_piece, "one"))
    subject = field_of(Hanging.cleat_block_mm).pointer
    yield Finding(code=Code.CLEAT_BLOCKS, severity="check", text=text, subject=subject, cures=(whole,))


CLEAT_UP_FINDINGS = (height, drop, across, ends_swapped, blocks)
