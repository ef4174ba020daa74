"""The plan of a job: every station's figures, findings, tables and panel, pure and total."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, Literal

from gantline.core.defaults import PLAIN_SHOP, Default, Shop
from gantline.core.units import exact_text, length_text
from gantline.job.field import Field, declared
from gantline.job.model import FIELDS, ITEMS, Job
from gantline.plan.ask import (
    ALL_DEFAULTS,
    DEFAULT_BITS,
    FIRST_DEFAULT,
    FIRST_ITEM,
    PLAIN,
    Answer,
    Ask,
    single_bits,
)
from gantline.plan.figure import (
    Entry,
    Figure,
    FigureDef,
    Known,
    Shown,
    entered_working,
    entry_of,
    field_text,
)
from gantline.plan.finding import RANK, PlanFinding, Severity
from gantline.plan.station import Caution, FaceName, Lit, PanelPart, Station, Weight
from gantline.plan.working import Unwritten

LOCAL_RULES = "Gantline computes guidance. Local codes, the makers' leaflets and licensed trades come first."
ALL_FIELDS = tuple(FIELDS.values())
DEFAULT_KEYS = {bit.bit_length() - 1: one.key for one, bit in DEFAULT_BITS.items()}
MEASURE = "measure"
MOST_NAMES = 5000  # sets of assumptions whose names are kept
READY = "Ready to mark and drill"


@dataclass(frozen=True, slots=True, kw_only=True)
class StationState:
    """A station on the rope: its gist, the worst of its findings, how much of it is assumed."""

    key: str
    label: str
    gist: str
    worst: Severity | None
    assumed: int


@dataclass(frozen=True, slots=True, kw_only=True)
class ToMeasure:
    """One thing to measure before drilling: what is assumed now, and what moves with it."""

    key: str
    label: str
    text: str
    effect: str
    pointer: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PanelPartOut:
    """A part of a panel as it is for this job: only what there is, and for a folded one its gist."""

    title: str
    weight: Weight
    rows: tuple[str, ...]
    widget: str
    gist: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Panel:
    """A station's panel, what the board lights up for it, the face it turns to, the strip below."""

    station: str
    lit: Lit
    face: FaceName | Literal["seat"]
    strip: str
    parts: tuple[PanelPartOut, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Assumption:
    """Something that figures rest on: a field nobody entered, or a shop default. pointer: empty for a default."""

    key: str
    label: str
    text: str
    pointer: str
    fact: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """One job worked out: what is known, what it came to, what to do next."""

    name: str
    stations: tuple[StationState, ...]
    figures: tuple[Figure, ...]
    findings: tuple[PlanFinding, ...]
    tables: dict[str, Any]
    rests: dict[str, tuple[str, ...]]
    panels: tuple[Panel, ...]
    cautions: tuple[Caution, ...]
    local_rules: str
    to_measure: tuple[ToMeasure, ...]
    assumptions: tuple[Assumption, ...]
    next_point: str


# by key: what a figure was made from (its answer or its value), what of that is assumed, how it is known
Built = dict[str, tuple[Any, int, str, Figure]]


@dataclass(kw_only=True)
class Planned:
    """A job planned: its figures and findings, and all else asked for only when somebody looks."""

    stations: Sequence[Station]
    ask: Ask
    rests: "Rests"
    figures: dict[str, Figure] = field(default_factory=dict)
    findings: tuple[PlanFinding, ...] = ()
    to_measure: tuple[ToMeasure, ...] = ()
    states: tuple[StationState, ...] = ()
    next_point: str = ""
    built: "Built" = field(default_factory=dict)

    def text(self, key: str) -> str:
        """A figure's text, empty where there is none."""
        found = self.figures.get(key)
        return found.text if found else ""

    def table(self, key: str) -> Any:
        """A station's table by its key; None while there is none."""
        return self.ask(
            next(one.question for station in self.stations for one in station.tables if one.key == key)
        )

    @cached_property
    def plan(self) -> Plan:
        """The whole plan, as it is sent and printed."""
        ask, rests = self.ask, self.rests
        answers = {one.key: ask.answer(one.question) for station in self.stations for one in station.tables}
        return Plan(
            name=ask.job.name,
            stations=self.states,
            figures=tuple(self.figures.values()),
            findings=self.findings,
            tables={key: one.value for key, one in answers.items() if one.value is not None},
            rests={key: rests.on(one.weighs) for key, one in answers.items() if rests.on(one.weighs)},
            panels=tuple(_panel(station, ask, self.figures) for station in self.stations),
            cautions=tuple(one for station in self.stations for one in _cautions(station, ask)),
            local_rules=LOCAL_RULES,
            to_measure=self.to_measure,
            assumptions=_assumptions(self.figures.values(), ask),
            next_point=self.next_point,
        )


# for every list of things: its field, and which of its fields count as assumed while they are absent
STANDING = tuple(
    (
        FIELDS[base],
        tuple(name for name, one in declared(kind).items() if one.stands and one.kind != "switch"),
    )
    for base, kind in ITEMS.items()
)
STAND = tuple(one for one in PLAIN if one.stands)


class Rests:
    """What is assumed in a job, as bits and as keys."""

    def __init__(self, ask: Ask) -> None:
        self.ask, job = ask, ask.job
        self.assumed = 0
        for one in STAND:
            if one.read(job) is None:
                self.assumed |= one.bit
        for one, names in STANDING:
            for thing in one.read(job) or ():
                for name in names:
                    if getattr(thing, name) is None:
                        self.assumed |= ask.bits.bit(f"{one.pointer}/{thing.id}/{name}")
        for pointer, word in job.known.items():
            if word == "assumed":
                self.assumed |= FIELDS[pointer].bit if pointer in FIELDS else ask.bits.bit(pointer)
        self.names = ask.bits.names
        if len(self.names) > MOST_NAMES:
            self.names.clear()

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
            got = self.names[bits] = tuple([self._key(at) for at in single_bits(bits)])
        return got

    def _key(self, at: int) -> str:
        if at < FIRST_DEFAULT:
            return ALL_FIELDS[at].key
        return DEFAULT_KEYS[at] if at < FIRST_ITEM else self.ask.bits.pointers[at - FIRST_ITEM]


def plan(
    job: Job, stations: Sequence[Station], shop: Shop = PLAIN_SHOP, last: Planned | None = None
) -> Planned:
    """Every station of the registry asked for what it shows.

    Any valid job gives a plan: what cannot be computed yet, or cannot be at all, is a finding. last: the plan
    of an earlier state of this job; answers that read nothing that changed since are kept.
    """
    ask = Ask(job, shop, last.ask if last else None)
    made = Planned(stations=stations, ask=ask, rests=Rests(ask))
    same = last is not None and last.ask.own_units == ask.own_units and last.ask.bits is ask.bits
    kept = last.built if last is not None and same else {}
    made.figures = {one.key: one for station in stations for one in _figures(station, made, kept)}
    made.to_measure = _to_measure(stations, made.figures, ask)
    found = [one for station in stations for one in _findings(station, ask, made.rests)]
    found += [_measure(stations, one) for one in made.to_measure]
    made.findings = tuple(sorted(found, key=lambda one: RANK[one.severity]))
    made.states = tuple(_state(station, ask, made.findings, made.figures) for station in stations)
    made.next_point = _next(made.findings, made.to_measure)
    return made


def _figures(station: Station, made: Planned, kept: Built) -> Iterator[Figure]:
    for entered, computed in station.entries:
        if computed is not None:
            figure = _computed(station, computed, made, kept)
        elif entered is not None:
            figure = _entered(station, entered, made, kept)
        if figure is not None:
            yield figure


def _entered(station: Station, one: Field, made: Planned, kept: Built) -> Figure:
    """The figure of a field; unchanged it is the one of the last plan."""
    ask = made.ask
    given, known = one.read(ask.job), known_of(one, ask.job)
    old = kept.get(one.key)
    if old is not None and old[0] == given and old[2] == known:
        made.built[one.key] = old
        return old[3]
    value = one.standing(ask.shop) if given is None else given
    figure = _field_figure(station, one, ask, value, given=given is not None)
    made.built[one.key] = (given, 0, known, figure)
    return figure


def _field_figure(
    station: Station, one: Field, ask: Ask, value: Any, *, given: bool, label: str = ""
) -> Figure:
    units = ask.own_units
    text, known = field_text(one, value, units), known_of(one, ask.job)
    return Figure(
        key=one.key,
        station=station.key,
        label=label or one.label,
        value=value if isinstance(value, float | int | str | bool | None) else str(value),
        unit="mm" if one.kind == "length" else "",
        text=text,
        known=known,
        working=entered_working(one, ask, value, text, given=given),
        rests_on=(one.key,) if known == "assumed" and value is not None else (),
        usual=(),
        entry=entry_of(one, given),
    )


def known_of(one: Field, job: Job) -> Known:
    """How a field is known: what the job says of it, else measured in the survey and decided elsewhere."""
    if one.read(job) is None:
        return "assumed"
    said = job.known.get(one.pointer)
    return said or ("measured" if one.fact and one.part == "survey" else "decided")


def _computed(station: Station, one: FigureDef, made: Planned, kept: Built) -> Figure | None:
    ask, rests = made.ask, made.rests
    answer = ask.answer(one.make)
    if answer.value is None:
        return None
    given = one.field is not None and one.field.read(ask.job) is not None
    known = known_of(one.field, ask.job) if one.field and given else ""
    bits = answer.weighs & rests.assumed
    old = kept.get(one.key)
    if old is not None and old[0] is answer and old[1] == bits and old[2] == known:
        made.built[one.key] = old
        return old[3]
    shown: Shown = answer.value
    if one.field is not None and not shown.forced and (given or one.field.stands):
        figure = _field_figure(station, one.field, ask, shown.value, given=given, label=shown.label)
        if not given and one.field.default is None:
            figure.working = _working(one, shown, ask)[1]
    else:
        figure = _made(station, one, shown, answer, made)
    made.built[one.key] = (answer, bits, known, figure)
    return figure


def _working(one: FigureDef, shown: Shown, ask: Ask) -> tuple[str, Unwritten]:
    units = ask.own_units
    text = shown.text
    if one.unit == "mm" and isinstance(shown.value, float) and not text:
        text = length_text(shown.value, units)
    return text, Unwritten(shown.value, shown.text, shown.working, shown.how, one.source, units)


def _made(station: Station, one: FigureDef, shown: Shown, answer: Answer, made: Planned) -> Figure:
    text, working = _working(one, shown, made.ask)
    entry: Entry | None = None if one.field is None or shown.forced else entry_of(one.field, False)
    blank = one.field is not None and shown.value is None
    return Figure(
        key=one.key,
        station=station.key,
        label=shown.label or one.label,
        value=shown.value,
        unit=one.unit,
        text=text,
        known="assumed" if blank else "computed",
        working=working,
        rests_on=made.rests.on(answer.weighs),
        usual=made.rests.usual(answer.weighs),
        entry=entry,
    )


def _findings(station: Station, ask: Ask, rests: Rests) -> Iterator[PlanFinding]:
    for question in station.findings:
        answer = ask.answer(question)
        for one in answer.value:
            weighs, cures = answer.weighs, one.cures
            if one.ways:
                more = ask.answer(*one.ways)
                weighs, cures = weighs | more.weighs, (*cures, *more.value)
            yield PlanFinding(
                code=str(one.code),
                subject=one.subject,
                severity=one.severity,
                station=station.key,
                text=one.text,
                numbers=one.numbers,
                cures=tuple(each for each in cures if each.possible),
                next=one.next,
                rests_on=rests.on(weighs),
            )


def _to_measure(stations: Sequence[Station], figures: dict[str, Figure], ask: Ask) -> tuple[ToMeasure, ...]:
    """The assumed facts that something to be cut, drilled or hung rests on."""
    targets = [figures[key] for station in stations for key in station.targets if key in figures]
    resting = {key for one in targets for key in one.rests_on}
    return tuple(
        ToMeasure(
            key=one.key, label=one.label, text=figures[one.key].text, effect=one.moves, pointer=one.pointer
        )
        for one in PLAIN
        if one.moves and one.key in resting and one.key in figures
    )


def _measure(stations: Sequence[Station], one: ToMeasure) -> PlanFinding:
    station = next(each.key for each in stations if any(f.pointer == one.pointer for f in each.fields))
    effect = f"{one.effect[0].upper()}{one.effect[1:]}"
    said = effect if " must " in effect else f"It moves {one.effect}"
    text = f"Measure before you drill: {small(one.label)} is assumed to be {one.text}. {said}."
    return PlanFinding(
        code=MEASURE,
        subject=one.pointer,
        severity="check",
        station=station,
        text=text,
        numbers={},
        cures=(),
        next=False,
        rests_on=(one.key,),
    )


def small(label: str) -> str:
    """A label inside a sentence."""
    return label[0].lower() + label[1:]


def _state(
    station: Station, ask: Ask, findings: tuple[PlanFinding, ...], figures: dict[str, Figure]
) -> StationState:
    own = [one.severity for one in findings if one.station == station.key]
    facts = (figures[one.key] for one in station.fields if one.key in figures and one.stands and one.fact)
    return StationState(
        key=station.key,
        label=station.label,
        gist=ask(station.gist),
        worst=next((one for one in RANK if one in own), None),
        assumed=sum(1 for one in facts if one.known == "assumed" and one.text),
    )


def _panel(station: Station, ask: Ask, figures: dict[str, Figure]) -> Panel:
    parts = (_part(one, ask, figures) for one in station.panel if one.when is None or ask(one.when))
    shown = tuple(one for one in parts if one.rows or one.widget)
    return Panel(station=station.key, lit=station.lit, face=station.face, strip=station.strip, parts=shown)


def _part(one: PanelPart, ask: Ask, figures: dict[str, Figure]) -> PanelPartOut:
    rows = tuple(key for key in one.rows if key in figures)
    said = [figures[key] for key in rows if figures[key].text and figures[key].text not in ("no", "none")]
    gist = ", ".join(f"{small(figure.label)} {figure.text}" for figure in said[:2])
    if one.gist is not None:
        gist = ask(one.gist)
    folded = one.weight == "detail"
    return PanelPartOut(
        title=one.title, weight=one.weight, rows=rows, widget=one.widget, gist=gist if folded else ""
    )


def _cautions(station: Station, ask: Ask) -> Iterator[Caution]:
    if station.cautions is not None:
        for one in ask(station.cautions):
            yield replace(one, station=station.key)


def _assumptions(figures: Any, ask: Ask) -> tuple[Assumption, ...]:
    """Everything any figure rests on, by key, with what it is called."""
    known = {one.key: one for one in ALL_FIELDS}
    shop: dict[str, Default] = {one.key: one for one in DEFAULT_BITS}
    units = ask.own_units
    out: dict[str, Assumption] = {}
    for figure in figures:
        for key in figure.rests_on:
            if key not in out:
                out[key] = _assumed(key, known.get(key), ask)
        for key in figure.usual:
            if key not in out:
                one = shop[key]
                value = ask.shop[one]
                text = exact_text(value, units) if one.unit == "mm" else f"{value:.4g} {one.unit}"
                out[key] = Assumption(key=key, label=one.meaning, text=text, pointer="", fact=False)
    return tuple(out.values())


def _assumed(key: str, one: Field | None, ask: Ask) -> Assumption:
    units = ask.own_units
    if one is not None:
        given = one.read(ask.job)
        value = one.standing(ask.shop) if given is None else given
        return Assumption(
            key=key, label=one.label, text=field_text(one, value, units), pointer=one.pointer, fact=one.fact
        )
    base, name, field_name = key.rsplit("/", 2)
    thing = next(each for each in FIELDS[base].read(ask.job) if each.id == name)
    said: Field = getattr(ITEMS[base], field_name)
    given = getattr(thing, field_name)
    value = said.standing(ask.shop) if given is None else given
    called = getattr(thing, "name", None) or getattr(thing, "kind", None) or FIELDS[base].label
    return Assumption(
        key=key,
        label=f"{called}, {said.label}",
        text=field_text(said, value, units),
        pointer=key,
        fact=said.fact,
    )


def _next(findings: tuple[PlanFinding, ...], to_measure: tuple[ToMeasure, ...]) -> str:
    if findings and findings[0].severity == "stop":
        return findings[0].text
    if to_measure:
        return f"Measure the {small(to_measure[0].label)}"
    return next((one.text for one in findings if one.next), READY)
