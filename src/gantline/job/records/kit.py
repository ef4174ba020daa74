"""A kit sheet: a frame kit as its leaflet has it, to be written by a shop in an open file.

What the leaflet contradicts itself in is refused, with the place and a sentence: a kit is ordered and drilled by it.
"""

from collections.abc import Iterator
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator
from pydantic_core import PydanticCustomError

from gantline.core.materials import weighed_kg
from gantline.core.tension.holds import Hold, School
from gantline.core.tension.order import Bars
from gantline.core.tension.points import RAILS, Corner, Side
from gantline.core.wall.loads import MOST_A_BRACKET
from gantline.core.wall.marks import ScrewLay
from gantline.job.ends import Ends
from gantline.job.model.frame import PlaceName
from gantline.job.records.record import Record
from gantline.job.types import BarCount, DistanceMm, LengthMm, Line, Mass, Notes, PointCount, Positive, Share

MASS_ROUNDED = 1.02  # parts are weighed to the gram and kits to the half kilogram
Stops = Literal["frame", "tension", "trim", "hang"]


class KitPart(BaseModel):
    """A part that is counted in the box. stops: the step that waits without it; spare: how many of the count are spares;
    holds: it is one of the points that hold the fabric; mass_g: of one of them; into: where it goes before that closes;
    facing: which way round, in words; long_mm: how long each is, on: which sides it belongs to, as rods of two lengths."""

    model_config = ConfigDict(extra="allow", frozen=True)
    name: Annotated[Line, Field(min_length=1)]
    count: Annotated[int, Ends(1, 10_000)]
    spare: Annotated[int, Ends(0, 1000)] = 0
    stops: Stops = "frame"
    holds: bool = False
    mass_g: Annotated[Positive, Ends(0.01, 200_000.0)] | None = None
    into: PlaceName | None = None
    facing: Line | None = None
    long_mm: LengthMm | None = None
    on: Literal["rails", "stiles"] | None = None


