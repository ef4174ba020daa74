"""Bed joints of masonry, which a plug is kept clear of."""

from gantline.core.errors import require_positive


def joint_off_mm(y_mm: float, joint_mm: float, course_mm: float) -> float:
    """From the nearest bed joint up to a hole [mm], - where the hole lies below it.

    Args: joint, height of any bed joint's middle; course, from joint to joint [mm].
    Source: courses of one height.  Leaves out: the upright joints.  Raises: OutOfRange.
    """
    require_positive(course_mm=course_mm)
    return (y_mm - joint_mm + course_mm / 2.0) % course_mm - course_mm / 2.0
