"""The rough-in: for whoever runs cable and power weeks before the screen hangs."""

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.throw.places import freedom
from gantline.core.units import Units, beside_text, length_text
from gantline.drawing.drawing import Drawing
from gantline.job.document import Job
from gantline.plan.plan import Planned
from gantline.plan.throw import Beam
from gantline.sheets.pdf import PAPERS, Paper, markup, render, to_pdf
from gantline.sheets.svg import face_svg, scale_text

SIDE_HIGH, TOP_HIGH = 74.0, 125.0


@dataclass(frozen=True, slots=True)
class Point:
    """One mark: from the left wall end, the screen's centre line and the bare wall, above the floor."""

    name: str
    from_left: str
    from_centre: str
    from_wall: str
    height: str


@dataclass(frozen=True, slots=True)
class Room:
    """How far the lens may still move one way and the other."""

    axis: str
    less: str
    more: str


def rough_in_pdf(job: Job, planned: Planned, drawing: Drawing, paper: Paper, stamp: str) -> bytes:
    """Ceiling or shelf marks, lens point, pole, cable and power, the space to keep clear, and the lens's freedom."""
    units, beam = job.units.to_core(), planned.scene.beam
    width = PAPERS[paper][1]
    figures = defaultdict(
        str, {one.key: one.text for one in planned.plan.figures}
    )  # what a job lacks is left out
    return to_pdf(
        render(
            "rough_in.html", paper, title="rough-in", stamp=stamp, job=job, plan=planned.plan, figures=figures,
            points=list(_points(job, planned, beam, units)) if beam else [], freedom=list(_freedom(planned, beam, units)) if beam else [],
            keep_clear=_keep_clear(planned, beam, units) if beam else "",
            side=markup(face_svg(drawing.side, ("throw",), width, SIDE_HIGH, standalone=False)),
            top=markup(face_svg(drawing.top, ("throw",), width, TOP_HIGH, standalone=False)),
            side_scale=scale_text(drawing.side, ("throw",), width, SIDE_HIGH), top_scale=scale_text(drawing.top, ("throw",), width, TOP_HIGH),
        )
    )  # fmt: skip


def _points(job: Job, planned: Planned, beam: Beam, units: Units) -> Iterator[Point]:
    def text(value: float) -> str:
        return length_text(value, units)

    def across(x_mm: float) -> tuple[str, str]:
        return text(x_mm), beside_text(x_mm - planned.hung.place.centre_x_mm, units)

    yield Point("Lens", *across(beam.lens_x_mm), text(beam.measured_z_mm), text(beam.lens_y_mm))
    if beam.mounted is not None and beam.mounted.plate_mm is not None:
        x, z = beam.mounted.plate_mm
        on = next((f" on joist {row.number}" for row in beam.mounted.joists if row.here), "")
        yield Point(f"Mount plate, centre{on}", *across(x), text(z), "on the ceiling")
    if beam.floor_marks is not None:
        marks = beam.floor_marks
        yield Point(
            "Body on the cabinet, back left corner",
            *across(marks.left_mm),
            text(marks.back_mm),
            text(marks.base_mm),
        )
        yield Point(
            "Body on the cabinet, front right corner",
            *across(marks.right_mm),
            text(marks.front_mm),
            text(marks.base_mm),
        )
    source = job.throw.cable_from
    if source.x_mm is not None and source.y_mm is not None and source.z_mm is not None:
        yield Point("Signal and power come from", *across(source.x_mm), text(source.z_mm), text(source.y_mm))


def _freedom(planned: Planned, beam: Beam, units: Units) -> Iterator[Room]:
    """What a mark may be off by before another lens place, size or projector is needed."""
    if beam.wanted is None or beam.turned is not None:
        return
    place = (beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm + planned.scene.fabric_z_mm)
    spans = freedom(beam.wanted, place)
    if spans is None:
        return
    for axis, less, more, at, (low, high) in zip(
        ("across", "in height", "to and fro"),
        ("left", "down", "nearer"),
        ("right", "up", "back"),
        place,
        spans,
        strict=True,
    ):
        yield Room(axis, f"{length_text(at - low, units)} {less}", f"{length_text(high - at, units)} {more}")


def _keep_clear(planned: Planned, beam: Beam, units: Units) -> str:
    """Body and the air round it, in the three directions."""
    if beam.wanted is None:
        return ""
    body, z = beam.wanted.body, beam.distance_mm + planned.scene.fabric_z_mm
    spans = (
        ("from the left wall end", beam.lens_x_mm - body.left_mm, beam.lens_x_mm + body.right_mm),
        ("above the floor", beam.lens_y_mm - body.below_mm, beam.lens_y_mm + body.above_mm),
        ("from the wall", z - body.wallward_mm, z + body.roomward_mm),
    )
    return "; ".join(
        f"{length_text(low, units)} to {length_text(high, units)} {name}" for name, low, high in spans
    )
