"""Ways out of what stands against building the frame and cutting the fabric."""

from gantline.core.defaults import BlankDefaults
from gantline.core.fabric.blank import RollCut
from gantline.core.frame.boards import DRESSED
from gantline.job.model.frame import BOARDS, Blank, FrameBuild
from gantline.job.model.light import FabricChoice
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, cure
from gantline.stations.frame.blank import overlap_mm
from gantline.stations.frame.board import board_mm, outer_mm
from gantline.stations.frame.built import READ
from gantline.stations.frame.solve import brace_count, pieces
from gantline.stations.size import built_mm, diagonal_cure, planned_screen, screen


def piece_ways(at: Ask) -> tuple[Cure, ...]:
    """Braces at even places, or fewer of them, or a narrower board."""
    wide = at(board_mm)[1]
    even = [cure("Set the braces at even places", (FrameBuild.braces, []))]
    narrower = [
        cure(
            f"Build it of {name}",
            (FrameBuild.board, nominal),
            (FrameBuild.thick_mm, None),
            (FrameBuild.wide_mm, None),
        )
        for nominal, name in BOARDS
        if DRESSED[nominal][1] < wide
    ]
    return (*even, *_fewer_braces(at), *narrower[::-1])


def splice_ways(at: Ask) -> tuple[Cure, ...]:
    """Boards as long as the longest piece, or a brace less."""
    boards = at(pieces)
    if isinstance(boards, str):
        return ()
    long = at.up(max(piece.length_mm for piece in boards))
    return (cure(f"Get boards {at.text(long)} long", (FrameBuild.longest_mm, long)), *_fewer_braces(at))


def _fewer_braces(at: Ask) -> tuple[Cure, ...]:
    left = at(brace_count) - 1
    if left < 0:
        return ()
    said = f"Use {left or 'no'} {'brace' if left == 1 else 'braces'}"
    return (cure(said, (FrameBuild.braces, []), (FrameBuild.centre_bars, left)),)


def roll_ways(at: Ask, cut: RollCut) -> tuple[Cure, ...]:
    """Ways to cut the blank: straight, the other way round, with less to hold on to, off a wider roll, for a smaller picture."""
    cures = []
    if at.given(Blank.turn_deg):
        cures.append(cure("Lay it straight on the roll", (Blank.turn_deg, 0.0)))
    if at.field(Blank.along) != "none":
        cures.append(cure("Lay it the other way along the roll", (Blank.along, "none")))
    less = at.down(at(overlap_mm) + cut.spare_mm / 2.0)
    if less >= at.default(BlankDefaults.blank_overlap_mm):
        cures.append(
            cure(
                f"Leave {at.text(less)} of fabric past each edge of the frame", (Tensioning.overlap_mm, less)
            )
        )
    picture = at(screen).picture
    cures.append(
        cure(
            f"Take a roll {at.text(at.up(cut.across_mm))} wide", (FabricChoice.roll_mm, at.up(cut.across_mm))
        )
    )
    narrowed = 1.0 + cut.spare_mm / min(at(outer_mm))
    if narrowed > 0.0:
        smaller = at.down(picture.diagonal_mm * narrowed)
        cures.append(diagonal_cure(f"Use a picture of {at.text(smaller)} diagonal", smaller))
    return tuple(cures)


def built_ways(at: Ask) -> tuple[Cure, ...]:
    """The largest picture that the frame on the floor takes, and its readings taken out."""
    planned, (wide, high) = at(planned_screen), at(built_mm)
    border, picture = planned.border, planned.picture
    across = 1.0 if wide is None else (wide - 2.0 * border.side_mm) / picture.width_mm
    up = 1.0 if high is None else (high - border.top_mm - border.bottom_mm) / picture.height_mm
    out = cure("Take the readings out", *((reading, None) for reading in READ))
    if min(across, up) <= 0.0:
        return (out,)
    fits = at.down(picture.diagonal_mm * min(across, up))
    return diagonal_cure(f"Use the largest diagonal this frame takes: {at.text(fits)}", fits), out
