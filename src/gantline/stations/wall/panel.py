"""What the wall's panel shows, in order and by weight."""

from gantline.job.model.hanging import ACROSS, UP, Hanging
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.common import lift_on_mm, on_cleat
from gantline.stations.wall.choose import candidates
from gantline.stations.wall.datum import across_from, up_from
from gantline.stations.wall.flat import gap_readings
from gantline.stations.wall.ledger import on_ledger
from gantline.stations.wall.loads import fixing_name, used
from gantline.stations.wall.way import trim_mm


def _marks(at: Ask) -> str:
    return "from wall end, datum, center, stud, floor and ceiling"


def _ways(at: Ask) -> str:
    own = next((candidate for candidate in at(candidates) if candidate.taken), None)
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
    return at(fixing_name) if share is None else f"{at(fixing_name)}, {100.0 * share:.0f} % used"


def _datum(at: Ask) -> str:
    across, up = dict(ACROSS)[at(across_from)], dict(UP)[at(up_from)]
    return f"{across}, {up}"


def _goes_on(at: Ask) -> str:
    trim = at(trim_mm)
    return f"lift {at.text(at(lift_on_mm))}, {'trims ' + at.text(trim) + ' each way' if trim else 'no height trim'}"


PANEL = (
    PanelPart(widget="measure"),
    PanelPart(
        weight="lead",
        rows=("hole_left", "hole_right", "upper_row", "upper_row_right", "lower_row", "lower_row_right"),
    ),
    PanelPart(
        title="Hanging",
        rows=(
            "way",
            "fix_to",
            "drop",
            "row_offset",
            "rule",
            "spacing_share",
            "fixed_spacing",
            "hang_parts",
            "lower_parts",
        ),
        widget="take-fixing",
    ),
    PanelPart(
        title="Cleat",
        rows=(
            "cleat_left",
            "cleat_right",
            "cleat_edge",
            "cleat_play",
            "cleat_studs",
            "cleat_length",
            "cleat_board",
            "cleat_point",
            "cleat_screw",
            "cleat_piece",
            "cleat_block",
            "frame_piece",
            "low_cleat",
            "cleat_up_edge",
            "cleat_up_left",
            "cleat_up_right",
        ),
        when=on_cleat,
    ),
    PanelPart(
        title="Ledger",
        rows=("ledger_studs", "ledger_layers", "ledger_board", "ledger_screws"),
        when=on_ledger,
    ),
    PanelPart(title="What holds it, ranked", weight="detail", widget="ways", gist=_ways),
    PanelPart(
        title="Load and fixings",
        weight="detail",
        rows=(
            "load_used",
            "load_shear",
            "load_pull",
            "kit_mass",
            "fixing",
            "anchor_name",
            "anchor_base",
            "anchor_depth",
            "anchor_drill",
            "anchor_lengths",
            "anchor_plugged",
            "anchor_shear",
            "anchor_pull",
            "per_bracket",
            "screws_lie",
            "screws_apart",
            "screw_step",
            "proud",
            "screw_least",
            "screw_sold",
            "drill",
            "torque",
            "cover",
            "plate",
            "backer",
        ),
        widget="take-anchor",
        gist=_load,
    ),
    PanelPart(
        title="Where the tape is hooked",
        weight="detail",
        rows=("across_from", "up_from", "pencil"),
        gist=_datum,
    ),
    PanelPart(
        title="How it goes on",
        weight="detail",
        rows=(
            "lift_on",
            "side_play",
            "height_trim",
            "lower_holes",
            "row_fixed",
            "rows_apart",
            "hole_drop",
            "rod",
            "compress",
            "bottom",
            "pads",
            "pad_left",
            "pad_right",
            "standoff_turn",
            "pad_left_turns",
            "pad_right_turns",
            "height_by",
            "leaflet",
            "leaflet_top",
            "plate_height",
        ),
        gist=_goes_on,
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
        rows=("wall_plumb", "wall_square", "wall_belly", "wall_wind", "belly_moves", "shim_pack", "shims"),
        widget="flat",
        gist=_flat,
    ),
    PanelPart(title="Every mark of every hole", weight="detail", widget="marks", gist=_marks),
    PanelPart(
        title="How the brackets were chosen",
        weight="detail",
        rows=("spacing", "studs_used", "pair_offset", "wished_spacing", "screws", "bracket_name"),
    ),
    PanelPart(widget="cautions"),
)
