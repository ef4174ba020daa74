"""What leads a sheet or a station: the Stops and Checks that its figures rest on, read from what each figure read."""

from collections.abc import Callable, Iterable, Sequence
from typing import Any

from gantline.job.model import FIELDS
from gantline.plan.ask import Ask
from gantline.plan.finding import PlanFinding
from gantline.plan.refused import bits_of
from gantline.plan.station import Station

Question = Callable[[Ask], Any]


def weighs_of(ask: Ask, about: Iterable[Question]) -> int:
    """The bits of every field that some answers rest on."""
    weighs = 0
    for question in about:
        weighs |= ask.answer(question).weighs
    return weighs


def leads(finding: PlanFinding, weighs: int, ask: Ask, stops_all: Sequence[Station]) -> bool:
    """Whether a finding puts in doubt what rests on these fields. A Stop of survey, size or height says that the
    screen itself cannot be there; a Note leads nothing."""
    if finding.severity == "note":
        return False
    if finding.severity == "stop" and any(finding.station == station.key for station in stops_all):
        return True
    about = (finding.subject, *finding.also)
    # a Check about a whole list says nothing of the figures that read another thing in it
    if finding.severity == "check":
        about = tuple(pointer for pointer in about if pointer in FIELDS and FIELDS[pointer].kind != "list")
    return any(bits_of(pointer, ask) & weighs for pointer in about)


def leading(
    stations: Sequence[Station], ask: Ask, findings: Sequence[PlanFinding], about: Iterable[Question]
) -> tuple[PlanFinding, ...]:
    """The Stops and Checks that lead what rests on these answers, in the order of the findings."""
    stops_all = [station for station in stations if station.stops_all]
    weighs = weighs_of(ask, about)
    return tuple(finding for finding in findings if leads(finding, weighs, ask, stops_all))


def led_by(
    stations: Sequence[Station], ask: Ask, findings: Sequence[PlanFinding]
) -> dict[str, tuple[int, ...]]:
    """For every station, the places in the findings of other stations' Stops that its figures rest on."""
    stops = [(place, finding) for place, finding in enumerate(findings) if finding.severity == "stop"]
    if not stops:
        return {}
    stops_all = [station for station in stations if station.stops_all]
    order = {station.key: place for place, station in enumerate(stations)}
    led = {}
    for station in stations:
        weighs = weighs_of(ask, (figure.make for figure in station.figures))
        led[station.key] = tuple(
            place
            for place, finding in stops
            if order[finding.station] < order[station.key] and leads(finding, weighs, ask, stops_all)
        )
    return led
