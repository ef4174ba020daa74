"""The folder the private PostgreSQL keeps its data in: made, recognized, and refused where it is not ours.

A folder is ours by its marker. Nothing that we did not make is ever removed, overwritten or followed: an empty
folder is adopted, one of ours is used again, anything else is refused with a sentence.
"""

import hashlib
import os
import pwd
import stat
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import IO

MARKER = "gantline-database"
MARKED = "The private database of Gantline. Do not change anything in here by hand.\n"
OWN = 0o700
# what an earlier version left, which had no marker
EARLIER = ("data", "password", "port")
# the fallback's name can be guessed, so what stands there is taken only if it is ours and no link
REACHABLE = Path("/var/tmp")  # noqa: S108
LONGEST = 80  # a socket path in it is at most 107 bytes


class DatabaseTrouble(RuntimeError):
    """The private database cannot be started; the message says what to do."""


def adopt(wanted: Path, user: str | None) -> Path:
    """The folder to use for the one that is wanted, made if it is missing, marked as ours.

    Args: user, who runs PostgreSQL where that is not who runs this (root); a folder that user cannot reach is
        replaced by one below /var/tmp.
    Raises: DatabaseTrouble for a file, a link, a folder of somebody else, or one with anything but ours in it.
    """
    folder = place_of(wanted, user)
    if len(str(folder)) > LONGEST:
        raise DatabaseTrouble(
            f"The data folder's path is too long for PostgreSQL: {folder}.\n"
            "Give a shorter one with --data or GANTLINE_DATA_FOLDER."
        )
    owner = pwd.getpwnam(user).pw_uid if user else os.geteuid()
    try:
        _make(folder, owner)
        _check_owner(folder, owner)
        check_content(folder)
        if stat.S_IMODE(folder.lstat().st_mode) != OWN:
            folder.chmod(OWN)  # only now: what is refused is left as it is
        if not (folder / MARKER).exists():
            write(folder / MARKER, MARKED, owner)
    except OSError as error:
        raise DatabaseTrouble(
            f"The data folder {folder} cannot be used: {error.strerror}.\n"
            "Give one that can be written with --data or GANTLINE_DATA_FOLDER."
        ) from error
    return folder


def place_of(wanted: Path, user: str | None) -> Path:
    """Where the data of a wanted folder is, or would be: below /var/tmp where `user` cannot reach it."""
    folder = wanted.absolute()
    if user and not folder.is_symlink() and not folder.is_file() and not _can_enter(folder, user):
        name = hashlib.sha256(str(folder).encode()).hexdigest()[:12]
        folder = REACHABLE / f"gantline-{name}"
    return folder


def _make(folder: Path, owner: int) -> None:
    if folder.is_symlink():
        raise DatabaseTrouble(
            f"{folder} is a link, and links are not followed here.\nGive the folder itself with --data."
        )
    if folder.exists() and not folder.is_dir():
        raise DatabaseTrouble(f"{folder} is a file.\n--data takes a folder, an empty one or one of ours.")
    if not folder.exists():
        folder.parent.mkdir(parents=True, exist_ok=True)
        folder.mkdir(mode=OWN)
        os.chown(folder, owner, -1, follow_symlinks=False)
    elif not any(folder.iterdir()) and folder.stat().st_mode & (stat.S_IWOTH | stat.S_ISVTX):
        raise DatabaseTrouble(
            f"{folder} is for everybody to write in.\nGive a folder of its own with --data."
        )
    elif owner != os.geteuid() and not any(folder.iterdir()) and folder.stat().st_uid == os.geteuid():
        os.chown(folder, owner, -1, follow_symlinks=False)  # an empty one that whoever runs this has made


def _check_owner(folder: Path, owner: int) -> None:
    status = folder.lstat()
    if status.st_uid != owner:
        raise DatabaseTrouble(
            f"{folder} belongs to {_name(status.st_uid)}, the database would run as {_name(owner)}.\n"
            "Give a folder of its own with --data."
        )


def check_content(folder: Path) -> None:
    """That a folder is empty or ours, and whole.  Raises: DatabaseTrouble."""
    entries = sorted(one.name for one in folder.iterdir())
    earlier = all(name in entries for name in EARLIER) and (folder / "data" / "PG_VERSION").exists()
    if entries and MARKER not in entries and not earlier:
        some = ", ".join(entries[:3]) + (" …" if len(entries) > 3 else "")
        raise DatabaseTrouble(
            f"{folder} holds something that is not Gantline's ({some}). Nothing in it was touched.\n"
            "Give an empty folder with --data."
        )
    data = folder / "data"
    if data.is_symlink() or (data.exists() and not (data / "PG_VERSION").exists()):
        raise DatabaseTrouble(
            f"{data} is no whole PostgreSQL cluster: its PG_VERSION is missing. Nothing in it was touched.\n"
            "Put it back, or give an empty folder with --data and restore a backup there: gantline restore."
        )


def write(path: Path, text: str, owner: int | None = None) -> None:
    """Write one of our own small files, mode 0600, never through a link.  Raises: OSError."""
    handle = os.open(path, os.O_WRONLY | os.O_CREAT | os.O_TRUNC | os.O_NOFOLLOW, 0o600)
    with os.fdopen(handle, "w") as file:
        file.write(text)
        if owner is not None:
            os.fchown(file.fileno(), owner, -1)


@contextmanager
def private_file(path: Path) -> Iterator[IO[bytes]]:
    """A file that only its owner may read, there whole at the end or not at all.  Raises: OSError."""
    half = path.with_name(f"{path.name}.half")
    half.unlink(missing_ok=True)
    handle = os.open(half, os.O_WRONLY | os.O_CREAT | os.O_EXCL | os.O_NOFOLLOW, 0o600)
    try:
        with os.fdopen(handle, "wb") as file:
            yield file
        half.replace(path)
    finally:
        half.unlink(missing_ok=True)


def _name(uid: int) -> str:
    try:
        return pwd.getpwuid(uid).pw_name
    except KeyError:
        return f"user {uid}"


def _can_enter(folder: Path, user: str) -> bool:
    parent = next(path for path in (folder, *folder.parents) if path.exists())
    asked = ["runuser", "-u", user, "--", "test", "-x", str(parent)]
    return subprocess.run(asked, cwd="/", check=False).returncode == 0  # noqa: S603
