"""What the tension's panel shows, in order and by weight."""

from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart


def _order(at: Ask) -> str:
    side = at.given(Tensioning.first_side)
    step = "opposite sides in step" if at.field(Tensioning.in_step) else "a side, then its opposite"
    return f"{side} first, {step}" if side else step


PANEL = (
    PanelPart(weight="lead", rows=("points", "steps")),
    PanelPart(
        rows=(
            "fabric",
            "hold",
            "school",
            "hold_spacing",
            "hook_first",
            "spring_limit",
            "inset",
            "short_first",
            "people",
            "trim",
        )
    ),
    PanelPart(
        title="Points and gaps", weight="detail", rows=("rail_gap", "stile_gap", "rail_count", "stile_count")
    ),
    PanelPart(
        title="Order of the crew or the kit",
        weight="detail",
        rows=(
            "first_side",
            "second_side",
            "own_order",
            "first_pass",
            "in_step",
            "batch",
            "corner_pass",
            "cluster",
            "from_end",
            "bars",
            "rods_last",
            "laid",
            "rail_part",
            "stile_part",
            "number_from",
            "clockwise",
            "numbers",
        ),
        gist=_order,
    ),
    PanelPart(
        title="Cloth and pull",
        weight="detail",
        rows=("cloth", "stiff_along", "stiff_across", "line", "spring_rate", "out_high", "out_wide"),
    ),
    PanelPart(rows=("sim_even", "sim_pull", "sim_drift")),
    PanelPart(widget="bench"),
    PanelPart(widget="hooks"),
    PanelPart(widget="cautions"),
)
