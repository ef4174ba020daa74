"""Heavy work whose worker is gone, whatever the clock says: somebody else takes it up, and nothing of it stays in the queue."""

from collections.abc import Callable, Iterator

import pytest
from alembic import command
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session

from gantline.store import binned, jobs, photos, results, shops, upkeep
from gantline.store.migrate import alembic_config


@pytest.fixture
def session(new_database: Callable[[], str]) -> Iterator[Session]:
    engine = create_engine(new_database())
    with Session(engine) as made:
        yield made
    engine.dispose()


@pytest.mark.parametrize(("heard", "taken_up"), [("-1 s", False), ("-1 hour", True), ("+1 hour", True)])
def test_a_sign_of_life_from_the_past_or_from_the_future_is_none(
    session: Session, heard: str, taken_up: bool
) -> None:
    results.ask(session, shops.the_shop(session), "k", "sheet", {})
    assert results.claim(session, "k") == ("sheet", {})
    session.execute(text("UPDATE result SET beat_at = now() + CAST(:heard AS interval)"), {"heard": heard})
    asked = results.look(session, "k")
    assert asked and asked.stuck == taken_up
    assert (results.claim(session, "k") is not None) == taken_up


def test_the_queue_forgets_what_dead_workers_were_at_and_nothing_else(session: Session) -> None:
    worker = "INSERT INTO procrastinate_workers (last_heartbeat) VALUES (now() + CAST(:heard AS interval)) RETURNING id"
    put = "INSERT INTO procrastinate_jobs (queue_name, task_name, status, worker_id) VALUES ('q', :name, CAST(:status AS procrastinate_job_status), :worker)"
    for name, heard, status in (
        ("of one alive", "-1 s", "doing"),
        ("of one dead", "-5 minutes", "doing"),
        ("of one from the future", "1 hour", "doing"),
        ("of none", None, "doing"),
        ("waiting", None, "todo"),
    ):
        by = session.scalar(text(worker), {"heard": heard}) if heard else None
        session.execute(text(put), {"name": name, "status": status, "worker": by})
    upkeep.clear_queue(session)
    left = session.scalars(text("SELECT task_name FROM procrastinate_jobs ORDER BY task_name")).all()
    assert left == ["of one alive", "waiting"]


def test_what_was_made_with_a_removed_photo_or_of_a_deleted_job_is_forgotten(session: Session) -> None:
    shop = shops.the_shop(session)
    mill, hall, den = (
        jobs.create(session, shop, jobs.Save(document={"name": name}, what="created", who="office")).job_id
        for name in ("Mill", "Hall", "Den")
    )
    for key, job in (("m", mill), ("h", hall), ("d", den)):
        results.ask(session, shop, key, "sheet", {"job": str(job)})
        results.claim(session, key)
        results.finish(session, key, b"a sheet with a photo of it")
    photos.remove(session, mill, photos.keep(session, shop, mill, b"photo"), "office")
    binned.put(session, shop, hall, 1, "office")
    assert [results.done(session, key) is None for key in "mhd"] == [True, False, False]
    binned.empty(session, shop)
    assert [results.done(session, key) is None for key in "mhd"] == [True, True, False]
    # and what somebody was still making of it then is not kept
    results.ask(session, shop, "m", "sheet", {"job": str(mill)})
    results.finish(session, "m", b"with the photo")
    assert results.done(session, "m") is None


def test_devices_of_an_earlier_version_that_read_alike_get_a_number(
    new_database: Callable[[], str],
) -> None:
    engine = create_engine(new_database())
    with engine.begin() as connection:
        command.downgrade(alembic_config(connection), "0010")
        shop = connection.execute(
            text("INSERT INTO shop (id, name) VALUES (gen_random_uuid(), 's') RETURNING id")
        ).scalar()
        put = "INSERT INTO device (id, shop_id, name, token_digest, paired_at) VALUES (gen_random_uuid(), :shop, :name, :digest, now() + :at * interval '1 s')"
        for at, name in enumerate(("tablet", "TABLET", "\u200ftablet", "phone")):
            connection.execute(text(put), {"shop": shop, "name": name, "digest": str(at), "at": at})
        command.upgrade(alembic_config(connection), "head")
        names = connection.execute(text("SELECT name FROM device ORDER BY paired_at")).scalars().all()
    assert names == ["tablet", "TABLET 2", "\u200ftablet 3", "phone"]
    engine.dispose()
