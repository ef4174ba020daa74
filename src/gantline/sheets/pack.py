"""The job pack: the sheets that are wanted in one PDF, with contents, page numbers and bookmarks."""

import io
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from gantline.sheets.pdf import PAPERS, render, to_pdf
from gantline.sheets.sheet import PDF, Ready, Sheet

FOOT_PT = 22.0  # of a number over the lower edge of its page


@dataclass(frozen=True, slots=True)
class Entry:
    """One line of the contents: a sheet, the page of the pack it begins on, and what leads it."""

    label: str
    page: int
    leads: str


def packed(sheets: Sequence[Sheet]) -> tuple[Sheet, ...]:
    """Those of some sheets that are pages at all, in their order."""
    return tuple(sheet for sheet in sheets if sheet.media_type == PDF)


def pack(ready: Ready, sheets: Sequence[Sheet], say: Callable[[float], None] = lambda _: None) -> bytes:
    """One PDF: the contents, then every sheet, its own page numbers kept and the pack's in the middle of each foot.

    say: told after every sheet how much of it is done.
    """
    from pypdf import PdfReader, PdfWriter

    readers = []
    for number, sheet in enumerate(sheets, start=1):
        readers.append(PdfReader(io.BytesIO(sheet.make(ready))))
        say(number / (len(sheets) + 1))
    begins, page = [], 2  # the contents are one page
    for reader in readers:
        begins.append(page)
        page += len(reader.pages)
    entries = [
        Entry(sheet.label, begin, sheet.led_by(ready)) for sheet, begin in zip(sheets, begins, strict=True)
    ]
    contents = PdfReader(
        io.BytesIO(
            to_pdf(
                render(
                    "pack.html",
                    ready.paper,
                    title="job pack",
                    wide=PAPERS[ready.paper][1],
                    entries=entries,
                    pages=page - 1,
                    **ready.common,
                )
            )
        )
    )
    writer = PdfWriter()
    writer.append(contents, outline_item="Contents", import_outline=False)
    for sheet, reader in zip(sheets, readers, strict=True):
        writer.append(reader, outline_item=sheet.label, import_outline=False)
    numbers = _numbers([(float(one.mediabox.width), float(one.mediabox.height)) for one in writer.pages])
    for own, numbered in zip(writer.pages, PdfReader(io.BytesIO(numbers)).pages, strict=True):
        own.merge_page(numbered)
    writer.add_metadata({"/Title": f"{ready.job.name}: job pack"})
    out = io.BytesIO()
    writer.write(out)
    return out.getvalue()


def _numbers(sizes: Sequence[tuple[float, float]]) -> bytes:
    """A page of each size [pt] with nothing on it but its number in the pack."""
    rules = "".join(
        f"@page p{at} {{ size: {wide}pt {high}pt; margin: 0 }} .p{at} {{ page: p{at}; height: {high - 1}pt }}"
        for at, (wide, high) in enumerate(sizes)
    )
    pages = "".join(
        f'<div class="p{at}"><p>pack page {at + 1} of {len(sizes)}</p></div>' for at in range(len(sizes))
    )
    style = (
        "html, body { margin: 0 } div { position: relative } "
        f"p {{ position: absolute; left: 0; right: 0; bottom: {FOOT_PT}pt; margin: 0; text-align: center; "
        "font: 500 8pt Archivo; color: #444 }"
    )
    return to_pdf(f"<html><head><style>{rules}{style}</style></head><body >{pages}</body></html>")
