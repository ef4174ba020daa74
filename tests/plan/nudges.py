"""Nudging what is assumed: every value a field could have instead, and what that moves."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from gantline.core.defaults import Default, Shop
from gantline.drawing.marks import Label
from gantline.job.edits import Edit, apply
from gantline.job.field import Field, declared, field_of
from gantline.job.model import FIELDS, ITEMS, Job
from gantline.job.model.light import Lighting
from gantline.job.problems import BadDocument
from gantline.plan.plan import JobPlan
from gantline.plan.rests import STAND
from gantline.stations import face, plan
from gantline.stations.board import FACES

NEAR, FAR = (1.03, 0.97), (1.4, 0.6, 3.0, 0.1)
ASPECTS = ("16:10", "4:3", "2.39", "1:2", "5:1")
Moved = dict[str, bool]


def assumed(made: JobPlan) -> Iterator[tuple[str, str, Field, Any]]:
    """Everything assumed: what a figure calls it, its pointer, its declaration, what stands in."""
    job, shop = made.ask.job, made.ask.shop
    for one in STAND:
        figure = made.figures.get(one.key)
        if figure is not None and figure.known == "computed" and one.default is not None:
            continue  # readings stand in its place: nothing is assumed
        if one.read(job) is None:
            yield one.key, one.pointer, one, _standing(made, one, shop)
    for base, kind in ITEMS.items():
        for thing in FIELDS[base].read(job) or ():
            for name, one in declared(kind).items():
                if one.stands and one.kind != "switch" and getattr(thing, name) is None:
                    pointer = f"{base}/{thing.id}/{name}"
                    yield pointer, pointer, one, _in_list(made, base, thing, one, shop)
    for pointer, word in job.known.items():
        if word == "assumed" and pointer in FIELDS:
            yield FIELDS[pointer].key, pointer, FIELDS[pointer], FIELDS[pointer].read(job)


def _standing(made: JobPlan, one: Field, shop: Shop) -> Any:
    if one.default is not None:
        return one.standing(shop)
    figure = made.figures.get(one.key)
    return figure.value if figure else None


def _in_list(made: JobPlan, base: str, thing: Any, one: Field, shop: Shop) -> Any:
    if one.default is not None or base != field_of(Lighting.states).pointer:
        return one.standing(shop)
    places = [state.id for state in made.ask.job.light.states or ()]
    return made.figures[f"lux_{places.index(thing.id)}"].value


def near(one: Field, value: Any) -> Iterator[Any]:
    """Values next to the one that stands in: three parts in a hundred, a few millimeters, or another choice."""
    if one.kind == "switch":
        yield not value
    elif one.kind == "choice":
        yield from (key for key, _ in one.choices if key != value)
    elif one.key == "panel_aspect":
        yield "16:10"
    elif isinstance(value, int | float):
        step = {"share": 0.02, "count": 1.0, "number": 0.3}.get(one.kind, 3.0)
        yield from _as(one, [value * factor for factor in NEAR if value] + [value + step, value - step])


def far(one: Field, value: Any) -> Iterator[Any]:
    """Values anywhere in the field's range."""
    if one.key == "panel_aspect":
        yield from ASPECTS
    elif isinstance(value, int | float) and one.kind not in ("switch", "choice"):
        steps = {"share": (0.1, 0.3, 1.0), "count": (2.0, 5.0), "number": (5.0, 25.0, 2000.0)}
        found = [value * factor for factor in FAR if value]
        found += [
            value + sign * step
            for step in steps.get(one.kind, (60.0, 900.0, 3000.0, 12_000.0))
            for sign in (1, -1)
        ]
        found += [one.default.low, one.default.high] if isinstance(one.default, Default) else []
        yield from _as(one, found)


def _as(one: Field, values: list[float]) -> Iterator[Any]:
    ends = one.within
    held = values if ends is None else [ends.nearest(float(each)) for each in values]
    return (round(each) if one.kind == "count" else float(each) for each in held)


def nudged(made: JobPlan, pointer: str, value: Any) -> JobPlan | None:
    """The plan with one field set; None where no job may hold that."""
    try:
        job: Job = apply(made.ask.job, [Edit(pointer=pointer, value=value)])
    except BadDocument:
        return None
    return plan(job, made.ask.shop, made)


class Seen:
    """All that a plan shows, by a name: what it reads as, and what it says it rests on."""

    def __init__(self, made: JobPlan) -> None:
        self.reads: dict[str, Any] = {}
        self.rests: dict[str, frozenset[str]] = {}
        for key, one in made.figures.items():
            if one.entry is None or one.known == "computed":
                self._add(f"figure {key}", (one.value, one.text, one.label), one.rests_on)
        for finding in made.findings:
            if finding.code != "measure":
                name = f"finding {finding.code} {finding.subject}"
                # which cure can be tapped depends on what Stops there would be, and those say what they rest on
                cures = [cure.text for cure in finding.cures if cure.changes or cure.but]
                self._add(name, (finding.text, finding.severity, cures), finding.rests_on)
        for key, table in made.plan.tables.items():
            self._add(f"table {key}", table, made.plan.rests.get(key, ()))
        bare = replace(made, findings=())  # what a Stop crosses out rests on what that Stop says it rests on
        for name_ in FACES:
            drawn = face(bare, name_)
            on = {mark: group.on for group in drawn.rests for mark in group.marks}
            for mark in drawn.marks:
                # where a name is put among its neighbors is no number
                still = replace(mark, lift=0.0) if isinstance(mark, Label) else mark
                self._add(f"mark {name_} {mark.key}", still, on.get(mark.key, ()))

    def _add(self, name: str, reads: Any, rests: tuple[str, ...]) -> None:
        self.reads[name], self.rests[name] = reads, frozenset(rests)

    def moved(self, other: "Seen") -> Iterator[str]:
        """Names of what reads otherwise in another plan, or is not there any more."""
        for name, reads in self.reads.items():
            if name not in other.reads or other.reads[name] != reads:
                yield name
