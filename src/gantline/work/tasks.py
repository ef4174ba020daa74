"""What heavy work there is: each takes a session, the arguments of its question, and a way to say how far it is."""

from collections.abc import Callable, Mapping
from typing import Any, Literal
from uuid import UUID

import orjson
from sqlalchemy.orm import Session

from gantline.core.defaults import Shop
from gantline.job.file import read_stored
from gantline.job.records import RecordKind
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.store import jobs, shops
from gantline.store.models import JobVersionRow

Say = Callable[[float], None]
Task = Callable[[Session, Mapping[str, Any], Say], bytes]
PLANNED = 0.2  # of a sheet's time


def _planned(session: Session, args: Mapping[str, Any]) -> tuple[UUID, JobVersionRow, JobPlan]:
    shop_id, shop = shops.the_settings(session)
    version = jobs.version(session, shop_id, UUID(args["job"]), int(args["version"]))
    return shop_id, version, plan(read_stored(version.document), Shop(dict(shop.overrides)))


def sheet(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """One sheet of one version.  args: job, version, sheet, paper."""
    from gantline.sheets.registry import SHEETS
    from gantline.sheets.sheet import Ready
    from gantline.store import photos

    shop_id, version, made = _planned(session, args)
    say(PLANNED)
    paper: Literal["a4", "letter"] = "letter" if args["paper"] == "letter" else "a4"
    fabrics, boards = (
        shops.named_records(session, shop_id, one) for one in (RecordKind.FABRIC, RecordKind.BOARD)
    )
    stamp = f"version {version.number}, {version.saved_at:%Y-%m-%d}"

    def photo_of(key: str) -> bytes | None:
        try:
            return photos.content(session, UUID(args["job"]), UUID(key))
        except (photos.NoSuchPhoto, ValueError):  # taken away since, or no id
            return None

    return SHEETS[args["sheet"]].make(
        Ready(made=made, stamp=stamp, paper=paper, fabrics=fabrics, boards=boards, photo=photo_of)
    )


def compare(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """One comparison of one version as JSON.  args: job, version, what, and what that takes."""
    from gantline.compare.by_name import compared

    shop_id, _, made = _planned(session, args)
    say(PLANNED)
    found = compared(
        args["what"], made, args.get("more", {}), lambda kind: shops.named_records(session, shop_id, kind)
    )
    return orjson.dumps(found, default=as_plain)


def photo(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """One photo read against one version as JSON.  args: job, version, photo, frame (eight numbers by hand, or none).

    Here it is unpacked for the first time: of what is read, gray levels are kept; what is no photo is not.
    """
    from gantline.store import photos
    from gantline.vision.files import kept_jpeg, read_gray
    from gantline.vision.reading import MOST_BYTES, reading
    from gantline.vision.untrusted import Untrusted

    _, _, made = _planned(session, args)
    say(PLANNED)
    key = UUID(args["photo"])
    content = photos.content(session, UUID(args["job"]), key, raw=True)
    try:
        plain = kept_jpeg(read_gray(content, most=MOST_BYTES))
    except Untrusted:
        photos.refuse(session, key)
        session.commit()
        raise
    photos.now_read(session, key, plain)
    session.commit()
    read = reading(made.ask, plain, args.get("frame"))
    photos.judge(session, key, refused=bool(read.trouble))
    session.commit()
    return orjson.dumps(read, default=as_plain)


TASKS: Mapping[str, Task] = {"sheet": sheet, "compare": compare, "photo": photo}
