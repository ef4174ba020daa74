"""Height station: where the top of the frame goes, what binds, and what to do when nothing fits."""

import math
from dataclasses import dataclass, replace

from gantline.core.room import (
    Bound,
    Height,
    Place,
    WishKind,
    largest_fitting,
    lower_bounds,
    solve_height,
    upper_bounds,
    wished_top_mm,
)
from gantline.core.size import Lead, Screen, picture_from
from gantline.plan.book import Book, cure
from gantline.plan.figures import Change, Cure, Entry
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
SMALLEST_MM = 100.0  # the smallest diagonal a job may have; less is no screen
SOURCE = "bounds on the frame's top, wish clamped between them"


@dataclass(frozen=True, slots=True, kw_only=True)
class Hung:
    """The screen's place on the wall [mm]. possible is False where the bounds clash: top_mm is then
    where the frame would rest on its lowest allowed edge, to draw the clash."""

    place: Place
    height: Height
    top_mm: float
    eye_mm: float | None
    possible: bool

    @property
    def picture_centre_mm(self) -> float:
        """Height of the viewable centre [mm]."""
        screen = self.place.screen
        return self.top_mm - screen.border.top_mm - screen.picture.height_mm / 2.0


def height(book: Book, room: Room, sized: Sized) -> Hung:
    """Solve the height and write it into the book."""
    place = _place(book, room, sized.screen)
    kind = book.job.height.wish
    wish_mm, eye_mm, share = _wish(book, kind)
    wished = wished_top_mm(place, kind, wish_mm, share)
    solved = solve_height(upper_bounds(place), lower_bounds(place), wished)
    possible = solved.chosen_mm is not None
    hung = Hung(
        place=place,
        height=solved,
        top_mm=solved.low.y_top_mm if solved.chosen_mm is None else solved.chosen_mm,
        eye_mm=eye_mm,
        possible=possible,
    )
    _write_interval(book, solved, place)
    if possible:
        _write_choice(book, hung, wished)
    else:
        _clash(book, place, sized, solved)
    return hung


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


def _write_interval(book: Book, solved: Height, place: Place) -> None:
    lowest = place.ceiling.lowest(place.left_mm, place.right_mm)
    book.computed("top_highest", "height", "Frame top, highest", solved.high.y_top_mm,
        "lowest ceiling over the frame − larger of gap and lift-on clearance",
        f"{book.exact(lowest)} − {book.exact(place.clear_mm)}", ["ceiling", "ceiling_gap", "centre_x"], SOURCE)  # fmt: skip
    book.computed("top_lowest", "height", "Frame top, lowest", solved.low.y_top_mm, "lowest allowed edge + overall height",
        f"{book.exact(place.lowest_edge_mm)} + {book.get('overall_height')}", ["lowest_edge", "overall_height"], SOURCE)  # fmt: skip


def _write_choice(book: Book, hung: Hung, wished: float) -> None:
    solved, screen = hung.height, hung.place.screen
    names = {bound.key: bound.name for bound in (solved.low, solved.high)}
    binds = "the wish" if solved.binds == "wish" else f"the {names[solved.binds]}"
    binding = {"ceiling": "top_highest", "lift-on": "top_highest", "lowest-edge": "top_lowest"}.get(solved.binds, "wish_value")
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


def _clash(book: Book, place: Place, sized: Sized, solved: Height) -> None:
    clash_mm = solved.clash_mm
    numbers = {"clash_mm": clash_mm}
    cures: list[Cure] = []
    fits_mm = _largest(place, sized)
    if fits_mm is not None and fits_mm < SMALLEST_MM:
        fits_mm = None
    if fits_mm is not None:
        grid = float(book.units.grid)
        fits_mm = math.floor(fits_mm / grid) * grid
        numbers["largest_diagonal_mm"] = fits_mm
        cures.append(cure(f"Largest diagonal that fits: {book.text(fits_mm)}", size__lead="diagonal",
            size__value_mm=fits_mm, size__tidy=None))  # fmt: skip
    cures += _give(book, place, clash_mm)
    tail = "." if fits_mm is not None else "; at this place no diagonal fits."
    book.find("height-clash", "height", "stop",
        f"No height fits: the {solved.low.name} and the {solved.high.name} clash by {book.text(clash_mm)}{tail}",
        numbers, cures)  # fmt: skip


def _give(book: Book, place: Place, clash_mm: float) -> list[Cure]:
    grid = float(book.units.grid)
    needed = math.ceil(clash_mm / grid - 1e-9) * grid
    cures: list[Cure] = []
    gap_mm = place.ceiling_gap_mm - needed
    if gap_mm >= place.lift_on_mm:
        cures.append(Cure(text=f"Gap to ceiling down to {book.text(gap_mm)}",
            changes=(Change(pointer="/height/ceiling_gap_mm", value=gap_mm),)))  # fmt: skip
    edge_mm = place.lowest_edge_mm - needed
    if edge_mm >= 0.0:
        cures.append(Cure(text=f"Lowest edge down to {book.text(edge_mm)}, if the furniture allows",
            changes=(Change(pointer="/height/lowest_edge_mm", value=edge_mm),)))  # fmt: skip
    if not cures:
        give = max(0.0, place.ceiling_gap_mm - place.lift_on_mm)
        cures.append(Cure(text=f"The gap alone gives {book.text(give)}, the edge {book.text(place.lowest_edge_mm)}."))
    return cures


def _largest(place: Place, sized: Sized) -> float | None:
    """Largest diagonal at this aspect, with the same borders, gaps and centre."""

    def room_mm(diagonal_mm: float) -> float:
        picture = picture_from(Lead.DIAGONAL, diagonal_mm, sized.aspect)
        smaller = replace(place, screen=replace(place.screen, picture=picture))
        return upper_bounds(smaller)[0].y_top_mm - lower_bounds(smaller)[0].y_top_mm

    return largest_fitting(room_mm, most_mm=sized.screen.picture.diagonal_mm)
