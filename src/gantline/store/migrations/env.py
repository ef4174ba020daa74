"""Alembic's environment: migrates the database of the connection it is handed, or of its URL."""

from typing import Any

from alembic import context
from sqlalchemy import Connection, create_engine

from gantline.store.models import Base


def _ours(thing: Any, name: str | None, kind: str, reflected: bool, other: Any) -> bool:
    """Tables of other owners in the same database are none of our business."""
    return not (kind == "table" and reflected and other is None and name not in Base.metadata.tables)


def _run(connection: Connection) -> None:
    context.configure(
        connection=connection, target_metadata=Base.metadata, include_object=_ours, compare_type=True
    )
    with context.begin_transaction():
        context.run_migrations()


handed = context.config.attributes.get("connection")
if handed is not None:
    _run(handed)
else:
    engine = create_engine(str(context.config.get_main_option("sqlalchemy.url")))
    with engine.begin() as made:
        _run(made)
