"""What stands against drilling."""

import math
from collections.abc import Iterator

from gantline.core.defaults import SurveyDefaults, WallDefaults
from gantline.core.wall.bands import crosses
from gantline.core.wall.brackets import BracketRule, PairChoice
from gantline.core.wall.joints import joint_off_mm
from gantline.core.wall.loads import MOST_A_BRACKET, Base
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, Finding, Severity, cure, found, noted
from gantline.stations.common import percent, way_words
from gantline.stations.frame import mass_kg
from gantline.stations.height import centre_x_mm, fits
from gantline.stations.survey import bands, lattice, studs_known
from gantline.stations.wall.choice_findings import CHOICE_FINDINGS
from gantline.stations.wall.codes import Code
from gantline.stations.wall.fact_findings import FACT_FINDINGS
from gantline.stations.wall.flat_findings import FLAT_FINDINGS
from gantline.stations.wall.loads import fixing, fixing_name, used
from gantline.stations.wall.solve import (
    choice,
    drilling,
    fixed,
    pair,
    rows_cross,
    rule,
    spacing_asked_mm,
    usable_mm,
)
from gantline.stations.wall.told import held
from gantline.stations.wall.way import every_stud, on_cleat, on_studs, row_offset_mm, stud_piece
from gantline.stations.wall.way_findings import WAY_FINDINGS


@found
def spacing(at: Ask) -> Iterator[Finding]:
    """A spacing longer than the rail."""
    asked, most = at(spacing_asked_mm), at(usable_mm)
    if asked > most and not at(every_stud):
        text = f"The spacing, {at.text(asked)}, is more than the usable rail, {at.text(most)}."
        subject = field_of(Hanging.spacing_mm).pointer
        severity: Severity = "check" if at(on_studs) and not at(fixed) else "stop"
        yield Finding(code=Code.SPACING_OFF_RAIL, severity=severity, text=text, subject=subject)


@found
def brackets(at: Ask) -> Iterator[Finding]:
    """A backer, or no stud pair that works."""
    subject = field_of(Hanging.fix_to).pointer
    backer = at(lattice) is not None and at.field(Hanging.fix_to) == "backer"
    if backer and at(pair) is not None:
        text = "Screw the backer board to every stud it crosses. The brackets go anywhere on it."
        yield Finding(code=Code.BACKER, severity="note", text=text, subject=subject)
    if at(every_stud) and at(stud_piece) is None:
        what = "a cleat its place" if at(on_cleat) else "a ledger one on each side"
        text = f"No two studs behind the frame leave {what}: move the screen, or put a backer board over the studs."
        fix = (
            (cure("Put a backer board over the studs", (Hanging.fix_to, "backer")),)
            if at(studs_known)
            else ()
        )
        yield Finding(
            code=Code.NO_STUD_PAIR,
            severity="stop" if at(studs_known) else "check",
            text=text,
            subject=field_of(Hanging.way).pointer,
            cures=fix,
        )
    there, one = at(choice), at(rule)
    if there is None or there.best is not None or any(side is not None for side in at(held)):
        return
    cures: list[Cure] = []
    move = there.move_screen_mm
    if move is not None:
        text = f"Move the screen {way_words(at, 0, move)}: a stud pair is then even about it"
        cures.append(cure(text, (HeightTarget.centre_x_mm, at.near(at(centre_x_mm) + move))))
    board = "Put a backer board over the studs: brackets go where the rule says"
    cures.append(cure(board, (Hanging.fix_to, "backer")))
    text = _kept(at, one, there) if one.kept else _no_pair(at, one)
    if not at(studs_known):  # nothing is said of a wall nobody looked at, and nothing moved for it
        cures, text = [], f"Find the studs first. Where they are assumed to be: {text[0].lower()}{text[1:]}"
    yield Finding(
        code=Code.KIT_SPACING if one.kept else Code.NO_STUD_PAIR,
        severity="stop" if at(studs_known) else "check",
        text=text,
        subject=field_of(Hanging.spacing_mm).pointer if one.kept else subject,
        cures=tuple(cures),
    )


def _no_pair(at: Ask, one: BracketRule) -> str:
    return (
        f"No stud pair works. Its midpoint must be within {at.text(one.allowed_offset_mm)} of the screen center, each stud "
        f"at least {percent(one.centre_share)} of the width away from it."
    )


