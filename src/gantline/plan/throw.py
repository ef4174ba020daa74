"""Throw station: will this projector fill exactly that, from there."""

import math
from dataclasses import dataclass, replace

from gantline.core.errors import OutOfRange
from gantline.core.height.bounds import bounds
from gantline.core.height.solve import solve_height
from gantline.core.size.aspect import read_aspect
from gantline.core.size.picture import with_overspill
from gantline.core.space import Solid
from gantline.core.throw.keystone import tilt_needed
from gantline.core.throw.light_path import Shadow
from gantline.core.throw.places import Wanted
from gantline.core.throw.shift import ShiftNeed, lens_region, shift_need
from gantline.core.throw.window import Lens, PanelImage, ThrowWindow, panel_image, throw_window
from gantline.plan.book import Book, cure
from gantline.plan.by_zoom import ByZoom, by_zoom
from gantline.plan.cabinet import FloorMarks, cabinet
from gantline.plan.figures import Change, Cure
from gantline.plan.height import Hung
from gantline.plan.lens import overspill_mm, reach_of
from gantline.plan.lens_place import check_place, solids_of, wanted_of
from gantline.plan.light_path import light_path
from gantline.plan.mount import Mounted, mount
from gantline.plan.projector_body import bare_body
from gantline.plan.projector_fields import write_projector
from gantline.plan.size import Sized
from gantline.plan.survey import Room
from gantline.plan.turned import Setting, Turned, is_turned, price_of_tilt, turned, write_turns
from gantline.plan.zone import write_zone

OTHER_PROJECTOR = Cure(text="Another projector: the table below says which fit")
STEEPEST_DEG = 30.0  # the most a job may hold


@dataclass(frozen=True, slots=True, kw_only=True)
class Beam:
    """The lens [mm, wall axes; distance from the fabric to the pupil] and what it throws.

    measured_z_mm: bare wall to the point the lens's place is measured to. wanted, and what follows from it,
    is None where no height fits, so that there is no picture to throw.
    """

    lens_x_mm: float
    lens_y_mm: float
    distance_mm: float
    measured_z_mm: float
    window: ThrowWindow
    panel: PanelImage
    shift: ShiftNeed | None
    region: tuple[tuple[float, float], ...]
    fits: bool
    body: Solid | None = None
    wanted: Wanted | None = None
    mounted: Mounted | None = None
    floor_marks: FloorMarks | None = None
    shadows: tuple[Shadow, ...] = ()
    turned: Turned | None = None
    shapes: ByZoom | None = None


def throw(book: Book, room: Room, sized: Sized, hung: Hung, fabric_mm: float) -> Beam | None:
    """Write the throw station; None until throw ratio and lens place are there."""
    write_projector(book)
    write_zone(book)
    given = book.job.throw
    if given.ratio_low is None or given.ratio_high is None:
        book.find("no-throw-ratio", "throw", "note", "Enter the projector's throw ratio, from wide to long, to see its window.")
        return None
    try:
        lens = Lens(ratio_low=given.ratio_low, ratio_high=given.ratio_high)
    except OutOfRange as error:
        book.find("throw-ratio-range", "throw", "stop", f"{error}.".capitalize())
        return None
    overspill = _overspill(book)
    panel = panel_image(with_overspill(hung.place.screen.picture, overspill), read_aspect(given.panel_aspect))
    window = throw_window(lens, panel, margin=book.shop["throw_margin"])
    out_mm = fabric_mm + given.distance_offset_mm  # bare wall to fabric, and pupil to the measuring point
    _write_window(book, lens, panel, window, out_mm)
    if given.lens_from_wall_mm is None or given.lens_y_mm is None:
        book.find("no-lens-place", "throw", "note", "Enter the lens's height and its distance from the wall to check both.")
        return None
    x_mm = hung.place.centre_x_mm if given.lens_x_mm is None else given.lens_x_mm
    distance_mm = given.lens_from_wall_mm - out_mm
    off = f" − {book.exact(given.distance_offset_mm)}" if given.distance_offset_mm else ""
    book.computed("throw_distance", "throw", "Lens to fabric", distance_mm, "lens from wall − standoff − frame depth − pupil behind its measuring point",
        f"{book.get('lens_from_wall')} − {book.exact(fabric_mm)}{off}", ["lens_from_wall", "standoff", "frame_depth"],
        "Z counts from the fabric plane to the pupil")  # fmt: skip
    reach, offset = reach_of(book)
    region = lens_region(
        picture_x_mm=hung.place.centre_x_mm, picture_y_mm=hung.picture_centre_mm, panel=panel, reach=reach, offset=offset
    )
    beam = Beam(
        lens_x_mm=x_mm, lens_y_mm=given.lens_y_mm, distance_mm=distance_mm, measured_z_mm=given.lens_from_wall_mm, window=window,
        panel=panel, shift=None, region=region, fits=False,
    )  # fmt: skip
    write_turns(book)
    if distance_mm <= 0.0:
        book.find("lens-in-screen", "throw", "stop", "The lens would be in the screen: it must be in front of the fabric.")
        return beam
    return _placed(book, room, sized, hung, beam, lens, fabric_mm)


