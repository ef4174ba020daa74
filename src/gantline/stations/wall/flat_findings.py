"""A wall that leans, winds or was read badly."""

from collections.abc import Iterator

from gantline.core.defaults import WallDefaults
from gantline.job.field import field_of
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, cure, noted
from gantline.stations.common import mount_kind
from gantline.stations.wall.codes import Code
from gantline.stations.wall.flat import clashing, flat, gap_readings, lean_mm, wind

BASE = field_of(Survey.gaps).pointer


@noted
def gaps(at: Ask) -> Iterator[Finding]:
    """Too few gaps, or two that contradict each other."""
    plane = at(flat)
    if isinstance(plane, str):
        text = f"Wall flatness unknown: {plane}."
        yield Finding(code=Code.GAPS, severity="note", text=text, subject=BASE)
    read = at(gap_readings)
    for a, b in at(clashing):
        text = (
            f"Two gaps near {at.text(read[a][0])} contradict each other, {at.text(read[a][2])} and {at.text(read[b][2])}: "
            "both are left out. Read there again."
        )
        yield Finding(code=Code.GAPS_CLASH, severity="check", text=text, subject=f"{BASE}#{a}")


@noted
def lean(at: Ask) -> Iterator[Finding]:
    """A lean that shims parallel to the wall would keep."""
    off, most = at(lean_mm), at.default(WallDefaults.lean_mm)
    if off is None or abs(off) <= most or at.field(Hanging.shims) != "parallel":
        return
    way = "into the room" if off > 0.0 else "back"
    text = (
        f"Parallel to the wall the screen's top would lean {at.text(abs(off))} {way}; {at.allowed(most)} is the most. Shim it "
        "plumb."
    )
    fix = (cure("Shim it plumb", (Hanging.shims, "plumb")),)
    yield Finding(
        code=Code.LEAN, severity="check", text=text, subject=field_of(Hanging.shims).pointer, cures=fix
    )


@noted
def winds(at: Ask) -> Iterator[Finding]:
    """Corners that would not lie in one plane without shims."""
    off = at(wind)
    if off is None:
        return
    cabinet = at(mount_kind) == "cabinet"
    most = at.default(WallDefaults.wind_cabinet_mm if cabinet else WallDefaults.wind_mm)
    if abs(off) > most:
        text = (
            f"The wall winds: one corner stands {at.text(2.0 * abs(off))} off the plane of the other three. Put the shims in, or "
            "the frame is twisted."
        )
        yield Finding(code=Code.WIND, severity="check", text=text, subject=BASE)


FLAT_FINDINGS = (gaps, lean, winds)
