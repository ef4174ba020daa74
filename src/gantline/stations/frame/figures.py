"""Boards, braces, mass, blank and roll, and the frame as it was built."""

from collections.abc import Callable
from typing import Any

from gantline.core.defaults import BlankDefaults, FrameDefaults
from gantline.core.fabric.blank import metres_to_order
from gantline.core.frame.pieces import Joint, Role, is_shortened
from gantline.core.units import pair_text
from gantline.job.model.frame import Blank, FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, most, root, size, square, term
from gantline.stations.common import carrier_mm, frame_depth_mm, standoff_mm
from gantline.stations.frame.blank import blank, overlap_mm, return_mm, roll_cut, work_area_mm, wrap, wrapped
from gantline.stations.frame.board import board_mm, board_section, outer_mm, timber
from gantline.stations.frame.built import readings
from gantline.stations.frame.built import square as square_check
from gantline.stations.frame.plates import plates
from gantline.stations.frame.solve import (
    brace_count,
    fabric_kg,
    hollow_mm,
    joints,
    line_tension_n_m,
    mass_kg,
    parts,
    pieces,
    stuff,
    timber_kg,
    widest_span_mm,
)

FIGURES = Figures()
DRESSED = "dressed size of the board"
BEAM = "simply supported beam under a line load: 5·N·L⁴ / (384·E·I)"


def _when_timber(key: str, label: str, field: Any, unit: str = "") -> None:
    @FIGURES.other(key, label, unit, "usual", field)
    def shown(at: Ask) -> Display | None:
        """Only where the frame is built of boards."""
        return Display(at.field(field)) if at(timber) else None


_when_timber("board", "Board", FrameBuild.board)
_when_timber("lies", "Board lies", FrameBuild.lies)
_when_timber("wood", "Material", FrameBuild.material)
_when_timber("joint", "Corners", FrameBuild.joint)
_when_timber("longest_board", "Longest board or load", FrameBuild.longest_mm, "mm")
_when_timber("staple_leg", "Staple leg", FrameBuild.staple_mm, "mm")
_when_timber("kerf", "Saw kerf", FrameBuild.kerf_mm, "mm")
_when_timber("end_trim", "Trimmed off each board end", FrameBuild.end_trim_mm, "mm")


@FIGURES.length("frame_depth", "Frame depth", "the board as it lies, or the kit's sheet", FrameBuild.depth_mm)
def depth(at: Ask) -> Display:
    """Wall side to fabric."""
    by_board = at(timber) and at.given(FrameBuild.depth_mm) is None
    return Display(at(frame_depth_mm), how="the board as it lies", forced=by_board, typed=True)


@FIGURES.length("standoff", "Standoff", "the board that carries it, or the bracket", FrameBuild.standoff_mm)
def standoff(at: Ask) -> Display:
    """Bare wall to the frame's back."""
    by_board = at(carrier_mm) is not None and at.given(FrameBuild.standoff_mm) is None
    return Display(at(standoff_mm), how="the board of the cleat or ledger", forced=by_board, typed=True)


@FIGURES.length("board_thick", "Board thickness", DRESSED, FrameBuild.thick_mm)
def board_thick(at: Ask) -> Display | None:
    """As measured, else dressed."""
    return Display(at(board_mm)[0], how=DRESSED) if at(timber) else None


@FIGURES.length("board_wide", "Board width", DRESSED, FrameBuild.wide_mm)
def board_wide(at: Ask) -> Display | None:
    """As measured, else dressed."""
    return Display(at(board_mm)[1], how=DRESSED) if at(timber) else None


@FIGURES.other(
    "centre_bars", "Center bars", "", "the fewest that keep the rails straight", FrameBuild.centre_bars
)
def braces(at: Ask) -> Display:
    """Braces of a timber frame, bars of a kit."""
    count = at(brace_count)
    how = "the fewest that keep the rails straight" if at(timber) else "a kit has those on its sheet"
    return Display(count, text=str(count), how=how, label="Braces" if at(timber) else "Center bars")


@FIGURES.other("removable", "Braces can be taken out", "", "usual", FrameBuild.removable)
def removable(at: Ask) -> Display | None:
    """Only where there are braces of boards."""
    if not at(timber) or not at(brace_count):
        return None
    value = bool(at.field(FrameBuild.removable))
    return Display(value, text="yes, screwed and not glued" if value else "no")


@FIGURES.other("corner_plates", "Flat plates at the corners", "", "usual", FrameBuild.plates)
def corner_plates(at: Ask) -> Display | None:
    """Only where the frame is built of boards."""
    return Display(at.field(FrameBuild.plates)) if at(timber) else None


