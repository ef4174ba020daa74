"""A station is a value: what it computes, finds, draws and shows, all in one place."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any, Literal

from gantline.core.day.step import Step
from gantline.job.field import Field, Part, declared
from gantline.plan.ask import Ask
from gantline.plan.figure import FigureDef
from gantline.plan.finding import NEVER_STOP, Found

Weight = Literal["lead", "entry", "detail"]
FaceName = Literal["front", "side", "top", "back", "edge"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Caution:
    """Where the work can hurt someone or ruin the fabric: shown at its station, before the action."""

    key: str
    name: str
    text: str
    station: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanelPart:
    """A part of a station's panel. rows: keys of figures, in order. widget: something special the page draws.

    weight: lead (few, large), entry (what is entered), detail (folded, with a gist of one line).
    """

    title: str = ""
    weight: Weight = "entry"
    rows: tuple[str, ...] = ()
    widget: str = ""
    when: Callable[[Ask], bool] | None = None
    gist: Callable[[Ask], str] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Table:
    """Rows that belong to a station; the question returns one frozen dataclass, or None while there are none."""

    key: str
    question: Callable[[Ask], Any]


@dataclass(frozen=True, slots=True, kw_only=True)
class Lit:
    """The layers of the board a station lights up, and those whose dimensions and handles it shows.

    texts: whether the picture says its own size; where it shows what the light does to it, it does not. hides: layers of which
    nothing at all is drawn here.
    """

    layers: tuple[str, ...]
    dimensions: tuple[str, ...]
    handles: tuple[str, ...] = ()
    texts: bool = True
    hides: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilled:
    """Something that cannot be undone once it is made: a hole. shown: keys of the figures and dimensions that
    lead to it; spans: of those between it and another one."""

    key: str
    name: str
    shown: tuple[str, ...]
    spans: tuple[str, ...]


Draw = Callable[[Ask, FaceName], Iterable[Any]]


@dataclass(frozen=True, kw_only=True)
class Station:
    """One knot of the rope. targets: figures that get cut, drilled or hung, which assumptions are held against.

    begun: whether there is a result to tick off; a station without the question always has one. edge: what it draws on
    the section through the frame's edge. drilled: a question of what cannot be undone. stops_all: its Stops refuse all of
    that, wherever it is. speaks: when its findings are heard where one sentence must do, the lowest first.

    faces: what can be looked at here beside the four faces of the room. lights: the faces on which its own marks are lit up; on
    any other those of the station that owns the face are. shape: another aspect ratio is looked at by its masks, or by its
    light. tall: whether what stands below the board needs height. home: the page opens here, and says what leads every sheet.
    steps: what it gives to the day, made only when that is asked for. says: the one thing to do here, for who sees it first.
    """

    key: str
    label: str
    fields: tuple[Field, ...]
    figures: Sequence[FigureDef]
    findings: tuple[Found, ...]
    panel: tuple[PanelPart, ...]
    gist: Callable[[Ask], str]
    lit: Lit
    tables: tuple[Table, ...] = ()
    draw: tuple[Draw, ...] = ()
    edge: tuple[Draw, ...] = ()
    cautions: Callable[[Ask], tuple[Caution, ...]] | None = None
    targets: tuple[str, ...] = ()
    face: FaceName | Literal["seat"] = "front"
    strip: str = "tape"
    drilled: Callable[[Ask], tuple[Drilled, ...]] | None = None
    stops_all: bool = False
    speaks: int = 70
    faces: tuple[str, ...] = ()
    lights: tuple[str, ...] = ("front", "side", "top")
    owns: tuple[str, ...] = ()
    shape: Literal["", "mask", "light"] = ""
    tall: bool | Callable[[Ask], bool] = False
    home: bool = False
    begun: Callable[[Ask], bool] | None = None
    steps: Callable[[Ask], Iterable[Step]] | None = None
    says: str = ""

    @cached_property
    def entries(self) -> tuple[tuple[str, Field | FigureDef], ...]:
        """Every figure in order, by key: the fields, some with a function of their own, then what is only computed."""
        own = {figure.field.pointer: figure for figure in self.figures if figure.field is not None}
        entered = [own.get(field.pointer, field) for field in self.fields]
        rest = [one for one in self.figures if one.field is None]
        return tuple((one.key, one) for one in (*entered, *rest))

    @cached_property
    def may_stop(self) -> tuple[Found, ...]:
        """The questions of findings that can come to a Stop."""
        return tuple(finding for finding in self.findings if finding not in NEVER_STOP)

    @cached_property
    def facts(self) -> tuple[str, ...]:
        """Keys of the fields that count as assumed until somebody measures them."""
        return tuple(field.key for field in self.fields if field.stands and field.fact)

    @cached_property
    def seen(self) -> tuple[frozenset[str], frozenset[str]]:
        """The layers whose dots and those whose labels are on the board together at this station."""
        texts = ("base",) if self.lit.texts else ()
        return frozenset(("base", *self.lit.layers)), frozenset((*texts, *self.lit.dimensions))


def fields_of(*parts: type[Part]) -> tuple[Field, ...]:
    """The fields of some parts of the document that are entered one by one."""
    return tuple(
        one for part in parts for one in declared(part).values() if one.kind not in ("list", "value")
    )
