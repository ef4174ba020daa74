"""Focus and blanking in figures."""

from gantline.core.align.corners import NAMES
from gantline.core.align.finish import SIDES
from gantline.core.defaults import AlignDefaults
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import size, term
from gantline.stations.align.finish import blanks, depth_mm, pitch_mm, unsharp
from gantline.stations.align.solve import straight

FINISH = Figures()
RULE = "overspill over the pixel's pitch, rounded down: no gap opens"


def _blank(side: str) -> None:
    @FINISH.other(
        f"blank_{side}", f"Blank at the {side}" if side in ("top", "bottom") else f"Blank {side}", "", RULE
    )
    def shown(at: Ask) -> Display | None:
        """Lines of pixels, and what they cover."""
        blank = at(blanks).get(side)
        if blank is None:
            return None
        if blank.over_mm < 0.0:
            return Display(
                0, text=f"none: {at.text(-blank.over_mm)} short", how="where the picture reaches least"
            )
        covered = f", {at.text(blank.over_mm)} over" if blank.lines else ""
        lines = "1 line" if blank.lines == 1 else f"{blank.lines} lines"
        return Display(blank.lines, text=f"{lines}{covered}", how=f"a pixel is {at(pitch_mm):.2f} mm")


for _side in SIDES:
    _blank(_side)


@FINISH.length(
    "focus_depth", "Sharp to a pixel within, either way", "pixel x distance x f-number over focal length"
)
def depth(at: Ask) -> Display | None:
    """Before and behind the plane of focus."""
    pose, value = at(straight), at(depth_mm)
    if pose is None or value is None:
        return None
    pixel, away = term("pixel", at(pitch_mm)), term("lens to fabric", pose.distance_mm)
    long = term("throw ratio", pose.ratio, "") * term("panel width", at.default(AlignDefaults.panel_mm))
    return Display(value, pixel * away * term("f-number", at.default(AlignDefaults.f_number), "") / long)


@FINISH.length("focus_off", "Corner farthest out of focus", "off the plane square to the body's axis")
def off(at: Ask) -> Display | None:
    """While the center is sharp."""
    unfocused = at(unsharp)
    if unfocused is None:
        return None
    corner, far = unfocused
    made = size(term(f"{NAMES[corner]} behind the plane of focus", far))
    return Display(abs(far), made, how="before it" if far < 0.0 else "behind it")


def finish_gist(at: Ask) -> str:
    """Lines a side."""
    found = at(blanks)
    lines = [f"{one.lines} {side}" for side, one in found.items() if one.lines]
    return f"blank {', '.join(lines)}" if lines else "rack through both ways, center and corners"
