"""What the wrinkle bench makes of marks: on sheets of its own size, with faults that are laid on another mesh."""

import math
from collections.abc import Sequence
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.membrane.causes import Library, alike, library
from gantline.core.membrane.cures import bad, cured
from gantline.core.membrane.equilibrium import Solver
from gantline.core.membrane.faults import (
    Fault,
    Kind,
    corner_of,
    even,
    opposite_of,
    pulled_again,
    spacing_of,
    with_faults,
)
from gantline.core.membrane.holding import Laid, Stretching, laid
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.looked_at import sights, within
from gantline.core.membrane.marks import Field, Line, Patch, bad_of, deep_of, lines_of, patches_of, slant
from gantline.core.membrane.model import FrameGives
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import Layout, Side, spread

WIDE, HIGH = 2000.0, 1125.0


def sheet(hold: Hold, spacing: float, *, finer: float = 1.0, stiffer: float = 1.0) -> Laid:
    points = spread(Layout(width_mm=WIDE, height_mm=HIGH, spacing_mm=spacing, inset_mm=50.0))
    frame = FrameGives(rail_bending=1e10, stile_bending=1e10, rail_supports_mm=(WIDE / 2.0,), racking=10.0)
    what = Stretching(
        width_mm=WIDE,
        height_mm=HIGH,
        cloth=Cloth(along=30.0 * stiffer, across=20.0 * stiffer),
        hold=hold,
        line=0.1,
        frame=frame,
    )
    return laid(points, what, edge_mm=80.0 / finer, inside_mm=120.0 / finer)


@pytest.fixture(scope="module")
def snapped() -> tuple[Laid, Library]:
    own = sheet(Hold.SNAP, 150.0)
    return own, library(own, (4.0, 8.0))


def seen_of(hold: Hold, spacing: float, faults: Sequence[Fault]) -> list[Line]:
    """What would be drawn of these faults on a finer sheet of stiffer cloth."""
    true = sheet(hold, spacing, finer=1.7, stiffer=1.12)
    whole = even(true)
    solver = Solver(whole)
    faulty = with_faults(true, whole, faults)
    return lines_of(faulty, solver.solve(faulty, solver.solve(whole).moved))


def place(own: Laid, side: Side, share: float) -> int:
    along = sorted((p.reading_mm, k) for k, p in enumerate(own.points) if p.side is side)
    return along[round(share * (len(along) - 1))][1]


@pytest.mark.parametrize(("side", "share"), [(Side.TOP, 0.5), (Side.LEFT, 0.3), (Side.BOTTOM, 0.8)])
@pytest.mark.parametrize("kind", [Kind.TIGHT, Kind.SLACK])
def test_one_point_is_named_within_its_spacing(
    snapped: tuple[Laid, Library], side: Side, share: float, kind: Kind
) -> None:
    own, known = snapped
    fault = Fault(kind=kind, amount_mm=9.0, point=place(own, side, share))
    causes = known.causes(seen_of(Hold.SNAP, 150.0, [fault]), most=3)
    assert any(alike(own, cause.fault, fault, 1.01) for cause in causes)
    assert sum(cause.weight for cause in causes) == pytest.approx(1.0)


def test_two_points_are_told_apart(snapped: tuple[Laid, Library]) -> None:
    own, known = snapped
    both = [
        Fault(kind=Kind.SLACK, amount_mm=7.0, point=place(own, Side.TOP, 0.3)),
        Fault(kind=Kind.SLACK, amount_mm=7.0, point=place(own, Side.RIGHT, 0.6)),
    ]
    causes = known.together(seen_of(Hold.SNAP, 150.0, both))
    for fault in both:
        assert any(alike(own, cause.fault, fault, 1.01) for cause in causes)


@pytest.mark.parametrize("amount", [20.0, -20.0])
def test_an_edge_that_is_askew_is_named_with_its_rival_and_its_way(
    snapped: tuple[Laid, Library], amount: float
) -> None:
    _, known = snapped
    lines = seen_of(Hold.SNAP, 150.0, [Fault(kind=Kind.ASKEW, amount_mm=amount, side=Side.TOP)])
    causes = known.causes(lines, most=3)
    kinds = [cause.fault.kind for cause in causes]
    assert Kind.ASKEW in kinds and Kind.RACKED in kinds
    named = causes[kinds.index(Kind.ASKEW)].fault
    assert named.amount_mm * amount > 0.0


