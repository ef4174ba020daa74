"""What stands against drilling."""

import math
from collections.abc import Iterator

from gantline.core.defaults import SurveyDefaults, WallDefaults
from gantline.core.wall.bands import Band, crosses
from gantline.core.wall.brackets import BracketRule, PairChoice
from gantline.core.wall.joints import joint_off_mm
from gantline.core.wall.loads import FIXINGS, MOST_A_BRACKET, Base
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, Finding, Severity, cure, found, noted
from gantline.stations.common import on_cleat, percent, way_words
from gantline.stations.frame import mass_kg
from gantline.stations.height import centre_x_mm, fits, placement
from gantline.stations.survey import bands, lattice, studs_known, wall_build
from gantline.stations.wall.behind import stud_holds_mm, unread
from gantline.stations.wall.choice_findings import CHOICE_FINDINGS
from gantline.stations.wall.cleat_up import CLEAT_UP_FINDINGS
from gantline.stations.wall.codes import Code
from gantline.stations.wall.fact_findings import FACT_FINDINGS
from gantline.stations.wall.flat_findings import FLAT_FINDINGS
from gantline.stations.wall.ledger import LEDGER_FINDINGS
from gantline.stations.wall.loads import fixing, fixing_key, fixing_name, used
from gantline.stations.wall.screws import first_screw_off_mm
from gantline.stations.wall.solve import (
    ABOUT,
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
from gantline.stations.wall.way import every_stud, hang_parts, on_studs, row_offset_mm, stud_piece
from gantline.stations.wall.way_findings import WAY_FINDINGS


@found
def spacing(at: Ask) -> Iterator[Finding]:
    """A spacing longer than the rail."""
    asked, most = at(spacing_asked_mm), at(usable_mm)
    if asked > most and not at(every_stud):
        text = f"The spacing, {at.text(asked)}, is more than the usable rail, {at.text(most)}."
        subject = field_of(Hanging.spacing_mm).pointer
        severity: Severity = "check" if at(on_studs) and not at(fixed) else "stop"
        shorter = at.down(most)
        fix = (cure(f"Set them {at.text(shorter)} apart", (Hanging.spacing_mm, shorter)),)
        yield Finding(code=Code.SPACING_OFF_RAIL, severity=severity, text=text, subject=subject, cures=fix)


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
        text = f"No stud pair works: none leaves {what}. Move the screen, or put a backer board across the studs."
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
    stud_pair, bracket_rule = at(choice), at(rule)
    if stud_pair is None or stud_pair.best is not None or any(side is not None for side in at(held)):
        return
    cures: list[Cure] = []
    move = stud_pair.move_screen_mm
    if move is not None:
        text = f"Move the screen {way_words(at, 0, move)}: a stud pair is then even about it"
        cures.append(cure(text, (HeightTarget.centre_x_mm, at.near(at(centre_x_mm) + move))))
    board = "Put a backer board over the studs: brackets go where the rule says"
    cures.append(cure(board, (Hanging.fix_to, "backer")))
    if bracket_rule.kept:
        about = "Take the spacing as about so far apart, where the leaflet says so or its brackets slide on the rail"
        cures.append(cure(about, (Hanging.rule, ABOUT)))
    text = _kept(at, bracket_rule, stud_pair) if bracket_rule.kept else _no_pair(at, bracket_rule)
    if not at(studs_known):  # nothing is said of a wall nobody looked at, and nothing moved for it
        cures, text = [], f"Find the studs first. Where they are assumed to be: {text[0].lower()}{text[1:]}"
    yield Finding(
        code=Code.KIT_SPACING if bracket_rule.kept else Code.NO_STUD_PAIR,
        severity="stop" if at(studs_known) else "check",
        text=text,
        subject=field_of(Hanging.spacing_mm).pointer if bracket_rule.kept else subject,
        cures=tuple(cures),
    )


def _no_pair(at: Ask, bracket_rule: BracketRule) -> str:
    return (
        f"No stud pair works. Its midpoint must be within {at.text(bracket_rule.allowed_offset_mm)} of the screen center, each "
        "stud "
        f"at least {percent(bracket_rule.centre_share)} of the width away from it."
    )


def _kept(at: Ask, bracket_rule: BracketRule, there: PairChoice) -> str:
    near = there.nearest_spacing_mm
    apart = "" if near is None else f" The nearest two are {at.text(near)} apart."
    return (
        f"The kit's spacing, {at.text(bracket_rule.wished_mm)}, lands in no two studs with their midpoint within "
        f"{at.text(bracket_rule.allowed_offset_mm)} of the screen center.{apart}"
    )


@noted
def unread_studs(at: Ask) -> Iterator[Finding]:
    """Holes on studs that a lattice predicts and no reading has touched."""
    places = at(unread) if at(studs_known) else ()
    if not places:
        return  # where nobody looked at all, the survey asks for the studs themselves
    where = sorted({place.stud.x_mm for place in places})
    listed = " and ".join(filter(None, (", ".join(map(at.text, where[:-1])), at.text(where[-1]))))
    text = (
        f"Nobody has read the stud at {listed}, and a hole goes there."
        if len(where) == 1
        else f"Nobody has read the studs at {listed}, and holes go there."
    )
    text += " Hold a magnet or a stud sensor there and enter what it finds."
    yield Finding(
        code=Code.STUD_UNREAD,
        severity="check",
        text=text,
        subject=field_of(Survey.stud_readings).pointer,
        also=(field_of(Hanging.fix_to).pointer,),
        next=True,
    )


@found
def screws_beside(at: Ask) -> Iterator[Finding]:
    """Screws side by side that do not both find the stud behind them."""
    off, holds = abs(at(first_screw_off_mm)), at(stud_holds_mm)
    if at(on_studs) and at(drilling) is not None and off > holds:
        text = (
            f"The outer screws of a bracket stand {at.text(off)} beside the stud's center, and only {at.text(holds)} still keeps "
            "them in the wood. Use a plate with its screws one over the other, or a backer board."
        )
        board = cure("Put a backer board over the studs", (Hanging.fix_to, "backer"))
        subject = field_of(Hanging.screws_apart_mm).pointer
        yield Finding(
            code=Code.SCREWS_BESIDE, severity="stop", text=text, subject=subject, cures=(board,), hurts=True
        )


@found
def rows(at: Ask) -> Iterator[Finding]:
    """Hole rows that would cross."""
    if at(rows_cross) and at(pair) is not None and at(fits):
        offset = at(row_offset_mm) or 0.0
        text = f"The hole rows would cross: {at.text(offset)} is more than the frame's height."
        subject = field_of(Hanging.row_offset_mm).pointer
        usual = (cure("Take the usual distance of the rows", (Hanging.row_offset_mm, None)),)
        yield Finding(code=Code.ROWS_CROSS, severity="stop", text=text, subject=subject, cures=usual)


@found
def in_bands(at: Ask) -> Iterator[Finding]:
    """A hole in a band is a stop: cable or pipe may run there."""
    drill_plan = at(drilling)
    for hole in drill_plan.holes if drill_plan else ():
        hit = next((band for band in at(bands) if crosses(band, hole.x_mm, hole.y_mm)), None)
        if hit is not None:
            text = (
                f"Do not drill the {hole.name} hole: it lies in the no-drill band of the {hit.name}. Cable or "
                "pipe may run there."
            )
            subject = f"{field_of(Survey.fittings).pointer}#{hole.key}"
            yield Finding(
                code=Code.HOLE_IN_BAND,
                severity="stop",
                text=text,
                subject=subject,
                hole=hole.key,
                hurts=True,
                ways=(band_ways, hit, hole.x_mm, hole.y_mm),
                by_hand="No one change clears it: move the screen, or have a licensed electrician trace the run, then enter "
                "the fitting's band as found.",
            )


def band_ways(at: Ask, band: Band, x_mm: float, y_mm: float) -> tuple[Cure, ...]:
    """The screen moved until a hole [mm] clears a band: up or down, or sideways. No backer: its own screws go into every stud
    it crosses, in the band, too."""
    cures, top, center = [], at(placement).top_mm, at(centre_x_mm)
    if band.bottom_mm <= y_mm <= band.top_mm:
        rows = (
            at.down(top + band.bottom_mm - y_mm - at.step_mm),
            at.up(top + band.top_mm - y_mm + at.step_mm),
        )
        cures += [
            cure(
                f"Plan the frame's top at {at.text(row)}",
                (HeightTarget.wish, "frame-top"),
                (HeightTarget.wish_mm, row),
            )
            for row in sorted(rows, key=lambda row: abs(row - top))
        ]
    if band.left_mm <= x_mm <= band.right_mm:
        places = (
            at.down(center + band.left_mm - x_mm - at.step_mm),
            at.up(center + band.right_mm - x_mm + at.step_mm),
        )
        cures += [
            cure(f"Move the screen's center to {at.text(place)}", (HeightTarget.centre_x_mm, place))
            for place in sorted(places, key=lambda place: abs(place - center))
        ]
    return tuple(cures)


@noted
def in_joints(at: Ask) -> Iterator[Finding]:
    """Holes in the mortar of masonry whose courses are known."""
    if at(wall_build) != "masonry":
        return
    course, joint, drill_plan = at.given(Survey.course_mm), at.given(Survey.course_first_mm), at(drilling)
    if course is None or joint is None or drill_plan is None:
        return
    clear = at.default(SurveyDefaults.joint_clear_mm)
    rows = dict.fromkeys(
        (hole.row if hole.screw == 1 else f"{hole.row}, screw {hole.screw},", hole.y_mm)
        for hole in drill_plan.holes
    )
    for row, y in rows:
        off = joint_off_mm(y, joint, course)
        if abs(off) < clear:
            least = clear - abs(off)
            way = "up" if off >= 0.0 else "down"
            text = (
                f"The {row} holes lie {at.text(abs(off))} from the middle of a mortar joint, where a plug pulls out. Move the "
                f"frame {at.text(at.up(least))} {way}."
            )
            subject = f"{field_of(Survey.course_mm).pointer}#{row.rstrip(',').replace(', screw ', '-')}"
            yield Finding(code=Code.IN_JOINT, severity="check", text=text, subject=subject)


@found
def loads(at: Ask) -> Iterator[Finding]:
    """A fixing that carries too much, and a screen that is too heavy for anchors in board."""
    subject, fastener, mass = field_of(Hanging.fixing).pointer, at(fixing), at(mass_kg)
    if mass is None:
        if at(drilling) is not None:
            text = "Enter the mass of the kit, from its sheet or a scale: until then nothing is said of the load on the fixings."
            yield Finding(
                code=Code.NO_MASS, severity="note", text=text, subject=field_of(FrameBuild.mass_kg).pointer
            )
        return
    limit = at.default(WallDefaults.board_limit_kg)
    if fastener.base is Base.BOARD and mass > limit:
        text = (
            f"{mass:.1f} kg on anchors in board: {limit:g} kg is the most. Screw into studs, hang it on a cleat over studs, or "
            "put a backer board over them."
        )
        fix = (cure("Screw into studs", (Hanging.fixing, "screw-6")),) if at(lattice) is not None else ()
        yield Finding(code=Code.BOARD, severity="stop", text=text, subject=subject, cures=fix, hurts=True)
    share = at(used)
    if share is not None and share > 1.0:
        screws = at.field(Hanging.per_bracket)
        text = f"Each {at(fixing_name)} would carry {100.0 * share:.0f} % of what it may. Use more of them, or stronger ones."
        more = math.ceil(screws * share)
        fix = (
            (cure(f"Use {more} at each upper bracket", (Hanging.per_bracket, more)),)
            if more <= MOST_A_BRACKET
            else ()
        )
        yield Finding(
            code=Code.OVERLOADED,
            severity="stop",
            text=text,
            subject=subject,
            cures=fix,
            ways=(stronger,),
            hurts=True,
            by_hand="No one change carries it: a lighter screen, more brackets and stronger fixings together, or a builder's "
            "advice.",
        )


def stronger(at: Ask) -> tuple[Cure, ...]:
    """The weakest fixing for the same base, wood, board or masonry, that carries the load here, and more hang parts."""
    pointer, cures, enough = field_of(Hanging.fixing).pointer, [], []
    base = at(fixing).base
    for key, known in FIXINGS.items():
        if key != at(fixing_key) and known.base is base:
            answer = at.variant(pointer, key).answer(used)
            at.reads, at.weighs = at.reads | answer.reads, at.weighs | answer.weighs
            if answer.value is not None and answer.value <= 1.0:
                enough.append((answer.value, key))
    if enough:
        key = max(enough)[1]
        name = at.variant(pointer, key).answer(fixing_name)
        at.reads |= name.reads
        cures.append(cure(f"Fix it with this: {name.value}", (Hanging.fixing, key)))
    parts = at(hang_parts)
    cures.append(cure(f"Use {parts + 1} hang parts", (Hanging.hang_parts, parts + 1)))
    return tuple(cures)


FINDINGS = (
    spacing,
    brackets,
    unread_studs,
    screws_beside,
    rows,
    in_bands,
    in_joints,
    loads,
    *FACT_FINDINGS,
    *FLAT_FINDINGS,
    *CHOICE_FINDINGS,
    *WAY_FINDINGS,
    *CLEAT_UP_FINDINGS,
    *LEDGER_FINDINGS,
)
