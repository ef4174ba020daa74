"""What is assumed in a job, and what an answer rests on of it."""

from functools import lru_cache

from gantline.job.field import declared
from gantline.job.model import FIELDS, ITEMS
from gantline.plan.ask import ALL_DEFAULTS, DEFAULT_BITS, FIRST_DEFAULT, FIRST_ITEM, PLAIN, Ask, single_bits

ALL_FIELDS = tuple(FIELDS.values())
DEFAULT_KEYS = {bit.bit_length() - 1: one.key for one, bit in DEFAULT_BITS.items()}
MOST_NAMES = 5000  # sets of assumptions whose names are kept

# for every list of things: its field, and which of its fields count as assumed while they are absent
STANDING = tuple(
    (
        FIELDS[base],
        tuple(name for name, one in declared(kind).items() if one.stands and one.kind != "switch"),
    )
    for base, kind in ITEMS.items()
)
OF_LISTS = sum(one.bit for one, _ in STANDING)
OF_FIELDS = (1 << FIRST_ITEM) - 1  # and of defaults
STAND = tuple(plain_field for plain_field in PLAIN if plain_field.stands)
STAND_BITS = sum(one.bit for one in STAND)


class Rests:
    """What is assumed in a job, as bits and as keys. last: that of an earlier state of the job."""

    def __init__(self, ask: Ask, last: "Rests | None" = None) -> None:
        self.ask, job, changed = ask, ask.job, ask.changed
        old = last if last is not None and last.ask.bits is ask.bits else None
        self.plain: int = old.plain & ~changed if old else 0
        for at in single_bits(STAND_BITS & changed if old else STAND_BITS):
            if ALL_FIELDS[at].read(job) is None:
                self.plain |= 1 << at
        same_lists = old is not None and not changed & OF_LISTS and not changed >> FIRST_ITEM
        self.things: int = old.things if old and same_lists else self._things()
        self.said = 0
        for pointer, word in job.known.items():
            if word == "assumed":
                self.said |= FIELDS[pointer].bit if pointer in FIELDS else ask.bits.bit(pointer)
        self.assumed = self.plain | self.things | self.said
        self.names = ask.bits.names
        if len(self.names) > MOST_NAMES:
            self.names.clear()

    def _things(self) -> int:
        ask, found = self.ask, 0
        for one, names in STANDING:
            for thing in one.read(ask.job) or ():
                for name in names:
                    if getattr(thing, name) is None:
                        found |= ask.bits.bit(f"{one.pointer}/{thing.id}/{name}")
        return found

    def on(self, reads: int) -> tuple[str, ...]:
        """Keys and pointers of what is assumed among what was read."""
        return self._named(reads & self.assumed)

    def usual(self, reads: int) -> tuple[str, ...]:
        """Keys of the shop defaults among what was read."""
        return self._named(reads & ALL_DEFAULTS)

    def _named(self, bits: int) -> tuple[str, ...]:
        if not bits:
            return ()
        got = self.names.get(bits)
        if got is None:
            of_things = bits >> FIRST_ITEM
            # bits of things are given as they are met: by name, so that a plan does not depend on what was asked before
            named = sorted(self.ask.bits.pointers[at] for at in single_bits(of_things)) if of_things else ()
            got = self.names[bits] = (*_of_fields(bits & OF_FIELDS), *named)
        return got


@lru_cache(maxsize=8192)  # of every job alike
def _of_fields(bits: int) -> tuple[str, ...]:
    """Keys of fields and of defaults."""
    bit_places = single_bits(bits)
    return tuple(ALL_FIELDS[at].key if at < FIRST_DEFAULT else DEFAULT_KEYS[at] for at in bit_places)
