"""The frame's weight on its holes."""

from gantline.core.defaults import Default, WallDefaults
from gantline.core.wall.loads import FIXINGS, Fixing, Load, down_mm, load_each, middle_out_mm, utilization
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.frame import mass_kg
from gantline.stations.size import screen
from gantline.stations.wall.solve import cleat_on_studs, cleat_place, on_cleat, row_offset_mm

ALLOWED: dict[str, tuple[Default, Default]] = {
    "screw-4": (WallDefaults.screw_4_shear_n, WallDefaults.screw_4_pull_n),
    "screw-6": (WallDefaults.screw_6_shear_n, WallDefaults.screw_6_pull_n),
    "plug-board": (WallDefaults.plug_board_shear_n, WallDefaults.plug_board_pull_n),
    "metal-board": (WallDefaults.metal_board_shear_n, WallDefaults.metal_board_pull_n),
    "toggle": (WallDefaults.toggle_shear_n, WallDefaults.toggle_pull_n),
    "plug-brick": (WallDefaults.plug_brick_shear_n, WallDefaults.plug_brick_pull_n),
    "plug-block": (WallDefaults.plug_block_shear_n, WallDefaults.plug_block_pull_n),
}


def fixing_key(at: Ask) -> str:
    """Which fixing: as entered, else a 6 mm screw where there is wood, and a plug in brick."""
    given = at.given(Hanging.fixing)
    if given is not None:
        return given
    if at.field(Hanging.fix_to) == "anchors" and at.field(Survey.build) == "studs":
        return "toggle"
    if at.field(Survey.build) == "studs":
        return "screw-6"
    return "plug-block" if at.field(Survey.masonry) == "block" else "plug-brick"


def fixing(at: Ask) -> Fixing:
    """The fixing."""
    return FIXINGS[at(fixing_key)]


def allowed_n(at: Ask) -> tuple[float, float]:
    """What it may carry, shear and pull-out [N]."""
    shear, pull = ALLOWED[at(fixing_key)]
    return at.default(shear), at.default(pull)


def fixings_top(at: Ask) -> int:
    """Fixings in the top row: at two brackets, each with its own number, or at every stud of a cleat."""
    place = at(cleat_place) if at(cleat_on_studs) else None
    return (2 if place is None else len(place.studs_mm)) * at.field(Hanging.per_bracket)


def levers_mm(at: Ask) -> tuple[float, float]:
    """Out from the wall to the center of mass, and down from the top row to the lower bearing [mm]."""
    return at(levers_to_mm, at(row_offset_mm))


def levers_to_mm(at: Ask, offset: float | None) -> tuple[float, float]:
    """The same for a lower row so far from the frame's height, or none."""
    out = middle_out_mm(at.field(FrameBuild.standoff_mm), at.field(FrameBuild.depth_mm))
    drop = at.field(Hanging.drop_mm) if offset is None else 0.0
    return out, down_mm(at(screen).overall_height_mm, drop, offset)


def load(at: Ask) -> Load | None:
    """On each fixing of the top row; None while the mass is not known, or the rows would cross."""
    return at(load_on, at(fixings_top), at(row_offset_mm), at(on_cleat))


def load_on(at: Ask, count: int, offset: float | None, bevel: bool) -> Load | None:
    """The same on so many fixings, with such a lower row, on a bevel or not."""
    mass, (out, down) = at(mass_kg), at(levers_to_mm, offset)
    if mass is None or down <= 0.0:
        return None
    return load_each(
        mass,
        factor=at.default(WallDefaults.load_factor),
        carrying=count,
        top=count,
        out_mm=out,
        down_mm=down,
        cleat=bevel,
    )


def used(at: Ask) -> float | None:
    """How much of each fixing is used; more than 1 is too much."""
    found = at(load)
    return None if found is None else utilization(found, *at(allowed_n))
