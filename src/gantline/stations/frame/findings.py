"""What stands against building the frame, cutting the fabric, or stretching it."""

from collections.abc import Iterator

from gantline.core.defaults import FrameDefaults
from gantline.core.frame.boards import Lies
from gantline.core.frame.pieces import too_long_mm
from gantline.core.frame.square import NAMES, SquareCheck, pushes, rival_of, widest_gap
from gantline.core.tension.holds import Hold
from gantline.job.field import field_of
from gantline.job.model.frame import Blank, FrameBuild, SquareReadings
from gantline.job.model.light import FabricChoice
from gantline.job.model.survey import Survey
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, Cure, Finding, cure, found, noted
from gantline.stations.common import frame_depth_mm
from gantline.stations.frame.blank import driven, laid_out, roll_cut, work_area_mm
from gantline.stations.frame.board import board_mm, board_section, timber, trim_fits
from gantline.stations.frame.box_findings import box, waiting
from gantline.stations.frame.built import READ, planned_mm, square
from gantline.stations.frame.codes import Code
from gantline.stations.frame.solve import (
    brace_count,
    hollow_mm,
    pieces,
    pocket_screw,
    rail_sag_mm,
    splices,
    stile_sag_mm,
)
from gantline.stations.frame.ways import built_ways, piece_ways, roll_ways, splice_ways
from gantline.stations.size import built_screen

READ_BY_NAME = dict(zip(NAMES, READ, strict=True))
SPOKEN = {
    "top": "the top",
    "bottom": "the bottom",
    "left": "the left side",
    "right": "the right side",
    "rising": "the diagonal from lower left to upper right",
    "falling": "the diagonal from upper left to lower right",
}


GAPS = {
    "top left": SquareReadings.gap_top_left_mm,
    "top right": SquareReadings.gap_top_right_mm,
    "bottom left": SquareReadings.gap_bottom_left_mm,
    "bottom right": SquareReadings.gap_bottom_right_mm,
}


@found
def built_of(at: Ask) -> Iterator[Finding]:
    """Pieces that cannot be, and a depth that is not the board's."""
    boards, trim = at(pieces), at.field(FrameBuild.trim_mm)
    if not at(trim_fits):
        text = f"Trim of {at.text(trim)} on each side leaves nothing of the frame. Enter a narrower trim."
        away = (cure("Leave the trim out", (FrameBuild.trim_mm, 0.0)),)
        subject = field_of(FrameBuild.trim_mm).pointer
        yield Finding(code=Code.TRIM, severity="stop", text=text, subject=subject, cures=away)
    if at(timber) and isinstance(boards, str):
        subject = field_of(FrameBuild.board).pointer
        yield Finding(
            code=Code.PIECES,
            severity="stop",
            text=f"The frame cannot be built: {boards}.",
            subject=subject,
            ways=(piece_ways,),
        )
    depth, deep = at(frame_depth_mm), at(board_section).deep_mm
    if at(timber) and at.given(FrameBuild.board) is not None and abs(depth - deep) > max(1.0, at.step_mm):
        text = (
            f"The board is {at.text(deep)} deep as it lies; the frame depth says {at.text(depth)}. The fabric's plane, "
            "the throw and the screws rest on it."
        )
        fix = (cure(f"Set the frame depth to {at.text(deep)}", (FrameBuild.depth_mm, at.near(deep))),)
        subject = field_of(FrameBuild.depth_mm).pointer
        yield Finding(code=Code.DEPTH_DIFFERS, severity="check", text=text, subject=subject, cures=fix)


@noted
def stiffness(at: Ask) -> Iterator[Finding]:
    """Rails and stiles that the fabric bows too far."""
    if not at(timber) or isinstance(at(pieces), str):
        return
    most = at.default(FrameDefaults.sag_allowed_mm)
    sag, count = at(rail_sag_mm), at(brace_count)
    if sag > most:
        text = f"The fabric bows the rails {at.fine(sag)} between the braces; {at.fine(most)} is the most that does not show."
        more = (
            (cure(f"Use {count + 1} brace{'s' if count else ''}", (FrameBuild.centre_bars, count + 1)),)
            if count < 8
            else ()
        )
        placed = bool(at.things(FrameBuild.braces))
        subject = field_of(FrameBuild.centre_bars).pointer
        yield Finding(
            code=Code.RAIL_BOWS, severity="check", text=text, subject=subject, cures=() if placed else more
        )
    stile = at(stile_sag_mm)
    if stile > most:
        text = (
            f"The fabric bows the stiles {at.fine(stile)}; {at.fine(most)} is the most that does not show. Upright braces do not "
            "help them: take a wider board, or add a horizontal brace."
        )
        subject = field_of(FrameBuild.board).pointer
        yield Finding(code=Code.STILE_BOWS, severity="check", text=text, subject=subject)


