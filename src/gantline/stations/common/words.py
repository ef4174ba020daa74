"""How moves and shares are said."""

from gantline.plan.ask import Ask

WAYS = (("left", "right"), ("down", "up"), ("closer", "back"))


def way_words(at: Ask, axis: int, by_mm: float) -> str:
    """A move along x, y or z [mm] as a person says it: 3 in left."""
    return f"{at.text(abs(by_mm))} {WAYS[axis][by_mm > 0.0]}"


def percent(share: float) -> str:
    """A share in whole per cent."""
    return f"{100 * share:.0f}\u00a0%"
