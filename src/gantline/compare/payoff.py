"""What to measure first: how far each fact moves what is drilled, cut and hung, and the chance of one trip."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from gantline.core.defaults import Default, TripDefaults
from gantline.core.trip import Array, Trip, move_of
from gantline.core.units import off_text
from gantline.core.wall.find import Kind, StudReading, noise_of
from gantline.core.wall.found import spread_mm
from gantline.job.edits import nudged
from gantline.job.field import Field, declared
from gantline.job.model import FIELDS, ITEMS
from gantline.plan.ask import PLAIN, Ask
from gantline.plan.plan import JobPlan, known_of
from gantline.plan.whole import small
from gantline.stations.height import fits, placement, rect_of_picture
from gantline.stations.survey import room
from gantline.stations.throw import pole_here
from gantline.stations.wall import (
    StudBehind,
    on_studs,
    pair,
    rows_mm,
    screw_step_mm,
    studs_behind,
)

# what each result is called, the figures it stands for, and its tolerance
RESULTS: tuple[tuple[str, tuple[str, ...], Default], ...] = (
    ("the holes", ("hole_left",), TripDefaults.hole_across_mm),
    ("the holes", ("hole_right",), TripDefaults.hole_across_mm),
    ("the upper holes", ("upper_row",), TripDefaults.hole_height_mm),
    ("the lower holes", ("lower_row",), TripDefaults.hole_height_mm),
    ("the further screws", ("screw_step",), TripDefaults.hole_height_mm),
    ("the top edge", ("frame_top", "frame_bottom"), TripDefaults.hole_height_mm),
    ("the pole", ("pole",), TripDefaults.cut_mm),
    ("the picture", ("centre_x",), TripDefaults.corner_mm),
    ("the picture", ("picture_centre",), TripDefaults.corner_mm),
)
ENDS = {"left": 0, "right": 1}  # the results of the outer holes
STUDS = ("/survey/stud_first_mm", "/survey/stud_spacing_mm", "/survey/stud_width_mm")
READ_STUDS = "/survey/stud_readings"
READINGS = ("/survey/ceiling_readings", "/survey/floor_readings")
ONE_TO_ONE = 0.02
LEAST_MM = 0.5  # what moves less is not worth a word
TWO = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class PayoffRow:
    """Something to measure: what is assumed now, and what moves with it, how far."""

    key: str
    label: str
    text: str
    pointer: str
    effect: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PlusMinus:
    """How far off a figure may be, and what that comes from, the largest first."""

    key: str
    text: str
    rests: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Payoff:
    """What to measure, the most telling first; the chance of one trip, and what would raise it most."""

    rows: tuple[PayoffRow, ...]
    off: tuple[PlusMinus, ...]
    chance: str
    advice: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Fact:
    """A length of the world as the job has it: its spread now and once it is measured [mm]. field: none for a stud's place."""

    field: Field | None
    pointer: str
    label: str
    value: float
    spread: float
    measured: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Account:
    """What is known of a job and how far what is drilled, cut and hung may be off: the one place that chance, plus and
    minus and the list to measure speak from."""

    known: tuple[Fact, ...]
    trip: Trip


def account(job_plan: JobPlan) -> Account:
    """Every fact nudged by its usual spread, what moved, and the studs that take a screw as their readings leave them.

    The pair of studs is decided: a fact whose error would choose another pair moves no hole.
    """
    at = job_plan.ask
    behind = at(studs_behind)
    known = tuple(fact for fact in facts(at) if not _computed(job_plan, fact))
    if at(on_studs):
        known = tuple(fact for fact in known if fact.pointer not in STUDS)
    tolerances, moves = _on_rule(job_plan, known)
    if at(on_studs):
        moves[:, list(ENDS.values())] = 0.0
    inner = [place for place in behind if place.side not in ENDS]
    tolerances = np.pad(tolerances, (0, len(inner)))
    moves = np.pad(moves, ((0, len(behind)), (0, len(inner))))
    for number, place in enumerate(behind):
        result = ENDS[place.side] if place.side in ENDS else len(RESULTS) + inner.index(place)
        moves[len(known) + number, result] = 1.0
        tolerances[result] = max(place.room_mm, LEAST_MM)
    facts_known = (*known, *(_stud(job_plan, place) for place in behind))
    trip = Trip(
        moves=moves,
        spreads=np.array([fact.spread for fact in facts_known]),
        measured=np.array([fact.measured for fact in facts_known]),
        tolerances=tolerances,
    )
    return Account(known=facts_known, trip=trip)


