"""Where the top of the frame goes, what holds it there, and what everything else in the room has to say."""

from dataclasses import dataclass

from gantline.core.defaults import HeightDefaults, SeatsDefaults
from gantline.core.height.bounds import HeightCase
from gantline.core.height.place import Place, WishKind, wished_top_mm
from gantline.core.height.solve import Height, solve_height
from gantline.core.sight.rows import Occupant, platforms_mm
from gantline.core.tolerance import at_most
from gantline.core.wall.hang import frame_top_mm
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, Cure
from gantline.stations.common import drop_mm, is_turned
from gantline.stations.height.limits import (
    LOWER,
    NEAR_MM,
    UPPER,
    held_above,
    held_below,
    lens_kind,
    lower_edge_mm,
    near,
    place,
    placed_lens,
    turn_of,
    under_the_frame,
)
from gantline.stations.height.standing import cabinet_top_mm
from gantline.stations.size import screen
from gantline.stations.survey import SeatPlace, eyes, seats

Rect = tuple[float, float, float, float]  # left, bottom, right, top


@dataclass(frozen=True, slots=True, kw_only=True)
class Placement:
    """The screen's place on the wall [mm]. possible is False where the bounds clash: top_mm is then where the
    frame would rest on its lowest allowed edge, to draw the clash."""

    place: Place
    height: Height
    top_mm: float
    possible: bool

    @property
    def picture_centre_mm(self) -> float:
        """Height of the viewable center [mm]."""
        one = self.place.screen
        return self.top_mm - one.border.top_mm - one.picture.height_mm / 2.0


def asked(at: Ask) -> HeightCase:
    """Everything in the room that bounds the height."""
    here = at(place)
    return HeightCase(
        place=here,
        eyes=at(eyes),
        neck_deg=at.default(SeatsDefaults.neck_top_deg),
        head_clear_mm=at.default(SeatsDefaults.head_clear_mm),
        edge_lost_share=at.default(SeatsDefaults.edge_lost_share),
        overhead=tuple((left, right, low) for left, right, low, _ in at(near, ("soffit",))),
        under=tuple((left, right, top) for left, right, _, top in at(under_the_frame)),
        furniture_gap_mm=at.default(HeightDefaults.furniture_gap_mm),
        skirting_mm=at.field(H.skirting_mm),
        lens=None if at(is_turned) else at(placed_lens),
    )


def target_kind(at: Ask) -> WishKind:
    """What the height is taken from."""
    return WishKind(at.field(H.wish))


def target_mm(at: Ask) -> float:
    """The target [mm]: as entered, else the usual of its kind."""
    given = at.given(H.wish_mm)
    if given is not None:
        return given
    match at(target_kind):
        case WishKind.EYE_LINE:
            return at.default(SeatsDefaults.eye_mm)
        case WishKind.FRAME_TOP:
            return at.field(Survey.ceiling_mm)
        case WishKind.FRAME_BOTTOM:
            return at.field(H.lowest_edge_mm)
        case WishKind.CEILING_GAP:
            return at.field(H.ceiling_gap_mm)
        case WishKind.ABOVE_CABINET:
            return at.given(Hanging.leaflet_mm) or 0.0


def eye_line_mm(at: Ask) -> float | None:
    """The eye line the height is taken from [mm]; None where it is taken from something else."""
    return at(target_mm) if at(target_kind) is WishKind.EYE_LINE else None


def target_top_mm(at: Ask) -> float:
    """Where the target puts the frame's top, before any bound [mm]."""
    kind = at(target_kind)
    share = at.field(H.eye_share) if kind is WishKind.EYE_LINE else 0.0
    if kind is not WishKind.ABOVE_CABINET:
        return wished_top_mm(at(place), kind, at(target_mm), share)
    level = frame_top_mm(at(cabinet_top_mm) or 0.0, at(drop_mm))
    return wished_top_mm(at(place), kind, at(target_mm), share, level)


def placement(at: Ask) -> Placement:
    """The height solved against all limits. What it rests on is the one of them, or the target, that it came to."""
    low, high = at.aside(held_below), at.aside(held_above)
    clash = not at_most(low.y_top_mm, high.y_top_mm)
    wished = low.y_top_mm if clash else at.aside(target_top_mm)
    upper, lower = (tuple(filter(None, map(at.aside, group))) for group in (UPPER, LOWER))
    solved = solve_height(upper, lower, wished)
    top = low.y_top_mm if solved.chosen_mm is None else solved.chosen_mm
    close = clash or high.y_top_mm - low.y_top_mm < NEAR_MM
    if close or top > high.y_top_mm - NEAR_MM:
        at(held_above)
    if close or top < low.y_top_mm + NEAR_MM:
        at(held_below)
    if not clash:
        at(target_kind)
        if abs(wished - top) < NEAR_MM:
            at(target_top_mm)
    if clash or solved.binds != "wish":
        turn_of(at, low)
        turn_of(at, high)
    at(lens_kind)
    return Placement(place=at(place), height=solved, top_mm=top, possible=not clash)


def fits(at: Ask) -> bool:
    """Whether any height fits."""
    low, high = at.aside(held_below), at.aside(held_above)
    room_mm = high.y_top_mm - low.y_top_mm
    if room_mm < NEAR_MM:
        at(held_above), at(held_below)
    if not at_most(0.0, room_mm):
        turn_of(at, low)
        turn_of(at, high)
    at(lens_kind)
    return at_most(0.0, room_mm)


def rect_of_frame(at: Ask) -> Rect:
    """The frame on the wall [mm]."""
    hung = at(placement)
    bottom = hung.top_mm - hung.place.screen.overall_height_mm
    return hung.place.left_mm, bottom, hung.place.right_mm, hung.top_mm


def rect_of_picture(at: Ask) -> Rect:
    """The viewable area on the wall [mm]."""
    left, bottom, right, top = at(rect_of_frame)
    border = at(screen).border
    return left + border.side_mm, bottom + border.bottom_mm, right - border.side_mm, top - border.top_mm


def raised_mm(at: Ask, bottom_mm: float) -> tuple[float, ...]:
    """The platform each seat needs [mm] to see the picture's bottom, in the order of the seats."""
    sitting = [
        Occupant(
            distance_mm=seat.distance_mm,
            seated_mm=seat.seated_mm,
            platform_mm=seat.platform_mm,
            x_mm=seat.x_mm,
        )
        for seat in at(seats)
    ]
    clear = at.default(SeatsDefaults.head_clear_mm)
    lose = at.default(SeatsDefaults.edge_lost_share)
    edge = at(lower_edge_mm)
    return platforms_mm(sitting, bottom_mm, edge, clear_mm=clear, step_mm=at.step_mm, lose=lose)


def platforms(at: Ask, needed_mm: tuple[float, ...]) -> tuple[Cure, ...]:
    """One cure that puts every seat on the platform it needs; none where all stand on it already."""
    raised: list[tuple[SeatPlace, float]] = [
        (one, high) for one, high in zip(at(seats), needed_mm, strict=True) if high > one.platform_mm
    ]
    if not raised:
        return ()
    said = "; ".join(
        f"{at.text(high)} under {', '.join(one.name for one, other in raised if other == high)}"
        for high in dict.fromkeys(high for _, high in raised)
    )
    changes = tuple(Change(pointer=f"/survey/seats/{one.id}/platform_mm", value=high) for one, high in raised)
    return (Cure(text=f"Build platforms: {said}", changes=changes),)
