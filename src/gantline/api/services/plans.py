"""A version planned and drawn; what a drag changes; what the yard shows."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.schemas.plans import Preview
from gantline.api.services.memo import PlanEntry
from gantline.drawing.marks import Area, Face
from gantline.drawing.tape import TapeWindow
from gantline.job.edits import apply
from gantline.job.file import read_stored
from gantline.plan.figure import Figure
from gantline.plan.finding import PlanFinding
from gantline.plan.plan import JobPlan
from gantline.plan.station import Station
from gantline.stations import face, plan
from gantline.stations.board import FACES, shown
from gantline.stations.registry import BY_KEY
from gantline.store import jobs
from gantline.store.models import JobVersionRow

PATCHED = ("label", "known", "given", "rests_on")
CARD_ROLES = ("wall", "floor", "ceiling", "frame", "frame-clash", "picture")


def planned(desk: Desk, version: JobVersionRow) -> JobPlan:
    """A version's plan, fresh: whoever asks may ask on."""
    return plan(read_stored(version.document), desk.shop, desk.memo.made(version.job_id))


def drawing(job_plan: JobPlan) -> dict[str, Any]:
    """All faces and the tape."""
    return {name: face(job_plan, name) for name in FACES} | {"tape": tape(job_plan)}


def tape(job_plan: JobPlan) -> tuple[TapeWindow, ...]:
    """The pieces of tape round the marks."""
    table = job_plan.table("tape")
    return table.windows if table else ()


def job_out(desk: Desk, version: JobVersionRow, made: JobPlan | None = None) -> dict[str, Any]:
    """A saved version with everything a page shows of it."""
    kept = None if made else _at_hand(desk, version)
    if kept is None:
        made = made or planned(desk, version)
        kept = PlanEntry(made, drawing(made))
    out = {
        "id": version.job_id,
        "version": version.number,
        "who": version.who,
        "what": version.what,
        "saved_at": version.saved_at,
        "can_undo": jobs.undoable(desk.session, version),
        "can_redo": jobs.redoable(desk.session, version) is not None,
        **kept.parts(desk.memo.near(version.job_id)),
    }
    desk.keep(version.job_id, version.number, kept)
    return out


def _at_hand(desk: Desk, version: JobVersionRow) -> PlanEntry | None:
    """A version's plan and drawing where this process has them, for the shop's settings of now."""
    kept = desk.memo.get(version.job_id, version.number)
    return kept if kept is not None and kept.made.ask.shop.overrides == desk.shop.overrides else None


def card(job_plan: JobPlan) -> dict[str, Any]:
    """What the yard shows of a job: its little wall, its size, what comes next and where."""
    wall = face(job_plan, "front")
    marks = tuple(mark for mark in wall.marks if isinstance(mark, Area) and mark.role in CARD_ROLES)
    first = job_plan.findings[0] if job_plan.findings else None
    return {
        "name": job_plan.ask.job.name,
        "place": job_plan.ask.job.place or "",
        "size_text": job_plan.text("size"),
        "next_point": job_plan.next_point,
        "worst": first.severity if first else None,
        "station": first.station if first and first.severity == "stop" else "wall",
        "front": replace(wall, marks=marks, rests=()),
    }


def preview(desk: Desk, job_id: UUID, asked: Preview) -> dict[str, Any]:
    """What edits would change of a version's plan, of what the page shows."""
    before = at_hand(desk, job_id, asked.version)
    old = before.made
    new = plan(apply(old.job, asked.edits), desk.shop, old, cures=False)
    station = BY_KEY[asked.station]
    changed = [figure for figure in new.figures.values() if differs(old.figures.get(figure.key), figure)]
    return {
        "figures": [_figure_patch(old.figures.get(one.key), one) for one in changed],
        "opened": [one for one in changed if one.key in asked.open],
        "gone": [key for key in old.figures if key not in new.figures],
        "findings": _findings(old.findings, _with_cures(old.findings, new.findings)),
        "stations": [one for one, was in zip(new.states, old.states, strict=True) if one != was],
        "to_measure": _changed(old.to_measure, new.to_measure),
        "tables": _tables(station, old, new),
        "face": _face_patch(before.drawing[asked.face], face(new, asked.face), station, asked.shape),
        "refused": _changed(old.plan.refused, new.refused[0]),
        "refused_marks": _changed(old.plan.refused_marks, tuple(sorted(new.refused[1]))),
        "tape": _changed(before.drawing["tape"], tape(new)) if station.strip == "tape" else None,
    }


def at_hand(desk: Desk, job_id: UUID, number: int) -> PlanEntry:
    """A version's plan from the memo; otherwise it is planned now."""
    kept = desk.memo.get(job_id, number)
    if kept is not None and kept.made.ask.shop.overrides == desk.shop.overrides:
        jobs.check_there(desk.session, desk.shop_id, job_id)
        return kept
    made = planned(desk, jobs.version(desk.session, desk.shop_id, job_id, number))
    kept = PlanEntry(made, drawing(made))
    _ = made.plan  # asks for every table
    desk.keep(job_id, number, kept)
    return kept


def _with_cures(old: Sequence[PlanFinding], new: Sequence[PlanFinding]) -> Sequence[PlanFinding]:
    """Findings that read as before keep their cures; trying those of the others waits until the hand is off."""
    before = {(finding.code, finding.subject, finding.text): finding for finding in old}
    return tuple(
        replace(finding, cures=same.cures, by_hand=same.by_hand)
        if (same := before.get((finding.code, finding.subject, finding.text)))
        else finding
        for finding in new
    )


def _tables(station: Station, old: JobPlan, new: JobPlan) -> dict[str, Any]:
    """The station's tables that changed; the tape travels by itself."""
    found = {}
    for table in station.tables:
        value = new.ask(table.question)
        if table.key != "tape" and value != old.plan.tables.get(table.key):
            found[table.key] = value
    return found


def differs(old: Figure | None, new: Figure) -> bool:
    """Whether a figure reads otherwise: kept answers give the same object."""
    return old is not new and (
        old is None
        or (old.value, old.text, old.known, old.given, old.rests_on, old.label)
        != (new.value, new.text, new.known, new.given, new.rests_on, new.label)
    )


def _figure_patch(old: Figure | None, new: Figure) -> dict[str, Any]:
    patch = {"key": new.key, "value": new.value, "text": new.text}
    changed = (name for name in PATCHED if old is None or getattr(old, name) != getattr(new, name))
    return patch | {name: getattr(new, name) for name in changed}


def _findings(old: Sequence[PlanFinding], new: Sequence[PlanFinding]) -> list[int | PlanFinding] | None:
    if old == new:
        return None
    places = {(one.code, one.subject, one.text): at for at, one in enumerate(old)}
    found = ((places.get((one.code, one.subject, one.text)), one) for one in new)
    return [one if at is None or old[at] != one else at for at, one in found]


def _changed(old: Sequence[Any], new: Sequence[Any]) -> Sequence[Any] | None:
    return None if old == new else new


def _face_patch(old: Face, new: Face, station: Station, shape: str) -> dict[str, Any]:
    before = {mark.key: mark for mark in old.marks}
    now = {one.key for one in new.marks}
    bare = replace(new, marks=(), rests=())
    marks = [one for one in shown(new.marks, station) if before.get(one.key) != one]
    return {
        "name": new.name,
        "bounds": bare if bare != replace(old, marks=(), rests=()) else None,
        "marks": [one for one in marks if getattr(one, "of", None) in (None, shape)],
        "gone": [key for key in before if key not in now],
    }
