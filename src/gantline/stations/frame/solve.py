"""Boards, braces, pieces, joints and mass of the frame."""

from dataclasses import dataclass
from itertools import pairwise

from gantline.core.defaults import BlankDefaults, Default, FrameDefaults, TensionDefaults
from gantline.core.errors import OutOfRange
from gantline.core.fabric.blank import fabric_kg as fabric_mass_kg
from gantline.core.frame.boards import Material
from gantline.core.frame.pieces import (
    Joinery,
    Joint,
    Piece,
    Splice,
    even_places,
    frame_pieces,
    joinery,
    pocket_screw_mm,
    spliced,
)
from gantline.core.frame.stiffness import (
    SagRow,
    cloth_thrusts_n,
    fewest_braces,
    out_of_plane_mm,
    sag_mm,
    sag_rows,
    wood_kg,
)
from gantline.core.materials import weighed_kg
from gantline.core.tension.cloths import USUAL, ClothSort
from gantline.core.tension.holds import Hold
from gantline.job.model.frame import Blank, BoxPart, FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common import worded
from gantline.stations.frame.blank import blank
from gantline.stations.frame.board import board_mm, board_section, outer_mm, timber

LINE_TENSIONS: dict[Hold, Default] = {
    Hold.STAPLE: TensionDefaults.line_hand_n_m,
    Hold.TACK: TensionDefaults.line_tack_n_m,
    Hold.SPRING: TensionDefaults.line_spring_n_m,
    Hold.LUG: TensionDefaults.line_snap_n_m,
    Hold.SNAP: TensionDefaults.line_snap_n_m,
    Hold.LACE: TensionDefaults.line_lace_n_m,
    Hold.PIN: TensionDefaults.line_snap_n_m,
}
STUFF: dict[Material, tuple[Default, Default]] = {
    Material.SOFTWOOD: (FrameDefaults.softwood_e_gpa, FrameDefaults.softwood_kg_m3),
    Material.POPLAR: (FrameDefaults.poplar_e_gpa, FrameDefaults.poplar_kg_m3),
    Material.PLYWOOD: (FrameDefaults.plywood_e_gpa, FrameDefaults.plywood_kg_m3),
    Material.ALUMINUM: (FrameDefaults.aluminum_e_gpa, FrameDefaults.aluminum_kg_m3),
}
NO_PIECES = "a kit comes in its own pieces"
NOT_BUILT = {
    "board_mm": "the boards are as wide as the frame: choose narrower ones",
    "braces_at_mm": "a brace lies on a stile: move it inward",
    "": "the trim leaves nothing of it",
}
NOT_SPLICED = {"": "no place is left for a splice: take longer boards, or fewer braces"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Spliced:
    """A piece that is made of parts; trouble: why no splice can be placed."""

    letter: str
    splice: Splice | None
    trouble: str = ""


def stuff(at: Ask) -> tuple[float, float]:
    """Modulus of elasticity [GPa] and density [kg/m³] of what it is made of."""
    stiff, dense = STUFF[Material(at.field(FrameBuild.material))]
    return at.default(stiff), at.default(dense)


def cloth(at: Ask) -> ClothSort:
    """What the cloth stretches like: as said, else what usually hangs in such a hold."""
    return ClothSort(at.given(Tensioning.cloth) or USUAL[Hold(at.field(Tensioning.hold))])


def line_tension_n_m(at: Ask) -> float:
    """What the fabric pulls with [N/m]: as said, a knit's own, else the hold's."""
    given = at.given(Tensioning.line_n_m)
    if given is not None:
        return given
    if at(cloth) is ClothSort.KNIT:
        return at.default(TensionDefaults.line_knit_n_m)
    return at.default(LINE_TENSIONS[Hold(at.field(Tensioning.hold))])


def sags(at: Ask) -> tuple[SagRow, ...]:
    """The bow of a rail with 0, 1, 2 … even braces."""
    return sag_rows(at(outer_mm)[0], at(line_tension_n_m), at(stuff)[0], at(board_section).inertia_mm4)


def stile_sag_mm(at: Ask) -> float:
    """The bow of a stile, which upright braces do not help [mm]."""
    return sag_mm(at(line_tension_n_m), at(outer_mm)[1], at(stuff)[0], at(board_section).inertia_mm4)


def hollow_mm(at: Ask) -> float:
    """How far rails or uprights bow out of the frame's plane, the one that bows more [mm]."""
    (wide, high), board = at(outer_mm), at(board_section)
    along = cloth_thrusts_n(at(line_tension_n_m), width_mm=wide, height_mm=high, braces=at(brace_count))
    return max(
        out_of_plane_mm(
            thrust,
            eccentric_mm=board.deep_mm / 2.0,
            span_mm=span,
            e_gpa=at(stuff)[0],
            inertia_mm4=board.flat_inertia_mm4,
        )
        for thrust, span in zip(along, (wide, high), strict=True)
    )


def brace_count(at: Ask) -> int:
    """How many braces: as placed or entered, else the fewest that keep the rails straight; a kit has those it says."""
    placed = at.things(FrameBuild.braces)
    if placed:
        return len(placed)
    given = at.given(FrameBuild.centre_bars)
    if given is not None:
        return given
    if not at(timber):
        return 0
    return fewest_braces(
        at(sags),
        at.default(FrameDefaults.sag_allowed_mm),
        at(outer_mm)[0],
        at.default(FrameDefaults.handled_rail_mm),
    )


def brace_places(at: Ask) -> tuple[float, ...]:
    """The middles of the braces from the left, seen from the back [mm]."""
    placed = at.things(FrameBuild.braces)
    if placed:
        return tuple(sorted(brace.u_mm for brace in placed))
    return even_places(at(outer_mm)[0], at(brace_count))


def widest_span_mm(at: Ask) -> float:
    """The widest part of a rail between braces [mm]."""
    return max(b - a for a, b in pairwise((0.0, *at(brace_places), at(outer_mm)[0])))


def rail_sag_mm(at: Ask) -> float:
    """The bow of the rails in their widest span [mm]."""
    return sag_mm(at(line_tension_n_m), at(widest_span_mm), at(stuff)[0], at(board_section).inertia_mm4)


def pieces(at: Ask) -> tuple[Piece, ...] | str:
    """Every piece of the frame, or why there is none."""
    if not at(timber):
        return NO_PIECES
    wide, high = at(outer_mm)
    try:
        return frame_pieces(
            width_mm=wide,
            height_mm=high,
            board_mm=at(board_section).in_plane_mm,
            joint=Joint(at.field(FrameBuild.joint)),
            braces_at_mm=at(brace_places),
        )
    except OutOfRange as error:
        return worded(error, NOT_BUILT)


def splices(at: Ask) -> tuple[Spliced, ...]:
    """Pieces that are longer than the longest board or load, in parts."""
    boards = at(pieces)
    if isinstance(boards, str):
        return ()
    longest, clear = at.field(FrameBuild.longest_mm), at.default(FrameDefaults.splice_clear_mm)
    half = at(board_section).in_plane_mm / 2.0
    out = []
    for piece in boards:
        supports = tuple(u - piece.left_mm for u in at(brace_places)) if piece.role == "rail" else ()
        try:
            made = spliced(piece.length_mm, longest, supports, clear + half)
            if made is not None:
                out.append(Spliced(letter=piece.letter, splice=made))
        except OutOfRange as error:
            out.append(Spliced(letter=piece.letter, splice=None, trouble=worded(error, NOT_SPLICED)))
    return tuple(out)


def parts(at: Ask) -> tuple[tuple[str, float], ...]:
    """What is cut: each piece, a spliced one in its parts, by letter, with its length [mm]."""
    boards = at(pieces)
    if isinstance(boards, str):
        return ()
    split = {splice.letter: splice.splice for splice in at(splices)}
    out: list[tuple[str, float]] = []
    for piece in boards:
        made = split.get(piece.letter)
        if made is None:
            out.append((piece.letter, piece.length_mm))
        else:
            out += [(f"{piece.letter}{n}", long) for n, long in enumerate(made.parts_mm, start=1)]
    scab = at.default(FrameDefaults.scab_mm)
    joints = sum(len(one.splice.joints_mm) for one in at(splices) if one.splice)
    return (*out, *((f"scab {n}", scab) for n in range(1, joints + 1)))


def joints(at: Ask) -> Joinery | None:
    """Screws and plates; None without boards."""
    if not at(timber):
        return None
    return joinery(
        at(brace_count),
        screws_an_end=round(at.default(FrameDefaults.screws_an_end)),
        screws_a_plate=round(at.default(FrameDefaults.screws_a_plate)),
        plated_faces={"none": 0, "back": 1, "both": 2}[at.field(FrameBuild.plates)],
        removable=bool(at.field(FrameBuild.removable)),
    )


def pocket_screw(at: Ask) -> float | None:
    """Length of the pocket screws [mm], by the board's thickness; None where the board takes none."""
    return pocket_screw_mm(at(board_mm)[0])


def timber_kg(at: Ask) -> float | None:
    """Mass of the boards [kg]; None for a kit."""
    boards, section = at(pieces), at(board_section)
    if isinstance(boards, str):
        return None
    return wood_kg(boards, section.in_plane_mm, section.deep_mm, at(stuff)[1])


def fabric_kg(at: Ask) -> float:
    """Mass of the fabric, all its layers and the velvet behind it [kg]; the velvet by the size of the fabric's blank."""
    size = at(blank)
    velvet = at.default(BlankDefaults.velvet_g_m2) if at.field(Blank.backing) else 0.0
    return fabric_mass_kg(*size, at.field(Blank.mass_g_m2), at.field(Blank.layers)) + fabric_mass_kg(
        *size, velvet, 1
    )


def parts_mass_kg(at: Ask) -> float | None:
    """A kit's parts without their spares [kg]; None unless each of them says what it weighs."""
    there = [(part.count, at.of(part, BoxPart.spare), part.mass_g) for part in at.things(FrameBuild.parts)]
    if not there or any(mass is None for _, _, mass in there):
        return None
    return weighed_kg((count, spare, mass or 0.0) for count, spare, mass in there)


def mass_kg(at: Ask) -> float | None:
    """Mass of boards, fabric and hardware [kg]; a kit's as its sheet has it, None where that is not known."""
    if not at(timber):
        given = at.given(FrameBuild.mass_kg)
        return at(parts_mass_kg) if given is None else given
    wood = at(timber_kg)
    return None if wood is None else wood + at(fabric_kg) + at.default(FrameDefaults.hardware_kg)


@dataclass(frozen=True, slots=True, kw_only=True)
class PutIn:
    """A part of the kit that goes into a place before that closes; count without the spares; long: each of them [mm]; on: the
    sides it belongs to, or empty; holds: whether the fabric is held by it."""

    id: str
    name: str
    count: int
    facing: str
    long_mm: float | None
    on: str
    holds: bool


def parts_into(at: Ask, place: str) -> tuple[PutIn, ...]:
    """What the kit's sheet puts into its tracks, hems, joints, grooves or outer frame, or on its bottom."""
    return tuple(_put_in(at, part) for part in at.things(FrameBuild.parts) if part.into == place)


def trim_parts(at: Ask) -> tuple[PutIn, ...]:
    """What of a kit goes on when the fabric holds, as caps or an edge trim, and has no other place of its own."""
    return tuple(
        _put_in(at, part)
        for part in at.things(FrameBuild.parts)
        if at.of(part, BoxPart.stops) == "trim" and part.into is None
    )


def outer_frame(at: Ask) -> bool:
    """Whether an outer frame is put round the fabric when it holds."""
    return (
        at.field(FrameBuild.trim_mm) > 0.0
        or at.given(FrameBuild.outer_by) is not None
        or bool(at(parts_into, "outer"))
    )


def _put_in(at: Ask, part: BoxPart) -> PutIn:
    return PutIn(
        id=part.id,
        name=part.name,
        count=part.count - at.of(part, BoxPart.spare),
        facing=part.facing or "",
        long_mm=part.long_mm,
        on=part.on or "",
        holds=at.of(part, BoxPart.stops) == "tension",
    )
