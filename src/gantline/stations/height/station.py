"""The height as one value."""

from gantline.job.model.height import HeightTarget
from gantline.plan.station import Lit, Station, fields_of
from gantline.stations.height.figures import FIGURES, gist
from gantline.stations.height.findings import FINDINGS
from gantline.stations.height.marks import DRAW
from gantline.stations.height.panel import PANEL
from gantline.stations.height.solve import fits
from gantline.stations.height.steps import steps

HEIGHT = Station(
    key="height",
    speaks=20,
    label="Height",
    says="Set how high the screen hangs. Drag the frame on the board: what holds it says its name.",
    fields=fields_of(HeightTarget),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "light", "height"), dimensions=("height", "shape"), handles=("height",)),
    draw=DRAW,
    targets=("frame_top", "frame_bottom"),
    stops_all=True,
    begun=fits,
    steps=steps,
)
