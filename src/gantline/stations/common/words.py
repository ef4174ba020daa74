"""How moves and shares are said."""

from collections import Counter
from collections.abc import Mapping, Sequence

from gantline.core.errors import DesignError
from gantline.plan.ask import Ask

WAYS = (("left", "right"), ("down", "up"), ("closer", "back"))


def told_apart(names: Mapping[str, str]) -> dict[str, str]:
    """What things are called, by id: a name that several of them bear gets a number, in their order."""
    bearing, met, out = Counter(names.values()), Counter[str](), {}
    for thing, name in names.items():
        met[name] += 1
        out[thing] = f"{name} {met[name]}" if bearing[name] > 1 else name
    return out


def worded(error: DesignError, sentences: Mapping[str, str]) -> str:
    """What core refuses, in a station's words: core names the quantity and gives the numbers, it does not speak.

    Args: sentences, by the quantity that core names, "" for any other; core's numbers stand in braces.
    """
    said = sentences.get(str(error.context.get("field", "")), sentences[""])
    return said.format(**error.context)


def way_words(at: Ask, axis: int, by_mm: float) -> str:
    """A move along x, y or z [mm] as a person says it: 3 in left."""
    return f"{at.text(abs(by_mm))} {WAYS[axis][by_mm > 0.0]}"


def percent(share: float) -> str:
    """A share in whole per cent."""
    return f"{100 * share:.0f}\u00a0%"


def from_afar(_: Ask) -> str:
    """What the projector's part of a panel is for."""
    return "light off, power, input and lens from here"


def shift_text(share: float, up: bool | None = None) -> str:
    """A shift as it is set: 12.0 % up. up None: sideways by its sign."""
    text = f"{100 * abs(share):.1f}\u00a0%"
    if text == "0.0\u00a0%":
        return "none"
    if up is False:
        return f"{text} {'right' if share >= 0.0 else 'left'}"
    return f"{text} {'up' if share >= 0.0 else 'down'}"


def runs(numbers: Sequence[int]) -> str:
    """Point numbers in short: 7, 8, 9 becomes 7 to 9; a falling run reads upward."""
    ordered, out = sorted(numbers), []
    start = previous = ordered[0] if ordered else 0
    for number in [*ordered[1:], 10**9]:
        if number == previous + 1:
            previous = number
            continue
        out.append(
            str(start)
            if start == previous
            else f"{start}, {previous}"
            if previous == start + 1
            else f"{start} to {previous}"
        )
        start = previous = number
    return ", ".join(out) if ordered else ""
