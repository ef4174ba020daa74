"""A whole shop as a zip of open files, and read back into an empty installation.

    shop.json                       format, version of the program, the shop's name
    stores/KIND.json                records: key, name, body
    settings.json                   the shop's own defaults
    readings.csv                    every reading, for people and spreadsheets
    jobs/NAME.job.json              the newest version of each job, a job file
    jobs/NAME/job.json              its id, when it was made, the bin, what it casts
    jobs/NAME/versions/00001.json   each version with its document, who saved it, when and what
    jobs/NAME/readings.json         its readings, also those that were removed
    jobs/NAME/day.json              what was told of the steps of its day, in order
    jobs/NAME/photos/ID.jpg         its photos; photos.json says when, and by whom one was removed

Left out: paired devices, and what can be worked out again. Against, when it is read: a zip from somebody else. Names
are matched, never used as paths; every size has an end before anything is unpacked; every document and record is
checked as if it were typed.
"""

import re
import zipfile
import zlib
from collections import defaultdict
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path
from typing import IO, Annotated, Any
from uuid import UUID

import orjson
from pydantic import AwareDatetime, Field, TypeAdapter, field_validator
from sqlalchemy import select
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from gantline import __version__
from gantline.core.day.progress import Act
from gantline.core.errors import DesignError
from gantline.job.csv_rows import guarded
from gantline.job.field import ClosedModel
from gantline.job.file import read_stored
from gantline.job.records import MODELS, RecordKind
from gantline.store import readings, shops
from gantline.store.models import CastRow, JobRow, JobVersionRow, PhotoRow, ReadingRow, ShopRow, StepRow

FORMAT, VERSION = "gantline-shop", 1
MOST_FILES = 2_000_000
LARGEST = {"json": 64 * 2**20, "jpg": 25 * 2**20}  # unpacked; readings of a job are the largest JSON
OF_JOB = re.compile(r"jobs/([^/]{1,100})/versions/\d{5,10}\.json")
JOB = re.compile(r"jobs/([^/]{1,100})/job\.json")
READING = (
    "source",
    "seq",
    "what",
    "x_mm",
    "y_mm",
    "value_mm",
    "taken_at",
    "who",
    "sent_as",
    "removed_at",
    "removed_by",
)
VERSION_KEYS = ("number", "parent", "stands_for", "what", "who", "saved_at", "as_built", "document")
STEP = ("id", "step", "act", "said", "text", "version", "who", "at")
PHOTO = ("id", "taken_at", "removed_at", "removed_by", "step", "who")
ABOUT_STEP = {"step": 200, "who": 120}  # a zip of before there were photos of steps has none
COLUMNS = "job,source,seq,what,x_mm,y_mm,value_mm,taken_at,who,removed_at,removed_by"


class OpenStep(ClosedModel):
    """What was told of a step, as it stands in the zip."""

    id: UUID
    step: Annotated[str, Field(min_length=1, max_length=200)]
    act: Act
    said: dict[str, Any]
    text: Annotated[str, Field(max_length=2000)]
    version: Annotated[int, Field(ge=1, le=2**31 - 1)]
    who: Annotated[str, Field(max_length=120)]
    at: AwareDatetime

    @field_validator("said")
    @classmethod
    def _readable(cls, said: dict[str, Any]) -> dict[str, Any]:
        TypeAdapter(list[tuple[str, str]]).validate_python(said.get("things"))
        TypeAdapter(dict[str, tuple[str, float]]).validate_python(said.get("numbers", {}))
        TypeAdapter(dict[str, float | str]).validate_python(said.get("values", {}))
        return said


class NotAShop(DesignError):
    """A file that is not read as a shop, and why."""

    code = "not-a-shop"


def write_shop(session: Session, shop_id: UUID, handle: IO[bytes]) -> None:
    """Everything of a shop into a zip."""
    names = set[str]()
    with zipfile.ZipFile(handle, "w", zipfile.ZIP_DEFLATED) as pack:
        shop = session.get_one(ShopRow, shop_id)
        _put(
            pack,
            "shop.json",
            {"format": FORMAT, "format_version": VERSION, "gantline": __version__, "name": shop.name},
        )
        for kind in RecordKind:
            records = shops.named_records(session, shop_id, kind)
            _put(
                pack,
                f"stores/{kind}.json",
                [{"key": key, "name": name, "body": body} for key, name, body in records],
            )
        _put(pack, "settings.json", {"values": dict(shops.the_settings(session)[1].overrides)})
        lines = [COLUMNS]
        chosen = select(JobRow).where(JobRow.shop_id == shop_id)
        for row in session.scalars(chosen.order_by(JobRow.created_at, JobRow.id)).all():
            lines += _job(pack, session, row, names)
        pack.writestr("readings.csv", "\r\n".join(lines) + "\r\n")


