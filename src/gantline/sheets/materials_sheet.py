"""The shopping list as PDF, and the same as CSV."""

import csv
import io

from gantline.compare.materials import MaterialList, bench
from gantline.core.units import plain
from gantline.job.csv_rows import guarded
from gantline.plan.finding import PlanFinding
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WORKSHOP, OPEN_FILES, PDF, Ready, Sheet
from gantline.stations.frame import blank, parts, roll_cut
from gantline.stations.tension import tension_points
from gantline.stations.wall import bought_fixing, drilling

ABOUT = (parts, blank, roll_cut, tension_points, drilling, bought_fixing)
COLUMNS = ("item", "needed", "on_hand", "pack", "packs", "price", "cost", "for", "state")


def _list(ready: Ready) -> MaterialList:
    return bench(ready.made.ask, ready.boards).materials


def _lead(ready: Ready) -> tuple[PlanFinding, ...]:
    return ready.leading(*ABOUT)


def shopping_list(ready: Ready) -> bytes:
    """Everything to buy and load, made for ticking."""
    return to_pdf(
        render(
            "materials.html",
            ready.paper,
            title="shopping list",
            **ready.common | {"list": _list(ready), "lead": _lead(ready)},
        )
    )


def materials_csv(ready: Ready) -> bytes:
    """One line an item; before them what stops or changes them."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for finding in _lead(ready):
        text = f"{finding.severity.upper()}: {plain(finding.text)}"
        writer.writerow([guarded(text), *[""] * (len(COLUMNS) - 2), finding.severity])
    for row in _list(ready).rows:
        money = ["" if value is None else f"{value:.2f}" for value in (row.price, row.cost)]
        writer.writerow(
            [
                guarded(plain(row.name)),
                guarded(row.needed),
                f"{row.on_hand:g}",
                f"{row.pack:g}",
                row.packs,
                *money,
                guarded(row.why),
                row.state,
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
    about=ABOUT,
)
CSV = Sheet(
    key="materials",
    label="Materials",
    group=OPEN_FILES,
    note="CSV",
    media_type="text/csv; charset=utf-8",
    ending="materials.csv",
    make=materials_csv,
    about=ABOUT,
)
