"""Candidates beside each other: measures with the band that is wanted, what is said of two of them, and the table as a file."""

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal, Protocol

from gantline.compare.verdict import Against
from gantline.core.errors import DesignError
from gantline.core.units import plain
from gantline.job.csv_rows import guarded

NO_WARNINGS = "no warnings"
Better = Literal["high", "low", ""]


class NoSuchCandidate(DesignError):
    """A comparison has no candidate of this key."""

    code = "no-such-candidate"


@dataclass(frozen=True, slots=True, kw_only=True)
class MeasureCell:
    """What one candidate has of a measure. text: as it stands in the table; note: a word or two with it, as a band's name;
    wanted: it lies within the band that is wanted; value: to sort by, in the measure's own unit, and None where there is none."""

    text: str
    note: str = ""
    wanted: bool = False
    value: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class MeasureRow:
    """One row of the table. short: its name where there is little room; wanted: the band in words; better: which end of it is the
    better one, where one is."""

    key: str
    label: str
    short: str
    cells: tuple[MeasureCell, ...]
    wanted: str = ""
    unit: str = ""
    better: Better = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    """What comes of a candidate. short: at most four words; reason: the whole sentence; also: what else stands against it."""

    severity: Literal["stop", "check", ""]
    short: str
    reason: str
    also: tuple[str, ...] = ()


def verdict_of(stops: Sequence[Against], checks: Sequence[Against], fits: str, past: str = "") -> Verdict:
    """The first thing against a candidate, Stops before Checks. fits: said where there is none; past: why its record must be
    edited first."""
    if past:
        return Verdict(severity="stop", short="edit its record", reason=past)
    against = (*stops, *checks)
    if not against:
        return Verdict(severity="", short=NO_WARNINGS, reason=fits)
    first, *rest = against
    severity: Literal["stop", "check"] = "stop" if stops else "check"
    return Verdict(
        severity=severity, short=first.short, reason=first.text, also=tuple(each.text for each in rest)
    )


class Candidate(Protocol):
    """What every candidate has, whatever it is."""

    @property
    def key(self) -> str: ...  # noqa: D102

    @property
    def title(self) -> str: ...  # noqa: D102

    @property
    def judged(self) -> Verdict: ...  # noqa: D102


def in_words(
    candidates: Sequence[Candidate], measures: Sequence[MeasureRow], first: str, second: str
) -> tuple[str, ...]:
    """Two candidates compared, by their keys: what differs a sentence each, then what is the same, then both verdicts.

    Raises: NoSuchCandidate.
    """
    keys = [candidate.key for candidate in candidates]
    for key in (first, second):
        if key not in keys:
            raise NoSuchCandidate(f"“{key}” is not among what is compared. Load the table again.")
    return tuple(_said(candidates, measures, keys.index(first), keys.index(second)))


def _said(
    candidates: Sequence[Candidate], measures: Sequence[MeasureRow], one: int, other: int
) -> Iterator[str]:
    same: list[str] = []
    ahead: tuple[list[str], list[str]] = ([], [])
    for measure in measures:
        mine, its = measure.cells[one], measure.cells[other]
        if not mine.text and not its.text:
            continue
        name = measure.label[0].lower() + measure.label[1:]
        if (mine.text, mine.note) == (its.text, its.note):
            same.append(name)
            continue
        unit = f" {measure.unit}" if measure.unit else ""
        wanted = f"; wanted is {measure.wanted}" if measure.wanted and mine.wanted != its.wanted else ""
        yield f"{measure.label}: {_full(mine)} against {_full(its)}{unit}{wanted}."
        leads = _leads(measure, mine, its)
        if leads is not None:
            ahead[leads].append(name)
    titles = (candidates[one].title, candidates[other].title)
    for title, names in zip(titles, ahead, strict=True):
        if names:
            yield f"Better with {title}: {', '.join(names)}."
    if same:
        yield f"The same: {', '.join(same)}."
    for place in (one, other):
        yield f"{candidates[place].title}: {candidates[place].judged.reason.rstrip('.')}."


def _full(cell: MeasureCell) -> str:
    return f"{cell.text or 'not known'}{f' ({cell.note})' if cell.note else ''}"


def _leads(measure: MeasureRow, mine: MeasureCell, its: MeasureCell) -> int | None:
    """Which of two is better, 0 or 1: the only one within the wanted band, else the one with more of what is better."""
    if mine.wanted != its.wanted:
        return 0 if mine.wanted else 1
    if not measure.better or mine.value is None or its.value is None or mine.value == its.value:
        return None
    return 0 if (mine.value > its.value) == (measure.better == "high") else 1


def as_csv(candidates: Sequence[Candidate], measures: Sequence[MeasureRow]) -> bytes:
    """The table as a file: a line a measure with its unit and the band that is wanted, a column a candidate."""
    out = io.StringIO(newline="")
    rows = csv.writer(out)

    def write(*cells: str) -> None:
        rows.writerow([guarded(plain(cell)) for cell in cells])

    write("measure", "unit", "wanted", *(candidate.title for candidate in candidates))
    for measure in measures:
        cells = (f"{cell.text}{f' ({cell.note})' if cell.note else ''}" for cell in measure.cells)
        write(measure.label, measure.unit, measure.wanted, *cells)
    write("verdict", "", "", *(candidate.judged.reason for candidate in candidates))
    return out.getvalue().encode("utf-8")
