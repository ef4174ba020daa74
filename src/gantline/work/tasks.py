"""What heavy work there is: each takes a session, the arguments of its question, and a way to say how far it is."""

from base64 import b64encode
from collections.abc import Callable, Mapping
from typing import TYPE_CHECKING, Any, Literal
from uuid import UUID

import orjson
from sqlalchemy.orm import Session

from gantline.core.defaults import Shop
from gantline.core.units import LengthStyle, Units
from gantline.job.file import read_stored
from gantline.job.records import RecordKind
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.store import jobs, shops
from gantline.store.models import JobVersionRow

if TYPE_CHECKING:
    from gantline.sheets.sheet import Ready


class Say:
    """How a piece of work tells how far it is, and what there is of it."""

    def __init__(self, send: Callable[..., None]) -> None:
        self.send = send

    def __call__(self, share: float) -> None:
        """So much of it is done."""
        self.send("said", share)

    def part(self, content: bytes) -> None:
        """One more part of what it comes to."""
        self.send("part", content)


Task = Callable[[Session, Mapping[str, Any], Say], bytes]
PLANNED = 0.2  # of a sheet's time
PICTURED = 0.7


def _planned(session: Session, args: Mapping[str, Any]) -> tuple[UUID, JobVersionRow, JobPlan]:
    shop_id, shop = shops.the_settings(session)
    version = jobs.version(session, shop_id, UUID(args["job"]), int(args["version"]))
    return shop_id, version, plan(read_stored(version.document), Shop(dict(shop.overrides)))


