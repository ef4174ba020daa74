"""Where the top of the frame goes, what holds it there, and what everything else in the room has to say."""

from dataclasses import dataclass

from gantline.core.defaults import HeightDefaults, SeatsDefaults, ThrowDefaults
from gantline.core.height.bounds import Asked, bounds
from gantline.core.height.place import Place, WishKind, wished_top_mm
from gantline.core.height.solve import Height, solve_height
from gantline.core.sight.rows import Seated, platforms_mm
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, Cure
from gantline.stations.common import lens_reach
from gantline.stations.size import screen
from gantline.stations.survey import Placed, box_solids, eyes, room, seats, wall_mm

UNDER = ("cabinet", "loudspeaker", "furniture")
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


def centre_x_mm(at: Ask) -> float:
    """Center of the screen from the left wall end [mm]: the middle of the wall unless it is set."""
    given = at.given(H.centre_x_mm)
    return at(wall_mm) / 2.0 if given is None else given


def place(at: Ask) -> Place:
    """The screen asked into the room."""
    return Place(
        screen=at(screen),
        centre_x_mm=at(centre_x_mm),
        ceiling=at(room).ceiling,
        ceiling_gap_mm=at.field(H.ceiling_gap_mm),
        lift_on_mm=at.field(Hanging.lift_on_mm),
        lowest_edge_mm=at.field(H.lowest_edge_mm),
    )


def asked(at: Ask) -> Asked:
    """Everything in the room that bounds the height."""
    near_mm = at.default(HeightDefaults.near_wall_mm)
    near = [(kind, box) for _, kind, box in at(box_solids) if box.low[2] < near_mm]
    here = at(place)
    return Asked(
        place=here,
        eyes=at(eyes),
        neck_deg=at.default(SeatsDefaults.neck_top_deg),
        head_clear_mm=at.default(SeatsDefaults.head_clear_mm),
        overhead=tuple((box.low[0], box.high[0], box.low[1]) for kind, box in near if kind == "soffit"),
        under=tuple((box.low[0], box.high[0], box.high[1]) for kind, box in near if kind in UNDER),
        furniture_gap_mm=at.default(HeightDefaults.furniture_gap_mm),
        skirting_mm=at.field(H.skirting_mm),
        lens=at(lens_reach, here.centre_x_mm, at.default(ThrowDefaults.place_tolerance_mm)),
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


def eye_line_mm(at: Ask) -> float | None:
    """The eye line the height is taken from [mm]; None where it is taken from something else."""
    return at(target_mm) if at(target_kind) is WishKind.EYE_LINE else None


def target_top_mm(at: Ask) -> float:
    """Where the target puts the frame's top, before any bound [mm]."""
    kind = at(target_kind)
    share = at.field(H.eye_share) if kind is WishKind.EYE_LINE else 0.0
    return wished_top_mm(at(place), kind, at(target_mm), share)


def placement(at: Ask) -> Placement:
    """The height solved against all bounds."""
    solved = solve_height(*bounds(at(asked)), at(target_top_mm))
    possible = solved.chosen_mm is not None
    top = solved.low.y_top_mm if solved.chosen_mm is None else solved.chosen_mm
    return Placement(place=at(place), height=solved, top_mm=top, possible=possible)


def fits(at: Ask) -> bool:
    """Whether any height fits."""
    return at(placement).possible


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
        Seated(distance_mm=one.distance_mm, seated_mm=one.seated_mm, platform_mm=one.platform_mm)
        for one in at(seats)
    ]
    clear = at.default(SeatsDefaults.head_clear_mm)
    return platforms_mm(sitting, bottom_mm, clear_mm=clear, step_mm=at.step_mm)


def platforms(at: Ask, needed_mm: tuple[float, ...]) -> tuple[Cure, ...]:
    """One cure that puts every seat on the platform it needs; none where all stand on it already."""
    raised: list[tuple[Placed, float]] = [
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
