"""The scene: typed geometry in wall millimetres, for all faces, before any drawing.

Wall axes: x from the left wall end, y above the floor at the survey point, z from the bare wall
into the room.
"""

from dataclasses import dataclass

from gantline.core.size.picture import Screen
from gantline.job.room_objects import Box, Fitting, Seat
from gantline.plan.book import Book
from gantline.plan.content import ShapeRow
from gantline.plan.fittings import band_mm
from gantline.plan.height import Hung
from gantline.plan.lens_place import joists_mm
from gantline.plan.survey import Room
from gantline.plan.tension import Stretch
from gantline.plan.throw import Beam
from gantline.plan.wall import Drilling

Outline = tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Rect:
    """An upright rectangle on the wall [mm]."""

    left_mm: float
    bottom_mm: float
    right_mm: float
    top_mm: float

    @property
    def centre_x_mm(self) -> float:
        """Middle, sideways [mm]."""
        return (self.left_mm + self.right_mm) / 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class WallThing:
    """A fitting on the wall [mm] and the band round it in which nobody drills (0: none)."""

    index: int
    kind: str
    name: str
    rect: Rect
    band_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RoomBox:
    """A box in the room [mm]: its rectangle on the wall, from back_mm to front_mm out of the bare wall."""

    index: int
    kind: str
    name: str
    rect: Rect
    back_mm: float
    front_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatPlace:
    """A seat [mm]: x, distance of the eye from the bare wall, platform and eye above the floor."""

    index: int
    name: str
    x_mm: float
    z_mm: float
    platform_mm: float
    eye_mm: float
    main: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class LampPlace:
    """A lamp [mm]: x, y above the floor, z out of the bare wall."""

    index: int
    name: str
    x_mm: float
    y_mm: float
    z_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Scene:
    """Everything that can be drawn of one plan [mm]; None where the plan has none yet.

    possible is False where no height fits: the frame is then drawn on its lowest allowed edge.
    """

    wall_mm: float
    floor: Outline
    ceiling: Outline
    datum_mm: float
    lowest_edge_mm: float
    top_low_mm: float
    top_high_mm: float
    low_name: str
    high_name: str
    possible: bool
    frame: Rect
    picture: Rect
    fabric_z_mm: float
    eye_mm: float | None
    studs: tuple[float, ...]
    stud_mm: float
    studs_known: bool
    drilling: Drilling | None
    drop_mm: float
    beam: Beam | None
    stretch: Stretch | None
    centre_bars: int
    room_depth_mm: float
    fittings: tuple[WallThing, ...]
    boxes: tuple[RoomBox, ...]
    seats: tuple[SeatPlace, ...]
    lamps: tuple[LampPlace, ...]
    shapes: tuple[tuple[str, Rect], ...]
    joists: tuple[float, ...]
    joists_to_wall: bool


