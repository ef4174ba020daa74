"""Asking a job questions: each is answered once, and what it read is written down, transitively.

A question is a function of Ask (and of a few hashable arguments) that returns a value. What it reads, by
itself or through other questions, is one integer, a bit a field. So what a figure rests on is what was read,
and a new plan keeps every answer of the last one that read no changed field.
"""

import math
from collections.abc import Callable, Hashable, Iterator, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from operator import attrgetter
from threading import Lock
from typing import Any, Concatenate, ParamSpec, TypeVar

from gantline.core.budget import spend
from gantline.core.defaults import DEFAULTS, Default, Shop
from gantline.core.units import UNSEEN, Units, exact_text, fine_text, length_text, to_steps, tolerance_text
from gantline.job.edits import nudged
from gantline.job.field import Field, Item, field_of
from gantline.job.model import FIELDS, ITEMS, Job

T = TypeVar("T")
R = TypeVar("R")
P = ParamSpec("P")
THINGS = TypeVar("THINGS", bound=Item)
UNITS_BIT = field_of(Job.units).bit
KNOWN_BIT = field_of(Job.known).bit
LISTS = tuple((FIELDS[base], kind) for base, kind in ITEMS.items())
PLAIN = tuple(one for one in FIELDS.values() if one.pointer not in ITEMS)
# by the part they stand in, "" for the document's own: how the part is read, and the names and bits in it
PLAIN_OF: dict[str, tuple[Callable[[Job], Any], list[tuple[str, int]]]] = {}
for _one in PLAIN:
    _part = _one.pointer.rpartition("/")[0]
    _read = attrgetter(_part[1:].replace("/", ".")) if _part else (lambda job: job)
    PLAIN_OF.setdefault(_part, (_read, []))[1].append((_one.name, _one.bit))
FIRST_DEFAULT = len(FIELDS)
DEFAULT_BITS = {one: 1 << (FIRST_DEFAULT + at) for at, one in enumerate(DEFAULTS.values())}
ALL_DEFAULTS = sum(DEFAULT_BITS.values())
GRID = 1e-9  # share of a step that is rounding
# by the pointer of a field: a question that says what is assumed while it is absent, a shop default or a value, where other
# fields decide that; None where they say it themselves, so that nothing is assumed
STANDS_IN: dict[str, Callable[["Ask"], Any]] = {}
FIRST_ITEM = FIRST_DEFAULT + len(DEFAULT_BITS)
MOST_KEPT = 5000  # answers taken over at once; of more, only what is asked again
STALE = 1.5  # times the answers of a plan of which all were asked: by then a third of them is asked no more


@dataclass(slots=True)
class Bits:
    """A bit for every field of every thing in a list, given when it is first met; names of sets of bits, once written."""

    of: dict[str, int] = field(default_factory=dict)
    # by the pointer of a thing, then by its field
    things: dict[str, dict[str, int]] = field(default_factory=dict)
    pointers: list[str] = field(default_factory=list)
    names: dict[int, tuple[str, ...]] = field(default_factory=dict)
    # by list: its things when it was last read, and of each its pointer and the bits of its fields
    lists: dict[str, tuple[Any, list[tuple[str, dict[str, int]]]]] = field(default_factory=dict)
    lock: Lock = field(default_factory=Lock)

    def bit(self, pointer: str) -> int:
        """The bit of a thing's field."""
        found = self.of.get(pointer)
        return self.mask([pointer]) if found is None else found

    def of_list(self, base: str, there: Sequence[Item]) -> list[tuple[str, dict[str, int]]]:
        """Pointer and bits of every thing of a list."""
        listed = self.lists.get(base)
        if listed is None or listed[0] is not there:
            names = [f"{base}/{each.id}" for each in there]
            listed = self.lists[base] = there, [(name, self.things.setdefault(name, {})) for name in names]
        return listed[1]

    def mask(self, pointers: list[str]) -> int:
        """The bits of many."""
        of, found = self.of, 0
        new = [pointer for pointer in pointers if pointer not in of]
        if new:
            with self.lock:  # an Ask belongs to one thread, its bits to all that came from it
                first = FIRST_ITEM + len(self.pointers)
                for path in new:
                    if path not in of:
                        of[path] = 1 << (FIRST_ITEM + len(self.pointers))
                        self.pointers.append(path)
                if FIRST_ITEM + len(self.pointers) - first == len(pointers):  # all new, one beside the other
                    return (1 << len(pointers)) - 1 << first
        for path in pointers:
            found |= of[path]
        return found


