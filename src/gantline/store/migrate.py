"""Bringing a database to the newest schema; safe when several servers start at once."""

from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, text

MIGRATIONS = Path(__file__).parent / "migrations"
MIGRATE_LOCK = 0x6A8


def alembic_config(connection: Connection | None = None) -> Config:
    """Alembic's settings without an ini file."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def migrate(engine: Engine) -> None:
    """Upgrade to the newest version under an advisory lock."""
    with engine.begin() as connection:
        connection.execute(text("SELECT pg_advisory_xact_lock(:key)"), {"key": MIGRATE_LOCK})
        migrate_to(connection)


def migrate_to(connection: Connection, revision: str = "head") -> None:
    """Upgrade to a version in the connection's transaction."""
    command.upgrade(alembic_config(connection), revision)


def revisions() -> list[str]:
    """Every version of the schema, the first one first."""
    return [revision.revision for revision in ScriptDirectory.from_config(alembic_config()).walk_revisions()][
        ::-1
    ]


def is_current(engine: Engine) -> bool:
    """Whether the database has this program's schema.  Raises: SQLAlchemyError where it does not answer."""
    newest = ScriptDirectory.from_config(alembic_config()).get_current_head()
    with engine.connect() as connection:
        return MigrationContext.configure(connection).get_current_revision() == newest