def _placed(book: Book, room: Room, sized: Sized, hung: Hung, beam: Beam, lens: Lens, fabric_mm: float) -> Beam:
    """Everything that follows from a lens in front of the fabric."""
    given = book.job.throw
    reach, offset = reach_of(book)
    from_fabric = (beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm)
    from_wall = (beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm + fabric_mm)
    setting = Setting(
        lens=lens, reach=reach, offset=offset, panel_aspect=float(read_aspect(given.panel_aspect)), place=from_fabric
    )
    turn = is_turned(book)
    in_window = turn or _check_window(book, beam, sized, lens, fabric_mm + given.distance_offset_mm)
    if not hung.possible:
        if not turn and not book.brief:
            _tilt_instead(book, hung, setting, beam.panel)
        return beam
    wanted = wanted_of(book, room, hung, beam.panel, beam.window, reach, offset, fabric_mm)
    shift, turned_body = None, None
    if turn:
        turned_body = turned(book, hung, setting)
    else:
        shift = _shift(book, hung, beam.panel, beam.lens_x_mm, beam.lens_y_mm, setting)
    stands = check_place(book, wanted, room, from_wall)
    optical = turned_body is not None if turn else in_window and shift is not None and _reached(book, shift)
    return replace(
        beam, body=bare_body(book, from_wall), shift=shift, fits=optical and stands, wanted=wanted, turned=turned_body, mounted=mount(book, room, wanted, from_wall),
        floor_marks=cabinet(book, hung, beam.panel, from_wall, fabric_mm),
        shadows=light_path(book, hung, wanted, solids_of(book, hung, fabric_mm), from_fabric, fabric_mm),
        shapes=None if book.brief or not book.job.content.shapes else by_zoom(book, sized, wanted, lens, from_fabric),
    )  # fmt: skip


def _overspill(book: Book) -> float:
    return book.length("overspill", "throw", "Overspill, each side", "/size/overspill_mm", book.job.size.overspill_mm,
        "overspill_mm")  # fmt: skip


def _write_window(book: Book, lens: Lens, panel: PanelImage, window: ThrowWindow, fabric_mm: float) -> None:
    keys = ["width", "height", "overspill"]
    book.computed("panel_width", "throw", "Panel's image, width", panel.width_mm,
        "the larger of thrown width and panel aspect × thrown height",
        f"{book.get('width')}, {book.get('height')}, overspill {book.get('overspill')}", keys,
        "the panel's image just holds the picture")  # fmt: skip
    margin = "" if lens.fixed else f", {100 * book.shop['throw_margin']:g} % kept clear inside"
    for key, label, ratio, z_mm in (
        ("window_near", "Nearest lens place, from wall", lens.ratio_low, window.near_mm),
        ("window_far", "Farthest lens place, from wall", lens.ratio_high, window.far_mm),
    ):
        book.computed(key, "throw", label, z_mm + fabric_mm, "throw ratio × panel's image width + standoff + frame depth",
            f"{ratio:g} × {book.exact(panel.width_mm)} + {book.exact(fabric_mm)}{margin}",
            [*keys, "standoff", "frame_depth"], "definition of throw ratio")  # fmt: skip


