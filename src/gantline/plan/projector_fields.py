"""The projector's own fields: throw, panel, shift, place of the lens."""

from gantline.core.throw.shift import ReachShape
from gantline.plan.book import Book
from gantline.plan.figures import Entry

REACHES = ((ReachShape.RECTANGLE, "rectangle"), (ReachShape.DIAMOND, "diamond"))


def write_projector(book: Book) -> None:
    """Write what is entered of the projector and where its lens is."""
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
