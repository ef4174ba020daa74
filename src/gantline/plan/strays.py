"""What a stored job may hold and a plan not count with: numbers past an end, and numbers that make too much work."""

from collections.abc import Iterable, Sequence

from gantline.core.budget import TooMuchWork
from gantline.core.units import Units
from gantline.job.edits import nudged
from gantline.job.ends import Stray
from gantline.job.model import Job
from gantline.plan.finding import Change, Cure, PlanFinding
from gantline.plan.station import Station

PAST_END = "past-its-end"
TOO_MUCH = "too-much-work"


def counted_with(job: Job, found: Iterable[Stray]) -> Job:
    """The job as the plan reads it: each such number at the nearest end. The job itself is not changed."""
    for one in found:
        job = nudged(job, one.pointer, one.nearest)
    return job


def stray_finding(stations: Sequence[Station], stray: Stray, units: Units, *, cures: bool) -> PlanFinding:
    """A Stop for one of them, with the nearest allowed number to tap."""
    ends = stray.ends.on_tape(units)
    offered = stray.ends.nearest(stray.value, *ends)
    low, high, nearest = (stray.ends.text(value, units) for value in (*ends, offered))
    return PlanFinding(
        code=PAST_END,
        subject=stray.pointer,
        severity="stop",
        station=_station(stations, stray.pointer),
        text=f"{stray.label} is stored as {stray.ends.text(stray.value, units)}, and {low} to {high} is allowed. "
        f"The plan counts with {nearest} until you set it.",
        numbers={"stored": float(stray.value), "allowed": float(stray.nearest)},
        cures=(Cure(text=f"Set it to {nearest}", changes=(Change(pointer=stray.pointer, value=offered),)),)
        if cures
        else (),
        next=False,
        rests_on=(),
    )


def too_much_finding(stations: Sequence[Station], error: TooMuchWork) -> PlanFinding:
    """The Stop of a job that would take more steps than a plan may."""
    return PlanFinding(
        code=TOO_MUCH,
        subject="",
        severity="stop",
        station=next((station.key for station in stations if station.stops_all), stations[0].key),
        text=f"{error} Nothing else of this job is worked out until then.",
        numbers={},
        cures=(),
        next=False,
        rests_on=(),
    )


def _station(stations: Sequence[Station], pointer: str) -> str:
    """The station that a field is entered at, or else the one named like its part of the job file."""
    for station in stations:
        if any(
            pointer == field.pointer or pointer.startswith(f"{field.pointer}/") for field in station.fields
        ):
            return station.key
    part = pointer.split("/")[1]
    return next((station.key for station in stations if station.key == part), stations[0].key)
