"""What stands between the picture on the bare wall and the frame."""

from collections.abc import Iterator

from gantline.core.align.corners import NAMES
from gantline.core.defaults import WallDefaults
from gantline.core.hang.picture import Pictured
from gantline.core.height.place import WishKind
from gantline.core.size.picture import with_overspill
from gantline.job.field import field_of
from gantline.job.model.height import HeightTarget as H
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, cure, noted
from gantline.stations.common import overspill_mm
from gantline.stations.hang.codes import Code
from gantline.stations.hang.picture import frame_top_mm, straight_within_mm
from gantline.stations.height import centre_x_mm, fits, placement, read_picture
from gantline.stations.size import screen


@noted
def by_picture(at: Ask) -> Iterator[Finding]:
    """A picture that is crooked, or that stands elsewhere than the plan."""
    picture = at(read_picture)
    if isinstance(picture, str):
        yield Finding(code=Code.UNREAD, severity="check", text=picture, subject="/hang/picture")
    if not isinstance(picture, Pictured):
        return
    corner, off = picture.farthest
    if off > at(straight_within_mm) + 1e-9:
        text = (
            f"Straighten the picture, then tape it again: its {NAMES[corner]} corner stands {at.text(off)} from a level "
            f"picture of the planned size; it is {_tilted(at, picture)}, {_sized(at, picture)}."
        )
        yield Finding(code=Code.CROOKED, severity="check", text=text, subject="/hang/picture#straight")
        return
    yield from _elsewhere(at, picture)


def _elsewhere(at: Ask, there: Pictured) -> Iterator[Finding]:
    top = at(frame_top_mm)
    if top is None or not at(fits):
        return
    aside, up = there.center_mm[0] - at(centre_x_mm), top - at(placement).top_mm
    within = at.default(WallDefaults.center_mm)
    if abs(aside) <= within and abs(up) <= within:
        return
    x, y = at.near(there.center_mm[0]), at.near(top)
    fix = cure(
        f"Hang the frame by the picture: center {at.text(x)} from the left, top {at.text(y)} above the floor",
        (H.centre_x_mm, x),
        (H.wish, WishKind.FRAME_TOP.value),
        (H.wish_mm, y),
    )
    off = [
        _way(at, aside, within, "to the right of", "to the left of"),
        _way(at, up, within, "above", "below"),
    ]
    text = (
        f"The picture stands {' and '.join(one for one in off if one)} the planned frame. "
        "Picture first: the frame goes where the picture is, before a hole is drilled."
    )
    yield Finding(
        code=Code.ELSEWHERE,
        severity="check",
        text=text,
        subject="/hang/picture#place",
        cures=(fix,),
        also=(field_of(H.centre_x_mm).pointer, field_of(H.wish).pointer),
    )


def _way(at: Ask, off: float, within: float, plus: str, minus: str) -> str:
    return "" if abs(off) <= within else f"{at.text(abs(off))} {plus if off > 0.0 else minus}"


def _tilted(at: Ask, there: Pictured) -> str:
    if abs(there.tilt_mm) < at.step_mm / 2.0:
        return "level"
    return f"{at.text(abs(there.tilt_mm))} {'high' if there.tilt_mm > 0.0 else 'low'} at its right end"


def _sized(at: Ask, there: Pictured) -> str:
    wide = there.width_mm - with_overspill(at(screen).picture, at(overspill_mm)).width_mm
    if abs(wide) < at.step_mm / 2.0:
        return "as wide as planned"
    return f"{at.text(abs(wide))} too {'wide' if wide > 0.0 else 'narrow'}"
