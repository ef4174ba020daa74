"""What the throw's panel shows, in order and by weight."""

from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.common import mount_kind
from gantline.stations.throw.places import zone
from gantline.stations.throw.signal import signal


def _on_cabinet(at: Ask) -> bool:
    return at(mount_kind) == "cabinet"


def _zone(at: Ask) -> str:
    return "anywhere in the room" if at(zone) is None else "limited"


def _signal(at: Ask) -> str:
    chain = at(signal)
    weak = next((row.name for row in chain.rows if row.trouble), "")
    if weak:
        return f"bottleneck: {weak}"
    return chain.arrives or ("not all known yet" if chain.rows else "no links yet")


PANEL = (
    PanelPart(
        weight="lead",
        rows=("lens_from_wall", "lens_y", "lens_x", "pole", "cabinet_gap", "cabinet_height", "shaded"),
    ),
    PanelPart(rows=("projector", "hung", "mount"), widget="take-projector"),
    PanelPart(
        title="Window and shift",
        rows=("window_near", "window_far", "shift_vertical", "shift_horizontal", "turned_share"),
    ),
    PanelPart(
        title="On the cabinet",
        weight="detail",
        rows=(
            "stand_right_high",
            "stand_front_high",
            "feet_out",
            "foot_left",
            "foot_back",
            "cabinet_depth",
            "per_mm_width",
            "per_mm_top",
            "per_mm_bottom",
            "foot_turn",
            "foot_range",
        ),
        when=_on_cabinet,
    ),
    PanelPart(
        title="Mount and cable",
        weight="detail",
        rows=(
            "plate_x",
            "plate_off_centre",
            "plate_z",
            "plate_right",
            "plate_roomward",
            "plate_to_axis",
            "cable",
            "cable_x",
            "cable_y",
            "cable_z",
        ),
    ),
    PanelPart(title="Signal, from source to projector", weight="detail", widget="signal", gist=_signal),
    PanelPart(
        title="Where the lens may be",
        weight="detail",
        rows=("zone_x_low", "zone_x_high", "zone_y_low", "zone_y_high", "zone_z_low", "zone_z_high"),
        gist=_zone,
    ),
    PanelPart(title="Turned or tilted", weight="detail", rows=("yaw_deg", "pitch_deg", "roll_deg")),
    PanelPart(
        title="Lens and panel",
        weight="detail",
        rows=(
            "ratio_low",
            "ratio_high",
            "throw_distance",
            "panel_width",
            "panel_aspect",
            "has_shift",
            "shift_up",
            "shift_down",
            "shift_side",
            "reach",
            "reach_left",
            "offset",
            "distance_offset",
            "overspill",
        ),
    ),
    PanelPart(
        title="Body and clearance",
        weight="detail",
        rows=(
            "body_width",
            "body_height",
            "body_depth",
            "body_lens_from_left",
            "body_lens_above_base",
            "body_lens_to_wall_face",
            "body_vent_side",
            "body_vent_rear",
            "body_vent_top",
            "body_mass",
            "foot_spacing",
        ),
    ),
    PanelPart(widget="cautions"),
)
