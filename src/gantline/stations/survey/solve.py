"""The room in wall axes, from what was read, and the defaults that stand in for it."""

from dataclasses import dataclass

from gantline.core.defaults import SurveyDefaults
from gantline.core.height.ceiling import Ceiling, ceiling_of
from gantline.core.height.profile import Profile
from gantline.core.sight.rows import Eye
from gantline.core.space import Point3, Solid
from gantline.core.throw.mount import joist_centres
from gantline.core.wall.bands import Band, band_mm
from gantline.job.model.survey import Joists, Seat, Survey
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm, told_apart

CABLE_POINT = "cable-point"
NEAREST_MM = 100.0  # an eye nearer to the fabric sits in the screen


@dataclass(frozen=True, slots=True, kw_only=True)
class Room:
    """The screen wall [mm]: its width, floor and ceiling along it, above the floor at the survey point."""

    wall_mm: float
    datum_mm: float
    floor: Profile
    ceiling: Profile


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatPlace:
    """A seat in wall axes [mm]; distance_mm from the fabric plane, eye_mm above the finished floor."""

    id: str
    name: str
    x_mm: float
    z_mm: float
    distance_mm: float
    eye_mm: float
    seated_mm: float
    platform_mm: float
    main: bool

    @property
    def eye(self) -> Eye:
        """As the sight formulas want it."""
        return Eye(distance_mm=self.distance_mm, eye_mm=self.eye_mm, x_mm=self.x_mm)


def wall_mm(at: Ask) -> float:
    """Usable width of the wall [mm]."""
    return at.field(Survey.wall_width_mm)


def depth_mm(at: Ask) -> float:
    """Wall to back of the room [mm]."""
    return at.field(Survey.room_depth_mm)


def ceiling_over(at: Ask) -> Ceiling:
    """The ceiling over the whole room: its readings from the datum line, else its plain height."""
    readings = at.things(Survey.ceiling_readings)
    if not readings:
        return ceiling_of(((0.0, 0.0, at.field(Survey.ceiling_mm)),))
    datum = at.field(Survey.datum_mm)
    return ceiling_of(
        tuple((reading.x_mm, reading.z_mm or 0.0, datum + reading.up_mm) for reading in readings)
    )


def ceiling(at: Ask) -> Profile:
    """The ceiling along the wall."""
    over = at(ceiling_over)
    return over.rows[0][1] if len(over.rows) == 1 else over.along(0.0)


def floor(at: Ask) -> Profile:
    """The floor along the wall: its readings from the datum line, else level at the survey point."""
    readings = at.things(Survey.floor_readings)
    if not readings:
        return Profile(((0.0, 0.0),))
    datum = at.field(Survey.datum_mm)
    return Profile(tuple((reading.x_mm, datum - reading.down_mm) for reading in readings))


def room(at: Ask) -> Room:
    """Everything of the wall that heights are asked from."""
    return Room(wall_mm=at(wall_mm), datum_mm=at.field(Survey.datum_mm), floor=at(floor), ceiling=at(ceiling))


def joist_lines_mm(at: Ask) -> tuple[bool, tuple[float, ...]]:
    """Whether the joists run toward the screen wall, and their centers along the other axis [mm]; none surveyed:
    none."""
    to_wall = at.field(Joists.runs) == "to-the-wall"
    spacing = at.given(Joists.spacing_mm)
    if spacing is None:
        return to_wall, ()
    end = at(wall_mm) if to_wall else at(depth_mm)
    return to_wall, joist_centres(at.field(Joists.first_mm), spacing, end)


def main_id(at: Ask) -> str:
    """Id of the main seat: the marked one, else the first that is in front of the fabric; empty without seats."""
    there = [
        seat for seat in at.things(Survey.seats) if seat.from_wall_mm - at(fabric_plane_mm) >= NEAREST_MM
    ]
    marked = next((one.id for one in there if at.of(one, Seat.main)), "")
    return marked or next((one.id for one in there), "")


def seat_place(at: Ask, number: int) -> SeatPlace:
    """One seat, by its place in the list from 0."""
    seat = at.things(Survey.seats)[number]
    seated, platform = at.of(seat, Seat.eye_mm), at.of(seat, Seat.platform_mm)
    return SeatPlace(
        id=seat.id,
        name=seat.name or f"Seat {number + 1}",
        x_mm=seat.x_mm,
        z_mm=seat.from_wall_mm,
        distance_mm=seat.from_wall_mm - at(fabric_plane_mm),
        eye_mm=seated + platform,
        seated_mm=seated,
        platform_mm=platform,
        main=seat.id == at(main_id),
    )


