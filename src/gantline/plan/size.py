"""Size station: one number and an aspect become the picture, a tidy pair, the border, the frame."""

import math
from dataclasses import dataclass
from fractions import Fraction

from gantline.core.size.aspect import ASPECTS, read_aspect
from gantline.core.size.picture import Border, Lead, Picture, Screen, picture_from
from gantline.core.size.tidy import TidySize, tidy_sizes
from gantline.core.units import FRACTIONAL, pair_text
from gantline.plan.book import Book, cure
from gantline.plan.figures import Change, Entry
from gantline.plan.seats_at import Placed
from gantline.plan.start import Start, start

TIDY_SHOWN = 8
MOST_TIDY_ROWS = 4000
PYTHAGORAS = "Pythagoras: H = D / root of (1 + a²), W = a · H"


@dataclass(frozen=True, slots=True, kw_only=True)
class TidyRow:
    """One tidy size on offer, in the job's texts, and the changes that take it."""

    size: str
    diagonal: str
    diagonal_change: str
    aspect_error: str
    edge_error: str
    exact: bool
    chosen: bool
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Sized:
    """The screen that was settled on, and what else was on offer."""

    screen: Screen
    aspect: Fraction
    tidy: tuple[TidyRow, ...]


def size(book: Book, wall_mm: float, seats: tuple[Placed, ...], fabric_mm: float) -> Sized:
    """Settle the picture and the frame; the wall's width only raises a finding."""
    given = book.job.size
    aspect = read_aspect(given.aspect)
    known = given.aspect if given.aspect in ASPECTS else f"{given.aspect} ({float(aspect):.4g})"
    book.entered("aspect", "size", "Aspect", "/size/aspect", given.aspect, known, "text", [(name, name) for name in ASPECTS])
    begun = start(book, aspect, seats, fabric_mm)
    wished = picture_from(begun.lead, begun.value_mm, aspect)
    picture, rows = _tidy(book, wished, aspect)
    _write_picture(book, picture, wished, aspect, begun)
    screen = Screen(picture=picture, border=_border(book))
    _write_overall(book, screen)
    if screen.overall_width_mm > wall_mm:
        _too_wide(book, screen, aspect, wall_mm)
    return Sized(screen=screen, aspect=aspect, tidy=rows)


def _grid(book: Book) -> Fraction:
    fallback = Fraction(127, 20) if book.units.style in FRACTIONAL else book.units.grid * 5
    given = book.job.size.tidy_grid_mm
    grid = fallback if given is None else Fraction(repr(given))
    book.computed("tidy_grid", "size", "Tidy to", float(grid), "the tape step both sides are cut to", "", [],
        "a quarter inch or five steps unless it is set", entry=Entry("/size/tidy_grid_mm", "length", (), True))  # fmt: skip
    return grid


def _tidy(book: Book, wished: Picture, aspect: Fraction) -> tuple[Picture, tuple[TidyRow, ...]]:
    given, grid = book.job.size, _grid(book)
    if book.brief and given.tidy is None:
        return wished, ()
    span, error = book.shop["tidy_span_share"], book.shop["tidy_ratio_error"]
    if 2.0 * span * wished.height_mm / float(grid) > MOST_TIDY_ROWS:
        book.find("tidy-too-fine", "size", "mind", f"Tidy to {book.text(float(grid))} is too fine for this size.")
        return wished, ()
    found = tidy_sizes(wished, aspect, grid, span_share=span, ratio_error=error)
    if not found:
        book.find("no-tidy-size", "size", "note",
            f"No tidy size on the {book.text(float(grid))} grid lies within {100 * span:g} % of this size and "
            f"{100 * error:g} % of the aspect. A finer grid offers more.")  # fmt: skip
    elif not found[0].exact:
        book.find("no-exact-tidy-size", "size", "note",
            f"No pair near this size is exactly {given.aspect} on the {book.text(float(grid))} grid: "
            "each offer says how far off it is.")  # fmt: skip
    picked = given.tidy
    chosen = next((one for one in found if picked and _same(one, picked.width_mm, picked.height_mm)), None)
    if picked and chosen is None:
        book.find(
            "tidy-pick-elsewhere", "size", "mind",
            f"The tidy size picked, {book.text(picked.width_mm)} × {book.text(picked.height_mm)}, does not belong to this "
            "aspect, size and grid. The exact size is used until another is picked.",
            cures=[cure("Drop that pick", size__tidy=None)],
        )  # fmt: skip
    shown = list(found[:TIDY_SHOWN])
    if chosen and chosen not in shown:
        shown[-1] = chosen
    picture = Picture(width_mm=chosen.width_mm, height_mm=chosen.height_mm) if chosen else wished
    return picture, tuple(_row(book, one, one is chosen) for one in shown)