def _job(pack: zipfile.ZipFile, session: Session, row: JobRow, names: set[str]) -> Iterator[str]:
    """One job; returns its readings as lines of CSV."""
    head = session.get_one(JobVersionRow, (row.id, row.head))
    called = file_name(str(head.document.get("name") or "job"), names)
    _put(pack, f"jobs/{called}.job.json", head.document)
    cast = session.get(CastRow, row.id)
    casts = None if cast is None else {name: getattr(cast, name) for name in ("code", "pattern", "u", "v")}
    binned = {"binned_at": row.binned_at, "binned_by": row.binned_by}
    _put(
        pack, f"jobs/{called}/job.json", {"id": row.id, "created_at": row.created_at, **binned, "cast": casts}
    )
    numbers = (
        select(JobVersionRow.number).where(JobVersionRow.job_id == row.id).order_by(JobVersionRow.number)
    )
    for number in session.scalars(numbers).all():
        version = session.get_one(JobVersionRow, (row.id, number))
        _put(
            pack,
            f"jobs/{called}/versions/{number:05d}.json",
            {key: getattr(version, key) for key in VERSION_KEYS},
        )
        session.expunge(version)  # of thousands, one at a time
    oldest_first = list(reversed(readings.of_job(session, row.id)))
    _put(
        pack,
        f"jobs/{called}/readings.json",
        [{key: getattr(entry, key) for key in READING} for entry in oldest_first],
    )
    told = select(*(getattr(StepRow, key) for key in STEP)).where(StepRow.job_id == row.id)
    rows = session.execute(told.order_by(StepRow.number)).all()
    _put(pack, f"jobs/{called}/day.json", [dict(zip(STEP, listing, strict=True)) for listing in rows])
    photos = select(*(getattr(PhotoRow, key) for key in PHOTO)).where(
        PhotoRow.job_id == row.id, ~PhotoRow.raw
    )
    listed = session.execute(photos.order_by(PhotoRow.taken_at, PhotoRow.id)).all()
    _put(pack, f"jobs/{called}/photos.json", [dict(zip(PHOTO, listing, strict=True)) for listing in listed])
    for entry in listed:
        if entry.removed_at is None:
            content = session.scalar(select(PhotoRow.content).where(PhotoRow.id == entry.id))
            pack.writestr(zipfile.ZipInfo(f"jobs/{called}/photos/{entry.id}.jpg"), content or b"")
    return (_line(called, entry) for entry in oldest_first)


def _line(called: str, reading_row: ReadingRow) -> str:
    lengths = (
        "" if value is None else f"{value:.3f}"
        for value in (reading_row.x_mm, reading_row.y_mm, reading_row.value_mm)
    )
    removed = reading_row.removed_at.isoformat() if reading_row.removed_at else ""
    cells = (
        guarded(called),
        reading_row.source,
        str(reading_row.seq),
        reading_row.what,
        *lengths,
        reading_row.taken_at.isoformat(),
        reading_row.who or "",
        removed,
    )
    return ",".join(_cell(one_) for one_ in (*cells, reading_row.removed_by or ""))


def _cell(text: str) -> str:
    safe = guarded(text)
    return '"' + safe.replace('"', '""') + '"' if any(one in safe for one in ',"\r\n') else safe


def _put(pack: zipfile.ZipFile, name: str, value: object) -> None:
    pack.writestr(name, orjson.dumps(value, option=orjson.OPT_INDENT_2))


def file_name(name: str, taken: set[str]) -> str:
    """A name for a file that no other has, whatever the case: letters, digits, blanks and some marks."""
    safe = "".join(letter if letter.isalnum() or letter in " .-_" else "_" for letter in name)
    bare = safe.strip(" .")[:80]
    called, number = bare or "job", 2
    while called.lower() in taken:
        called, number = f"{bare} {number}", number + 1
    taken.add(called.lower())
    return called


def read_shop(session: Session, file: Path) -> int:
    """A zip of open files into an empty shop; returns how many jobs came.

    Raises: NotAShop for another file, one from a newer program, or one of whose parts cannot be kept, naming it.
    """
    shop_id = shops.the_shop(session)
    if session.scalar(select(JobRow.id).limit(1)) is not None:
        raise NotAShop(
            "There are jobs here already, and an import overwrites nothing. Give an empty folder with --data."
        )
    try:
        with zipfile.ZipFile(file) as pack:
            return _read(pack, session, shop_id)
    except (
        zipfile.BadZipFile,
        zlib.error,
        AttributeError,
        LookupError,
        TypeError,
        ValueError,
        RuntimeError,  # a zip under a password, or packed in a way that is not read
        DesignError,
        SQLAlchemyError,
    ) as error:
        if isinstance(error, NotAShop):
            raise
        said = str(error).splitlines()[0][:200]
        raise NotAShop(f"This file cannot be read as a shop: {said}. Nothing was kept.") from error


