"""The private cluster: quick to start again, recovers from a crash, keeps out of what it cannot enter."""

import os
import pwd
import resource
import shutil
from pathlib import Path

import psycopg
import pytest

from gantline.database import DURABLE, FAST, DatabaseTrouble, PrivateDatabase, find_programs


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


def test_a_server_that_cannot_be_looked_at_is_not_taken_for_dead(tmp_path: Path) -> None:
    seen = PrivateDatabase(tmp_path)
    note = seen.data / "postmaster.pid"
    note.parent.mkdir()
    assert not seen.alive()
    note.write_text(f"{os.getpid()}\n{seen.data}\n0\n5432\n")
    assert seen.alive()
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    resource.setrlimit(resource.RLIMIT_NOFILE, (3, hard))  # no file can be opened any more
    try:
        assert seen.alive()
    finally:
        resource.setrlimit(resource.RLIMIT_NOFILE, (soft, hard))


@pytest.mark.skipif(os.geteuid() != 0, reason="only root runs the server as another user")
def test_a_folder_the_server_cannot_enter_is_replaced_by_one_of_our_own(tmp_path: Path) -> None:
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    first, second = PrivateDatabase(closed / "a"), PrivateDatabase(closed / "b")
    assert first.folder.parent == Path("/var/tmp")
    assert first.folder != second.folder  # two clones never share a database
    assert PrivateDatabase(closed / "a").folder == first.folder
    # the name can be guessed: a link or a folder of somebody else that waits there is refused, not followed
    for one in (first, second):
        shutil.rmtree(one.folder)
    target = tmp_path / "target"
    target.mkdir()
    first.folder.symlink_to(target)
    second.folder.mkdir()
    os.chown(second.folder, pwd.getpwnam("nobody").pw_uid, -1)
    for name, why in (("a", "is a link"), ("b", "belongs to nobody")):
        with pytest.raises(DatabaseTrouble, match=why):
            PrivateDatabase(closed / name)
    assert list(target.iterdir()) == []
    first.folder.unlink()
    second.folder.rmdir()


def test_what_is_not_ours_is_refused_and_left_as_it_is(folder: Path) -> None:
    theirs, lost, file = folder / "theirs", folder / "lost", folder / "file"
    (theirs / "data").mkdir(parents=True)
    (theirs / "data" / "thesis.txt").write_text("ten years of work")
    file.write_text("a file")
    ours = PrivateDatabase(lost)
    (lost / "data").mkdir()
    (lost / "data" / "base").write_text("a cluster whose PG_VERSION was lost")
    for one in (theirs, theirs / "data"):
        shutil.chown(one, ours.as_user or os.geteuid())
    theirs.chmod(0o755)
    for wanted, why in ((theirs, "not Gantline's"), (lost, "PG_VERSION is missing"), (file, "is a file")):
        with pytest.raises(DatabaseTrouble, match=why):
            PrivateDatabase(wanted).start()
    assert (theirs / "data" / "thesis.txt").read_text() == "ten years of work"
    assert (lost / "data" / "base").exists()
    assert theirs.stat().st_mode & 0o777 == 0o755
    assert file.read_text() == "a file"


def test_a_kill_while_the_cluster_is_made_spoils_no_later_start(folder: Path) -> None:
    half = PrivateDatabase(folder / "half", FAST)
    made = half.folder / "data.new-0"  # as a killed initdb leaves it
    made.mkdir()
    (made / "PG_VERSION").write_text("15")
    url = half.start()
    assert PrivateDatabase(folder / "half").start() == url
    half.stop()
    (half.folder / "port").write_text("")
    assert PrivateDatabase(folder / "half").start()
    half.stop()
    (half.folder / "password").write_text("")
    with pytest.raises(DatabaseTrouble, match="password is missing or empty"):
        half.start()


def test_a_path_too_long_for_a_socket_is_said_before_anything_is_made(folder: Path) -> None:
    with pytest.raises(DatabaseTrouble, match="too long"):
        PrivateDatabase(folder / ("x" * 90))
    assert (find_programs() / "initdb").exists()
