"""For the client: the proposal, two pages."""

from gantline.compare.fabrics import FabricTable, fabric_table
from gantline.compare.sizes import SizeTable, size_table
from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_ORDER, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg

ROOM = ("survey", "size")


def proposal(ready: Ready) -> bytes:
    """Chosen size in the room, seats, fabric with its reason, light states, what was not chosen and why."""
    width = PAPERS[ready.paper][1]
    sizes, fabrics = size_table(ready.made.ask), fabric_table(ready.made.ask, ready.fabrics)
    values = ready.common | {
        "lead": ready.stops,
        "sizes": sizes,
        "fabrics": fabrics,
        "front": markup(face_svg(ready.front, ("size", "shape"), width, 92.0, standalone=False)),
        "side": markup(face_svg(ready.face("side"), ROOM, width / 2 - 4, 88.0, standalone=False)),
        "top": markup(face_svg(ready.face("top"), ROOM, width / 2 - 4, 88.0, standalone=False)),
        "why_size": _why_size(sizes),
        "why_fabric": _why_fabric(fabrics, ready.made.text("light_fabric")),
    }
    return to_pdf(render("proposal.html", ready.paper, title="proposal", **values))


def _why_size(sizes: SizeTable) -> str:
    at = next(k for k, row in enumerate(sizes.rows) if row.chosen)
    chosen, larger = sizes.rows[at], sizes.rows[at + 1]
    seen = f" It fills {chosen.angles} (near, main, far seat)." if chosen.angles else ""
    why = chosen.verdict.rstrip(".")
    if not chosen.angles:
        room = f"{chosen.to_ceiling} to the ceiling, with " if chosen.to_ceiling else ""
        why += f"; {room}no seat surveyed to judge viewing angles by"
    return (
        f"{chosen.diagonal} corner to corner: {why}.{seen} "
        f"The next larger, {larger.diagonal}: {larger.verdict}"
    )


def _why_fabric(fabrics: FabricTable, name: str) -> str:
    own = next((row for row in fabrics.rows if row.chosen), None)
    if own is None:
        return f"Fabric: {name}." if name else "No fabric is chosen yet."
    return f"{own.name}, rank {own.rank} of {len(fabrics.rows)} in this room: {own.reason}."


SHEET = Sheet(
    key="proposal",
    label="Proposal",
    group=FOR_THE_ORDER,
    note="PDF",
    media_type=PDF,
    ending="proposal.pdf",
    make=proposal,
    papers=True,
)
