"""What is particular to each way of hanging, as figures."""

from collections.abc import Callable
from typing import Any

from gantline.core.defaults import WallDefaults
from gantline.core.wall.loads import OWN
from gantline.core.wall.ways import Way
from gantline.job.model.hanging import ACROSS, BOTTOMS, HEIGHTS_BY, UP, Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import size, term
from gantline.stations.common import drop_mm, lift_on_mm, on_cleat, part_drop_given, part_drop_mm, way
from gantline.stations.height import cabinet_top_mm
from gantline.stations.size import screen
from gantline.stations.survey import lattice, wall_build
from gantline.stations.wall.datum import across_from, up_from
from gantline.stations.wall.loads import fixing_key
from gantline.stations.wall.pads import turned
from gantline.stations.wall.shown import when
from gantline.stations.wall.solve import by_kit as kit_spacing
from gantline.stations.wall.way import (
    bottom,
    every_stud,
    hang_parts,
    leaflet_off_mm,
    lower_holes,
    lower_parts,
    row_offset_mm,
    side_play_mm,
    trim_mm,
)

WAY_FIGURES = Figures()
BY_WAY = "as the way of hanging has it"


def boards_count(at: Ask) -> bool:
    """Whether a cleat's boards say where its screws are."""
    return at(on_cleat) and not at(part_drop_given)


def on_rods(at: Ask) -> bool:
    """Whether the frame hangs on rods."""
    return at(way) is Way.RODS


def on_catch(at: Ask) -> bool:
    """Whether its bottom goes into springs first."""
    return at(way) is Way.BOTTOM_CATCH


def by_leaflet(at: Ask) -> bool:
    """Whether a leaflet gives the holes' height."""
    return at.given(Hanging.height_by) not in (None, "drop")


def at_brackets(at: Ask) -> bool:
    """Whether there are brackets to space."""
    return not at(every_stud)


def by_share(at: Ask) -> bool:
    """Whether their spacing is a share of the width."""
    return at(at_brackets) and not at(kit_spacing)


def by_kit(at: Ask) -> bool:
    """Whether the kit gives their spacing."""
    return at(at_brackets) and at(kit_spacing)


def slides_rows(at: Ask) -> bool:
    """Whether the rows' distance follows the frame."""
    return at(lower_holes) and at.given(Hanging.row_fixed_mm) is None and at(way) is not Way.LEDGER


def many_screws(at: Ask) -> bool:
    """Whether a bracket has more than one screw."""
    return at.field(Hanging.per_bracket) > 1


def on_proud_screws(at: Ask) -> bool:
    """Whether brackets drop over screw heads that stand out of the wall."""
    return at(way) is Way.PROUD_SCREWS


def in_blocks(at: Ask) -> bool:
    """Whether the frame's piece of a cleat is two blocks."""
    return at(on_cleat) and at.field(Hanging.cleat_piece) == "blocks"


def own_fixing(at: Ask) -> bool:
    """Whether the fixing is described here."""
    return at(fixing_key) == OWN


def on_stud_wall(at: Ask) -> bool:
    """Whether there is a choice of what to screw into."""
    return at(lattice) is not None


for _key, _label, _field, _show in (
    ("fix_to", "Fixed", Hanging.fix_to, on_stud_wall),
    ("rule", "Bracket spacing", Hanging.rule, at_brackets),
    ("spacing_share", "Share of frame width", Hanging.spacing_share, by_share),
    ("fixed_spacing", "Kit's spacing", Hanging.spacing_mm, by_kit),
    ("row_offset", "Hole-row spacing, less than frame height", Hanging.row_offset_mm, slides_rows),
    ("row_fixed", "Hole-row distance, if fixed", Hanging.row_fixed_mm, lower_holes),
    ("cleat_board", "Board", Hanging.cleat_board_mm, on_cleat),
    ("cleat_point", "Long point to frame top", Hanging.cleat_point_mm, boards_count),
    ("cleat_screw", "Front edge to its screws", Hanging.cleat_screw_mm, boards_count),
    ("cleat_piece", "Frame piece", Hanging.cleat_piece, on_cleat),
    ("cleat_block", "Each of its blocks", Hanging.cleat_block_mm, in_blocks),
    ("standoff_turn", "One turn of a standoff", Hanging.standoff_turn_mm, turned),
    ("screws_lie", "Screws of a bracket", Hanging.screws_lie, many_screws),
    ("screws_apart", "Spacing of a bracket's screws", Hanging.screws_apart_mm, many_screws),
    ("proud", "Screw heads out of the wall", Hanging.proud_mm, on_proud_screws),
    ("rod", "Rod, hook to eye", Hanging.rod_mm, on_rods),
    ("compress", "Bottom mount compression", Hanging.compress_mm, on_catch),
    ("leaflet", "As the leaflet gives it", Hanging.leaflet_mm, by_leaflet),
    ("anchor_name", "Own fixing", Hanging.anchor_name, own_fixing),
    ("anchor_base", "Anchored in", Hanging.anchor_base, own_fixing),
    ("anchor_depth", "Embedment depth", Hanging.anchor_depth_mm, own_fixing),
    ("anchor_drill", "Its drill", Hanging.anchor_drill_mm, own_fixing),
    ("anchor_lengths", "Sold in, mm", Hanging.anchor_lengths, own_fixing),
    ("anchor_plugged", "With a plug", Hanging.anchor_plugged, own_fixing),
    ("anchor_shear", "Its shear", Hanging.anchor_shear_n, own_fixing),
    ("anchor_pull", "Its pull-out", Hanging.anchor_pull_n, own_fixing),
):
    when(WAY_FIGURES, _key, _label, _field, _show)


