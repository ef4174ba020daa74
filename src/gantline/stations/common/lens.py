"""The lens as it was entered: what height and throw both ask of it."""

from fractions import Fraction

from gantline.core.defaults import ThrowDefaults
from gantline.core.height.bounds import LensReach
from gantline.core.size.aspect import read_aspect
from gantline.core.throw.mount import usual_mount
from gantline.core.throw.shift import ReachShape, ShiftReach, fixed_offset
from gantline.job.model.size import Size
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask


def hung(at: Ask) -> bool:
    """Whether the projector is mounted on the ceiling."""
    return bool(at.field(P.hung))


def overspill_mm(at: Ask) -> float:
    """Overspill at each side [mm]."""
    return at.field(Size.overspill_mm)


def panel_aspect(at: Ask) -> Fraction:
    """Aspect of the projector's panel."""
    return read_aspect(at.field(P.panel_aspect))


def ratios(at: Ask) -> tuple[float, float] | None:
    """Throw ratio at the wide and at the long end; None until both are entered."""
    low, high = at.given(P.ratio_low), at.given(P.ratio_high)
    return None if low is None or high is None else (low, high)


def distance_offset_mm(at: Ask) -> float:
    """How far the point that distances are measured to lies out from the pupil [mm]."""
    return at.field(P.distance_offset_mm)


def shift_reach(at: Ask) -> tuple[ShiftReach, float]:
    """Shift range and fixed offset, shares of the panel's image."""
    if at.field(P.has_shift):
        up, down, side = at.field(P.shift_up), at.field(P.shift_down), at.field(P.shift_side)
        # without a range to one side there is no diamond
        shape = at.field(P.reach) if side > 0.0 and up + down > 0.0 else ReachShape.RECTANGLE
        return ShiftReach(up=up, down=down, side=side, shape=shape), 0.0
    return ShiftReach(up=0.0, down=0.0, side=0.0), fixed_offset(at.field(P.offset), from_ceiling=at(hung))


def is_turned(at: Ask) -> bool:
    """Whether any turn is entered."""
    return any((at.field(P.yaw_deg), at.field(P.pitch_deg), at.field(P.roll_deg)))


def mount_kind(at: Ask) -> str:
    """How it is held: as entered, else what its kind of projector usually is."""
    given = at.given(P.mount)
    if given is not None:
        return given
    both, hangs = at(ratios), at(hung)
    return usual_mount(
        hung=hangs,
        has_shift=hangs or at.field(P.has_shift),  # of one that hangs it decides nothing
        ratio_high=None if both is None else both[1],
        cabinet_ratio=at.default(ThrowDefaults.cabinet_ratio),
    )


def place_slack_mm(at: Ask) -> float:
    """How far off a lens may stand and still count as placed [mm]: by hand, and by the tape's own rounding."""
    return max(at.default(ThrowDefaults.place_tolerance_mm), at.step_mm / 2.0)


def lens_reach(at: Ask, centre_x_mm: float, y_mm: float | None) -> LensReach | None:
    """The lens as a bound on the height; None until its throw ratio and height are known.

    Asked without its turn: a turned body bounds nothing, what it covers is squared up digitally.
    """
    if y_mm is None or at(ratios) is None:
        return None
    reach, offset = at(shift_reach)
    x_mm = at.given(P.lens_x_mm)
    return LensReach(
        x_mm=centre_x_mm if x_mm is None else x_mm,
        y_mm=y_mm,
        reach=reach,
        offset=offset,
        panel_aspect=at(panel_aspect),
        overspill_mm=at(overspill_mm),
        slack_mm=at(place_slack_mm),
    )
