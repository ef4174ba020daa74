"""The light as one value."""

from gantline.job.model.light import FabricChoice, Lighting
from gantline.plan.ask import Ask
from gantline.plan.station import Lit, Station, Table, fields_of
from gantline.stations.light.figures import FIGURES, gist
from gantline.stations.light.findings import FINDINGS
from gantline.stations.light.marks import DRAW
from gantline.stations.light.panel import PANEL
from gantline.stations.light.solve import light
from gantline.stations.light.steps import steps
from gantline.stations.light.tables import light_states, seat_lights


def begun(at: Ask) -> bool:
    """Whether anything can be said of the light."""
    return at(light) is not None


LIGHT = Station(
    key="light",
    faces=("floor", "seat"),
    tall=True,
    speaks=40,
    label="Light",
    says="See what each seat gets, in the dark and with the lamps on, and take the fabric that holds up in the worst seat.",
    fields=fields_of(Lighting, FabricChoice),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "light", "lamps"), dimensions=("shape",), handles=("survey", "lamps", "height")),
    tables=(Table(key="light", question=seat_lights), Table(key="states", question=light_states)),
    draw=DRAW,
    face="seat",
    strip="light",
    steps=steps,
    begun=begun,
)
