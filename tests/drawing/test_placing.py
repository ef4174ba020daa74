"""No text of a drawing covers another: judged by the letters as the font draws them, not by what placed them."""

import io
from itertools import combinations
from xml.etree import ElementTree

import ezdxf
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import ImageFont

from gantline.drawing.layers import WALL_SHEET
from gantline.drawing.placing import Box, Wanted, place
from gantline.plan.plan import JobPlan
from gantline.sheets.lettering import FONTS
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.sheets.svg import face_svg
from gantline.stations import face, plan
from gantline.stations.board import FACES
from gantline.stations.registry import STATIONS
from tests.conftest import demo_job
from tests.made import JOBS, changed
from tests.plan.random_jobs import rich_jobs

FONT = ImageFont.truetype(io.BytesIO((FONTS / "archivo-latin-600-normal.woff2").read_bytes()), 100)
Rect = tuple[float, float, float, float, str]


def drawn(svg: str) -> list[Rect]:
    """Left, top, right, bottom of every text in an SVG [mm], upright ones only, by its letters."""
    root = ElementTree.fromstring(svg)
    ns = "{http://www.w3.org/2000/svg}"
    turned = {id(inner) for outer in root.iter(f"{ns}g") if outer.get("transform") for inner in outer.iter()}
    found = []
    for group in root.iter(f"{ns}g"):
        if "lettering" not in group.get("class", "") or id(group) in turned:
            continue
        boxes = []
        for text in group.iter(f"{ns}text"):
            size, x, y = (float(text.get(name, "0")) for name in ("font-size", "x", "y"))
            left, top, right, bottom = (
                value * size / 100.0 for value in FONT.getbbox(text.text or "", anchor="ls")
            )
            half = (right - left) / 2.0 if text.get("text-anchor") == "middle" else 0.0
            boxes.append((x + left - half, y + top, x + right - half, y + bottom))
        lefts, tops, rights, bottoms = zip(*boxes, strict=True)
        whole = "".join(text.text or "" for text in group.iter(f"{ns}text"))
        found.append((min(lefts), min(tops), max(rights), max(bottoms), whole))
    return found


def covering(rects: list[Rect]) -> list[tuple[str, str]]:
    """Pairs of texts of which one stands on the other."""
    return [
        (a[4], b[4])
        for a, b in combinations(rects, 2)
        if a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
    ]


def all_drawings(made: JobPlan) -> list[str]:
    """Every face as each station lights it up, on paper."""
    layers = {tuple(sorted({*station.lit.layers, *station.lit.dimensions})) for station in STATIONS}
    return [
        face_svg(face(made, name), lit, 182.0, 118.0, standalone=False)
        for name in FACES
        for lit in (*layers, WALL_SHEET)
    ]


@pytest.mark.parametrize("name", JOBS)
def test_no_text_of_a_sample_job_covers_another_on_paper(name: str) -> None:
    read = {"id": "h1", "level_mm": 4.0, "gap_left_mm": 500, "gap_right_mm": 510, "plumb_left_mm": 2.0}
    for made in (plan(demo_job(name)), plan(changed(name, hang__readings=[read]))):
        for svg in all_drawings(made):
            assert covering(drawn(svg)) == []


@given(rich_jobs())
def test_nor_of_any_random_job(job: object) -> None:
    for svg in all_drawings(plan(job)):  # type: ignore[arg-type]
        assert covering(drawn(svg)) == []


@given(
    st.lists(
        st.tuples(st.floats(0, 120), st.floats(0, 60), st.text("abc m", min_size=1, max_size=20)),
        max_size=40,
    )
)
def test_every_text_is_there_itself_or_by_its_number(crowd: list[tuple[float, float, str]]) -> None:
    wanted = [Wanted(text, Box(x, y, 2.0 * len(text), 4.0), (x, y)) for x, y, text in crowd]
    spots = place(wanted, (), (), (0.0, 0.0, 120.0, 60.0), 4.0)
    assert [spot.wanted for spot in spots] == wanted
    texts = [spot.box for spot in spots if spot.number is None]
    assert not any(a.meets(b) for a, b in combinations(texts, 2))
    numbers = [spot.number for spot in spots if spot.number is not None]
    assert sorted(numbers) == list(range(1, len(numbers) + 1))


@pytest.mark.parametrize("name", JOBS)
def test_no_text_of_a_dxf_covers_another(name: str) -> None:
    made = Ready(made=plan(demo_job(name)), stamp="")
    drawing = ezdxf.read(io.StringIO(SHEETS["frame-and-holes"].make(made).decode()))  # type: ignore[attr-defined]
    rects = []
    for text in drawing.modelspace().query("TEXT"):
        x, y, _ = text.dxf.align_point if text.dxf.halign else text.dxf.insert
        left, _, right, _ = FONT.getbbox(text.dxf.text)
        wide, high = (
            (right - left) * text.dxf.height / 70.0,
            text.dxf.height,
        )  # letters are 0.7 of the type size
        rects.append((x - wide / 2.0, y - high / 2.0, x + wide / 2.0, y + high / 2.0, text.dxf.text))
    assert rects
    assert covering(rects) == []