@noted
def hollow(at: Ask) -> Iterator[Finding]:
    """Boards so thin that the cloth on their face pulls the frame hollow."""
    if not at(timber) or isinstance(at(pieces), str):
        return
    bow, most = at(hollow_mm), at.default(FrameDefaults.hollow_mm)
    if bow <= most:
        return
    text = (
        f"The cloth lies on the boards' face and pulls them hollow by about {at.text(bow)}; {at.text(most)} is the most. Take "
        "a thicker board, or stand it on edge."
    )
    edge = (cure("Stand the board on edge", (FrameBuild.lies, Lies.EDGE.value)),)
    yield Finding(
        code=Code.HOLLOW,
        severity="check",
        text=text,
        subject=field_of(FrameBuild.board).pointer,
        cures=edge if at.field(FrameBuild.lies) == Lies.FLAT else (),
    )


@noted
def set_back(at: Ask) -> Iterator[Finding]:
    """Braces that would show as lines through an open fabric; velvet before them is tacked clear of it as a step."""
    if (
        not at(timber)
        or not at(brace_count)
        or not at.field(FabricChoice.acoustic)
        or at.field(Blank.backing)
    ):
        return
    back, backing = at.default(FrameDefaults.brace_setback_mm), field_of(Blank.backing).pointer
    yield Finding(
        code=Code.SET_BACK,
        severity="note",
        text=f"Set the braces {at.text(back)} or more behind the fabric and cover them in black velvet: through an open fabric "
        "they show as lines.",
        subject=field_of(FrameBuild.centre_bars).pointer,
        cures=(Cure(text="Black velvet behind the fabric", changes=(Change(pointer=backing, value=True),)),),
    )


@found
def splicing(at: Ask) -> Iterator[Finding]:
    """Pieces longer than the longest board or load."""
    subject, longest = field_of(FrameBuild.longest_mm).pointer, at.field(FrameBuild.longest_mm)
    for splice in at(splices):
        if splice.splice is None:
            text = f"Piece {splice.letter} must be spliced, but {splice.trouble}."
            yield Finding(
                code=Code.SPLICED,
                severity="stop",
                text=text,
                subject=f"{subject}#{splice.letter}",
                ways=(splice_ways,),
            )
            continue
        places = ", ".join(at.text(place) for place in splice.splice.joints_mm)
        text = (
            f"Piece {splice.letter} is longer than {at.text(longest)}: splice it {places} from its end, a scab plate "
            f"{at.text(at.default(FrameDefaults.scab_mm))} long behind, glued and screwed."
        )
        yield Finding(code=Code.SPLICED, severity="note", text=text, subject=f"{subject}#{splice.letter}")


@found
def fasteners(at: Ask) -> Iterator[Finding]:
    """A screw or a staple that would come out in the fabric; a pocket screw goes in at its angle and does not."""
    if not at(timber):
        return
    clear, deep = at.default(FrameDefaults.fastener_clear_mm), at(board_section).deep_mm
    pocket = at(pocket_screw) or 0.0
    checked = [(FrameBuild.fastener_mm, at.given(FrameBuild.fastener_mm), deep, "screw")]
    if at(driven):
        leg = "staple leg" if at.field(Tensioning.hold) == Hold.STAPLE else "tack"
        checked.append((FrameBuild.staple_mm, at.field(FrameBuild.staple_mm), min(at(board_mm)), leg))
    for field, long, through, name in checked:
        if long is None:
            continue
        over, subject = too_long_mm(long, through, clear), field_of(field).pointer
        if over <= 0.0:
            continue
        short = at.down(through - clear)
        if name == "screw" and long <= pocket + at.step_mm / 2.0:
            text = (
                f"A {at.text(long)} screw goes into the pockets only, at their angle. Straight into {at.text(through)} of wood, "
                f"as through a plate, take {at.text(short)} at most: a longer one pokes through the fabric."
            )
            yield Finding(code=Code.POCKET_ONLY, severity="note", text=text, subject=subject)
            continue
        text = (
            f"{name.capitalize()} {at.text(over)} too long for {at.text(through)} of wood: it will poke through the fabric. "
            f"Use one {at.text(clear)} shorter than the wood is thick."
        )
        use = (cure(f"Use a {name} of {at.text(short)}", (field, short)),)
        yield Finding(code=Code.FASTENER, severity="stop", text=text, subject=subject, cures=use)


@noted
def no_pocket(at: Ask) -> Iterator[Finding]:
    """A board that takes no pocket screw."""
    if not at(timber) or at(pocket_screw) is not None:
        return
    thick = at.text(at(board_mm)[0])
    text = (
        f"A board {thick} thick takes no pocket screws: join the pieces with glue and plates, and screws no longer than the "
        "board is thick."
    )
    yield Finding(
        code=Code.NO_POCKET, severity="check", text=text, subject=field_of(FrameBuild.thick_mm).pointer
    )


