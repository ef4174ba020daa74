"""The throw as one value."""

from gantline.core.defaults import ThrowDefaults
from gantline.job.model.throw import CablePoint, ProjectorBody, ProjectorPlace, Zone
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, Station, Table, fields_of
from gantline.stations.throw.cabinet_findings import FINDINGS as CABINET
from gantline.stations.throw.figures import FIGURES, gist
from gantline.stations.throw.findings import FINDINGS
from gantline.stations.throw.lens import lens_place
from gantline.stations.throw.marks import DRAW
from gantline.stations.throw.mount_figures import FIGURES as MOUNT_FIGURES
from gantline.stations.throw.panel import PANEL
from gantline.stations.throw.place_findings import FINDINGS as PLACES
from gantline.stations.throw.places import fits
from gantline.stations.throw.signal import chain, signal
from gantline.stations.throw.steps import steps
from gantline.stations.throw.tables import by_zoom, joists

LIGHT = Caution(
    key="light",
    name="Light",
    text="Never look into a running lens. At a child's eye height, switch it off while anyone works at the wall.",
)
OVERHEAD = Caution(
    key="overhead",
    name="Projector overhead",
    text="Into a joist, a beam or blocking, never drywall; a rated mount and a safety wire. Mains work is a licensed "
    "trade's.",
)


def cautions(at: Ask) -> tuple[Caution, ...]:
    """Light where there is a lens; overhead where it hangs above a standing head."""
    place = at(lens_place)
    if place is None:
        return ()
    return (LIGHT, OVERHEAD) if place.y_mm > at.default(ThrowDefaults.overhead_mm) else (LIGHT,)


THROW = Station(
    key="throw",
    shape="light",
    tall=True,
    speaks=30,
    label="Throw",
    says="Take a projector and give its place. The shaded field is where its lens may be.",
    fields=fields_of(ProjectorPlace, ProjectorBody, Zone, CablePoint),
    figures=(*FIGURES, *MOUNT_FIGURES),
    findings=(*FINDINGS, *PLACES, *CABINET, chain),
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "throw"), dimensions=("throw",), handles=("throw",), texts=False),
    tables=(
        Table(key="by_zoom", question=by_zoom),
        Table(key="joists", question=joists),
        Table(key="signal", question=signal),
    ),
    draw=DRAW,
    cautions=cautions,
    targets=("pole", "plate_x", "plate_z", "foot_left", "foot_back"),
    strip="throw",
    begun=fits,
    steps=steps,
)
