"""The private cluster: quick to start again, recovers from a crash, keeps out of what it cannot enter."""

import os
from pathlib import Path

import psycopg
import pytest

from gantline.database import DURABLE, DatabaseTrouble, PrivateDatabase, find_programs


def count(url: str) -> int:
    with psycopg.connect(url.replace("+psycopg", "")) as connection:
        row = connection.execute("SELECT count(*) FROM kept").fetchone()
        assert row
        return int(row[0])


def test_a_crash_loses_nothing_committed_and_a_second_start_finds_the_first(folder: Path) -> None:
    private = PrivateDatabase(folder / "crash", DURABLE)
    url = private.start()
    assert PrivateDatabase(folder / "crash").start() == url  # still running: the same server, not another
    with psycopg.connect(url.replace("+psycopg", "")) as connection:
        connection.execute("CREATE TABLE kept (n int)")
        connection.execute("INSERT INTO kept SELECT generate_series(1, 500)")
    private.kill()
    again = PrivateDatabase(folder / "crash", DURABLE)
    assert count(again.start()) == 500
    again.stop()
    again.stop()  # stopping twice is no trouble
    assert "127.0.0.1" in again.url
    assert (again.folder / "password").stat().st_mode & 0o077 == 0


@pytest.mark.skipif(os.geteuid() != 0, reason="only root runs the server as another user")
def test_a_folder_the_server_cannot_enter_is_replaced_by_one_of_our_own(tmp_path: Path) -> None:
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    first, second = PrivateDatabase(closed / "a"), PrivateDatabase(closed / "b")
    assert first.folder.parent == Path("/var/tmp")
    assert first.folder != second.folder  # two clones never share a database
    assert PrivateDatabase(closed / "a").folder == first.folder
    for one in (first, second):
        one.folder.rmdir()


def test_a_path_too_long_for_a_socket_is_said_before_anything_is_made(folder: Path) -> None:
    with pytest.raises(DatabaseTrouble, match="too long"):
        PrivateDatabase(folder / ("x" * 90))
    assert (find_programs() / "initdb").exists()
