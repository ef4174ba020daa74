"""Cures that were tried: a tap on one ends its finding and brings no Stop."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from gantline.job.edits import Edit, apply, nudged
from gantline.job.problems import BadDocument
from gantline.plan.ask import Ask
from gantline.plan.finding import RANK, Cure, Finding, Found, told
from gantline.plan.station import Station

Key = tuple[str, str]
NO_ONE_CHANGE = "No one change ends this. Look at the other Stops first, or choose another size or place."


def key_of(finding: Finding) -> Key:
    """What tells a finding from every other of the same plan."""
    return str(finding.code), finding.subject


def stops_of(stations: Sequence[Station], ask: Ask) -> Iterator[Finding]:
    """Every Stop of every station, its further cures not asked for; found as they are looked at."""
    for station in stations:
        for question in station.may_stop:
            for finding in ask.answer(question).value:
                if finding.severity == "stop":
                    yield finding


def _told_stops(stations: Sequence[Station], ask: Ask) -> Iterator[tuple[Found, Finding]]:
    for station in stations:
        for question in station.may_stop:
            for finding in ask.answer(told(question)).value:
                if finding.severity == "stop":
                    yield question, finding


def _new_stop(stations: Sequence[Station], ask: Ask, stops: frozenset[Key]) -> Finding | None:
    """The first Stop that was none before, and that no assumed fact undoes."""
    for question, stop in _told_stops(stations, ask):
        if key_of(stop) not in stops and any(
            key_of(judged) == key_of(stop) and judged.severity == "stop"
            for judged in ask.answer(question).value
        ):
            return stop
    return None


def tried(
    finding: Finding,
    question: Found,
    cures: Iterable[Cure],
    stations: Sequence[Station],
    ask: Ask,
    stops: frozenset[Key],
) -> Iterator[Cure]:
    """The cures as they may be offered, each tried on the job as it would be after the tap.

    Args: question, what the finding comes from; stops, what stops the job now.  Returns: a cure that ends its finding
        and brings no Stop, as it is; one that brings a Stop by its text and that Stop's, without a tap; one that does
        not end its finding is left out.
    """
    for cure in cures:
        if not cure.changes:
            yield cure
            continue
        after = _after(cure, ask)
        if after is None or any(
            key_of(each) == key_of(finding) and RANK[each.severity] <= RANK[finding.severity]
            for each in after(told(question))
        ):
            continue
        new = _new_stop(stations, after, stops)
        yield cure if new is None else replace(cure, changes=(), but=new.text)


def _after(cure: Cure, ask: Ask) -> Ask | None:
    """The job after the tap, None where no job may be like that. Plain values are set without checking the whole
    document again: a cure sets what its field may hold."""
    job, rest = ask.job, []
    for change in cure.changes:
        if isinstance(change.value, dict | list):
            rest.append(Edit(pointer=change.pointer, value=change.value, known=change.known))
        else:
            job = nudged(job, change.pointer, change.value)
    try:
        return ask.with_job(apply(job, rest) if rest else job)
    except BadDocument:
        return None


def by_hand(finding: Finding, offered: tuple[Cure, ...]) -> str:
    """Why no tap ends a Stop; empty where one does, where a cure says what it would bring, or what the hand does."""
    if finding.severity != "stop" or offered:
        return ""
    return finding.by_hand or (NO_ONE_CHANGE if finding.cures or finding.ways else "")
