"""What stands in the room and hangs on the wall, as marks and handles on each face."""

from collections.abc import Callable, Iterator

from gantline.drawing.marks import Area, Dot, Handle, Label, Mark, Point, rectangle
from gantline.plan.scene import RoomBox, Scene

AXES = {
    "front": ("x_mm", "y_mm"),
    "side": ("z_mm", "y_mm"),
    "top": ("x_mm", "z_mm"),
}  # a face's two axes, as the job file names them

Place = Callable[[float, float, float], Point]


def fittings(scene: Scene, step_mm: float) -> Iterator[Mark]:
    """On the front face: fittings with their bands, each to be dragged."""
    top, bottom = max(y for _, y in scene.ceiling), min(y for _, y in scene.floor)
    for one in scene.fittings:
        rect = one.rect
        if one.band_mm > 0.0:
            left, right = rect.left_mm - one.band_mm, rect.right_mm + one.band_mm
            yield Area(key=f"band-{one.index}", role="band", layer="wall", points=rectangle(left, bottom, right, top))
        points = rectangle(rect.left_mm, rect.bottom_mm, rect.right_mm, rect.top_mm)
        handle = f"fitting-handle-{one.index}"
        yield Area(key=f"fitting-{one.index}", role="fitting", layer="survey", points=points, moves=handle)
        room = (rect.right_mm - rect.left_mm, rect.top_mm - rect.bottom_mm)
        at = (rect.centre_x_mm, (rect.top_mm + rect.bottom_mm) / 2.0)
        yield Label(key=f"fitting-name-{one.index}", layer="survey", at=at, text=one.name, room_mm=room, moves=handle)
        base = f"/survey/fittings/{one.index}"
        yield Handle(key=handle, layer="survey", name=one.name, points=points, origin=(rect.left_mm, rect.bottom_mm), step_mm=step_mm,
            x_pointer=f"{base}/x_mm", y_pointer=f"{base}/y_mm")  # fmt: skip


def boxes(scene: Scene, step_mm: float, face: str) -> Iterator[Mark]:
    """Boxes on the front, side or top face, each to be dragged along the face's two axes."""
    for one in scene.boxes:
        points, origin, axes = _shape(one, face)
        handle = f"box-handle-{one.index}"
        yield Area(key=f"box-{one.index}", role="box", layer="survey", points=points, moves=handle)
        (low_x, low_y), _, (high_x, high_y), _ = points
        middle, room = ((low_x + high_x) / 2.0, (low_y + high_y) / 2.0), (high_x - low_x, high_y - low_y)
        yield Label(key=f"box-name-{one.index}", layer="survey", at=middle, text=one.name, role="box", room_mm=room, moves=handle)
        base = f"/survey/boxes/{one.index}"
        yield Handle(key=handle, layer="survey", name=one.name, points=points, origin=origin, step_mm=step_mm,
            x_pointer=f"{base}/{axes[0]}", y_pointer=f"{base}/{axes[1]}")  # fmt: skip


def _shape(one: RoomBox, face: str) -> tuple[tuple[Point, ...], Point, tuple[str, str]]:
    low = {"x_mm": one.rect.left_mm, "y_mm": one.rect.bottom_mm, "z_mm": one.back_mm}
    high = {"x_mm": one.rect.right_mm, "y_mm": one.rect.top_mm, "z_mm": one.front_mm}
    across, up = AXES[face]
    return rectangle(low[across], low[up], high[across], high[up]), (low[across], low[up]), (across, up)


def lamps(scene: Scene, step_mm: float, face: str) -> Iterator[Mark]:
    """Lamps on the front, side or top face, each to be dragged along the face's two axes."""
    across, up = AXES[face]
    for one in scene.lamps:
        at = (getattr(one, across), getattr(one, up))
        handle = f"lamp-handle-{one.index}"
        yield Dot(key=f"lamp-{one.index}", role="lamp", layer="lamps", at=at, name=one.name, moves=handle)
        yield Label(key=f"lamp-name-{one.index}", layer="lamps", at=at, text=one.name, role="box", moves=handle)
        base = f"/survey/lamps/{one.index}"
        yield Handle(key=handle, layer="lamps", name=one.name, points=(at,), origin=at, step_mm=step_mm,
            x_pointer=f"{base}/{across}", y_pointer=f"{base}/{up}")  # fmt: skip


def seats(scene: Scene, step_mm: float, face: str) -> Iterator[Mark]:
    """Eyes on the side or top face; seen from above a seat is dragged both ways, from the side to and fro."""
    for one in scene.seats:
        at = (one.z_mm, one.eye_mm) if face == "side" else (one.x_mm, one.z_mm)
        handle = f"seat-handle-{one.index}"
        role = "seat-main" if one.main else "seat"
        yield Dot(key=f"seat-{one.index}", role=role, layer="survey", at=at, name=one.name, moves=handle)  # type: ignore[arg-type]
        if face == "top" and one.main:  # a row of names would run together
            yield Label(key=f"seat-name-{one.index}", layer="survey", at=at, text=one.name, role="seat", moves=handle)
        base = f"/survey/seats/{one.index}"
        along = "from_wall_mm" if face == "side" else "x_mm"
        yield Handle(key=handle, layer="survey", name=one.name, points=(at,), origin=at, step_mm=step_mm,
            x_pointer=f"{base}/{along}", y_pointer=None if face == "side" else f"{base}/from_wall_mm")  # fmt: skip
