"""Reading and writing the open job file (JSON), with an upgrade path from older versions."""

import json
from itertools import count
from typing import Any

from pydantic import ValidationError

from gantline.core.units import Units
from gantline.job.ends import STORED, strays
from gantline.job.model import FIELDS, FORMAT, ITEMS, VERSION, Job, JobUnits
from gantline.job.pointers import parent, with_ids
from gantline.job.problems import BadDocument, FieldProblem, from_validation
from gantline.job.upgrades import UPGRADES

LARGEST_BYTES = 1_000_000


def read_job(data: object, before: Job | None = None) -> Job:
    """A Job from parsed JSON. Texts for lengths count in the job's own unit.

    before: the job it was made from; a number that is past its end there and was not touched may stay.
    Raises: BadDocument naming every field that is wrong.
    """
    job = read_stored(data)
    new = list(strays(job))
    if new:
        there = {(stray.pointer, stray.value) for stray in strays(before)} if before is not None else set()
        new, units = [one for one in new if (one.pointer, one.value) not in there], job.units.to_core()
        if new:
            raise BadDocument(
                [
                    FieldProblem(one.pointer, one.ends.refusal(one.value, units), str(one.value))
                    for one in new[:20]
                ]
            )
    return job


def read_stored(data: object) -> Job:
    """A Job that was accepted once: a number that is past its end by now stays as it is, and the plan says so.

    Raises: BadDocument where it cannot be read for another reason.
    """
    if not isinstance(data, dict):
        raise BadDocument([FieldProblem("", "A job file is a JSON object.", "")])
    document = _identified(_upgraded(dict(data)))
    try:
        units = JobUnits.model_validate(document.get("units", {})).to_core()
    except ValidationError:
        units = Units()  # the full check below names the wrong unit
    try:
        job = Job.model_validate(document, context={"units": units, STORED: True})
    except ValidationError as error:
        raise from_validation(error, lambda place: with_ids(place, document)) from error
    _check(job)
    return job


def _identified(document: dict[str, Any]) -> dict[str, Any]:
    """Things written by hand without an id get one, by their place in the list."""
    for base in ITEMS:
        *folders, name = base.split("/")[1:]
        chain = [document]
        for folder in folders:
            inner = chain[-1].get(folder)
            if not isinstance(inner, dict):
                break
            chain.append(inner)
        things = chain[-1].get(name) if len(chain) > len(folders) else None
        if not isinstance(things, list) or all(isinstance(one, dict) and "id" in one for one in things):
            continue
        taken = {one.get("id") for one in things if isinstance(one, dict)}
        free = (text for text in map(f"{name[0]}{{}}".format, count(1)) if text not in taken)
        fixed: Any = [
            {"id": next(free)} | one if isinstance(one, dict) and "id" not in one else one for one in things
        ]
        for holder, key in zip(reversed(chain), [name, *reversed(folders)], strict=True):
            fixed = holder | {key: fixed}
        document = fixed
    return document


def _check(job: Job) -> None:
    """Ids are unique in their list, and `known` and `sources` name fields that are there. Raises: BadDocument."""
    problems = []
    for base in ITEMS:
        ids = [field.id for field in FIELDS[base].read(job) or ()]
        twice = next((one for one in ids if ids.count(one) > 1), None)
        if twice is not None:
            problems.append(
                FieldProblem(base, f"Two things here have the id {twice}: give each its own.", twice)
            )
    data = job.model_dump(mode="json") if job.known or job.sources else {}
    for place, pointers in (("/known", job.known), ("/sources", job.sources)):
        for pointer in pointers:
            try:
                parent(data, pointer)
            except BadDocument as error:
                problems += [FieldProblem(place, f"{pointer}: {error}", pointer)]
    if problems:
        raise BadDocument(problems[:20])


def read_job_file(content: bytes) -> Job:
    """A Job from the bytes of a job file. Raises: BadDocument if it is no JSON, too large or wrong."""
    if len(content) > LARGEST_BYTES:
        raise BadDocument([FieldProblem("", f"A job file is at most {LARGEST_BYTES // 1000} kB.", "")])
    try:
        data = json.loads(content, parse_constant=_no_constant)
    except (ValueError, RecursionError) as error:
        raise BadDocument([FieldProblem("", f"This is not a JSON file: {error}.", "")]) from error
    return read_job(data)


def write_job_file(job: Job) -> bytes:
    """The job file: UTF-8 JSON, indented, keys in the order of the day, what is absent left out."""
    return (json.dumps(sparse(job), indent=2, ensure_ascii=False) + "\n").encode()


def sparse(job: Job) -> dict[str, Any]:
    """The document as it is stored and written: only what somebody said."""
    bare = _pruned(job.model_dump(mode="json", exclude_none=True))
    return {"format": FORMAT, "format_version": VERSION, "name": job.name} | bare


def _pruned(value: dict[str, Any]) -> dict[str, Any]:
    inner = {name: _pruned(one) if isinstance(one, dict) else one for name, one in value.items()}
    return {name: one for name, one in inner.items() if one not in ({}, [])}


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} is no number")


def _upgraded(document: dict[str, Any]) -> dict[str, Any]:
    if document.get("format", FORMAT) != FORMAT:
        raise BadDocument(
            [FieldProblem("/format", f"This is not a {FORMAT} file.", str(document["format"])[:80])]
        )
    # a file that says no version is one of today if it is written by hand
    version = document.get("format_version", VERSION)
    while isinstance(version, int) and version in UPGRADES:
        document = UPGRADES[version](document)
        version = document["format_version"]
    if isinstance(version, int) and version > VERSION:
        raise BadDocument(
            [
                FieldProblem(
                    "/format_version",
                    f"This file is version {version}; this program reads up to {VERSION}.",
                    "",
                )
            ]
        )
    return document
