"""Height station: where the top of the frame goes, what binds, and what to do when nothing fits."""

import math
from dataclasses import dataclass, replace

from gantline.core.height.bounds import Asked, bounds, centre_guidance_mm, room_left_mm
from gantline.core.height.place import Bound, Place, WishKind, wished_top_mm
from gantline.core.height.solve import Height, largest_fitting, solve_height
from gantline.core.sight.rows import ROUNDING_MM, Eye
from gantline.core.size.picture import Lead, Screen, picture_from
from gantline.job.room_objects import Fitting
from gantline.plan.book import Book, cure
from gantline.plan.figures import Change, Cure, Entry
from gantline.plan.lens import placed_lens
from gantline.plan.seats_at import Placed, platforms, raised_mm
from gantline.plan.size import Sized
from gantline.plan.survey import Room

WISHES = (
    (WishKind.EYE_LINE, "eye line"),
    (WishKind.FRAME_TOP, "top of frame"),
    (WishKind.FRAME_BOTTOM, "bottom of frame"),
    (WishKind.CEILING_GAP, "gap to ceiling"),
)
WISH_LABELS = {
    WishKind.EYE_LINE: "Eye line above floor",
    WishKind.FRAME_TOP: "Top of frame above floor",
    WishKind.FRAME_BOTTOM: "Bottom of frame above floor",
    WishKind.CEILING_GAP: "Gap to ceiling",
}
UNDER = ("cabinet", "loudspeaker", "furniture")
SMALLEST_MM = 100.0  # the smallest diagonal a job may have; less is no screen
SOURCE = "bounds on the frame's top, wish clamped between them"


@dataclass(frozen=True, slots=True, kw_only=True)
class Hung:
    """The screen's place on the wall [mm]. possible is False where the bounds clash: top_mm is then
    where the frame would rest on its lowest allowed edge, to draw the clash."""

    place: Place
    asked: Asked
    height: Height
    top_mm: float
    eye_mm: float | None
    possible: bool

    def covers(self, one: Fitting) -> bool:
        """Whether the hung frame lies over a fitting on the wall."""
        return self.place.covers(
            self.top_mm, left_mm=one.x_mm, bottom_mm=one.y_mm, width_mm=one.width_mm, height_mm=one.height_mm
        )

    @property
    def picture_centre_mm(self) -> float:
        """Height of the viewable centre [mm]."""
        screen = self.place.screen
        return self.top_mm - screen.border.top_mm - screen.picture.height_mm / 2.0


def height(book: Book, room: Room, sized: Sized, seats: tuple[Placed, ...]) -> Hung:
    """Solve the height and write it into the book."""
    place = _place(book, room, sized.screen)
    kind = book.job.height.wish
    wish_mm, eye_mm, share = _wish(book, kind)
    wished = wished_top_mm(place, kind, wish_mm, share)
    asked = _asked(book, place, tuple(seat.eye for seat in seats))
    solved = solve_height(*bounds(asked), wished)
    possible = solved.chosen_mm is not None
    hung = Hung(
        place=place,
        asked=asked,
        height=solved,
        top_mm=solved.low.y_top_mm if solved.chosen_mm is None else solved.chosen_mm,
        eye_mm=eye_mm,
        possible=possible,
    )
    _write_interval(book, solved, place)
    if possible:
        _write_choice(book, hung, wished)
    else:
        _clash(book, asked, sized, solved, seats)
    _guide(book, hung)
    return hung


def _asked(book: Book, place: Place, eyes: tuple[Eye, ...]) -> Asked:
    """Everything in the room that bounds the height."""
    given = book.job
    near = [box for box in given.survey.boxes if box.z_mm < book.shop["near_wall_mm"]]
    skirting = book.length("skirting", "height", "Skirting", "/height/skirting_mm", given.height.skirting_mm, "skirting_mm")
    return Asked(
        place=place,
        eyes=eyes,
        neck_deg=book.shop["neck_top_deg"],
        head_clear_mm=book.shop["head_clear_mm"],
        overhead=tuple((box.x_mm, box.x_mm + box.width_mm, box.y_mm) for box in near if box.kind == "soffit"),
        under=tuple((box.x_mm, box.x_mm + box.width_mm, box.y_mm + box.height_mm) for box in near if box.kind in UNDER),
        furniture_gap_mm=book.shop["furniture_gap_mm"],
        skirting_mm=skirting,
        lens=placed_lens(book, place.centre_x_mm),
    )


