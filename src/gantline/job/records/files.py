"""Records as files. CSV: one a line, a column a field, lists and objects as JSON in their cell. JSON: a list of them."""

import csv
import io
import json
import re
from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from pydantic import Field, ValidationError

from gantline.job.csv_rows import guarded, read_rows
from gantline.job.field import ClosedModel
from gantline.job.problems import BadDocument, FieldProblem, from_validation
from gantline.job.records.kinds import MODELS, RecordKind, read_record
from gantline.job.types import Name

MOST_ROWS = 1000
KEY = r"^[a-z0-9][a-z0-9-]{0,59}$"
Named = tuple[str, str, dict[str, Any]]  # key, name, body


class Naming(ClosedModel):
    """What a record is called, and known by."""

    name: Name
    key: Annotated[str, Field(pattern=KEY)]


def write_records(kind: RecordKind, records: Sequence[tuple[str, str, Mapping[str, Any]]]) -> bytes:
    """CSV of a kind's records: key, name, the known fields, then whatever else any record holds."""
    known = list(MODELS[kind].model_fields)
    further = sorted({field for _, _, body in records for field in body} - set(known))
    out = io.StringIO(newline="")
    rows = csv.writer(out)
    rows.writerow([guarded(one) for one in ["key", "name", *known, *further]])
    for key, name, body in records:
        cells = [key, name, *(_cell(body.get(field)) for field in [*known, *further])]
        rows.writerow([guarded(cell) for cell in cells])
    return out.getvalue().encode("utf-8")


def read_records(kind: RecordKind, content: bytes) -> list[Named]:
    """Records from CSV, checked; empty cells are left out. A line without key gets one from its name.

    Raises: BadDocument naming line and column.
    """
    return [_record(kind, line, row) for line, row in read_rows(content, ("name",), "records", MOST_ROWS)]


def read_json_records(kind: RecordKind, content: bytes) -> list[Named]:
    """Records from JSON: a list of {key, name, body}, or an object that holds such a list under the kind's name.

    Raises: BadDocument naming the record.
    """
    try:
        data = json.loads(content)
    except (ValueError, RecursionError) as error:
        raise BadDocument([FieldProblem("", f"This is no JSON: {error}.", "")]) from error
    rows = data.get(str(kind)) if isinstance(data, dict) else data
    if not isinstance(rows, list) or len(rows) > MOST_ROWS:
        raise BadDocument([FieldProblem("", f"A list of at most {MOST_ROWS} records is wanted here.", "")])
    out: list[Named] = []
    for at, row in enumerate(rows):
        body = row.get("body") if isinstance(row, dict) else None
        if not isinstance(body, dict):
            raise BadDocument([FieldProblem(f"/{at}", "A record is an object with name and body.", "")])
        out.append(_named(kind, f"/{at}", str(row.get("key") or ""), str(row.get("name") or ""), body))
    return out


def key_of(name: str) -> str:
    """A record's key made from its name: small letters, digits and dashes."""
    return re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:60] or "record"


def _record(kind: RecordKind, line: int, row: dict[str, str]) -> Named:
    name, key = row.pop("name"), row.pop("key", "")
    return _named(
        kind,
        f"/line {line}",
        key,
        name,
        {field: _value(cell) for field, cell in row.items() if cell},
    )


def _named(kind: RecordKind, place: str, key: str, name: str, body: Mapping[str, Any]) -> Named:
    """One record with its key and name checked."""
    try:
        named = Naming(name=name, key=key or key_of(name))
        return named.key, named.name, read_record(kind, body)
    except ValidationError as error:
        bad = from_validation(error)
    except BadDocument as error:
        bad = error
    raise BadDocument(
        [FieldProblem(f"{place}{problem.pointer}", problem.text, problem.typed) for problem in bad.problems]
    )


def _cell(value: Any) -> str:
    if value is None:
        return ""
    return value if isinstance(value, str) else json.dumps(value, ensure_ascii=False)


def _value(cell: str) -> Any:
    """JSON where it is JSON (a number, true, a list), else the text; texts like 3/4 or 55 % are read by the field."""
    try:
        return json.loads(cell)
    except (ValueError, RecursionError):  # no JSON, or a number of thousands of digits
        return cell
