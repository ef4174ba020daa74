"""When two lengths count as equal: one rule for every comparison of computed lengths."""

ROUNDING_MM = 1e-6  # what binary numbers lose on the way; far below any tape


def at_most(one_mm: float, other_mm: float, slack_mm: float = 0.0) -> bool:
    """Whether a length is not longer than another by more than a slack and the rounding of binary numbers [mm]."""
    return one_mm <= other_mm + slack_mm + ROUNDING_MM
