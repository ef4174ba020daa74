"""Brightness and contrast: lumens on the picture, candela per square meter at the eye."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray

from gantline.core.errors import OutOfRange, require_not_negative, require_positive

Array = NDArray[np.float64]
CD_M2_PER_FOOT_LAMBERT = 1.0 / (math.pi * 0.3048**2)  # definition: 1/pi candela per square foot

# lower ends of the bands a contrast is read by; a band includes its lower end
CONTRAST_BANDS = (
    (0.0, "washed out"),
    (5.0, "usable for sport"),
    (10.0, "fair"),
    (20.0, "good"),
    (50.0, "dark-room"),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Output:
    """A projector's light: rated lumens, what mode, age and the long end of the zoom leave (shares),
    and its own contrast. Raises OutOfRange for shares outside 0 to 1 or a contrast below 1."""

    rated_lm: float
    mode_share: float
    age_share: float
    zoom_long_share: float
    contrast: float

    def __post_init__(self) -> None:
        require_positive(rated_lm=self.rated_lm)
        for field in ("mode_share", "age_share", "zoom_long_share"):
            value = getattr(self, field)
            if not 0.0 < value <= 1.0:
                raise OutOfRange(
                    f"{field} must lie above 0 and at most 1, got {value:g}", field=field, got=value
                )
        if not self.contrast > 1.0:
            raise OutOfRange("contrast must be above 1", field="contrast", got=self.contrast)


def zoom_share(ratio: float, ratio_low: float, ratio_high: float, zoom_long_share: float) -> float:
    """Light left at a throw ratio: linear from 1 at the wide end to zoom_long_share; 1 for a fixed lens."""
    if ratio_high <= ratio_low:
        return 1.0
    at = min(max((ratio - ratio_low) / (ratio_high - ratio_low), 0.0), 1.0)
    return 1.0 - (1.0 - zoom_long_share) * at


def panel_share(picture: tuple[float, float], panel: tuple[float, float]) -> float:
    """Share of the panel's light that lands on the picture: area over area; bars and overspill are not on it.

    Args: picture and panel, width and height as they land on the fabric [mm].  Raises: OutOfRange unless all are > 0.
    """
    require_positive(picture_width=picture[0], picture_height=picture[1])
    require_positive(panel_width=panel[0], panel_height=panel[1])
    return picture[0] * picture[1] / (panel[0] * panel[1])


def flux_lm(output: Output, *, zoom: float, panel: float) -> float:
    """Lumens on the picture: rated x mode x age x zoom x share of the panel."""
    return output.rated_lm * output.mode_share * output.age_share * zoom * panel


def luminance_cd_m2(flux: ArrayLike, area_m2: ArrayLike, gain: ArrayLike) -> Array:
    """L = flux g / (pi A) [cd/m2]; a diffuse screen of gain 1 returns exactly E / pi."""
    return np.asarray(
        np.asarray(flux, dtype=float)
        * np.asarray(gain, dtype=float)
        / (math.pi * np.asarray(area_m2, dtype=float))
    )


def ambient_cd_m2(lux: ArrayLike, ambient_reflectance: ArrayLike) -> Array:
    """What the room's light adds everywhere: E rho / pi [cd/m2]."""
    return np.asarray(np.asarray(lux, dtype=float) * np.asarray(ambient_reflectance, dtype=float) / math.pi)


def seen_contrast(luminance: ArrayLike, ambient: ArrayLike, own_contrast: float) -> Array:
    """Contrast at the eye: (L + L_amb) / (L / C + L_amb)."""
    light, room = np.asarray(luminance, dtype=float), np.asarray(ambient, dtype=float)
    return np.asarray((light + room) / (light / own_contrast + room))


def bounce_lux(
    flux: float, *, mean_level: float, screen_reflectance: float, room_m2: float, room_reflectance: float
) -> float:
    """Light of the picture that pale walls send back onto it [lx]: an integrating-sphere estimate.

    Source: m flux rho_s rho / (A_r (1 - rho)); takes the room as an even sphere of its own area.
    Raises: OutOfRange unless 0 <= room_reflectance < 1 and room_m2 > 0.
    """
    require_positive(room_m2=room_m2)
    require_not_negative(
        mean_level=mean_level, screen_reflectance=screen_reflectance, room_reflectance=room_reflectance
    )
    if room_reflectance >= 1.0:
        raise OutOfRange("room_reflectance must be under 1", field="room_reflectance", got=room_reflectance)
    returned = mean_level * flux * min(screen_reflectance, 1.0) * room_reflectance
    return returned / (room_m2 * (1.0 - room_reflectance))


def contrast_band(contrast: float) -> str:
    """The word for a contrast."""
    return next(word for low, word in reversed(CONTRAST_BANDS) if contrast >= low)
