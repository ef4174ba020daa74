"""What stands against one variant of a job, asked with the answers of the job at hand."""

from collections.abc import Collection, Iterator
from dataclasses import dataclass

from gantline.plan.ask import Ask
from gantline.plan.code import in_short
from gantline.plan.finding import Finding, Severity
from gantline.stations.registry import STATIONS

# what speaks first: where the screen and the lens can be, last what the seats think of it
IN_TURN = tuple(sorted(STATIONS, key=lambda station: station.speaks))


@dataclass(frozen=True, slots=True)
class Against:
    """One thing against a variant. remarks: how many things it says; none where only an assumption says them."""

    code: str
    severity: Severity
    station: str
    text: str
    remarks: int = 1

    @property
    def short(self) -> str:
        """The finding in at most four words."""
        return in_short(self.code)


def against(at: Ask, severity: Severity, stations: Collection[str] = ()) -> tuple[Against, ...]:
    """Findings of a severity at some stations, or at all of them. Their cures are not asked for."""
    return tuple(
        Against(
            str(finding.code),
            finding.severity,
            station,
            finding.text,
            0 if finding.doubt else int(finding.numbers.get("remarks", 1)),
        )
        for station, finding in _findings(at, severity, stations)
        if finding.severity == severity
    )


def _findings(at: Ask, severity: Severity, stations: Collection[str]) -> Iterator[tuple[str, Finding]]:
    for station in IN_TURN:
        if not stations or station.key in stations:
            for question in station.may_stop if severity == "stop" else station.findings:
                for finding in at(question):
                    yield station.key, finding
