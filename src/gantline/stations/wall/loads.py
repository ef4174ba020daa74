"""The frame's weight on its holes."""

from dataclasses import dataclass

from gantline.core.defaults import Default, WallDefaults
from gantline.core.units import INCH_MM
from gantline.core.wall.loads import (
    BACKER_TRIED_MM,
    FIXINGS,
    OWN,
    Base,
    Fixing,
    Load,
    down_mm,
    in_backer,
    in_backer_n,
    load_of,
    longest_in_backer_mm,
    middle_out_mm,
    row_shares,
    screw_length_mm,
    utilization,
)
from gantline.core.wall.screws import WOOD_SCREWS, lengths_in, sold_length_mm, sold_lengths_mm
from gantline.core.wall.ways import KINDS, Way
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.common import frame_depth_mm, ledger_mm, on_cleat, part_drop_mm, standoff_mm, way
from gantline.stations.frame import mass_kg
from gantline.stations.height import centre_x_mm
from gantline.stations.size import screen
from gantline.stations.survey import lattice, wall_build
from gantline.stations.wall.screws import carrying
from gantline.stations.wall.solve import pair, spacing_asked_mm, usable_mm
from gantline.stations.wall.told import facts
from gantline.stations.wall.way import every_stud, further, hang_parts, on_studs, row_offset_mm, stud_piece

ALLOWED: dict[str, tuple[Default, Default]] = {
    "screw-4": (WallDefaults.screw_4_shear_n, WallDefaults.screw_4_pull_n),
    "screw-5": (WallDefaults.screw_5_shear_n, WallDefaults.screw_5_pull_n),
    "screw-6": (WallDefaults.screw_6_shear_n, WallDefaults.screw_6_pull_n),
    "plug-board": (WallDefaults.plug_board_shear_n, WallDefaults.plug_board_pull_n),
    "metal-board": (WallDefaults.metal_board_shear_n, WallDefaults.metal_board_pull_n),
    "toggle": (WallDefaults.toggle_shear_n, WallDefaults.toggle_pull_n),
    "plug-brick": (WallDefaults.plug_brick_shear_n, WallDefaults.plug_brick_pull_n),
    "plug-block": (WallDefaults.plug_block_shear_n, WallDefaults.plug_block_pull_n),
}


ROOMY = 0.8  # of the rail: a spacing below it stays on it, whatever was assumed


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleLoad:
    """At one place of the top row [mm]: its shares, and what each of its fixings carries."""

    x_mm: float
    shear_share: float
    pull_share: float
    load: Load


def fixing_key(at: Ask) -> str:
    """Which fixing: as entered, else a 6 mm screw where there is wood, and a plug in brick."""
    given = at.given(Hanging.fixing)
    if given is not None:
        return given
    if at(wall_build) == "studs":
        return "toggle" if at.field(Hanging.fix_to) == "anchors" else "screw-6"
    return "plug-block" if at.field(Survey.masonry) == "block" else "plug-brick"


def on_backer(at: Ask) -> bool:
    """Whether brackets are screwed to a backer board, not to the studs behind it."""
    return at(lattice) is not None and at.field(Hanging.fix_to) == "backer"


def fixing(at: Ask) -> Fixing:
    """The fixing: one that is known, or the one that the job describes; in a backer it holds with the board's thickness."""
    key = at(fixing_key)
    if key != OWN:
        known = FIXINGS[key]
        return in_backer(known, at.field(Hanging.backer_mm)) if at(on_backer) else known
    return Fixing(
        name=at.field(Hanging.anchor_name),
        base=Base(at.field(Hanging.anchor_base)),
        depth_mm=at.field(Hanging.anchor_depth_mm),
        drill_mm=at.field(Hanging.anchor_drill_mm),
        plugged=at.field(Hanging.anchor_plugged),
    )


def fixing_name(at: Ask) -> str:
    """What the fixing is called where the job is: a wood screw by its gauge or its millimeters."""
    size = WOOD_SCREWS.get(at(fixing_key))
    if size is None:
        return at(fixing).name
    return f"{size.gauge if at(by_inches) else f'{size.metric} mm'} wood screw"


def by_inches(at: Ask) -> bool:
    """Whether screws and bits are bought by the inch here."""
    return at.units.unit_mm == INCH_MM


def allowed_n(at: Ask) -> tuple[float, float]:
    """What it may carry, shear and pull-out [N]."""
    key = at(fixing_key)
    if key == OWN:
        return at.field(Hanging.anchor_shear_n), at.field(Hanging.anchor_pull_n)
    return at(allowed_of, key, at(on_backer))


