"""One table of pens for the screen, the paper and the DXF; labels that keep off each other."""

import re

import pytest
from hypothesis import given

from gantline.drawing.labels import _room, text_mm
from gantline.drawing.marks import Dimension, Handle, Label
from gantline.drawing.pens import PENS, dxf_layers, paper_css, screen_code, screen_css
from gantline.job.model import Job
from gantline.stations import face, plan
from gantline.stations.board import FACES, shown
from gantline.stations.registry import STATIONS
from tests.conftest import demo_job
from tests.made import JOBS
from tests.plan.random_jobs import rich_jobs


@given(rich_jobs())
def test_every_role_that_is_drawn_has_a_pen_and_every_layer_a_station(job: Job) -> None:
    lit = [station.lit for station in STATIONS]
    of_texts = {"base", "content", *(layer for one in lit for layer in one.dimensions)}
    of_handles = {layer for one in lit for layer in one.handles}
    of_shapes = {"base", "content", *(layer for one in lit for layer in one.layers)}
    made = plan(job)
    for name in FACES:
        for mark in face(made, name).marks:
            if isinstance(
                mark, Dimension | Label
            ):  # lit is not enough: its text is seen where its layer's texts are
                assert mark.layer in of_texts, mark.key
            elif isinstance(mark, Handle):
                assert mark.layer in of_handles, mark.key
            else:
                assert mark.role in PENS, mark.role
                assert mark.layer in of_shapes, mark.layer


def test_the_three_pens_know_the_same_roles() -> None:
    on_screen = set(re.findall(r"\.board \.([a-z-]+) \{", screen_css()))
    on_paper = set(re.findall(r"\.([a-z-]+)\{fill", paper_css()))
    assert on_screen == on_paper == set(PENS)
    assert {"HOLES", "FRAME", "VIEWABLE", "DATUM", "DIMENSIONS"} <= set(dxf_layers())
    always = re.search(r"new Set\(\[\n(.*?)\]\)", screen_code(), re.DOTALL)
    assert always
    assert set(re.findall(r"'([a-z-]+)'", always.group(1))) == {
        role for role, pen in PENS.items() if pen.always
    }


@pytest.mark.parametrize("name", JOBS)
def test_labels_that_a_station_shows_together_do_not_cover_each_other(name: str) -> None:
    made = plan(demo_job(name))
    met = 0
    for each in FACES:
        drawn = face(made, each)
        em, up = text_mm(drawn), -1.0 if drawn.y_down else 1.0
        for station in STATIONS:
            rooms = [
                _room(mark, em, up * mark.lift)
                for mark in shown(drawn.marks, station)
                if isinstance(mark, Label) and mark.role != "picture" and mark.of is None
            ]
            met += sum(
                a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
                for at, a in enumerate(rooms)
                for b in rooms[at + 1 :]
            )
    assert met == 0
