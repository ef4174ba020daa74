"""What happened to the steps of the day: rows that are only ever added."""

from typing import Any, cast
from uuid import UUID

from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.day.pace import Ticked
from gantline.core.day.progress import Act, Told
from gantline.core.day.step import Phase
from gantline.store.models import JobRow, StepRow
from gantline.store.readings import CHANNEL, TooMany

COLUMNS = tuple(
    getattr(StepRow, name) for name in ("id", "step", "act", "said", "text", "who", "at", "version")
)
MOST_TICKS = 4_000  # that a shop's pace is learnt from
STRETCHES = {phase.value for phase in Phase}
MOST = 20_000  # of a job: fifty days of ticking every staple


def hold(session: Session, job_id: UUID) -> None:
    """Nobody else moves this job's newest version until this transaction ends."""
    session.execute(select(JobRow.id).where(JobRow.id == job_id).with_for_update())


def told(row: Any) -> Told:
    """A row as a plain value."""
    return Told(
        id=str(row.id),
        step=row.step,
        act=cast(Act, row.act),  # the door checks it
        things=tuple((act, thing) for act, thing in row.said["things"]),
        values=row.said.get("values", {}),
        numbers={key: (text, value) for key, (text, value) in row.said.get("numbers", {}).items()},
        reason=row.text,
        who=row.who,
        at=row.at,
        version=row.version,
    )


def of_job(session: Session, job_id: UUID) -> tuple[Told, ...]:
    """Every row of a job in the order it was told."""
    chosen = select(*COLUMNS).where(StepRow.job_id == job_id).order_by(StepRow.number)
    return tuple(told(row) for row in session.execute(chosen).all())


def ticks(session: Session, shop_id: UUID) -> tuple[Ticked, ...]:
    """The newest ticks of a shop that say which stretch they are of and what was planned for them."""
    minutes, phase = StepRow.said["minutes"], StepRow.said["phase"]
    chosen = (
        select(StepRow.job_id, StepRow.who, StepRow.at, phase.astext, minutes.astext)
        .where(StepRow.shop_id == shop_id, StepRow.act.in_(("done", "read")), StepRow.said.has_key("minutes"))
        .order_by(StepRow.number.desc())
        .limit(MOST_TICKS)
    )
    return tuple(
        Ticked(job=str(job), who=who, at=at, phase=Phase(stretch), minutes=float(planned))
        for job, who, at, stretch, planned in session.execute(chosen).all()
        if stretch in STRETCHES
    )


def add(session: Session, row: dict[str, Any], there: int = 0) -> Told | None:
    """Add a row; None where it was sent before, and is left as it was.  there: how many the job has.  Raises: TooMany."""
    if there >= MOST:
        raise TooMany(f"A job keeps at most {MOST} rows of its day.")
    new = session.scalar(insert(StepRow).values(row).on_conflict_do_nothing().returning(StepRow))
    if new is None:
        return None
    session.execute(select(func.pg_notify(CHANNEL, f"{row['job_id']} day")))
    return told(new)
