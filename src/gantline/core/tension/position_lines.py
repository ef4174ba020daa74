"""Lines drawn on the cloth along the frame's edge: how far each goes past it says how hard the cloth is pulled there."""

from gantline.core.errors import require_not_negative, require_positive


def past_edge_mm(length_mm: float, line_n_m: float, stiff_n_m: float) -> float:
    """How far a line at the middle of a side goes past the frame's edge once the whole sheet is pulled [mm].

    Args: length_mm, of the frame across that side; line_n_m, line tension wanted; stiff_n_m, stretch stiffness of the cloth.
    Source: Hooke's law: strain is line tension over stretch stiffness; each of two opposite sides takes half the length.
    Leaves out: that cloth pulled one way draws in the other, and what slips at the holds; the tension bench has the former.
    Raises: OutOfRange.
    """
    require_positive(length_mm=length_mm, stiff_n_m=stiff_n_m)
    require_not_negative(line_n_m=line_n_m)
    return length_mm / 2.0 * line_n_m / stiff_n_m
