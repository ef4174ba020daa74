"""Jobs made, changed, listed: a saved version always carries its card."""

import hashlib
import logging
from collections.abc import Callable, Sequence
from dataclasses import asdict, replace
from typing import Any
from uuid import UUID

import orjson
from sqlalchemy.exc import SQLAlchemyError

from gantline.api.desk import Desk
from gantline.api.services.plans import card, job_out, planned
from gantline.job.built import built_in
from gantline.job.doubts import ask_back
from gantline.job.edits import Edit, apply
from gantline.job.file import read_stored, sparse, write_job_file
from gantline.job.model import Job
from gantline.job.problems import BadDocument, FieldProblem
from gantline.plan.history import describe, differences
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.store import jobs
from gantline.store.models import JobVersionRow

log = logging.getLogger("gantline")
Change = Callable[[Job], tuple[Job, str]]


def saving(job_plan: JobPlan, what: str, who: str) -> jobs.Save:
    """A version to be saved, with its card.  Raises: BadDocument where a plan of it would take too much."""
    if job_plan.too_much:
        raise BadDocument([FieldProblem("", f"{job_plan.too_much} Nothing was saved.", "")])
    return jobs.Save(document=sparse(job_plan.job), what=what, who=who, card=stored_card(job_plan))


def stored_card(job_plan: JobPlan) -> dict[str, Any]:
    """The yard's card as plain JSON."""
    loaded: dict[str, Any] = orjson.loads(orjson.dumps(card(job_plan), default=as_plain))
    return loaded


def create(desk: Desk, job: Job, what: str, who: str) -> dict[str, Any]:
    """A new job with its first version."""
    made = plan(job, desk.shop)
    return job_out(desk, jobs.create(desk.session, desk.shop_id, saving(made, what, who)), made)


def change(desk: Desk, job_id: UUID, expected: int, who: str, make: Change) -> dict[str, Any]:
    """Change version `expected` and save the next one. make: the changed document, and in words what changed."""
    head = jobs.edited(desk.session, desk.shop_id, job_id, expected)
    return _saved(desk, head, who, make)


def edit(
    desk: Desk, job_id: UUID, expected: int, who: str, edits: Sequence[Edit], key: str | None
) -> dict[str, Any]:
    """Save edits of version `expected`. key: names this edit; one whose answer was lost and that comes again is
    answered by the version it made.

    Raises: VersionConflict with what both sides changed, BadDocument, DoubtfulLength.
    """

    def edited(job: Job) -> tuple[Job, str]:
        ask_back(job.units.to_core(), edits)
        after = apply(job, edits)
        return after, describe(job, after, edits)

    named = None if key is None else (key, _digest(expected, edits))
    before = _saved_by(desk, job_id, named)
    if before is not None:
        return job_out(desk, before)
    try:
        return _saved(desk, jobs.edited(desk.session, desk.shop_id, job_id, expected), who, edited, named)
    except jobs.VersionConflict as conflict:
        before = _saved_by(desk, job_id, named)
        if before is not None:  # the same edit, sent twice at once
            return job_out(desk, before)
        conflict.differences = _differences(desk, job_id, conflict, edits)
        raise


def _digest(expected: int, edits: Sequence[Edit]) -> str:
    said = [expected, [one.model_dump(mode="json") for one in edits]]
    return hashlib.sha256(orjson.dumps(said, option=orjson.OPT_SORT_KEYS)).hexdigest()


def _saved_by(desk: Desk, job_id: UUID, named: tuple[str, str] | None) -> JobVersionRow | None:
    """The version that an edit made, by its key and what it was.  Raises: AnotherEdit under the same key."""
    if named is None:
        return None
    saved_by = jobs.saved_by(desk.session, desk.shop_id, job_id, named[0])
    if saved_by is not None and saved_by.edit_digest not in (None, named[1]):
        raise jobs.AnotherEdit(
            "This Idempotency-Key was used for another edit. Nothing was saved; send it with a new key."
        )
    return saved_by


def _saved(
    desk: Desk, head: JobVersionRow, who: str, make: Change, named: tuple[str, str] | None = None
) -> dict[str, Any]:
    memo = desk.memo.get(head.job_id, head.number)
    old = memo.made.job if memo else read_stored(head.document)
    job, what = make(old)
    made = plan(job, desk.shop, memo.made if memo else desk.memo.made(head.job_id))
    save = replace(saving(made, what, who), as_built=built_in(old, job))
    if named is not None:
        save = replace(save, key=named[0], digest=named[1])
    saved = jobs.save(desk.session, head, save)
    return job_out(desk, saved, made)


def _differences(
    desk: Desk, job_id: UUID, conflict: jobs.VersionConflict, edits: Sequence[Edit]
) -> list[dict[str, str]]:
    """What the conflict is about, field by field; nothing where the version that was edited is not there."""
    try:
        base = jobs.version(desk.session, desk.shop_id, job_id, conflict.expected)
    except jobs.NoSuchJob:
        return []
    found = differences(read_stored(base.document), read_stored(conflict.current["document"]), edits)
    return [asdict(difference) for difference in found]


def cards(desk: Desk, rows: Sequence[JobVersionRow]) -> list[dict[str, Any]]:
    """The yard's cards; one that is missing is made and kept, one that cannot be made says why and keeps no other
    from being shown."""
    out = []
    for row in rows:
        own = {
            "id": row.job_id,
            "version": row.number,
            "saved_at": row.saved_at,
            "who": row.who,
            "trouble": "",
        }
        if row.card is None:
            try:
                row.card = stored_card(planned(desk, row))
            except BadDocument as error:
                out.append(own | _unreadable(row, f"Cannot be read: {error}"))
                continue
            except SQLAlchemyError:  # the database went: no fault of this job's
                raise
            except Exception:  # a fault of ours in one job must not hide all the others
                log.exception("job %s cannot be planned", row.job_id)
                out.append(own | _unreadable(row, "Cannot be planned: the log says why."))
                continue
        out.append(own | row.card)
    return out


def _unreadable(row: JobVersionRow, trouble: str) -> dict[str, Any]:
    said = {key: row.document.get(key) for key in ("name", "place")} if isinstance(row.document, dict) else {}
    texts = {key: value[:120] if isinstance(value, str) else "" for key, value in said.items()}
    rest = {"size_text": "", "next_point": "", "worst": "stop", "station": "wall", "front": None}
    return {"name": "", "place": "", **texts, **rest, "trouble": trouble}


def job_file(desk: Desk, job_id: UUID) -> tuple[str, bytes]:
    """The name and the open job file of a job; of one that cannot be read, what is stored, as it is."""
    head = jobs.head(desk.session, desk.shop_id, job_id)
    try:
        job = read_stored(head.document)
    except BadDocument:
        stored = head.document if isinstance(head.document, dict) else {}
        return str(stored.get("name") or "job")[:120], orjson.dumps(head.document, option=orjson.OPT_INDENT_2)
    return job.name, write_job_file(job)
