"""For the client and for the order: the proposal (two pages), and what to measure before ordering."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from gantline.core.defaults import Shop
from gantline.core.units import pair_text
from gantline.drawing.drawing import Drawing
from gantline.job.document import Job
from gantline.plan.plan import Planned
from gantline.plan.tables import FabricTable, SizeTable, fabric_table, size_table
from gantline.sheets.pdf import PAPERS, Paper, markup, render, to_pdf
from gantline.sheets.svg import face_svg

ORDER_STATIONS = ("survey", "size", "light", "height", "throw")
ORDER_KEYS = (
    "width",
    "height",
    "diagonal",
    "overall_width",
    "overall_height",
    "border_side",
    "light_fabric",
    "projector",
    "points",
)
Records = Sequence[tuple[str, str, Mapping[str, Any]]]


@dataclass(frozen=True, slots=True)
class Open:
    """One assumed figure that an order rests on."""

    label: str
    text: str
    effect: str


def proposal_pdf(
    job: Job, planned: Planned, drawing: Drawing, paper: Paper, stamp: str, shop: Shop, records: Records
) -> bytes:
    """Chosen size in the room, seats, fabric with its reason, light states, what was not chosen and why."""
    width = PAPERS[paper][1]
    sizes = size_table(job, shop)
    fabrics = fabric_table(job, shop, records)
    figures = {one.key: one.text for one in planned.plan.figures}
    room = ("survey", "size")
    return to_pdf(
        render(
            "proposal.html",
            paper,
            title="proposal",
            stamp=stamp,
            job=job,
            plan=planned.plan,
            sizes=sizes,
            fabrics=fabrics,
            aspect=f"{job.size.aspect}, {figures['diagonal']} diagonal",
            overall=_overall(job, drawing),
            front=markup(face_svg(drawing.front, ("size",), width, 92.0, standalone=False)),
            side=markup(face_svg(drawing.side, room, width / 2 - 4, 88.0, standalone=False)),
            top=markup(face_svg(drawing.top, room, width / 2 - 4, 88.0, standalone=False)),
            why_size=_why_size(sizes),
            why_fabric=_why_fabric(fabrics, job),
        )
    )


def order_check_pdf(job: Job, planned: Planned, drawing: Drawing, paper: Paper, stamp: str) -> bytes:
    """Everything an order rests on that nobody has measured or decided yet."""
    figures = {one.key: one for one in planned.plan.figures}
    effects = {one.pointer: one.effect for one in planned.plan.to_measure}
    assumed = [
        Open(one.label, one.text, effects.get(one.entry.pointer, one.working.source) if one.entry else "")
        for one in planned.plan.figures
        if one.known == "assumed" and one.text and one.station in ORDER_STATIONS
    ]
    order = [
        (figures[key].label, figures[key].text) for key in ORDER_KEYS if key in figures and figures[key].text
    ]
    return to_pdf(
        render("order.html", paper, title="order check", stamp=stamp, job=job, plan=planned.plan, overall=_overall(job, drawing),
            open=assumed, order=order)
    )  # fmt: skip


def _overall(job: Job, drawing: Drawing) -> str:
    face = drawing.back
    return pair_text(face.right_mm - face.left_mm, face.top_mm - face.bottom_mm, job.units.to_core())


def _why_size(sizes: SizeTable) -> str:
    at = next(k for k, row in enumerate(sizes.rows) if row.chosen)
    chosen, larger = sizes.rows[at], sizes.rows[at + 1]
    seen = f" It fills {chosen.angles} (near, main, far seat)." if chosen.angles else ""
    return f"{chosen.diagonal} corner to corner: {chosen.verdict}.{seen} The next larger, {larger.diagonal}: {larger.verdict}".replace(
        "..", "."
    )


def _why_fabric(fabrics: FabricTable, job: Job) -> str:
    name = job.light.fabric.name or "the fabric"
    own = next((row for row in fabrics.rows if row.chosen), None)
    if own is None:
        return f"Fabric: {name}."
    return f"{own.name}, rank {own.rank} of {len(fabrics.rows)} in this room: {own.reason}."
