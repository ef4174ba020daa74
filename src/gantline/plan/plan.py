"""The plan of a job: every station's figures, findings, tables and panel, pure and total."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any

from gantline.core.budget import PLAN_STEPS, TooMuchWork, budget
from gantline.core.defaults import PLAIN_SHOP, Default, Shop, TripDefaults
from gantline.core.units import length_text
from gantline.job.ends import strays
from gantline.job.field import Field, field_of
from gantline.job.model import FIELDS, Job
from gantline.plan.ask import PLAIN, Answer, Ask
from gantline.plan.assumed import fact_of, others
from gantline.plan.cures import Key, by_hand, key_of, stops_of, tried
from gantline.plan.figure import Display, Entry, Figure, FigureDef, Known, entered_figure, entry_of
from gantline.plan.finding import RANK, Cure, Finding, Found, PlanFinding, Severity, told
from gantline.plan.leading import Question, leading, led_by
from gantline.plan.refused import Refused, refused
from gantline.plan.rests import Rests
from gantline.plan.station import Station
from gantline.plan.strays import counted_with, stray_finding, too_much_finding
from gantline.plan.whole import Plan, StationState, ToMeasure, assumptions_of, cautions_of, panel_of, small
from gantline.plan.working import WorkingDraft

LOCAL_RULES = "Gantline computes guidance. Local codes, the makers' leaflets and licensed trades come first."
MEASURE = "measure"
READY = "Ready to mark and drill"
HOW_KNOWN = field_of(Job.known).bit | field_of(Job.sources).bit


# by key: the bits of all that a figure was made from, and the figure; None where it has none
Built = dict[str, tuple[int, Figure | None]]


@dataclass(kw_only=True)
class JobPlan:
    """A job planned: its figures and findings, and all else asked for only when somebody looks.

    job: as it is stored; ask.job is what the plan counts with, every number within its ends. too_much: why nothing of it
    was worked out, where that would take more than a plan may.
    """

    job: Job
    stations: Sequence[Station]
    ask: Ask
    rests: Rests
    figures: dict[str, Figure] = field(default_factory=dict)
    findings: tuple[PlanFinding, ...] = ()
    to_measure: tuple[ToMeasure, ...] = ()
    states: tuple[StationState, ...] = ()
    next_point: str = ""
    too_much: str = ""
    built: "Built" = field(default_factory=dict)
    faces: dict[str, Any] = field(default_factory=dict)  # drawn once, by whoever draws them

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
            panels=tuple(panel_of(station, ask, self.figures, self.stations) for station in self.stations),
            cautions=tuple(one for station in self.stations for one in cautions_of(station, ask)),
            local_rules=LOCAL_RULES,
            to_measure=self.to_measure,
            assumptions=assumptions_of(self.figures.values(), ask),
            next_point=self.next_point,
            refused=self.refused[0],
            refused_marks=tuple(sorted(self.refused[1])),
        )

    @cached_property
    def stops(self) -> frozenset[Key]:
        """What stops the job now."""
        return frozenset(key_of(one) for one in stops_of(self.stations, self.ask))

    @cached_property
    def refused(self) -> tuple[tuple[Refused, ...], frozenset[str]]:
        """The holes that a Stop puts in doubt, and the figures and dimensions that no hole is left for."""
        return refused(self.stations, self.ask, self.findings)


def plan(
    job: Job,
    stations: Sequence[Station],
    shop: Shop = PLAIN_SHOP,
    last: JobPlan | None = None,
    *,
    cures: bool = True,
) -> JobPlan:
    """Every station of the registry asked for what it shows.

    Any valid job gives a plan: what cannot be computed yet, or cannot be at all, is a finding. last: the plan
    of an earlier state of this job; answers that read nothing that changed since are kept. One that would take more steps than a
    plan may says so in a Stop, and nothing else of it is worked out. cures: trying them plans
    the job once more for each; without, no finding has any.
    """
    try:
        with budget(PLAN_STEPS):
            return _planned(job, stations, shop, last, cures=cures)
    except TooMuchWork as error:
        # the document stays as it is; what is shown is that of a job of which nothing but the name is known
        bare = _planned(
            Job(name=job.name, place=job.place, units=job.units), stations, shop, None, cures=False
        )
        bare.job, bare.too_much = job, str(error)
        stop = too_much_finding(stations, error)
        bare.findings, bare.next_point = (stop, *bare.findings), stop.text
        led = led_by(stations, bare.ask, bare.findings)
        bare.states = tuple(
            replace(state, led=led[state.key], worst="stop" if state.key == stop.station else state.worst)
            for state in bare.states
        )
        return bare


def _planned(
    job: Job, stations: Sequence[Station], shop: Shop, last: JobPlan | None, *, cures: bool
) -> JobPlan:
    past = tuple(strays(job))
    ask = Ask(counted_with(job, past), shop, last.ask if last else None)
    job_plan = JobPlan(job=job, stations=stations, ask=ask, rests=Rests(ask, last.rests if last else None))
    same = last is not None and last.ask.own_units == ask.own_units and last.ask.bits is ask.bits
    kept = last.built if last is not None and same else {}
    ask.forbids = tuple(
        told(question) for station in stations if station.stops_all for question in station.may_stop
    )
    ask.keep_all()
    job_plan.built = kept.copy()
    job_plan.built.update(_figures(job_plan, kept))
    job_plan.figures = {key: one for key, (_, one) in job_plan.built.items() if one is not None}
    job_plan.to_measure = _to_measure(job_plan)
    found = [stray_finding(stations, one, ask.own_units, cures=cures) for one in past]
    found += [one for station in stations for one in _findings(station, job_plan, cures=cures)]
    found += [_measure(stations, one) for one in job_plan.to_measure]
    job_plan.findings = tuple(sorted(found, key=lambda one: RANK[one.severity]))
    worst: dict[str, Severity] = {}
    for finding in job_plan.findings:  # the worst first
        worst.setdefault(finding.station, finding.severity)
    led = led_by(stations, ask, job_plan.findings)
    job_plan.states = tuple(
        _state(station, ask, job_plan.figures, worst.get(station.key), led.get(station.key, ()))
        for station in stations
    )
    job_plan.next_point = _next(job_plan)
    ask.variants.clear()
    return job_plan


def _figures(job_plan: JobPlan, kept: Built) -> Iterator[tuple[str, tuple[int, Figure | None]]]:
    """Every figure but those of the last plan that read nothing that changed."""
    ask = job_plan.ask
    # how a field is known stands elsewhere in the document
    changed = -1 if ask.changed & HOW_KNOWN else ask.changed
    held = {key for key, (reads, _) in kept.items() if not reads & changed}
    for station in job_plan.stations:
        for key, one in station.entries:
            if key not in held:
                yield (
                    key,
                    _entered(station, one, ask)
                    if isinstance(one, Field)
                    else _computed(station, one, job_plan),
                )


def _entered(station: Station, one: Field, ask: Ask) -> tuple[int, Figure]:
    """The figure of a field."""
    given = one.read(ask.job)
    value = ask.standing(one) if given is None else given
    return one.bit, _field_figure(station, one, ask, value, given=given is not None)


def _field_figure(
    station: Station, one: Field, ask: Ask, value: Any, *, given: bool, label: str = ""
) -> Figure:
    default = None if given else ask.default_of(one)
    source = ask.shop.source(default) if isinstance(default, Default) else ""
    return entered_figure(
        station.key,
        one,
        value,
        given,
        known_of(one, ask.job),
        source,
        label,
        ask.own_units,
        ask.job.sources.get(one.pointer, "") if given else "",
    )


def known_of(one: Field, job: Job) -> Known:
    """How a field is known: what the job says of it, else measured in the survey and decided elsewhere."""
    if one.read(job) is None:
        return "assumed"
    said = job.known.get(one.pointer)
    return said or ("measured" if one.fact and one.part == "survey" else "decided")


def _computed(station: Station, figure_def: FigureDef, job_plan: JobPlan) -> tuple[int, Figure | None]:
    ask, answer, field = job_plan.ask, job_plan.ask.answer(figure_def.make), figure_def.field
    shown: Display | None = answer.value
    if field is None:
        return answer.reads, None if shown is None else _made(station, figure_def, shown, answer, job_plan)
    reads = answer.reads | field.bit
    if shown is None:
        return reads, None
    given = field.read(ask.job) is not None
    if shown.forced or not (given or field.stands):
        return reads, _made(station, figure_def, shown, answer, job_plan)
    figure = _field_figure(station, field, ask, shown.value, given=given, label=shown.label)
    if not given and field.default is None:
        figure = replace(figure, working=_working(figure_def, shown, ask)[1])
    return reads, figure


def _working(figure_def: FigureDef, shown: Display, ask: Ask) -> tuple[str, WorkingDraft]:
    units = ask.own_units
    text = shown.text
    if figure_def.unit == "mm" and isinstance(shown.value, float) and not text:
        text = length_text(shown.value, units)
    return text, WorkingDraft(shown.value, shown.text, shown.working, shown.how, figure_def.source, units)


def _made(
    station: Station, figure_def: FigureDef, shown: Display, answer: Answer, job_plan: JobPlan
) -> Figure:
    text, working = _working(figure_def, shown, job_plan.ask)
    closed = figure_def.field is None or (shown.forced and not shown.typed)
    entry: Entry | None = None if closed or figure_def.field is None else entry_of(figure_def.field, False)
    blank = figure_def.field is not None and shown.value is None
    return Figure(
        key=figure_def.key,
        station=station.key,
        label=shown.label or figure_def.label,
        value=shown.value,
        unit=figure_def.unit,
        text=text,
        known="assumed" if blank else "computed",
        working=working,
        rests_on=job_plan.rests.on(answer.weighs),
        usual=job_plan.rests.usual(answer.weighs),
        entry=entry,
    )


def _findings(station: Station, job_plan: JobPlan, *, cures: bool) -> Iterator[PlanFinding]:
    ask, rests = job_plan.ask, job_plan.rests
    for question in station.findings:
        answer = ask.answer(question)
        own = rests.on(answer.weighs) if answer.value else ()
        for finding in answer.value:
            on = rests.on(answer.weighs | ask.answer(*finding.ways).weighs) if finding.ways else own
            curable = cures and (finding.cures or finding.ways)
            offered = tuple(_cures(finding, question, job_plan)) if curable else ()
            yield PlanFinding(
                code=str(finding.code),
                subject=finding.subject,
                severity=finding.severity,
                station=station.key,
                text=finding.text,
                numbers=finding.numbers,
                cures=offered,
                next=finding.next,
                rests_on=on,
                also=finding.also,
                hole=finding.hole,
                withholds=finding.hurts and bool(finding.doubt),
                by_hand=by_hand(finding, offered) if cures else "",
            )


def _cures(finding: Finding, question: Found, job_plan: JobPlan) -> Iterator[Cure]:
    """The cures of a finding that may be offered."""
    more = job_plan.ask(*finding.ways) if finding.ways else ()
    possible = (each for each in (*finding.cures, *more) if each.possible)
    return tried(finding, question, possible, job_plan.stations, job_plan.ask, job_plan.stops)


def _to_measure(job_plan: JobPlan) -> tuple[ToMeasure, ...]:
    """The assumed facts that move something to be cut, drilled or hung within their usual spread: only what binds is asked
    for."""
    figures, ask = job_plan.figures, job_plan.ask
    makes = {figure.key: figure.make for station in job_plan.stations for figure in station.figures}
    targets = [key for station in job_plan.stations for key in station.targets if key in figures]
    resting = {key for target in targets for key in figures[target].rests_on}
    return tuple(
        ToMeasure(
            key=fact.key,
            label=fact.label,
            text=figures[fact.key].text,
            effect=fact.moves,
            pointer=fact.pointer,
        )
        for fact in PLAIN
        if fact.fact
        and fact.moves
        and fact.key in resting
        and fact.key in figures
        and figures[fact.key].known == "assumed"
        and ask(_binds, fact, tuple(makes[key] for key in targets if fact.key in figures[key].rests_on))
    )


def _binds(at: Ask, field: Field, about: tuple[Question, ...]) -> bool:
    """Whether the fact moves any of these figures within one of its spreads, or as another choice. A question: what it read is
    kept, so that an edit of something else asks it no more."""
    fact = fact_of(at, field, field.read(at.job))
    if fact.value is None:
        return True
    now = [at(question) for question in about]
    least = at.default(TripDefaults.tape_mm)
    for value in others(fact, (1.0, -1.0)):
        there = at.variant(field.pointer, value)
        for old, question in zip(now, about, strict=True):
            answer = there.answer(question)
            at.reads |= answer.reads
            if _moved(old, answer.value, least):
                return True
    return False


def _moved(old: Display | None, new: Display | None, least_mm: float) -> bool:
    """Whether a figure is another one, by more than a tape's reading can be off."""
    if old is None or new is None:
        return old is not new
    if isinstance(old.value, float) and isinstance(new.value, float):
        return abs(old.value - new.value) >= least_mm
    return old.value != new.value


