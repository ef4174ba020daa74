"""A backup brought back: its rows alone, into the program's own tables.

Against: a backup from somebody else. A dump can hold functions, triggers, rules, and statements that start programs;
none of it is ever run. PostgreSQL's program turns the file into text without a database; of that text only the rows
of tables that we know are read, and put in by statements of our own, as a role that owns these tables and nothing
else. Leaves out: a file made to break pg_restore itself, which runs without a database and as whoever restores.
"""

import re
import subprocess
from collections.abc import Generator, Iterator
from contextlib import closing, contextmanager
from pathlib import Path

import psycopg
from sqlalchemy import Connection, create_engine, inspect, text
from sqlalchemy.exc import SQLAlchemyError

from gantline.database import find_programs
from gantline.datafolder import private_file
from gantline.keep import KeepTrouble
from gantline.sealed import NotOpened, is_sealed, unseal
from gantline.settings import psycopg_url
from gantline.store.migrate import migrate_to, revisions
from gantline.store.models import Base

VERSION = "alembic_version"
# in an order in which what a row names is there before it; devices are paired anew, and results are worked out again
TABLES = ("shop", "job", "job_version", "record", "setting", "reading", "cast", "photo", "step_row")
# rows that are told later are numbered after those that came back
COUNT_ON = "SELECT setval(pg_get_serial_sequence('step_row', 'number'), (SELECT coalesce(max(number), 0) + 1 FROM step_row))"
COPY = re.compile(rb'COPY public\.(\w+) \(([\w", ]+)\) FROM stdin;\n')
END = b"\\.\n"


@contextmanager
def opened(file: Path, passphrase: str) -> Iterator[Path]:
    """A sealed backup plain, beside it and for its owner alone, while this lasts.  Raises: KeepTrouble."""
    if not passphrase:
        raise KeepTrouble(f"{file} is sealed.\nGive its passphrase in GANTLINE_BACKUP_PASSPHRASE.")
    plain = file.with_name(f".{file.name}.opened")
    try:
        with file.open("rb") as sealed, private_file(plain) as handle:
            unseal(sealed, handle, passphrase)
        yield plain
    except NotOpened as error:
        raise KeepTrouble(f"{error}\nNothing was changed.") from error
    finally:
        plain.unlink(missing_ok=True)


def restore(url: str, file: Path, passphrase: str = "") -> str:
    """Bring a backup into an empty database, in one transaction; of an earlier version, into its schema, then migrated.

    Returns: what is to be said of it. passphrase: of a sealed one.
    Raises: KeepTrouble if the database is not empty, or the file is no backup that this program knows.
    """
    if is_sealed(file):
        with opened(file, passphrase) as plain:
            return restore(url, plain)
    engine = create_engine(psycopg_url(url))
    try:
        with engine.begin() as connection:
            if inspect(connection).get_table_names():
                raise KeepTrouble(
                    "This database is not empty, and a restore overwrites nothing.\n"
                    "Give an empty folder with --data, or an empty database with --database."
                )
            migrate_to(connection, _version(file))
            there = inspect(connection)
            for table in TABLES:
                if there.has_table(table):
                    columns = {
                        column["name"] for column in there.get_columns(table) if not column.get("computed")
                    }
                    _copy(connection, file, table, columns)
            migrate_to(connection)
            connection.execute(text(COUNT_ON))
    except (SQLAlchemyError, psycopg.Error) as error:
        said = str(getattr(error, "orig", None) or error).splitlines()[0]
        raise KeepTrouble(f"This backup cannot be brought back: {said}\nNothing was changed.") from error
    finally:
        engine.dispose()
    return "Everything is back but the paired devices: pair each again, so that none comes in that was unpaired since."


def _version(file: Path) -> str:
    """The schema a backup was made from.  Raises: KeepTrouble."""
    found = [line.strip().decode(errors="replace") for _, line in _rows(file, VERSION, {"version_num"})]
    known = revisions()
    if len(found) != 1:
        raise KeepTrouble(
            f"{file} is no backup of Gantline: it does not say its version.\nNothing was changed."
        )
    if found[0] not in known:
        raise KeepTrouble("This backup was made by a newer Gantline.\nUpdate Gantline, then restore it.")
    return found[0]


def rows_of(file: Path) -> Generator[bytes, None, None]:
    """Every row that a restore would bring back, as text: to see that a backup can be read.  Raises: KeepTrouble."""
    _version(file)
    for table in TABLES:
        columns = {column.name for column in Base.metadata.tables[table].columns}
        yield from (line for _, line in _rows(file, table, columns))


def _copy(connection: Connection, file: Path, table: str, columns: set[str]) -> None:
    """The rows of one table, by a statement of our own."""
    driver = connection.connection.driver_connection
    assert isinstance(driver, psycopg.Connection)  # noqa: S101 - the driver is named in the URL
    rows = _rows(file, table, columns)
    with closing(rows), driver.cursor() as cursor:
        first = next(rows, None)
        if first is None:
            return
        names = psycopg.sql.SQL(", ").join(psycopg.sql.Identifier(one) for one in first[0])
        into = psycopg.sql.SQL("COPY {} ({}) FROM STDIN").format(psycopg.sql.Identifier(table), names)
        with cursor.copy(into) as copy:
            copy.write(first[1])
            for _, line in rows:
                copy.write(line)


def _rows(file: Path, table: str, columns: set[str]) -> Generator[tuple[list[str], bytes], None, None]:
    """Columns and text of every row that a backup holds of a table.  Raises: KeepTrouble for columns that are not ours."""
    program = [str(find_programs() / "pg_restore"), "--data-only", f"--table={table}", "--file=-", str(file)]
    process = subprocess.Popen(program, stdout=subprocess.PIPE, stderr=subprocess.PIPE)  # noqa: S603
    assert process.stdout and process.stderr  # noqa: S101 - asked for
    whole = False
    try:
        names: list[str] = []
        for line in process.stdout:
            begins = COPY.fullmatch(line)
            if names:
                if line == END:
                    names = []
                else:
                    yield names, line
            elif begins is not None and begins[1].decode() == table:
                names = [one.strip(' "') for one in begins[2].decode().split(",")]
                strange = set(names) - columns
                if strange:
                    raise KeepTrouble(
                        f"This backup holds {table}.{min(strange)}, which is not Gantline's.\nNothing was changed."
                    )
        whole = True
    finally:
        if not whole:
            process.kill()
        trouble = process.stderr.read().decode(errors="replace").strip().splitlines()
        process.stdout.close()
        process.stderr.close()
        process.wait()
    if process.returncode != 0:
        raise KeepTrouble(
            f"{file} cannot be read: {trouble[0] if trouble else 'no reason given'}\nNothing was changed."
        )