@dataclass(slots=True)
class Answer:
    """What a question came to, the bits of all that was read for it, and of what of that weighs.

    What is read has to be the same for the answer to be kept. What weighs is what the answer rests on: of many
    limits only the one that holds, and those near it.
    """

    value: Any
    reads: int
    weighs: int


class Thing:
    """A thing of a list as a question sees it: every attribute that is read is noted."""

    __slots__ = ("_ask", "_base", "_bits", "_item", "id")

    def __init__(self, ask: "Ask", item: Item, base: str, bits: dict[str, int]) -> None:
        self._ask, self._item, self._base, self.id, self._bits = ask, item, base, item.id, bits

    def __getattr__(self, name: str) -> Any:
        bit = self._bits.get(name)
        if bit is None:
            bit = self._bits[name] = self._ask.bits.bit(f"{self._base}/{name}")
        self._ask.reads |= bit
        self._ask.weighs |= bit
        return getattr(self._item, name)


class Ask:
    """One job, one shop, and the answers so far. last: an earlier Ask of the same job to keep answers from."""

    def __init__(self, job: Job, shop: Shop, last: "Ask | None" = None) -> None:
        self.job, self.shop, self.reads, self.weighs = job, shop, 0, 0
        self.answers: dict[Hashable, Answer] = {}
        # how many there were when all of them were asked for; 0 in a plan that asks for all of them itself
        self.fresh: int = 0 if last is None else last.fresh
        # what says that the screen cannot be where it is: questions of the plan this was made for
        self.forbids: tuple[Callable[[Ask], Any], ...] = () if last is None else last.forbids
        self.variants: dict[Hashable, Ask] = {}
        self.bits: Bits
        if last is not None and last.shop.overrides == shop.overrides:
            self.bits = last.bits
            self.kept, self.changed = last.answers, changed_bits(last.job, job, last.bits)
        else:
            self.bits, self.kept, self.changed = Bits(), {}, 0

    def keep_all(self) -> None:
        """Take over at once what holds of the last Ask's answers: for a whole plan, which asks for most of them.

        A cure that is tried asks for few, and takes each over as it is asked.
        """
        self.fresh = self.fresh or len(self.kept)
        if len(self.kept) > min(MOST_KEPT, STALE * self.fresh):
            self.fresh = 0
            return
        # a copy first: another thread may be asking the plan it is taken from
        self.answers, changed = self.kept.copy(), self.changed
        for key in [key for key, one in self.answers.items() if one.reads & changed]:
            del self.answers[key]
        self.kept = {}

    def __call__(self, question: Callable[Concatenate["Ask", P], R], *args: P.args, **_: P.kwargs) -> R:
        """The answer to a question."""
        key: Hashable = (question, args) if args else question
        got = self.answers.get(key)
        if got is None:
            got = self._new(key, question, args)
        self.reads |= got.reads
        self.weighs |= got.weighs
        value: R = got.value
        return value

    def answer(self, question: Callable[..., Any], *args: Any) -> Answer:
        """The answer to a question, with what it rests on."""
        key: Hashable = (question, args) if args else question
        got = self.answers.get(key)
        if got is None:
            got = self._new(key, question, args)
        self.reads |= got.reads
        self.weighs |= got.weighs
        return got

    def _new(self, key: Hashable, question: Callable[..., Any], args: tuple[Any, ...]) -> Answer:
        """An answer kept from the last plan, or found now."""
        got = self.kept.get(key) if self.kept else None
        if got is None or got.reads & self.changed:
            reads, weighs = self.reads, self.weighs
            self.reads = self.weighs = 0
            spend(1)
            value = question(self, *args)
            # kept, it would go on noting what is read of it with the Ask it came from
            if type(value) is Thing:
                raise TypeError(f"{question.__name__} answers with a thing of a list; answer with its values")
            got = Answer(value, self.reads, self.weighs)
            self.reads, self.weighs = reads, weighs
        self.answers[key] = got
        return got

    def aside(self, question: Callable[Concatenate["Ask", P], R], *args: P.args, **_: P.kwargs) -> R:
        """The answer to a question, which is read but does not weigh: asked again where it does."""
        key: Hashable = (question, args) if args else question
        got = self.answers.get(key)
        if got is None:
            got = self._new(key, question, args)
        self.reads |= got.reads
        value: R = got.value
        return value

    def field(self, named: T | None) -> T:
        """The value of a field, or what stands in while it is absent."""
        declaration = field_of(named)
        self.reads |= declaration.bit
        self.weighs |= declaration.bit
        value: T | None = declaration.read(self.job)
        if value is None:
            standing: T = self.standing(declaration)
            return standing
        return value

    def default_of(self, declaration: Field) -> Any:
        """What is assumed while a field is absent: a shop default or a value; None where nothing is, as other fields say it."""
        chosen = STANDS_IN.get(declaration.pointer)
        return declaration.default if chosen is None else self(chosen)

    def standing(self, declaration: Field) -> Any:
        """The value of what stands in for a field while it is absent; None where nothing does."""
        default = self.default_of(declaration) if declaration.pointer in STANDS_IN else None
        if default is None:
            return declaration.standing(self.shop)
        return self.default(default) if isinstance(default, Default) else default

    def given(self, named: T | None) -> T | None:
        """The value of a field as it was entered, None while it is absent."""
        declaration = field_of(named)
        self.reads |= declaration.bit
        self.weighs |= declaration.bit
        value: T | None = declaration.read(self.job)
        return value

    def things(self, named: list[THINGS]) -> Sequence[THINGS]:
        """The things of a list; of each only what is looked at counts as read."""
        declaration = field_of(named)
        self.reads |= declaration.bit
        self.weighs |= declaration.bit
        there = declaration.read(self.job) or ()
        # made anew, not kept: kept they would tie this Ask to itself, and only a search through all of memory sets it free
        things: Any = tuple(
            [
                Thing(self, each, base, bits)
                for each, (base, bits) in zip(
                    there, self.bits.of_list(declaration.pointer, there), strict=True
                )
            ]
        )
        seen: Sequence[THINGS] = things
        return seen

    def rows(self, named: list[THINGS], *fields: object) -> list[tuple[Any, ...]]:
        """Some fields of every thing of a list, read at once: for the lists that grow long."""
        declaration, names = field_of(named), [field_of(each).name for each in fields]
        there = declaration.read(self.job) or ()
        read = declaration.bit | self.bits.mask(
            [f"{declaration.pointer}/{each.id}/{name}" for each in there for name in names]
        )
        self.reads |= read
        self.weighs |= read
        return [tuple([getattr(each, name) for name in names]) for each in there]

    def of(self, thing: Item, named: T | None) -> T:
        """A field of a thing, or what stands in while it is absent."""
        declaration = field_of(named)
        value = getattr(thing, declaration.name)
        standing: T = declaration.standing(self.shop) if value is None else value
        return standing

    def said(self, pointer: str) -> str | None:
        """What the job says of how a field is known."""
        self.reads |= KNOWN_BIT
        self.weighs |= KNOWN_BIT
        return self.job.known.get(pointer)

    def default(self, one: Default) -> float:
        """A shop default that no field of the job replaces."""
        self.reads |= DEFAULT_BITS[one]
        self.weighs |= DEFAULT_BITS[one]
        return self.shop[one]

    @property
    def units(self) -> Units:
        """How this job writes lengths."""
        self.reads |= UNITS_BIT
        self.weighs |= UNITS_BIT
        return self.own_units

    @cached_property
    def own_units(self) -> Units:
        """How this job writes lengths, for what is written after all questions are answered: it notes nothing as read."""
        return self.job.units.to_core()

    @property
    def step_mm(self) -> float:
        """The tape's step [mm]."""
        return self.units.step_mm

    def up(self, length_mm: float) -> float:
        """A length on the tape's grid, not below it [mm]: what a cure sets is what a tape can show."""
        return math.ceil(length_mm / self.step_mm - GRID) * self.step_mm

    def down(self, length_mm: float) -> float:
        """A length on the tape's grid, not above it [mm]."""
        return math.floor(length_mm / self.step_mm + GRID) * self.step_mm

    def near(self, length_mm: float) -> float:
        """A length on the tape's grid, the nearest step [mm]."""
        return to_steps(length_mm, self.step_mm) * self.step_mm

    def text(self, length_mm: float) -> str:
        """A length as the job writes it, rounded to the tape."""
        return length_text(length_mm, self.units)

    def allowed(self, length_mm: float) -> str:
        """An allowed error as the job writes it."""
        return tolerance_text(length_mm, self.units)

    def within(self, length_mm: float) -> str:
        """An allowed error after what is judged: level “within 3 mm”, or “with no difference you can see” on this tape."""
        allowed = self.allowed(length_mm)
        return f"with {allowed}" if allowed.startswith(UNSEEN) else f"within {allowed}"

    def fine(self, length_mm: float) -> str:
        """A small length, as how far a rail bows."""
        return fine_text(length_mm, self.units)

    def exact(self, length_mm: float) -> str:
        """A length finer than the tape, for a working."""
        return exact_text(length_mm, self.units)

    def with_job(self, job: Job) -> "Ask":
        """Another job asked with this one's answers at hand: for comparisons and for cures that are tried."""
        return Ask(job, self.shop, self)

    def variant(self, pointer: str, value: Any) -> "Ask":
        """The job with one field set, asked with this one's answers at hand and kept for the next who asks the same."""
        key = (pointer, value)
        found = self.variants.get(key)
        if found is None:
            found = self.variants[key] = self.with_job(nudged(self.job, pointer, value))
        return found


