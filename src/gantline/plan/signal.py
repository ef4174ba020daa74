"""The signal chain: does the picture that is wished arrive, and which link is the weakest."""

from dataclasses import dataclass
from typing import get_args

from gantline.core.throw.signal import USUAL_FORMATS, PictureFormat, lacks, passed, weakest
from gantline.job.signal_chain import MOST_LINKS, Link, LinkKind
from gantline.plan.book import Book


@dataclass(frozen=True, slots=True, kw_only=True)
class FormatChoice:
    """A usual format: what it is called and what it sets."""

    text: str
    value: dict[str, float | str | bool]


@dataclass(frozen=True, slots=True, kw_only=True)
class LinkRow:
    """One link in words. trouble is empty where the wished format passes; length and good_for only for cables."""

    index: int
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
    """The chain, what is wished and what arrives; kinds: what can be added to it, none when it is full."""

    wanted: str
    arrives: str
    rows: tuple[LinkRow, ...]
    formats: tuple[FormatChoice, ...]
    kinds: tuple[str, ...]


FORMATS = tuple(
    FormatChoice(
        text=one.text,
        value={"lines": one.lines, "rate_hz": one.rate_hz, "depth_bits": one.depth_bits, "high_range": one.high_range},
    )
    for one in USUAL_FORMATS
)


def signal(book: Book) -> SignalPlan:
    """Write the findings of the signal chain; needs the cable's run written before."""
    chain = book.job.throw.signal
    wanted = chain.wanted.to_core() if chain.wanted else None
    known = [(index, link.carries.to_core()) for index, link in enumerate(chain.links) if link.carries]
    worst = None
    if wanted is not None and known:
        at = weakest([carried for _, carried in known], wanted)
        worst = None if at is None else known[at][0]
    rows = tuple(_row(book, index, link, wanted, index == worst) for index, link in enumerate(chain.links))
    if worst is not None and wanted is not None:
        cut = " and ".join(lacks(dict(known)[worst], wanted))
        book.find("weak-link", "throw", "mind",
            f"The {rows[worst].name} is the weakest link: it carries {rows[worst].carries}, too little in {cut} for {wanted.text}.")  # fmt: skip
    unknown = [row.name for row, link in zip(rows, chain.links, strict=True) if link.carries is None]
    if unknown:
        book.find(
            "link-unknown",
            "throw",
            "note",
            f"What the {' and the '.join(unknown)} can carry is not known yet: ask before buying.",
        )
    if chain.links and wanted is None:
        book.find("no-format", "throw", "note", "Say which picture format is wished, to see which link is too weak for it.")
    whole = bool(chain.links) and len(known) == len(chain.links) and not any(row.too_long for row in rows)
    return SignalPlan(
        wanted="" if wanted is None else wanted.text, arrives=passed([carried for _, carried in known]).text if whole else "",
        rows=rows, formats=FORMATS, kinds=get_args(LinkKind) if len(chain.links) < MOST_LINKS else (),
    )  # fmt: skip


def _row(book: Book, index: int, link: Link, wanted: PictureFormat | None, worst: bool) -> LinkRow:
    carried = link.carries.to_core() if link.carries else None
    name = link.name or link.kind
    cut = lacks(carried, wanted) if carried and wanted else ()
    trouble = f"too little in {' and '.join(cut)}" if cut else ""
    length_mm = _length_mm(book, link)
    too_long = False
    if link.kind == "cable" and length_mm is not None and link.good_for_mm is not None and length_mm > link.good_for_mm:
        too_long = True
        over = f"{book.text(length_mm)} long and good for {book.text(link.good_for_mm)}"
        trouble = "; ".join(one for one in (trouble, "too long") if one)
        book.find(f"cable-too-long-{index}", "throw", "mind", f"The {name} is {over}: take an active or an optical cable.",
            {"over_mm": length_mm - link.good_for_mm})  # fmt: skip
    return LinkRow(
        index=index, kind=link.kind, name=name, carries=carried.text if carried else "", weakest=worst, trouble=trouble, too_long=too_long,
        length=book.text(length_mm) if link.kind == "cable" and length_mm is not None else "",
        good_for=book.text(link.good_for_mm) if link.kind == "cable" and link.good_for_mm is not None else "",
    )  # fmt: skip


def _length_mm(book: Book, link: Link) -> float | None:
    """As entered, else the run from the source to the lens."""
    if link.length_mm is not None:
        return float(link.length_mm)
    run = book.figures["cable"].value if "cable" in book.figures else None
    return run if isinstance(run, float) else None
