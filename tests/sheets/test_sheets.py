"""What leaves the program: a PDF with the figures on it, a DXF that reads back, a CSV that adds up."""

import csv
import io
import re
from dataclasses import replace
from typing import Any
from xml.etree import ElementTree

import ezdxf
import pytest
from pypdf import PdfReader

from gantline.core.units import plain
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.records import RecordKind
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Paper, Ready
from gantline.sheets.svg import full_size_svg
from gantline.stations import plan
from gantline.stations.common.words import runs
from gantline.stations.height import fits, rect_of_frame
from gantline.stations.survey import wall_mm
from gantline.stations.wall import drilling
from tests.conftest import demo_job
from tests.made import JOBS


def ready(name: str, *edits: Edit, paper: Paper = "a4") -> Ready:
    made = plan(apply(demo_job(name), list(edits)))
    return Ready(made=made, stamp="version 3, 2026-11-25", paper=paper)


def words(pdf: bytes) -> tuple[str, PdfReader]:
    reader = PdfReader(io.BytesIO(pdf))
    return re.sub(r"\s+", " ", " ".join(page.extract_text() for page in reader.pages)), reader


@pytest.mark.parametrize(
    ("name", "paper", "width_pt"), [("mill-loft", "a4", 595.3), ("parish-hall", "letter", 612.0)]
)
def test_the_wall_sheet_holds_marks_findings_cautions_and_the_whole_order(
    name: str, paper: Paper, width_pt: float
) -> None:
    made = ready(name, paper=paper)
    text, reader = words(SHEETS["wall-sheet"].make(made))
    assert float(reader.pages[0].mediabox.width) == pytest.approx(width_pt, abs=0.5)
    for said in (
        made.job.name,
        "Marks for the holes",
        "from datum line",
        "Drilling",
        "licensed trades come first",
        "Frame top above floor",
        "Datum line above floor",
        "Drop, hole to frame top",
        made.made.text("bracket_name"),
        "Edges",
    ):
        assert said in text
    on_paper, last = words(SHEETS["tension-sheet"].make(made))
    assert "seen from the back" in on_paper
    for pages in (reader, last):  # no page is nearly empty
        assert all(len(page.extract_text()) > 250 for page in pages.pages)
    for step in made.made.table("steps").rows:
        assert step.place in on_paper
    for finding in made.made.findings:
        assert finding.severity.capitalize() in text
    fonts = {str(font) for page in reader.pages for font in page["/Resources"]["/Font"].values()}  # type: ignore[index]
    assert fonts
    assert all("Archivo" in font for font in fonts)  # our own font, embedded


def test_what_people_sit_in_is_not_drawn_on_the_wall_they_mark() -> None:
    job = demo_job("narrow-lounge")
    sofas = {box.name for box in job.survey.boxes if (box.z_mm or 0.0) > 1500.0 and box.name}
    text, _ = words(SHEETS["wall-sheet"].make(ready("narrow-lounge")))
    assert sofas
    assert not [name for name in sofas if name in text]
    assert "low cabinet" in text


def test_the_sheet_says_what_to_measure_first_and_refuses_marks_where_nothing_fits() -> None:
    text, _ = words(
        SHEETS["wall-sheet"].make(ready("narrow-lounge", Edit(pointer="/wall/drop_mm", value=None)))
    )
    assert "Measure before you drill" in text
    assert "Moves the upper holes 1:1." in text
    assert "How far off each may be" in text
    assert "chance that one trip is enough" in text
    stopped, _ = words(SHEETS["wall-sheet"].make(ready("basement-den")))
    assert "Nothing to drill yet" in stopped
    assert "short between" in stopped


def test_a_hostile_name_stays_text_everywhere() -> None:
    name = '<b>"x" & </style><script>; }\\ \' @page'
    made = ready("mill-loft", Edit(pointer="/name", value=name), Edit(pointer="/place", value="<i>p</i>"))
    text, _ = words(SHEETS["wall-sheet"].make(made))
    assert "</style><script>" in text
    for kind in ("wall-drawing", "tension-drawing"):
        ElementTree.fromstring(SHEETS[kind].make(made))
    assert SHEETS["frame-and-holes"].make(made)


