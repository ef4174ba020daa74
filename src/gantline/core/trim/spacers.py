"""Strips nailed round a frame's back that hold it off the wall and carry the light.

Source: geometry, top and bottom whole and the sides between them; a brad ends short of the cloth.
Leaves out: corners eased for the light strip.
"""

from dataclasses import dataclass

from gantline.core.errors import OutOfRange, require_positive


@dataclass(frozen=True, slots=True, kw_only=True)
class SpacerStrips:
    """Two of each [mm], and the longest brad that holds them and stays short of the cloth [mm]."""

    across_mm: float
    upright_mm: float
    brad_mm: float

    @property
    def whole_mm(self) -> float:
        """All four together [mm]."""
        return 2.0 * (self.across_mm + self.upright_mm)


def spacer_strips(
    width_mm: float,
    height_mm: float,
    *,
    wide_mm: float,
    thick_mm: float,
    frame_depth_mm: float,
    clear_mm: float,
) -> SpacerStrips:
    """Round a frame.

    Args: width, height, of the frame outside [mm]; wide, of a strip in the frame's plane [mm]; thick, off the frame's back [mm];
        frame_depth, from its back to the cloth [mm]; clear, what a brad keeps from the cloth [mm].
    Raises: OutOfRange, also for strips that meet in the middle.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm, wide_mm=wide_mm, thick_mm=thick_mm)
    if height_mm <= 2.0 * wide_mm:
        raise OutOfRange("the strips are as wide as the frame is high", field="wide_mm", got=wide_mm)
    return SpacerStrips(
        across_mm=width_mm, upright_mm=height_mm - 2.0 * wide_mm, brad_mm=thick_mm + frame_depth_mm - clear_mm
    )