def _choice(
    key: str, label: str, field: Any, choices: tuple[tuple[str, str], ...], chosen: Callable[[Ask], str]
) -> None:
    @WAY_FIGURES.other(key, label, "", "usual", field)
    def shown(at: Ask) -> Display:
        """What is gone by while nothing else is chosen."""
        value = at(chosen)
        return Display(value, text=dict(choices)[value], how="usual")


def by_drop(at: Ask) -> str:
    """What the upper holes' height comes from."""
    return at.given(Hanging.height_by) or "drop"


_choice("height_by", "Upper holes by", Hanging.height_by, HEIGHTS_BY, by_drop)
_choice("across_from", "Marks across from", Hanging.across_from, ACROSS, across_from)
_choice("up_from", "Marks up from", Hanging.up_from, UP, up_from)


@WAY_FIGURES.other("lower_holes", "Lower holes", "", BY_WAY, Hanging.lower_holes)
def has_lower(at: Ask) -> Display:
    """Whether there is a lower row."""
    has_row = at(lower_holes)
    return Display(has_row, text="yes" if has_row else "no", how=f"{BY_WAY}; nothing entered")


@WAY_FIGURES.length(
    "drop", "Drop, hole to frame top", "of the bracket, or of a cleat's boards", Hanging.drop_mm
)
def drop(at: Ask) -> Display:
    """From what the frame hangs by to its top."""
    label = "Drop, eye to frame top" if at(on_rods) else ""
    value = at(part_drop_mm)
    if at(boards_count):
        made = (
            term("long point to frame top", at.field(Hanging.cleat_point_mm))
            - term("board", at.field(Hanging.cleat_board_mm))
            + term("front edge to screws", at.field(Hanging.cleat_screw_mm))
        )
        how = "the wall piece's front edge is a board higher than its foot"
        return Display(value, made, how=how, forced=True, typed=True)
    if value != at.field(Hanging.drop_mm):
        return Display(value, term("as the leaflet gives it", value), label=label)
    return Display(value, label=label)


@WAY_FIGURES.length("side_play", "Side play, each way", BY_WAY, Hanging.side_play_mm)
def side_play(at: Ask) -> Display | None:
    """How far the frame slides."""
    return Display(at(side_play_mm)) if at(at_brackets) else None


@WAY_FIGURES.length("lift_on", "Lift-on clearance", BY_WAY, Hanging.lift_on_mm)
def lift_on(at: Ask) -> Display:
    """Room above the frame."""
    return Display(at(lift_on_mm))


@WAY_FIGURES.length("height_trim", "Height trim, each way", BY_WAY, Hanging.trim_mm)
def trim(at: Ask) -> Display:
    """While it hangs."""
    value = at(trim_mm)
    made = term("slot or thread, each way", value)
    return Display(value, made, how="" if value else "none: its height is decided by the holes")


@WAY_FIGURES.other("hang_parts", "Hang parts on the top rail", "", "by diagonal and mass", Hanging.hang_parts)
def parts(at: Ask) -> Display | None:
    """How many."""
    value = at(hang_parts)
    return (
        Display(value, text=f"{value}", how="by the screen's diagonal and mass") if at(at_brackets) else None
    )


@WAY_FIGURES.other("lower_parts", "Hang parts on the bottom rail", "", BY_WAY, Hanging.lower_parts)
def parts_below(at: Ask) -> Display | None:
    """How many."""
    if not at(at_brackets) or not at(lower_holes):
        return None
    value = at(lower_parts)
    return Display(value, text=f"{value}", how=BY_WAY)


@WAY_FIGURES.other("bottom", "Bottom held by", "", BY_WAY, Hanging.bottom)
def held_below(at: Ask) -> Display:
    """What keeps it from swinging."""
    value = at(bottom)
    return Display(value, text=dict(BOTTOMS)[value], how=BY_WAY)


@WAY_FIGURES.length(
    "pencil", "Pencil the studs, below the upper holes", "clear of the plate, behind the frame"
)
def pencil(at: Ask) -> Display | None:
    """Where a plate will not hide the marks."""
    if at(wall_build) != "studs" or not at(at_brackets):
        return None
    made = term("plate", at.field(Hanging.plate_height_mm)) / 2.0 + term(
        "clear of it", at.default(WallDefaults.pencil_mm)
    )
    return Display(made.value, made, how="clear of the plate, still behind the frame")


@WAY_FIGURES.length("leaflet_top", "Frame top by the leaflet", "cabinet + leaflet + drop")
def leaflet_top(at: Ask) -> Display | None:
    """Where holes at the leaflet's height would hang the frame, above the floor."""
    off, top, leaflet = at(leaflet_off_mm), at(cabinet_top_mm), at.given(Hanging.leaflet_mm)
    if off is None or top is None or leaflet is None:
        return None
    total = term("cabinet", top) + term("leaflet", leaflet) + term("drop", at(drop_mm))
    return Display(total.value, total)


@WAY_FIGURES.length("hole_drop", "Drop, hole to frame top", "the part's drop, less a rod")
def hole_drop(at: Ask) -> Display:
    """From the upper holes up to the frame's top, or down to it."""
    value = at(drop_mm)
    total = term("drop of the part", at(part_drop_mm))
    if at(way) is Way.RODS:
        total = total - term("rod", at.field(Hanging.rod_mm))
    if value < 0.0:
        return Display(-value, size(total), label="Drop, frame top to holes above it")
    return Display(value, total)


@WAY_FIGURES.length("rows_apart", "Hole row to hole row", "frame height less the row spacing, or fixed")
def rows_apart(at: Ask) -> Display | None:
    """Between the rows as planned."""
    offset = at(row_offset_mm)
    if offset is None:
        return None
    total = term("overall height", at(screen).overall_height_mm) - term("row spacing", offset)
    return Display(total.value, total) if total.value > 0.0 else None
