"""The light states: what lamps and day put on the screen."""

from gantline.core.light.lamp import lamp_lux
from gantline.core.light.luminance import bounce_lux
from gantline.job.room_objects import Lamp
from gantline.plan.book import Book
from gantline.plan.figures import Change, Cure, Entry
from gantline.plan.height import Hung
from gantline.plan.survey import Room

STATE_DEFAULTS = {
    "dark": "lux_dark", "one lamp": "lux_lamp", "evening": "lux_evening", "day, curtained": "lux_curtained", "open day": "lux_day",
}  # fmt: skip


def light_states(book: Book, room: Room, hung: Hung) -> tuple[tuple[str, float], ...]:
    """Each light state and its illuminance on the screen [lux]: as measured, from its lamps, or the default."""
    lamps = {lamp.name: lamp for lamp in book.job.survey.lamps}
    out = []
    for index, state in enumerate(book.job.light.states):
        key, label, pointer = f"lux_{index}", f"Light, {state.name}", f"/light/states/{index}/lux"
        lit = [lamps[name] for name in state.lamps if name in lamps]
        _find_gone(book, index, [name for name in state.lamps if name not in lamps])
        if state.lux is None and lit:
            lux = _lamps_lux(book, room, hung, lit)
            book.ratio(key, "light", label, lux, f"{lux:.1f} lux", "dark room + each lamp's direct light + what the room sends back",
                f"{book.shop['lux_dark']:g} + {', '.join(lamp.name for lamp in lit)} at {_bulbs(book, lit)}", (),
                "point sources without shades, the room as an even sphere", entry=Entry(pointer, "number", (), True))  # fmt: skip
        else:
            lux = book.shop[STATE_DEFAULTS.get(state.name, "lux_evening")] if state.lux is None else state.lux
            book.entered(key, "light", label, pointer, state.lux, f"{lux:g} lux", "number", optional=True,
                known="assumed" if state.lux is None else "measured")  # fmt: skip
        out.append((state.name, lux))
    return tuple(out)


def _find_gone(book: Book, index: int, gone: list[str]) -> None:
    state = book.job.light.states[index]
    for name in gone:
        at = state.lamps.index(name)
        off = Cure(text="Take it off the list", changes=(Change(pointer=f"/light/states/{index}/lamps/{at}", value=None),))
        book.find(f"lamp-gone-{index}-{at}", "light", "note", f"{state.name}: no lamp in the survey is called {name}.", {}, [off])


def _lamps_lux(book: Book, room: Room, hung: Hung, lit: list[Lamp]) -> float:
    """Light on the middle of the screen from the lamps that are lit [lux]."""
    fabric_mm = float(str(book.figures["frame_depth"].value)) + float(str(book.figures["standoff"].value))
    middle = (hung.place.centre_x_mm, hung.picture_centre_mm, fabric_mm)
    bulbs = [(_lumens(book, lamp), (lamp.x_mm, lamp.y_mm, lamp.z_mm)) for lamp in lit]
    direct = sum(lamp_lux(lumens, lamp_mm=at, point_mm=middle) for lumens, at in bulbs)
    back = bounce_lux(
        sum(lumens for lumens, _ in bulbs), mean_level=1.0, screen_reflectance=1.0, room_m2=room_area_m2(book, room),
        room_reflectance=book.shop[f"reflect_{book.job.light.surfaces}"],
    )  # fmt: skip
    return book.shop["lux_dark"] + direct + back


def _lumens(book: Book, lamp: Lamp) -> float:
    return book.shop["lamp_lm"] if lamp.lumens is None else lamp.lumens


def _bulbs(book: Book, lit: list[Lamp]) -> str:
    return ", ".join(f"{_lumens(book, lamp):g} lm" for lamp in lit)


def room_area_m2(book: Book, room: Room) -> float:
    """Floor, ceiling and walls together [m2], the room taken as a box."""
    depth = book.shop["room_depth_mm"] if book.job.survey.room_depth_mm is None else book.job.survey.room_depth_mm
    wide, high = room.wall_mm / 1000.0, max(room.ceiling.at(room.wall_mm / 2.0), 1000.0) / 1000.0
    deep = depth / 1000.0
    return 2.0 * (wide * deep + wide * high + deep * high)
