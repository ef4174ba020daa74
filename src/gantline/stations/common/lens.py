"""The lens as it was entered: what height and throw both ask of it."""

from fractions import Fraction
from typing import Any

from gantline.core.defaults import Default, ThrowDefaults
from gantline.core.size.aspect import read_aspect
from gantline.core.throw.mount import usual_mount
from gantline.job.field import field_of
from gantline.job.model.size import Size
from gantline.job.model.throw import ProjectorBody
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import STANDS_IN, Ask

CABINET = "cabinet"


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
    """Throw ratio at the wide and at the long end by the data sheet; the same twice where only one is given, as for a lens
    without zoom; None until one is entered."""
    low, high = at.given(P.ratio_low), at.given(P.ratio_high)
    if low is None and high is None:
        return None
    return (low or high or 0.0), (high or low or 0.0)


def distance_offset_mm(at: Ask) -> float:
    """How far the point that distances are measured to lies out from the pupil [mm]."""
    return at.field(P.distance_offset_mm)


def has_shift(at: Ask) -> bool:
    """Whether the lens shifts: as entered; one whose fixed offset is entered has none, a leaflet gives the one or the other."""
    if at.given(P.has_shift) is None and at.given(P.offset) is not None:
        return False
    return bool(at.field(P.has_shift))


def ranged(at: Ask) -> bool:
    """Whether any range of shift is entered."""
    return any((at.given(P.shift_up), at.given(P.shift_down), at.given(P.shift_side)))


def shift_default(at: Ask) -> Any:
    """What stands in for whether the lens shifts; nothing where its range or its fixed offset says it."""
    return None if at(ranged) or at.given(P.offset) is not None else field_of(P.has_shift).default


def offset_default(at: Ask) -> Any:
    """What stands in for the fixed offset; nothing for a lens that shifts."""
    return None if at(ranged) else field_of(P.offset).default


STANDS_IN[field_of(P.has_shift).pointer] = shift_default
STANDS_IN[field_of(P.offset).pointer] = offset_default


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
        has_shift=hangs or at(has_shift),  # of one that hangs it decides nothing
        ratio_high=None if both is None else both[1],
        cabinet_ratio=at.default(ThrowDefaults.cabinet_ratio),
    )


def lens_to_face_default(at: Ask) -> Default:
    """Which default stands in for the lens's distance behind the face that looks at the wall: a cabinet-top body looks back
    over itself, any other looks out of that face."""
    cabinet = at(mount_kind) == CABINET and not at(hung) and not at(has_shift)
    return ThrowDefaults.cabinet_lens_to_face_mm if cabinet else ThrowDefaults.lens_to_wall_face_mm


STANDS_IN[field_of(ProjectorBody.lens_to_wall_face_mm).pointer] = lens_to_face_default


def place_slack_mm(at: Ask) -> float:
    """How far off a lens may stand and still count as placed [mm]: by hand, and by the tape's own rounding."""
    return max(at.default(ThrowDefaults.place_tolerance_mm), at.step_mm / 2.0)
