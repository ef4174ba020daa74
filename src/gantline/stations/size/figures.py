"""Viewable area, frame, and the fields of the size that depend on how it starts."""

from typing import Any

from gantline.core.errors import OutOfRange
from gantline.core.size.picture import Lead, picture_from
from gantline.core.units import pair_text
from gantline.job.model.size import Content, Size, SizeLead
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, root, square, term
from gantline.stations.common import ratios
from gantline.stations.size.solve import aspect, grid, screen, sized, start
from gantline.stations.size.starts import thrown_width

FIGURES = Figures()
PYTHAGORAS = "Pythagoras: H = D / root of (1 + a²), W = a · H"
LABELS = {
    SizeLead.DIAGONAL: "Diagonal",
    SizeLead.WIDTH: "Width",
    SizeLead.HEIGHT: "Height",
    SizeLead.WALL: "Free wall, width",
    SizeLead.MEASURED: "Width measured on the wall",
}


@FIGURES.length("lead_value", "Diagonal", "entered", Size.value_mm)
def lead_value(at: Ask) -> Display | None:
    """What the size starts from; nothing for an angle or a throw."""
    lead = SizeLead(at.field(Size.lead))
    return Display(at.field(Size.value_mm), label=LABELS[lead]) if lead in LABELS else None


@FIGURES.other("angle", "Viewing angle, main seat", "", "entered", Size.angle_deg)
def angle(at: Ask) -> Display | None:
    """Only where the size starts from it."""
    return Display(at.field(Size.angle_deg)) if at.field(Size.lead) == SizeLead.ANGLE else None


def _measured(key: str, label: str, field: Any) -> None:
    @FIGURES.length(key, label, "entered", field)
    def shown(at: Ask) -> Display | None:
        """Only for a picture that was measured on the wall."""
        return Display(at.given(field)) if at.field(Size.lead) == SizeLead.MEASURED else None


_measured("measured_height", "Height measured on the wall", Size.measured_height_mm)
_measured("measured_rising", "Diagonal, lower left to upper right", Size.measured_rising_mm)
_measured("measured_falling", "Diagonal, upper left to lower right", Size.measured_falling_mm)


@FIGURES.other("throw_pick", "Within the zoom", "", "usual", Size.throw_pick)
def throw_pick(at: Ask) -> Display | None:
    """Only where the size starts from a fixed throw, and the lens zooms."""
    both = at(ratios)
    if at.field(Size.lead) != SizeLead.THROW or both is None or both[0] >= both[1]:
        return None
    return Display(at.field(Size.throw_pick))


@FIGURES.other(
    "throw_range", "Diagonals this throw fills", "", "definition of throw ratio, at both ends of the zoom"
)
def throw_range(at: Ask) -> Display | None:
    """From the smallest to the largest."""
    if at.field(Size.lead) != SizeLead.THROW:
        return None
    try:
        widths = [thrown_width(at, at(aspect), pick) for pick in ("smallest", "largest")]
    except OutOfRange:
        return None
    sizes = [
        picture_from(Lead.WIDTH, one.value, at(aspect))
        for one in widths
        if not isinstance(one, str) and one.value > 0.0
    ]
    if len(sizes) < len(widths):
        return None
    low, high = (at.text(size.diagonal_mm) for size in sizes)
    text = low if low == high else f"{low} to {high}"
    return Display(text, text=text, how="from this place, at the long and at the wide end of the zoom")


@FIGURES.length("tidy_grid", "Round to", "a quarter inch or five steps unless it is set", Size.tidy_grid_mm)
def rounding_step(at: Ask) -> Display:
    """The tape step both sides are cut to."""
    return Display(float(at(grid)), how="the tape step both sides are cut to")


@FIGURES.length("mask_lap", "Lap of mask panels", "usual", Content.lap_mm)
def mask_lap(at: Ask) -> Display | None:
    """Only where other aspect ratios are shown."""
    return Display(at.field(Content.lap_mm)) if at.things(Content.shapes) else None


@FIGURES.other("size", "Viewable size", "", "width by height of the viewable area")
def pair(at: Ask) -> Display:
    """Both sides as they are read on the tape."""
    picture = at(screen).picture
    text = pair_text(picture.width_mm, picture.height_mm, at.units)
    return Display(text, text=text, how="viewable width × viewable height")


@FIGURES.length("width", "Viewable width", PYTHAGORAS)
def width(at: Ask) -> Display:
    """Width of the viewable area."""
    return _side(at, "width")


@FIGURES.length("height", "Viewable height", PYTHAGORAS)
def height(at: Ask) -> Display:
    """Height of the viewable area."""
    return _side(at, "height")


@FIGURES.length("diagonal", "Viewable diagonal", PYTHAGORAS)
def diagonal(at: Ask) -> Display:
    """Corner to corner of the viewable area."""
    size_choice = at(sized)
    w, h = size_choice.screen.picture.width_mm, size_choice.screen.picture.height_mm
    return Display(
        size_choice.screen.picture.diagonal_mm, root(square(term("width", w)) + square(term("height", h)))
    )


@FIGURES.other("real_aspect", "Aspect ratio as cut", "", "definition")
def real_aspect(at: Ask) -> Display:
    """What the rounded sides come to."""
    picture = at(screen).picture
    made = term("width", picture.width_mm) / term("height", picture.height_mm)
    return Display(picture.width_mm / picture.height_mm, made, text=f"{made.value:.4f}")


@FIGURES.length("overall_width", "Overall width", "definition of overall size")
def overall_width(at: Ask) -> Display:
    """Width of the frame."""
    own_screen = at(screen)
    total = term("width", own_screen.picture.width_mm) + 2.0 * term("side border", own_screen.border.side_mm)
    return Display(own_screen.overall_width_mm, total)


@FIGURES.length("overall_height", "Overall height", "definition of overall size")
def overall_height(at: Ask) -> Display:
    """Height of the frame."""
    own_screen = at(screen)
    faces = term("top border", own_screen.border.top_mm) + term("bottom border", own_screen.border.bottom_mm)
    return Display(own_screen.overall_height_mm, term("height", own_screen.picture.height_mm) + faces)


@FIGURES.length(
    "overall_diagonal", "Frame diagonal", "Pythagoras; both diagonals of a square frame read this"
)
def overall_diagonal(at: Ask) -> Display:
    """Corner to corner of the frame."""
    own_screen = at(screen)
    w, h = (
        term("overall width", own_screen.overall_width_mm),
        term("overall height", own_screen.overall_height_mm),
    )
    return Display(own_screen.overall_diagonal_mm, root(square(w) + square(h)))


def _side(at: Ask, key: str) -> Display:
    size_choice, begun = at(sized), at(start)
    value: float = getattr(size_choice.screen.picture, f"{key}_mm")
    if size_choice.picked:
        exact: float = getattr(size_choice.wished, f"{key}_mm")
        return Display(value, term("rounded size chosen", value), how=f"exact {at.exact(exact)}")
    return Display(value, _from_lead(begun.lead, begun.made, float(at(aspect)), key), how=f"a = {at(aspect)}")


def _from_lead(lead: Lead, expr: Expr, ratio: float, key: str) -> Expr:
    """Width or height from whatever leads."""
    a = term("a", ratio, "")
    high = expr / root(1.0 + square(a)) if lead is Lead.DIAGONAL else expr / a if lead is Lead.WIDTH else expr
    return high if key == "height" else high * a


def gist(at: Ask) -> str:
    """Both sides."""
    picture = at(screen).picture
    return pair_text(picture.width_mm, picture.height_mm, at.units)
