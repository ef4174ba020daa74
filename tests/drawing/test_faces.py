"""One scene under four projections: what is in two of them lies at the same place."""

import pytest

from gantline.drawing.marks import Area, Dot, Handle
from gantline.job.edits import Edit, apply
from gantline.sheets.svg import face_svg
from gantline.stations import face, plan
from tests.conftest import demo_job
from tests.made import JOBS, by_key


@pytest.mark.parametrize("name", JOBS)
def test_lens_boxes_and_seats_agree_between_the_faces(name: str) -> None:
    job = demo_job(name)
    made = plan(job)
    front, side, top = (by_key(face(made, name)) for name in ("front", "side", "top"))
    lens = [each["lens"] for each in (front, side, top)]
    assert all(isinstance(one, Dot) for one in lens)
    (fx, fy), (sz, sy), (tx, tz) = (one.at for one in lens if isinstance(one, Dot))
    assert (fx, fy, sz) == pytest.approx((tx, sy, tz))
    for box in job.survey.boxes:
        a, b, c = (each[f"box-{box.id}"] for each in (front, side, top))
        assert isinstance(a, Area) and isinstance(b, Area) and isinstance(c, Area)
        assert {x for x, _ in a.points} == {x for x, _ in c.points}
        assert {y for _, y in a.points} == {y for _, y in b.points}
        assert {z for z, _ in b.points} == {z for _, z in c.points}
    for seat in job.survey.seats:
        a, c = side[f"seat-{seat.id}"], top[f"seat-{seat.id}"]
        assert isinstance(a, Dot) and isinstance(c, Dot)
        assert a.at[0] == c.at[1]


@pytest.mark.parametrize("name", ["mill-loft", "parish-hall"])
def test_every_handle_holds_what_its_pointers_hold_so_a_drag_starts_where_it_is(name: str) -> None:
    job = demo_job(name)
    made = plan(job)
    for each in (face(made, "front"), face(made, "side"), face(made, "top")):
        for mark in each.marks:
            if isinstance(mark, Handle) and mark.layer == "survey":
                still = [
                    Edit(pointer=p, value=v)
                    for p, v in zip((mark.x_pointer, mark.y_pointer), mark.origin, strict=True)
                    if p
                ]
                assert apply(job, still) == job, mark.key


def test_the_room_from_above_grows_downwards_on_paper_too() -> None:
    top = face(plan(demo_job("narrow-lounge")), "top")
    assert top.y_down
    svg = face_svg(top, ("survey", "size"), 100.0, 100.0)
    frame = svg[svg.index('class="frame"') :]
    wall_y = float(frame.split('d="M')[1].split(" ")[1].split("L")[0])
    seat = svg[svg.index('class="seat') :]
    assert float(seat.split('cy="')[1].split('"')[0]) > wall_y  # the sofa lies below the wall


def test_body_plate_light_and_places_agree_between_the_side_and_the_top() -> None:
    made = plan(demo_job("mill-loft"))
    side, top = by_key(face(made, "side")), by_key(face(made, "top"))
    for key in ("body", "light", "window-0"):
        a, b = side[key], top[key]
        assert isinstance(a, Area) and isinstance(b, Area)
        zs = sorted({round(z, 6) for z, _ in a.points}), sorted({round(z, 6) for _, z in b.points})
        assert zs[0][0] == zs[1][0], key  # the nearest and the farthest point out of the wall are the same
        assert zs[0][-1] == zs[1][-1], key
    plates = side["plate"], top["plate"]
    assert all(isinstance(one, Dot) for one in plates)
    assert plates[0].at[0] == plates[1].at[1] == pytest.approx(180 * 25.4 + 140)  # type: ignore[union-attr]
    lens = side["lens"]
    assert isinstance(lens, Dot)
    window = side["window-0"]
    assert isinstance(window, Area)
    (z0, y0), (z1, y1) = (min(window.points), max(window.points))
    assert z0 < lens.at[0] < z1
    assert y0 < lens.at[1] < y1


def test_masks_leave_the_picture_of_a_shape_free_and_fill_the_rest() -> None:
    made = plan(demo_job("mill-loft"))
    marks = by_key(face(made, "front"))
    picture, edge = marks["picture"], marks["mask-a1-edge"]
    assert isinstance(picture, Area) and isinstance(edge, Area)

    def area(one: Area) -> float:
        (x0, y0), (x1, y1) = one.points[0], one.points[2]
        return (x1 - x0) * (y1 - y0)

    masks = [
        one
        for key, one in marks.items()
        if key.startswith("mask-a1-") and isinstance(one, Area) and one.role == "mask"
    ]
    assert len(masks) == 2
    assert area(edge) + sum(area(one) for one in masks) == pytest.approx(area(picture))
    assert made.table("shapes").rows[0].area == f"{100 * area(edge) / area(picture):.0f}\u00a0%"
