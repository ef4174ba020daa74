"""The pose in figures, each with how well it is known."""

import math

from gantline.core.align.solve import Alignment
from gantline.core.defaults import AlignDefaults
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.align.solve import (
    aligned,
    digital_share,
    done,
    wanted_mm,
    within_mm,
    worst_mm,
)
from gantline.stations.common import shift_text

FIGURES = Figures()
BY = "least squares over the corner readings, exact pinhole model"
TURNS = (
    ("align_yaw", "Turned", "yaw", ("right", "left")),
    ("align_pitch", "Tilted", "pitch", ("up", "down")),
    ("align_roll", "Rolled, right side", "roll", ("up", "down")),
)


@FIGURES.length("corner_worst", "Largest corner error", "the largest miss of the last round")
def corner_worst(at: Ask) -> Display | None:
    """From where it should be."""
    value = at(worst_mm)
    return (
        None
        if value is None
        else Display(value, how="within tolerance" if at(done) else "of its wanted place")
    )


@FIGURES.length("corner_wanted", "Overspill wanted at each corner", "the overspill")
def corner_wanted(at: Ask) -> Display:
    """Where the corners should be."""
    return Display(at(wanted_mm), term("overspill", at(wanted_mm)))


@FIGURES.length("corner_within", "Within", "the overspill, or the usual tolerance where there is less")
def corner_within(at: Ask) -> Display:
    """How far from it does."""
    return Display(at(within_mm), how="the overspill, or the usual tolerance where there is less")


def _turn(key: str, label: str, name: str, ways: tuple[str, str]) -> None:
    @FIGURES.other(key, label, "°", BY)
    def shown(at: Ask) -> Display | None:
        """With its spread."""
        alignment = at(aligned)
        if not isinstance(alignment, Alignment):
            return None
        value, spread = math.degrees(getattr(alignment.pose, name)), math.degrees(alignment.sigma[name])
        text = f"{abs(value):.2f}° {ways[0] if value > 0.0 else ways[1]} ± {spread:.2f}°"
        return Display(value, text=text, how=BY)


for _one in TURNS:
    _turn(*_one)


@FIGURES.other("align_ratio", "Throw ratio as it stands", "", BY)
def ratio(at: Ask) -> Display | None:
    """Of the zoom."""
    alignment = at(aligned)
    if not isinstance(alignment, Alignment):
        return None
    return Display(alignment.pose.ratio, text=f"{alignment.pose.ratio:.3f} : 1", how=BY)


def _shift(key: str, label: str, name: str, up: bool) -> None:
    @FIGURES.other(key, label, "", BY)
    def shown(at: Ask) -> Display | None:
        """Of the lens."""
        alignment = at(aligned)
        if not isinstance(alignment, Alignment):
            return None
        value = float(getattr(alignment.pose, name))
        return Display(value, text=shift_text(value, up), how=BY)


_shift("align_shift_h", "Shift sideways as it stands", "shift_h", False)
_shift("align_shift_v", "Shift as it stands", "shift_v", True)


@FIGURES.other(
    "corner_misfit", "Corners against the pose", "", "squares of the misfits over those of their spread"
)
def misfit(at: Ask) -> Display | None:
    """Whether the readings fit any pose."""
    alignment = at(aligned)
    if not isinstance(alignment, Alignment):
        return None
    alarm = at.default(AlignDefaults.corner_alarm)
    how = f"two to spare: above {alarm:g} is no chance"
    return Display(alignment.sum_of_squares, text=f"{alignment.sum_of_squares:.1f}", how=how)


@FIGURES.other(
    "digital_price", "Squared up by the projector instead", "", "largest upright picture in what it throws"
)
def digital(at: Ask) -> Display | None:
    """What is left of pixels and light."""
    share = at(digital_share)
    if share is None or at(done):
        return None
    return Display(share, text=price_words(share), how="the moves cost nothing")


def price_words(share: float) -> str:
    """What is lost where such a share is kept."""
    lost = 100.0 * (1.0 - share)
    return f"costs {f'{lost:.0f}' if lost >= 1.0 else 'under 1'} % of pixels and light"


def gist(at: Ask) -> str:
    """How it stands."""
    worst = at(worst_mm)
    if worst is None:
        return "not read yet"
    return "aligned" if at(done) else f"{at.text(worst)} off"
