"""Picture first: what was taped onto the bare wall, and where that puts the frame."""

from gantline.core.align.corners import CORNERS, allowed_mm
from gantline.core.defaults import AlignDefaults
from gantline.core.errors import OutOfRange
from gantline.core.hang.picture import Pictured, pictured
from gantline.core.size.picture import with_overspill
from gantline.job.model.align import Hung
from gantline.plan.ask import Ask
from gantline.stations.common import overspill_mm
from gantline.stations.hang.solve import picture_first
from gantline.stations.size import screen


def read_picture(at: Ask) -> Pictured | str | None:
    """The picture as it was taped last; why it cannot be; None before it was."""
    rounds = at.things(Hung.picture)
    if not rounds or not at(picture_first):
        return None
    last, thrown = rounds[-1], with_overspill(at(screen).picture, at(overspill_mm))
    corners = [(getattr(last, f"{one}_x_mm"), getattr(last, f"{one}_y_mm")) for one in CORNERS]
    try:
        return pictured(corners, width_mm=thrown.width_mm, height_mm=thrown.height_mm)
    except OutOfRange as error:
        return f"{str(error)[0].upper()}{str(error)[1:]}."


def seen(at: Ask) -> Pictured | None:
    """The same, where it can be used."""
    found = at(read_picture)
    return found if isinstance(found, Pictured) else None


def taped(at: Ask) -> Pictured | None:
    """The same, for its taped corners alone: what was thrown past the picture only decides whether they can be used."""
    at.things(Hung.picture), at(picture_first)
    return at.aside(seen)


def frame_top_mm(at: Ask) -> float | None:
    """Where the picture puts the frame's top [mm above the floor]."""
    found = at(taped)
    if found is None:
        return None
    own = at(screen)
    return found.center_mm[1] + own.picture.height_mm / 2.0 + own.border.top_mm


def straight_within_mm(at: Ask) -> float:
    """How far a corner of the picture may stand from its place before the frame is hung to it [mm]."""
    return allowed_mm(at(overspill_mm), at.default(AlignDefaults.corner_within_mm))