def allowed_of(at: Ask, key: str, backer: bool) -> tuple[float, float]:
    """What a known fixing may carry, shear and pull-out [N], in a stud or in a backer."""
    shear, pull = (at.default(limit) for limit in ALLOWED[key])
    if not backer or FIXINGS[key].base is not Base.WOOD:
        return shear, pull
    return in_backer_n(
        (shear, pull),
        (at.default(WallDefaults.backer_shear_n), at.default(WallDefaults.backer_pull_n)),
        backer_mm=at.field(Hanging.backer_mm),
        tried_mm=BACKER_TRIED_MM,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Layer:
    """What a screw passes before it holds: its name and thickness [mm]."""

    name: str
    thick_mm: float


def layers(at: Ask) -> tuple[Layer, ...]:
    """Every layer from the screw's head to what holds: a plate or a board, then what covers the studs or the masonry.

    A backer lies on the drywall: its screws pass the plate alone. What an anchor holds in is no layer.
    """
    boards = {
        Way.CLEAT: ("cleat's wall piece", Hanging.cleat_board_mm),
        Way.PROUD_SCREWS: ("head and shank out of the wall", Hanging.proud_mm),
    }
    name, field = boards.get(at(way), ("bracket plate", Hanging.plate_mm))
    first = (
        Layer(name="ledger", thick_mm=at(ledger_mm))
        if at(way) is Way.LEDGER
        else Layer(name=name, thick_mm=at.field(field))
    )
    if at(fixing).base is Base.BOARD or at(on_backer):
        return (first,)
    return first, Layer(name="drywall or plaster", thick_mm=at.field(Hanging.cover_mm))


def longest_mm(at: Ask) -> float | None:
    """The longest screw that does not come out in a cavity [mm]; None where nothing is behind what holds."""
    if not at(on_backer):
        return None
    return longest_in_backer_mm(
        head_mm=sum(layer.thick_mm for layer in at(layers)),
        backer_mm=at.field(Hanging.backer_mm),
        cover_mm=at.field(Hanging.cover_mm),
    )


def least_mm(at: Ask) -> float:
    """The least length of a screw [mm]."""
    return screw_length_mm(at(fixing), through_mm=[layer.thick_mm for layer in at(layers)])


def screw_sold(at: Ask) -> str | None:
    """The screw by the name it is sold under, as #10 × 2 1/2″ or 5 × 70.

    Returns: empty where none that is sold fits, None where the fixing is no wood screw and its record gives no lengths.
    """
    size, own = WOOD_SCREWS.get(at(fixing_key)), at.given(Hanging.anchor_lengths)
    if at(fixing_key) == OWN and own:  # as its record says it is sold
        long = sold_length_mm(at(least_mm), at(longest_mm), lengths_in(own))
        return "" if long is None else f"{at(fixing_name)} × {at.text(long)}"
    if size is None:
        return None
    inches = at(by_inches)
    long = sold_length_mm(at(least_mm), at(longest_mm), sold_lengths_mm(inches=inches))
    if long is None:
        return ""
    return f"{size.gauge} × {at.text(long)}" if inches else f"{size.metric} × {long:g}"


def bought_fixing(at: Ask) -> str:
    """What is bought for the holes: a wood screw by its size, anything else by its name."""
    sold = at(screw_sold)
    if not sold:
        return at(fixing_name)
    return sold if at(fixing_key) == OWN else f"wood screws {sold}"


def top_places_mm(at: Ask) -> tuple[float, ...]:
    """Where the upper holes stand along the wall [mm], rising; none where nothing serves."""
    if at(every_stud):
        place = at(stud_piece)
        return () if place is None else place.studs_mm
    two = at(pair)
    return () if two is None else (two.left_mm, *at(further, two, at(hang_parts)), two.right_mm)


def fixings_top(at: Ask) -> int:
    """Fixings in the top row: each place has its own number."""
    return len(at(top_places_mm)) * at.field(Hanging.per_bracket)


def levers_mm(at: Ask) -> tuple[float, float]:
    """Out from the wall to the center of mass, and down from the top row to the lower bearing [mm]."""
    return at(levers_to_mm, at(row_offset_mm))


def levers_to_mm(at: Ask, offset: float | None) -> tuple[float, float]:
    """Both levers [mm] with a lower row so far from the frame's height, or none."""
    out = middle_out_mm(at(standoff_mm), at(frame_depth_mm))
    drop = at(part_drop_mm) if offset is None else 0.0
    return out, down_mm(at(screen).overall_height_mm, drop, offset)


def hole_loads(at: Ask) -> tuple[HoleLoad, ...]:
    """At each place of the top row; none while the mass is not known, or the rows would cross."""
    places = at.aside(top_places_mm)
    at(hang_parts)
    if at(on_studs) or at(facts) or at.aside(spacing_asked_mm) > ROOMY * at.aside(usable_mm):
        at(top_places_mm)  # by the rule alone they stand even about the center, whatever their spacing
    return at(loads_at, places, at(row_offset_mm), at(on_cleat), KINDS[at(way)].shared)


def loads_at(
    at: Ask, places: tuple[float, ...], offset: float | None, bevel: bool, shared: bool
) -> tuple[HoleLoad, ...]:
    """At such places [mm], with such a lower row, on a bevel or not, stiff enough to share or not."""
    mass, (out, down), each = at(mass_kg), at(levers_to_mm, offset), at(carrying)
    if mass is None or not places or down <= 0.0:
        return ()
    found = []
    for x, shear, pull in zip(places, *row_shares(places, at(centre_x_mm), shared=shared), strict=True):
        load = load_of(
            mass,
            factor=at.default(WallDefaults.load_factor),
            shear_share=shear / each,
            pull_share=pull / each,
            out_mm=out,
            down_mm=down,
            cleat=bevel,
        )
        found.append(HoleLoad(x_mm=x, shear_share=shear, pull_share=pull, load=load))
    return tuple(found)


def worst(at: Ask) -> HoleLoad | None:
    """The place whose fixings bear most of the weight, then most of the pull."""
    return max(at(hole_loads), key=lambda one: (abs(one.shear_share), abs(one.pull_share)), default=None)


def used_by_hole(at: Ask) -> tuple[float, ...]:
    """How much of each fixing is used at each place of the top row; more than 1 is too much."""
    allowed = at(allowed_n)
    return tuple(utilization(load.load, *allowed) for load in at(hole_loads))


def used(at: Ask) -> float | None:
    """How much of the fixing that is used most."""
    return max(at(used_by_hole), default=None)