@pytest.mark.parametrize("rises", [True, False])
def test_lines_all_over_that_lean_one_way_speak_for_a_racked_frame(
    snapped: tuple[Laid, Library], rises: bool
) -> None:
    _, known = snapped
    up = 150.0 if rises else -150.0
    lines = [
        Line(from_mm=(x, 500.0), to_mm=(x + 160.0, 500.0 + up), bad=2.0)
        for x in (200.0, 600.0, 1000.0, 1400.0)
    ]
    assert slant(lines) == pytest.approx(1.0 if rises else -1.0, abs=0.05)
    first = known.causes(lines)[0].fault
    assert first.kind is Kind.RACKED and (first.amount_mm > 0.0) is rises


def test_nothing_is_named_for_what_every_sheet_shows(snapped: tuple[Laid, Library]) -> None:
    _, known = snapped
    faint = [Line(from_mm=(700.0, 1100.0), to_mm=(720.0, 1100.0), bad=1.0)]
    assert known.causes(faint) == [] and known.together(faint) == []
    # and nothing for lines that no hook makes: a level crease through the middle
    crease = [Line(from_mm=(300.0, 560.0), to_mm=(1700.0, 560.0), bad=3.0)]
    assert all(cause.likeness < 0.75 for cause in known.causes(crease))


def test_a_cure_of_two_points_is_done_at_both_and_halves_what_is_bad(snapped: tuple[Laid, Library]) -> None:
    own, known = snapped
    faults = [
        Fault(kind=Kind.SLACK, amount_mm=6.0, point=place(own, Side.TOP, 0.5)),
        Fault(kind=Kind.TIGHT, amount_mm=8.0, point=place(own, Side.LEFT, 0.5)),
    ]
    forecast = cured(own, faults, Solver(even(own)), known.doubt([]))
    opened = {move.point for move in forecast.cure.moves}
    assert {fault.point for fault in faults} <= opened and len(opened) <= 8
    assert bad(forecast.cure.after) <= bad(forecast.cure.before) / 2.0
    by_point = {move.point: move.tighter_mm for move in forecast.cure.moves}
    assert by_point[faults[0].point] > 0.0 > by_point[faults[1].point]


def test_a_frame_is_pushed_square_and_an_edge_goes_on_again_by_its_middle() -> None:
    own = sheet(Hold.SNAP, 150.0)
    solver = Solver(even(own))
    for fault in (
        Fault(kind=Kind.RACKED, amount_mm=30.0),
        Fault(kind=Kind.ASKEW, amount_mm=20.0, side=Side.RIGHT),
    ):
        cure = cured(own, [fault], solver).cure
        assert cure.square is (fault.kind is Kind.RACKED)
        assert cure.hooked_again == ("right" if fault.side else None)
        assert bad(cure.after) < 0.2 * bad(cure.before) + 1e-6


def test_lugs_are_turned_by_whole_turns_and_the_opposite_by_half_or_none() -> None:
    own = sheet(Hold.LUG, 200.0)
    point = place(own, Side.BOTTOM, 0.4)
    cure = cured(own, [Fault(kind=Kind.SLACK, amount_mm=5.0, point=point)], Solver(even(own))).cure
    first, second = cure.moves
    assert first.point == point and first.tighter_mm > 0.0 and first.tighter_mm % 2.0 == pytest.approx(0.0)
    assert second.point == opposite_of(own, point)
    assert 0.0 <= second.tighter_mm <= first.tighter_mm / 2.0 + 1e-9
    assert not first.again


