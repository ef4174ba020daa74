"""Make docs/job-file.md, docs/figures.md and docs/kit-sheet.md anew, from the fields and the figures themselves.

Run it as a module: python -m tools.docs. A test fails while they are stale.
"""

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from gantline.core.defaults import Default
from gantline.demo.world import JOB_FILES, job_bytes, store_records
from gantline.job.field import Field, declared
from gantline.job.file import read_job_file
from gantline.job.model import FIELDS, ITEMS
from gantline.job.records.kit import KitRecord
from gantline.stations import plan
from gantline.stations.registry import STATIONS

DOCS = Path(__file__).parents[1] / "docs"
KINDS = {
    "count": "whole number",
    "switch": "true or false",
    "share": "share",
    "value": "object",
    "list": "list",
}
JOB_INTRO = """# The job file

Made by `python -m tools.docs` from the declarations in `src/gantline/job/model`.

A job file is UTF-8 JSON, one object, at most 1 MB, named `*.job.json`. `gantline schema` prints its JSON schema.
Unknown fields are refused, so that a slip of the pen is not lost. `format` is `gantline-job`, `format_version` is 2.
Files of version 1 are upgraded when they are read; newer ones are refused.

**Lengths** are numbers in millimeters, or text in any usual form: `8' 2 1/2"`, `8-2 1/2`, `98 1/2`, `98½`, `2.5 m`,
`250 cm`. A bare number inside a text counts in the job's own unit (`units`). Written files hold numbers. **Shares** are
numbers from 0 to 1, or text in percent (`"55 %"`).

**Absent is absent.** A field that is left out is not in the file. What stands in for it is in the table below, and
while it does, the field counts as *assumed*. A **fact** is something of the world: only facts are asked to be measured.
A field that is present counts as *measured* under `survey` and as *decided* elsewhere; `known` overrides that by JSON
pointer.

**Things in lists have ids.** An id is made of small letters, digits and dashes, unique in its list, and stays with its
thing. Pointers name ids, never places in the list: `/survey/seats/s5/from_wall_mm`. Things written by hand without an
id get one when they are read. A light state names the lamps that are lit by their ids.
"""
FIGURES_INTRO = """# Figures

Made by `python -m tools.docs` from the figures themselves: what each is, where its formula comes from, and how it was
written for one of the sample jobs. The functions behind them are in `src/gantline/core`, explained in
[how it computes](how-it-computes.md).
"""


def cell(text: str) -> str:
    """A text inside a table."""
    return text.replace("|", "\\|").replace("\u00a0", " ")


def stands(one: Field) -> str:
    """What stands in while a field is absent."""
    if isinstance(one.default, Default):
        return f"{one.default.value:g} {one.default.unit}, {one.default.meaning}"
    if one.derived:
        return "worked out"
    if one.default is None or one.default == "":
        return "nothing"
    if isinstance(one.default, bool):
        return "yes" if one.default else "no"
    return one.choice(one.default) if one.kind == "choice" else f"{one.default}"


def line(name: str, one: Field) -> str:
    """One row of a table of fields."""
    kind = KINDS.get(one.kind, one.kind) + (
        ": " + ", ".join(f"`{key}`" for key, _ in one.choices) if one.kind == "choice" else ""
    )
    return f"| `{name}` | {cell(one.label)} | {kind} | {cell(stands(one))} | {'fact' if one.fact else ''} |"


def job_file() -> str:
    """The job file, field by field."""
    head = "| field | what it is | kind | while absent | |\n| --- | --- | --- | --- | --- |"
    out = [JOB_INTRO, "## Fields\n", head]
    out += [line(pointer, one) for pointer, one in FIELDS.items()]
    for base, kind in ITEMS.items():
        out += [f"\n## Things in `{base}`\n", f"{' '.join((kind.__doc__ or '').split())}\n", head]
        out += [line(name, one) for name, one in declared(kind).items()]
    example = job_bytes("basement-den").decode().rstrip()
    out += ["\n## An example\n", "The sample job of an impossible room:\n", f"```json\n{example}\n```"]
    return "\n".join(out) + "\n"


def figures() -> str:
    """Every computed figure with its source."""
    plans = [plan(read_job_file(job_bytes(name))).figures for name in JOB_FILES]
    out = [FIGURES_INTRO]
    for station in STATIONS:
        out += [
            f"## {station.label}\n",
            "| figure | key | what it is | formula | source |",
            "| --- | --- | --- | --- | --- |",
        ]
        for one in station.figures:
            written = next((made[one.key].working.written().formula for made in plans if one.key in made), "")
            what = (one.make.__doc__ or "").split("\n")[0]
            out.append(
                f"| {cell(one.label)} | `{one.key}` | {cell(what)} | {cell(written)} | {cell(one.source)} |"
            )
        out.append("")
    return "\n".join(out)


def schema_lines(schema: dict[str, Any], name: str) -> Iterator[str]:
    """The fields of one object of a JSON schema, one a row."""
    own = schema["$defs"][name] if name else schema
    for key, one in own["properties"].items():
        kinds = list(alternatives(one))
        said = []
        for each in kinds:
            ref = each.get("$ref", "").rpartition("/")[2]
            choices = each.get("enum") or schema["$defs"].get(ref, {}).get("enum")
            said.append(", ".join(f"`{value}`" for value in choices) if choices else each.get("type", ref))
        bounds = (("from", "minimum"), ("to", "maximum"))
        limits = " ".join(f"{word} {kinds[0][bound]:g}" for word, bound in bounds if bound in kinds[0])
        needed = "yes" if key in own.get("required", []) else ""
        yield f"| `{key}` | {' or '.join(said)} | {limits} | {needed} |"


def alternatives(one: dict[str, Any]) -> Iterator[dict[str, Any]]:
    """What a field of a schema may be, but absent."""
    for each in one.get("anyOf", [one]):
        if "anyOf" in each:
            yield from alternatives(each)
        elif each.get("type") != "null":
            yield each


def kit_sheet() -> str:
    """The kit sheet, field by field."""
    schema = KitRecord.model_json_schema()
    head = "| field | kind | limits | needed |\n| --- | --- | --- | --- |"
    record = next(one for one in store_records()["kit"] if one["key"] == "ketch")
    contradictions = (
        "A spacing and counts of points; counts of one pair of sides only; fixed brackets without a spacing; a share and a fixed "
        "spacing; trim wider than the border; a part twice; all of a part spares; more points than parts that hold "
        "them; parts that weigh more than the kit."
    )
    return "\n".join(
        [
            "# The kit sheet\n",
            "Made by `python -m tools.docs` from `src/gantline/job/records/kit.py`.\n",
            "A frame kit as its leaflet has it: a record of the stores under `kit`, in and out as JSON or CSV (Stores, at "
            "Frame). Lengths are numbers in millimeters or text in any usual form. What Gantline does not know is kept and "
            "written out "
            "again. Refused, with the place and a sentence, is what is missing and what contradicts itself:\n",
            f"{contradictions}\n",
            "## Fields\n",
            head,
            *schema_lines(schema, ""),
            "\n## A part\n",
            head,
            *schema_lines(schema, "KitPart"),
            "\n## An example\n",
            f"```json\n{json.dumps(record, indent=1, ensure_ascii=False)}\n```\n",
        ]
    )


FILES = {"job-file.md": job_file, "figures.md": figures, "kit-sheet.md": kit_sheet}

if __name__ == "__main__":
    for name, make in FILES.items():
        (DOCS / name).write_text(make(), encoding="utf-8")
