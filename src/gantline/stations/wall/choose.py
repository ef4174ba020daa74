"""The candidates for holding this frame on this wall, ranked: what decides, what each costs, what one tap takes."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.defaults import WallDefaults
from gantline.core.wall.brackets import place_by_rule, place_on_studs
from gantline.core.wall.cleat import FEWEST, WISHED
from gantline.core.wall.facts import is_blocked
from gantline.core.wall.loads import MOST_A_BRACKET, utilization
from gantline.core.wall.ways import KINDS, Way
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, change
from gantline.stations.common import on_cleat, way
from gantline.stations.frame import mass_kg
from gantline.stations.height import centre_x_mm
from gantline.stations.survey import lattice
from gantline.stations.wall.loads import allowed_of, loads_at
from gantline.stations.wall.solve import rule, usable_mm
from gantline.stations.wall.told import free_studs
from gantline.stations.wall.way import cleat_place, every_stud, row_offset_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """One way of holding: key and name; whether it serves; what decides; what it costs; the changes that take it; whether the
    job goes this way now."""

    key: str
    name: str
    serves: bool
    why: str
    cost: str
    changes: tuple[Change, ...]
    taken: bool


def taken(at: Ask) -> str:
    """The candidate that the job goes by."""
    if at(every_stud) and at(on_cleat):
        return "cleat"
    return {"backer": "backer", "anchors": "anchors"}.get(at.field(Hanging.fix_to), "studs")


def candidates(at: Ask) -> tuple[Candidate, ...]:
    """Studs, cleat, backer, anchors: those that serve first, in this order; none on masonry."""
    if at(lattice) is None:
        return ()
    found = [*_studs(at), *_cleat(at), *_backer(at), *_anchors(at)]
    return tuple(sorted(found, key=lambda one: not one.serves))


def _each(
    at: Ask, key: str, places: tuple[float, ...], *, bevel: bool = False, backer: bool = False
) -> float | None:
    """How much is used of the fixing that carries most, at such places; None while the mass is not known."""
    allowed = at(allowed_of, key, backer)
    loaded = at(loads_at, places, None if bevel else at(row_offset_mm), bevel, bevel)
    return max((utilization(load.load, *allowed) for load in loaded), default=None)


def _by_rule(at: Ask) -> tuple[float, ...]:
    """Where two brackets stand by the rule alone; none where they would be off the rail."""
    if at(rule).wished_mm > at(usable_mm):
        return ()
    two = place_by_rule(at(rule), at(centre_x_mm))
    return two.left_mm, two.right_mm


def _used(share: float | None) -> str:
    return "" if share is None else f", {100.0 * share:.0f} % of each fixing used"


def _made(at: Ask, key: str, name: str, why: str, cost: str, *changes: Change, serves: bool) -> Candidate:
    return Candidate(
        key=key, name=name, serves=serves, why=why, cost=cost, changes=changes, taken=at(taken) == key
    )


def _brackets(at: Ask) -> tuple[Change, ...]:
    return (change(Hanging.way, Way.BRACKETS.value),) if KINDS[at(way)].every_stud else ()


def _studs(at: Ask) -> Iterator[Candidate]:
    bracket_rule = at(rule)
    best = place_on_studs(bracket_rule, at(centre_x_mm), at(free_studs)).best
    share = None if best is None else _each(at, "screw-6", (best.left_mm, best.right_mm))
    fits = best is not None and (share is None or share <= 1.0)
    if best is None:
        why = f"no two studs with their middle within {at.text(bracket_rule.allowed_offset_mm)} of the screen's center"
    else:
        off = abs(best.spacing_mm - bracket_rule.wished_mm)
        rest = "as the rule asks" if off < 1.0 else f"{at.text(off)} off the rule"
        why = f"two studs {at.text(best.spacing_mm)} apart, {rest}{_used(share)}"
    fix = (change(Hanging.fix_to, "studs"), change(Hanging.fixing, "screw-6"))
    yield _made(
        at, "studs", "Screws into two studs", why, "nothing to build", *_brackets(at), *fix, serves=fits
    )


def _cleat(at: Ask) -> Iterator[Candidate]:
    place = at(cleat_place)
    fix = (
        change(Hanging.way, Way.CLEAT.value),
        change(Hanging.fix_to, "studs"),
        change(Hanging.fixing, "screw-6"),
    )
    cost = "a beveled board to cut; no height trim, screwed level once; spacers below"
    if place is None:
        why = "no two studs behind the frame that leave the screen its center"
        yield _made(at, "cleat", "45° cleat over studs", why, cost, *fix, serves=False)
        return
    count = len(place.studs_mm)
    share = _each(at, "screw-6", place.studs_mm, bevel=True)
    fewer = "" if count >= WISHED else ", three are better"
    why = (
        f"{count} studs{fewer}, wall piece {at.text(place.right_mm - place.left_mm)}, slides {at.text(place.play_mm)} each way"
        f"{_used(share)}"
    )
    yield _made(at, "cleat", "45° cleat over studs", why, cost, *fix, serves=share is None or share <= 1.0)


def _backer(at: Ask) -> Iterator[Candidate]:
    behind = [x for x in at(free_studs) if abs(x - at(centre_x_mm)) <= at(usable_mm) / 2.0]
    ends = _by_rule(at)
    share = _each(at, "screw-6", ends, backer=True)
    fits = len(behind) >= FEWEST and bool(ends) and (share is None or share <= 1.0)
    why = f"{len(behind)} studs to screw it to; brackets then go where the rule says{_used(share)}"
    cost = "a board to cut and paint; the screen stands farther off the wall"
    fix = (change(Hanging.fix_to, "backer"),)
    yield _made(at, "backer", "Backer board over studs", why, cost, *_brackets(at), *fix, serves=fits)


def _anchors(at: Ask) -> Iterator[Candidate]:
    mass, limit = at(mass_kg), at.default(WallDefaults.board_limit_kg)
    ends = _by_rule(at)
    share = _each(at, "toggle", ends) or 0.0
    each = max(1, math.ceil(share * at.field(Hanging.per_bracket) - 1e-9))
    clear = at.default(WallDefaults.refused_clear_mm)
    trouble = (
        "enter the mass first"
        if mass is None
        else f"{mass:.1f} kg; {limit:g} kg is the most in board"
        if mass > limit
        else f"{each} toggles at each bracket; {at.default(WallDefaults.anchors_a_bracket):g} is the most"
        if each > at.default(WallDefaults.anchors_a_bracket)
        else "the spacing is more than the rail"
        if not ends
        else "a toggle needs a hollow, and the rule puts a bracket over a stud: screw into that"
        if any(is_blocked(x, at(free_studs), clear) for x in ends)
        else ""
    )
    why = trouble or f"{each} toggles at each bracket"
    cost = "the weakest way, and only for light screens: the packet rules"
    fix = (
        change(Hanging.fix_to, "anchors"),
        change(Hanging.fixing, "toggle"),
        change(Hanging.per_bracket, min(each, MOST_A_BRACKET)),
    )
    yield _made(at, "anchors", "Anchors in board", why, cost, *_brackets(at), *fix, serves=not trouble)
