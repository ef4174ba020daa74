"""Every limit on the frame's top as a question of its own, so that only those that hold it weigh."""

from collections.abc import Callable, Sequence

from gantline.core.defaults import HeightDefaults, SeatsDefaults
from gantline.core.height.bounds import (
    LensReach,
    furniture_bound,
    given_way,
    lens_bounds,
    neck_tops_mm,
    over_rows,
    skirting_bound,
    under_necks,
)
from gantline.core.height.place import Bound, Place, lower_bounds, upper_bounds
from gantline.core.height.place import lower_edge_mm as edge_of
from gantline.core.sight.rows import bottoms_mm
from gantline.core.space import Solid
from gantline.core.tolerance import at_most
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.light import FabricChoice
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm, has_shift, hung, is_turned, lift_on_mm, place_slack_mm
from gantline.stations.height.standing import centre_x_mm, lens_y_mm
from gantline.stations.height.taped import lens_reach
from gantline.stations.size import screen
from gantline.stations.survey import box_solids, room, seat_place, seated_numbers, weigh_seat

LOUDSPEAKER = "loudspeaker"
UNDER = ("cabinet", LOUDSPEAKER, "furniture")
NEAR_MM = 250.0  # a limit farther than this from the one that holds is not reached by any slip
Limit = Callable[[Ask], Bound | None]


def place(at: Ask) -> Place:
    """The screen asked into the room."""
    return Place(
        screen=at(screen),
        centre_x_mm=at(centre_x_mm),
        ceiling=at(room).ceiling,
        ceiling_gap_mm=at.field(H.ceiling_gap_mm),
        lift_on_mm=at(lift_on_mm),
        lowest_edge_mm=at.field(H.lowest_edge_mm),
    )


def behind(at: Ask) -> tuple[tuple[str, Solid], ...]:
    """Id and shape of what stands behind the fabric: anything that ends behind its plane, and a loudspeaker behind a
    fabric that is acoustically open."""
    plane = at(fabric_plane_mm)
    return tuple(
        (name, box)
        for name, kind, box in at(box_solids)
        if kind in UNDER
        and box.low[2] < plane
        and (at_most(box.high[2], plane) or (kind == LOUDSPEAKER and at.field(FabricChoice.acoustic)))
    )


def under_the_frame(at: Ask) -> tuple[tuple[float, float, float, float], ...]:
    """Left, right, bottom and top of what stands at the wall in front of the fabric [mm]: the frame must clear it."""
    close, hidden = at.default(HeightDefaults.near_wall_mm), {name for name, _ in at(behind)}
    return tuple(
        (box.low[0], box.high[0], box.low[1], box.high[1])
        for name, kind, box in at(box_solids)
        if kind in UNDER and name not in hidden and box.low[2] < close
    )


def near(at: Ask, kinds: Sequence[str]) -> tuple[tuple[float, float, float, float], ...]:
    """Left, right, bottom and top of boxes of some kinds that stand at the wall [mm]."""
    close = at.default(HeightDefaults.near_wall_mm)
    return tuple(
        (box.low[0], box.high[0], box.low[1], box.high[1])
        for _, kind, box in at(box_solids)
        if kind in kinds and box.low[2] < close
    )


def from_ceiling(at: Ask) -> Bound:
    """The ceiling, or what lifting the frame on needs under it."""
    return upper_bounds(at(place))[0]


def from_soffit(at: Ask) -> Bound | None:
    """A soffit over the frame."""
    here = at(place)
    over = [low for left, right, low, _ in at(near, ("soffit",)) if here.across(left, right)]
    return Bound("soffit", "soffit", min(over) - here.clear_mm) if over else None


def from_necks(at: Ask) -> Bound | None:
    """The seat whose neck gives way first."""
    top = at(highest_top_mm)
    return None if top is None else under_necks(at(screen), top)


def highest_top_mm(at: Ask) -> float | None:
    """How high the picture's top may be for every neck [mm above the floor]; None without seats."""
    numbers = at(seated_numbers)
    tops = neck_tops_mm([at.aside(seat_place, number).eye for number in numbers], at.aside(neck_most))
    if not tops:
        return None
    lowest = min(tops)
    close = [number for number, top in zip(numbers, tops, strict=True) if top - lowest < NEAR_MM]
    for number in close:
        weigh_seat(at, number, alone=len(close) == 1)
    at(neck_most)
    return lowest


def neck_most(at: Ask) -> float:
    """How far up a neck may look [deg]."""
    return at.default(SeatsDefaults.neck_top_deg)


def from_lens_above(at: Ask) -> Bound | None:
    """The upper end of the lens shift."""
    both = at(by_lens)
    return _giving(at, both[0]) if both and not at.aside(is_turned) else None


def from_edge(at: Ask) -> Bound:
    """The lowest allowed edge."""
    return lower_bounds(at(place))[0]


def head_clear_mm(at: Ask) -> float:
    """What an eye needs over the head before it [mm]."""
    return at.default(SeatsDefaults.head_clear_mm)


def from_rows(at: Ask) -> Bound | None:
    """The eye that sees least over a head before it."""
    bottom = at(lowest_bottom_mm)
    return None if bottom is None else over_rows(at(screen), bottom)


def lower_edge_mm(at: Ask) -> tuple[float, float]:
    """The ends of the picture's lower edge [mm from the left wall end]."""
    return edge_of(at(screen), at(centre_x_mm))


