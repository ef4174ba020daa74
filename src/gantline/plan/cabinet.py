"""A projector on a cabinet in front of the screen: gap, cabinet height and depth, feet, what a millimetre does."""

from dataclasses import dataclass

from gantline.core.throw.cabinet import CabinetBody, CabinetPlace, cabinet_place, picture_centre_mm
from gantline.core.throw.window import PanelImage
from gantline.plan.book import Book, cure
from gantline.plan.figures import Cure
from gantline.plan.height import Hung
from gantline.plan.projector_body import base_above_floor_mm, mount_of

SOURCE = "Z = R × panel width; picture centred on the panel's image"


@dataclass(frozen=True, slots=True, kw_only=True)
class FloorMarks:
    """The body's footprint [mm]: left and right edge, face to the wall and front edge, base above the floor."""

    left_mm: float
    right_mm: float
    back_mm: float
    front_mm: float
    base_mm: float


def cabinet(book: Book, hung: Hung, panel: PanelImage, place: tuple[float, float, float], fabric_mm: float) -> FloorMarks | None:
    """Write the cabinet-top figures for a body without shift on a cabinet; None for any other."""
    given = book.job.throw
    if mount_of(book) != "cabinet" or given.hung or given.has_shift or given.ratio_low is None:
        return None
    depth = _or(given.body.depth_mm, book.shop["body_depth_mm"])
    body = CabinetBody(
        ratio=given.ratio_low, offset=given.offset, depth_mm=depth,
        lens_to_back_mm=_or(given.body.lens_to_wall_face_mm, book.shop["lens_to_wall_face_mm"]),
        lens_above_base_mm=place[1] - base_above_floor_mm(book, place[1]),
    )  # fmt: skip
    wanted = cabinet_place(body, panel, picture_centre_mm=hung.picture_centre_mm, fabric_mm=fabric_mm)
    _write(book, wanted, body, panel, fabric_mm)
    if wanted.gap_mm < 0.0:
        book.find("body-in-wall", "throw", "stop",
            f"For this size the body's back would stand {book.text(-wanted.gap_mm)} in the wall: a larger picture, or another projector.",
            {"short_mm": -wanted.gap_mm})  # fmt: skip
    _check_cabinet(book, hung, wanted, body, panel)
    width = _or(given.body.width_mm, book.shop["body_width_mm"])
    left = place[0] - _or(given.body.lens_from_left_mm, width / 2.0)
    back = place[2] - body.lens_to_back_mm
    book.computed("foot_left", "throw", "Body's left edge, from left wall end", left, "lens − lens from the body's left",
        f"{book.exact(place[0])} − {book.exact(place[0] - left)}", ["lens_x"], "tape mark on the cabinet")  # fmt: skip
    book.computed("foot_back", "throw", "Body's back, from bare wall", back, "lens from wall − lens to back",
        f"{book.exact(place[2])} − {book.exact(body.lens_to_back_mm)}", ["lens_from_wall"], "tape mark on the cabinet")  # fmt: skip
    return FloorMarks(
        left_mm=left, right_mm=left + width, back_mm=back, front_mm=back + depth, base_mm=place[1] - body.lens_above_base_mm
    )


