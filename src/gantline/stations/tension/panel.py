"""What the tension's panel shows, in order and by weight."""

from gantline.plan.station import PanelPart

PANEL = (
    PanelPart(weight="lead", rows=("points", "steps")),
    PanelPart(
        rows=(
            "fabric",
            "hold",
            "school",
            "hold_spacing",
            "inset",
            "short_first",
            "people",
            "trim",
        )
    ),
    PanelPart(
        title="Points and gaps", weight="detail", rows=("rail_gap", "stile_gap", "rail_count", "stile_count")
    ),
    PanelPart(widget="hooks"),
    PanelPart(widget="cautions"),
)
