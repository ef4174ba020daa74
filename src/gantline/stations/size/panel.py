"""What the size's panel shows, in order and by weight."""

from gantline.job.field import field_of
from gantline.job.model.size import Content, Size, SizeLead
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.size.solve import picked, screen


def _rounded(at: Ask) -> str:
    pick = at(picked)
    if pick is None:
        return "exact size, not rounded"
    return (
        "exact ratio" if pick.exact else f"{100 * pick.aspect_error:+.2f} % off the ratio".replace("-", "−")
    )


def _asks_for_seats(at: Ask) -> bool:
    """A size from a viewing angle stands on the seats, and without one nothing says whether a size pleases."""
    return at.field(Size.lead) == SizeLead.ANGLE or not at.things(Survey.seats)


def _shapes(at: Ask) -> str:
    return ", ".join(shape.aspect for shape in at.things(Content.shapes)) or "only the screen's own"


def _overall(at: Ask) -> str:
    own_screen = at(screen)
    return f"overall {at.text(own_screen.overall_width_mm)} × {at.text(own_screen.overall_height_mm)}"


PANEL = (
    PanelPart(weight="lead", rows=("width", "height", "diagonal")),
    PanelPart(
        rows=(
            "aspect",
            "lead",
            "lead_value",
            "measured_height",
            "measured_rising",
            "measured_falling",
            "throw_pick",
            "throw_range",
            "angle",
            "real_aspect",
        )
    ),
    PanelPart(title="Seats", widget=field_of(Survey.seats).pointer, when=_asks_for_seats),
    PanelPart(title="Rounded sizes", weight="detail", rows=("tidy_grid",), widget="rounded", gist=_rounded),
    PanelPart(
        title="Border and frame",
        weight="detail",
        rows=(
            "border_side",
            "border_top",
            "border_bottom",
            "overall_width",
            "overall_height",
            "overall_diagonal",
        ),
        gist=_overall,
    ),
    PanelPart(
        title="Other aspect ratios, masks", weight="detail", rows=("mask_lap",), widget="shapes", gist=_shapes
    ),
)
