"""What a lamp in the room puts on the screen, until somebody measures it."""

import math

from gantline.core.errors import require_positive


def lamp_lux(lumens: float, *, lamp_mm: tuple[float, float, float], point_mm: tuple[float, float, float]) -> float:
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
