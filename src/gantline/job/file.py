"""Reading and writing the open job file (JSON), with an upgrade path from older versions."""

import json
from collections.abc import Callable, Mapping
from typing import Any

from pydantic import ValidationError

from gantline.core.units import Units
from gantline.job.document import FORMAT, VERSION, Job, JobUnits
from gantline.job.problems import BadDocument, FieldProblem, from_validation

LARGEST_BYTES = 1_000_000

# from version n to n + 1; empty while there is only one version
UPGRADES: Mapping[int, Callable[[dict[str, Any]], dict[str, Any]]] = {}


def read_job(data: object) -> Job:
    """A Job from parsed JSON. Texts for lengths count in the job's own unit.

    Raises: BadDocument naming every field that is wrong.
    """
    if not isinstance(data, dict):
        raise BadDocument([FieldProblem("", "A job file is a JSON object.", "")])
    document = _upgraded(dict(data))
    try:
        units = JobUnits.model_validate(document.get("units", {})).to_core()
    except ValidationError:
        units = Units()  # the full check below names the wrong unit
    try:
        return Job.model_validate(document, context={"units": units})
    except ValidationError as error:
        raise from_validation(error) from error


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
    """The job file: UTF-8 JSON, indented, keys in the order of the day."""
    return (json.dumps(job.model_dump(mode="json"), indent=2, ensure_ascii=False) + "\n").encode()


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} is no number")


def _upgraded(document: dict[str, Any]) -> dict[str, Any]:
    if document.get("format", FORMAT) != FORMAT:
        raise BadDocument([FieldProblem("/format", f"This is not a {FORMAT} file.", str(document["format"])[:80])])
    version = document.get("format_version", VERSION)
    while version in UPGRADES:
        document = UPGRADES[version](document)
        version = document["format_version"]
    if isinstance(version, int) and version > VERSION:
        raise BadDocument(
            [FieldProblem("/format_version", f"This file is version {version}; this program reads up to {VERSION}.", "")]
        )
    return document
