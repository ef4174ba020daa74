"""What stands between the picture on the bare wall and the frame."""

from collections.abc import Iterator

from gantline.core.align.corners import NAMES
from gantline.core.defaults import WallDefaults
from gantline.core.hang.picture import Pictured
from gantline.core.height.place import WishKind
from gantline.core.size.picture import with_overspill
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, cure, noted
from gantline.stations.common import mount_kind, overspill_mm
from gantline.stations.hang.codes import Code
from gantline.stations.hang.picture import frame_top_mm, read_picture, straight_within_mm
from gantline.stations.height import CABINET, centre_x_mm, fits, lens_y_mm, placement
from gantline.stations.size import screen


@noted
def by_picture(at: Ask) -> Iterator[Finding]:
    """A picture that is crooked, or that stands elsewhere than the plan."""
    there = at(read_picture)
    if isinstance(there, str):
        yield Finding(code=Code.UNREAD, severity="check", text=there, subject="/hang/picture")
    if not isinstance(there, Pictured):
        return
    corner, off = there.farthest
    if off > at(straight_within_mm) + 1e-9:
        text = (
            f"Straighten the picture, then tape it again: its {NAMES[corner]} corner stands {at.text(off)} from a level "
            f"picture of the planned size; it is {_tilted(at, there)}, {_sized(at, there)}."
        )
        yield Finding(code=Code.CROOKED, severity="check", text=text, subject="/hang/picture#straight")
        return
    yield from _elsewhere(at, there)


def _elsewhere(at: Ask, there: Pictured) -> Iterator[Finding]:
    top = at(frame_top_mm)
    if top is None or not at(fits):
        return
    aside, up = there.center_mm[0] - at(centre_x_mm), top - at(placement).top_mm
    within = at.default(WallDefaults.center_mm)
    if abs(aside) <= within and abs(up) <= within:
        return
    x, y = at.near(there.center_mm[0]), at.near(top)
    changes: list[tuple[object, float | str]] = [
        (H.centre_x_mm, x),
        (H.wish, WishKind.FRAME_TOP.value),
        (H.wish_mm, y),
    ]
    lens = at(lens_y_mm, at(centre_x_mm)) if at(mount_kind) == CABINET else None
    if lens is not None:  # without shift the picture stands where its lens stands: so that was read, too
        changes.append((P.lens_y_mm, lens + y - at(placement).top_mm))
    fix = cure(
        f"Hang the frame by the picture: center {at.text(x)} from the left, top {at.text(y)} above the floor",
        *changes,
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
        code=Code.ELSEWHERE, severity="check", text=text, subject="/hang/picture#place", cures=(fix,)
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
