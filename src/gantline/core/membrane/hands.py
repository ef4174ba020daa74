"""Which points are held at the same moment."""

from enum import StrEnum


class Together(StrEnum):
    """Which points are held at the same moment."""

    ONE = "one"  # one at a time, by one person
    PARTNERS = "partners"  # a point and the one straight across, by two
    MIRRORED = "mirrored"  # the same, and their mirror images
