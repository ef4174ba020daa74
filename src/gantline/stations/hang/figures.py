"""The hung screen in figures: each check against its tolerance."""

from collections.abc import Callable

from gantline.core.hang.read import Check, Verdict
from gantline.job.model.align import FIRST, Hung
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.hang.solve import limits, verdicts_now
from gantline.stations.hang.words import NAMES, off_words
from gantline.stations.height import picture_first
from gantline.stations.size import screen

FIGURES = Figures()


@FIGURES.other("order", "What comes first", "", "by the projector's kind", Hung.first)
def order(at: Ask) -> Display:
    """Frame or picture."""
    value = "picture" if at(picture_first) else "frame"
    return Display(value, text=dict(FIRST)[value], how="a projector on a cabinet sets the picture first")


def of_check(at: Ask, check: Check) -> Verdict | None:
    """One check, if it was read."""
    return next((verdict for verdict in at(verdicts_now) if verdict.check == check), None)


def _check(check: Check) -> Callable[[Ask], Display | None]:
    def shown(at: Ask) -> Display | None:
        """How far off, and whether that does."""
        check_read = of_check(at, check)
        if check_read is None:
            return None
        done = "within tolerance" if check_read.within else "move it, then read again"
        return Display(check_read.off_mm, text=off_words(at, check_read), how=done)

    return shown


for _check_name, _key in (
    ("level", "hang_level"),
    ("center", "hang_center"),
    ("plumb-left", "hang_plumb_left"),
    ("plumb-right", "hang_plumb_right"),
    ("wind", "hang_wind"),
    ("margin-across", "hang_margin_across"),
    ("margin-down", "hang_margin_down"),
):
    FIGURES.other(_key, NAMES[_check_name], "mm", "read, against its tolerance")(_check(_check_name))  # type: ignore[arg-type]


@FIGURES.length("level_within", "Level over the width within", "half a millimeter a meter")
def level_within(at: Ask) -> Display:
    """How far the ends may differ."""
    value, wide = at(limits).level_mm, at(screen).overall_width_mm
    return Display(
        value, term("mm a meter", 1000.0 * value / wide, "") * term("overall width", wide) / 1000.0
    )


def gist(at: Ask) -> str:
    """How it stands."""
    read = at(verdicts_now)
    if not read:
        return "not hung yet"
    off = sum(not one.within for one in read)
    return "within tolerance" if not off else f"{off} to cure"
