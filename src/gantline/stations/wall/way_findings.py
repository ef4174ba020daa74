"""What stands against the way of hanging."""

from collections.abc import Iterator

from gantline.core.defaults import WallDefaults
from gantline.core.frame.boards import SOLD_BACKERS_MM
from gantline.core.height.place import WishKind
from gantline.core.wall.ways import KINDS, Way
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, Finding, cure, found, noted
from gantline.stations.common import carrier_mm, way
from gantline.stations.frame import mass_kg
from gantline.stations.height import placement
from gantline.stations.survey import room
from gantline.stations.wall.codes import Code
from gantline.stations.wall.loads import least_mm, longest_mm, screw_sold
from gantline.stations.wall.solve import drilling, pair
from gantline.stations.wall.way import (
    bottom,
    every_stud,
    further,
    hang_parts,
    leaflet_off_mm,
    lower_holes,
    on_studs,
    parts_by_size,
    rows_fixed_apart_mm,
)

BRACKETS = Way.BRACKETS.value


@noted
def parts(at: Ask) -> Iterator[Finding]:
    """Fewer hang parts than the screen wants, or than the wall has wood for."""
    if at(every_stud):
        return
    two, count, wanted = at(pair), at(hang_parts), at(parts_by_size)
    subject = field_of(Hanging.hang_parts).pointer
    # a kit that gives its brackets, two above and two below, is not asked for a third
    by_kit = (
        at.field(FrameBuild.build) == "kit" and at.given(Hanging.hang_parts) is not None and at(lower_holes)
    )
    if count < wanted and at(way) is not Way.WIRE and not by_kit:
        text = f"Use {wanted} hang parts on the top rail for this size and weight, not {count}."
        fix = (cure(f"Use {wanted}", (Hanging.hang_parts, wanted)),)
        yield Finding(code=Code.FEW_PARTS, severity="check", text=text, subject=subject, cures=fix)
    if two is None:
        return
    there = len(at(further, two, count)) + 2
    if there < count:
        what = "studs" if at(on_studs) else "places"
        text = f"Only {there} of {count} hang parts find {what} between the outer two. The rest need blocking or a backer board."
        board = (
            (cure("Put a backer board over the studs", (Hanging.fix_to, "backer")),) if at(on_studs) else ()
        )
        yield Finding(code=Code.FEW_PARTS, severity="check", text=text, subject=subject, cures=board)


@found
def wire(at: Ask) -> Iterator[Finding]:
    """A wire, which is for light frames."""
    if at(way) is not Way.WIRE:
        return
    mass, limit, subject = at(mass_kg), at.default(WallDefaults.wire_limit_kg), field_of(Hanging.way).pointer
    if mass is not None and mass > limit:
        text = f"{mass:.1f} kg on a wire: {limit:g} kg is the most. Hang it on brackets or a cleat."
        fix = (cure("Hang it on brackets", (Hanging.way, BRACKETS)),)
        yield Finding(code=Code.WIRE, severity="stop", text=text, subject=subject, cures=fix)
    else:
        yield Finding(code=Code.WIRE, severity="note", text=KINDS[Way.WIRE].caution, subject=subject)


@found
def leaflet(at: Ask) -> Iterator[Finding]:
    """A leaflet's height above the cabinet that hangs the frame elsewhere than planned."""
    subject = field_of(Hanging.leaflet_mm).pointer
    if at.given(Hanging.height_by) not in (None, "drop") and at.given(Hanging.leaflet_mm) is None:
        text = "Enter the number that the leaflet gives, or go by the drop of the bracket."
        yield Finding(code=Code.LEAFLET, severity="check", text=text, subject=subject)
        return
    off = at(leaflet_off_mm)
    if off is None or abs(off) <= at.default(WallDefaults.hang_within_mm):
        return
    text = (
        f"Holes at the leaflet's height above the cabinet would hang the frame {at.text(abs(off))} "
        f"{'higher' if off > 0.0 else 'lower'} than planned. Read the drop on the bracket, or plan the frame where the leaflet "
        "wants it; the marks go by the plan."
    )
    top = at.near(at(placement).top_mm + off)
    fix = (
        cure(
            f"Plan the frame where the leaflet's holes put it, its top at {at.text(top)}",
            (HeightTarget.wish, WishKind.FRAME_TOP.value),
            (HeightTarget.wish_mm, top),
        ),
        cure(
            "Let the leaflet lead the height, at every size",
            (HeightTarget.wish, WishKind.ABOVE_CABINET.value),
            (HeightTarget.wish_mm, None),
        ),
        cure("Go by the drop", (Hanging.height_by, "drop")),
    )
    yield Finding(code=Code.LEAFLET, severity="stop", text=text, subject=subject, cures=fix)