def _kept(at: Ask, one: BracketRule, there: PairChoice) -> str:
    near = there.nearest_spacing_mm
    apart = "" if near is None else f" The nearest two are {at.text(near)} apart."
    return (
        f"The kit's spacing, {at.text(one.wished_mm)}, lands in no two studs with their midpoint within "
        f"{at.text(one.allowed_offset_mm)} of the screen center.{apart}"
    )


@found
def rows(at: Ask) -> Iterator[Finding]:
    """Hole rows that would cross."""
    if at(rows_cross) and at(pair) is not None and at(fits):
        offset = at(row_offset_mm) or 0.0
        text = f"The hole rows would cross: {at.text(offset)} is more than the frame's height."
        subject = field_of(Hanging.row_offset_mm).pointer
        yield Finding(code=Code.ROWS_CROSS, severity="stop", text=text, subject=subject)


@found
def in_bands(at: Ask) -> Iterator[Finding]:
    """A hole in a band is a stop: cable or pipe may run there."""
    there = at(drilling)
    for hole in there.holes if there else ():
        hit = next((one for one in at(bands) if crosses(one, hole.x_mm, hole.y_mm)), None)
        if hit is not None:
            text = (
                f"Do not drill the {hole.row} {hole.side} hole: it lies in the no-drill band of the {hit.name}. Cable or "
                "pipe may run there."
            )
            subject = f"{field_of(Survey.fittings).pointer}#{hole.key}"
            yield Finding(code=Code.HOLE_IN_BAND, severity="stop", text=text, subject=subject, hole=hole.key)


@noted
def in_joints(at: Ask) -> Iterator[Finding]:
    """Holes in the mortar of masonry whose courses are known."""
    if at.field(Survey.build) != "masonry":
        return
    course, joint, there = at.given(Survey.course_mm), at.given(Survey.course_first_mm), at(drilling)
    if course is None or joint is None or there is None:
        return
    clear = at.default(SurveyDefaults.joint_clear_mm)
    for row, y in dict.fromkeys((one.row, one.y_mm) for one in there.holes):
        off = joint_off_mm(y, joint, course)
        if abs(off) < clear:
            least = clear - abs(off)
            way = "up" if off >= 0.0 else "down"
            text = (
                f"The {row} holes lie {at.text(abs(off))} from the middle of a mortar joint, where a plug pulls out. Move the "
                f"frame {at.text(at.up(least))} {way}."
            )
            subject = f"{field_of(Survey.course_mm).pointer}#{row}"
            yield Finding(code=Code.IN_JOINT, severity="check", text=text, subject=subject)


@found
def loads(at: Ask) -> Iterator[Finding]:
    """A fixing that carries too much, and a screen that is too heavy for anchors in board."""
    subject, one, mass = field_of(Hanging.fixing).pointer, at(fixing), at(mass_kg)
    if mass is None:
        if at(drilling) is not None:
            text = "Enter the mass of the kit, from its sheet or a scale: until then nothing is said of the load on the fixings."
            yield Finding(
                code=Code.NO_MASS, severity="note", text=text, subject=field_of(FrameBuild.mass_kg).pointer
            )
        return
    limit = at.default(WallDefaults.board_limit_kg)
    if one.base is Base.BOARD and mass > limit:
        text = (
            f"{mass:.1f} kg on anchors in board: {limit:g} kg is the most. Screw into studs, hang it on a cleat over studs, or "
            "put a backer board over them."
        )
        fix = (cure("Screw into studs", (Hanging.fixing, "screw-6")),) if at(lattice) is not None else ()
        yield Finding(code=Code.BOARD, severity="stop", text=text, subject=subject, cures=fix)
    share = at(used)
    if share is not None and share > 1.0:
        each = at.field(Hanging.per_bracket)
        text = f"Each {at(fixing_name)} would carry {100.0 * share:.0f} % of what it may. Use more of them, or stronger ones."
        more = math.ceil(each * share)
        fix = (
            (cure(f"Use {more} at each upper bracket", (Hanging.per_bracket, more)),)
            if more <= MOST_A_BRACKET
            else ()
        )
        yield Finding(code=Code.OVERLOADED, severity="stop", text=text, subject=subject, cures=fix)


FINDINGS = (
    spacing,
    brackets,
    rows,
    in_bands,
    in_joints,
    loads,
    *FACT_FINDINGS,
    *FLAT_FINDINGS,
    *CHOICE_FINDINGS,
    *WAY_FINDINGS,
)
