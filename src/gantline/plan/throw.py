"""Throw station: will this projector fill exactly that, from there."""

from dataclasses import dataclass

from gantline.core.errors import OutOfRange
from gantline.core.size import read_aspect, with_overspill
from gantline.core.throw.shift import ReachShape, ShiftNeed, lens_region, shift_need
from gantline.core.throw.window import Lens, PanelImage, ThrowWindow, panel_image, throw_window
from gantline.plan.book import Book, cure
from gantline.plan.figures import Entry
from gantline.plan.height import Hung
from gantline.plan.lens import reach_of

REACHES = ((ReachShape.RECTANGLE, "rectangle"), (ReachShape.DIAMOND, "diamond"))


@dataclass(frozen=True, slots=True, kw_only=True)
class Beam:
    """The lens [mm, wall axes; z from the fabric] and the picture it throws."""

    lens_x_mm: float
    lens_y_mm: float
    distance_mm: float
    window: ThrowWindow
    panel: PanelImage
    shift: ShiftNeed | None
    region: tuple[tuple[float, float], ...]
    fits: bool


def throw(book: Book, hung: Hung, fabric_mm: float) -> Beam | None:
    """Write window and shift; None until throw ratio and lens place are there."""
    _write_projector(book)
    given = book.job.throw
    if given.ratio_low is None or given.ratio_high is None:
        book.find("no-throw-ratio", "throw", "note", "Enter the projector's throw ratio, from wide to long, to see its window.")
        return None
    try:
        lens = Lens(ratio_low=given.ratio_low, ratio_high=given.ratio_high)
    except OutOfRange as error:
        book.find("throw-ratio-range", "throw", "stop", f"{error}.".capitalize())
        return None
    thrown = with_overspill(hung.place.screen.picture, _overspill(book))
    panel = panel_image(thrown, read_aspect(given.panel_aspect))
    window = throw_window(lens, panel, margin=book.shop["throw_margin"])
    _write_window(book, lens, panel, window, fabric_mm)
    if given.lens_from_wall_mm is None or given.lens_y_mm is None:
        book.find("no-lens-place", "throw", "note", "Enter the lens's height and its distance from the wall to check both.")
        return None
    x_mm = hung.place.centre_x_mm if given.lens_x_mm is None else given.lens_x_mm
    distance_mm = given.lens_from_wall_mm - fabric_mm
    book.computed("throw_distance", "throw", "Lens to fabric", distance_mm, "lens from wall − standoff − frame depth",
        f"{book.get('lens_from_wall')} − {book.exact(fabric_mm)}", ["lens_from_wall", "standoff", "frame_depth"],
        "Z counts from the fabric plane")  # fmt: skip
    in_window = _check_window(book, window, distance_mm, fabric_mm, fixed=lens.fixed)
    reach, offset = reach_of(book)
    shift = _shift(book, hung, panel, x_mm, given.lens_y_mm) if hung.possible else None
    region = lens_region(
        picture_x_mm=hung.place.centre_x_mm, picture_y_mm=hung.picture_centre_mm, panel=panel, reach=reach, offset=offset
    )
    return Beam(
        lens_x_mm=x_mm, lens_y_mm=given.lens_y_mm, distance_mm=distance_mm, window=window, panel=panel, shift=shift,
        region=region, fits=in_window and shift is not None and _reached(book, shift),
    )  # fmt: skip


def _write_projector(book: Book) -> None:
    given = book.job.throw
    book.entered("projector", "throw", "Projector", "/throw/name", given.name, given.name, "text")
    for key, label, value in (
        ("ratio_low", "Throw ratio, wide", given.ratio_low),
        ("ratio_high", "Throw ratio, long", given.ratio_high),
    ):
        if value is None:
            book.blank(key, "throw", label, f"/throw/{key}", "number")
        else:
            book.entered(key, "throw", label, f"/throw/{key}", value, f"{value:g}", "number", optional=True)
    book.entered("panel_aspect", "throw", "Panel aspect", "/throw/panel_aspect", given.panel_aspect, given.panel_aspect, "text")
    book.entered("hung", "throw", "Hung from the ceiling", "/throw/hung", given.hung, "yes" if given.hung else "no", "switch")
    book.entered(
        "has_shift", "throw", "Lens shift", "/throw/has_shift", given.has_shift, "yes" if given.has_shift else "no", "switch"
    )
    if given.has_shift:
        for key, label, value in (
            ("shift_up", "Reach up", given.shift_up),
            ("shift_down", "Reach down", given.shift_down),
            ("shift_side", "Reach to either side", given.shift_side),
        ):
            book.entered(key, "throw", label, f"/throw/{key}", value, f"{100 * value:g} %", "share")
        book.entered("reach", "throw", "Reach shape", "/throw/reach", given.reach, dict(REACHES)[given.reach], "choice", REACHES)
    else:
        book.entered("offset", "throw", "Fixed offset", "/throw/offset", given.offset, f"{100 * given.offset:g} %", "share")
    for key, label, place in (
        ("lens_y", "Lens above floor", given.lens_y_mm),
        ("lens_from_wall", "Lens from bare wall", given.lens_from_wall_mm),
    ):
        if place is None:
            book.blank(key, "throw", label, f"/throw/{key}_mm", "length")
        else:
            book.length(key, "throw", label, f"/throw/{key}_mm", place, "datum_mm")
    entry = Entry("/throw/lens_x_mm", "length", (), True)
    if given.lens_x_mm is None:
        centre = book.figures["centre_x"].value
        book.computed("lens_x", "throw", "Lens from left wall end", float(str(centre)), "on the screen's centre line", "",
            ["centre_x"], "on the centre line unless it is set", entry=entry)  # fmt: skip
    else:
        book.length("lens_x", "throw", "Lens from left wall end", entry.pointer, given.lens_x_mm, "wall_width_mm")


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


