"""The picture as it was taped onto the bare wall, and the lens as that shows it: what was measured beats the data sheet."""

from gantline.core.align.corners import CORNERS
from gantline.core.errors import OutOfRange
from gantline.core.hang.picture import Pictured, pictured
from gantline.core.height.bounds import LensReach
from gantline.core.size.picture import with_overspill
from gantline.core.throw.shift import ReachShape, ShiftReach, fixed_offset, near_edge_share, offset_seen
from gantline.core.throw.window import panel_image, ratio_seen
from gantline.job.model.align import Hung
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.stations.common import (
    CABINET,
    distance_offset_mm,
    has_shift,
    hung,
    mount_kind,
    overspill_mm,
    panel_aspect,
    place_slack_mm,
    ratios,
    worded,
)
from gantline.stations.height.standing import centre_x_mm, image_width_mm, lens_y_mm
from gantline.stations.size import screen

NOT_ITS_CORNERS = {
    "": "These are not the four corners of this picture, in the order top left, top right, bottom right, bottom left."
}


def picture_first(at: Ask) -> bool:
    """Whether the picture is set first: as chosen, else for a projector on a cabinet."""
    given = at.given(Hung.first)
    return at(mount_kind) == CABINET if given is None else given == "picture"


def read_picture(at: Ask) -> Pictured | str | None:
    """The picture as it was taped last; why it cannot be; None before it was."""
    rounds = at.things(Hung.picture)
    if not rounds or not at(picture_first):
        return None
    last, thrown = rounds[-1], with_overspill(at(screen).picture, at(overspill_mm))
    corners = [(getattr(last, f"{corner}_x_mm"), getattr(last, f"{corner}_y_mm")) for corner in CORNERS]
    try:
        return pictured(corners, width_mm=thrown.width_mm, height_mm=thrown.height_mm)
    except OutOfRange as error:
        return worded(error, NOT_ITS_CORNERS)


def seen(at: Ask) -> Pictured | None:
    """The taped picture, where it can be used."""
    picture = at(read_picture)
    return picture if isinstance(picture, Pictured) else None


def taped(at: Ask) -> Pictured | None:
    """The taped picture by its corners alone: what was thrown past it only decides whether they can be used."""
    at.things(Hung.picture), at(picture_first)
    return at.aside(seen)


def taped_ratio(at: Ask) -> float | None:
    """The throw ratio that the taped picture shows, of a lens without zoom whose distance was measured with it; None before.

    Leaves out: a body that is not square to the wall.
    """
    both, picture = at(ratios), at(taped)
    if picture is None or both is None or both[0] != both[1]:
        return None
    lens = at.things(Hung.picture)[-1].lens_mm
    pupil = 0.0 if lens is None else lens - at(distance_offset_mm)
    if pupil <= 0.0:
        return None
    thrown = with_overspill(at(screen).picture, at(overspill_mm)).width_mm
    return ratio_seen(pupil, picture.width_mm * at(image_width_mm) / thrown)


def sheet_offset(at: Ask) -> float:
    """The picture's center over the lens axis by the data sheet, a share of the panel's image; of a body without shift."""
    return fixed_offset(at.field(P.offset), from_ceiling=at(hung))


def taped_offset(at: Ask) -> float | None:
    """The picture's center over the lens axis as it was taped, a share of the panel's image.

    None for a lens that shifts, until the picture is taped and the lens has a height, and where the two cannot both be right.

    Leaves out: that the lens may have been moved since the picture was taped.
    """
    picture, lens = at(taped), at(lens_y_mm, at(centre_x_mm))
    if picture is None or lens is None or at(has_shift):
        return None
    panel = panel_image(with_overspill(at(screen).picture, at(overspill_mm)), at(panel_aspect))
    return offset_seen(picture.center_mm[1] - lens, panel.height_mm, from_ceiling=at(hung))


def offset_share(at: Ask) -> float:
    """How far the near edge of the panel's image lies past the lens axis, a share of its height, by picture or by sheet."""
    measured = at(taped_offset)
    return at.field(P.offset) if measured is None else near_edge_share(measured)


def shift_reach(at: Ask) -> tuple[ShiftReach, float]:
    """Shift range and fixed offset, shares of the panel's image; an offset that was taped before one of a data sheet."""
    if at(has_shift):
        up, down, side = at.field(P.shift_up), at.field(P.shift_down), at.field(P.shift_side)
        # without a range to one side there is no diamond
        shape = at.field(P.reach) if side > 0.0 and up + down > 0.0 else ReachShape.RECTANGLE
        return ShiftReach(up=up, down=down, side=side, shape=shape), 0.0
    measured = at(taped_offset)
    return ShiftReach(up=0.0, down=0.0, side=0.0), at(sheet_offset) if measured is None else measured


def lens_reach(at: Ask, center_x_mm: float, y_mm: float | None) -> LensReach | None:
    """The lens as a bound on the height; None until its throw ratio and height are known.

    Asked without its turn: a turned body bounds nothing, what it covers is squared up digitally.
    """
    if y_mm is None or at(ratios) is None:
        return None
    reach, offset = at(shift_reach)
    x_mm = at.given(P.lens_x_mm)
    return LensReach(
        x_mm=center_x_mm if x_mm is None else x_mm,
        y_mm=y_mm,
        reach=reach,
        offset=offset,
        panel_aspect=at(panel_aspect),
        overspill_mm=at(overspill_mm),
        slack_mm=at(place_slack_mm),
    )