@FIGURES.length("hollow", "Pulled hollow by the cloth", "P·e·L² / 8·E·I, the board that bows more")
def hollow(at: Ask) -> Display | None:
    """Out of the frame's plane."""
    if not at(timber) or isinstance(at(pieces), str):
        return None
    return Display(
        at(hollow_mm), how="the cloth lies on the boards' face, half their depth from their middle"
    )


@FIGURES.other("frame_size", "Frame, outside", "", "overall size less the trim put on later")
def frame_size(at: Ask) -> Display:
    """What is built."""
    text = pair_text(*at(outer_mm), at.units)
    return Display(text, text=text, how="overall width × overall height, less trim")


def _length(key: str, label: str, role: Role) -> None:
    @FIGURES.length(key, label, "geometry of the joints")
    def cut(at: Ask) -> Display | None:
        """What each of them is cut to."""
        if not at(timber) or isinstance(at(pieces), str) or (role == "brace" and not at(brace_count)):
            return None
        whole = at(outer_mm)[0 if role == "rail" else 1]
        total: Expr = term("outside width" if role == "rail" else "outside height", whole)
        if is_shortened(role, Joint(at.field(FrameBuild.joint))):
            total = total - 2.0 * term("board width", at(board_section).in_plane_mm)
        return Display(total.value, total)


_length("rail_length", "Each rail", "rail")
_length("stile_length", "Each stile", "stile")
_length("brace_length", "Each brace", "brace")


@FIGURES.length("expected_diagonal", "Diagonals must read", "Pythagoras")
def expected_diagonal(at: Ask) -> Display:
    """Of the frame on the floor, when it is square."""
    wide, high = at(outer_mm)
    total = root(square(term("outside width", wide)) + square(term("outside height", high)))
    return Display(total.value, total)


def _sag(key: str, label: str, span: Callable[[Ask], float]) -> None:
    @FIGURES.other(key, label, "mm", BEAM)
    def bow(at: Ask) -> Display | None:
        """How far the fabric bows it."""
        if not at(timber):
            return None
        pull = term("line tension", at(line_tension_n_m), " N/m") / 1000.0
        stiff = term("E", at(stuff)[0], " GPa") * 1000.0 * term("I", at(board_section).inertia_mm4, " mm⁴")
        made = 5.0 * pull * square(square(term("span", span(at)))) / (384.0 * stiff)
        return Display(made.value, made, at.fine(made.value))


_sag("rail_sag", "Rails bow inward", lambda at: at(widest_span_mm))
_sag("stile_sag", "Stiles bow inward", lambda at: at(outer_mm)[1])


@FIGURES.other("mass", "Mass", "kg", "boards, fabric and hardware")
def mass(at: Ask) -> Display | None:
    """Of the finished screen."""
    value, wood = at(mass_kg), at(timber_kg)
    if value is None or wood is None:
        return None
    made = (
        term("boards", wood, " kg")
        + term("fabric", at(fabric_kg), " kg")
        + term("hardware", at.default(FrameDefaults.hardware_kg), " kg")
    )
    return Display(value, made, f"{value:.1f} kg")


@FIGURES.other("kit_mass", "Mass of the kit", "kg", "its parts without the spares", FrameBuild.mass_kg)
def kit_mass(at: Ask) -> Display | None:
    """As its sheet has it, else what its parts weigh."""
    if at(timber):
        return None
    value = at(mass_kg)
    text = "" if value is None else f"{value:.1f} kg"
    return Display(value, text=text, how="every part that is in use, as its sheet weighs it")


@FIGURES.other("joint_count", "Board ends to screw", "", "two screws and glue an end, plates on the back")
def joint_count(at: Ask) -> Display | None:
    """Screws and plates."""
    joinery = at(joints)
    if joinery is None:
        return None
    an_end = at.default(FrameDefaults.screws_an_end)
    plated = joinery.corner_plates + joinery.brace_plates
    text = f"{joinery.board_ends}, {joinery.screws} screws, {plated or 'no'} plates"
    how = (
        f"{joinery.corner_plates} L plates, {joinery.brace_plates} T plates, {joinery.plate_screws} plate screws; "
        f"{an_end:g} screws an end"
    )
    return Display(joinery.board_ends, text=text, how=how)


@FIGURES.length(
    "plate_inset", "Plates, from the outer edge", "past the fabric's return where the board is wide enough"
)
def plate_inset(at: Ask) -> Display | None:
    """Where the plates lie, so that staples do not meet them."""
    plating = at(plates)
    if plating is None or not at(wrapped):
        return None
    clear = at.default(FrameDefaults.plate_clear_mm)
    if plating.past_return:
        return Display(plating.inset_mm, term("return", at(return_mm)) + term("clear", clear))
    wide = term("board width", at(board_section).in_plane_mm)
    how = "as far in as the board lets; staples keep off them"
    return Display(plating.inset_mm, wide - term("plate", plating.wide_mm), how=how)


