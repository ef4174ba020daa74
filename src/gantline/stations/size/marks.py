"""Frame and picture on each face, their dimensions, and the masks of every aspect ratio shown."""

from collections.abc import Iterator

from gantline.core.units import pair_text
from gantline.drawing.marks import Area, Axis, Dimension, Label, LabelSize, Mark, rectangle
from gantline.job.model.size import Size
from gantline.plan.ask import Ask
from gantline.plan.finding import change
from gantline.plan.station import FaceName
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import fits, rect_of_frame, rect_of_picture
from gantline.stations.outlines import outlines
from gantline.stations.size.solve import screen
from gantline.stations.size.tables import masked_shapes

FRAME = "frame-handle"
SKIN_MM = (8.0, 12.0)  # half the drawn thickness of the fabric from the side and from above


def screen_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Frame and picture."""
    left, bottom, right, top = at(rect_of_frame)
    a, low, b, high = at(rect_of_picture)
    z = at(fabric_plane_mm) if face in ("side", "top") else 0.0
    role = "frame" if at(fits) else "frame-clash"
    if face == "front":
        yield Area(
            key="frame", role=role, layer="size", points=rectangle(left, bottom, right, top), moves=FRAME
        )
        yield Area(
            key="picture", role="picture", layer="size", points=rectangle(a, low, b, high), moves=FRAME
        )
    elif face == "side":
        skin = SKIN_MM[0]
        yield Area(key="frame", role=role, layer="base", points=rectangle(0.0, bottom, z, top))
        yield Area(
            key="picture", role="picture", layer="base", points=rectangle(z - skin, low, z + skin, high)
        )
    elif face == "top":
        skin = SKIN_MM[1]
        yield Area(key="frame", role="frame", layer="base", points=rectangle(left, 0.0, right, z))
        yield Area(key="picture", role="picture", layer="base", points=rectangle(a, z - skin, b, z + skin))
    elif face == "back":
        yield from _back(at)


def texts(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The size as the one thing the drawing says; its shape under it, but where studs and holes take that room."""
    if face != "front":
        return
    left, bottom, right, top = at(rect_of_picture)
    picture, middle, wide, high = at(screen).picture, (left + right) / 2.0, right - left, top - bottom
    size = pair_text(picture.width_mm, picture.height_mm, at.units)
    aspect = f"{at.field(Size.aspect)}, {at.text(picture.diagonal_mm)} corner to corner"
    said: tuple[tuple[str, str, float, str, LabelSize], ...] = (
        ("size", "base", 0.1, size, "large"),
        ("aspect", "shape", -0.08, aspect, "text"),
    )
    for key, layer, share, text, weight in said:
        place = (middle, (bottom + top) / 2.0 + share * high)
        yield Label(
            key=key,
            layer=layer,
            at=place,
            text=text,
            size=weight,
            role="picture",
            room_mm=(wide, high),
            moves=FRAME,
        )


def dimensions(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Sides of the picture and of the frame."""
    if face != "front":
        return
    left, _, right, _ = at(rect_of_frame)
    floor = min(y for _, y in at(outlines)[0])
    yield Dimension(
        key="overall-width",
        layer="size",
        axis="x",
        a_mm=left,
        b_mm=right,
        base_mm=floor,
        side=-1,
        lane=1,
        text=at.text(right - left),
        name="Overall width",
    )
    a, low, b, high = at(rect_of_picture)
    sides: tuple[tuple[str, str, Axis, float, float, float], ...] = (
        ("width", "Viewable width", "x", a, b, low),
        ("height", "Viewable height", "y", low, high, a),
    )
    for key, name, axis, start, end, base in sides:
        yield Dimension(
            key=f"viewable-{key}",
            layer="size",
            axis=axis,
            a_mm=start,
            b_mm=end,
            base_mm=base,
            side=1,
            lane=1,
            inside=True,
            text=at.text(end - start),
            name=name,
            changes=(change(Size.lead, key), change(Size.value_mm, None)),
            moves=FRAME,
        )


def masks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Per aspect ratio what is masked at its two sides or at top and bottom; a pen shows one at a time."""
    if face != "front":
        return
    left, bottom, right, top = at(rect_of_picture)
    for key, aspect, masked in at(masked_shapes):
        a, b = left + masked.side_mm, right - masked.side_mm
        low, high = bottom + masked.top_bottom_mm, top - masked.top_bottom_mm
        sides = [
            rectangle(left, bottom, a, top),
            rectangle(b, bottom, right, top),
            rectangle(left, bottom, right, low),
            rectangle(left, high, right, top),
        ]
        for number, points in enumerate(sides):
            if points[0][0] < points[2][0] and points[0][1] < points[2][1]:
                yield Area(
                    key=f"mask-{key}-{number}",
                    role="mask",
                    layer="content",
                    points=points,
                    moves=FRAME,
                    of=key,
                )
        edge = rectangle(a, low, b, high)
        yield Area(
            key=f"mask-{key}-edge", role="mask-edge", layer="content", points=edge, moves=FRAME, of=key
        )
        yield Label(
            key=f"mask-{key}-name",
            layer="content",
            at=((a + b) / 2.0, high - 0.07 * (top - bottom)),
            text=aspect,
            role="picture",
            size="text",
            moves=FRAME,
            of=key,
        )


def _back(at: Ask) -> Iterator[Mark]:
    own_screen = at(screen)
    wide, high, border = own_screen.overall_width_mm, own_screen.overall_height_mm, own_screen.border
    yield Area(key="frame", role="frame", layer="base", points=rectangle(0.0, 0.0, wide, high))
    picture = rectangle(border.side_mm, border.bottom_mm, wide - border.side_mm, high - border.top_mm)
    yield Area(key="picture", role="picture", layer="base", points=picture)
    middle = (wide * 0.175, high * 0.63)  # beside where a brace or the middle of a word stands
    yield Label(key="mirrored", layer="base", at=middle, text="from the back", size="text", role="picture")
    for key, share, text in (("wall-right", 0.16, "wall's right"), ("wall-left", 0.84, "wall's left")):
        yield Label(key=key, layer="base", at=(wide * share, high * 0.38), text=text, role="picture")


DRAW = (screen_marks, texts, dimensions, masks)
