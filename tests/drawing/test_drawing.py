"""The drawing: marks true to the plan, the back mirrored, the tape's mark on a tick."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.typed_length import read_length
from gantline.core.units import LengthStyle, Units, plain
from gantline.drawing.marks import Dimension, Dot, Handle
from gantline.drawing.tape import window
from gantline.stations import face, plan
from gantline.stations.height import rect_of_frame
from tests.conftest import demo_job
from tests.made import JOBS


@pytest.mark.parametrize("name", JOBS)
def test_every_dimension_says_the_length_it_spans(name: str) -> None:
    job = demo_job(name)
    made = plan(job)
    for one in (face(made, "front"), face(made, "back")):
        for mark in one.marks:
            if isinstance(mark, Dimension):
                # a span between two marks is the difference of their printed readings
                units, between = job.units.to_core(), mark.key == "across" or mark.key.startswith("bracket-")
                said, span = read_length(plain(mark.text), units).length_mm, mark.b_mm - mark.a_mm
                most = 2.5 if between else 0.5
                assert abs(said - span) <= most * units.step_mm * (1 + 1e-6), mark.key
        assert len({mark.key for mark in one.marks}) == len(one.marks)


def test_the_back_shows_the_walls_holes_mirrored() -> None:
    made = plan(demo_job("mill-loft"))
    front = {m.key: m.at for m in face(made, "front").marks if isinstance(m, Dot) and m.role == "hole"}
    back = {m.key: m.at for m in face(made, "back").marks if isinstance(m, Dot) and m.role == "bracket"}
    _, bottom, right, _ = made.ask(rect_of_frame)
    assert len(front) == 4
    for key, (x, y) in front.items():
        assert back[key.replace("hole", "bracket")] == pytest.approx((right - x, y - bottom))


def test_the_frame_can_be_dragged_within_its_interval_and_each_stop_has_a_name() -> None:
    made = plan(demo_job("mill-loft"))
    handle = next(m for m in face(made, "front").marks if isinstance(m, Handle) and m.key == "frame-handle")
    assert handle.y_stops is not None
    low, high = handle.y_stops
    assert (low.name, high.name) == ("lowest allowed edge", "ceiling gap")
    assert low.at_mm <= handle.origin[1] == made.ask(rect_of_frame)[3] <= high.at_mm
    assert not any(
        isinstance(m, Handle) and m.key == "frame-handle"
        for m in face(plan(demo_job("basement-den")), "front").marks
    )


@given(
    st.floats(0, 12_000),
    st.sampled_from([Units(style, fraction) for style in LengthStyle for fraction in (8, 16, 32)]),
)
def test_the_mark_sits_on_a_tick_of_the_tape_and_the_numerals_on_whole_units(
    length_mm: float, units: Units
) -> None:
    piece = window("x", "x", "left wall end", length_mm, units)
    assert piece.start_mm <= piece.read_mm <= piece.end_mm
    unit = 10.0 if units.unit_mm in (1.0, 10.0) else 25.4
    if units.style is not LengthStyle.INCHES:  # a decimal inch tape is read between its tenths
        assert (
            min(abs(piece.first_mm + at * piece.step_mm - piece.read_mm) for at in range(len(piece.ticks)))
            < 1e-6
        )
    assert all(abs(one.at_mm / unit - round(one.at_mm / unit)) < 1e-9 for one in piece.numerals)
    assert piece.numerals
