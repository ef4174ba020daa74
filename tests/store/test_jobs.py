"""Versions: nothing lost, nothing half saved, undo and redo as people expect."""

from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier
from uuid import UUID

import pytest
from alembic import command
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session, sessionmaker

from gantline.demo.days import DAYS
from gantline.demo.world import JOB_FILES, load
from gantline.store import binned, jobs, shops
from gantline.store.jobs import NothingToUndo, Save, VersionConflict
from gantline.store.migrate import alembic_config
from gantline.store.models import JobVersionRow

WORLD = len(JOB_FILES) + len(DAYS)


@pytest.fixture
def sessions(new_database: Callable[[], str]) -> Iterator[sessionmaker[Session]]:
    engine = create_engine(new_database())
    yield sessionmaker(engine)
    engine.dispose()


def save(n: int) -> Save:
    return Save(document={"n": n}, what=f"step {n}", who="Oda")


def start(session: Session, steps: int) -> tuple[UUID, UUID]:
    shop = shops.the_shop(session)
    job = jobs.create(session, shop, save(1)).job_id
    for n in range(2, steps + 1):
        jobs.save(session, jobs.edited(session, shop, job, n - 1), save(n))
    return shop, job


def test_undo_and_redo_walk_the_states_and_a_new_edit_ends_the_redo(sessions: sessionmaker[Session]) -> None:
    with sessions.begin() as session:
        shop, job = start(session, 3)

        def go(way: Callable[..., JobVersionRow]) -> int:
            return int(way(session, shop, job, jobs.head(session, shop, job).number, "Oda").document["n"])

        assert [go(jobs.undo), go(jobs.undo), go(jobs.redo), go(jobs.redo)] == [2, 1, 2, 3]
        with pytest.raises(NothingToUndo):
            go(jobs.redo)
        assert [go(jobs.undo), go(jobs.undo)] == [2, 1]
        with pytest.raises(NothingToUndo):
            go(jobs.undo)
        now = jobs.head(session, shop, job).number
        jobs.save(session, jobs.edited(session, shop, job, now), save(9))
        assert jobs.redoable(session, jobs.head(session, shop, job)) is None
        assert go(jobs.undo) == 1
        assert go(jobs.redo) == 9  # the newest branch, not the one left behind
        history = jobs.versions(session, shop, job)
        assert [one.number for one in history] == list(range(len(history), 0, -1))  # undoing removes nothing


def test_two_people_saving_at_once_the_second_is_told_and_overwrites_nothing(
    sessions: sessionmaker[Session],
) -> None:
    with sessions.begin() as session:
        shop, job = start(session, 1)
    with sessions() as first, sessions() as second:
        mine, theirs = (jobs.edited(one, shop, job, 1) for one in (first, second))
        jobs.save(first, mine, save(2))
        first.commit()
        with pytest.raises(VersionConflict) as caught:
            jobs.save(second, theirs, save(3))
        assert (caught.value.current["version"], caught.value.expected) == (2, 1)
        second.rollback()
    with sessions() as session:
        assert jobs.head(session, shop, job).document == {"n": 2}


def test_a_save_that_is_not_committed_leaves_no_trace(sessions: sessionmaker[Session]) -> None:
    with sessions.begin() as session:
        shop, job = start(session, 2)
    with sessions() as session:
        jobs.save(session, jobs.edited(session, shop, job, 2), save(3))
        session.rollback()
    with sessions() as session:
        assert (jobs.head(session, shop, job).number, len(jobs.versions(session, shop, job))) == (2, 2)


def test_the_sample_world_loads_once_and_only_into_an_empty_shop(sessions: sessionmaker[Session]) -> None:
    with sessions.begin() as session:
        assert load(session) == WORLD
    with sessions.begin() as session:
        assert load(session) == 0
        shop = shops.the_shop(session)
        assert [row.document["name"] for row in jobs.heads(session, shop)] != []
        gone = next(row.job_id for row in jobs.heads(session, shop) if row.number == 1)
        binned.put(session, shop, gone, 1, "Oda Brink")
        assert len(jobs.heads(session, shop)) == WORLD - 1
        with pytest.raises(jobs.NoSuchJob):
            jobs.head(session, shop, gone)
        assert [(one.id, one.binned_by) for one in binned.listed(session, shop)] == [(gone, "Oda Brink")]
        binned.bring_back(session, shop, gone)
        assert (len(jobs.heads(session, shop)), binned.forget_old(session)) == (WORLD, 0)
        binned.put(session, shop, gone, 1, "Oda Brink")
        session.execute(
            text("UPDATE job SET binned_at = now() - interval '31 days' WHERE binned_at IS NOT NULL")
        )
        assert (binned.forget_old(session), binned.count(session, shop)) == (1, 0)


def test_the_one_shop_is_made_once_however_many_ask_first(sessions: sessionmaker[Session]) -> None:
    readers = sessionmaker(sessions.kw["bind"].execution_options(isolation_level="AUTOCOMMIT"))
    together = Barrier(6)

    def first(make: sessionmaker[Session]) -> UUID:
        together.wait()
        with make.begin() as session:
            return shops.the_settings(session)[0]

    with ThreadPoolExecutor(6) as pool:
        assert len(set(pool.map(first, [readers, sessions] * 3))) == 1
    with sessions() as session:
        assert session.scalar(text("SELECT count(*) FROM shop")) == 1


def test_migrations_match_the_models_and_reverse(new_database: Callable[[], str]) -> None:
    engine = create_engine(new_database())
    with engine.begin() as connection:
        config = alembic_config(connection)
        command.check(config)
        command.downgrade(config, "base")
        command.upgrade(config, "head")
        command.check(config)
    engine.dispose()


def test_stored_shifts_learn_that_they_are_shares_of_the_whole(new_database: Callable[[], str]) -> None:
    engine = create_engine(new_database())
    put = "INSERT INTO record (shop_id, kind, key, name, body) VALUES (:shop, :kind, :key, 'x', CAST(:body AS jsonb))"
    shift = '{"shift_up": 0.5, "shift_down": 0.0, "shift_side": 0.0}'
    bodies = {"old": shift, "none": shift.replace("0.5", "0.0"), "half": '{"shift_of": "half", ' + shift[1:]}
    with engine.begin() as connection:
        command.downgrade(alembic_config(connection), "0002")
        shop = connection.execute(
            text("INSERT INTO shop (id, name) VALUES (gen_random_uuid(), 's') RETURNING id")
        ).scalar()
        for key, body in bodies.items():
            connection.execute(text(put), {"shop": shop, "kind": "projector", "key": key, "body": body})
        command.upgrade(alembic_config(connection), "head")
        found = {
            row[0]: row[1] for row in connection.execute(text("SELECT key, body->>'shift_of' FROM record"))
        }
    assert found == {"old": "whole", "none": None, "half": "half"}
    engine.dispose()
