"""Bringing a database to the newest schema; safe when several servers start at once."""

from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy import Connection, Engine, text

if TYPE_CHECKING:
    from alembic.config import Config

# what migrates is imported where it does: every start would wait for it, and few find an older schema
MIGRATIONS = Path(__file__).parent / "migrations"
MIGRATE_LOCK = 0x6A8


class NewerSchema(Exception):
    """A database of a version this program does not know."""


def alembic_config(connection: Connection | None = None) -> "Config":
    """Alembic's settings without an ini file."""
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def migrate(engine: Engine) -> None:
    """Upgrade to the newest version under an advisory lock.  Raises: NewerSchema."""
    with engine.begin() as connection:
        connection.execute(text("SELECT pg_advisory_xact_lock(:key)"), {"key": MIGRATE_LOCK})
        if _version(connection) != newest():
            migrate_to(connection)


def migrate_to(connection: Connection, revision: str = "head") -> None:
    """Upgrade to a version in the connection's transaction.  Raises: NewerSchema."""
    from alembic import command
    from alembic.util import CommandError

    try:
        command.upgrade(alembic_config(connection), revision)
    except CommandError as error:
        raise NewerSchema(str(error)) from error


def revisions() -> list[str]:
    """Every version of the schema, the first one first."""
    from alembic.script import ScriptDirectory

    return [revision.revision for revision in ScriptDirectory.from_config(alembic_config()).walk_revisions()][
        ::-1
    ]


def newest() -> str:
    """The version of this program's schema, by the names of the migrations' files."""
    return max(path.name.partition("_")[0] for path in (MIGRATIONS / "versions").glob("[0-9]*.py"))


def is_current(engine: Engine) -> bool:
    """Whether the database has this program's schema.  Raises: SQLAlchemyError where it does not answer."""
    with engine.connect() as connection:
        return _version(connection) == newest()


def _version(connection: Connection) -> str | None:
    if connection.scalar(text("SELECT to_regclass('alembic_version')")) is None:
        return None
    version: str | None = connection.scalar(text("SELECT version_num FROM alembic_version"))
    return version
