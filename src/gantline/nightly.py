"""Once a night: a backup beside the data folder, tested; old ones rotated away; what is over forgotten.

Every server looks whether it is time, and a lock in the database lets one do it. Against: a disk that fills up (the
last 2 GB are never taken), a backup that does not come back (each is restored, or at least read), and one that is
read by others (0600, and under a passphrase where one is given).
"""

import logging
import shutil
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import date, datetime, timedelta
from pathlib import Path

from sqlalchemy import Engine, create_engine, func, select, text
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from gantline import keep
from gantline.database import PrivateDatabase
from gantline.datafolder import private_file
from gantline.rotation import kept
from gantline.sealed import seal
from gantline.settings import Settings, psycopg_url
from gantline.store.models import BackupRow, Base
from gantline.store.upkeep import forget

LOCK = 0x6AA
NEVER_TAKEN = 2_000_000_000  # bytes that stay free
FIRST_S, LOOK_S = 600.0, 600.0  # after the start, then between two looks
NIGHT = range(1, 5)  # hours of this machine's clock
YOUNG, OLD = timedelta(hours=20), timedelta(hours=36)
RESTORED, READ = "restored", "read"
NAME = "gantline-{day}.backup"
log = logging.getLogger("gantline")


@contextmanager
def running(settings: Settings) -> Iterator[None]:
    """Look from time to time, while this lasts. settings: of a server that runs, its database's URL in it."""
    over = threading.Event()

    def look() -> None:
        pause = FIRST_S
        while not over.wait(pause):
            pause = LOOK_S
            try:
                if_due(settings, datetime.now().astimezone())
            except Exception:  # tried again at the next look
                log.exception("the nightly work did not succeed")

    looking = threading.Thread(target=look, daemon=True)
    if settings.nightly:
        looking.start()
    try:
        yield
    finally:
        over.set()


def if_due(settings: Settings, now: datetime) -> bool:
    """Do the nightly work if it is time and nobody else is at it; returns whether it was done."""
    engine = create_engine(psycopg_url(settings.database_url))
    try:
        with engine.connect() as holding:  # the lock lasts as long as this connection
            if not holding.scalar(select(func.pg_try_advisory_lock(LOCK))):
                return False
            with Session(engine) as session:
                last = session.scalar(select(func.max(BackupRow.made_at)).where(BackupRow.trouble == ""))
            if not is_due(last, now):
                return False
            once(engine, settings, now.date())
            return True
    finally:
        engine.dispose()


def is_due(last: datetime | None, now: datetime) -> bool:
    """Whether a backup is due: at night when the last one is of the day before, at any hour when that is long ago."""
    age = OLD if last is None else now - last
    return age >= OLD or (age >= YOUNG and now.hour in NIGHT)


def once(engine: Engine, settings: Settings, day: date) -> BackupRow:
    """Forget what is over, back up, test, rotate; what it came to is kept in the database."""
    try:
        with Session(engine) as session, session.begin():
            forget(session)
    except SQLAlchemyError:  # no reason to go without a backup
        log.exception("what is over was not forgotten")
    file, tested, trouble = settings.backup_folder / NAME.format(day=day.isoformat()), "", ""
    try:
        tested = _made(settings, file)
        _rotate(settings.backup_folder)
    except (keep.KeepTrouble, OSError, SQLAlchemyError, RuntimeError) as error:
        trouble = str(error).splitlines()[0]
        log.error("no good backup was made: %s", trouble)
    size = file.stat().st_size if file.exists() else 0
    row = BackupRow(file=str(file), bytes=size, tested=tested, trouble=trouble)
    with Session(engine, expire_on_commit=False) as session, session.begin():
        session.add(row)
        session.flush()
        session.refresh(row)
    return row


def _made(settings: Settings, file: Path) -> str:
    """Make and test a backup; how it was tested.  Raises: KeepTrouble, OSError."""
    file.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    for left in file.parent.glob(".gantline-*.plain*"):
        left.unlink()  # of one that was cut off
    engine = create_engine(psycopg_url(settings.database_url))
    with engine.connect() as connection:
        size = int(connection.scalar(text("SELECT pg_database_size(current_database())")) or 0)
    engine.dispose()
    private = not settings.outside
    free = shutil.disk_usage(file.parent).free
    # the file itself, and where it is restored to be tested, a second database
    if free - size * (2 if private else 1) < NEVER_TAKEN:
        raise keep.KeepTrouble(
            f"Only {free // 1_000_000} MB are free in {file.parent}: a backup would take the last of them."
        )
    plain = file.with_name(f".{file.name}.plain")
    try:
        keep.backup(settings.database_url, plain)
        tested = _restored(settings, plain) if private else _read(plain)
        if settings.backup_passphrase:
            with plain.open("rb") as unsealed, private_file(file) as sealed:
                seal(unsealed, sealed, settings.backup_passphrase.get_secret_value())
        else:
            plain.replace(file)
    finally:
        plain.unlink(missing_ok=True)
    return tested


def _restored(settings: Settings, file: Path) -> str:
    """Restore a backup into a database of its own, beside the one it is of, and count its rows."""
    from gantline.restore import TABLES, restore

    private = PrivateDatabase(settings.data_folder)
    with private.trial() as url:
        restore(url, file)
        was, now = (_counts(one) for one in (settings.database_url, url))
        # the other one is used meanwhile: rows are only added there, but by the rules of what is forgotten
        short = [name for name in TABLES if now.get(name, 0) == 0 and was.get(name, 0) > 0]
        if short:
            raise keep.KeepTrouble(f"A trial restore of the backup brought nothing of {short[0]} back.")
    return RESTORED


def _counts(url: str) -> dict[str, int]:
    engine = create_engine(psycopg_url(url))
    try:
        with Session(engine) as session:
            tables = Base.metadata.sorted_tables
            return {
                table.name: session.scalar(select(func.count()).select_from(table)) or 0 for table in tables
            }
    finally:
        engine.dispose()


def _read(file: Path) -> str:
    """Read a backup to its end, as a restore would."""
    from gantline.restore import rows_of

    if not any(rows_of(file)):
        raise keep.KeepTrouble("The backup holds no row.")
    return READ


def _rotate(folder: Path) -> None:
    """Delete the backups that no rule keeps; nothing else in the folder is touched."""
    there = {day: path for path in folder.glob(NAME.format(day="*")) if (day := day_of(path)) is not None}
    for day in set(there) - kept(there):
        there[day].unlink()


def day_of(file: Path) -> date | None:
    """The day of a nightly backup; None for any other file."""
    try:
        taken_on = date.fromisoformat(file.name[len("gantline-") : -len(".backup")])
    except ValueError:
        return None
    return taken_on if file.name == NAME.format(day=taken_on.isoformat()) and file.is_file() else None
