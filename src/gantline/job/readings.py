"""Readings of a distance meter: what one is, and reading them from CSV."""

import zlib
from collections.abc import Sequence
from typing import Annotated, Literal

from pydantic import BaseModel, Field, ValidationError

from gantline.core.units import Units
from gantline.job.csv_rows import read_rows
from gantline.job.edits import Edit
from gantline.job.field import ClosedModel, field_of
from gantline.job.model import Job
from gantline.job.model.survey import Survey
from gantline.job.problems import BadDocument, FieldProblem
from gantline.job.types import PositionMm

What = Literal[
    "ceiling",
    "floor",
    "wall-width",
    "room-depth",
    "datum",
    "distance",
    "stud-edge",
    "stud-center",
    "stud-magnet",
    "stud-nothing",
    "gap",
]
STUD = "stud-"
Source = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^[A-Za-z0-9 ._-]+$")]
MOST_ROWS = 500
REMOVED = ", which was removed"


class Reading(ClosedModel):
    """One reading. seq counts up from 1 within its source; x_mm from the left wall end where it matters.

    ceiling and floor count from the datum line, up and down; distance is a plain length to be used by hand. The value of a
    stud reading is its place along the wall, from the left wall end. A gap is one from a plumb reference plane to the wall, at
    x_mm and y_mm above the floor.
    """

    source: Source
    seq: Annotated[int, Field(ge=1, le=2_000_000_000)]
    what: What = "distance"
    x_mm: PositionMm | None = None
    y_mm: PositionMm | None = None
    value_mm: PositionMm


class Hello(BaseModel):
    """How a feed begins: which source speaks."""

    source: Source
    hello: bool


def named(reading: Reading) -> str:
    """What the job says of where a number came from."""
    return f"reading {reading.seq} of {reading.source}"


def gone(source: str) -> str:
    """What the job says of where a number came from once the reading was removed."""
    return f"{source}{REMOVED}"


def read_csv(content: bytes, units: Units, source: str, first_seq: int) -> list[Reading]:
    """Readings from CSV with the columns what, x, y, value; lengths in any usual form.

    Raises: BadDocument naming the line and the column.
    """
    rows = read_rows(content, ("what", "value"), "readings", MOST_ROWS)
    return [_row(row, line, units, source, first_seq + at) for at, (line, row) in enumerate(rows)]


def _row(row: dict[str, str], line: int, units: Units, source: str, seq: int) -> Reading:
    given = {
        "source": source,
        "seq": seq,
        "what": row.get("what") or "distance",
        "x_mm": row.get("x") or None,
        "y_mm": row.get("y") or None,
        "value_mm": row.get("value", ""),
    }
    try:
        return Reading.model_validate(given, context={"units": units})
    except ValidationError as error:
        first = error.errors()[0]
        column = str(first["loc"][0]).removesuffix("_mm")
        said = str(first.get("ctx", {}).get("error", first["msg"]))
        raise BadDocument(
            [FieldProblem(f"/line {line}/{column}", f"{said.rstrip('.')}.", row.get(column, "")[:80])]
        ) from error


def use_edits(readings: Sequence[Reading], job: Job) -> list[Edit]:
    """The edits that put readings into the survey, each with the reading it comes from.

    A reading at a place that has one already replaces it. `distance` readings are left to people.
    """
    single = {
        "wall-width": field_of(Survey.wall_width_mm),
        "room-depth": field_of(Survey.room_depth_mm),
        "datum": field_of(Survey.datum_mm),
    }
    lists = {
        "ceiling": (field_of(Survey.ceiling_readings), "up_mm"),
        "floor": (field_of(Survey.floor_readings), "down_mm"),
    }
    out: list[Edit] = []
    taken = {
        what: {mark.x_mm: mark.id for mark in field.read(job) if not getattr(mark, "z_mm", None)}
        for what, (field, _) in lists.items()
    }
    for reading in readings:
        if reading.what in single:
            out.append(
                Edit(
                    pointer=single[reading.what].pointer,
                    value=reading.value_mm,
                    known="measured",
                    source=named(reading),
                )
            )
        elif reading.what.startswith(STUD):
            value = {
                "id": _id(reading),
                "x_mm": reading.value_mm,
                "kind": reading.what.removeprefix(STUD),
            }
            already = any(kept.id == value["id"] for kept in job.survey.stud_readings)
            pointer = field_of(Survey.stud_readings).pointer
            out.append(
                Edit(
                    pointer=f"{pointer}/{value['id'] if already else '-'}",
                    value=value,
                    source=named(reading),
                )
            )
        elif reading.what == "gap":
            if reading.x_mm is None or reading.y_mm is None:
                continue  # a gap without its place says nothing
            value = {
                "id": _id(reading),
                "x_mm": reading.x_mm,
                "y_mm": reading.y_mm,
                "gap_mm": reading.value_mm,
            }
            already = any(gap.id == value["id"] for gap in job.survey.gaps)
            pointer = field_of(Survey.gaps).pointer
            out.append(
                Edit(
                    pointer=f"{pointer}/{value['id'] if already else '-'}",
                    value=value,
                    source=named(reading),
                )
            )
        elif reading.what in lists:
            field, name = lists[reading.what]
            x = reading.x_mm or 0.0
            at = taken[reading.what].setdefault(x, _id(reading))
            already = any(each.id == at for each in field.read(job)) or any(
                isinstance(each.value, dict) and each.value.get("id") == at for each in out
            )
            value = {"id": at, "x_mm": x, name: reading.value_mm}
            out.append(
                Edit(
                    pointer=f"{field.pointer}/{at if already else '-'}",
                    value=value,
                    source=named(reading),
                )
            )
    return out


def _id(reading: Reading) -> str:
    """One id a reading; another meter's reading of that number has another."""
    return f"m{zlib.crc32(reading.source.encode()) % 65536:04x}-{reading.seq}"
