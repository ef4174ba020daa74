"""An assumption never stops a job: a Stop whose truth changes while one assumed fact stays within its usual spread is a
Check that says which fact to measure.

One fact at a time: a number by one and by two of its spreads either way, a choice by every other choice.
Leaves out: two assumed facts that would have to be off together.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from gantline.core.defaults import Default
from gantline.job.field import Field, declared
from gantline.job.model import FIELDS, ITEMS
from gantline.plan.ask import FIRST_DEFAULT, FIRST_ITEM, Ask, single_bits

SPREADS = (1.0, -1.0, 2.0, -2.0)
ALL_FIELDS = tuple(FIELDS.values())
NUMBERS = ("length", "number", "share")


@dataclass(frozen=True, slots=True, kw_only=True)
class AssumedFact:
    """A fact of the world that nobody measured: its field and pointer, and the default and value that stand in for it."""

    field: Field
    pointer: str
    default: Any
    value: Any

    @property
    def spread(self) -> float:
        """How far the real thing usually lies from what stands in for it, in the field's own unit; 0 where nobody knows."""
        return self.default.spread if isinstance(self.default, Default) else self.field.spread


def fact_of(ask: Ask, field: Field, value: Any) -> AssumedFact:
    """The fact of a field that is entered one by one; value None: what stands in for it."""
    standing = ask.standing(field) if value is None else value
    return AssumedFact(field=field, pointer=field.pointer, default=ask.default_of(field), value=standing)


def assumed_facts(ask: Ask, weighs: int) -> Iterator[AssumedFact]:
    """The assumed facts among some fields that were read."""
    known = ask.job.known
    for place in single_bits(weighs):
        if place < FIRST_DEFAULT:
            field = ALL_FIELDS[place]
            value = field.read(ask.job) if field.fact and field.pointer not in ITEMS else None
            stands = value is None or known.get(field.pointer) == "assumed"
            if field.fact and stands and ask.default_of(field) is not None:
                yield fact_of(ask, field, value)
        elif place >= FIRST_ITEM:
            yield from _of_thing(ask, ask.bits.pointers[place - FIRST_ITEM])


def _of_thing(ask: Ask, pointer: str) -> Iterator[AssumedFact]:
    base, name, field_name = pointer.rsplit("/", 2)
    field = declared(ITEMS[base]).get(field_name) if base in ITEMS else None
    thing = next((thing for thing in FIELDS[base].read(ask.job) or () if thing.id == name), None)
    if field is not None and thing is not None and field.fact and field.default is not None:
        value = getattr(thing, field_name)
        if value is None or ask.job.known.get(pointer) == "assumed":
            standing = field.standing(ask.shop) if value is None else value
            yield AssumedFact(field=field, pointer=pointer, default=field.default, value=standing)


def others(fact: AssumedFact, at_spreads: Sequence[float] = SPREADS) -> Iterator[Any]:
    """What the fact may be in truth: a number so many of its spreads off, any other choice."""
    field, spread = fact.field, fact.spread
    if field.kind == "choice":
        yield from (choice for choice, _ in field.choices if choice != fact.value)
    elif field.kind == "switch":
        yield not fact.value
    elif field.kind in NUMBERS and spread > 0.0:
        default = fact.default
        low, high = (default.low, default.high) if isinstance(default, Default) else (None, None)
        for spreads in at_spreads:
            value = fact.value + spreads * spread
            held = field.within is None or field.within.low <= value <= field.within.high
            if held and (low is None or value >= low) and (high is None or value <= high):
                yield value


def doubted(ask: Ask, weighs: int, stands: Callable[[Ask], bool]) -> AssumedFact | None:
    """The first assumed fact whose usual spread decides whether something holds; None where it holds anyway.

    Args: weighs, the fields that it rests on; stands, whether another job's answers still say so.
    """
    for fact in assumed_facts(ask, weighs):
        for value in others(fact):
            after = ask.variant(fact.pointer, value)
            after.reads = 0
            still = stands(after)
            ask.reads |= after.reads
            if not still:
                return fact
    return None