@pytest.mark.parametrize("name", JOBS)
def test_the_dxf_reads_back_with_frame_and_holes_in_millimetres(name: str) -> None:
    made = ready(name)
    document = ezdxf.read(io.StringIO(SHEETS["frame-and-holes"].make(made).decode()))  # type: ignore[attr-defined]
    assert document.units == 4  # millimetres
    space = document.modelspace()
    frame = next(one for one in space if one.dxf.layer == "FRAME")
    corners = [(x, y) for x, y, *_ in frame.get_points()]  # type: ignore[attr-defined]
    left, _, right, _ = made.made.ask(rect_of_frame)
    assert max(x for x, _ in corners) - min(x for x, _ in corners) == pytest.approx(right - left)
    circles = sorted(
        (one.dxf.center.x, one.dxf.center.y)
        for one in space
        if one.dxftype() == "CIRCLE" and one.dxf.layer == "HOLES"
    )
    found = made.made.ask(drilling)
    drilled = sorted((hole.x_mm, hole.y_mm) for hole in found.holes) if found and made.made.ask(fits) else []
    assert circles == [pytest.approx(pair) for pair in drilled]
    assert {"FRAME", "VIEWABLE", "HOLES", "DATUM", "DIMENSIONS"} <= {
        layer.dxf.name for layer in document.layers
    }
    assert not document.audit().has_errors


def test_the_csv_gives_millimetres_and_the_tapes_text() -> None:
    made = ready("mill-loft")
    rows = list(csv.DictReader(io.StringIO(SHEETS["marks"].make(made).decode())))
    assert [row["hole"] for row in rows] == ["upper left", "upper right", "lower left", "lower right"]
    assert float(rows[0]["from_left_wall_end_mm"]) == pytest.approx(54.3125 * 25.4, abs=1e-3)
    assert rows[0]["from_left_wall_end_tape"] == '54 5/16"'
    across = float(rows[1]["from_left_wall_end_mm"]) - float(rows[0]["from_left_wall_end_mm"])
    assert across == pytest.approx(2032.0, abs=1e-3)
    assert len(list(csv.reader(io.StringIO(SHEETS["marks"].make(ready("basement-den")).decode())))) == 1


@pytest.mark.parametrize("name", JOBS)
def test_the_drawing_is_well_formed_to_scale_and_names_no_file(name: str) -> None:
    made = ready(name)
    svg = SHEETS["wall-drawing"].make(made).decode()
    root = ElementTree.fromstring(svg)
    assert "file:" not in svg
    spans = {}
    for path in root.iter("{http://www.w3.org/2000/svg}path"):
        kind = (path.get("class") or "none").split()[-1]
        if kind in ("wall", "frame", "frame-clash"):
            xs = [float(x) for x in re.findall(r"[ML](-?[\d.]+) ", path.get("d", ""))]
            spans["frame" if "frame" in kind else kind] = max(xs) - min(xs)
    left, _, right, _ = made.made.ask(rect_of_frame)
    assert spans["frame"] / spans["wall"] == pytest.approx((right - left) / made.made.ask(wall_mm), rel=2e-3)


def test_text_for_other_programs_is_plain_and_runs_are_short() -> None:
    assert plain("8′\u00a02\u00a01⁄2″") == "8' 2 1/2\""
    assert runs((9, 8, 7, 3, 12, 13)) == "3, 7 to 9, 12, 13"
    assert runs(()) == ""


@pytest.mark.parametrize("name", ["mill-loft", "narrow-lounge"])
def test_the_proposal_is_two_pages_with_seats_sizes_and_fabrics_and_their_reasons(name: str) -> None:
    from dataclasses import replace

    from gantline.demo.world import named_records

    made = replace(ready(name), fabrics=named_records(RecordKind.FABRIC))
    text, reader = words(SHEETS["proposal"].make(made))
    assert len(reader.pages) == 2
    for said in (
        "The screen in the room",
        "From the side",
        "From above",
        "Sizes that were not chosen, and why",
        "(chosen)",
        "The next larger",
    ):
        assert said in text
    for seat in made.made.table("seats").rows:
        assert seat.name in text
    for fabric in named_records(RecordKind.FABRIC):
        assert fabric[1] in text


def test_the_order_check_lists_what_an_order_rests_on_and_stops_it() -> None:
    text, _ = words(
        SHEETS["order-check"].make(ready("mill-loft", Edit(pointer="/survey/wall_width_mm", value=None)))
    )
    assert "Measure before you order" in text
    assert "Wall width" in text
    assert "Do not order yet" not in text
    stopped, _ = words(SHEETS["order-check"].make(ready("basement-den")))
    assert "Do not order yet" in stopped


def test_the_rough_in_gives_ceiling_marks_pole_cable_freedom_and_the_space_to_keep_clear() -> None:
    text, reader = words(SHEETS["rough-in"].make(ready("mill-loft")))
    assert len(reader.pages) == 2
    for said in (
        "Run no cable yet",
        "No lens place yet",
    ):
        assert said not in text
    for said in (
        "Mount plate, center on joist 6",
        "on the ceiling",
        "Pole to cut",
        "Cable, with slack",
        "The mount carries 14 kg",
        "The lens may still move",
        "Keep clear for the body and its air",
        "never block a sprinkler",
        "Local codes",
        "Section at the lens",
        "Joists near the lens",
        "optical cable",
    ):
        assert said in text, said


