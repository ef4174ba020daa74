"""What must not be drilled: every hole that a Stop puts in doubt, with the reason."""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.job.model import FIELDS
from gantline.plan.ask import Ask
from gantline.plan.finding import PlanFinding
from gantline.plan.station import Drilled, Station


@dataclass(frozen=True, slots=True, kw_only=True)
class Refused:
    """One hole that is not to be drilled, and why: the texts of the Stops."""

    key: str
    name: str
    why: tuple[str, ...]


def refused(
    stations: Sequence[Station], ask: Ask, findings: Sequence[PlanFinding]
) -> tuple[tuple[Refused, ...], frozenset[str]]:
    """The refused holes, and the keys of figures and dimensions that lead to no other hole, or end at one of them.

    A Stop refuses a hole that rests on what it is about. A Stop of survey, size or height says that the screen
    itself cannot be there, and refuses every hole; one that names a hole refuses that one alone.
    """
    stops = [finding for finding in findings if finding.severity == "stop" or finding.withholds]
    if not stops:
        return (), frozenset()
    every = {station.key for station in stations if station.stops_all}
    found: list[Refused] = []
    marked: set[str] = set()
    broken: set[str] = set()
    kept: set[str] = set()
    for station in stations:
        if station.drilled is None:
            continue
        answer = ask.answer(station.drilled)
        there: tuple[Drilled, ...] = answer.value
        for hole in there:
            why = tuple(
                stop.text
                for stop in stops
                if _hits(stop, hole, answer.weighs, ask, every=stop.station in every)
            )
            (marked if why else kept).update(hole.shown)
            if why:
                broken.update(hole.spans)
                found.append(Refused(key=hole.key, name=hole.name, why=why))
    return tuple(found), frozenset((marked - kept) | broken)


def _hits(stop: PlanFinding, drilled: Drilled, weighs: int, ask: Ask, *, every: bool) -> bool:
    if stop.hole:
        return stop.hole == drilled.key
    return every or any(bits_of(pointer, ask) & weighs for pointer in (stop.subject, *stop.also))


def bits_of(pointer: str, ask: Ask) -> int:
    """The bits of a field, or of every field of a part or a thing."""
    if pointer in FIELDS:
        return FIELDS[pointer].bit
    part = sum(one.bit for name, one in FIELDS.items() if name.startswith(f"{pointer}/"))
    return part or sum(
        bit for name, bit in ask.bits.of.items() if name == pointer or name.startswith(f"{pointer}/")
    )