def sheet(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """One sheet of one version.  args: job, version, sheet, paper."""
    from gantline.sheets.registry import SHEETS

    return SHEETS[args["sheet"]].make(_ready(session, args, say))


def pictures(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """The pages of a sheet as PNG in base64, JSON.  args: job, version, sheet, paper, first (only that page, small)."""
    from gantline.sheets.pictures import pictures as drawn
    from gantline.sheets.registry import SHEETS

    content = SHEETS[args["sheet"]].make(_ready(session, args, say))
    say(PICTURED)
    count, found = drawn(content, first=args["first"])
    return orjson.dumps({"pages": count, "pictures": [b64encode(each).decode() for each in found]})


def pack(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """The job pack of one version.  args: job, version, sheets (their keys), paper."""
    from gantline.sheets.pack import pack as bound
    from gantline.sheets.registry import SHEETS

    ready = _ready(session, args, say)
    return bound(
        ready,
        [SHEETS[key] for key in args["sheets"]],
        lambda share: say(PLANNED + (1.0 - PLANNED) * share),
    )


def _ready(session: Session, args: Mapping[str, Any], say: Say) -> "Ready":
    """A version planned, with what its sheets take from the stores."""
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

    return Ready(made=made, stamp=stamp, paper=paper, fabrics=fabrics, boards=boards, photo=photo_of)


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
    # two answers: kept until another photo decides
    photos.judge(session, key, refused=bool(read.trouble) and not read.possible)
    session.commit()
    return orjson.dumps(read, default=as_plain)


def photos_of_a_state(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """Photos of one state read as one, as JSON.  args: job, version, photos (id and frame of each)."""
    from gantline.store import photos
    from gantline.vision.reading import state_reading

    _, _, made = _planned(session, args)
    say(PLANNED)
    job = UUID(args["job"])
    every = [(photos.content(session, job, UUID(one["photo"])), one.get("frame")) for one in args["photos"]]
    read = state_reading(made.ask, every)
    if not read.trouble:
        for one in args["photos"]:
            photos.judge(session, UUID(one["photo"]), refused=False)
        session.commit()
    return orjson.dumps(read, default=as_plain)


def step_photo(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """A photo of a step, unpacked for the first time, kept as a plain JPEG.  args: job, photo."""
    from gantline.store import photos
    from gantline.vision.files import shown_jpeg
    from gantline.vision.reading import MOST_BYTES
    from gantline.vision.untrusted import Untrusted

    key = UUID(args["photo"])
    content = photos.content(session, UUID(args["job"]), key, raw=True)
    try:
        plain = shown_jpeg(content, most=MOST_BYTES)
    except Untrusted:
        photos.refuse(session, key)
        session.commit()
        raise
    photos.now_read(session, key, plain)
    session.commit()
    return orjson.dumps({"id": args["photo"]})


def order(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """A simulated order, told moment by moment.  args: numbers, changes, style, denominator."""
    from gantline.compare.order_run import pieces
    from gantline.core.membrane.numbers import read_numbers

    session.close()  # nothing of it is in the database
    out = bytearray()
    for share, piece in pieces(read_numbers(args["numbers"]), _units(args), args["changes"]):
        say(share)
        say.part(piece)
        out += piece
    return bytes(out)


def what_if(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """The even sheet otherwise.  args: numbers, cloths, enough, style, denominator."""
    from gantline.compare.what_if import what_if as asked
    from gantline.core.membrane.numbers import read_numbers

    session.close()
    say(PLANNED)
    return orjson.dumps(
        asked(read_numbers(args["numbers"]), args["cloths"], args["enough"], _units(args)), default=as_plain
    )


def causes(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """All single faults of a sheet.  args: numbers."""
    from gantline.compare.wrinkle_bench import library_bytes
    from gantline.core.membrane.numbers import read_numbers

    session.close()
    return library_bytes(read_numbers(args["numbers"]), say)


def wrinkles(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """What is seen, its causes and cure.  args: numbers, library (a key), lines, patches, springs, margins, labels,
    style, denominator."""
    from gantline.compare.wrinkle_bench import found, library_bytes
    from gantline.core.membrane.marks import Line, Patch
    from gantline.core.membrane.numbers import read_numbers
    from gantline.store import results

    content = results.done(session, args["library"])
    session.commit()
    numbers = read_numbers(args["numbers"])
    if content is None:  # swept meanwhile
        content = library_bytes(numbers, say)
    lines = [
        Line(from_mm=tuple(each["from"]), to_mm=tuple(each["to"]), bad=each["bad"]) for each in args["lines"]
    ]
    patches = [Patch(at_mm=tuple(each["at"]), radius_mm=each["radius"]) for each in args["patches"]]
    springs = {int(point): float(mm) for point, mm in args["springs"].items()}
    margins = args["margins"]
    made = found(numbers, content, lines, patches, springs, margins, args["labels"], _units(args))
    return orjson.dumps(made, default=as_plain, option=orjson.OPT_SERIALIZE_NUMPY)


def waves(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """Lines proposed in a photo of the sheet, from the back, as JSON.  args: job, photo, corners (eight pixels), width, height of
    the frame, front (whether it was taken from there)."""
    import numpy as np

    from gantline.store import photos
    from gantline.vision.files import read_gray
    from gantline.vision.reading import MOST_BYTES
    from gantline.vision.waves import waves as proposed

    content = photos.content(session, UUID(args["job"]), UUID(args["photo"]))
    session.close()
    say(PLANNED)
    corners, wide = np.array(args["corners"], dtype=float).reshape(4, 2), float(args["width"])
    image = read_gray(content, most=MOST_BYTES)
    found = proposed(image, corners, wide, float(args["height"]))

    def seen(at: tuple[float, float]) -> tuple[float, float]:
        return (wide - at[0] if args["front"] else at[0], at[1])

    lines = [{"from_mm": seen(wave.from_mm), "to_mm": seen(wave.to_mm), "bad": wave.bad} for wave in found]
    return orjson.dumps({"lines": lines})


def cloth(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """An exercise of the trainer: a sheet with something wrong, and what it was once a guess is made.  args: number, guess,
    style, denominator."""
    from gantline.demo.cloth import exercise

    session.close()
    say(PLANNED)
    return orjson.dumps(exercise(args["number"], args.get("guess"), _units(args)), default=as_plain)


def otherwise(session: Session, args: Mapping[str, Any], say: Say) -> bytes:
    """Which jobs would plan otherwise with a changed record; its parts are lines of JSON, the count first, then a job each.
    args: kind, name, body, jobs (their stamp)."""
    from gantline.compare.otherwise import otherwise as told
    from gantline.store import took

    shop_id, shop = shops.the_settings(session)
    many = took.count(session, shop_id, args["name"])
    say.part(orjson.dumps({"took": many}, option=orjson.OPT_APPEND_NEWLINE))
    found = []
    for number, (job_id, document) in enumerate(took.documents(session, shop_id, args["name"]), start=1):
        differs = told(
            read_stored(document),
            RecordKind(args["kind"]),
            args["name"],
            args["body"],
            Shop(dict(shop.overrides)),
        )
        if differs is not None:
            found.append({"id": str(job_id), **differs})
            say.part(orjson.dumps(found[-1], option=orjson.OPT_APPEND_NEWLINE))
        say(number / max(1, many))
    return orjson.dumps({"took": many, "jobs": found})


def _units(args: Mapping[str, Any]) -> Units:
    return Units(LengthStyle(args["style"]), args["denominator"])


TASKS: Mapping[str, Task] = {
    "sheet": sheet,
    "pictures": pictures,
    "pack": pack,
    "compare": compare,
    "photo": photo,
    "photos": photos_of_a_state,
    "step-photo": step_photo,
    "order": order,
    "what-if": what_if,
    "causes": causes,
    "wrinkles": wrinkles,
    "cloth": cloth,
    "waves": waves,
    "otherwise": otherwise,
}
LONG = frozenset(("order", "causes", "otherwise"))  # what may take half a minute and more
