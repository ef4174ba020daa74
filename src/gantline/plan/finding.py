"""Findings: something to know, with what would cure it."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field, replace
from typing import Any, Literal

from gantline.job.field import field_of
from gantline.job.model import FIELDS
from gantline.plan.ask import Ask
from gantline.plan.assumed import doubted
from gantline.plan.figure import field_text

Severity = Literal["stop", "check", "note"]
RANK: dict[Severity, int] = {"stop": 0, "check": 1, "note": 2}
ChangeValue = (
    float | int | str | bool | None | dict[str, float | str | bool] | list[str] | list[dict[str, float | str]]
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """One set operation a cure, a dimension or an addition carries, for the API's edits."""

    pointer: str
    value: ChangeValue
    known: Literal["measured", "decided", "assumed"] | None = None


def change(named: object, value: ChangeValue) -> Change:
    """The edit that sets a field to a value."""
    return Change(pointer=field_of(named).pointer, value=value)


@dataclass(frozen=True, slots=True, kw_only=True)
class Cure:
    """A way out: what to do, and the changes that do it (none: by hand). but: the Stop it would bring instead."""

    text: str
    changes: tuple[Change, ...] = ()
    but: str = ""

    @property
    def possible(self) -> bool:
        """Whether no length it sets is one that no job may hold."""
        return all(_holds(one) for one in self.changes)


def cure(text: str, *changes: tuple[object, ChangeValue]) -> Cure:
    """A cure that sets fields."""
    return Cure(text=text, changes=tuple(change(*one) for one in changes))


@dataclass(slots=True, kw_only=True)
class Finding:
    """One finding of a station. code: from its closed set. subject: what it is about, a pointer.

    severity: stop (do not go on), check (look again), note. next: it says what to do before anything else.
    also: further pointers a Stop is about, of fields or of whole parts: what rests on them must wait. hole: the one hole
    it is about.
    ways: a question (and its arguments) that finds more cures; asked only for a finding that is shown.
    hurts: somebody may be hurt, so that a Check in its place holds the hole back all the same. doubt: the assumed fact
    that makes a Check of a Stop, a pointer. by_hand: why no tap ends a Stop: what has to be done or read for it.
    """

    code: str
    severity: Severity
    text: str
    subject: str = ""
    numbers: Mapping[str, float] = field(default_factory=dict)
    cures: tuple[Cure, ...] = ()
    ways: tuple[Any, ...] = ()
    next: bool = False
    also: tuple[str, ...] = ()
    hole: str = ""
    hurts: bool = False
    doubt: str = ""
    by_hand: str = ""


@dataclass(slots=True, kw_only=True)
class PlanFinding:
    """A finding as the plan shows it: its station, its cures, and what it rests on. withholds: it gives no hole away. by_hand:
    why no tap ends it."""

    code: str
    subject: str
    severity: Severity
    station: str
    text: str
    numbers: Mapping[str, float]
    cures: tuple[Cure, ...]
    next: bool
    rests_on: tuple[str, ...]
    also: tuple[str, ...] = ()
    hole: str = ""
    withholds: bool = False
    by_hand: str = ""


Find = Callable[[Ask], Iterable[Finding]]
Found = Callable[[Ask], tuple[Finding, ...]]
AS_TOLD: dict[Found, Found] = {}  # of questions that judge assumptions, what they judge
NEVER_STOP: set[Found] = set()  # questions of findings that a cure need not be tried against


def found(find: Find) -> Found:
    """A question of findings: its generator is run out, and a Stop that an assumption may undo becomes a Check."""

    def said(at: Ask) -> tuple[Finding, ...]:
        return tuple(find(at))

    def question(at: Ask) -> tuple[Finding, ...]:
        answer = at.answer(said)
        findings: tuple[Finding, ...] = answer.value
        if not any(finding.severity == "stop" for finding in findings):
            return findings
        return tuple(_believed(finding, said, at, answer.weighs) for finding in findings)

    question.__doc__, question.__name__ = find.__doc__, find.__name__
    AS_TOLD[question] = said
    return question


def told(question: Found) -> Found:
    """The question without the judgement of what is assumed: as the job stands."""
    return AS_TOLD.get(question, question)


def _key(finding: Finding) -> tuple[str, str, str]:
    return finding.code, finding.subject, finding.severity


def _believed(finding: Finding, said: Found, at: Ask, weighs: int) -> Finding:
    """The finding, or the Check it is where an assumed fact decides it."""
    if finding.severity != "stop":
        return finding

    def stands(after: Ask) -> bool:
        if any(_key(other) == _key(finding) for other in after.answer(said).value):
            return True
        # where the screen itself cannot be there any more, nothing is said of what hangs on it
        now = {_key(other) for question in at.forbids for other in at.answer(question).value}
        then = {_key(other) for question in after.forbids for other in after.answer(question).value}
        return any(severity == "stop" for _, _, severity in then - now)

    fact = doubted(at, weighs, stands)
    if fact is None:
        return finding
    label = f"{fact.field.label[0].lower()}{fact.field.label[1:]}"
    verb = "Measure" if fact.field.kind == "length" else "Enter"
    value = field_text(fact.field, fact.value, at.units)
    wait = " Do not drill until then." if finding.hurts else ""
    text = f"{finding.text} {verb} the {label} first: it is only assumed, {value}.{wait}"
    return replace(finding, severity="check", text=text, doubt=fact.pointer)


def noted(find: Find) -> Found:
    """A question of findings that are Checks and Notes whatever the job.  Raises: TypeError where one is a Stop."""

    def question(at: Ask) -> tuple[Finding, ...]:
        said = tuple(find(at))
        if any(one.severity == "stop" for one in said):
            raise TypeError(f"{find.__name__} is noted and stops; make it found")
        return said

    question.__doc__, question.__name__ = find.__doc__, find.__name__
    NEVER_STOP.add(question)
    return question


def _holds(one: Change) -> bool:
    value: Any = one.value
    ends = FIELDS[one.pointer].within if one.pointer in FIELDS else None
    return ends is None or not isinstance(value, float) or ends.low <= value <= ends.high
