"""Wall station: two brackets, four holes, and the marks that find them."""

from dataclasses import dataclass

from gantline.core.errors import OutOfRange
from gantline.core.units import read_tape
from gantline.core.wall.brackets import BracketPair, BracketRule, PairChoice, place_by_rule, place_on_studs
from gantline.core.wall.marks import (
    Hole,
    HoleMark,
    ReverseCheck,
    holes,
    level_tolerance_mm,
    mark,
    reverse_check,
)
from gantline.plan.book import Book, cure
from gantline.plan.fittings import check_holes, free_studs
from gantline.plan.height import Hung
from gantline.plan.survey import Room

RULES = (("share", "share of frame width"), ("fixed", "fixed by the kit"))
FIXES = (("studs", "into studs"), ("backer", "backer board over studs"))


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkRow:
    """One hole's marks in the job's texts, one reading per reference; note spells out the rounding."""

    key: str
    name: str
    from_left: str
    from_centre: str
    from_stud: str
    from_datum: str
    to_floor: str
    to_ceiling: str
    note: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilling:
    """Holes [mm], their marks and the check that they are right."""

    pair: BracketPair
    holes: tuple[Hole, ...]
    marks: tuple[HoleMark, ...]
    rows: tuple[MarkRow, ...]
    check: ReverseCheck


def wall(book: Book, room: Room, hung: Hung) -> Drilling | None:
    """Choose the brackets and write the marks; None where there is nothing to drill yet."""
    given = book.job.wall
    drop_mm = book.length("drop", "wall", "Drop, hole to frame top", "/wall/drop_mm", given.drop_mm, "drop_mm",
        "every upper hole moves 1:1 with it: measure it on the bracket")  # fmt: skip
    offset_mm = book.length("row_offset", "wall", "Row offset", "/wall/row_offset_mm", given.row_offset_mm, "row_offset_mm",
        "the lower holes move 1:1 with it")  # fmt: skip
    book.length("lift_on", "wall", "Lift-on clearance", "/wall/lift_on_mm", given.lift_on_mm, "lift_on_mm")
    pair = _pair(book, room, hung)
    if pair is None or not hung.possible:
        return None
    try:
        four = holes(
            pair, top_mm=hung.top_mm, frame_height_mm=hung.place.screen.overall_height_mm, drop_mm=drop_mm,
            row_offset_mm=offset_mm,
        )  # fmt: skip
    except OutOfRange:
        book.find("rows-cross", "wall", "stop",
            f"The row offset, {book.text(offset_mm)}, is more than the frame's height: the rows of holes would cross.")  # fmt: skip
        return None
    marks = tuple(_mark(one, room, hung) for one in four)
    check_holes(book, four)
    _write_holes(book, marks)
    rows = () if book.brief else tuple(_row(book, one) for one in marks)
    check = reverse_check(four)
    _write_check(book, check)
    return Drilling(pair=pair, holes=four, marks=marks, rows=rows, check=check)


def _rule(book: Book, hung: Hung, *, sliding: bool) -> BracketRule:
    given, frame_mm = book.job.wall, hung.place.screen.overall_width_mm
    book.entered("rule", "wall", "Bracket spacing", "/wall/rule", given.rule, dict(RULES)[given.rule], "choice", RULES)
    play_mm = book.length("side_play", "wall", "Side play, each way", "/wall/side_play_mm", given.side_play_mm, "side_play_mm")
    if given.rule == "fixed":
        wished_mm = book.length("fixed_spacing", "wall", "Fixed spacing", "/wall/spacing_mm", given.spacing_mm, "bracket_fixed_mm",
            "the brackets stand as far apart as the kit says")  # fmt: skip
    else:
        share = book.shop["bracket_share"] if given.spacing_share is None else given.spacing_share
        text = f"{100 * share:.3g} %"
        book.entered("spacing_share", "wall", "Share of frame width", "/wall/spacing_share", share, text, "share", optional=True)
        wished_mm = share * frame_mm
    book.computed("wished_spacing", "wall", "Spacing by the rule", wished_mm,
        "the kit's fixed distance" if given.rule == "fixed" else "share × overall width",
        f"overall width {book.get('overall_width')}", ["overall_width", "fixed_spacing"],
        "two thirds of the width keeps the rail straight")  # fmt: skip
    return BracketRule(
        frame_mm=frame_mm, wished_mm=wished_mm, play_mm=play_mm if sliding else 0.0,
        centre_share=book.shop["centre_share"], inset_mm=book.shop["rail_inset_mm"],
    )  # fmt: skip


