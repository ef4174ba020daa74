"""The shopping list as PDF, and the same as CSV."""

import csv
import io

from gantline.compare.materials import MaterialList, bench
from gantline.core.units import plain
from gantline.job.csv_rows import guarded
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WORKSHOP, OPEN_FILES, PDF, Ready, Sheet

COLUMNS = ("item", "needed", "on_hand", "pack", "packs", "price", "cost", "for", "state")


def _list(ready: Ready) -> MaterialList:
    return bench(ready.made.ask, ready.boards).materials


def shopping_list(ready: Ready) -> bytes:
    """Everything to buy and load, made for ticking."""
    return to_pdf(
        render("materials.html", ready.paper, title="shopping list", **ready.common | {"list": _list(ready)})
    )


def materials_csv(ready: Ready) -> bytes:
    """One line an item."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for one in _list(ready).rows:
        money = ["" if value is None else f"{value:.2f}" for value in (one.price, one.cost)]
        writer.writerow(
            [
                guarded(plain(one.name)),
                guarded(one.needed),
                f"{one.on_hand:g}",
                f"{one.pack:g}",
                one.packs,
                *money,
                guarded(one.why),
                one.state,
            ]
        )
    return out.getvalue().encode()


SHEET = Sheet(
    key="shopping-list",
    label="Shopping list",
    group=FOR_THE_WORKSHOP,
    note="PDF",
    media_type=PDF,
    ending="shopping list.pdf",
    make=shopping_list,
    papers=True,
)
CSV = Sheet(
    key="materials",
    label="Materials",
    group=OPEN_FILES,
    note="CSV",
    media_type="text/csv; charset=utf-8",
    ending="materials.csv",
    make=materials_csv,
)
