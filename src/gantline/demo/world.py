"""The sample world: a made-up firm, its stores, four jobs unlike each other, and two on their day."""

import json
from pathlib import Path
from typing import Any

from sqlalchemy.orm import Session

from gantline.demo.days import load_days
from gantline.job.file import read_job_file, sparse
from gantline.job.records import RecordKind, read_record
from gantline.store import jobs, shops

FOLDER = Path(__file__).parent
JOB_FILES = ("mill-loft", "narrow-lounge", "parish-hall", "basement-den")


def job_bytes(name: str) -> bytes:
    """One sample job file."""
    return (FOLDER / f"{name}.job.json").read_bytes()


def store_records() -> dict[str, list[dict[str, Any]]]:
    """The sample stores by kind."""
    loaded: dict[str, list[dict[str, Any]]] = json.loads((FOLDER / "stores.json").read_text(encoding="utf-8"))
    return loaded


def load(session: Session) -> int:
    """Put the sample world into an empty shop; returns how many jobs were made (0 if it had any)."""
    shop_id = shops.the_shop(session)
    if jobs.heads(session, shop_id):
        return 0
    bodies: dict[tuple[RecordKind, str], tuple[str, dict[str, Any]]] = {}
    for kind, records in store_records().items():
        for record in records:
            body = read_record(RecordKind(kind), record["body"])
            bodies[RecordKind(kind), record["key"]] = record["name"], body
            shops.put_record(session, shop_id, RecordKind(kind), record["key"], record["name"], body)
    days = load_days(session, shop_id, bodies)
    for name in reversed(JOB_FILES):
        job = read_job_file(job_bytes(name))
        saved = jobs.Save(document=sparse(job), what="surveyed and sized", who="Oda Brink")
        jobs.create(session, shop_id, saved)
    return days + len(JOB_FILES)


def named_records(kind: RecordKind) -> list[tuple[str, str, dict[str, Any]]]:
    """The sample stores' records of a kind as (key, name, body), checked."""
    return [
        (record["key"], record["name"], read_record(kind, record["body"])) for record in store_records()[kind]
    ]