def _read(pack: zipfile.ZipFile, session: Session, shop_id: UUID) -> int:
    names = [one.filename for one in pack.infolist()]
    if "shop.json" not in names or len(names) > MOST_FILES:
        raise NotAShop("This is no export of a shop: it has no shop.json.")
    about = _get(pack, "shop.json")
    if about.get("format") != FORMAT or int(about.get("format_version", 0)) > VERSION:
        raise NotAShop("This was exported by a newer Gantline. Update Gantline, then import it.")
    session.get_one(ShopRow, shop_id).name = str(about["name"])[:120]
    for kind in RecordKind:
        for record in _get(pack, f"stores/{kind}.json") if f"stores/{kind}.json" in names else ():
            MODELS[kind].model_validate(record["body"], context={"stored": True})
            shops.put_record(session, shop_id, kind, record["key"], record["name"], record["body"])
    shops.put_settings(session, shop_id, _get(pack, "settings.json")["values"])
    folders = [found[1] for name in names if (found := JOB.fullmatch(name))]
    versions = defaultdict[str, list[str]](list)
    for name in names:
        if found := OF_JOB.fullmatch(name):
            versions[found[1]].append(name)
    for folder in folders:
        _read_job(pack, session, shop_id, f"jobs/{folder}", versions[folder])
    return len(folders)


def _read_job(pack: zipfile.ZipFile, session: Session, shop_id: UUID, folder: str, named: list[str]) -> None:
    about = _get(pack, f"{folder}/job.json")
    job_id = UUID(about["id"])
    versions = [_get(pack, name) for name in named]
    if not versions:
        raise NotAShop(f"{folder} has no version.")
    head = max(int(entry["number"]) for entry in versions)
    session.add(
        JobRow(
            id=job_id, shop_id=shop_id, head=head, created_at=_when(about["created_at"]),
            binned_at=_when(about["binned_at"]), binned_by=about["binned_by"],
        )
    )  # fmt: skip
    session.flush()
    for entry in sorted(versions, key=lambda version: int(version["number"])):
        read_stored(entry["document"])  # refused here, not when somebody opens it
        session.add(
            JobVersionRow(
                job_id=job_id, shop_id=shop_id, card=None, **entry | {"saved_at": _when(entry["saved_at"])}
            )
        )
        session.flush()
    whole = {"job_id": job_id, "shop_id": shop_id}
    for entry in _get(pack, f"{folder}/readings.json"):
        times = {key: _when(entry[key]) for key in ("taken_at", "removed_at")}
        session.add(ReadingRow(**whole, **{key: entry[key] for key in READING} | times))
    if f"{folder}/day.json" in pack.namelist():  # a zip of before there was a day has none
        for told in TypeAdapter(list[OpenStep]).validate_python(_get(pack, f"{folder}/day.json")):
            session.add(StepRow(**whole, **told.model_dump()))
            session.flush()  # numbered in their order
    for entry in _get(pack, f"{folder}/photos.json"):
        times = {key: _when(entry[key]) for key in ("taken_at", "removed_at")}
        key = UUID(entry["id"])
        there = times["removed_at"] is None
        content = _bytes(pack, f"{folder}/photos/{key}.jpg") if there else b""
        if there and not content.startswith(b"\xff\xd8\xff"):
            raise NotAShop(f"{folder}/photos/{key}.jpg is no JPEG.")
        about_step = {name: _short(entry.get(name), most) for name, most in ABOUT_STEP.items()}
        session.add(
            PhotoRow(**whole, id=key, content=content, removed_by=entry["removed_by"], **times, **about_step)
        )
        session.flush()
    if about["cast"] is not None:
        session.add(CastRow(**whole, **{name: about["cast"][name] for name in ("code", "pattern", "u", "v")}))
    session.flush()


def _short(value: Any, most: int) -> str | None:
    """A word of the zip that a row takes.  Raises: NotAShop."""
    if value is not None and not (isinstance(value, str) and len(value) <= most):
        raise NotAShop(f"{value!r:.40} is no word of at most {most} letters.")
    return value


def _get(pack: zipfile.ZipFile, name: str) -> Any:
    return orjson.loads(_bytes(pack, name))


def _bytes(pack: zipfile.ZipFile, name: str) -> bytes:
    """A file of the zip.  Raises: NotAShop where it is larger than any of its kind."""
    most = LARGEST[name.rpartition(".")[2]]
    with pack.open(name) as inside:
        content = inside.read(most + 1)  # counted as it is unpacked, whatever the zip says
    if len(content) > most:
        raise NotAShop(f"{name} is larger than {most // 2**20} MB.")
    return content


def _when(text: str | None) -> datetime | None:
    return None if text is None else datetime.fromisoformat(text)