def _guide(book: Book, hung: Hung) -> None:
    """The centre of the picture over the eye line: guidance, warns and does not bind."""
    highest = centre_guidance_mm(hung.place.screen, hung.asked.eyes, book.shop["neck_centre_deg"])
    if highest is not None and hung.top_mm > highest + 0.5:
        over_mm = hung.top_mm - highest
        book.find("centre-high", "height", "mind",
            f"The picture's centre is more than {book.shop['neck_centre_deg']:g}° above the eye line of a seat: "
            f"{book.text(over_mm)} lower would ease the neck.", {"over_mm": over_mm})  # fmt: skip


def _place(book: Book, room: Room, screen: Screen) -> Place:
    given = book.job.height
    gap_mm = book.length("ceiling_gap", "height", "Gap to ceiling, least", "/height/ceiling_gap_mm", given.ceiling_gap_mm,
        "ceiling_gap_mm")  # fmt: skip
    lowest_mm = book.length("lowest_edge", "height", "Lowest allowed edge", "/height/lowest_edge_mm", given.lowest_edge_mm,
        "lowest_edge_mm", "how low the frame may hang; furniture decides it")  # fmt: skip
    centre_mm = room.wall_mm / 2.0 if given.centre_x_mm is None else given.centre_x_mm
    entry = Entry("/height/centre_x_mm", "length", (), True)
    if given.centre_x_mm is None:
        book.computed("centre_x", "height", "Screen centre from left", centre_mm, "middle of the wall",
            f"{book.get('wall_width')} / 2", ["wall_width"], "in the middle unless it is set", entry=entry)  # fmt: skip
    else:
        book.length("centre_x", "height", "Screen centre from left", entry.pointer, centre_mm, "wall_width_mm")
    lift_mm = book.job.wall.lift_on_mm
    place = Place(
        screen=screen, centre_x_mm=centre_mm, ceiling=room.ceiling, ceiling_gap_mm=gap_mm,
        lift_on_mm=book.shop["lift_on_mm"] if lift_mm is None else lift_mm, lowest_edge_mm=lowest_mm,
    )  # fmt: skip
    _check_sideways(book, place, room)
    return place


def _check_sideways(book: Book, place: Place, room: Room) -> None:
    out_mm = max(-place.left_mm, place.right_mm - room.wall_mm)
    if out_mm > 0.5 and place.screen.overall_width_mm <= room.wall_mm:
        side = "left" if place.left_mm < 0 else "right"
        half = place.screen.overall_width_mm / 2.0
        x_mm = half if side == "left" else room.wall_mm - half
        book.find("off-the-wall", "height", "stop", f"The frame stands {book.text(out_mm)} beyond the {side} wall end.",
            {"out_mm": out_mm},
            [cure(f"Screen centre to {book.text(x_mm)} from the left", height__centre_x_mm=x_mm)])  # fmt: skip


def _wish(book: Book, kind: WishKind) -> tuple[float, float | None, float]:
    given = book.job.height
    book.entered("wish", "height", "Height from", "/height/wish", kind, dict(WISHES)[kind], "choice", WISHES)
    default = {
        WishKind.EYE_LINE: "eye_mm",
        WishKind.FRAME_TOP: "ceiling_mm",
        WishKind.FRAME_BOTTOM: "lowest_edge_mm",
        WishKind.CEILING_GAP: "ceiling_gap_mm",
    }[kind]
    effect = "the wished height moves 1:1 with it" if kind is WishKind.EYE_LINE else ""
    wish_mm = book.length("wish_value", "height", WISH_LABELS[kind], "/height/wish_mm", given.wish_mm, default, effect)
    share = book.shop["eye_share"] if given.eye_share is None else given.eye_share
    if kind is not WishKind.EYE_LINE:
        return wish_mm, None, share
    text = f"{100 * share:.3g} %"
    book.entered("eye_share", "height", "Eye line, up the picture", "/height/eye_share", share, text, "share", optional=True)
    return wish_mm, wish_mm, share


