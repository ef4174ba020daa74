"""The kinds of records, how they are checked, and how each comes into a job."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Any

from pydantic import ValidationError

from gantline.core.units import Units
from gantline.core.wall.loads import OWN
from gantline.job.edits import Edit
from gantline.job.field import Part, declared, field_of
from gantline.job.model import FIELDS, Job
from gantline.job.model.frame import Backlight, Blank, FrameBuild, Trim
from gantline.job.model.hanging import Hanging
from gantline.job.model.light import FabricChoice
from gantline.job.model.size import BorderFaces
from gantline.job.model.tensioning import Tensioning
from gantline.job.problems import BadDocument, FieldProblem, from_validation, pointer
from gantline.job.records.board import BoardRecord
from gantline.job.records.fabric import FabricRecord
from gantline.job.records.hanging import AnchorRecord, FixingRecord
from gantline.job.records.kit import KitRecord
from gantline.job.records.projector import ProjectorRecord, projector_edits
from gantline.job.records.record import Record, copied
from gantline.job.records.trim import StripRecord, TapeRecord
from gantline.job.text import trouble


class RecordKind(StrEnum):
    """What a record is of."""

    FABRIC = "fabric"
    KIT = "kit"
    PROJECTOR = "projector"
    FIXING = "fixing"
    BOARD = "board"
    ANCHOR = "anchor"
    TAPE = "tape"
    STRIP = "strip"


MODELS: Mapping[RecordKind, type[Record]] = {
    RecordKind.FABRIC: FabricRecord,
    RecordKind.KIT: KitRecord,
    RecordKind.PROJECTOR: ProjectorRecord,
    RecordKind.FIXING: FixingRecord,
    RecordKind.BOARD: BoardRecord,
    RecordKind.ANCHOR: AnchorRecord,
    RecordKind.TAPE: TapeRecord,
    RecordKind.STRIP: StripRecord,
}


def read_record(kind: RecordKind, body: Mapping[str, Any], units: Units | None = None) -> dict[str, Any]:
    """A checked record body, lengths in mm, unknown fields kept. units: what a bare number in a text counts in, mm without.

    Raises: BadDocument.
    """
    _refuse_unstorable(body, [])
    try:
        context = {"units": units} if units else None
        return MODELS[kind].model_validate(dict(body), context=context).model_dump(mode="json")
    except ValidationError as error:
        raise from_validation(error) from error


DEEPEST = 12
LARGEST_NUMBER = 2**53  # beyond it other programs lose digits


def _refuse_unstorable(value: Any, place: list[str | int]) -> None:
    """Open fields may hold any JSON a database can keep: no NUL, no half characters, no NaN, not too deep."""
    if len(place) > DEEPEST:
        raise BadDocument([FieldProblem(pointer(place), f"A record nests at most {DEEPEST} deep.", "")])
    why = trouble(value, lines=True) if isinstance(value, str) else ""
    if why:
        raise BadDocument([FieldProblem(pointer(place), why, "")])
    if isinstance(value, int | float) and not abs(value) <= LARGEST_NUMBER:  # NaN is not, either
        raise BadDocument([FieldProblem(pointer(place), "A finite number of usual size is wanted here.", "")])
    if isinstance(value, Mapping):
        for key, inner in value.items():
            _refuse_unstorable(key, place)
            _refuse_unstorable(inner, [*place, key])
    elif isinstance(value, list):
        for at, inner in enumerate(value):
            _refuse_unstorable(inner, [*place, at])


# parts of a job that a record of a kind is made of; a projector's leaflet is not in a job as it was quoted
PARTS: Mapping[RecordKind, tuple[type[Part], ...]] = {
    RecordKind.FIXING: (Hanging, FrameBuild),
    RecordKind.ANCHOR: (Hanging,),
    RecordKind.KIT: (FrameBuild, Tensioning),
    RecordKind.FABRIC: (FabricChoice, Blank),
    RecordKind.TAPE: (Trim,),
    RecordKind.STRIP: (Backlight,),
}


def record_from(kind: RecordKind, job: Job) -> dict[str, Any]:
    """What a job holds of a kind, as a record's body.  Raises: BadDocument where that makes no record."""
    if kind not in PARTS:
        raise BadDocument(
            [FieldProblem("", f"A {kind} record is made from its leaflet, not from a job.", "")]
        )
    known = MODELS[kind].model_fields
    body = {
        name: value
        for part in PARTS[kind]
        for name, field in declared(part).items()
        if name in known and (value := field.read(job)) is not None
    }
    if kind is RecordKind.KIT:
        body["parts"] = [
            {
                key: value
                for key, value in one.model_dump(exclude={"id", "found"}).items()
                if value is not None
            }
            for one in job.frame.parts
        ]
        hung = {name: field.read(job) for name, field in declared(Hanging).items()}
        hung["fixed_spacing_mm"] = hung.pop("spacing_mm")
        body |= {name: value for name, value in hung.items() if name in known and value is not None}
        if job.size.border.side_mm is not None:
            body["border_mm"] = job.size.border.side_mm
    if kind is RecordKind.FABRIC and job.light.fabric.roll_mm is not None:
        body["roll_widths_mm"] = [job.light.fabric.roll_mm]
    return read_record(kind, body)


