"""A plan as it is sent, and what of it changes while something is dragged."""

from dataclasses import fields
from typing import TYPE_CHECKING, Annotated, Any, get_type_hints

from pydantic import BaseModel, Field, create_model

from gantline.api.schemas.base import Out
from gantline.drawing.marks import Face, Mark
from gantline.drawing.tape import TapeWindow
from gantline.job.edits import Edit
from gantline.job.field import ClosedModel
from gantline.plan.figure import Figure, Known, Value
from gantline.plan.finding import PlanFinding
from gantline.plan.refused import Refused
from gantline.plan.station import FaceName
from gantline.plan.whole import Plan, StationState, ToMeasure
from gantline.stations.registry import BY_KEY, STATIONS


def _tables() -> dict[str, Any]:
    """Every station's tables by key, each of the type its question returns; absent while there are none."""
    found = [one for station in STATIONS for one in station.tables]
    return {one.key: (get_type_hints(one.question)["return"] | None, None) for one in found}


if TYPE_CHECKING:
    Tables = dict[str, Any]
    PlanOut = Plan
else:
    Tables = create_model("Tables", **_tables())
    own = get_type_hints(Plan)
    parts = {field.name: (own[field.name], ...) for field in fields(Plan)} | {"tables": (Tables, ...)}
    PlanOut = create_model("Plan", __base__=Out, **parts)


class Drawing(Out):
    """All faces of the board, and the tape."""

    front: Face
    side: Face
    top: Face
    back: Face
    edge: Face
    tape: tuple[TapeWindow, ...]


class Preview(ClosedModel):
    """Edits of a saved version that are not saved, and what the page shows just now.

    open: keys of the figures whose working is looked at. shape: the aspect ratio whose masks or light are shown.
    """

    version: Annotated[int, Field(ge=1, le=2_000_000_000)]
    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]
    station: Annotated[str, Field(pattern=f"^({'|'.join(BY_KEY)})$")]
    face: FaceName = "front"
    open: Annotated[list[str], Field(max_length=40)] = []
    shape: Annotated[str, Field(max_length=40)] = ""


class FigurePatch(BaseModel):
    """What changed of a figure; left out: its label, how it is known, whether it was entered, and what it rests on stay."""

    key: str
    value: Value
    text: str
    label: str | None = None
    known: Known | None = None
    given: bool | None = None
    rests_on: tuple[str, ...] | None = None


class FacePatch(Out):
    """What changed of a face: marks in place of those with their key, or new; keys of those that went.

    bounds: the face without its marks, where that changed.
    """

    name: FaceName
    bounds: Face | None
    marks: list[Mark]
    gone: list[str]


class PreviewOut(Out):
    """What differs from the plan of the version that was named. Null: nothing of that kind changed.

    findings: all that there are; one that stands as it did is given by its place in that version's list.
    """

    figures: list[FigurePatch]
    opened: list[Figure]
    gone: list[str]
    findings: list[int | PlanFinding] | None
    stations: list[StationState]
    to_measure: list[ToMeasure] | None
    tables: Tables
    face: FacePatch
    refused: list[Refused] | None
    refused_marks: list[str] | None
    tape: list[TapeWindow] | None