def _same(one: TidySize, width_mm: float, height_mm: float) -> bool:
    return math.isclose(one.width_mm, width_mm, abs_tol=0.01) and math.isclose(one.height_mm, height_mm, abs_tol=0.01)


def _row(book: Book, one: TidySize, chosen: bool) -> TidyRow:
    return TidyRow(
        size=pair_text(one.width_mm, one.height_mm, book.units),
        diagonal=book.text(one.diagonal_mm),
        diagonal_change=_signed(book, one.diagonal_change_mm),
        aspect_error="exact" if one.exact else f"{100 * one.aspect_error:+.2f} %".replace("-", "−"),
        edge_error="" if one.exact else f"{abs(one.edge_error_mm):.1f} mm {'wide' if one.edge_error_mm > 0 else 'narrow'}",
        exact=one.exact,
        chosen=chosen,
        changes=(
            Change(pointer="/size/tidy", value=None)
            if chosen
            else Change(pointer="/size/tidy", value={"width_mm": one.width_mm, "height_mm": one.height_mm}),
        ),
    )


def _signed(book: Book, length_mm: float) -> str:
    text = book.text(length_mm)
    return text if text.startswith("−") else f"+{text}"


def _write_picture(book: Book, picture: Picture, wished: Picture, aspect: Fraction, begun: Start) -> None:
    tidy = picture is not wished
    begin = f"{begun.how}, a = {aspect}"
    formula = {
        "width": "width = aspect × height",
        "height": "height = diagonal / root of (1 + aspect²)",
        "diagonal": "diagonal = root of (width² + height²)",
    }
    values = {"width": picture.width_mm, "height": picture.height_mm, "diagonal": picture.diagonal_mm}
    for key, length_mm in values.items():
        how = "picked from the tidy sizes" if tidy else formula[key]
        put_in = f"exact {book.exact(getattr(wished, key + '_mm'))} from {begin}" if tidy else begin
        book.computed(key, "size", f"Viewable {key}", length_mm, how, put_in, ["aspect", "lead_value"], PYTHAGORAS)
    real = picture.width_mm / picture.height_mm
    book.ratio("real_aspect", "size", "Aspect as cut", real, f"{real:.4f}", "width / height",
        f"{book.exact(picture.width_mm)} / {book.exact(picture.height_mm)}", ["width", "height"], "definition")  # fmt: skip


def _border(book: Book) -> Border:
    given = book.job.size.border
    for key, label, value in (
        ("border_side", "Border, each side", given.side_mm),
        ("border_top", "Border, top", given.top_mm),
        ("border_bottom", "Border, bottom", given.bottom_mm),
    ):
        book.length(key, "size", label, f"/size/border/{key.removeprefix('border_')}_mm", value, "overspill_mm")
    return Border(side_mm=given.side_mm, top_mm=given.top_mm, bottom_mm=given.bottom_mm)


def _write_overall(book: Book, screen: Screen) -> None:
    book.computed("overall_width", "size", "Overall width", screen.overall_width_mm, "viewable width + 2 × side border",
        f"{book.get('width')} + 2 × {book.get('border_side')}", ["width", "border_side"], "definition of overall size")  # fmt: skip
    book.computed("overall_height", "size", "Overall height", screen.overall_height_mm,
        "viewable height + top border + bottom border",
        f"{book.get('height')} + {book.get('border_top')} + {book.get('border_bottom')}",
        ["height", "border_top", "border_bottom"], "definition of overall size")  # fmt: skip
    book.computed("overall_diagonal", "size", "Frame diagonal", screen.overall_diagonal_mm,
        "root of (overall width² + overall height²)",
        f"{book.get('overall_width')}, {book.get('overall_height')}", ["overall_width", "overall_height"],
        "Pythagoras; both diagonals of a square frame read this")  # fmt: skip


def _too_wide(book: Book, screen: Screen, aspect: Fraction, wall_mm: float) -> None:
    over_mm = screen.overall_width_mm - wall_mm
    free_mm = wall_mm - 2.0 * screen.border.side_mm
    cures = []
    if free_mm > 100.0:
        fits_mm = picture_from(Lead.WIDTH, free_mm, aspect).diagonal_mm
        grid = float(book.units.grid)
        fits_mm = math.floor(fits_mm / grid) * grid
        cures = [cure(f"Largest diagonal for this wall: {book.text(fits_mm)}", size__lead="diagonal",
            size__value_mm=fits_mm, size__tidy=None)]  # fmt: skip
    book.find("wider-than-wall", "size", "stop",
        f"The frame is {book.text(screen.overall_width_mm)} wide, {book.text(over_mm)} more than the wall.",
        {"over_mm": over_mm}, cures)  # fmt: skip
