"""The signal chain: does the format needed arrive, and which link is the weakest."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import get_args

from gantline.core.throw.signal import USUAL_FORMATS, PictureFormat, lacks, passed, weakest
from gantline.job.field import field_of
from gantline.job.model.throw import MOST_LINKS, Link, LinkKind, SignalChain
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, noted
from gantline.stations.throw.codes import Code
from gantline.stations.throw.mount import cable_mm

CABLE = "cable"


@dataclass(frozen=True, slots=True, kw_only=True)
class FormatChoice:
    """A usual format: what it is called and what it sets."""

    text: str
    value: dict[str, float | str | bool]


@dataclass(frozen=True, slots=True, kw_only=True)
class LinkRow:
    """One link in words. trouble is empty where the format passes; length and good_for only for cables."""

    id: str
    pointer: str
    kind: str
    name: str
    carries: str
    length: str
    good_for: str
    trouble: str
    weakest: bool
    too_long: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SignalPlan:
    """The chain, the format needed and what arrives; kinds: what can be added to it, none when it is full."""

    pointer: str
    wanted_pointer: str
    wanted: str
    arrives: str
    rows: tuple[LinkRow, ...]
    formats: tuple[FormatChoice, ...]
    kinds: tuple[str, ...]


FORMATS = tuple(
    FormatChoice(
        text=usual.text,
        value={
            "lines": usual.lines,
            "rate_hz": usual.rate_hz,
            "depth_bits": usual.depth_bits,
            "high_range": usual.high_range,
        },
    )
    for usual in USUAL_FORMATS
)


def needed(at: Ask) -> PictureFormat | None:
    """The format that must arrive."""
    given = at.given(SignalChain.wanted)
    return None if given is None else given.to_core()


def worst(at: Ask) -> str | None:
    """Id of the weakest link that cuts something; None where none does."""
    asked = at(needed)
    known = [(link.id, link.carries.to_core()) for link in at.things(SignalChain.links) if link.carries]
    if asked is None or not known:
        return None
    index = weakest([carried for _, carried in known], asked)
    return None if index is None else known[index][0]


def links(at: Ask) -> tuple[LinkRow, ...]:
    """Every link by what it carries; how long a cable is comes last, since it moves with the lens."""
    asked, last = at(needed), at(worst)
    return tuple(_row(at, link, asked, weak=link.id == last) for link in at.things(SignalChain.links))


@dataclass(frozen=True, slots=True, kw_only=True)
class Cable:
    """A cable's length as entered, and what it is good for [mm]; None where nobody says."""

    entered_mm: float | None
    good_for_mm: float | None


def cables(at: Ask) -> tuple[Cable | None, ...]:
    """Every link that is a cable, in the order of the chain; None for any other."""
    return tuple(
        Cable(entered_mm=link.length_mm, good_for_mm=link.good_for_mm) if link.kind == CABLE else None
        for link in at.things(SignalChain.links)
    )


def carried(at: Ask) -> str:
    """What the whole chain carries; empty while a link of it is not known."""
    known = [link.carries.to_core() if link.carries else None for link in at.things(SignalChain.links)]
    sure = [one for one in known if one is not None]
    return passed(sure).text if sure and len(sure) == len(known) else ""


def signal(at: Ask) -> SignalPlan:
    """The chain as it is shown."""
    asked, both = at(needed), zip(at(links), at(cables), strict=True)
    rows = tuple(row if one is None else _with_length(at, row, one) for row, one in both)
    return SignalPlan(
        pointer=field_of(SignalChain.links).pointer,
        wanted_pointer=field_of(SignalChain.wanted).pointer,
        wanted="" if asked is None else asked.text,
        arrives="" if any(row.too_long for row in rows) else at(carried),
        rows=rows,
        formats=FORMATS,
        kinds=get_args(LinkKind) if len(rows) < MOST_LINKS else (),
    )


@noted
def chain(at: Ask) -> Iterator[Finding]:
    """The weakest link, links nobody knows, cables too long."""
    rows, asked = at(signal).rows, at(needed)
    for row, plain, cable in zip(rows, at(links), at(cables), strict=True):
        if row.weakest and asked is not None:
            text = f"Bottleneck: the {row.name} carries {row.carries}, {plain.trouble} for {asked.text}."
            yield Finding(code=Code.WEAK_LINK, severity="check", text=text, subject=row.pointer)
        length = None if cable is None else _length_mm(at, cable)
        if row.too_long and cable is not None and length is not None and cable.good_for_mm is not None:
            text = f"The {row.name} is {row.length} long and good for {row.good_for}. Use an active or an optical cable."
            over = {"over_mm": length - cable.good_for_mm}
            yield Finding(
                code=Code.CABLE_TOO_LONG, severity="check", text=text, subject=row.pointer, numbers=over
            )
    unknown = [row.name for row in rows if not row.carries]
    pointer = field_of(SignalChain.links).pointer
    if unknown:
        text = f"Ask before buying what the {' and the '.join(unknown)} can carry."
        yield Finding(code=Code.LINK_UNKNOWN, severity="note", text=text, subject=pointer)
    if rows and asked is None:
        text = "Choose the signal format needed, to see which link is too weak for it."
        yield Finding(code=Code.NO_FORMAT, severity="note", text=text, subject=pointer)


def _row(at: Ask, link: Link, asked: PictureFormat | None, *, weak: bool) -> LinkRow:
    known, most = link.carries.to_core() if link.carries else None, link.good_for_mm
    cut = lacks(known, asked) if known and asked else ()
    return LinkRow(
        id=link.id,
        pointer=f"{field_of(SignalChain.links).pointer}/{link.id}",
        kind=link.kind,
        name=link.name or link.kind,
        carries=known.text if known else "",
        weakest=weak,
        trouble=f"not enough {' and '.join(cut)}" if cut else "",
        too_long=False,
        length="",
        good_for=at.text(most) if link.kind == CABLE and most is not None else "",
    )


def _with_length(at: Ask, row: LinkRow, cable: Cable) -> LinkRow:
    length = _length_mm(at, cable)
    if length is None:
        return row
    too_long = cable.good_for_mm is not None and length > cable.good_for_mm
    trouble = "; ".join(filter(None, [row.trouble, "too long" if too_long else ""]))
    return replace(row, length=at.text(length), too_long=too_long, trouble=trouble)


def _length_mm(at: Ask, cable: Cable) -> float | None:
    """As entered, else the run from the source to the lens."""
    return at(cable_mm) if cable.entered_mm is None else cable.entered_mm