def _check_window(book: Book, beam: Beam, sized: Sized, lens: Lens, out_mm: float) -> bool:
    window = beam.window
    short_mm = window.shortfall_mm(beam.distance_mm)
    if abs(short_mm) > book.shop["place_tolerance_mm"]:
        way = "back" if short_mm > 0 else "nearer"
        place_mm = out_mm + (window.near_mm if short_mm > 0 else window.far_mm)
        what = "too near: its picture is too small" if short_mm > 0 else "too far: its picture is too large"
        if lens.fixed:
            what = "at the wrong distance for a fixed lens"
        move = cure(
            f"Lens {book.text(abs(short_mm))} {way}, to {book.text(place_mm)} from the wall", throw__lens_from_wall_mm=place_mm
        )
        book.find("lens-outside-window", "throw", "stop", f"The lens is {book.text(abs(short_mm))} {what}.", {"short_mm": short_mm},
            [move, *_other_size(book, beam, sized, lens, short_mm), OTHER_PROJECTOR])  # fmt: skip
        return False
    if not lens.fixed and not window.inside_margin(beam.distance_mm):
        book.find("lens-in-margin", "throw", "mind",
            f"The lens is within {100 * book.shop['throw_margin']:g} % of the end of its zoom: a small slip in size or "
            "place and it cannot fill the screen.")  # fmt: skip
    return True


def _other_size(book: Book, beam: Beam, sized: Sized, lens: Lens, short_mm: float) -> list[Cure]:
    """The size this place fills at the end of the zoom that it misses."""
    picture, overspill = sized.screen.picture, overspill_mm(book)
    share = beam.panel.width_mm / (picture.width_mm + 2.0 * overspill)
    width = beam.distance_mm / (lens.ratio_low if short_mm > 0 else lens.ratio_high) / share - 2.0 * overspill
    grid = float(book.units.grid)
    steps = width * picture.diagonal_mm / picture.width_mm / grid
    diagonal = grid * (math.floor(steps) if short_mm > 0 else math.ceil(steps))
    if diagonal <= 0.0:
        return []
    word = "smaller" if short_mm > 0 else "larger"
    return [
        cure(f"A {word} screen: diagonal {book.text(diagonal)}", size__lead="diagonal", size__value_mm=diagonal, size__tidy=None)
    ]


def _shift(book: Book, hung: Hung, panel: PanelImage, x_mm: float, y_mm: float, setting: Setting) -> ShiftNeed:
    reach, offset = reach_of(book)
    centre_mm = hung.picture_centre_mm
    need = shift_need(
        picture_x_mm=hung.place.centre_x_mm, picture_y_mm=centre_mm, lens_x_mm=x_mm, lens_y_mm=y_mm,
        panel=panel, reach=reach, offset=offset,
    )  # fmt: skip
    up = "up" if need.vertical >= 0 else "down"
    side = "right" if need.horizontal >= 0 else "left"
    fixed = f", fixed offset {100 * offset:g} % taken off" if offset else ""
    book.ratio("shift_vertical", "throw", "Shift needed, height", need.vertical, _shift_text(need.vertical, up),
        "(picture centre − lens height) / panel's image height",
        f"({book.exact(centre_mm)} − {book.exact(y_mm)}) / {book.exact(panel.height_mm)}{fixed}",
        ["picture_centre", "lens_y", "height"], "share of the whole panel image; straight body")  # fmt: skip
    book.ratio("shift_horizontal", "throw", "Shift needed, sideways", need.horizontal,
        _shift_text(need.horizontal, side),
        "(screen centre − lens) / panel's image width",
        f"({book.exact(hung.place.centre_x_mm)} − {book.exact(x_mm)}) / {book.exact(panel.width_mm)}",
        ["centre_x", "lens_x", "width"], "share of the whole panel image; straight body")  # fmt: skip
    book.ratio("reach_left", "throw", "Reach at this place", need.vertical_left, _shift_text(need.vertical_left, up),
        "reach up or down, less what a diamond loses sideways", "", [], "the projector's record")  # fmt: skip
    if not _reached(book, need):
        _out_of_reach(book, hung, need, setting, panel)
    return need


def _shift_text(share: float, way: str) -> str:
    text = f"{100 * abs(share):.1f} %"
    return "none" if text == "0.0 %" else f"{text} {way}"


def _reached(book: Book, need: ShiftNeed) -> bool:
    return max(abs(need.move_up_mm), abs(need.move_right_mm)) <= book.shop["place_tolerance_mm"]


