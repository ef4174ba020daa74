"""The picture on the bare wall in figures: where it puts the frame."""

from gantline.core.align.corners import CORNERS, NAMES
from gantline.job.model.align import Hung
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.common import CABINET, fabric_plane_mm, mount_kind
from gantline.stations.hang.picture import frame_top_mm
from gantline.stations.height import taped
from gantline.stations.size import screen

PICTURE = Figures()


@PICTURE.length("taped_center", "Frame center, by the picture", "the mean of the four taped corners")
def center(at: Ask) -> Display | None:
    """From the left wall end."""
    taped_picture = at(taped)
    if taped_picture is None:
        return None
    last = at.things(Hung.picture)[-1]
    terms = [term(NAMES[corner], getattr(last, f"{corner}_x_mm")) for corner in CORNERS]
    return Display(taped_picture.center_mm[0], (terms[0] + terms[1] + terms[2] + terms[3]) / 4.0)


@PICTURE.length("taped_top", "Frame top, by the picture", "its middle, half the viewable height, border")
def top(at: Ask) -> Display | None:
    """Above the floor."""
    taped_picture, own = at(taped), at(screen)
    if taped_picture is None:
        return None
    middle = term("middle of the picture", taped_picture.center_mm[1])
    half = term("viewable height", own.picture.height_mm) / 2.0
    return Display(at(frame_top_mm), middle + half + term("border at the top", own.border.top_mm))


@PICTURE.length("taped_width", "Picture on the wall, width", "the mean of its top and bottom edge")
def width(at: Ask) -> Display | None:
    """As taped."""
    taped_picture = at(taped)
    if taped_picture is None:
        return None
    last = at.things(Hung.picture)[-1]
    over = term("top right", last.tr_x_mm) - term("top left", last.tl_x_mm)
    under = term("bottom right", last.br_x_mm) - term("bottom left", last.bl_x_mm)
    return Display(taped_picture.width_mm, (over + under) / 2.0)


@PICTURE.length("body_out", "Move the projector back by", "the fabric stands proud of the bare wall")
def out(at: Ask) -> Display | None:
    """So that it is as far from the fabric as it was from the wall."""
    if at(taped) is None or at(mount_kind) != CABINET:
        return None
    return Display(at(fabric_plane_mm), term("bare wall to fabric", at(fabric_plane_mm)))