def _pair(book: Book, room: Room, hung: Hung) -> BracketPair | None:
    given, centre_mm = book.job.wall, hung.place.centre_x_mm
    rule = _rule(book, hung, sliding=True)
    on_studs = room.studs is not None and given.fix_to == "studs"
    if room.studs is not None:
        book.entered("fix_to", "wall", "Fixed", "/wall/fix_to", given.fix_to, dict(FIXES)[given.fix_to], "choice", FIXES)
    if rule.wished_mm > rule.frame_mm - 2.0 * rule.inset_mm:
        most_mm = max(rule.frame_mm - 2.0 * rule.inset_mm, 0.0)
        book.find("spacing-off-rail", "wall", "mind" if on_studs else "stop",
            f"The spacing asked for, {book.text(rule.wished_mm)}, is more than the usable rail, {book.text(most_mm)}.")  # fmt: skip
        if not on_studs:
            return None
    if not on_studs:
        pair = place_by_rule(rule, centre_mm)
        if room.studs is not None:
            book.find("backer", "wall", "note",
                "The backer board is screwed to every stud it crosses; the brackets go anywhere on it.")  # fmt: skip
        _write_pair(book, pair, room, None)
        return pair
    assert room.studs is not None  # noqa: S101 - narrowed by on_studs, for the type checker
    choice = place_on_studs(rule, centre_mm, free_studs(book, room.studs.centres_mm))
    if choice.best is None:
        _no_pair(book, choice, rule, centre_mm)
        return None
    _write_pair(book, choice.best, room, choice.runner_up)
    return choice.best


def _no_pair(book: Book, choice: PairChoice, rule: BracketRule, centre_mm: float) -> None:
    cures = []
    move_mm = choice.move_screen_mm
    if move_mm is not None:
        way = "right" if move_mm > 0 else "left"
        cures.append(cure(f"Screen {book.text(abs(move_mm))} to the {way}: a stud pair is then even about it",
            height__centre_x_mm=centre_mm + move_mm))  # fmt: skip
    cures.append(cure("Backer board over the studs: brackets go where the rule says", wall__fix_to="backer"))
    book.find("no-stud-pair", "wall", "stop",
        f"No two studs serve: their middle must lie within {book.text(rule.allowed_offset_mm)} of the screen's centre, with "
        f"the centre {100 * rule.centre_share:.0f} % of the width inside each.", {}, cures)  # fmt: skip


def _write_pair(book: Book, pair: BracketPair, room: Room, runner_up: BracketPair | None) -> None:
    keys = ["centre_x", "overall_width"]
    how = "screen centre ± half the spacing"
    if room.studs is not None and runner_up is not pair and book.job.wall.fix_to == "studs":
        keys = ["centre_x", "stud_first", "stud_spacing", "overall_width"]
        how = "stud pair closest to the rule, then nearest to even"
        names = [room.studs.centres_mm.index(x) + 1 for x in (pair.left_mm, pair.right_mm)]
        text = f"{_ordinal(names[0])} and {_ordinal(names[1])}"
        second = (
            ""
            if runner_up is None
            else f"runner-up {book.exact(runner_up.left_mm)} and {book.exact(runner_up.right_mm)}, "
            f"{book.exact(runner_up.spacing_mm)} apart"
        )
        book.ratio("studs_used", "wall", "Studs used", 0.0, text, how, second, keys, "nearest symmetric stud pair")
        book.computed("pair_offset", "wall", "Brackets' middle from centre", pair.offset_mm, "middle of the pair − screen centre",
            f"({book.exact(pair.left_mm)} + {book.exact(pair.right_mm)}) / 2 − {book.get('centre_x')}", keys,
            "the rail slides this much, within the side play")  # fmt: skip
    book.computed("spacing", "wall", "Bracket to bracket", pair.spacing_mm, how,
        f"{book.exact(pair.right_mm)} − {book.exact(pair.left_mm)}", keys, "two brackets on the rail")  # fmt: skip


def _ordinal(number: int) -> str:
    ending = "th" if 10 <= number % 100 <= 20 else {1: "st", 2: "nd", 3: "rd"}.get(number % 10, "th")
    return f"{number}{ending}"


