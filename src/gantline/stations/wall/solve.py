"""Two brackets, the holes that their way of hanging has, and the marks to them."""

from dataclasses import dataclass

from gantline.core.defaults import WallDefaults
from gantline.core.errors import OutOfRange
from gantline.core.wall.bands import stud_is_free
from gantline.core.wall.brackets import BracketPair, BracketRule, PairChoice, place_by_rule, place_on_studs
from gantline.core.wall.marks import Hole, HoleMark, between_marks_mm, hole_rows_mm, holes, mark
from gantline.core.wall.ways import Way, has_lower_row
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import bands, lattice, room

FIXED = "fixed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilling:
    """Holes [mm] and their marks."""

    pair: BracketPair
    holes: tuple[Hole, ...]
    marks: tuple[HoleMark, ...]

    def row(self, name: str) -> HoleMark | None:
        """The left hole of a row; None where this way of hanging has no such row."""
        return next((one for one in self.marks if one.hole.row == name), None)


def fixed(at: Ask) -> bool:
    """Whether the kit gives the spacing."""
    return at.field(Hanging.rule) == FIXED


def spacing_asked_mm(at: Ask) -> float:
    """Bracket to bracket by the rule [mm]: the kit's distance, or a share of the frame's width."""
    if at(fixed):
        return at.field(Hanging.spacing_mm)
    return at.field(Hanging.spacing_share) * at(screen).overall_width_mm


def rule(at: Ask) -> BracketRule:
    """What a pair of brackets must satisfy."""
    return BracketRule(
        frame_mm=at(screen).overall_width_mm,
        wished_mm=at(spacing_asked_mm),
        play_mm=at.field(Hanging.side_play_mm),
        centre_share=at.default(WallDefaults.centre_share),
        inset_mm=at.default(WallDefaults.rail_inset_mm),
        kept=at(fixed),
        off_stud_mm=max(0.0, at.field(Survey.stud_width_mm) / 2.0 - at.default(WallDefaults.stud_edge_mm))
        if at(fixed)
        else 0.0,
    )


def on_studs(at: Ask) -> bool:
    """Whether the brackets are screwed into studs."""
    return at(lattice) is not None and at.field(Hanging.fix_to) == "studs"


def usable_mm(at: Ask) -> float:
    """Length of rail a pair of brackets may use [mm]."""
    inset = at.default(WallDefaults.rail_inset_mm)
    return max(at(screen).overall_width_mm - 2.0 * inset, 0.0)


def free_studs(at: Ask) -> tuple[float, ...]:
    """Stud centers that no band runs straight up or down along [mm]."""
    studs, found = at(lattice), at(bands)
    return () if studs is None else tuple(x for x in studs.centres_mm if stud_is_free(x, found))


def choice(at: Ask) -> PairChoice | None:
    """The stud pair, its runner-up or the nearest miss; None where no studs are asked for."""
    if not at(on_studs):
        return None
    found = place_on_studs(at.aside(rule), at(centre_x_mm), at(free_studs))
    at(usable_mm)
    at.field(Hanging.side_play_mm)
    if at(fixed):
        at(rule)
    elif found.best is None or found.runner_up is not None:
        at(spacing_asked_mm)  # where only one pair serves, no wish chooses
    return found


def pair(at: Ask) -> BracketPair | None:
    """The brackets; None where nothing serves."""
    found = at(choice)
    if found is not None:
        return found.best
    return place_by_rule(at(rule), at(centre_x_mm)) if at(spacing_asked_mm) <= at(usable_mm) else None


def lower_holes(at: Ask) -> bool:
    """Whether there is a lower row: as entered, else as the way of hanging has it."""
    given = at.given(Hanging.lower_holes)
    return has_lower_row(Way(at.field(Hanging.way))) if given is None else given


def row_offset_mm(at: Ask) -> float | None:
    """Frame height less the distance of the rows [mm]; None without a lower row."""
    return at.field(Hanging.row_offset_mm) if at(lower_holes) else None


def across_mm(at: Ask) -> float:
    """Hole to hole across as printed [mm]: the difference of the two marks from the left wall end; 0 without any."""
    two = at(pair)
    return 0.0 if two is None else between_marks_mm(two.left_mm, two.right_mm, at.units)


def rows_cross(at: Ask) -> bool:
    """Whether the hole rows would meet or cross."""
    offset = at(row_offset_mm)
    return offset is not None and at(screen).overall_height_mm - offset <= 0.0


def rows_mm(at: Ask) -> tuple[float, float | None] | None:
    """Heights of the hole rows above the floor [mm]; None where no height fits or they would cross."""
    hung = at(placement)
    if not hung.possible:
        return None
    try:
        return hole_rows_mm(
            top_mm=hung.top_mm,
            frame_height_mm=hung.place.screen.overall_height_mm,
            drop_mm=at.field(Hanging.drop_mm),
            row_offset_mm=at(row_offset_mm),
        )
    except OutOfRange:
        return None


def drilling(at: Ask) -> Drilling | None:
    """The holes and every mark to them; None where there is nothing to drill yet."""
    two, rows = at(pair), at(rows_mm)
    if two is None or rows is None:
        return None
    found = holes(two, *rows)
    return Drilling(pair=two, holes=found, marks=tuple(_mark(at, one) for one in found))


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