def _write(book: Book, found: CabinetPlace, body: CabinetBody, panel: PanelImage, fabric_mm: float) -> None:
    rests = ["width", "height", "standoff", "frame_depth"]
    book.computed("cabinet_gap", "throw", "Wall to body's back", found.gap_mm, "throw ratio × panel width + standoff + frame depth − lens to back",
        f"{body.ratio:g} × {book.exact(panel.width_mm)} + {book.exact(fabric_mm)} − {book.exact(body.lens_to_back_mm)}", rests, SOURCE)  # fmt: skip
    book.computed("cabinet_height", "throw", "Cabinet height for this picture", found.base_mm,
        "picture centre − (½ + offset) × panel height − lens above base",
        f"{book.get('picture_centre')} − {0.5 + body.offset:g} × {book.exact(panel.height_mm)} − {book.exact(body.lens_above_base_mm)}",
        ["picture_centre", *rests], SOURCE)  # fmt: skip
    book.computed("cabinet_depth", "throw", "Cabinet depth needed, from wall", found.depth_needed_mm, "gap + body depth",
        f"{book.exact(found.gap_mm)} + {book.exact(body.depth_mm)}", rests, SOURCE)  # fmt: skip
    for key, label, value, formula in (
        ("per_mm_width", "1 mm farther: width", found.width_per_mm, "1 / R"),
        ("per_mm_top", "1 mm farther, or of wall belly: top edge", found.top_per_mm, "(1 + offset) / (R × panel aspect)"),
        ("per_mm_bottom", "1 mm farther: bottom edge", found.bottom_per_mm, "offset / (R × panel aspect)"),
    ):
        book.ratio(key, "throw", label, value, f"{value:.1f} mm", formula, f"R {body.ratio:g}, offset {body.offset:g}", [], "slope of the rays there")  # fmt: skip


def _check_cabinet(book: Book, hung: Hung, wanted: CabinetPlace, body: CabinetBody, panel: PanelImage) -> None:
    under = [
        one for one in book.job.survey.boxes
        if one.kind in ("cabinet", "furniture") and one.x_mm <= hung.place.centre_x_mm <= one.x_mm + one.width_mm and one.z_mm < wanted.depth_needed_mm
    ]  # fmt: skip
    if not under:
        book.find("no-cabinet", "throw", "note", "Survey the cabinet it stands on, to check its height and depth.")
        return
    at = max(range(len(under)), key=lambda k: under[k].y_mm + under[k].height_mm)
    box = under[at]
    name, top, front = box.name or box.kind, box.y_mm + box.height_mm, box.z_mm + box.depth_mm
    lift = wanted.base_mm - top
    feet = _or(book.job.throw.body.foot_range_mm, 0.0)
    book.computed("feet_out", "throw", "Feet turned out", lift, "cabinet height wanted − cabinet as surveyed",
        f"{book.exact(wanted.base_mm)} − {book.exact(top)}", ["cabinet_height"], "the record's foot range")  # fmt: skip
    if not 0.0 <= lift <= feet + book.shop["place_tolerance_mm"]:
        centre = picture_centre_mm(body, panel, base_mm=top)
        move = centre - hung.picture_centre_mm
        way = "up" if move > 0 else "down"
        to = hung.top_mm + move
        lens_y = top + body.lens_above_base_mm
        cures = [
            cure(f"Lens at {book.text(lens_y)} on the {name}, screen {book.text(abs(move))} {way}, to a top of {book.text(to)}",
                throw__lens_y_mm=lens_y, height__wish="frame-top", height__wish_mm=to)
        ]  # fmt: skip
        need = f"a plinth of {book.text(lift)}" if lift > 0 else f"{book.text(-lift)} less cabinet"
        cures.append(Cure(text=f"{need[0].upper()}{need[1:]}"))
        book.find("cabinet-height", "throw", "stop",
            f"On the {name} the picture lands {book.text(abs(move))} {'higher' if move > 0 else 'lower'} than the screen; the feet give {book.text(feet)}.",
            {"lift_mm": lift}, cures)  # fmt: skip
    elif lift > 0.0 and book.job.throw.body.foot_turn_mm:
        turns = lift / book.job.throw.body.foot_turn_mm
        book.find("feet", "throw", "note",
            f"Level the {name} both ways first. Then the feet {turns:.1f} turns out all round: {book.text(lift)}.")  # fmt: skip
    over = wanted.depth_needed_mm - front
    if over > book.shop["place_tolerance_mm"]:
        book.find("cabinet-depth", "throw", "mind",
            f"The body stands {book.text(over)} over the {name}'s front edge: it needs {book.text(wanted.depth_needed_mm)} from the wall.",
            {"over_mm": over})  # fmt: skip


def _or(value: float | None, default: float) -> float:
    return default if value is None else value