@FIGURES.other("piece_count", "Pieces to cut", "", "counted")
def piece_count(at: Ask) -> Display | None:
    """With the parts of what is spliced."""
    count = len(at(parts))
    return Display(count, text=str(count), how="with splices") if count else None


@FIGURES.length("return_back", "Return on the back", "share of the board's width", Blank.back_mm)
def back(at: Ask) -> Display | None:
    """Only where fabric is wrapped and stapled."""
    return Display(at(return_mm), how="share of the board's width") if at(wrapped) else None


@FIGURES.length("grip", "Grip past the return", "usual", Blank.grip_mm)
def grip(at: Ask) -> Display | None:
    """Only where fabric is wrapped and stapled."""
    return Display(at.field(Blank.grip_mm)) if at(wrapped) else None


@FIGURES.length("fabric_past", "Fabric past the frame", "edge, return and grip; never under the least")
def fabric_past(at: Ask) -> Display | None:
    """On each side."""
    if not at(timber):
        return None
    own, wrapping = at.given(Tensioning.overlap_mm), at(wrap)
    if own is not None or wrapping is None:
        return Display(at(overlap_mm), how="as entered, or the least that hands need")
    whole = term("edge", wrapping.edge_mm) + term("return", wrapping.back_mm) + term("grip", wrapping.grip_mm)
    return Display(wrapping.overlap_mm, most(whole, term("least", wrapping.least_mm)))


@FIGURES.other("blank_size", "Cut the fabric to", "", "frame and overlap on both sides")
def blank_size(at: Ask) -> Display | None:
    """The blank; a kit's fabric comes to size."""
    if not at(timber):
        return None
    text = pair_text(*at(blank), at.units)
    return Display(text, text=text, how="outside + twice the overlap, less what it stretches")


@FIGURES.other("roll_length", "Fabric to order", "m", "along the roll, in the steps it is sold by")
def roll_length(at: Ask) -> Display | None:
    """Metres of roll, for all layers."""
    cut = at(roll_cut) if at(timber) else None
    if cut is None or not cut.fits:
        return None
    meters = metres_to_order(cut.along_mm, at.default(BlankDefaults.roll_step_mm))
    layers = at.field(Blank.layers)
    made = term("each layer", meters, " m") * term("layers", layers, "")
    return Display(made.value, made, f"{made.value:.1f} m")


@FIGURES.length("roll_spare", "Fabric left over on the roll", "roll width less the blank")
def roll_spare(at: Ask) -> Display | None:
    """How much of the roll's width is not used."""
    cut = at(roll_cut) if at(timber) else None
    if cut is None or not cut.fits:
        return None
    total = term("roll width", cut.across_mm + cut.spare_mm) - term("blank across", cut.across_mm)
    return Display(cut.spare_mm, total)


@FIGURES.other("work_area", "Clean floor to lay it out", "", "the blank with room to kneel all round")
def work_area(at: Ask) -> Display:
    """Covered and clean, for two people."""
    text = pair_text(*at(work_area_mm), at.units)
    return Display(text, text=text, how="blank + room to kneel on both sides")


@FIGURES.length("lean", "Top leans", "(d₁² − d₂²) / (4·W)")
def lean(at: Ask) -> Display | None:
    """How far the top stands to one side of the bottom."""
    check, read = at(square_check), at(readings)
    if check is None or isinstance(check, str) or read is None:
        return None
    way = "right" if check.lean_mm >= 0.0 else "left"
    rising, falling = term("rising diagonal", read.rising_mm), term("falling diagonal", read.falling_mm)
    made = size((square(rising) - square(falling)) / (4.0 * term("mean width", check.width_mm)))
    return Display(made.value, made, label=f"Top leans {way}")


@FIGURES.length("closure", "Readings disagree by", "falling diagonal from the other five less as read")
def closure(at: Ask) -> Display | None:
    """Four sides and two diagonals are one reading more than needed."""
    check = at(square_check)
    if check is None or isinstance(check, str):
        return None
    return Display(abs(check.closure_mm), how="two triangles on the rising diagonal")


def gist(at: Ask) -> str:
    """What it is built of."""
    if not at(timber):
        return at.field(FrameBuild.name) or "kit"
    count = at(brace_count)
    return f"{at.field(FrameBuild.board).replace('x', '×')}, {count} brace{'' if count == 1 else 's'}"
