"""The size as one value."""

from gantline.job.model.size import BorderFaces, Content, Size
from gantline.plan.station import Lit, Station, Table, fields_of
from gantline.stations.size.figures import FIGURES, gist
from gantline.stations.size.findings import FINDINGS
from gantline.stations.size.marks import DRAW
from gantline.stations.size.panel import PANEL
from gantline.stations.size.seats import beside, guidance, seat_table
from gantline.stations.size.tables import rounded_sizes, shapes

SIZE = Station(
    key="size",
    shape="mask",
    tall=True,
    speaks=90,
    label="Size",
    says="Choose a size. Each column is one, drawn to scale: tap it to see what speaks against it, then take it.",
    fields=fields_of(Size, BorderFaces, Content),
    figures=FIGURES,
    findings=(*FINDINGS, guidance, beside),
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "light"), dimensions=("size", "shape"), handles=("height",)),
    tables=(
        Table(key="rounded", question=rounded_sizes),
        Table(key="shapes", question=shapes),
        Table(key="seats", question=seat_table),
    ),
    draw=DRAW,
    targets=("overall_width", "overall_height"),
    strip="sizes",
    stops_all=True,
)
