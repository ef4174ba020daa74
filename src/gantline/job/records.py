"""The shop's own records: fabrics, kits, projectors, fixings. Open JSON: further fields are kept."""

import math
import re
from collections.abc import Mapping
from enum import StrEnum
from typing import Annotated, Any

from pydantic import Field, ValidationError

from gantline.core.light.lobe import FabricKind
from gantline.core.tension.holds import Hold
from gantline.job.edits import Edit
from gantline.job.fields import DistanceMm, LengthMm, Line, Record, Share
from gantline.job.problems import BadDocument, FieldProblem, from_validation, pointer
from gantline.job.projector_record import ProjectorRecord, projector_edits


class RecordKind(StrEnum):
    """What a record is of."""

    FABRIC = "fabric"
    KIT = "kit"
    PROJECTOR = "projector"
    FIXING = "fixing"


class FabricRecord(Record):
    """A fabric by the roll."""

    sort: Line = ""
    kind: FabricKind = FabricKind.DIFFUSE
    gain: Annotated[float, Field(gt=0.0, le=10.0)] | None = None
    half_gain_deg: Annotated[float, Field(gt=0.0, le=90.0)] | None = None
    ambient_reflectance: Share | None = None
    acoustic: bool = False
    roll_widths_mm: Annotated[list[LengthMm], Field(max_length=20)] = []
    mass_g_m2: Annotated[float, Field(gt=0.0, le=5000.0)] | None = None
    care: Line = ""


class KitRecord(Record):
    """A frame kit: its depth, its border and how it holds the fabric."""

    depth_mm: LengthMm | None = None
    border_mm: DistanceMm = 0.0
    centre_bars: Annotated[int, Field(ge=0, le=8)] = 0
    hold: Hold = Hold.SPRING
    spacing_mm: LengthMm | None = None
    inset_mm: LengthMm | None = None


class FixingRecord(Record):
    """A pair of hanging brackets as on the kit sheet [mm]."""

    drop_mm: DistanceMm
    row_offset_mm: DistanceMm
    side_play_mm: DistanceMm = 0.0
    lift_on_mm: DistanceMm = 0.0
    standoff_mm: DistanceMm | None = None


MODELS: Mapping[RecordKind, type[Record]] = {
    RecordKind.FABRIC: FabricRecord,
    RecordKind.KIT: KitRecord,
    RecordKind.PROJECTOR: ProjectorRecord,
    RecordKind.FIXING: FixingRecord,
}


def read_record(kind: RecordKind, body: Mapping[str, Any]) -> dict[str, Any]:
    """A checked record body, lengths in mm, unknown fields kept. Raises: BadDocument."""
    _refuse_unstorable(body, [])
    try:
        return MODELS[kind].model_validate(dict(body)).model_dump(mode="json")
    except ValidationError as error:
        raise from_validation(error) from error


DEEPEST = 12
LARGEST_NUMBER = 2**53  # beyond it other programs lose digits
UNSTORABLE = re.compile(r"[\x00\ud800-\udfff]")


def _refuse_unstorable(value: Any, place: list[str | int]) -> None:
    """Open fields may hold any JSON a database can keep: no NUL, no half characters, no NaN, not too deep."""
    if len(place) > DEEPEST:
        raise BadDocument([FieldProblem(pointer(place), f"A record nests at most {DEEPEST} deep.", "")])
    if isinstance(value, str) and UNSTORABLE.search(value):
        raise BadDocument([FieldProblem(pointer(place), "This text holds characters that cannot be stored.", "")])
    if isinstance(value, int | float) and not (math.isfinite(value) and abs(value) <= LARGEST_NUMBER):
        raise BadDocument([FieldProblem(pointer(place), "A finite number of usual size is wanted here.", "")])
    if isinstance(value, Mapping):
        for key, inner in value.items():
            _refuse_unstorable(key, place)
            _refuse_unstorable(inner, [*place, key])
    elif isinstance(value, list):
        for at, inner in enumerate(value):
            _refuse_unstorable(inner, [*place, at])


def edits_from(kind: RecordKind, name: str, body: Mapping[str, Any]) -> list[Edit]:
    """The edits that take a record into a job: its values are copied, so the job stands alone."""
    match kind:
        case RecordKind.PROJECTOR:
            return projector_edits(name, dict(body))
        case RecordKind.FIXING:
            edits = _copied("/wall", name, body, ("drop_mm", "row_offset_mm", "side_play_mm", "lift_on_mm"))
            return edits + _copied("/frame", None, body, ("standoff_mm",))
        case RecordKind.KIT:
            border = {f"{side}_mm": body["border_mm"] for side in ("side", "top", "bottom")}
            edits = _copied("/frame", name, body, ("depth_mm", "centre_bars"))
            edits += _copied("/tension", None, body, ("hold", "spacing_mm", "inset_mm"))
            return [*edits, *_copied("/size/border", None, border, tuple(border))]
        case RecordKind.FABRIC:
            shown = ("kind", "gain", "half_gain_deg", "ambient_reflectance", "acoustic")
            rolls = body.get("roll_widths_mm") or [None]
            edits = [Edit(pointer="/tension/fabric", value=name), Edit(pointer="/light/fabric/roll_mm", value=rolls[-1])]
            return edits + _copied("/light/fabric", name, body, shown)


def _copied(base: str, name: str | None, body: Mapping[str, Any], keys: tuple[str, ...]) -> list[Edit]:
    named = [] if name is None else [Edit(pointer=f"{base}/name", value=name)]
    return named + [Edit(pointer=f"{base}/{key}", value=body.get(key)) for key in keys if key in body]