BOUND_KEYS = {
    "ceiling": ["ceiling", "ceiling_gap", "centre_x"],
    "lift-on": ["ceiling", "lift_on", "centre_x"],
    "lowest-edge": ["lowest_edge", "overall_height"],
    "shift-upper": ["lens_y", "height"],
    "shift-lower": ["lens_y", "height"],
    "skirting": ["skirting", "overall_height"],
}


def _write_interval(book: Book, solved: Height, place: Place) -> None:
    for key, label, bound in (
        ("top_highest", "Frame top, highest", solved.high),
        ("top_lowest", "Frame top, lowest", solved.low),
    ):
        how, put_in = _said(book, bound, place)
        book.computed(key, "height", label, bound.y_top_mm, how, put_in, BOUND_KEYS.get(bound.key, ["overall_height"]), SOURCE)


def _said(book: Book, bound: Bound, place: Place) -> tuple[str, str]:
    if bound.key in ("ceiling", "lift-on"):
        lowest = place.ceiling.lowest(place.left_mm, place.right_mm)
        how = "lowest ceiling over the frame − larger of gap and lift-on clearance"
        return how, f"{book.exact(lowest)} − {book.exact(place.clear_mm)}"
    if bound.key == "lowest-edge":
        return "lowest allowed edge + overall height", f"{book.exact(place.lowest_edge_mm)} + {book.get('overall_height')}"
    return f"bound by the {bound.name}", ""


def _write_choice(book: Book, hung: Hung, wished: float) -> None:
    solved, screen = hung.height, hung.place.screen
    names = {bound.key: bound.name for bound in (solved.low, solved.high)}
    binds = "the wish" if solved.binds == "wish" else f"the {names[solved.binds]}"
    binding = {solved.high.key: "top_highest", solved.low.key: "top_lowest"}.get(solved.binds, "wish_value")
    book.computed("frame_top", "height", "Top of frame above floor", hung.top_mm, f"what was wished, held by {binds}",
        f"wished {book.exact(wished)}, between {book.get('top_lowest')} and {book.get('top_highest')}",
        [binding, "overall_height"], SOURCE, entry=Entry("/height/wish_mm", "length"))  # fmt: skip
    bottom = hung.top_mm - screen.overall_height_mm
    book.computed("frame_bottom", "height", "Bottom of frame above floor", bottom, "frame top − overall height",
        f"{book.get('frame_top')} − {book.get('overall_height')}", ["frame_top", "overall_height"], "definition")  # fmt: skip
    book.computed("picture_centre", "height", "Picture centre above floor", hung.picture_centre_mm,
        "frame top − top border − half the viewable height",
        f"{book.get('frame_top')} − {book.get('border_top')} − {book.get('height')} / 2", ["frame_top", "height"],
        "definition; seats and lens use this centre")  # fmt: skip
    book.ratio("binds", "height", "Held by", 0.0, binds, "the bound that moved the wish, or the wish itself", "",
        [binding], SOURCE)  # fmt: skip
    for bound, slack in solved.slack_mm:
        key = f"slack_{bound.key.replace('-', '_')}"
        formula = "bound − frame top" if bound is solved.high else "frame top − bound"
        book.computed(key, "height", f"Slack to {bound.name}", slack, formula,
            f"{book.exact(bound.y_top_mm)}, {book.exact(hung.top_mm)}", ["frame_top"], SOURCE)  # fmt: skip
    if solved.binds != "wish":
        _moved(book, solved, hung.top_mm, wished)


def _moved(book: Book, solved: Height, top_mm: float, wished: float) -> None:
    bound: Bound = solved.high if wished > top_mm else solved.low
    off_mm = abs(wished - top_mm)
    where = "lower" if wished > top_mm else "higher"
    book.find("wish-held", "height", "note",
        f"The wish asks for a frame top at {book.text(wished)}; the {bound.name} holds it {book.text(off_mm)} {where}.",
        {"off_mm": off_mm})  # fmt: skip


