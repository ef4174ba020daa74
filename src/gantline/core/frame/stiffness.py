"""How far the fabric bows a rail, how many braces hold it, and what a frame weighs.

Source: simply supported beam under a line load, δ = 5·N·L⁴ / (384·E·I).
Leaves out: that two continuous spans sag 0.42 of it, creep, and the fabric's own stiffness.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.errors import require_positive
from gantline.core.frame.pieces import Piece

MOST_BRACES = 6


def bending_n_mm2(e_gpa: float, inertia_mm4: float) -> float:
    """Stiffness of a board against bending, E times I [N mm²].  Raises: OutOfRange."""
    require_positive(e_gpa=e_gpa, inertia_mm4=inertia_mm4)
    return 1000.0 * e_gpa * inertia_mm4


def racking_n_mm(joint_kn_m: float, height_mm: float) -> float:
    """What it takes to push the top of a frame by one mm against its bottom [N/mm].

    Args: joint, moment that one corner takes a radian [kN·m]; height of the frame [mm].
    Source: four corners turn by 1 mm over the height: 4·k/H².  Raises: OutOfRange.  Leaves out: boards that bend with it, braces.
    """
    require_positive(joint_kn_m=joint_kn_m, height_mm=height_mm)
    return 4.0 * joint_kn_m * 1e6 / height_mm**2


def sag_mm(line_tension_n_m: float, span_mm: float, e_gpa: float, inertia_mm4: float) -> float:
    """How far a rail bows in the middle of a span [mm].  Raises: OutOfRange."""
    require_positive(span_mm=span_mm, e_gpa=e_gpa, inertia_mm4=inertia_mm4)
    load_n_mm, e_n_mm2 = line_tension_n_m / 1000.0, e_gpa * 1000.0
    return 5.0 * load_n_mm * span_mm**4 / (384.0 * e_n_mm2 * inertia_mm4)


def out_of_plane_mm(
    thrust_n: float, *, eccentric_mm: float, span_mm: float, e_gpa: float, inertia_mm4: float
) -> float:
    """How far a board bows out of the frame's plane under cloth that lies on its face [mm]: δ = P·e·L² / (8·E·I).

    Args: thrust, along the board, from the cloth that pulls its two ends together [N]; eccentric, from the board's middle to the
        cloth [mm]; span, its length [mm]; inertia, about the axis in the frame's plane [mm⁴].
    Source: a beam under an end moment P·e.  Raises: OutOfRange.  Leaves out: what brackets and braces hold against it, and that a
        bow adds to its own cause, which at a few millimeters is little.
    """
    require_positive(span_mm=span_mm, e_gpa=e_gpa, inertia_mm4=inertia_mm4)
    return thrust_n * eccentric_mm * span_mm**2 / (8.0 * 1000.0 * e_gpa * inertia_mm4)


def cloth_thrusts_n(
    line_tension_n_m: float, *, width_mm: float, height_mm: float, braces: int
) -> tuple[float, float]:
    """What cloth presses along one rail and along one upright of a frame [N].

    Args: line tension along all edges [N/m]; width, height of the frame [mm]; braces, uprights between the stiles.
    Source: the pull over a whole edge goes to the boards across it: half to each of two rails; to each stile half, or its
    share where braces stand between them.  Raises: OutOfRange.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm)
    pull = line_tension_n_m / 1000.0
    uprights = 1.0 / (braces + 1) if braces else 0.5
    return pull * height_mm / 2.0, pull * width_mm * uprights


@dataclass(frozen=True, slots=True, kw_only=True)
class SagRow:
    """A rail with so many braces: its widest span and how far it bows [mm]."""

    braces: int
    span_mm: float
    sag_mm: float


def sag_rows(
    length_mm: float, line_tension_n_m: float, e_gpa: float, inertia_mm4: float, most: int = MOST_BRACES
) -> tuple[SagRow, ...]:
    """The bow of a rail with 0, 1, 2 … even braces."""
    return tuple(
        SagRow(
            braces=n,
            span_mm=length_mm / (n + 1),
            sag_mm=sag_mm(line_tension_n_m, length_mm / (n + 1), e_gpa, inertia_mm4),
        )
        for n in range(most + 1)
    )


def fewest_braces(rows: Sequence[SagRow], allowed_mm: float, length_mm: float, handled_mm: float) -> int:
    """The fewest braces that keep the bow allowed; at least one on a rail longer than can be handled without."""
    least = 1 if length_mm > handled_mm else 0
    fit = (row.braces for row in rows if row.sag_mm <= allowed_mm and row.braces >= least)
    return next(fit, rows[-1].braces)


def wood_kg(pieces: Sequence[Piece], in_plane_mm: float, deep_mm: float, density_kg_m3: float) -> float:
    """Mass of the boards [kg]; mitered pieces weigh as much as along their center line, half-laps share their corner."""
    lengths = sum(piece.length_mm - (in_plane_mm if piece.ends != "square" else 0.0) for piece in pieces)
    return lengths * in_plane_mm * deep_mm * density_kg_m3 * 1e-9


def center_of_mass_mm(pieces: Sequence[Piece]) -> tuple[float, float]:
    """Center of mass of boards of one section, seen from the back [mm]."""
    whole = sum(piece.length_mm for piece in pieces)
    u = sum(one.length_mm * (one.left_mm + one.right_mm) / 2.0 for one in pieces) / whole
    v = sum(one.length_mm * (one.bottom_mm + one.top_mm) / 2.0 for one in pieces) / whole
    return u, v