def _on_rule(job_plan: JobPlan, known: tuple[Fact, ...]) -> tuple[Array, Array]:
    """Tolerances (r,) and moves (f, r) of every result but the studs' own."""
    at = job_plan.ask
    tolerances = np.array([at.shop[one] for _, _, one in RESULTS])
    moves = np.array([moves_of(at, fact, tolerances) for fact in known])
    return tolerances, moves.reshape(len(known), len(RESULTS))


def _stud(job_plan: JobPlan, place: StudBehind) -> Fact:
    """The stud behind a hole as something to know; read as it is asked for, by both of its edges."""
    both = [StudReading(place.stud.x_mm, Kind.EDGE)] * 2
    return Fact(
        field=None,
        pointer=READ_STUDS,
        label=f"The stud at {job_plan.ask.text(place.stud.x_mm)}",
        value=place.stud.x_mm,
        spread=place.stud.spread_mm,
        measured=min(place.stud.spread_mm, spread_mm(both, noise_of(job_plan.ask.shop))),
    )


def payoff(job_plan: JobPlan) -> Payoff:
    """What to measure first, how far off each figure may be, and the chance of one trip."""
    known_account = account(job_plan)
    return Payoff(
        rows=tuple(_rows(job_plan, known_account.known, known_account.trip)),
        off=tuple(_off(job_plan, known_account.known, known_account.trip)),
        chance=_percent(known_account.trip.chance()) if _drillable(job_plan) else "",
        advice=_advice(known_account.known, known_account.trip) if _drillable(job_plan) else "",
    )


def _computed(job_plan: JobPlan, fact: Fact) -> bool:
    """Whether the plan works this out of something else now, as a frame's depth of its board: assumed it moves nothing."""
    if fact.field is None:
        return False
    figure = job_plan.figures.get(fact.field.key)
    return fact.pointer == fact.field.pointer and figure is not None and figure.known == "computed"


def _drillable(job_plan: JobPlan) -> bool:
    """Whether holes are planned, nothing stops the job, and no choice is open that decides what holds: else no chance is
    said."""
    at = job_plan.ask
    if any(FIELDS[fact.pointer].kind != "length" for fact in job_plan.to_measure):
        return False
    return (
        at(fits)
        and at(pair) is not None
        and not any(finding.severity == "stop" for finding in job_plan.findings)
    )


def facts(at: Ask) -> Iterator[Fact]:
    """Every length of the world that is assumed with a usual spread, or measured with a tape's."""
    tape = at.shop[TripDefaults.tape_mm]
    for plain_field in PLAIN:
        if plain_field.kind == "length" and plain_field.fact:
            yield from _fact(
                at,
                plain_field,
                plain_field.pointer,
                plain_field.label,
                plain_field.read(at.job),
                known_of(plain_field, at.job),
                tape,
            )
    for base in READINGS:
        for thing in FIELDS[base].read(at.job) or ():
            for name, field_in_list in declared(ITEMS[base]).items():
                if name != "x_mm" and field_in_list.kind == "length":
                    label = f"{FIELDS[base].label.removesuffix('s')} at {at.text(thing.x_mm)}"
                    yield from _fact(
                        at,
                        field_in_list,
                        f"{base}/{thing.id}/{name}",
                        label,
                        getattr(thing, name),
                        "measured",
                        tape,
                    )


def _fact(
    at: Ask, field: Field, pointer: str, label: str, value: float | None, known: str, tape: float
) -> Iterator[Fact]:
    default = at.default_of(field)
    usual = default if isinstance(default, Default) else None
    if value is not None and known == "measured":
        yield Fact(field=field, pointer=pointer, label=label, value=value, spread=tape, measured=tape)
    elif known == "assumed" and usual is not None and usual.spread > 0.0:
        now = at.shop[usual] if value is None else value
        yield Fact(field=field, pointer=pointer, label=label, value=now, spread=usual.spread, measured=tape)


def results(at: Ask) -> Array:
    """What is drilled, cut and hung [mm], in the order of RESULTS; nan where there is none."""
    two, rows, hung = at(pair), at(rows_mm), at(placement)
    if not hung.possible:
        return np.full(len(RESULTS), np.nan)
    datum, pole = at(room).datum_mm, at(pole_here)
    left, bottom, right, top = at(rect_of_picture)
    found: list[float | None] = [two.left_mm, two.right_mm] if two else [None, None]
    found += [None if row is None else row - datum for row in rows or (None, None)]
    found += [at(screw_step_mm), hung.top_mm, pole, (left + right) / 2.0, (bottom + top) / 2.0]
    return np.array([np.nan if one is None else one for one in found])


