"""The projector's body as it stands or hangs: how far it reaches from its lens."""

from gantline.core.space import Solid
from gantline.core.throw.mount import Plate
from gantline.core.throw.places import Body
from gantline.plan.book import Book

FIELDS = (
    ("width_mm", "Body width", "body_width_mm"),
    ("height_mm", "Body height", "body_height_mm"),
    ("depth_mm", "Body depth", "body_depth_mm"),
    ("lens_to_wall_face_mm", "Lens behind the face to the wall", "lens_to_wall_face_mm"),
    ("vent_side_mm", "Free at each side", "vent_mm"),
    ("vent_rear_mm", "Free behind", "vent_mm"),
    ("vent_top_mm", "Free above the body", "vent_mm"),
)


def body_of(book: Book) -> Body:
    """Reach of body and vent space from the lens [mm]; hung, it is turned over and so is left and right."""
    given, hung = book.job.throw.body, book.job.throw.hung
    size = {
        field: book.length(
            f"body_{field.removesuffix('_mm')}", "throw", label, f"/throw/body/{field}", getattr(given, field), key
        )
        for field, label, key in FIELDS
    }
    for field, label, share in (
        ("lens_from_left_mm", "Lens from the body's left", size["width_mm"]),
        ("lens_above_base_mm", "Lens above the base", size["height_mm"]),
    ):
        _in_the_middle(book, field, label, share / 2.0)
    left = _or(given.lens_from_left_mm, size["width_mm"] / 2.0)
    base = _or(given.lens_above_base_mm, size["height_mm"] / 2.0)
    right, over = size["width_mm"] - left, size["height_mm"] - base
    side, top = size["vent_side_mm"], size["vent_top_mm"]
    wallward = size["lens_to_wall_face_mm"]
    return Body(
        left_mm=(right if hung else left) + side, right_mm=(left if hung else right) + side,
        below_mm=over + top if hung else base, above_mm=max(base, plate_of(book).to_axis_mm) if hung else over + top,
        wallward_mm=wallward, roomward_mm=size["depth_mm"] - wallward + size["vent_rear_mm"],
    )  # fmt: skip


def bare_body(book: Book, place: tuple[float, float, float]) -> Solid:
    """The body alone, without the air round it, with its lens at (x, y, z from the bare wall) [mm]."""
    given, shop, hung = book.job.throw.body, book.shop, book.job.throw.hung
    width, height = _or(given.width_mm, shop["body_width_mm"]), _or(given.height_mm, shop["body_height_mm"])
    depth, face = _or(given.depth_mm, shop["body_depth_mm"]), _or(given.lens_to_wall_face_mm, shop["lens_to_wall_face_mm"])
    left, base = _or(given.lens_from_left_mm, width / 2.0), _or(given.lens_above_base_mm, height / 2.0)
    if hung:
        left, base = width - left, height - base
    low = (place[0] - left, place[1] - base, place[2] - face)
    return Solid(name="projector", low=low, high=(low[0] + width, low[1] + height, low[2] + depth))


def plate_of(book: Book) -> Plate:
    """The mount plate, from the lens [mm]."""
    given = book.job.throw.body
    return Plate(
        right_mm=_or(given.plate_right_mm, 0.0), roomward_mm=_or(given.plate_roomward_mm, 0.0),
        to_axis_mm=_or(given.plate_to_axis_mm, book.shop["plate_to_axis_mm"]),
    )  # fmt: skip


def mount_of(book: Book) -> str:
    """How it is held: as entered, else a joist for a hung one and a shelf for a standing one."""
    return book.job.throw.mount or ("joist" if book.job.throw.hung else "shelf")


def base_above_floor_mm(book: Book, lens_y_mm: float) -> float:
    """Underside of the body's base, without feet turned out [mm]."""
    height = _or(book.job.throw.body.height_mm, book.shop["body_height_mm"])
    return lens_y_mm - _or(book.job.throw.body.lens_above_base_mm, height / 2.0)


def _in_the_middle(book: Book, field: str, label: str, middle_mm: float) -> None:
    value = getattr(book.job.throw.body, field)
    key, pointer = f"body_{field.removesuffix('_mm')}", f"/throw/body/{field}"
    known = "assumed" if value is None else None
    shown = middle_mm if value is None else value
    book.entered(key, "throw", label, pointer, value, book.text(shown), "length", optional=True, known=known)  # type: ignore[arg-type]


def _or(value: float | None, default: float) -> float:
    return default if value is None else value
