"""The rough-in: for whoever runs cable and power weeks before the screen is hung."""

from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.defaults import ThrowDefaults
from gantline.core.throw.places import freedom
from gantline.core.units import beside_text, length_text
from gantline.plan.ask import Ask
from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_ORDER, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg, scale_text
from gantline.stations.common import hung, is_turned
from gantline.stations.height import centre_x_mm
from gantline.stations.throw import lens_place, wanted
from gantline.stations.throw.cabinet import footprint
from gantline.stations.throw.mount import mounted, source
from gantline.stations.throw.tables import joists

SIDE_HIGH, TOP_HIGH = 74.0, 125.0
AXES = ("across", "in height", "toward the wall and back")
WAYS = (("left", "right"), ("down", "up"), ("closer", "back"))


@dataclass(frozen=True, slots=True)
class Point:
    """One mark: from the left wall end, the screen's center line and the bare wall, above the floor."""

    name: str
    from_left: str
    from_center: str
    from_wall: str
    height: str


@dataclass(frozen=True, slots=True)
class Spare:
    """How far the lens may still move one way and the other."""

    axis: str
    less: str
    more: str


def rough_in(ready: Ready) -> bytes:
    """Ceiling or shelf marks, lens point, pole, cable and power, the space to keep clear, and what is spare."""
    width, at = PAPERS[ready.paper][1], ready.made.ask
    side, top = ready.face("side"), ready.face("top")
    values = ready.common | {
        "points": list(_points(at)),
        "freedom": list(_spare(at)),
        "keep_clear": _keep_clear(at),
        "joists": at(joists),
        "side": markup(face_svg(side, ("throw",), width, SIDE_HIGH, standalone=False)),
        "top": markup(face_svg(top, ("throw",), width, TOP_HIGH, standalone=False)),
        "side_scale": scale_text(side, ("throw",), width, SIDE_HIGH),
        "top_scale": scale_text(top, ("throw",), width, TOP_HIGH),
    }
    return to_pdf(render("rough_in.html", ready.paper, title="rough-in", **values))


def _points(at: Ask) -> Iterator[Point]:
    place = at(lens_place)
    if place is None:
        return
    text, units = at.text, at.own_units

    def across(x_mm: float) -> tuple[str, str]:
        return text(x_mm), beside_text(x_mm - at(centre_x_mm), units)

    yield Point("Lens", *across(place.x_mm), text(place.measured_z_mm), text(place.y_mm))
    plate, stands, table = at(mounted), at(footprint), at(joists)
    if plate is not None:
        on = next((f" on joist {row.number}" for row in (table.rows if table else ()) if row.here), "")
        yield Point(f"Mount plate, center{on}", *across(plate.x_mm), text(plate.z_mm), "on the ceiling")
    if stands is not None:
        base = text(stands.base_mm)
        yield Point(
            "Body on the cabinet, back left corner", *across(stands.left_mm), text(stands.back_mm), base
        )
        yield Point(
            "Body on the cabinet, front right corner", *across(stands.right_mm), text(stands.front_mm), base
        )
    start = at(source)
    if start is not None:
        x, y, z = start
        yield Point("Signal and power come from", *across(x), text(z), text(y))


def _spare(at: Ask) -> Iterator[Spare]:
    """What a mark may be off by before another lens place, size or projector is needed."""
    place, asked = at(lens_place), at(wanted)
    if place is None or asked is None or at(is_turned):
        return
    spans = list(freedom(asked, place.from_wall) or ())
    on_ceiling: bool = at(hung)
    if spans and on_ceiling:  # nobody wants a body where heads go
        least = at.default(ThrowDefaults.headroom_mm) + asked.body.below_mm
        spans[1] = (min(max(spans[1][0], least), place.from_wall[1]), spans[1][1])
    for axis, (less, more), here, (low, high) in zip(AXES, WAYS, place.from_wall, spans, strict=False):
        yield Spare(axis, f"{at.text(here - low)} {less}", f"{at.text(high - here)} {more}")


def _keep_clear(at: Ask) -> str:
    """Body and the air round it, in the three directions."""
    place, asked = at(lens_place), at(wanted)
    if place is None or asked is None:
        return ""
    body, (x, y, z) = asked.body, place.from_wall
    spans = (
        ("from the left wall end", x - body.left_mm, x + body.right_mm),
        ("above the floor", y - body.below_mm, y + body.above_mm),
        ("from the wall", z - body.wallward_mm, z + body.roomward_mm),
    )
    units = at.own_units
    return "; ".join(f"{length_text(a, units)} to {length_text(b, units)} {name}" for name, a, b in spans)


SHEET = Sheet(
    key="rough-in",
    label="Rough-in, for cable and power",
    group=FOR_THE_ORDER,
    note="PDF",
    media_type=PDF,
    ending="rough-in.pdf",
    make=rough_in,
    papers=True,
    about=(lens_place, wanted),
    there=lambda made: made.ask(lens_place) is not None,
)