def test_the_rough_in_of_a_cabinet_top_gives_its_corner_marks_and_what_a_millimetre_does() -> None:
    text, _ = words(SHEETS["rough-in"].make(ready("narrow-lounge")))
    for said in (
        "Body on the cabinet, back left corner",
        "Height for this picture",
        "1 mm of wall bow",
        "Pole to cut",
    ):
        assert (said in text) == (said != "Pole to cut"), said


def test_the_rough_in_stops_where_the_light_is_blocked_or_no_lens_is_placed() -> None:
    dark, _ = words(
        SHEETS["rough-in"].make(ready("parish-hall", Edit(pointer="/survey/boxes/b2/y_mm", value=3300)))
    )
    assert "Run no cable yet" in dark
    assert "The lantern blocks the light" in dark
    none, _ = words(SHEETS["rough-in"].make(ready("mill-loft", Edit(pointer="/throw/lens_y_mm", value=None))))
    assert "No lens place yet" in none
    turned, _ = words(SHEETS["rough-in"].make(ready("mill-loft", Edit(pointer="/throw/pitch_deg", value=-3))))
    assert "The lens may still move" not in turned
    assert "digital correction leaves" in turned


def test_the_workshops_sheets_say_every_cut_every_part_and_what_to_buy() -> None:
    boards = named_records(RecordKind.BOARD)
    made = replace(ready("mill-loft"), boards=boards)
    text, reader = words(SHEETS["cut-sheet"].make(made))
    for said in (
        "A top rail",
        "mitered, to long points",
        "2×4, frame: 4 boards, 47.00",
        "1×2, mask panels",
        "full size",
        "Eye and ear",
    ):
        assert said in text
    assert reader.pages[0].mediabox.width == pytest.approx(595.3, abs=1)
    fabric, _ = words(SHEETS["fabric-sheet"].make(made))
    assert "3.7 m" in fabric
    assert "Before the first cut" in fabric
    shopping, _ = words(SHEETS["shopping-list"].make(made))
    assert "37 pocket" not in shopping
    assert "1 × 50" in shopping
    rows = list(csv.DictReader(io.StringIO(SHEETS["materials"].make(made).decode())))
    assert {one["item"]: one["needed"] for one in rows}['pocket screws, 2 1/2"'] == "16"
    assert sum(float(one["cost"] or 0) for one in rows) == pytest.approx(66.9)
    box, _ = words(
        SHEETS["box-check"].make(ready("narrow-lounge", Edit(pointer="/frame/parts/p9/found", value=60)))
    )
    assert "2 short" in box
    assert "spring hook" in box
    none, _ = words(SHEETS["cut-sheet"].make(ready("narrow-lounge")))
    assert "there is nothing to cut" in none


def test_the_frames_dxf_has_its_pieces_on_layers_and_the_edge_is_full_size() -> None:
    made = ready("mill-loft")
    pieces = ezdxf.read(io.StringIO(SHEETS["frame-pieces"].make(made).decode()))  # type: ignore[attr-defined]
    rails: list[Any] = [
        one
        for one in pieces.modelspace()
        if one.dxf.layer == "RAILS_STILES" and one.dxftype() == "LWPOLYLINE"
    ]
    assert len(rails) == 4
    assert max(x for one in rails for x, *_ in one.get_points()) == pytest.approx(3352.8)
    assert (
        len(
            [
                one
                for one in pieces.modelspace()
                if one.dxf.layer == "BRACES" and one.dxftype() == "LWPOLYLINE"
            ]
        )
        == 2
    )
    edge = ezdxf.read(io.StringIO(SHEETS["frame-edge"].make(made).decode()))  # type: ignore[attr-defined]
    cloth: list[Any] = [one for one in edge.modelspace() if one.dxf.layer == "FABRIC"]
    assert max(
        x for one in cloth if one.dxftype() == "LWPOLYLINE" for x, *_ in one.get_points()
    ) == pytest.approx(19.05 + 38.1 + 1.2)
    text = full_size_svg(made.face("edge"), ("frame",))
    face = made.face("edge")
    drawn = re.search(r'class="board" d="M([\d.]+) ([\d.]+)L([\d.]+)', text)
    assert drawn
    assert float(drawn[3]) - float(drawn[1]) == pytest.approx(
        38.1, abs=0.02
    )  # a rule on the paper reads the board's depth
    assert face.right_mm - face.left_mm < 180.0  # and it fits the paper
