"""What height and throw both ask of the lens: its place, its reach, the fabric plane."""

from gantline.core.height.bounds import LensReach
from gantline.core.size.aspect import read_aspect
from gantline.core.throw.shift import ShiftReach, fixed_offset
from gantline.plan.book import Book


def fabric_plane_mm(book: Book) -> float:
    """Bare wall to fabric [mm]: standoff + frame depth."""
    given = book.job.frame
    depth_mm = book.length("frame_depth", "throw", "Frame depth", "/frame/depth_mm", given.depth_mm, "frame_depth_mm")
    standoff_mm = book.length("standoff", "throw", "Standoff", "/frame/standoff_mm", given.standoff_mm, "standoff_mm")
    return depth_mm + standoff_mm


def reach_of(book: Book) -> tuple[ShiftReach, float]:
    """Shift reach and fixed offset of the projector, shares of the panel's image."""
    given = book.job.throw
    if given.has_shift:
        return ShiftReach(up=given.shift_up, down=given.shift_down, side=given.shift_side, shape=given.reach), 0.0
    return ShiftReach(up=0.0, down=0.0, side=0.0), fixed_offset(given.offset, from_ceiling=given.hung)


def overspill_mm(book: Book) -> float:
    """Overspill at each side [mm]."""
    given = book.job.size.overspill_mm
    return book.shop["overspill_mm"] if given is None else given


def placed_lens(book: Book, centre_x_mm: float) -> LensReach | None:
    """The lens as a bound on the height; None until its throw ratio and height are known.

    A turned body bounds nothing: what it covers is squared up digitally, and the throw says at which price.
    """
    given = book.job.throw
    turned = given.yaw_deg or given.pitch_deg or given.roll_deg
    if turned or given.lens_y_mm is None or given.ratio_low is None or given.ratio_high is None:
        return None
    reach, offset = reach_of(book)
    return LensReach(
        x_mm=centre_x_mm if given.lens_x_mm is None else given.lens_x_mm,
        y_mm=given.lens_y_mm,
        reach=reach,
        offset=offset,
        panel_aspect=read_aspect(given.panel_aspect),
        overspill_mm=overspill_mm(book),
        slack_mm=book.shop["place_tolerance_mm"],
    )
