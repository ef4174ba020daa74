"""What a lamp in the room puts on the screen, until somebody measures it."""

import math
from collections.abc import Sequence

from gantline.core.errors import require_positive
from gantline.core.light.luminance import bounce_lux
from gantline.core.space import Point3


def lamp_lux(
    lumens: float, *, lamp_mm: tuple[float, float, float], point_mm: tuple[float, float, float]
) -> float:
    """Direct illuminance [lux] of a bare lamp on a wall point; z out of the wall, 0 behind it.

    Source: point source, E = lumens cos(incidence) / (4 pi d^2), with cos = dz / d.
    Leaves out: shades and reflectors, whatever stands between, light coming back from walls and
    ceiling (core/light/luminance.bounce_lux adds that).
    Raises: OutOfRange unless lumens > 0.
    """
    require_positive(lumens=lumens)
    across, up, out = (a - b for a, b in zip(lamp_mm, point_mm, strict=True))
    distance_mm = math.hypot(across, up, out)
    if out <= 0.0 or distance_mm == 0.0:
        return 0.0
    return lumens * (out / distance_mm) / (4.0 * math.pi * (distance_mm / 1000.0) ** 2)


def lit_lux(
    lamps: Sequence[tuple[float, Point3]],
    point_mm: Point3,
    *,
    dark_lux: float,
    room_m2: float,
    room_reflectance: float,
) -> float:
    """Light on a wall point from lamps (lumens, place) [lux]: the dark room's, each lamp's own, what the room
    sends back.

    Source: lamp_lux for each, and bounce_lux for the sum of their light.  Leaves out: shades.
    """
    direct = sum(lamp_lux(lumens, lamp_mm=place, point_mm=point_mm) for lumens, place in lamps)
    back = bounce_lux(
        sum(lumens for lumens, _ in lamps),
        mean_level=1.0,
        screen_reflectance=1.0,
        room_m2=room_m2,
        room_reflectance=room_reflectance,
    )
    return dark_lux + direct + back