def _mark(hole: Hole, room: Room, hung: Hung) -> HoleMark:
    stud_mm = None
    if room.studs is not None:
        index = room.studs.nearest(hole.x_mm)
        stud_mm = None if index is None else room.studs.centres_mm[index]
    return mark(hole, datum_mm=room.datum_mm, centre_mm=hung.place.centre_x_mm, stud_mm=stud_mm, floor=room.floor,
        ceiling=room.ceiling)  # fmt: skip


def _write_holes(book: Book, marks: tuple[HoleMark, ...]) -> None:
    by_key = {one.hole.key: one for one in marks}
    keys = (
        ["centre_x", "overall_width", "stud_first", "stud_spacing"]
        if "stud_first" in book.figures
        else ["centre_x", "overall_width"]
    )
    for side in ("left", "right"):
        book.computed(f"hole_{side}", "wall", f"{side.capitalize()} holes from left wall end", by_key[f"upper-{side}"].from_left_mm,
            "bracket centre, from the left wall end", "", keys, "one datum, each mark rounded alone")  # fmt: skip
    upper, lower = by_key["upper-left"], by_key["lower-left"]
    book.computed("upper_row", "wall", _datum_label("Upper holes", upper), abs(upper.from_datum_mm),
        "frame top − drop − datum line", f"{book.get('frame_top')} − {book.get('drop')} − {book.get('datum')}",
        ["frame_top", "drop", "datum"], "marked from the datum line")  # fmt: skip
    book.computed("lower_row", "wall", _datum_label("Lower holes", lower), abs(lower.from_datum_mm),
        "upper row − (overall height − row offset)",
        f"{book.exact(upper.from_datum_mm)} − ({book.get('overall_height')} − {book.get('row_offset')})",
        ["frame_top", "drop", "datum", "row_offset", "overall_height"], "marked from the datum line")  # fmt: skip


def _datum_label(what: str, one: HoleMark) -> str:
    return f"{what} {'above' if one.from_datum_mm >= 0 else 'below'} datum"


def _write_check(book: Book, check: ReverseCheck) -> None:
    for key, label, value in (
        ("check_across", "Check: hole to hole across", check.across_mm),
        ("check_down", "Check: upper to lower hole", check.down_mm),
        ("check_diagonal", "Check: both hole diagonals", check.diagonal_mm),
    ):
        book.computed(key, "wall", label, value, "between the planned holes", "", ["hole_left", "hole_right", "lower_row"],
            "read back after drilling")  # fmt: skip
    level_mm = level_tolerance_mm(check.across_mm, most_mm=book.shop["hole_level_mm"])
    book.ratio("level_tolerance", "wall", "Left and right level within", level_mm, f"{level_mm:.1f} mm",
        "1 mm or 0.5 mm per metre, whichever is less", f"across {book.exact(check.across_mm)}", [], "trade tolerance")  # fmt: skip


def _row(book: Book, one: HoleMark) -> MarkRow:
    shown = book.shop["rounding_shown_mm"]
    values = {"left": one.from_left_mm, "datum": one.from_datum_mm}
    off = {name: read_tape(value, book.units).error_mm for name, value in values.items()}
    notes = [
        f"{name} reading {abs(error):.2f} mm {'long' if error > 0 else 'short'}"
        for name, error in off.items()
        if abs(error) > shown
    ]
    side = one.from_centre_mm
    return MarkRow(
        key=one.hole.key,
        name=f"{one.hole.row} {one.hole.side}",
        from_left=book.text(one.from_left_mm),
        from_centre=f"{book.text(abs(side))} {'right' if side >= 0 else 'left'}",
        from_stud=_from_stud(book, one),
        from_datum=f"{book.text(abs(one.from_datum_mm))} {'above' if one.from_datum_mm >= 0 else 'below'}",
        to_floor=book.text(one.to_floor_mm),
        to_ceiling=book.text(one.to_ceiling_mm),
        note=", ".join(notes),
    )


def _from_stud(book: Book, one: HoleMark) -> str:
    if one.from_stud_mm is None:
        return ""
    if abs(one.from_stud_mm) < 0.5:
        return "on its centre"
    return f"{book.text(abs(one.from_stud_mm))} {'right' if one.from_stud_mm > 0 else 'left'}"