def weigh_seat(at: Ask, number: int, *, alone: bool) -> None:
    """A seat that a limit came from weighs. On the floor, and not alone in it, its platform does not: it can only
    rise, and another seat still holds the limit."""
    if alone or at.aside(seat_place, number).platform_mm > 0.0:
        at(seat_place, number)
    else:
        seat = at.things(Survey.seats)[number]
        at(fabric_plane_mm), at.of(seat, Seat.eye_mm), seat.from_wall_mm


def seat_places(at: Ask) -> tuple[SeatPlace, ...]:
    """Every seat. distance_mm may be too short to sit."""
    return tuple(at(seat_place, number) for number in range(len(at.things(Survey.seats))))


def seated_numbers(at: Ask) -> tuple[int, ...]:
    """Places in the list of the seats that are in front of the fabric."""
    many = range(len(at.things(Survey.seats)))
    return tuple(number for number in many if at.aside(seat_place, number).distance_mm >= NEAREST_MM)


def seats(at: Ask) -> tuple[SeatPlace, ...]:
    """The seats that are in front of the fabric."""
    return tuple(place for place in at(seat_places) if place.distance_mm >= NEAREST_MM)


def main_seat(at: Ask) -> SeatPlace | None:
    """The seat that leads, None without seats."""
    return next((seat for seat in at(seats) if seat.main), None)


def eyes(at: Ask) -> tuple[Eye, ...]:
    """Every seat's eye, in the order of the seats."""
    return tuple(seat.eye for seat in at(seats))


def fitting_names(at: Ask) -> dict[str, str]:
    """What the fittings of the wall are called, by id."""
    return told_apart({one.id: one.name or one.kind.replace("-", " ") for one in at.things(Survey.fittings)})


def box_names(at: Ask) -> dict[str, str]:
    """What stands in the room is called, by id."""
    return told_apart({one.id: one.name or one.kind.replace("-", " ") for one in at.things(Survey.boxes)})


def bands(at: Ask) -> tuple[Band, ...]:
    """All no-drill bands."""
    out, names = [], at(fitting_names)
    for fitting in at.things(Survey.fittings):
        wide = band_mm(fitting.kind, fitting.band_mm, at.default(SurveyDefaults.no_drill_band_mm))
        if wide > 0.0:
            low, high = fitting.y_mm - wide, fitting.y_mm + fitting.height_mm + wide
            left, right = fitting.x_mm - wide, fitting.x_mm + fitting.width_mm + wide
            name = names[fitting.id]
            out.append(Band(name=name, left_mm=left, right_mm=right, bottom_mm=low, top_mm=high))
    return tuple(out)


def prepared_points(at: Ask) -> tuple[Point3, ...]:
    """Where cable or power is prepared, middle of each (x, y, z from the bare wall) [mm]: in the room and on the wall."""
    free = [
        (
            box.x_mm + box.width_mm / 2.0,
            box.y_mm + box.height_mm / 2.0,
            (box.z_mm or 0.0) + box.depth_mm / 2.0,
        )
        for box in at.things(Survey.boxes)
        if box.kind == CABLE_POINT
    ]
    wall = [
        (fitting.x_mm + fitting.width_mm / 2.0, fitting.y_mm + fitting.height_mm / 2.0, 0.0)
        for fitting in at.things(Survey.fittings)
        if fitting.kind == CABLE_POINT
    ]
    return (*free, *wall)


def box_solids(at: Ask) -> tuple[tuple[str, str, Solid], ...]:
    """Id, kind and shape of everything that stands in the room [mm, z from the bare wall]; a cable point stands in
    nobody's way."""
    return tuple(box for box in at(all_boxes) if box[1] != CABLE_POINT)


def seat_furniture(at: Ask) -> frozenset[str]:
    """Ids of what somebody sits in: it stands before the wall, and the wall is marked without it in the drawing."""
    return frozenset(
        name
        for name, _, box in at(box_solids)
        for seat in at(seat_places)
        if box.low[0] <= seat.x_mm <= box.high[0] and box.low[2] <= seat.z_mm <= box.high[2]
    )


def all_boxes(at: Ask) -> tuple[tuple[str, str, Solid], ...]:
    """Id, kind and shape of everything in the room, cable points too [mm, z from the bare wall]."""
    out, names = [], at(box_names)
    for box in at.things(Survey.boxes):
        z = box.z_mm or 0.0
        low, high = (
            (box.x_mm, box.y_mm, z),
            (box.x_mm + box.width_mm, box.y_mm + box.height_mm, z + box.depth_mm),
        )
        out.append((box.id, box.kind, Solid(name=names[box.id], low=low, high=high)))
    return tuple(out)