def _check_window(book: Book, window: ThrowWindow, distance_mm: float, fabric_mm: float, *, fixed: bool) -> bool:
    short_mm = window.shortfall_mm(distance_mm)
    if abs(short_mm) > book.shop["place_tolerance_mm"]:
        way = "back" if short_mm > 0 else "nearer"
        place_mm = fabric_mm + (window.near_mm if short_mm > 0 else window.far_mm)
        what = "too near: its picture is too small" if short_mm > 0 else "too far: its picture is too large"
        if fixed:
            what = "at the wrong distance for a fixed lens"
        book.find("lens-outside-window", "throw", "stop",
            f"The lens is {book.text(abs(short_mm))} {what}.", {"short_mm": short_mm},
            [cure(f"Lens {book.text(abs(short_mm))} {way}, to {book.text(place_mm)} from the wall",
                throw__lens_from_wall_mm=place_mm)])  # fmt: skip
        return False
    if not fixed and not window.inside_margin(distance_mm):
        book.find("lens-in-margin", "throw", "mind",
            f"The lens is within {100 * book.shop['throw_margin']:g} % of the end of its zoom: a small slip in size or "
            "place and it cannot fill the screen.")  # fmt: skip
    return True


def _shift(book: Book, hung: Hung, panel: PanelImage, x_mm: float, y_mm: float) -> ShiftNeed:
    reach, offset = reach_of(book)
    centre_mm = hung.picture_centre_mm
    need = shift_need(
        picture_x_mm=hung.place.centre_x_mm, picture_y_mm=centre_mm, lens_x_mm=x_mm, lens_y_mm=y_mm,
        panel=panel, reach=reach, offset=offset,
    )  # fmt: skip
    up = "up" if need.vertical >= 0 else "down"
    side = "right" if need.horizontal >= 0 else "left"
    fixed = f", fixed offset {100 * offset:g} % taken off" if offset else ""
    book.ratio("shift_vertical", "throw", "Shift needed, height", need.vertical, f"{100 * abs(need.vertical):.1f} % {up}",
        "(picture centre − lens height) / panel's image height",
        f"({book.exact(centre_mm)} − {book.exact(y_mm)}) / {book.exact(panel.height_mm)}{fixed}",
        ["picture_centre", "lens_y", "height"], "share of the whole panel image; straight body")  # fmt: skip
    book.ratio("shift_horizontal", "throw", "Shift needed, sideways", need.horizontal,
        f"{100 * abs(need.horizontal):.1f} % {side}" if need.horizontal else "none",
        "(screen centre − lens) / panel's image width",
        f"({book.exact(hung.place.centre_x_mm)} − {book.exact(x_mm)}) / {book.exact(panel.width_mm)}",
        ["centre_x", "lens_x", "width"], "share of the whole panel image; straight body")  # fmt: skip
    book.ratio("reach_left", "throw", "Reach at this place", need.vertical_left, f"{100 * need.vertical_left:.1f} % {up}",
        "reach up or down, less what a diamond loses sideways", "", [], "the projector's record")  # fmt: skip
    if not _reached(book, need):
        _out_of_reach(book, need, x_mm, y_mm)
    return need


def _reached(book: Book, need: ShiftNeed) -> bool:
    return max(abs(need.move_up_mm), abs(need.move_right_mm)) <= book.shop["place_tolerance_mm"]


def _out_of_reach(book: Book, need: ShiftNeed, x_mm: float, y_mm: float) -> None:
    """In a diamond one move sideways may do what a move up or down and one sideways would."""
    moves, cures = [], []
    if need.excess_vertical:
        way = "up" if need.move_up_mm > 0 else "down"
        moves.append(f"{book.text(abs(need.move_up_mm))} {way}")
        to_mm = y_mm + need.move_up_mm
        if not need.excess_horizontal:
            cures.append(cure(f"Lens {moves[-1]}, to {book.text(to_mm)} above the floor", throw__lens_y_mm=to_mm))
    if need.excess_horizontal:
        moves.append(_sideways(book, need.move_right_mm))
    alone_mm = need.move_right_alone_mm
    if alone_mm:
        cures.append(cure(f"Lens {_sideways(book, alone_mm)}", throw__lens_x_mm=x_mm + alone_mm))
    elif need.excess_horizontal:
        cures.append(cure(f"Lens {_sideways(book, need.move_right_mm)}", throw__lens_x_mm=x_mm + need.move_right_mm))
    book.find("shift-out-of-reach", "throw", "stop",
        f"The picture lies beyond the lens shift: the lens must move {' and '.join(moves)}.",
        {"move_up_mm": need.move_up_mm, "move_right_mm": need.move_right_mm}, cures)  # fmt: skip


def _sideways(book: Book, move_mm: float) -> str:
    return f"{book.text(abs(move_mm))} to the {'right' if move_mm > 0 else 'left'}"