def _out_of_reach(book: Book, hung: Hung, need: ShiftNeed, setting: Setting, panel: PanelImage) -> None:
    """In a diamond one move sideways may do what a move up or down and one sideways would."""
    x_mm, y_mm, _ = setting.place
    moves, cures = [], []
    if need.excess_vertical:
        way = "up" if need.move_up_mm > 0 else "down"
        moves.append(f"{book.text(abs(need.move_up_mm))} {way}")
        to_mm = y_mm + need.move_up_mm
        if not need.excess_horizontal:
            pole = f" (pole {'shorter' if way == 'up' else 'longer'} by as much)" if book.job.throw.hung else ""
            cures.append(cure(f"Lens {moves[-1]}, to {book.text(to_mm)} above the floor{pole}", throw__lens_y_mm=to_mm))
    if need.excess_horizontal:
        moves.append(_sideways(book, need.move_right_mm))
    alone_mm = need.move_right_alone_mm
    if alone_mm:
        cures.append(cure(f"Lens {_sideways(book, alone_mm)}", throw__lens_x_mm=x_mm + alone_mm))
    elif need.excess_horizontal:
        cures.append(cure(f"Lens {_sideways(book, need.move_right_mm)}", throw__lens_x_mm=x_mm + need.move_right_mm))
    cures += [OTHER_PROJECTOR, *(() if book.brief else _tilt(hung, need, setting, panel))]
    book.find("shift-out-of-reach", "throw", "stop",
        f"The picture lies beyond the lens shift: the lens must move {' and '.join(moves)}.",
        {"move_up_mm": need.move_up_mm, "move_right_mm": need.move_right_mm}, cures)  # fmt: skip


def _tilt_instead(book: Book, hung: Hung, setting: Setting, panel: PanelImage) -> None:
    """Where only the lens's reach stands against every height: how far a tilt would go, and its price."""
    solved = hung.height
    reach = next((one for one in (solved.low, solved.high) if one.key.startswith("shift")), None)
    if reach is None:
        return
    free = solve_height(*bounds(replace(hung.asked, lens=None)), reach.y_top_mm)
    if free.chosen_mm is None:
        return
    there = replace(hung, top_mm=free.chosen_mm, possible=True)
    need = shift_need(
        picture_x_mm=there.place.centre_x_mm, picture_y_mm=there.picture_centre_mm, lens_x_mm=setting.place[0],
        lens_y_mm=setting.place[1], panel=panel, reach=setting.reach, offset=setting.offset,
    )  # fmt: skip
    for one in _tilt(there, need, setting, panel):
        changes = (
            *one.changes,
            Change(pointer="/height/wish", value="frame-top"),
            Change(pointer="/height/wish_mm", value=free.chosen_mm),
        )
        book.find("tilt-instead", "throw", "note",
            f"Tilting could do without reach, with the top of the frame at {book.text(free.chosen_mm)}. It costs; a better place does not.",
            {}, [replace(one, changes=changes)])  # fmt: skip


def _tilt(hung: Hung, need: ShiftNeed, setting: Setting, panel: PanelImage) -> list[Cure]:
    """Tilting instead, with its price: the last way out."""
    if need.excess_horizontal or not need.excess_vertical:
        return []
    rise = hung.picture_centre_mm - setting.place[1]
    pitch = tilt_needed(
        rise_mm=rise,
        distance_mm=setting.place[2],
        panel_height_mm=panel.height_mm,
        reach=setting.reach,
        horizontal=need.horizontal,
    )
    degrees = math.copysign(math.ceil(abs(math.degrees(pitch)) * 10.0) / 10.0, pitch)
    kept = price_of_tilt(hung, setting, math.radians(degrees)) if abs(degrees) <= STEEPEST_DEG else None
    if kept is None:
        return []
    way = "up" if degrees > 0 else "down"
    text = (
        f"Tilt the nose {abs(degrees):.1f}° {way} and square it up digitally: {100 * kept:.0f} % of the pixels and light are left"
    )
    return [cure(text, throw__pitch_deg=degrees)]


def _sideways(book: Book, move_mm: float) -> str:
    return f"{book.text(abs(move_mm))} to the {'right' if move_mm > 0 else 'left'}"
