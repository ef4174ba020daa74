"""Two brackets, four holes."""

from dataclasses import dataclass

from gantline.core.defaults import WallDefaults
from gantline.core.errors import OutOfRange
from gantline.core.wall.bands import stud_is_free
from gantline.core.wall.brackets import BracketPair, BracketRule, PairChoice, place_by_rule, place_on_studs
from gantline.core.wall.marks import Hole, HoleMark, ReverseCheck, hole_rows_mm, holes, mark, reverse_check
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import bands, lattice, room

FIXED = "fixed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilling:
    """Holes [mm], their marks and the check that they are right."""

    pair: BracketPair
    holes: tuple[Hole, ...]
    marks: tuple[HoleMark, ...]
    check: ReverseCheck


def spacing_asked_mm(at: Ask) -> float:
    """Bracket to bracket by the rule [mm]: the kit's distance, or a share of the frame's width."""
    if at.field(Hanging.rule) == FIXED:
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
    if found.best is None or found.runner_up is not None:
        at(spacing_asked_mm)  # where only one pair serves, no wish chooses
    return found


def pair(at: Ask) -> BracketPair | None:
    """The brackets; None where nothing serves."""
    found = at(choice)
    if found is not None:
        return found.best
    return place_by_rule(at(rule), at(centre_x_mm)) if at(spacing_asked_mm) <= at(usable_mm) else None


def rows_cross(at: Ask) -> bool:
    """Whether the hole rows would meet or cross."""
    return at(screen).overall_height_mm - at.field(Hanging.row_offset_mm) <= 0.0


def rows_mm(at: Ask) -> tuple[float, float] | None:
    """Heights of the hole rows above the floor [mm]; None where no height fits or they would cross."""
    hung = at(placement)
    if not hung.possible:
        return None
    try:
        return hole_rows_mm(
            top_mm=hung.top_mm,
            frame_height_mm=hung.place.screen.overall_height_mm,
            drop_mm=at.field(Hanging.drop_mm),
            row_offset_mm=at.field(Hanging.row_offset_mm),
        )
    except OutOfRange:
        return None


def drilling(at: Ask) -> Drilling | None:
    """The holes and every mark to them; None where there is nothing to drill yet."""
    two, rows = at(pair), at(rows_mm)
    if two is None or rows is None:
        return None
    four = holes(two, *rows)
    marks = tuple(_mark(at, one) for one in four)
    return Drilling(pair=two, holes=four, marks=marks, check=reverse_check(four))


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
