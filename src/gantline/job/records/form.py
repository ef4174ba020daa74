"""What a record of a kind holds, field by field, as it is shown and typed; and its values in words."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum
from types import UnionType
from typing import Annotated, Any, Literal, Union, get_args, get_origin

from pydantic import BaseModel

from gantline.core.units import Units, exact_text, length_text, read_tape
from gantline.job.ends import Ends
from gantline.job.field import Field, declared
from gantline.job.model.frame import Backlight, Blank, BoxPart, FrameBuild, Trim
from gantline.job.model.hanging import Hanging
from gantline.job.model.light import FabricChoice, Lighting
from gantline.job.model.size import BorderFaces
from gantline.job.model.tensioning import Tensioning
from gantline.job.model.throw import ProjectorBody, ProjectorPlace
from gantline.job.records.kinds import MODELS, RecordKind
from gantline.job.records.kit import KitPart
from gantline.job.records.record import Record
from gantline.job.types import Reach, Share

SAME_MM = 0.005
EntryKind = Literal["length", "lengths", "number", "share", "choice", "switch", "text", "lines", "rows"]
DECLARED = (
    FabricChoice, Blank, ProjectorPlace, ProjectorBody, Lighting, FrameBuild, Tensioning, BorderFaces, Hanging, Trim, Backlight,
)  # fmt: skip
# what only a record has, or calls otherwise
LABELS: Mapping[str, str] = {
    "sort": "Sort, in a few words",
    "kind": "Kind of fabric",
    "roll_widths_mm": "Widths of the roll",
    "mass_g_m2": "Mass, g/m²",
    "care": "Care",
    "sources": "Where its numbers are from",
    "acoustic": "Lets sound through",
    "throw_table": "Maker's table of distances",
    "distance_from": "Distance is measured from",
    "shift_of": "Shift is a share of",
    "offset_far": "Offset to the far edge",
    "modes": "Picture modes and the light they leave",
    "noise_db": "Noise, dB",
    "price": "Price",
    "parts": "Parts in the box",
    "holds": "Holds the fabric",
    "border_mm": "Border, each side",
    "nominal": "Board",
    "length_mm": "Length",
    "count": "How many there are",
    "row_fixed_mm": "Rows apart, fixed",
    "fixed_spacing_mm": "Brackets apart, fixed",
}
OWN: Mapping[RecordKind, Mapping[str, str]] = {
    RecordKind.TAPE: {"tape_wide_mm": "Wide", "roll_mm": "Length of a roll", "price": "Price of a roll"},
    RecordKind.STRIP: {
        "reel_mm": "Length of a reel",
        "watts_per_m": "Power, W/m",
        "price": "Price of a reel",
    },
}
# what tells most of a record in a table of many
TELLING: Mapping[RecordKind, tuple[str, ...]] = {
    RecordKind.FABRIC: ("sort", "gain", "half_gain_deg", "ambient_reflectance", "roll_widths_mm"),
    RecordKind.PROJECTOR: ("sort", "ratio_low", "ratio_high", "rated_lm", "noise_db", "price"),
    RecordKind.KIT: ("hold", "depth_mm", "border_mm", "mass_kg", "spacing_mm"),
    RecordKind.FIXING: ("way", "drop_mm", "row_offset_mm", "side_play_mm"),
    RecordKind.ANCHOR: (
        "anchor_base",
        "anchor_drill_mm",
        "anchor_lengths",
        "anchor_shear_n",
        "anchor_pull_n",
    ),
    RecordKind.BOARD: ("nominal", "length_mm", "price", "count"),
    RecordKind.TAPE: ("tape_wide_mm", "roll_mm", "wrap_mm", "price"),
    RecordKind.STRIP: ("pitch_mm", "reel_mm", "watts_per_m", "price"),
}


# rows of a record that are things of a job, too, are called alike
THINGS: Mapping[type[BaseModel], Mapping[str, Field]] = {KitPart: declared(BoxPart)}


@dataclass(frozen=True, slots=True, kw_only=True)
class RecordEntry:
    """One field of a record. kind: how it is typed; choices: value and what it is called; columns: of a list of things."""

    key: str
    label: str
    kind: EntryKind
    choices: tuple[tuple[str, str], ...] = ()
    columns: tuple["RecordEntry", ...] = ()


def entries(kind: RecordKind) -> tuple[RecordEntry, ...]:
    """Every field of a kind of record that is known, in its own order; what all records have comes last."""
    own, shared = OWN.get(kind, {}), Record.model_fields
    every = [
        replace(entry, label=own[entry.key]) if entry.key in own else entry
        for entry in _entries(MODELS[kind])
    ]
    last = [replace(entry, kind="lines") for entry in every if entry.key in shared]
    return (*(entry for entry in every if entry.key not in shared), *last)


def _entries(model: type[BaseModel]) -> Iterator[RecordEntry]:
    things = THINGS.get(model)
    names = _declared() if things is None else things
    for key, info in model.model_fields.items():
        field = names.get(key)
        inner = _bare(info.annotation)
        nested = next(iter(get_args(inner)), None) if get_origin(inner) is list else None
        kind = _kind_of(info.annotation, info.metadata)
        columns: tuple[RecordEntry, ...] = ()
        if nested is not None:
            bare = _bare(nested)
            if isinstance(bare, type) and issubclass(bare, BaseModel):
                kind, columns = "rows", tuple(_entries(bare))
            else:
                kind = "lengths"
        yield RecordEntry(
            key=key,
            label=_label(key, field, within=things is not None),
            kind=kind,
            choices=_choices(inner, field),
            columns=columns,
        )


def _label(key: str, field: Field | None, *, within: bool) -> str:
    """What a field of a record is called.  within: of a thing in one of its lists, which is called as it is in a job."""
    if field is not None and (within or key not in LABELS):
        label = f"{field.label}, {field.unit.strip()}" if within and field.unit.strip() else field.label
        return label[0].upper() + label[1:]
    return LABELS.get(key) or _said(key)


def _declared() -> dict[str, Field]:
    return {name: field for part in reversed(DECLARED) for name, field in declared(part).items()}


def _said(key: str) -> str:
    words = key.removesuffix("_mm").removesuffix("_deg").replace("_", " ")
    return words[0].upper() + words[1:]


def _bare(annotation: Any) -> Any:
    """The type inside Annotated and Optional."""
    while True:
        if get_origin(annotation) is Annotated:
            annotation = get_args(annotation)[0]
        elif get_origin(annotation) in (Union, UnionType):
            annotation = next(one for one in get_args(annotation) if one is not type(None))
        else:
            return annotation


def _metadata(annotation: Any) -> Iterator[Any]:
    for inner in get_args(annotation) if get_origin(annotation) in (Annotated, Union, UnionType) else ():
        if get_origin(annotation) is Annotated and inner is not get_args(annotation)[0]:
            yield inner
        yield from _metadata(inner)


SHARES = {id(one) for kind in (Share, Reach) for one in get_args(kind)[1:] if not isinstance(one, Ends)}


def _kind_of(annotation: Any, metadata: Sequence[Any]) -> EntryKind:
    inner = _bare(annotation)
    marks = [*metadata, *_metadata(annotation)]
    if get_origin(inner) is Literal or (isinstance(inner, type) and issubclass(inner, Enum)):
        return "choice"
    if inner is bool:
        return "switch"
    if inner in (int, float):
        if any(isinstance(mark, Ends) and mark.length for mark in marks):
            return "length"
        return "share" if any(id(mark) in SHARES for mark in marks) else "number"
    return "text"


def _choices(inner: Any, field: Field | None) -> tuple[tuple[str, str], ...]:
    if get_origin(inner) is Literal:
        values = [str(one) for one in get_args(inner)]
    elif isinstance(inner, type) and issubclass(inner, Enum):
        values = [str(one.value) for one in inner]
    else:
        return ()
    called = dict(field.choices) if field else {}
    return tuple((value, called.get(value, value.replace("-", " "))) for value in values)


def texts(kind: RecordKind, body: Mapping[str, Any], units: Units) -> dict[str, Any]:
    """A record's values as they are typed, by key: texts, true or false, and of lists a list of such; what is absent is left
    out."""
    return {
        entry.key: value
        for entry in entries(kind)
        if (value := _text(entry, body.get(entry.key), units)) is not None
    }


def _text(entry: RecordEntry, value: Any, units: Units) -> Any:
    if value is None:
        return None
    match entry.kind:
        case "length":
            return _length(float(value), units)
        case "lengths":
            return ", ".join(_length(float(one), units) for one in value) or None
        case "share":
            return f"{100.0 * float(value):.6g} %"
        case "switch":
            return bool(value)
        case "number":
            return f"{float(value):.10g}"
        case "rows":
            return [
                {
                    column.key: text
                    for column in entry.columns
                    if (text := _text(column, row.get(column.key), units)) is not None
                }
                for row in value
            ] or None
        case _:
            return str(value) or None


def _length(value: float, units: Units) -> str:
    """A length as a tape has it where that is all of it, else by its decimals: what is typed back is what was stored."""
    read = read_tape(value, units).read_mm
    return length_text(value, units) if abs(read - value) < SAME_MM else exact_text(value, units)


def typed(kind: RecordKind, said: Mapping[str, Any], kept: Mapping[str, Any], units: Units) -> dict[str, Any]:
    """A record's body from what was typed in some units: empty fields are left out; what is not in the form, and what reads as it
    was shown, is kept to the last digit as the record had it."""
    known = {entry.key: entry for entry in entries(kind)}
    shown = texts(kind, kept, units)
    body = {key: value for key, value in kept.items() if key not in known}
    for key, value in said.items():
        entry = known.get(key)
        if value in (None, "", []):
            continue
        if key in shown and value == shown[key]:
            body[key] = kept[key]
            continue
        if entry is not None and entry.kind == "lengths" and isinstance(value, str):
            body[key] = [one.strip() for one in value.split(",") if one.strip()]
        elif entry is not None and entry.kind == "rows" and isinstance(value, list):
            body[key] = [
                {name: cell for name, cell in row.items() if cell not in (None, "")} for row in value
            ]
        else:
            body[key] = value
    return body
