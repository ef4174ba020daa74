"""What a cabinet that does not stand level does to the picture of the body on it, and the shims that level it.

Source: the plane through a cabinet's four corners; a body turned by an angle turns its picture by the same.
Leaves out: a cabinet that is wound, and what the nose up or down does to the size; the width is read again once it is level.
"""

from dataclasses import dataclass

from gantline.core.errors import require_positive


@dataclass(frozen=True, slots=True, kw_only=True)
class LevelShims:
    """Shims under the feet of a cabinet as seen from the room [mm], and how much its picture is turned over its width [mm], +
    where the right end is high."""

    left_back_mm: float
    right_back_mm: float
    left_front_mm: float
    right_front_mm: float
    turned_mm: float


def level_shims(
    *, right_high_mm: float, front_high_mm: float, wide_mm: float, picture_mm: float
) -> LevelShims:
    """From two readings of a level.

    Args: right_high, by how much the right end stands above the left one over the width [mm]; front_high, by how much the front
        edge stands above the back over the depth [mm]; wide, between those ends [mm]; picture, its width [mm].
    Returns: the highest foot has no shim.  Raises: OutOfRange.
    """
    require_positive(wide_mm=wide_mm, picture_mm=picture_mm)
    feet = (0.0, right_high_mm, front_high_mm, right_high_mm + front_high_mm)
    high = max(feet)
    left_back, right_back, left_front, right_front = (high - foot for foot in feet)
    return LevelShims(
        left_back_mm=left_back,
        right_back_mm=right_back,
        left_front_mm=left_front,
        right_front_mm=right_front,
        turned_mm=right_high_mm / wide_mm * picture_mm,
    )