class KitRecord(Record):
    """A frame kit: depth, border, hold, its own order, hanging, parts. Lengths [mm]; what is left out the plan knows."""

    depth_mm: LengthMm | None = None
    standoff_mm: DistanceMm | None = None
    border_mm: DistanceMm = 0.0
    centre_bars: BarCount = 0
    trim_mm: DistanceMm | None = None
    mass_kg: Mass | None = None
    # how the fabric is held
    hold: Hold = Hold.SPRING
    spacing_mm: LengthMm | None = None
    rail_count: PointCount | None = None
    stile_count: PointCount | None = None
    inset_mm: LengthMm | None = None
    overlap_mm: DistanceMm | None = None
    hook_first: Literal["frame", "cloth"] | None = None
    laid: Literal["frame", "sheet"] | None = None
    spring_limit_mm: LengthMm | None = None
    # its own order
    school: School | None = None
    short_sides_first: bool | None = None
    first_side: Side | None = None
    second_side: Side | None = None
    own_order: Notes | None = None
    in_step: bool | None = None
    batch: Annotated[int, Ends(1, 20)] | None = None
    corner_pass: Annotated[int, Ends(1, 2)] | None = None
    cluster: Annotated[int, Ends(1, 10)] | None = None
    from_end: bool | None = None
    bars: Bars | None = None
    rods_last: bool | None = None
    rail_part: Line | None = None
    stile_part: Line | None = None
    number_from: Corner | None = None
    clockwise: bool | None = None
    numbers: Literal["points", "pairs"] | None = None
    # how it hangs
    drop_mm: DistanceMm | None = None
    row_offset_mm: DistanceMm | None = None
    rule: Literal["share", "fixed", "about"] | None = None
    spacing_share: Annotated[Share, Ends(0.2, 0.95)] | None = None
    fixed_spacing_mm: LengthMm | None = None
    side_play_mm: DistanceMm | None = None
    lift_on_mm: DistanceMm | None = None
    proud_mm: DistanceMm | None = None
    per_bracket: Annotated[int, Ends(1, MOST_A_BRACKET)] | None = None
    screws_lie: ScrewLay | None = None
    screws_apart_mm: LengthMm | None = None
    hang_parts: Annotated[int, Ends(2, 12)] | None = None
    lower_parts: Annotated[int, Ends(2, 12)] | None = None
    cap_torque_nm: Positive | None = None
    joint_torque_nm: Positive | None = None
    outer_by: Literal["screws", "clips"] | None = None
    outer_rail_count: Annotated[int, Ends(1, 60)] | None = None
    outer_stile_count: Annotated[int, Ends(1, 60)] | None = None
    sag_hooks: Annotated[int, Ends(1, 12)] | None = None
    tools: Line | None = None
    label_at: Line | None = None
    comes_off: Line | None = None
    parts: Annotated[list[KitPart], Field(max_length=60)] = []

    @model_validator(mode="after")
    def _agrees(self) -> "KitRecord":
        for place, why in self.contradictions():
            raise PydanticCustomError(
                "contradiction", "{why}", {"why": why.removesuffix("."), "place": place}
            )
        return self

    def contradictions(self) -> Iterator[tuple[tuple[str | int, ...], str]]:
        """Where the sheet says two things, and both of them in words."""
        if self.spacing_mm is not None and (self.rail_count or self.stile_count):
            yield (
                ("spacing_mm",),
                "This sheet gives a spacing and counts of points. Keep the one the leaflet is sure of.",
            )
        if (self.rail_count is None) != (self.stile_count is None):
            missing = "stile_count" if self.stile_count is None else "rail_count"
            yield (
                (missing,),
                "Points are counted on one pair of sides only. Give rail_count and stile_count, or a spacing.",
            )
        if self.rule in ("fixed", "about") and self.fixed_spacing_mm is None:
            yield ("fixed_spacing_mm",), "The brackets stand at the kit's spacing, but no spacing is given."
        if self.rule == "share" and self.fixed_spacing_mm is not None:
            yield (
                ("rule",),
                "The brackets follow a share of the width, and a fixed spacing is given too. Keep one.",
            )
        if (self.first_side and self.second_side) and (self.first_side in RAILS) == (
            self.second_side in RAILS
        ):
            yield (
                ("second_side",),
                f"The {self.second_side} lies across from the {self.first_side}: the other pair begins with a side beside it.",
            )
        if self.trim_mm and self.border_mm and self.trim_mm > self.border_mm:
            yield ("trim_mm",), "The trim put on later is wider than the whole border."
        weighed = weighed_kg(
            (kit_part.count, kit_part.spare, kit_part.mass_g or 0.0) for kit_part in self.parts
        )
        if self.mass_kg is not None and weighed > MASS_ROUNDED * self.mass_kg:
            yield (
                ("mass_kg",),
                f"The parts weigh {weighed:.1f} kg together and the kit {self.mass_kg:g} kg. One of them is wrong.",
            )
        names = [kit_part.name for kit_part in self.parts]
        for key in ("rail_part", "stile_part"):
            part = getattr(self, key)
            if part and names and part not in names:
                yield (key,), f"“{part}” is not among the parts of this sheet."
        for at, kit_part in enumerate(self.parts):
            if kit_part.name in names[:at]:
                yield ("parts", at, "name"), f"“{kit_part.name}” is in the list twice: add the counts up."
            if kit_part.spare >= kit_part.count:
                yield (
                    ("parts", at, "spare"),
                    f"Of {kit_part.count} “{kit_part.name}” {kit_part.spare} are spares: none is left to use.",
                )
        yield from self._points()

    def _points(self) -> Iterator[tuple[tuple[str | int, ...], str]]:
        holding = [(at, one) for at, one in enumerate(self.parts) if one.holds]
        if self.rail_count is None or self.stile_count is None or not holding:
            return
        needed = 2 * (self.rail_count + self.stile_count)
        there = sum(one.count - one.spare for _, one in holding)
        if there < needed:
            at = holding[-1][0]
            text = f"The sheet has {needed} points and {there} parts to hold them. One of the numbers is from another leaflet."
            yield ("parts", at, "count"), text
