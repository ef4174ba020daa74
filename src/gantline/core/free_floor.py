"""Whether a sheet can be laid out flat in a room: a rectangle that touches nothing that stands on the floor.

Source: where a rectangle fits at all it also fits pushed to the left and to the wall as far as it goes, so that only
corners of obstacles and walls need be tried. Leaves out: turned by any other angle than a quarter, and doors.
"""

from collections.abc import Sequence

import numpy as np

from gantline.core.errors import require_positive

Foot = tuple[float, float, float, float]  # left, near, right, far [mm] from wall end and wall


def free_place(
    wide_mm: float, deep_mm: float, room_wide_mm: float, room_deep_mm: float, feet: Sequence[Foot]
) -> Foot | None:
    """Where a sheet of this size lies clear of everything, in either direction; None where it does not.

    Args: wide, deep, of the sheet; room_wide, room_deep; feet, what stands on the floor.  Raises: OutOfRange.
    """
    require_positive(wide_mm=wide_mm, deep_mm=deep_mm, room_wide_mm=room_wide_mm, room_deep_mm=room_deep_mm)
    taken = np.array(feet, dtype=float).reshape(-1, 4)
    lefts, nears = (np.array(sorted({0.0, *(foot[end] for foot in feet)})) for end in (2, 3))
    for wide, deep in dict.fromkeys(((wide_mm, deep_mm), (deep_mm, wide_mm))):
        places = lefts[lefts + wide <= room_wide_mm]
        across = (taken[:, 0] < places[:, None] + wide) & (
            taken[:, 2] > places[:, None]
        )  # places by what stands there
        for near in nears[nears + deep <= room_deep_mm]:
            along = (taken[:, 1] < near + deep) & (taken[:, 3] > near)
            free = ~(across & along).any(axis=1)
            if free.any():
                left = float(places[free.argmax()])
                return left, float(near), left + wide, float(near) + deep
    return None
