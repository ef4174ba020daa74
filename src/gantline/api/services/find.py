"""Find anything: a figure, a station, a sheet, a job, a record, in one's own words."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Literal
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.services.plans import at_hand
from gantline.core.words import meant, score
from gantline.job.records import RecordKind
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.store import jobs, shops

MOST = 12
Kind = Literal["figure", "station", "sheet", "job", "record"]
# what a crew calls a record of each kind; the key of a kind is older than its word
CALLED: Mapping[RecordKind, str] = {
    RecordKind.FABRIC: "fabric",
    RecordKind.PROJECTOR: "projector",
    RecordKind.KIT: "frame kit",
    RecordKind.FIXING: "bracket",
    RecordKind.ANCHOR: "fixing",
    RecordKind.BOARD: "board",
    RecordKind.TAPE: "tape",
    RecordKind.STRIP: "light strip",
}
BEFORE: dict[Kind, float] = {"station": 0.5, "figure": 0.4, "sheet": 0.3, "job": 0.2, "record": 0.0}


@dataclass(frozen=True, slots=True, kw_only=True)
class Match:
    """Something that was looked for. detail: what it reads now, or where it is; path: its address."""

    kind: Kind
    title: str
    detail: str
    path: str


def find(desk: Desk, query: str, job_id: UUID | None) -> list[Match]:
    """The best answers, at most MOST, best first.  job_id: whose figures, stations and sheets are looked through too."""
    asked = meant(query)
    if not asked:
        return []
    found = []
    for match, more in _everything(desk, query, job_id):
        value = score(asked, match.title, f"{more} {match.detail}")
        if value > 0.0:
            found.append((value + BEFORE[match.kind], match))
    found.sort(key=lambda each: (-each[0], each[1].title))
    return [match for _, match in found[:MOST]]


def _everything(desk: Desk, query: str, job_id: UUID | None) -> Iterator[tuple[Match, str]]:
    """Everything that can be found, each with further words it is known by."""
    if job_id is not None:
        head = jobs.head(desk.session, desk.shop_id, job_id)
        yield from _of_job(at_hand(desk, job_id, head.number).made, job_id)
    for row in jobs.heads(desk.session, desk.shop_id, search=query, after=0, most=MOST):
        document = row.document
        name, place = str(document.get("name") or ""), str(document.get("place") or "")
        yield Match(kind="job", title=name, detail=place, path=f"/jobs/{row.job_id}"), query
    for kind in RecordKind:
        for record in shops.records(desk.session, desk.shop_id, kind):
            path = f"/stores/{kind.value}/{record.key}"
            yield (
                Match(kind="record", title=record.name, detail=CALLED[kind], path=path),
                f"{record.body.get('sort', '')} store record",
            )


def _of_job(made: JobPlan, job_id: UUID) -> Iterator[tuple[Match, str]]:
    labels = {state.key: state.label for state in made.states}
    for state, panel in zip(made.states, made.plan.panels, strict=True):
        match = Match(
            kind="station", title=state.label, detail=state.gist, path=f"/jobs/{job_id}/{state.key}"
        )
        yield match, panel.says
    for figure in made.figures.values():
        path = f"/jobs/{job_id}/{figure.station}#figure-{figure.key}"
        station = labels.get(figure.station, "")
        detail = f"{figure.text} · {station}" if figure.text else station
        yield Match(kind="figure", title=figure.label, detail=detail, path=path), ""
    for sheet in SHEETS.values():
        if sheet.there(made) and sheet.papers:
            path = f"/jobs/{job_id}/wall?sheet={sheet.key}"
            yield Match(kind="sheet", title=sheet.label, detail=sheet.group, path=path), "sheet"
