"""What the trim's panel shows, in order and by weight."""

from gantline.job.field import field_of
from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.trim.solve import border_kind, strip


def _corners(at: Ask) -> str:
    return field_of(Trim.corner).choice(at.field(Trim.corner))


def _light(at: Ask) -> str:
    light_run = at(strip)
    return (
        "none"
        if light_run is None
        else "does not work"
        if isinstance(light_run, str)
        else f"{light_run.supply_w:.0f} W supply"
    )


def _taped(at: Ask) -> bool:
    return at(border_kind) in ("tape", "velvet")


PANEL = (
    PanelPart(weight="lead", rows=("border_kind", "tape_width", "tape_rails", "tape_stiles")),
    PanelPart(rows=("tape_corner", "border_before", "to_picture", "backlit"), widget="border"),
    PanelPart(
        title="Rolls and edge",
        weight="detail",
        widget="take-tape",
        rows=("tape_wrap", "tape_wide", "tape_roll", "tape_rolls"),
        when=_taped,
        gist=_corners,
    ),
    PanelPart(
        title="Backlight",
        weight="detail",
        widget="take-strip",
        rows=(
            "strip_cut",
            "strip_supply",
            "strip_load",
            "strip_run",
            "strip_reels",
            "strip_fixes",
            "strip_inset",
            "strip_pitch",
            "strip_reel",
            "strip_watts",
            "spacer",
            "spacer_across",
            "spacer_upright",
            "spacer_brad",
            "feed",
            "feed_wire",
        ),
        when=lambda at: bool(at.field(Backlight.there)),
        gist=_light,
    ),
    PanelPart(widget="cautions"),
)
