"""Starting points of a size other than its own three numbers: the free wall, an angle, a fixed throw."""

from fractions import Fraction

from gantline.core.errors import OutOfRange, require_not_negative, require_positive


def width_on_wall_mm(free_mm: float, border_side_mm: float) -> float:
    """Widest picture on a free stretch of wall: free - 2 borders [mm]. Raises: OutOfRange if none is left."""
    require_positive(free_mm=free_mm)
    width = free_mm - 2.0 * border_side_mm
    if width <= 0.0:
        raise OutOfRange("the borders are wider than the free wall", field="free_mm", got=free_mm)
    return width


def free_between_hands_mm(wall_mm: float, hand_mm: float) -> float:
    """How wide a frame may be that two people can still hold by its ends while they put it on the wall [mm].

    Args: wall_mm, clear wall; hand_mm, room for a hand at either end.
    A wall that is mostly hands' room keeps half of itself: there the frame is put on from the front.
    Source: practice of the trade.  Leaves out: corners that only one hand reaches.  Raises: OutOfRange.
    """
    require_positive(wall_mm=wall_mm)
    require_not_negative(hand_mm=hand_mm)
    return max(wall_mm / 2.0, wall_mm - 2.0 * hand_mm)


def width_from_throw_mm(
    distance_mm: float,
    throw_ratio: float,
    panel_aspect: Fraction,
    picture_aspect: Fraction,
    overspill_mm: float = 0.0,
) -> float:
    """Viewable width a projector that cannot move throws [mm].

    Args: distance_mm, lens to fabric; throw_ratio over the panel's image width; overspill_mm at each side.
    Source: W_p = Z / R; W = W_p if s >= p, else s W_p / p; overspill comes out of that width.
    Raises: OutOfRange if nothing is left.
    """
    require_positive(distance_mm=distance_mm, throw_ratio=throw_ratio)
    require_not_negative(overspill_mm=overspill_mm)
    panel_mm = distance_mm / throw_ratio
    thrown = panel_mm if picture_aspect >= panel_aspect else panel_mm * float(picture_aspect / panel_aspect)
    width = thrown - 2.0 * overspill_mm
    if width <= 0.0:
        raise OutOfRange("overspill takes the whole picture", field="overspill_mm", got=overspill_mm)
    return width
