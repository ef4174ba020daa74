"""What several stations ask before any of them: fabric plane, lens, and how they say moves."""

from gantline.stations.common.board import (
    board_mm,
    board_section,
    carrier_mm,
    frame_depth_mm,
    ledger_mm,
    standoff_mm,
    timber,
)
from gantline.stations.common.fabric import fabric_plane_mm
from gantline.stations.common.hanging import (
    drop_entered,
    drop_mm,
    lift_on_mm,
    on_cleat,
    part_drop_given,
    part_drop_mm,
    way,
)
from gantline.stations.common.lens import (
    CABINET,
    distance_offset_mm,
    has_shift,
    hung,
    is_turned,
    mount_kind,
    overspill_mm,
    panel_aspect,
    place_slack_mm,
    ratios,
)
from gantline.stations.common.words import from_afar, percent, shift_text, told_apart, way_words, worded

__all__ = [
    "CABINET",
    "board_mm",
    "board_section",
    "carrier_mm",
    "distance_offset_mm",
    "drop_entered",
    "drop_mm",
    "fabric_plane_mm",
    "frame_depth_mm",
    "from_afar",
    "has_shift",
    "hung",
    "is_turned",
    "ledger_mm",
    "lift_on_mm",
    "mount_kind",
    "on_cleat",
    "overspill_mm",
    "panel_aspect",
    "part_drop_given",
    "part_drop_mm",
    "percent",
    "place_slack_mm",
    "ratios",
    "shift_text",
    "standoff_mm",
    "timber",
    "told_apart",
    "way",
    "way_words",
    "worded",
]
