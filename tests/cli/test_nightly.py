"""A night: a backup that is tested by restoring it, rotated, sealed where it is wished, and what is over forgotten."""

from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session
from typer.testing import CliRunner

from gantline import nightly
from gantline.cli import app
from gantline.database import FAST, PrivateDatabase
from gantline.demo.world import load
from gantline.rotation import kept
from gantline.settings import Settings
from gantline.store import jobs, shops
from gantline.store.migrate import migrate
from gantline.store.upkeep import last_backup, thin

runner = CliRunner()
DAY = date(2026, 11, 29)


def test_seven_days_five_weeks_and_twelve_months_stay() -> None:
    every = [DAY - timedelta(days=back) for back in range(800)]
    stay = kept(every)
    assert {DAY - timedelta(days=back) for back in range(7)} <= stay
    # by the calendar: the Sundays before (weeks end on Sunday), and the last days of the months before
    assert {date(2026, 11, 22), date(2026, 11, 15), date(2026, 11, 8), date(2026, 11, 1)} <= stay
    assert {date(2026, 10, 31), date(2026, 9, 30), date(2026, 2, 28), date(2025, 12, 31)} <= stay
    assert len(stay) == 7 + 4 + 11  # the 29th stays as a day, as a week's and as a month's last
    assert date(2025, 11, 30) not in stay


@given(backs=st.sets(st.integers(0, 900), max_size=60))
def test_a_rotation_keeps_the_newest_and_what_it_keeps_it_keeps_again(backs: set[int]) -> None:
    days = {DAY - timedelta(days=back) for back in backs}
    stay = kept(days)
    assert stay <= days
    assert not days or max(days) in stay
    assert kept(stay) == stay


def test_it_is_due_at_night_or_when_the_last_one_is_long_ago() -> None:
    night, noon = datetime(2026, 11, 29, 2, tzinfo=UTC), datetime(2026, 11, 29, 12, tzinfo=UTC)
    assert nightly.is_due(None, noon)
    assert nightly.is_due(night - timedelta(hours=24), night)
    assert not nightly.is_due(night - timedelta(hours=2), night)
    assert not nightly.is_due(noon - timedelta(hours=24), noon)
    assert nightly.is_due(noon - timedelta(hours=37), noon)


@pytest.fixture(scope="module")
def shop(folder: Path) -> Any:
    """A private database with the sample world, and the settings of its server."""
    private = PrivateDatabase(folder / "night", FAST)
    engine = create_engine(private.start())
    migrate(engine)
    with Session(engine) as session, session.begin():
        load(session)
    yield engine, Settings(data_folder=folder / "night", database_url=private.url)
    engine.dispose()
    private.stop()


def test_a_backup_of_the_night_is_tested_by_restoring_and_comes_back_after_its_rotation(
    shop: Any, folder: Path
) -> None:
    engine, settings = shop
    for back in (1, 8, 400):
        nightly.once(engine, settings, DAY - timedelta(days=back))
    assert nightly.if_due(settings, datetime.now(UTC) + timedelta(hours=40))
    assert not nightly.if_due(settings, datetime.now(UTC))  # one of several made it
    there = sorted(path.name for path in settings.backup_folder.iterdir())
    assert f"gantline-{DAY - timedelta(days=8)}.backup" in there
    assert len(there) == 4
    assert {path.stat().st_mode & 0o777 for path in settings.backup_folder.iterdir()} == {0o600}
    with Session(engine) as session:
        found = last_backup(session, datetime.now(UTC))
        assert (found.tested, found.trouble, found.late) == ("restored", "", False)
    done = runner.invoke(
        app,
        [
            "restore",
            str(settings.backup_folder / f"gantline-{DAY - timedelta(days=8)}.backup"),
            "--data",
            str(folder / "b"),
        ],
    )
    assert done.exit_code == 0, done.stderr
    again = PrivateDatabase(folder / "b", FAST)
    restored = create_engine(again.start())
    with Session(restored) as session:
        assert len(jobs.heads(session, shops.the_shop(session))) == 6
    restored.dispose()
    again.stop()


def test_a_sealed_backup_opens_by_its_passphrase_alone_and_a_bad_one_is_said(
    shop: Any, folder: Path, new_database: Callable[[], str], monkeypatch: pytest.MonkeyPatch
) -> None:
    engine, plain = shop
    settings = plain.model_copy(
        update={
            "backups": folder / "sealed",
            "backup_passphrase": Settings(backup_passphrase="brass eyelet").backup_passphrase,
        }
    )
    row = nightly.once(engine, settings, DAY)
    assert (row.tested, row.trouble) == ("restored", "")
    content = Path(row.file).read_bytes()
    assert b"Mill loft" not in content
    for number, (passphrase, altered) in enumerate(
        (("", 0), ("wrong", 0), ("brass eyelet", 1), ("brass eyelet", 2))
    ):
        bad = folder / f"altered-{number}"
        cut = (
            content[:-40] if altered == 2 else content[:-40] + bytes([content[-40] ^ altered]) + content[-39:]
        )
        bad.write_bytes(cut if altered else content)
        monkeypatch.setenv("GANTLINE_BACKUP_PASSPHRASE", passphrase)
        done = runner.invoke(app, ["restore", str(bad), "--data", str(folder / "c")])
        assert (done.exit_code, "assphrase" in done.stderr) == (1, True), done.stderr
    monkeypatch.setenv("GANTLINE_BACKUP_PASSPHRASE", "brass eyelet")
    done = runner.invoke(app, ["restore", row.file, "--data", str(folder / "c")])
    assert done.exit_code == 0, done.stderr
    monkeypatch.setattr(nightly, "NEVER_TAKEN", 10**18)  # a disk that is nearly full
    assert "are free in" in nightly.once(engine, settings, DAY - timedelta(days=1)).trouble
    outside = settings.model_copy(update={"outside": True, "backups": folder / "outside"})
    monkeypatch.setattr(nightly, "NEVER_TAKEN", 1)
    assert nightly.once(engine, outside, DAY).tested == "read"
    assert [one.name for one in (folder / "outside").iterdir()] == [f"gantline-{DAY}.backup"]


def test_old_versions_are_thinned_by_the_shops_rule_and_undo_goes_on(new_database: Callable[[], str]) -> None:
    engine = create_engine(new_database())
    with Session(engine) as session, session.begin():
        shop_id = shops.the_shop(session)
        row = jobs.create(session, shop_id, jobs.Save(document={"name": "v1"}, what="made", who="Oda"))
        for number in range(2, 9):
            built = number == 4
            row = jobs.save(
                session,
                row,
                jobs.Save(document={"name": f"v{number}"}, what="edit", who="Oda", as_built=built),
            )
        job = row.job_id
        session.execute(
            text("UPDATE job_version SET saved_at = now() - interval '100 days' WHERE number < 7")
        )
    with Session(engine) as session, session.begin():
        assert (
            thin(session) == 3
        )  # 2, 3 and 5 of one day: 1 is the first, 4 says what was built, 6 was its last
    with Session(engine) as session, session.begin():
        assert [one.number for one in jobs.versions(session, shop_id, job)] == [8, 7, 6, 4, 1]
        for version, name in ((8, "v7"), (9, "v6"), (10, "v4"), (11, "v1")):
            assert jobs.undo(session, shop_id, job, version, "Oda").document["name"] == name
        with pytest.raises(jobs.NothingToUndo):
            jobs.undo(session, shop_id, job, 12, "Oda")
    engine.dispose()
