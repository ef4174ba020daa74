"""What the wall's panel shows, in order and by weight."""

from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.wall.choose import candidates
from gantline.stations.wall.flat import gap_readings
from gantline.stations.wall.loads import fixing, used
from gantline.stations.wall.solve import cleat_on_studs


def _marks(at: Ask) -> str:
    return "from wall end, datum, center, stud, floor and ceiling"


def _ways(at: Ask) -> str:
    own = next((one for one in at(candidates) if one.taken), None)
    return "plugs in masonry" if own is None else f"{own.name}: {own.why}"


def _dry(at: Ask) -> str:
    count = len(at.things(Hanging.dry))
    return (
        f"read {count} time{'s' if count != 1 else ''}"
        if count
        else "hang the empty frame, read its top and side gaps"
    )


def _flat(at: Ask) -> str:
    count = len(at(gap_readings))
    return f"{count} gaps read" if count else "read the gaps to a plumb line or laser"


def _load(at: Ask) -> str:
    share = at(used)
    return at(fixing).name if share is None else f"{at(fixing).name}, {100.0 * share:.0f} % used"


PANEL = (
    PanelPart(widget="measure"),
    PanelPart(weight="lead", rows=("hole_left", "hole_right", "upper_row", "lower_row")),
    PanelPart(title="Cleat", rows=("cleat_left", "cleat_right", "cleat_play"), when=cleat_on_studs),
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
    PanelPart(title="What holds it, ranked", weight="detail", widget="ways", gist=_ways),
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
    PanelPart(title="Dry fit", weight="detail", widget="dry", gist=_dry),
    PanelPart(
        title="Flatness and shims",
        weight="detail",
        rows=("wall_plumb", "wall_square", "wall_belly", "wall_wind", "shim_pack", "shims"),
        widget="flat",
        gist=_flat,
    ),
    PanelPart(title="Every mark of every hole", weight="detail", widget="marks", gist=_marks),
    PanelPart(
        title="How the brackets were chosen",
        weight="detail",
        rows=("spacing", "studs_used", "pair_offset", "wished_spacing", "lift_on", "screws", "bracket_name"),
    ),
    PanelPart(widget="cautions"),
)
