"""The whole plan as it is sent and printed: panels, cautions, assumptions."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import islice
from typing import Any, Literal

from gantline.core.units import Units, exact_text, slope_text
from gantline.job.field import Field
from gantline.job.model import FIELDS, ITEMS
from gantline.plan.ask import DEFAULT_BITS, Ask
from gantline.plan.figure import Figure, field_text
from gantline.plan.finding import PlanFinding, Severity
from gantline.plan.refused import Refused
from gantline.plan.rests import ALL_FIELDS
from gantline.plan.station import Caution, FaceName, Lit, PanelPart, Station, Weight

ROOM_FACES = ("front", "side", "top", "back")
FIELD_OF = {field.key: field for field in ALL_FIELDS}
DEFAULT_OF = {bit.key: bit for bit in DEFAULT_BITS}


@dataclass(frozen=True, slots=True, kw_only=True)
class StationState:
    """A station on the rope: its gist, the worst of its findings, how much of it is assumed, whether it has a result.
    led: the places in the plan's findings of other stations' Stops that its figures rest on."""

    key: str
    label: str
    gist: str
    worst: Severity | None
    assumed: int
    begun: bool
    led: tuple[int, ...] = ()


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
    """A station's panel, what the board lights up for it, the face it turns to, the strip below.

    faces: those to choose from. lit_by: for each, the station whose marks are lit up on it. shape: how another aspect ratio is
    looked at here. tall: the strip needs height. home: the page opens here. says: the one thing to do
    here.
    """

    station: str
    lit: Lit
    face: FaceName | Literal["seat"]
    strip: str
    faces: tuple[str, ...]
    lit_by: dict[str, str]
    shape: Literal["", "mask", "light"]
    tall: bool
    home: bool
    says: str
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
    refused: tuple[Refused, ...]
    refused_marks: tuple[str, ...]


def small(label: str) -> str:
    """A label inside a sentence."""
    return label[0].lower() + label[1:]


def panel_of(station: Station, ask: Ask, figures: dict[str, Figure], stations: Sequence[Station]) -> Panel:
    """A station's panel as it is for this job."""
    parts = (_part(part, ask, figures) for part in station.panel if part.when is None or ask(part.when))
    faces = (*ROOM_FACES, *station.faces)
    owners = {face: owner.key for owner in stations for face in owner.owns}
    return Panel(
        station=station.key,
        lit=station.lit,
        face=station.face,
        strip=station.strip,
        faces=faces,
        lit_by={
            face: station.key if face in station.lights else owners.get(face, station.key) for face in faces
        },
        shape=station.shape,
        tall=ask(station.tall) if callable(station.tall) else station.tall,
        home=station.home,
        says=station.says,
        parts=tuple(part for part in parts if part.rows or part.widget),
    )


def _part(panel_part: PanelPart, ask: Ask, figures: dict[str, Figure]) -> PanelPartOut:
    rows = tuple(key for key in panel_part.rows if key in figures)
    gist = _gist(panel_part, rows, ask, figures) if panel_part.weight == "detail" else ""
    return PanelPartOut(
        title=panel_part.title, weight=panel_part.weight, rows=rows, widget=panel_part.widget, gist=gist
    )


def _gist(panel_part: PanelPart, rows: tuple[str, ...], ask: Ask, figures: dict[str, Figure]) -> str:
    """A folded part in one line."""
    if panel_part.gist is not None:
        gist = ask(panel_part.gist)
    else:
        said = (figures[key] for key in rows if figures[key].text not in ("", "no", "none"))
        gist = ", ".join(f"{small(figure.label)} {figure.text}" for figure in islice(said, 2))
    return gist or "nothing entered"


def cautions_of(station: Station, ask: Ask) -> Iterator[Caution]:
    """The cautions that hold at a station."""
    if station.cautions is not None:
        for caution in ask(station.cautions):
            yield replace(caution, station=station.key)


def assumptions_of(figures: Iterable[Figure], ask: Ask) -> tuple[Assumption, ...]:
    """Everything any figure rests on, by key, with what it is called."""
    units = ask.own_units
    out: dict[str, Assumption] = {}
    for figure in figures:
        for key in figure.rests_on:
            if key not in out:
                out[key] = _assumed(key, FIELD_OF.get(key), ask)
        for key in figure.usual:
            if key not in out:
                one = DEFAULT_OF[key]
                value = ask.shop[one]
                text = _usual_text(value, one.unit, units)
                out[key] = Assumption(key=key, label=one.meaning, text=text, pointer="", fact=False)
    return tuple(out.values())


def _usual_text(value: float, unit: str, units: Units) -> str:
    if unit == "mm/m":
        return slope_text(value, units)
    return exact_text(value, units) if unit == "mm" else f"{value:.4g} {unit}"


def _assumed(key: str, one: Field | None, ask: Ask) -> Assumption:
    units = ask.own_units
    if one is not None:
        given = one.read(ask.job)
        value = ask.standing(one) if given is None else given
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