def lowest_bottom_mm(at: Ask) -> float | None:
    """How low the picture's bottom may be for all to see it past the heads before them [mm above the floor]; None where no
    head is in the way."""
    numbers = at(seated_numbers)
    bottoms = bottoms_mm(
        [at.aside(seat_place, number).eye for number in numbers],
        at(lower_edge_mm),
        clear_mm=at.aside(head_clear_mm),
        lose=at.default(SeatsDefaults.edge_lost_share),
    )
    if not bottoms:
        return None
    best = max(bottoms.values())
    holding = {rear for (rear, _), bottom in bottoms.items() if bottom >= best - 1e-6}
    near = [pair for pair, bottom in bottoms.items() if best - bottom < NEAR_MM]
    for front in {front for _, front in near}:
        at(seat_place, numbers[front])
    for rear in {rear for rear, _ in near}:
        weigh_seat(at, numbers[rear], alone=holding == {rear})
    at(head_clear_mm)
    return best


def _near(bound: Bound, best: Bound) -> bool:
    return abs(bound.y_top_mm - best.y_top_mm) < NEAR_MM


def from_furniture(at: Ask) -> Bound | None:
    """What stands under the frame at the wall."""
    here = at(place)
    under = [top for left, right, _, top in at(under_the_frame) if here.across(left, right)]
    gap = at.default(HeightDefaults.furniture_gap_mm)
    return furniture_bound(here.screen, max(under), gap) if under else None


def from_skirting(at: Ask) -> Bound:
    """The baseboard."""
    return skirting_bound(at(screen), at.field(H.skirting_mm))


def from_lens_below(at: Ask) -> Bound | None:
    """The lower end of the lens shift."""
    both = at(by_lens)
    return _giving(at, both[1]) if both and not at.aside(is_turned) else None


def _giving(at: Ask, bound: Bound) -> Bound:
    """A limit of the lens, which gives way to the others by as little as a lens can be moved."""
    above, below = (
        [found for one in group if one not in LENS and (found := at.aside(one)) is not None]
        for group in (UPPER, LOWER)
    )
    least, most = max(limit.y_top_mm for limit in below), min(limit.y_top_mm for limit in above)
    moved = given_way(bound, least, most, at.aside(place_slack_mm))
    if moved is not bound and moved.y_top_mm != bound.y_top_mm:
        at(hard_limits), at(place_slack_mm)
    return moved


def hard_limits(at: Ask) -> tuple[Bound, ...]:
    """All limits but those of the lens."""
    return tuple(found for one in (*UPPER, *LOWER) if one not in LENS and (found := at(one)) is not None)


def lens_kind(at: Ask) -> bool:
    """Whether a lens on the screen's center line shifts: without a shift there would be one height only."""
    reach = at.aside(placed_lens)
    if reach is None or abs(reach.x_mm - at(centre_x_mm)) > reach.slack_mm:
        return True
    return at(has_shift) or at(hung)


def placed_lens(at: Ask) -> LensReach | None:
    """The lens as it is placed, or as it stands on its cabinet; None while neither is known."""
    x_mm = at(centre_x_mm)
    return at(lens_reach, x_mm, at(lens_y_mm, x_mm))


def by_lens(at: Ask) -> tuple[Bound, Bound] | None:
    """Both ends of the lens shift, of a lens that is placed and not turned."""
    reach = at(placed_lens)
    return None if reach is None else lens_bounds(at(place), reach)


UPPER: tuple[Limit, ...] = (from_ceiling, from_soffit, from_necks, from_lens_above)
LENS = (from_lens_above, from_lens_below)
LOWER: tuple[Limit, ...] = (from_edge, from_rows, from_furniture, from_skirting, from_lens_below)


def _holds(at: Ask, asked: Sequence[Limit], sign: float) -> Bound:
    """The limit that holds; only it and those near it weigh."""
    found = [(key, bound) for key in asked if (bound := at.aside(key)) is not None]
    best = min((bound for _, bound in found), key=lambda bound: sign * bound.y_top_mm)
    for key, bound in found:
        if _near(bound, best):
            at(key)
    at(lens_kind)
    return best


def held_above(at: Ask) -> Bound:
    """The limit that holds from above, for a body that is not turned; every room has a ceiling."""
    return _holds(at, UPPER, 1.0)


def held_below(at: Ask) -> Bound:
    """The limit that holds from below; every frame has a lowest allowed edge."""
    return _holds(at, LOWER, -1.0)


def turn_of(at: Ask, bound: Bound) -> None:
    """A limit of the lens weighs with its turn: a turned body would not hold it."""
    if bound.key.startswith("shift"):
        at(is_turned)


def high_limit(at: Ask) -> Bound:
    """The limit that holds from above."""
    turn_of(at, at.aside(held_above))
    return at(held_above)


def low_limit(at: Ask) -> Bound:
    """The limit that holds from below."""
    turn_of(at, at.aside(held_below))
    return at(held_below)


def kinds(at: Ask) -> dict[str, Limit]:
    """The limits there are, by their kind; none of them weighs."""
    found = ((one, at.aside(one)) for one in (*UPPER, *LOWER))
    return {bound.key: one for one, bound in found if bound is not None}


def of_kind(at: Ask, key: str) -> Bound | None:
    """The limit of one kind, with all that it rests on."""
    one = at.aside(kinds).get(key)
    bound = None if one is None else at(one)
    if bound is not None:
        turn_of(at, bound)
    return bound
