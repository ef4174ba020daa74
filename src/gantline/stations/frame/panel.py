"""What the frame's panel shows, in order and by weight."""

from gantline.core.units import pair_text
from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.frame.blank import blank
from gantline.stations.frame.board import board_section, timber
from gantline.stations.frame.built import square
from gantline.stations.frame.solve import parts
from gantline.stations.frame.tables import box_check


def _board(at: Ask) -> str:
    section = at(board_section)
    return f"{at.text(section.in_plane_mm)} in the plane, {at.text(section.deep_mm)} deep"


def _blank(at: Ask) -> str:
    return f"cut {pair_text(*at(blank), at.units)}" if at(timber) else "comes to size"


def _square(at: Ask) -> str:
    check = at(square)
    if check is None:
        return "not measured yet"
    if isinstance(check, str) or not check.agrees:
        return "a reading is wrong"
    return "measured"


def _pieces(at: Ask) -> str:
    cut_parts = at(parts)
    return f"{len(cut_parts)} to cut" if cut_parts else "none"


def _box(at: Ask) -> str:
    check = at(box_check)
    if check is None:
        return "take a kit with its parts, to count them"
    short = sum(1 for row in check.rows if row.short)
    return f"{check.counted} of {len(check.rows)} counted" + (f", {short} short" if short else "")


def _bought(at: Ask) -> str:
    count = len(at.things(FrameBuild.bought))
    return f"{count} sighted" if count else "none sighted"


def _materials(_: Ask) -> str:
    return "what to buy for this screen"


PANEL = (
    PanelPart(weight="lead", rows=("frame_size", "expected_diagonal")),
    PanelPart(
        rows=("frame_build", "frame_name", "board", "joint", "centre_bars", "frame_depth", "standoff"),
        widget="take-kit",
    ),
    PanelPart(
        title="Board and stiffness",
        weight="detail",
        rows=("lies", "wood", "board_thick", "board_wide", "rail_sag", "stile_sag", "hollow", "mass"),
        widget="bow",
        when=timber,
        gist=_board,
    ),
    PanelPart(
        title="Pieces and joints",
        weight="detail",
        rows=(
            "rail_length",
            "stile_length",
            "brace_length",
            "piece_count",
            "joint_count",
            "corner_plates",
            "removable",
            "fastener",
            "staple_leg",
        ),
        widget="pieces",
        when=timber,
        gist=_pieces,
    ),
    PanelPart(
        title="Saw and boards",
        weight="detail",
        rows=("kerf", "end_trim", "longest_board"),
        widget="bought",
        when=timber,
        gist=_bought,
    ),
    PanelPart(
        title="Box check",
        weight="detail",
        rows=(
            "kit_mass",
            "tools",
            "joint_torque",
            "cap_torque",
            "outer_by",
            "outer_rail",
            "outer_stile",
            "sag_hooks",
            "label_at",
            "comes_off",
        ),
        widget="box",
        when=lambda at: not at(timber),
        gist=_box,
    ),
    PanelPart(
        title="Fabric blank",
        weight="detail",
        rows=(
            "blank_size",
            "fabric_past",
            "return_back",
            "grip",
            "stretch",
            "along",
            "turn",
            "layers",
            "backing",
            "fabric_mass",
            "roll_length",
            "roll_spare",
            "work_area",
        ),
        widget="roll",
        gist=_blank,
    ),
    PanelPart(
        title="Built frame, is it square",
        weight="detail",
        rows=(
            "square_top",
            "square_bottom",
            "square_left",
            "square_right",
            "square_rising",
            "square_falling",
            "lean",
            "closure",
            "gap_top_left",
            "gap_top_right",
            "gap_bottom_left",
            "gap_bottom_right",
        ),
        gist=_square,
    ),
    PanelPart(title="Materials", weight="detail", rows=("quoted",), widget="materials", gist=_materials),
    PanelPart(widget="cautions"),
)