def _hung(body: Mapping[str, Any]) -> list[Edit]:
    """What a kit says of its brackets; what it leaves out stays as the job has it."""
    said = {
        key: value for key, value in body.items() if value is not None and key not in ("spacing_mm", "name")
    }
    if "fixed_spacing_mm" in said:
        said["spacing_mm"] = said.pop("fixed_spacing_mm")
    return copied(Hanging, None, "", said)


def _parts(body: Mapping[str, Any]) -> list[dict[str, Any]]:
    """The parts to count, by id, nothing counted yet."""
    kept = ("name", "count", "spare", "stops", "mass_g", "into", "facing", "long_mm", "on")
    return [
        {"id": f"p{at}", **{key: one[key] for key in kept if key in one}}
        for at, one in enumerate(body.get("parts") or (), start=1)
    ]


def stored_edits(
    kind: RecordKind, name: str, body: Mapping[str, Any], job: Job | None = None
) -> tuple[list[Edit], str]:
    """The edits that take a record of the stores, for a comparison: a number past its end by now is taken as the nearest allowed.

    Returns: the edits, and which numbers of the record are past their ends; empty where none is.
    """
    edits, said = [], []
    units = Units() if job is None else job.units.to_core()
    for edit in edits_from(kind, name, body, job):
        field, value = FIELDS.get(edit.pointer), edit.value
        ends = field.within if field else None
        if field and ends and isinstance(value, int | float) and not ends.low <= value <= ends.high:
            low, high, stored = (ends.text(number, units) for number in (*ends.on_tape(units), value))
            said.append(
                f"{field.label} is stored as {stored}, and {low} to {high} is allowed: edit the record."
            )
            edits.append(edit.model_copy(update={"value": ends.nearest(value)}))
        else:
            edits.append(edit)
    return edits, " ".join(said)


def edits_from(kind: RecordKind, name: str, body: Mapping[str, Any], job: Job | None = None) -> list[Edit]:
    """The edits that take a record into a job: its values are copied, so the job stands alone."""
    match kind:
        case RecordKind.PROJECTOR:
            return projector_edits(name, dict(body), job)
        case RecordKind.FIXING:
            return copied(Hanging, field_of(Hanging.name), name, body) + copied(FrameBuild, None, "", body)
        case RecordKind.KIT:
            faces = dict.fromkeys(("side_mm", "top_mm", "bottom_mm"), body.get("border_mm"))
            edits = copied(FrameBuild, field_of(FrameBuild.name), name, {**body, "build": "kit"})
            edits += copied(Tensioning, None, "", body) + copied(BorderFaces, None, "", faces)
            return (
                edits + _hung(body) + [Edit(pointer=field_of(FrameBuild.parts).pointer, value=_parts(body))]
            )
        case RecordKind.FABRIC:
            rolls = body.get("roll_widths_mm") or [None]
            edits = copied(
                FabricChoice, field_of(FabricChoice.name), name, dict(body) | {"roll_mm": rolls[-1]}
            )
            edits += copied(Blank, None, "", body)
            return [Edit(pointer=field_of(Tensioning.fabric).pointer, value=name), *edits]
        case RecordKind.ANCHOR:
            return copied(Hanging, field_of(Hanging.anchor_name), name, {**body, "fixing": OWN})
        case RecordKind.BOARD:
            return copied(FrameBuild, None, "", {"board": body.get("nominal"), **body})
        case RecordKind.TAPE:
            return copied(Trim, None, "", {"border": "tape", **body})
        case RecordKind.STRIP:
            return copied(Backlight, None, "", {"there": True, **body})
