"""Backups that come back: the whole database in PostgreSQL's own format, and a shop as a zip of open files."""

import os
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from sqlalchemy.engine import make_url

from gantline.database import PrivateDatabase, find_programs, postgres_user
from gantline.datafolder import place_of
from gantline.settings import Settings, psycopg_url

NOT_KEPT = ("backup", "device", "pairing", "result", "procrastinate_*")
LEAST_FREE = 500_000_000  # bytes; a database that runs out of disk stops


class KeepTrouble(RuntimeError):
    """A backup cannot be made or brought back; the message says why."""


@contextmanager
def database(settings: Settings, *, new: bool = False) -> Iterator[str]:
    """The database's URL, whether a server runs on it or not; one that was started for this is stopped again.

    new: there need not be one yet.  Raises: KeepTrouble where there is none: an empty backup is no backup.
    """
    if settings.database_url:
        yield settings.database_url
        return
    if not new and not (place(settings) / "data").exists():
        raise KeepTrouble(
            f"There is no database in {settings.data_folder}.\nGive the folder it is in with --data."
        )
    private = PrivateDatabase(settings.data_folder)
    running = private.alive()
    url = private.start()  # of one that runs, only who may enter is looked after
    try:
        yield url
    finally:
        if not running:
            private.stop()


def place(settings: Settings) -> Path:
    """Where the private database is, or would be."""
    return place_of(settings.data_folder, None if os.geteuid() else postgres_user())


def backup(url: str, file: Path) -> None:
    """Everything of a database into one file, as of one moment, also while it is used; nobody else may read it.

    Leaves out: paired devices, which are paired anew, and what can be worked out again.
    Raises: KeepTrouble.
    """
    check_target(file)
    half = file.with_name(f"{file.name}.half")
    left_out = [f"--exclude-table-data={name}" for name in NOT_KEPT]
    try:
        run_program(
            "pg_dump", url, "--format=custom", "--no-owner", "--no-privileges", *left_out, f"--file={half}"
        )
        half.replace(file)  # a backup that was cut off is never taken for a whole one
    finally:
        half.unlink(missing_ok=True)


def check_target(file: Path) -> None:
    """That a file can be written there.  Raises: KeepTrouble for a folder, a device, or a folder that is not there."""
    if file.exists() and not file.is_file():
        raise KeepTrouble(f"{file} is a folder or a device.\nGive the name of a file to write.")
    if not file.parent.is_dir():
        raise KeepTrouble(f"There is no folder {file.parent}.\nMake it, or give another place.")


def run_program(program: str, url: str, *arguments: str) -> None:
    """One of PostgreSQL's programs on a database; files that it makes are its user's alone.  Raises: KeepTrouble."""
    parts = make_url(psycopg_url(url))
    place = [f"--host={parts.host}", f"--port={parts.port or 5432}", f"--username={parts.username}"]
    command = [
        str(find_programs() / program),
        *place,
        "--no-password",
        f"--dbname={parts.database}",
        *arguments,
    ]
    # the password goes by the environment: a command line can be read by everybody on the machine
    secret = os.environ | {"PGPASSWORD": parts.password or ""}
    done = subprocess.run(command, env=secret, capture_output=True, text=True, check=False, umask=0o077)  # noqa: S603
    if done.returncode != 0:
        said = (done.stderr.strip().splitlines() or ["no reason given"])[0]
        raise KeepTrouble(f"{program} did not succeed: {said}\nNothing was changed.")