@found
def fabric(at: Ask) -> Iterator[Finding]:
    """A blank that does not come from the roll, or needs more floor than there is."""
    cut = at(roll_cut)
    if cut is not None and not cut.fits:
        text = (
            f"The fabric blank needs {at.text(cut.across_mm)} across the roll, {at.text(-cut.spare_mm)} more than the roll "
            "is wide. No seam is allowed in the picture: take a wider roll, or a smaller screen."
        )
        subject = field_of(FabricChoice.roll_mm).pointer
        yield Finding(
            code=Code.ROLL,
            severity="stop",
            text=text,
            subject=subject,
            numbers={"short_mm": -cut.spare_mm},
            cures=roll_ways(at, cut),
        )
    if at(laid_out) is None:
        long, short = at(work_area_mm)
        text = (
            f"Laying out the fabric takes {at.text(long)} × {at.text(short)} of clean floor, and this room has no such place "
            "between seats and furniture. Clear the floor, or plan another room to stretch it in and the way from there."
        )
        yield Finding(
            code=Code.WORK_AREA, severity="check", text=text, subject=field_of(Survey.room_depth_mm).pointer
        )


@found
def squareness(at: Ask) -> Iterator[Finding]:
    """The built frame: square or not, which way to push, or which reading is wrong."""
    check = at(square)
    rising = field_of(SquareReadings.rising_mm).pointer
    if isinstance(check, str):
        text = f"Measure the frame again: {check}."
        out = (cure("Take the readings out", *((reading, None) for reading in READ)),)
        yield Finding(code=Code.READING_WRONG, severity="stop", text=text, subject=rising, cures=out)
    elif check is not None and not check.agrees:
        yield _wrong(at, check)
    elif check is not None:
        yield from _square(at, check)
    gaps = {name: value for name, one in GAPS.items() if (value := at.given(one)) is not None}
    worst = widest_gap(gaps, at.default(FrameDefaults.corner_gap_mm)) if len(gaps) == len(GAPS) else ""
    if worst:
        text = (
            f"The {worst} corner gapes {gaps[worst]:g} mm, the tightest {min(gaps.values()):g} mm. Loosen its screws, close it "
            "against its neighbors, and tighten when all four are alike."
        )
        yield Finding(
            code=Code.CORNER_GAPS, severity="check", text=text, subject=field_of(GAPS[worst]).pointer
        )
    if at(built_screen) is None:
        text = "The built frame is smaller than the picture with its border. Measure it again, or choose a smaller size."
        subject = field_of(SquareReadings.top_mm).pointer
        yield Finding(code=Code.TOO_SMALL, severity="stop", text=text, subject=subject, ways=(built_ways,))


def _wrong(at: Ask, check: SquareCheck) -> Finding:
    first = check.suspects[0]
    text = (
        f"The six readings disagree by {at.text(abs(check.closure_mm))}. Measure {SPOKEN[first.name]} again: the others "
        f"say {at.text(first.implied_mm)}, it reads {at.text(first.read_mm)}."
    )
    if rival_of(first.name):
        text += " If it reads the same again, measure the other diagonal: a racked frame looks alike."
    subject = field_of(READ_BY_NAME[first.name]).pointer
    return Finding(code=Code.READING_WRONG, severity="check", text=text, subject=subject)


def _square(at: Ask, check: SquareCheck) -> Iterator[Finding]:
    most = at.default(FrameDefaults.square_mm)
    push = pushes(check, most)
    if push:
        text = (
            f"The diagonals differ by {at.text(abs(check.diagonals_differ_mm))}, {at.text(most)} is allowed: push the top "
            f"{at.text(abs(check.lean_mm))} to the {push}, seen from the front, against the bottom. Then measure both again."
        )
        subject = field_of(SquareReadings.rising_mm).pointer
        yield Finding(
            code=Code.NOT_SQUARE,
            severity="stop",
            text=text,
            subject=subject,
            by_hand="No tap ends this: push the frame, then type both diagonals as they read.",
        )
    for off, names, field in zip(
        check.sides_differ_mm, (("top", "bottom"), ("right side", "left side")),
        (SquareReadings.top_mm, SquareReadings.right_mm), strict=True,
    ):  # fmt: skip
        if abs(off) > most:
            longer, shorter = names if off > 0.0 else names[::-1]
            text = f"The {longer} is {at.text(abs(off))} longer than the {shorter}: equal diagonals alone are not square."
            yield Finding(
                code=Code.NOT_SQUARE,
                severity="stop",
                text=text,
                subject=field_of(field).pointer,
                by_hand=f"No tap ends this: measure both again. If they read the same, cut the {longer} anew.",
            )
    yield from _off_plan(at)


def _off_plan(at: Ask) -> Iterator[Finding]:
    """Every side that is farther from the plan than cutting explains, by its name."""
    spread = 2.0 * at.default(FrameDefaults.side_spread_mm)
    wide, high = at(planned_mm)
    for name, plan in (("top", wide), ("bottom", wide), ("left", high), ("right", high)):
        field = READ_BY_NAME[name]
        read = at.given(field)
        if read is None or abs(read - plan) <= spread:
            continue
        text = (
            f"{SPOKEN[name].capitalize()} is {at.text(read)} long, planned {at.text(plan)}: its cut or its reading is off. "
            "All later marks follow what was measured."
        )
        yield Finding(code=Code.SIDE_OFF, severity="check", text=text, subject=field_of(field).pointer)


FINDINGS = (
    box,
    waiting,
    built_of,
    stiffness,
    hollow,
    set_back,
    splicing,
    fasteners,
    no_pocket,
    fabric,
    squareness,
)