@found
def above(at: Ask) -> Iterator[Finding]:
    """A hole above the ceiling, as of a hook that a rod hangs from."""
    drill_plan, here = at(drilling), at(room)
    for hole in drill_plan.holes if drill_plan else ():
        over = hole.y_mm + at.default(WallDefaults.under_ceiling_mm) - here.ceiling.at(hole.x_mm)
        if over > 0.0:
            ways = "Use shorter rods, or lower the screen." if at(way) is Way.RODS else "Lower the screen."
            text = f"The {hole.name} hole would stand {at.text(at.up(over))} too high: the ceiling is there. {ways}"
            subject, lower = f"{field_of(Hanging.rod_mm).pointer}#{hole.key}", at.up(over)
            top = at.down(at(placement).top_mm - over)
            fix = [
                cure(
                    f"Lower the screen {at.text(lower)}",
                    (HeightTarget.wish, "frame-top"),
                    (HeightTarget.wish_mm, top),
                )
            ]
            if at(way) is Way.RODS:
                shorter = at.down(at.field(Hanging.rod_mm) - over)
                fix.insert(0, cure(f"Use rods of {at.text(shorter)}", (Hanging.rod_mm, shorter)))
            yield Finding(
                code=Code.CEILING,
                severity="stop",
                text=text,
                subject=subject,
                hole=hole.key,
                cures=tuple(fix),
            )


@noted
def loose(at: Ask) -> Iterator[Finding]:
    """A bottom that nothing holds off the wall."""
    if at(way) in (Way.CLEAT, Way.WIRE, Way.RODS) and at(bottom) == "free":
        text = "Nothing stands behind the bottom: the screen leans by what holds its top off the wall. Use pads as thick."
        fix = (cure("Put pads behind it", (Hanging.bottom, "pads")),)
        subject = field_of(Hanging.bottom).pointer
        yield Finding(code=Code.LOOSE, severity="check", text=text, subject=subject, cures=fix)


@noted
def carrier(at: Ask) -> Iterator[Finding]:
    """A standoff that is not the board of the cleat or ledger: the top stands off by that board whatever is written."""
    board, given = at(carrier_mm), at.given(FrameBuild.standoff_mm)
    if board is None or given is None or abs(board - given) <= max(1.0, at.step_mm):
        return
    what = "cleat" if at(way) is Way.CLEAT else "ledger"
    text = (
        f"The frame's top stands off the wall by the {what}'s board, {at.text(board)}; the standoff says "
        f"{at.text(given)}, and pads of that make the screen lean."
    )
    fix = (cure(f"Set the standoff to {at.text(board)}", (FrameBuild.standoff_mm, at.near(board))),)
    subject = field_of(FrameBuild.standoff_mm).pointer
    yield Finding(code=Code.STANDOFF, severity="check", text=text, subject=subject, cures=fix)


@found
def no_screw(at: Ask) -> Iterator[Finding]:
    """A backer so thin, or layers so thick, that no screw that is sold holds and stays out of the cavity."""
    if at(screw_sold) != "":
        return
    most = at(longest_mm)
    behind = (
        ""
        if most is None
        else f", and past {at.text(most)} one comes out in the cavity, where cables may run"
    )
    text = f"No screw that is sold fits: it needs {at.text(at(least_mm))}{behind}. Use a thicker board, or another fixing."
    yield Finding(
        code=Code.NO_SCREW,
        severity="stop",
        text=text,
        subject=field_of(Hanging.fixing).pointer,
        ways=(thicker_backers,),
    )


def thicker_backers(at: Ask) -> tuple[Cure, ...]:
    """A backer thick enough to hold a screw that is sold, as boards are sold."""
    thick = at.field(Hanging.backer_mm)
    return tuple(
        cure(f"Use a backer {at.text(at.near(sold))} thick", (Hanging.backer_mm, at.near(sold)))
        for sold in SOLD_BACKERS_MM
        if at.near(sold) > thick
    )[:3]


@found
def rows_high(at: Ask) -> Iterator[Finding]:
    """A fixed distance of the rows that the frame is too low for."""
    over = at(rows_fixed_apart_mm)
    if over is not None and over > 0.0:
        text = f"The fixed distance of the hole rows is {at.text(at.up(over))} more than the frame has below its upper holes."
        subject = field_of(Hanging.row_fixed_mm).pointer
        free = (cure("Go by the frame's height instead", (Hanging.row_fixed_mm, None)),)
        yield Finding(code=Code.ROWS_FIXED, severity="stop", text=text, subject=subject, cures=free)


WAY_FINDINGS = (parts, wire, leaflet, above, loose, carrier, no_screw, rows_high)
