"""Two brackets, the holes that their way of hanging has, and the marks to them."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

from gantline.core.defaults import WallDefaults
from gantline.core.errors import OutOfRange
from gantline.core.wall.brackets import (
    BracketPair,
    BracketRule,
    PairChoice,
    pair_of,
    place_by_rule,
    place_on_studs,
)
from gantline.core.wall.cleat import FEWEST
from gantline.core.wall.facts import (
    HoleFact,
    blocked_xs_mm,
    clear_pair,
    pairs_with_drilled,
    rows_from_facts_mm,
)
from gantline.core.wall.marks import (
    Hole,
    HoleMark,
    between_marks_mm,
    further_screws,
    hole_rows_mm,
    holes,
    in_order,
    mark,
)
from gantline.core.wall.studs import off_center_mm
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.common import drop_mm, part_drop_given
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import lattice, room
from gantline.stations.wall.screws import first_screw_off_mm, lay, screw_step_mm
from gantline.stations.wall.told import facts, free_studs, held
from gantline.stations.wall.way import (
    cleat_on_studs,
    cleat_stands,
    every_stud,
    further,
    hang_parts,
    lower_parts,
    on_studs,
    row_offset_mm,
    side_play_mm,
    stud_piece,
)

FIXED, ABOUT = "fixed", "about"


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilling:
    """Holes [mm] and their marks, in the order in which a crew marks them."""

    pair: BracketPair
    holes: tuple[Hole, ...]
    marks: tuple[HoleMark, ...]

    @property
    def ends(self) -> tuple[HoleMark, HoleMark]:
        """The outer holes of the upper row, left and right."""
        by_key = {mark.hole.key: mark for mark in self.marks}
        return by_key["upper-left"], by_key["upper-right"]

    def row(self, name: str) -> HoleMark | None:
        """The left hole of a row; None where this way of hanging has no such row."""
        return next((one for one in self.marks if one.hole.row == name), None)


def fixed(at: Ask) -> bool:
    """Whether the kit gives the spacing to the mark."""
    return at.field(Hanging.rule) == FIXED


def by_kit(at: Ask) -> bool:
    """Whether the kit gives the spacing, to the mark or about: brackets that slide on their rail take what the studs leave."""
    return at.field(Hanging.rule) in (FIXED, ABOUT)


def spacing_asked_mm(at: Ask) -> float:
    """Bracket to bracket by the rule [mm]: the kit's distance, or a share of the frame's width."""
    if at(by_kit):
        return at.field(Hanging.spacing_mm)
    return at.field(Hanging.spacing_share) * at(screen).overall_width_mm


def rule(at: Ask) -> BracketRule:
    """What a pair of brackets must satisfy."""
    return BracketRule(
        frame_mm=at(screen).overall_width_mm,
        wished_mm=at(spacing_asked_mm),
        play_mm=at(side_play_mm),
        centre_share=at.default(WallDefaults.centre_share),
        inset_mm=at.default(WallDefaults.rail_inset_mm),
        kept=at(fixed),
        off_stud_mm=off_center_mm(at.field(Survey.stud_width_mm), at.default(WallDefaults.stud_edge_mm))
        if at(fixed)
        else 0.0,
    )


def usable_mm(at: Ask) -> float:
    """Length of rail a pair of brackets may use [mm]."""
    inset = at.default(WallDefaults.rail_inset_mm)
    return max(at(screen).overall_width_mm - 2.0 * inset, 0.0)


def choice(at: Ask) -> PairChoice | None:
    """The stud pair, its runner-up or the nearest miss; None where no pair of studs is asked for."""
    if not at(on_studs) or at(every_stud):
        return None
    placed = place_on_studs(at.aside(rule), at(centre_x_mm), at(free_studs))
    at(usable_mm)
    at(side_play_mm)
    if at(fixed):
        at(rule)
    elif placed.best is None or placed.runner_up is not None:
        at(spacing_asked_mm)  # where only one pair serves, no wish chooses
    return placed


def pair(at: Ask) -> BracketPair | None:
    """The brackets, or the outer screws of a cleat; None where nothing serves. What is drilled stays where it is."""
    if at(every_stud):
        return at(planned_pair)
    left, right = at(held) if at(facts) else (None, None)
    if left is None and right is None:
        return at(planned_pair)
    studs = at(free_studs) if at(on_studs) else None
    pairs = pairs_with_drilled(at(rule), at(centre_x_mm), left, right, studs)
    return pairs[0] if pairs else None


def planned_pair(at: Ask) -> BracketPair | None:
    """The brackets as if nothing were drilled yet; refused places count."""
    if at(every_stud):
        place = at(stud_piece)
        if place is None or len(place.studs_mm) < FEWEST:
            return None
        return pair_of(place.studs_mm[0], place.studs_mm[-1], at(centre_x_mm))
    stud_pair = at(choice)
    if stud_pair is not None:
        return stud_pair.best
    if at(spacing_asked_mm) > at(usable_mm):
        return None
    refused = blocked_xs_mm(at(facts))
    if refused:
        clear = at.default(WallDefaults.refused_clear_mm)
        return clear_pair(at(rule), at(centre_x_mm), refused, clear)
    return place_by_rule(at(rule), at(centre_x_mm))


def across_mm(at: Ask) -> float:
    """Hole to hole across as printed [mm]: the difference of the two marks from the left wall end; 0 without any."""
    two = at(pair)
    return 0.0 if two is None else between_marks_mm(two.left_mm, two.right_mm, at.units)


def rows_cross(at: Ask) -> bool:
    """Whether the hole rows would meet or cross."""
    offset = at(row_offset_mm)
    return offset is not None and at(screen).overall_height_mm - offset <= 0.0


def rows_mm(at: Ask) -> tuple[float, float | None] | None:
    """Heights of the hole rows above the floor [mm], drilled ones where they are; None where no height fits or they cross."""
    planned = at(planned_rows_mm)
    if planned is None:
        return None
    edge = at.given(Hanging.cleat_up_edge_mm) if at(cleat_on_studs) and not at(part_drop_given) else None
    if edge is not None:  # the wall piece is up
        upper = edge - at.field(Hanging.cleat_screw_mm)
        return upper, None if planned[1] is None else planned[1] + upper - planned[0]
    return rows_from_facts_mm(at(facts), planned)


def planned_rows_mm(at: Ask) -> tuple[float, float | None] | None:
    """Upper and lower row above the floor [mm] as planned, as if nothing were drilled yet."""
    hung = at(placement)
    if not hung.possible:
        return None
    try:
        return hole_rows_mm(
            top_mm=hung.top_mm,
            frame_height_mm=hung.place.screen.overall_height_mm,
            drop_mm=at(drop_mm),
            row_offset_mm=at(row_offset_mm),
        )
    except OutOfRange:
        return None


def drilling(at: Ask) -> Drilling | None:
    """The holes and every mark to them; None where there is nothing to drill yet."""
    two, rows = at(pair), at(rows_mm)
    if two is None or rows is None:
        return None
    place = at(stud_piece) if at(every_stud) else None
    upper = at(further, two, at(hang_parts)) if place is None else place.studs_mm[1:-1]
    lower: tuple[float, ...] = ()
    if rows[1] is not None:
        lower = at(further, two, at(lower_parts)) if place is None else upper
    done = {fact.key: fact for fact in at(facts) if fact.drilled}
    count, apart, how, off = at.field(Hanging.per_bracket), at(screw_step_mm), at(lay), at(first_screw_off_mm)
    firsts = []
    for hole in holes(two, *rows, between_mm=upper, lower_between_mm=lower):
        planned = replace(hole, x_mm=hole.x_mm + off) if hole.row == "upper" else hole
        firsts.append(_drilled(planned, done))
    more = [
        _drilled(screw, done)
        for hole in firsts
        if hole.row == "upper" and count > 1
        for screw in further_screws(hole, count, apart, how)
    ]
    every = in_order((*firsts, *more))
    return Drilling(pair=two, holes=every, marks=tuple(_mark(at, hole) for hole in every))


def drilled_keys(at: Ask) -> frozenset[str]:
    """Holes that are there: drilled one by one, or all of a cleat's that is up already."""
    drill_plan = at(drilling)
    if drill_plan is not None and at(cleat_stands):
        return frozenset(hole.key for hole in drill_plan.holes)
    return frozenset(fact.key for fact in at(facts) if fact.drilled)


def _drilled(hole: Hole, done: Mapping[str, HoleFact]) -> Hole:
    """The hole where it was drilled, if it was."""
    fact = done.get(hole.key)
    return hole if fact is None else replace(hole, x_mm=fact.x_mm, y_mm=fact.y_mm)


def _mark(at: Ask, hole: Hole) -> HoleMark:
    studs, here = at(lattice), at(room)
    index = None if studs is None else studs.nearest(hole.x_mm)
    return mark(
        hole,
        datum_mm=here.datum_mm,
        centre_mm=at(centre_x_mm),
        stud_mm=None if studs is None or index is None else studs.centres_mm[index],
        floor=here.floor,
        ceiling=here.ceiling,
    )