def test_points_that_are_opened_and_pulled_again_pull_their_share() -> None:
    own = sheet(Hold.LACE, 175.0)
    whole = even(own)
    solver = Solver(whole)
    point = place(own, Side.TOP, 0.5)
    faulty = with_faults(own, whole, [Fault(kind=Kind.SLACK, amount_mm=9.0, point=point)])
    rest = solver.solve(faulty)
    assert rest.forces[point] < 0.2 * own.wanted[point]
    again, rest = pulled_again(own, solver, faulty, [point], rest.moved)
    settled = solver.solve(again, rest.moved)
    assert settled.forces[point] == pytest.approx(own.wanted[point], rel=1e-3)
    assert settled.steps <= 1  # held where it came to rest: nothing moves when the hand lets go


@given(st.floats(1.0, 3.0))
def test_how_bad_a_line_is_goes_both_ways(bad_: float) -> None:
    assert bad_of(deep_of(bad_)) == pytest.approx(bad_)


lines = st.lists(
    st.builds(
        lambda x, y, turn, long, how: Line(
            from_mm=(x, y), to_mm=(x + long * math.cos(turn), y + long * math.sin(turn)), bad=how
        ),
        st.floats(200.0, 1800.0),
        st.floats(200.0, 900.0),
        st.floats(0.0, math.pi),
        st.floats(40.0, 190.0),
        st.floats(1.0, 3.0),
    ),
    min_size=1,
    max_size=6,
)


@given(lines)
def test_a_field_of_mirrored_marks_is_the_mirrored_field(drawn: list[Line]) -> None:
    grid = Field(WIDE, HIGH)
    field = grid.of_marks(drawn)
    for across_x, across_y in ((True, False), (False, True), (True, True)):

        def turned(at: tuple[float, float], x: bool = across_x, y: bool = across_y) -> tuple[float, float]:
            return (WIDE - at[0] if x else at[0], HIGH - at[1] if y else at[1])

        image = [replace(line, from_mm=turned(line.from_mm), to_mm=turned(line.to_mm)) for line in drawn]
        mirrored = grid.mirrored(field, across_x=across_x, across_y=across_y)
        assert np.allclose(grid.of_marks(image), mirrored, atol=1e-6 * np.abs(field).max())


def test_a_patch_weighs_where_it_lies_and_has_no_direction() -> None:
    grid = Field(WIDE, HIGH)
    field = grid.of_marks([], [Patch(at_mm=(500.0, 300.0), radius_mm=120.0)])
    assert np.hypot(*(grid.at[np.argmax(field[:, 0])] - [500.0, 300.0])) < 60.0
    assert not field[:, 1:].any()


def test_a_sheet_held_on_one_side_alone_hangs_and_is_seen_as_patches() -> None:
    own = sheet(Hold.SPRING, 150.0)
    on = np.array([point.side is Side.TOP for point in own.points])
    loose = own.sheet.with_holds(on=on)
    rest = Solver(loose).solve(loose)
    view = sights(loose, rest)
    assert view.slack + view.wrinkled > 0.5 and view.evenness == 0.0
    assert patches_of(loose, rest) or lines_of(loose, rest)


def test_where_a_sheet_is_looked_at_and_what_belongs_together() -> None:
    own = sheet(Hold.SNAP, 150.0)
    inside = within(own.sheet, 200.0)
    x, y = own.sheet.mesh.centers.T
    assert (inside == ((x > 200.0) & (x < WIDE - 200.0) & (y > 200.0) & (y < HIGH - 200.0))).all()
    assert within(own.sheet, 5000.0).all()  # a border that hides everything hides nothing
    corner = corner_of(own, place(own, Side.TOP, 0.0))
    assert {own.points[k].side for k in corner} == {Side.TOP, Side.LEFT}
    across = opposite_of(own, place(own, Side.LEFT, 0.25))
    assert own.points[across].side is Side.RIGHT
    assert own.points[across].v_mm == pytest.approx(own.points[place(own, Side.LEFT, 0.25)].v_mm)
    assert spacing_of(own, Side.TOP) == pytest.approx(1900.0 / 13.0)


def test_what_cannot_be_said_is_refused() -> None:
    with pytest.raises(OutOfRange):
        Fault(kind=Kind.TIGHT, amount_mm=math.nan, point=0)
    with pytest.raises(OutOfRange):
        Line(from_mm=(math.inf, 0.0), to_mm=(0.0, 0.0))
