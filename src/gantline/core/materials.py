"""One list for buying and loading: needs of all stations merged by item, in packs as they are sold."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive


@dataclass(frozen=True, slots=True, kw_only=True)
class Need:
    """So much of an item. unit: empty for pieces. pack: the step it is sold in; priced: how much of it a price is of (None:
    of a pack), as a meter of fabric that is cut by the tenth. why: which step it is for."""

    key: str
    name: str
    amount: float
    unit: str = ""
    pack: float = 1.0
    priced: float | None = None
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Bought:
    """What is there of an item, what a pack costs, and how far the rest is."""

    on_hand: float = 0.0
    pack: float | None = None
    price: float | None = None
    arrived: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """One line of the list: what is needed, what is missing, packs to buy and what they cost (None: no price)."""

    need: Need
    on_hand: float
    missing: float
    packs: int
    cost: float | None
    arrived: bool


def merged(needs: Iterable[Need]) -> tuple[Need, ...]:
    """Needs of the same item added up, in the order in which they first come; reasons joined."""
    found: dict[str, Need] = {}
    for need in needs:
        require_not_negative(amount=need.amount)
        before = found.get(need.key)
        if before is None:
            found[need.key] = need
            continue
        why = before.why if need.why in before.why.split(", ") else f"{before.why}, {need.why}".strip(", ")
        found[need.key] = Need(
            key=need.key,
            name=before.name,
            amount=before.amount + need.amount,
            unit=before.unit,
            pack=before.pack,
            priced=before.priced,
            why=why,
        )
    return tuple(found.values())


def line_of(need: Need, have: Bought) -> Line:
    """What of a need is to be bought.  Raises: OutOfRange."""
    pack = have.pack or need.pack
    require_positive(pack=pack)
    require_not_negative(on_hand=have.on_hand)
    missing = max(0.0, need.amount - have.on_hand)
    packs = math.ceil(missing / pack - 1e-9)
    times = packs if need.priced is None else packs * pack / need.priced
    return Line(
        need=need,
        on_hand=have.on_hand,
        missing=missing,
        packs=packs,
        cost=None if have.price is None else times * have.price,
        arrived=have.arrived,
    )


def with_spares(count: int, spare: float) -> int:
    """So many, and a share of spares, up to the next whole one."""
    return math.ceil(count * (1.0 + spare) - 1e-9)


def short_of(listed: int, spare: int, found: int) -> int:
    """How many parts of a kit are missing to work with: its spares need not be there."""
    return max(0, listed - spare - found)


def weighed_kg(parts: Iterable[tuple[int, int, float]]) -> float:
    """Mass of parts (count, of which spares, mass of one [g]) that are in use [kg]."""
    return sum((count - spare) * mass_g for count, spare, mass_g in parts) / 1000.0


STEPS = (
    (("board", "pocket", "l-plates", "t-plates", "plate", "glue", "sandpaper", "kit"), "Building the frame"),
    (("fabric", "staples", "springs", "lugs", "snaps", "lacing", "pull", "floor", "gloves"), "Stretching"),
    (("border", "strip", "mask"), "Trimming"),
    (("brackets", "wall"), "Hanging"),
)


def waits_for(key: str) -> str:
    """The step that waits for an item of the list, by its key."""
    return next((step for starts, step in STEPS if key.startswith(starts)), "The work")


def spoken_item(key: str) -> str:
    """An item's key as it is said."""
    return key.replace("-", " ")
