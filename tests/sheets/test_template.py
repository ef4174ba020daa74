"""The full-size template is printed, read back from its pixels, and laid together again."""

import io
from itertools import pairwise
from typing import Any

import numpy as np
import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.wall.template import tiles
from gantline.job.edits import Edit
from gantline.sheets.registry import SHEETS
from gantline.sheets.template_sheet import MARGIN_MM, paper_tiles, spots
from tests.sheets.test_sheets import ready

DPI = 300
MM = 25.4 / DPI


def pixels(content: bytes) -> list[Any]:
    """Every page at 300 dpi, red, green and blue."""
    return [
        page.render(scale=DPI / 72, rev_byteorder=True).to_numpy() for page in pypdfium2.PdfDocument(content)
    ]


def crosses(page: Any) -> list[tuple[float, float]]:
    """Middles of what is red on a page [mm from its upper left corner]."""
    red = (page[..., 0] > 150) & (page[..., 1] < 110) & (page[..., 2] < 110)
    columns = np.flatnonzero(red.any(axis=0))
    out = []
    for group in np.split(columns, np.flatnonzero(np.diff(columns) > 60) + 1) if len(columns) else []:
        ys, xs = np.nonzero(red[:, group[0] : group[-1] + 1])
        x, y = (xs.min() + xs.max() + 1) / 2 + group[0], (ys.min() + ys.max() + 1) / 2
        out.append((x * MM, y * MM))
    return out


@pytest.mark.parametrize(("name", "paper"), [("mill-loft", "a4"), ("narrow-lounge", "letter")])
def test_the_printed_template_puts_every_hole_where_the_plan_has_it(name: str, paper: Any) -> None:
    made = ready(name, paper=paper)
    pages, laid = pixels(SHEETS["template"].make(made)), paper_tiles(made)
    assert len(pages) == len(laid)
    found: dict[tuple[float, float], int] = {}
    for page, tile in zip(pages, laid, strict=True):
        for x, y in crosses(page):
            wall = tile.left_mm + x - MARGIN_MM, tile.top_mm - (y - MARGIN_MM)
            near = min(spots(made), key=lambda one: abs(one.x_mm - wall[0]) + abs(one.y_mm - wall[1]))
            if min(x, page.shape[1] * MM - x) > MARGIN_MM + 9.0:  # whole, not cut by a sheet's edge
                assert wall == pytest.approx((near.x_mm, near.y_mm), abs=0.3)
                found[near.x_mm, near.y_mm] = found.get((near.x_mm, near.y_mm), 0) + 1
        bar = page[round((page.shape[0] * MM - MARGIN_MM - 3.75) / MM), :, 0] < 100
        run = np.flatnonzero(bar[: round(150 / MM)])
        assert (run[-1] - run[0] + 1) * MM == pytest.approx(100.0, abs=0.3)
    assert set(found) == {(one.x_mm, one.y_mm) for one in spots(made)}


def test_a_forbidden_hole_has_no_cross_and_the_open_files_carry_true_millimeters() -> None:
    import ezdxf

    made = ready("mill-loft")
    assert all(not one.forbidden for one in spots(made))
    drawing = ezdxf.read(io.StringIO(SHEETS["template-dxf"].make(made).decode()))  # type: ignore[attr-defined]
    circles = sorted(
        (round(one.dxf.center.x, 3), round(one.dxf.center.y, 3))
        for one in drawing.modelspace().query("CIRCLE")
    )
    assert circles == sorted((round(one.x_mm, 3), round(one.y_mm, 3)) for one in spots(made))
    assert drawing.units == ezdxf.units.MM
    svg = SHEETS["template-drawing"].make(made).decode()
    wide = max(one.x_mm for one in spots(made)) - min(one.x_mm for one in spots(made)) + 120.0
    assert f'width="{wide:.3f}mm"' in svg
    fact = {"id": "f1", "hole": "upper-left", "state": "drilled", "x_mm": 1350.0, "y_mm": 1900.0}
    stopped = ready("mill-loft", Edit(pointer="/wall/facts/-", value=fact))
    assert all(one.forbidden for one in spots(stopped))
    pdf = SHEETS["template"].make(stopped)
    assert all(not crosses(page) for page in pixels(pdf))
    for page in pypdfium2.PdfDocument(pdf):
        assert "DO NOT DRILL" in (text := page.get_textpage().get_text_bounded())
        assert "hang the frame" in text  # and why


@given(st.lists(st.floats(0, 5000), min_size=1, max_size=4), st.floats(120, 400), st.floats(5, 30))
def test_sheets_overlap_and_reach_every_place_with_room_beside(
    places: list[float], wide: float, overlap: float
) -> None:
    laid = tiles([("upper", 1900.0, places)], wide_mm=wide, high_mm=180.0, overlap_mm=overlap)
    assert laid[0].left_mm <= min(places) - 40.0 + 1e-6
    assert laid[-1].right_mm >= max(places) + 40.0 - 1e-6
    assert all(a.right_mm - b.left_mm == pytest.approx(overlap) for a, b in pairwise(laid))
    assert all(a.joins_mm[-1] == pytest.approx(b.joins_mm[0]) for a, b in pairwise(laid))  # line on line
    assert all(one.left_mm < x < one.right_mm for one in laid for x in one.joins_mm)
    fewer = (len(laid) - 1) * (wide - overlap) + overlap
    assert len(laid) == 1 or fewer < max(places) - min(places) + 80.0
