"""The projector on every face: where its lens can be, the light, what stands in it, the body and its mount."""

from collections.abc import Iterator
from typing import Literal

from gantline.core.space import Solid
from gantline.core.throw.light_path import Shadow
from gantline.core.throw.places import section
from gantline.core.units import Units, length_text
from gantline.drawing.marks import Area, Dimension, Dot, Handle, Label, Line, Mark, Point, rectangle
from gantline.plan.figures import Change
from gantline.plan.scene import Scene
from gantline.plan.throw import Beam

LENS = "lens-handle"
JOIST_NEAR_MM = 20.0  # a joist under the plate is named
Cut = Literal["side", "top"]


def throw_cut(scene: Scene, units: Units, face: Cut, ceiling: float) -> Iterator[Mark]:
    """The projector in the side face (z, y), cut at the lens, or in the top face (x, z). ceiling: its height there [mm]."""
    beam = scene.beam
    if beam is None:
        return
    z0, picture = scene.fabric_z_mm, scene.picture
    low, high = (picture.bottom_mm, picture.top_mm) if face == "side" else (picture.left_mm, picture.right_mm)
    pupil, lens = _at(face, beam, beam.distance_mm + z0), _at(face, beam, beam.measured_z_mm)
    yield Area(key="light", role="light", layer="throw", points=(pupil, _point(face, low, z0), _point(face, high, z0)))
    yield from _places(scene, beam, face)
    for number, one in enumerate(beam.shadows):
        yield Area(key=f"shadow-{number}", role="shadow", layer="throw", points=_cone(one, face, pupil, z0))
    if beam.body is not None:
        yield Area(key="body", role="body", layer="throw", points=_outline(beam.body, face), moves=LENS)
    yield from _mount(scene, beam, face, ceiling)
    yield Dot(key="lens", role="lens" if beam.fits else "lens-out", layer="throw", at=lens, name="lens", moves=LENS)
    yield Label(key="lens-name", layer="throw", at=lens, text="lens", role="eye", anchor="end", moves=LENS)
    yield Handle(key=LENS, layer="throw", name="Lens", points=(lens,), origin=lens, step_mm=float(units.grid),
        x_pointer="/throw/lens_from_wall_mm" if face == "side" else "/throw/lens_x_mm",
        y_pointer="/throw/lens_y_mm" if face == "side" else "/throw/lens_from_wall_mm")  # fmt: skip


def throw_front(scene: Scene, units: Units, above_mm: float, frame: str) -> Iterator[Mark]:
    """The projector seen against the wall: reach, light, shadows, what a turned body throws. above_mm: base of the upper lanes."""
    beam = scene.beam
    if beam is None:
        return
    lens = (beam.lens_x_mm, beam.lens_y_mm)
    if scene.possible and beam.turned is None:
        yield Area(key="reach", role="reach", layer="throw", points=beam.region, moves=frame)
    picture = scene.picture
    for number, corner in enumerate(rectangle(picture.left_mm, picture.bottom_mm, picture.right_mm, picture.top_mm)):
        yield Line(key=f"beam-{number}", role="beam", layer="throw", points=(lens, corner))
    for number, one in enumerate(beam.shadows):
        yield Area(key=f"shadow-{number}", role="shadow", layer="throw", points=one.outline)
        (low_x, high_x), (low_y, high_y) = ((min(side), max(side)) for side in zip(*one.outline, strict=True))
        share = f"{100 * one.share:.0f} %" if one.share >= 0.01 else "under 1 %"
        yield Label(key=f"shadow-name-{number}", layer="throw", at=((low_x + high_x) / 2.0, (low_y + high_y) / 2.0),
            text=f"{one.name}, {share} dark", role="shadow", size="text", room_mm=(high_x - low_x, high_y - low_y))  # fmt: skip
    if beam.turned is not None:
        thrown = beam.turned.thrown
        left = f"largest upright picture, {100 * thrown.share:.0f} % of the panel"
        for key, corners, named, text in (
            ("quad", thrown.quad, 2, "what the panel throws"), ("kept", thrown.picture, 1, left),
        ):  # fmt: skip
            points = tuple((float(x), float(y)) for x, y in corners)
            yield Area(key=key, role=key, layer="throw", points=points)  # type: ignore[arg-type]
            yield Label(key=f"{key}-name", layer="throw", at=points[named], text=text, role="eye", anchor="end")
    for row in beam.shapes.rows if beam.shapes else ():
        yield Area(key=f"spill-{row.index}-image", role="spill", layer="content", points=rectangle(*row.image_mm))
    yield Dot(key="lens", role="lens" if beam.fits else "lens-out", layer="throw", at=lens, name="lens", moves=LENS)
    for key, axis, b, base, name, pointer in (
        ("lens-height", "y", beam.lens_y_mm, scene.wall_mm, "Lens above floor", "/throw/lens_y_mm"),
        ("lens-across", "x", beam.lens_x_mm, above_mm, "Lens from left wall end", "/throw/lens_x_mm"),
    ):
        yield Dimension(key=key, layer="throw", axis=axis, a_mm=0.0, b_mm=b, base_mm=base, side=1, lane=1,  # type: ignore[arg-type]
            text=length_text(b, units), name=name, changes=(Change(pointer=pointer, value=None),), moves=LENS)  # fmt: skip