def _clash(book: Book, asked: Asked, sized: Sized, solved: Height, seats: tuple[Placed, ...]) -> None:
    clash_mm = solved.clash_mm
    numbers = {"clash_mm": clash_mm}
    said = f"No height fits: the {solved.low.name} and the {solved.high.name} clash by {book.text(clash_mm)}"
    if book.brief:
        book.find("height-clash", "height", "stop", f"{said}.", numbers)
        return
    cures: list[Cure] = []
    fits_mm = _largest(asked, sized)
    if fits_mm is not None and fits_mm < SMALLEST_MM:
        fits_mm = None
    if fits_mm is not None:
        grid = float(book.units.grid)
        fits_mm = math.floor(fits_mm / grid) * grid
        numbers["largest_diagonal_mm"] = fits_mm
        cures.append(cure(f"Largest diagonal that fits: {book.text(fits_mm)}", size__lead="diagonal",
            size__value_mm=fits_mm, size__tidy=None))  # fmt: skip
    cures += _give(book, asked, solved, seats)
    tail = "." if fits_mm is not None else "; at this place no diagonal fits."
    book.find("height-clash", "height", "stop",
        f"{said}{tail}", numbers, cures)  # fmt: skip


def _give(book: Book, asked: Asked, solved: Height, seats: tuple[Placed, ...]) -> list[Cure]:
    """What else could give, each only where it alone would do: tried against all bounds."""
    grid = float(book.units.grid)
    needed = math.ceil(solved.clash_mm / grid - 1e-9) * grid
    place, lens = asked.place, asked.lens
    cures: list[Cure] = []
    gap_mm = place.ceiling_gap_mm - needed
    if gap_mm >= place.lift_on_mm and room_left_mm(replace(asked, place=replace(place, ceiling_gap_mm=gap_mm))) >= 0.0:
        cures.append(Cure(text=f"Gap to ceiling down to {book.text(gap_mm)}",
            changes=(Change(pointer="/height/ceiling_gap_mm", value=gap_mm),)))  # fmt: skip
    edge_mm = place.lowest_edge_mm - needed
    if edge_mm >= 0.0 and room_left_mm(replace(asked, place=replace(place, lowest_edge_mm=edge_mm))) >= 0.0:
        cures.append(Cure(text=f"Lowest edge down to {book.text(edge_mm)}, if the furniture allows",
            changes=(Change(pointer="/height/lowest_edge_mm", value=edge_mm),)))  # fmt: skip
    if lens is not None and "shift" in solved.low.key + solved.high.key:
        y_mm = lens.y_mm + (needed if "shift" in solved.high.key else -needed)
        if y_mm >= 0.0 and room_left_mm(replace(asked, lens=replace(lens, y_mm=y_mm))) >= 0.0:
            way = "up" if y_mm > lens.y_mm else "down"
            cures.append(Cure(text=f"Lens {book.text(needed)} {way}, to {book.text(y_mm)} above the floor",
                changes=(Change(pointer="/throw/lens_y_mm", value=y_mm),)))  # fmt: skip
    if "rows" in (solved.low.key, solved.high.key):
        screen = place.screen  # with the frame as high as the other bounds let it go
        needed_mm = raised_mm(book, seats, solved.high.y_top_mm - screen.border.top_mm - screen.picture.height_mm)
        eyes = tuple(replace(one.eye, eye_mm=one.seated_mm + high) for one, high in zip(seats, needed_mm, strict=True))
        if room_left_mm(replace(asked, eyes=eyes)) >= -ROUNDING_MM:
            cures += platforms(book, seats, needed_mm)
    by_hand = {
        "furniture": f"Furniture {book.text(needed)} lower",
        "soffit": f"Soffit {book.text(needed)} higher, or the screen beside it",
        "neck": "Seats farther back, or a smaller picture",
    }
    cures += [Cure(text=by_hand[key]) for key in (solved.low.key, solved.high.key) if key in by_hand]
    if not cures:
        give = max(0.0, place.ceiling_gap_mm - place.lift_on_mm)
        cures.append(Cure(text=f"The gap alone gives {book.text(give)}, the edge {book.text(place.lowest_edge_mm)}."))
    return cures


def _largest(asked: Asked, sized: Sized) -> float | None:
    """Largest diagonal at this aspect, with the same borders, gaps and centre."""

    def room_mm(diagonal_mm: float) -> float:
        picture = picture_from(Lead.DIAGONAL, diagonal_mm, sized.aspect)
        screen = replace(asked.place.screen, picture=picture)
        return room_left_mm(replace(asked, place=replace(asked.place, screen=screen)))

    return largest_fitting(room_mm, most_mm=sized.screen.picture.diagonal_mm)
