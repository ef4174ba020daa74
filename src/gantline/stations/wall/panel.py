"""What the wall's panel shows, in order and by weight."""

from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.wall.loads import fixing, used


def _marks(at: Ask) -> str:
    return "from wall end, datum, center, stud, floor and ceiling"


def _load(at: Ask) -> str:
    share = at(used)
    return at(fixing).name if share is None else f"{at(fixing).name}, {100.0 * share:.0f} % used"


PANEL = (
    PanelPart(widget="measure"),
    PanelPart(weight="lead", rows=("hole_left", "hole_right", "upper_row", "lower_row")),
    PanelPart(
        title="Brackets",
        rows=(
            "way",
            "drop",
            "lower_holes",
            "row_offset",
            "fix_to",
            "rule",
            "spacing_share",
            "fixed_spacing",
            "side_play",
        ),
        widget="take-fixing",
    ),
    PanelPart(
        title="Load and fixings",
        weight="detail",
        rows=(
            "load_used",
            "load_shear",
            "load_pull",
            "fixing",
            "per_bracket",
            "screw_least",
            "drill",
            "cover",
            "plate",
        ),
        gist=_load,
    ),
    PanelPart(
        title="Read back after drilling",
        weight="detail",
        rows=("check_across", "check_down", "check_diagonal", "level_tolerance"),
    ),
    PanelPart(title="Every mark of every hole", weight="detail", widget="marks", gist=_marks),
    PanelPart(
        title="How the brackets were chosen",
        weight="detail",
        rows=("spacing", "studs_used", "pair_offset", "wished_spacing", "lift_on", "screws", "bracket_name"),
    ),
    PanelPart(widget="cautions"),
)