def lens_dimensions(scene: Scene, units: Units, face: Cut, out_mm: float, deep_mm: float) -> Iterator[Mark]:
    """The lens's place in a cut face, outside the room: out_mm, the level past the ceiling or before the wall."""
    beam = scene.beam
    if beam is None:
        return
    z, y, x = beam.measured_z_mm, beam.lens_y_mm, beam.lens_x_mm
    from_wall = ("lens-z", z, "Lens from bare wall", "/throw/lens_from_wall_mm")
    if face == "side":
        rows = (("x", out_mm, 1, *from_wall), ("y", deep_mm, 1, "lens-y", y, "Lens above floor", "/throw/lens_y_mm"))
    else:
        rows = (("y", 0.0, -1, *from_wall), ("x", out_mm, -1, "lens-x", x, "Lens from left wall end", "/throw/lens_x_mm"))
    for axis, base, side, key, b, name, pointer in rows:
        yield Dimension(key=key, layer="throw", axis=axis, a_mm=0.0, b_mm=b, base_mm=base, side=side, lane=1,  # type: ignore[arg-type]
            text=length_text(b, units), name=name, changes=(Change(pointer=pointer, value=None),), moves=LENS)  # fmt: skip


def _places(scene: Scene, beam: Beam, face: Cut) -> Iterator[Mark]:
    """Where the lens can be, cut at the lens; the pupil's places moved out to the measuring point."""
    if beam.wanted is None or beam.turned is not None:
        return
    out = beam.measured_z_mm - beam.distance_mm - scene.fabric_z_mm
    at = beam.lens_x_mm if face == "side" else beam.lens_y_mm
    if beam.wanted.zone is not None:
        zone, up = beam.wanted.room.within(beam.wanted.zone), 1 if face == "side" else 0
        if zone.low[up] > zone.high[up] or zone.low[2] > zone.high[2]:
            return
        z0, z1, a0, a1 = zone.low[2] + out, zone.high[2] + out, zone.low[up], zone.high[up]
        corners = rectangle(z0, a0, z1, a1) if face == "side" else rectangle(a0, z0, a1, z1)
        yield Area(key="zone", role="zone", layer="throw", points=corners)
        yield Label(key="zone-name", layer="throw", at=corners[0], text="zone", role="eye", anchor="start")
    for number, ring in enumerate(section(beam.wanted, face, at)):
        points = tuple((a + out, b) if face == "side" else (a, b + out) for a, b in ring)
        yield Area(key=f"window-{number}", role="window", layer="throw", points=points)


def _mount(scene: Scene, beam: Beam, face: Cut, ceiling: float) -> Iterator[Mark]:
    if beam.mounted is None:
        return
    if beam.mounted.cable:
        corners = tuple((z, y) if face == "side" else (x, z) for x, y, z in beam.mounted.cable)
        yield Line(key="cable", role="cable", layer="throw", points=corners)
        yield Dot(key="source", role="source", layer="throw", at=corners[0], name="signal and power")
        yield Label(key="source-name", layer="throw", at=corners[0], text="source", role="eye", anchor="start")
    if beam.mounted.plate_mm is None:
        return
    x, z = beam.mounted.plate_mm
    plate = (z, ceiling) if face == "side" else (x, z)
    if face == "side":
        yield Line(key="pole", role="pole", layer="throw", points=(plate, (z, beam.lens_y_mm)), moves=LENS)
    yield Dot(key="plate", role="plate", layer="throw", at=plate, name="mount plate", moves=LENS)
    for number, at in enumerate(scene.joists if face == "top" else (), start=1):
        if abs(at - (x if scene.joists_to_wall else z)) < JOIST_NEAR_MM:
            end = (at, scene.room_depth_mm * 0.98) if scene.joists_to_wall else (scene.wall_mm * 0.02, at)
            yield Label(key="joist-name", layer="throw", at=end, text=f"joist {number}", role="eye", anchor="start")


def _point(face: Cut, along: float, z: float) -> Point:
    return (z, along) if face == "side" else (along, z)


def _at(face: Cut, beam: Beam, z: float) -> Point:
    return _point(face, beam.lens_y_mm if face == "side" else beam.lens_x_mm, z)


def _outline(body: Solid, face: Cut) -> tuple[Point, ...]:
    across, up = (2, 1) if face == "side" else (0, 2)
    return rectangle(body.low[across], body.low[up], body.high[across], body.high[up])


def _cone(shadow: Shadow, face: Cut, pupil: Point, z0: float) -> tuple[Point, ...]:
    """From the lens to the two ends of a shadow, as the cut shows them."""
    ends = [y if face == "side" else x for x, y in shadow.outline]
    return (pupil, _point(face, min(ends), z0), _point(face, max(ends), z0))
