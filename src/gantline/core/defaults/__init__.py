"""The one place of every default: value, unit, what it means, why this figure, one file a station.

A shop overrides any of them in its settings. A figure that rests on one says so.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from gantline.core.defaults.align import AlignDefaults
from gantline.core.defaults.day import DayDefaults
from gantline.core.defaults.default import Default, checked, named
from gantline.core.defaults.frame import BlankDefaults, FrameDefaults, TrimDefaults
from gantline.core.defaults.height import HeightDefaults
from gantline.core.defaults.keep import KeepDefaults
from gantline.core.defaults.light import LightDefaults
from gantline.core.defaults.seats import SeatsDefaults
from gantline.core.defaults.size import SizeDefaults
from gantline.core.defaults.survey import SurveyDefaults
from gantline.core.defaults.tension import TensionDefaults
from gantline.core.defaults.throw import ThrowDefaults
from gantline.core.defaults.trip import TripDefaults
from gantline.core.defaults.wall import WallDefaults

DEFAULTS = named(
    SurveyDefaults,
    SeatsDefaults,
    SizeDefaults,
    LightDefaults,
    HeightDefaults,
    ThrowDefaults,
    FrameDefaults,
    BlankDefaults,
    TrimDefaults,
    WallDefaults,
    TensionDefaults,
    TripDefaults,
    AlignDefaults,
    DayDefaults,
    KeepDefaults,
)


@dataclass(frozen=True, slots=True)
class Shop:
    """A shop's own values over the defaults.

    Raises UnknownDefault for a key that is none, OutOfRange for a value outside its bounds.
    """

    overrides: Mapping[str, float]

    def __post_init__(self) -> None:
        checked(DEFAULTS, self.overrides)

    def __getitem__(self, default: Default) -> float:
        """The shop's value, or the default."""
        return self.overrides.get(default.key, default.value)

    def source(self, default: Default) -> str:
        """Who stands behind the value, for the working of a figure."""
        if default.key in self.overrides:
            return f"shop's own setting for {default.meaning}"
        return f"shop default for {default.meaning}: {default.source}"


PLAIN_SHOP = Shop({})

__all__ = [
    "DEFAULTS",
    "PLAIN_SHOP",
    "AlignDefaults",
    "BlankDefaults",
    "DayDefaults",
    "Default",
    "FrameDefaults",
    "HeightDefaults",
    "KeepDefaults",
    "LightDefaults",
    "SeatsDefaults",
    "Shop",
    "SizeDefaults",
    "SurveyDefaults",
    "TensionDefaults",
    "ThrowDefaults",
    "TrimDefaults",
    "TripDefaults",
    "WallDefaults",
]