def changed_bits(old: Job, new: Job, bits: Bits) -> int:
    """The bits of all fields in which two documents differ; a list that grew or shrank, and what is in it."""
    if old is new:
        return 0
    changed = 0
    for read, fields in PLAIN_OF.values():
        was, now = read(old), read(new)
        if was is now:
            continue
        was, now = vars(was), vars(now)
        for name, bit in fields:
            a, b = was[name], now[name]
            if a is not b and a != b:
                changed |= bit
    for list_field, kind in LISTS:
        before, after = list_field.read(old), list_field.read(new)
        if before is after or before == after:
            continue
        if [thing.id for thing in before or ()] != [thing.id for thing in after or ()]:
            changed |= list_field.bit
        else:
            changed |= _between(list_field, kind, before, after, bits)
    return changed


def _between(one: Field, kind: type[Item], before: Sequence[Item], after: Sequence[Item], bits: Bits) -> int:
    found = 0
    for a, b in zip(before, after, strict=True):
        if a == b:
            continue
        for name in kind.model_fields:
            if getattr(a, name) != getattr(b, name):
                found |= bits.bit(f"{one.pointer}/{a.id}/{name}")
    return found


def single_bits(bits: int) -> Iterator[int]:
    """The numbers of the bits that are set, low to high."""
    while bits:
        low = bits & -bits
        yield low.bit_length() - 1
        bits ^= low
