"""What the database forgets by itself: what nobody needs, by rules that stand here. Functions over a session: no commit here."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy import delete, func, select, text, update
from sqlalchemy.orm import Session

from gantline.core.defaults import KeepDefaults
from gantline.store import binned, photos, results, shops
from gantline.store.models import BackupRow, PhotoRow, ResultRow

# of the versions of a job that are older than the shop's rule, the last of each day stays, and with it the first, the newest,
# every one that says something that was built (or of which that is not known), and every one that another brought back
THIN = text("""
    WITH old AS (
        SELECT v.job_id, v.number, row_number() OVER (PARTITION BY v.job_id, v.saved_at::date ORDER BY v.number DESC) AS place
        FROM job_version v JOIN job ON job.id = v.job_id
        WHERE v.saved_at < now() - :days * interval '1 day' AND v.number > 1 AND v.number < job.head AND v.as_built IS FALSE
            AND NOT EXISTS (SELECT 1 FROM job_version other WHERE other.job_id = v.job_id
                AND (other.stands_for = v.number AND other.number <> v.number))
    )
    DELETE FROM job_version v USING old WHERE v.job_id = old.job_id AND v.number = old.number AND old.place > 1
    RETURNING v.job_id, v.number, v.parent
""")
# undo goes on from what was made of a version that is gone to what that one was made of
RELINK = text("UPDATE job_version SET parent = :parent WHERE job_id = :job AND parent = :number")
DEAD_QUEUE = text("""
    DELETE FROM procrastinate_jobs WHERE status = 'doing' AND (worker_id IS NULL OR NOT EXISTS (
        SELECT 1 FROM procrastinate_workers w
        WHERE w.id = worker_id AND now() - w.last_heartbeat BETWEEN interval '-5 seconds' AND interval '60 seconds'))
""")
DEAD_WORKERS = text("""
    DELETE FROM procrastinate_workers WHERE now() - last_heartbeat NOT BETWEEN interval '-5 seconds' AND interval '1 day'
""")
UNASKED = timedelta(hours=1)
LATE = timedelta(days=7)  # that no younger backup is there is said in the yard and by doctor


def forget(session: Session) -> dict[str, int]:
    """Forget what is over; returns how many rows of each kind went."""
    clear_queue(session)
    unread = PhotoRow.raw & (func.now() - PhotoRow.taken_at > photos.UNREAD)
    found = {
        "jobs": binned.forget_old(session),
        "photos": len(session.execute(delete(PhotoRow).where(unread).returning(PhotoRow.id)).all()),
        "versions": thin(session),
    }
    session.execute(delete(ResultRow).where(func.now() - ResultRow.asked_at > results.KEPT))
    return found


def thin(session: Session) -> int:
    """Thin out old versions by the shop's rule; returns how many went."""
    _, shop = shops.the_settings(session)
    gone = session.execute(THIN, {"days": shop[KeepDefaults.versions_days]}).all()
    for job, number, parent in sorted(gone, key=lambda one: one[1], reverse=True):
        session.execute(RELINK, {"parent": parent, "job": job, "number": number})
    return len(gone)


def clear_queue(session: Session) -> None:
    """Forget what dead workers were at: whoever waits asks again, and it is queued anew."""
    session.execute(DEAD_QUEUE)
    session.execute(DEAD_WORKERS)
    lost = (
        ResultRow.state == results.WORKING,
        results.is_silent(),
        func.now() - ResultRow.asked_at > UNASKED,
    )
    session.execute(update(ResultRow).where(*lost).values(state=results.WAITING))


@dataclass(frozen=True, slots=True, kw_only=True)
class LastBackup:
    """What the database knows of backups made by themselves: the last good one, and what went wrong since."""

    at: datetime | None
    tested: str
    trouble: str
    late: bool


def last_backup(session: Session, now: datetime) -> LastBackup:
    """The last good backup; late: a shop that is older than a week has none that is younger."""
    rows = select(BackupRow).order_by(BackupRow.made_at.desc())
    good, last = session.scalar(rows.where(BackupRow.trouble == "").limit(1)), session.scalar(rows.limit(1))
    first = session.scalar(text("SELECT min(created_at) FROM job"))
    late = (good is None or now - good.made_at > LATE) and first is not None and now - first > LATE
    return LastBackup(
        at=good.made_at if good else None,
        tested=good.tested if good else "",
        trouble=last.trouble if last else "",
        late=late,
    )
