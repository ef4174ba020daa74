"""The lens: its window of distances, its place, the shift it needs from there."""

from dataclasses import dataclass

from gantline.core.defaults import ThrowDefaults
from gantline.core.errors import OutOfRange
from gantline.core.size.picture import with_overspill
from gantline.core.space import Point3
from gantline.core.throw.shift import ShiftNeed, lens_region, shift_need
from gantline.core.throw.window import Lens, PanelImage, ThrowWindow, panel_image, throw_window
from gantline.core.tolerance import at_most
from gantline.job.model.light import Lighting
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.stations.common import (
    CABINET,
    distance_offset_mm,
    fabric_plane_mm,
    is_turned,
    mount_kind,
    overspill_mm,
    panel_aspect,
    place_slack_mm,
    ratios,
    worded,
)
from gantline.stations.height import centre_x_mm, fixed_throw_mm, lens_y_mm, placement, shift_reach
from gantline.stations.height import fits as some_height
from gantline.stations.size import screen


@dataclass(frozen=True, slots=True, kw_only=True)
class LensPlace:
    """The lens [mm, wall axes]: distance_mm from the fabric to the pupil; measured_z_mm from the bare wall to the
    point its place is measured to."""

    x_mm: float
    y_mm: float
    distance_mm: float
    measured_z_mm: float
    fabric_mm: float

    @property
    def from_fabric(self) -> Point3:
        """The pupil, z from the fabric [mm]."""
        return self.x_mm, self.y_mm, self.distance_mm

    @property
    def from_wall(self) -> Point3:
        """The pupil, z from the bare wall [mm]."""
        return self.x_mm, self.y_mm, self.distance_mm + self.fabric_mm


NO_LENS = {
    "ratio_low": "the throw ratio at the wide end ({got:g}) must not exceed the long end ({long:g})",
    "": "a throw ratio must be above 0",
}


def throw_lens(at: Ask) -> Lens | str | None:
    """The lens; None until its throw ratio is entered, and why it cannot be where the two ends are crossed."""
    both = at(ratios)
    if both is None:
        return None
    try:
        return Lens(ratio_low=both[0], ratio_high=both[1])
    except OutOfRange as error:
        return worded(error, NO_LENS)


def lens_known(at: Ask) -> bool:
    """Whether its throw ratio is entered and can be; what it is decides no place."""
    both = at(ratios)
    return both is not None and 0.0 < both[0] <= both[1]


def projected(at: Ask) -> PanelImage:
    """The panel's image that just holds the thrown picture."""
    return panel_image(with_overspill(at(screen).picture, at(overspill_mm)), at(panel_aspect))


def window(at: Ask) -> ThrowWindow | None:
    """Where the lens may be, from the fabric; None until there is one."""
    lens = at(throw_lens)
    if not isinstance(lens, Lens):
        return None
    return throw_window(lens, at(projected), margin=at.default(ThrowDefaults.throw_margin))


def out_mm(at: Ask) -> float:
    """Bare wall to the fabric, and from the pupil out to the measuring point [mm]."""
    return at(fabric_plane_mm) + at(distance_offset_mm)


def lens_x_mm(at: Ask) -> float:
    """Lens from the left wall end [mm]: on the screen's center line unless it is set."""
    given = at.given(P.lens_x_mm)
    return at(centre_x_mm) if given is None else given


def lens_from_wall_mm(at: Ask) -> float | None:
    """Bare wall to the measuring point [mm]: as entered; on a cabinet, the one distance of a lens without zoom."""
    given = at.given(P.lens_from_wall_mm)
    if given is not None or at(mount_kind) != CABINET:
        return given
    throw = at(fixed_throw_mm)
    return None if throw is None else throw + at(out_mm)


def distance_mm(at: Ask) -> float | None:
    """Fabric to the pupil [mm], which needs no height; None without a lens, or behind the fabric."""
    from_wall = at(lens_from_wall_mm)
    if not at(lens_known) or from_wall is None or from_wall <= at(out_mm):
        return None
    return from_wall - at(out_mm)


def lens_place(at: Ask) -> LensPlace | None:
    """Where the lens is; None until throw ratio, height and distance are entered, or follow from a cabinet."""
    y_mm, from_wall = at(lens_y_mm, at(centre_x_mm)), at(lens_from_wall_mm)
    if not at(lens_known) or y_mm is None or from_wall is None:
        return None
    return LensPlace(
        x_mm=at(lens_x_mm),
        y_mm=y_mm,
        distance_mm=from_wall - at(out_mm),
        measured_z_mm=from_wall,
        fabric_mm=at(fabric_plane_mm),
    )


def in_front(at: Ask) -> LensPlace | None:
    """The lens where it is in front of the fabric."""
    place = at(lens_place)
    return place if place is not None and place.distance_mm > 0.0 else None


def shortfall_mm(at: Ask) -> float:
    """How far the lens must move to come into its window [mm]: + back, - closer; 0 inside and where it is turned."""
    distance, distances = at(distance_mm), at(window)
    if distance is None or distances is None or at(is_turned):
        return 0.0
    short = distances.shortfall_mm(distance)
    return 0.0 if at_most(abs(short), at(place_slack_mm)) else short


def shift(at: Ask) -> ShiftNeed | None:
    """The shift this place needs; None without one, without a height, and for a turned body."""
    place, hung = at(in_front), at(placement)
    if place is None or not at(some_height) or at(is_turned):
        return None
    reach, offset = at(shift_reach)
    return shift_need(
        picture_x_mm=hung.place.centre_x_mm,
        picture_y_mm=hung.picture_centre_mm,
        lens_x_mm=place.x_mm,
        lens_y_mm=place.y_mm,
        panel=at(projected),
        reach=reach,
        offset=offset,
    )


def reached(at: Ask) -> bool:
    """Whether the shift reaches the picture, within how exactly a lens is placed."""
    need = at(shift)
    if need is None:
        return False
    return at_most(max(abs(need.move_up_mm), abs(need.move_right_mm)), at(place_slack_mm))


def region(at: Ask) -> tuple[tuple[float, float], ...]:
    """Outline on the wall plane from within which the shift reaches the picture [mm]."""
    hung = at(placement)
    reach, offset = at(shift_reach)
    return lens_region(
        picture_x_mm=hung.place.centre_x_mm,
        picture_y_mm=hung.picture_centre_mm,
        panel=at(projected),
        reach=reach,
        offset=offset,
    )


def pixels_over(at: Ask) -> tuple[float, float]:
    """Width of the panel's image [mm] and pixels across it."""
    return at(projected).width_mm, float(at.field(Lighting.pixels_across))


def pixels_known(at: Ask) -> bool:
    """Whether the panel's pixels were entered."""
    return at.given(Lighting.pixels_across) is not None