def _measure(stations: Sequence[Station], to_measure: ToMeasure) -> PlanFinding:
    station = next(each.key for each in stations if any(f.pointer == to_measure.pointer for f in each.fields))
    effect = f"{to_measure.effect[0].upper()}{to_measure.effect[1:]}"
    length = FIELDS[to_measure.pointer].kind == "length"
    said = effect if " must " in effect else f"It {'moves' if length else 'decides'} {to_measure.effect}"
    verb = "Measure" if length else "Settle"
    text = f"{verb} before you drill: {small(to_measure.label)} is assumed to be {to_measure.text}. {said}."
    return PlanFinding(
        code=MEASURE,
        subject=to_measure.pointer,
        severity="check",
        station=station,
        text=text,
        numbers={},
        cures=(),
        next=False,
        rests_on=(to_measure.key,),
    )


def _state(
    station: Station, ask: Ask, figures: dict[str, Figure], worst: Severity | None, led: tuple[int, ...]
) -> StationState:
    facts = (figures[fact] for fact in station.facts if fact in figures)
    return StationState(
        key=station.key,
        label=station.label,
        gist=ask(station.gist),
        worst=worst,
        begun=station.begun is None or ask(station.begun),
        assumed=sum(1 for one in facts if one.known == "assumed" and one.text),
        led=led,
    )


def _next(job_plan: JobPlan) -> str:
    """What to do next: end the first Stop, measure the first fact, look again at what moves a hole."""
    findings, to_measure = job_plan.findings, job_plan.to_measure
    if findings and findings[0].severity == "stop":
        return findings[0].text
    if to_measure:
        verb = "Measure" if FIELDS[to_measure[0].pointer].kind == "length" else "Settle"
        return f"{verb} the {small(to_measure[0].label)}"
    holes = [station.drilled for station in job_plan.stations if station.drilled is not None]
    first = (
        *leading(job_plan.stations, job_plan.ask, findings, holes),
        *(one for one in findings if one.next),
    )
    return next((finding.text for finding in first), READY)