def build_scene(
    book: Book, room: Room, hung: Hung, drilling: Drilling | None, beam: Beam | None, stretch: Stretch | None,
    shapes: tuple[ShapeRow, ...] = (),
) -> Scene:  # fmt: skip
    """Gather the stations' geometry."""
    frame, picture = _rects(hung)
    ends = (0.0, room.wall_mm)
    return Scene(
        wall_mm=room.wall_mm,
        floor=_outline(room.floor.readings, [room.floor.at(x) for x in ends], room.wall_mm),
        ceiling=_outline(room.ceiling.readings, [room.ceiling.at(x) for x in ends], room.wall_mm),
        datum_mm=room.datum_mm,
        lowest_edge_mm=hung.place.lowest_edge_mm,
        top_low_mm=hung.height.low.y_top_mm,
        top_high_mm=hung.height.high.y_top_mm,
        low_name=hung.height.low.name,
        high_name=hung.height.high.name,
        possible=hung.possible,
        frame=frame,
        picture=picture,
        fabric_z_mm=_mm(book, "frame_depth") + _mm(book, "standoff"),
        eye_mm=hung.eye_mm,
        studs=room.studs.centres_mm if room.studs else (),
        stud_mm=room.studs.stud_mm if room.studs else 0.0,
        studs_known=not book.assumed_among(["stud_first", "stud_spacing"]),
        drilling=drilling,
        drop_mm=_mm(book, "drop"),
        beam=beam,
        stretch=stretch,
        centre_bars=book.job.frame.centre_bars,
        room_depth_mm=_mm(book, "room_depth"),
        fittings=tuple(_fitting(book, at, one) for at, one in enumerate(book.job.survey.fittings)),
        boxes=tuple(_box(at, one) for at, one in enumerate(book.job.survey.boxes)),
        seats=tuple(_seat(book, at, one) for at, one in enumerate(book.job.survey.seats)),
        lamps=tuple(
            LampPlace(index=at, name=one.name, x_mm=one.x_mm, y_mm=one.y_mm, z_mm=one.z_mm)
            for at, one in enumerate(book.job.survey.lamps)
        ),
        shapes=tuple(_shape(picture, row) for row in shapes),
        joists=joists_mm(book, room),
        joists_to_wall=book.job.survey.joists is None or book.job.survey.joists.runs == "to-the-wall",
    )


def _fitting(book: Book, index: int, one: Fitting) -> WallThing:
    rect = Rect(left_mm=one.x_mm, bottom_mm=one.y_mm, right_mm=one.x_mm + one.width_mm, top_mm=one.y_mm + one.height_mm)
    return WallThing(
        index=index, kind=one.kind, name=one.name or one.kind.replace("-", " "), rect=rect, band_mm=band_mm(book, one)
    )


def _box(index: int, one: Box) -> RoomBox:
    rect = Rect(left_mm=one.x_mm, bottom_mm=one.y_mm, right_mm=one.x_mm + one.width_mm, top_mm=one.y_mm + one.height_mm)
    return RoomBox(
        index=index, kind=one.kind, name=one.name or one.kind, rect=rect, back_mm=one.z_mm, front_mm=one.z_mm + one.depth_mm
    )


def _seat(book: Book, index: int, one: Seat) -> SeatPlace:
    seated = book.shop["eye_mm"] if one.eye_mm is None else one.eye_mm
    return SeatPlace(
        index=index, name=one.name or f"Seat {index + 1}", x_mm=one.x_mm, z_mm=one.from_wall_mm, platform_mm=one.platform_mm,
        eye_mm=one.platform_mm + seated, main=one.main,
    )  # fmt: skip


def _shape(picture: Rect, row: ShapeRow) -> tuple[str, Rect]:
    """The part of the picture a content shape fills; what is left is masked."""
    side = row.side_share * (picture.right_mm - picture.left_mm)
    level = row.top_share * (picture.top_mm - picture.bottom_mm)
    rect = Rect(left_mm=picture.left_mm + side, right_mm=picture.right_mm - side,
        bottom_mm=picture.bottom_mm + level, top_mm=picture.top_mm - level)  # fmt: skip
    return row.aspect, rect


def _rects(hung: Hung) -> tuple[Rect, Rect]:
    screen: Screen = hung.place.screen
    top = hung.top_mm
    frame = Rect(left_mm=hung.place.left_mm, right_mm=hung.place.right_mm, top_mm=top, bottom_mm=top - screen.overall_height_mm)
    border = screen.border
    picture = Rect(
        left_mm=frame.left_mm + border.side_mm,
        right_mm=frame.right_mm - border.side_mm,
        top_mm=top - border.top_mm,
        bottom_mm=frame.bottom_mm + border.bottom_mm,
    )
    return frame, picture


def _outline(readings: Outline, ends: list[float], wall_mm: float) -> Outline:
    inner = tuple((x, y) for x, y in readings if 0.0 < x < wall_mm)
    return ((0.0, ends[0]), *inner, (wall_mm, ends[1]))


def _mm(book: Book, key: str) -> float:
    value = book.figures[key].value
    return float(value) if isinstance(value, float | int) else 0.0
