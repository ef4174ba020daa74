"""An order of points that a crew or a leaflet writes down by itself, checked against the frame it is for.

A list is right where it holds every point once. Where a point's partner straight across comes much later, the sheet may drift in
between: a whole side in one go is some makers' way, so that is said and not refused.
Leaves out: what the fabric does under it; the tension bench shows that.
"""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from gantline.core.tension.points import OPPOSITE, TensionPoint
from gantline.core.tension.steps import TensionStep, made_step

PART, REST = "Own order", "Not in the list"
MOST_NAMED = 6
SPLIT = re.compile(r"[,;\s]+")
JOINED = re.compile(r"\s*\+\s*")


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnOrder:
    """Steps of a list, without numbers: theirs come with the whole. troubles: why it cannot be followed, in words; left_out:
    points that it leaves out, done at its end; apart: how many steps lie between a point and its partner at most, and which
    point that is."""

    steps: tuple[TensionStep, ...]
    troubles: tuple[str, ...]
    left_out: tuple[int, ...]
    apart: int
    farthest: int | None


def own_order(text: str, points: Mapping[int, TensionPoint], action: str) -> OwnOrder:
    """A written list as steps.

    Args: text, numbers parted by commas, spaces or lines, + between points of one step; points, by the numbers it uses; action,
        what a hand does at each.
    """
    groups, troubles = _read(text)
    seen: set[int] = set()
    for number in (number for group in groups for number in group):
        if number not in points:
            troubles.append(f"{number} is no point of this frame: they run from 1 to {len(points)}")
        elif number in seen:
            troubles.append(f"{number} is in the list twice")
        seen.add(number)
    if troubles:
        return OwnOrder(steps=(), troubles=tuple(troubles[:MOST_NAMED]), left_out=(), apart=0, farthest=None)
    left_out = tuple(number for number in sorted(points) if number not in seen)
    steps = [_step(PART, [points[number] for number in group], action) for group in groups]
    steps += [_step(REST, [points[number]], action) for number in left_out]
    for number, step in enumerate(steps, start=1):
        step.number = number
    apart, farthest = _apart(groups, points)
    return OwnOrder(steps=tuple(steps), troubles=(), left_out=left_out, apart=apart, farthest=farthest)


def _read(text: str) -> tuple[list[tuple[int, ...]], list[str]]:
    groups, troubles = list[tuple[int, ...]](), list[str]()
    for word in SPLIT.split(JOINED.sub("+", text.strip())):
        numbers = [part for part in word.split("+") if part]
        if not all(part.isascii() and part.isdigit() and len(part) <= 4 for part in numbers):
            troubles.append(f"“{word[:20]}” is no number of a point")
        elif numbers:
            groups.append(tuple(int(part) for part in numbers))
    return groups, troubles


def _step(part: str, held: Sequence[TensionPoint], action: str) -> TensionStep:
    sides = list(dict.fromkeys(point.side for point in held))
    place = sides[0] if len(sides) == 1 else " and ".join(sides)
    return made_step(part, place, action, tuple(held), (), "", "")


def _apart(groups: Sequence[Sequence[int]], points: Mapping[int, TensionPoint]) -> tuple[int, int | None]:
    """How many steps part a point from its partner at most, and the point that comes first."""
    at_step = {number: step for step, group in enumerate(groups) for number in group}
    number_at = {(point.side, point.reading_mm): number for number, point in points.items()}
    worst: tuple[int, int | None] = (0, None)
    for number, step in _listed(at_step):
        point = points[number]
        across = number_at.get((OPPOSITE[point.side], point.reading_mm))
        if across in at_step and at_step[across] - step > worst[0]:
            worst = (at_step[across] - step, number)
    return worst


def _listed(at_step: Mapping[int, int]) -> Iterator[tuple[int, int]]:
    return iter(sorted(at_step.items(), key=lambda pair: pair[1]))
