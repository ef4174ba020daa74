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
        text=one.text,
        value={
            "lines": one.lines,
            "rate_hz": one.rate_hz,
            "depth_bits": one.depth_bits,
            "high_range": one.high_range,
        },
    )
    for one in USUAL_FORMATS
)


def needed(at: Ask) -> PictureFormat | None:
    """The format that must arrive."""
    given = at.given(SignalChain.wanted)
    return None if given is None else given.to_core()


def worst(at: Ask) -> str | None:
    """Id of the weakest link that cuts something; None where none does."""
    asked = at(needed)
    known = [(one.id, one.carries.to_core()) for one in at.things(SignalChain.links) if one.carries]
    if asked is None or not known:
        return None
    index = weakest([carried for _, carried in known], asked)
    return None if index is None else known[index][0]


def links(at: Ask) -> tuple[LinkRow, ...]:
    """Every link by what it carries; how long a cable is comes last, since it moves with the lens."""
    asked, last = at(needed), at(worst)
    return tuple(_row(at, one, asked, weak=one.id == last) for one in at.things(SignalChain.links))


def signal(at: Ask) -> SignalPlan:
    """The chain as it is shown."""
    there, asked = at.things(SignalChain.links), at(needed)
    rows = tuple(
        _with_length(at, row, link) if link.kind == CABLE else row
        for row, link in zip(at(links), there, strict=True)
    )
    carried = [one.carries.to_core() for one in there if one.carries]
    whole = bool(there) and len(carried) == len(there) and not any(row.too_long for row in rows)
    return SignalPlan(
        pointer=field_of(SignalChain.links).pointer,
        wanted_pointer=field_of(SignalChain.wanted).pointer,
        wanted="" if asked is None else asked.text,
        arrives=passed(carried).text if whole else "",
        rows=rows,
        formats=FORMATS,
        kinds=get_args(LinkKind) if len(there) < MOST_LINKS else (),
    )


@noted
def chain(at: Ask) -> Iterator[Finding]:
    """The weakest link, links nobody knows, cables too long."""
    there = at.things(SignalChain.links)
    if not there:
        return
    rows, asked = at(signal).rows, at(needed)
    for row, link in zip(rows, there, strict=True):
        if row.weakest and link.carries and asked is not None:
            cut = " and ".join(lacks(link.carries.to_core(), asked))
            text = f"Bottleneck: the {row.name} carries {row.carries}, not enough {cut} for {asked.text}."
            yield Finding(code=Code.WEAK_LINK, severity="check", text=text, subject=row.pointer)
        length, most = _length_mm(at, link), link.good_for_mm
        if row.too_long and length is not None and most is not None:
            text = f"The {row.name} is {row.length} long and good for {row.good_for}. Use an active or an optical cable."
            over = {"over_mm": length - most}
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
    carried, most = link.carries.to_core() if link.carries else None, link.good_for_mm
    cut = lacks(carried, asked) if carried and asked else ()
    return LinkRow(
        id=link.id,
        pointer=f"{field_of(SignalChain.links).pointer}/{link.id}",
        kind=link.kind,
        name=link.name or link.kind,
        carries=carried.text if carried else "",
        weakest=weak,
        trouble=f"not enough {' and '.join(cut)}" if cut else "",
        too_long=False,
        length="",
        good_for=at.text(most) if link.kind == CABLE and most is not None else "",
    )


def _with_length(at: Ask, row: LinkRow, link: Link) -> LinkRow:
    length, most = _length_mm(at, link), link.good_for_mm
    too_long = length is not None and most is not None and length > most
    trouble = "; ".join(filter(None, [row.trouble, "too long" if too_long else ""]))
    return replace(row, length="" if length is None else at.text(length), too_long=too_long, trouble=trouble)


def _length_mm(at: Ask, link: Link) -> float | None:
    """A cable's length: as entered, else the run from the source to the lens; None for anything else."""
    if link.kind != CABLE:
        return None
    return link.length_mm if link.length_mm is not None else at(cable_mm)