def moves_of(at: Ask, fact: Fact, tolerances: Array) -> Array:
    """How far every result moves for a millimeter of a fact."""
    sides = [
        _nudged(at, fact, sign * fact.spread)
        for sign in ((1.0, -1.0) if fact.spread > fact.measured else (1.0,))
    ]
    return move_of(at(results), sides[0], sides[1] if len(sides) > 1 else None, fact.spread, tolerances)


def _nudged(at: Ask, fact: Fact, by_mm: float) -> Array | None:
    if fact.value + by_mm <= 0.0:  # no job may hold that
        return None
    return at.with_job(nudged(at.job, fact.pointer, fact.value + by_mm))(results)


def _rows(job_plan: JobPlan, known: tuple[Fact, ...], trip: Trip) -> Iterator[PayoffRow]:
    """The list to measure by what it would save. What is no length leads: it decides what holds the screws."""
    places = {unmeasured.pointer: number for number, unmeasured in enumerate(known)}
    worth = np.max(np.abs(trip.moves) * trip.spreads[:, None] / trip.tolerances, axis=1, initial=0.0)

    def weight(pointer: str) -> float:
        if pointer in places:
            return float(worth[places[pointer]])
        if pointer in STUDS:
            return np.inf
        return 0.0 if FIELDS[pointer].kind == "length" else np.inf

    for to_measure in sorted(job_plan.to_measure, key=lambda each: -weight(each.pointer)):
        number = places.get(to_measure.pointer)
        effect = (
            to_measure.effect if number is None else _effect(job_plan.ask, trip, number) or to_measure.effect
        )
        yield PayoffRow(
            key=to_measure.key,
            label=to_measure.label,
            text=to_measure.text,
            pointer=to_measure.pointer,
            effect=f"{effect[0].upper()}{effect[1:]}.",
        )


def _effect(at: Ask, trip: Trip, number: int) -> str:
    """What moves most against its tolerance, and how far: one to one, or up to so much."""
    moves, spread = np.abs(trip.moves[number]), trip.spreads[number]
    most = int(np.argmax(moves / trip.tolerances))
    if most >= len(RESULTS) or moves[most] * spread < LEAST_MM:
        return ""
    if abs(moves[most] - 1.0) < ONE_TO_ONE:
        return f"moves {RESULTS[most][0]} 1:1"
    if moves[most] * spread >= 9.9 * trip.tolerances[most]:
        lost = np.isclose(moves[most] * spread, 10.0 * trip.tolerances[most])
        if lost:
            return f"decides whether {RESULTS[most][0]} can be where they are"
    return f"moves {RESULTS[most][0]} up to {at.text(float(moves[most] * spread))}"


def _off(job_plan: JobPlan, known: tuple[Fact, ...], trip: Trip) -> Iterator[PlusMinus]:
    off, share = trip.off_mm(), np.abs(trip.moves * trip.spreads[:, None])
    for number, (_, keys, _) in enumerate(RESULTS):
        for key in keys:
            if key in job_plan.figures and off[number] > 0.0:
                first = [
                    int(one)
                    for one in np.argsort(-share[:, number])[:3]
                    if share[one, number] > 0.05 * off[number]
                ]
                rests = ", ".join(
                    f"{small(known[one].label)} ± {_off_text(job_plan, share[one, number])}" for one in first
                )
                yield PlusMinus(key=key, text=f"± {_off_text(job_plan, off[number])}", rests=rests)


def _advice(known: tuple[Fact, ...], trip: Trip) -> str:
    chosen, then = trip.best(TWO)
    if not chosen or _percent(then) == _percent(trip.chance()):
        return f"{_percent(trip.chance())} chance that one trip is enough."
    # a label may hold a comma: “drop, hole to frame top”
    named = "; ".join(small(known[one].label) for one in chosen)
    return f"{_percent(trip.chance())} chance that one trip is enough. Measure first: {named}. Then it is {_percent(then)}."


def _percent(share: float) -> str:
    return f"{100 * share:.0f}\u00a0%"


def _off_text(job_plan: JobPlan, off_mm: float) -> str:
    return off_text(float(off_mm), job_plan.ask.own_units)
