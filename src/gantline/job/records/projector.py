"""A projector as its leaflet gives it: panel, throw, shift, light, and the body that must stand somewhere."""

from typing import Annotated, Any, Literal

from pydantic import ConfigDict, Field, ValidationError, ValidationInfo, field_validator

from gantline.core.defaults import ThrowDefaults
from gantline.core.errors import OutOfRange
from gantline.core.throw.mount import STANDS_ON, usual_mount
from gantline.core.throw.shift import ReachShape
from gantline.core.throw.window import TableLine, fit_throw
from gantline.job.edits import Edit
from gantline.job.ends import STORED, Ends
from gantline.job.field import ClosedModel, field_of
from gantline.job.model import Job
from gantline.job.model.light import Lighting
from gantline.job.model.throw import BodyMeasures, ProjectorBody, ProjectorPlace
from gantline.job.problems import from_validation
from gantline.job.records.record import Record, copied
from gantline.job.types import (
    AspectText,
    Contrast,
    LengthMm,
    Line,
    Pixels,
    PositionMm,
    Positive,
    Ratio,
    Reach,
    Share,
)

EDGES_AGREE = 0.005  # share; quotes are rounded


class ThrowLine(ClosedModel):
    """One line of a maker's table [mm]: picture width, distance at the wide and at the long end."""

    width_mm: LengthMm
    wide_mm: LengthMm
    long_mm: LengthMm


class LightMode(ClosedModel):
    """A picture mode and the share of the rated light it leaves."""

    name: Line
    share: Share


class ProjectorRecord(BodyMeasures, Record):
    """One projector.

    Throw: the ratios, or a table of distances they are fitted to; distance_offset_mm is what the maker's
    measuring point (`distance_from`) lies farther from the fabric than the lens's pupil.
    Shift: as quoted, of the whole height and width or of half of them (`shift_of`); or none and a fixed offset, to the near
    edge (`offset`) or to the far one (`offset_far`, 1.16 for 116 %).
    Body: standing, seen facing the screen: lens from its left side, above its base, from the face that looks
    at the wall (a cabinet-top body's back, another's front). Plate: where the mount plate's center sits from the lens
    when hung, and how far the axis lies under the plate.
    """

    model_config = ConfigDict(extra="allow", frozen=True)

    sort: Line = ""
    throw_table: Annotated[list[ThrowLine], Field(max_length=20)] = []
    ratio_low: Ratio | None = None
    ratio_high: Ratio | None = Field(default=None, validate_default=True)
    distance_from: Literal["lens", "glass", "body-front", "body-back"] = "lens"
    distance_offset_mm: PositionMm = 0.0
    mount: Literal["joist", "blocking", "shelf", "cabinet"] | None = None
    panel_aspect: AspectText = "16:9"
    pixels_across: Pixels | None = None
    shift_up: Reach = 0.0
    shift_down: Reach = 0.0
    shift_side: Reach = 0.0
    shift_of: Literal["whole", "half"] | None = Field(default=None, validate_default=True)
    reach: ReachShape = ReachShape.RECTANGLE
    offset_far: Annotated[float, Ends(1.0, 3.0)] | None = None
    offset: Reach = Field(default=0.0, validate_default=True)
    rated_lm: Positive | None = None
    modes: Annotated[list[LightMode], Field(max_length=20)] = []
    contrast: Contrast | None = None
    zoom_long_share: Share | None = None
    age_share: Share | None = None
    noise_db: Annotated[float, Ends(0.0, 120.0)] | None = None
    price: Annotated[float, Ends(0.0, 10_000_000.0)] | None = None

    @field_validator("ratio_high")
    @classmethod
    def _range(cls, high: float | None, info: ValidationInfo) -> float | None:
        low = info.data.get("ratio_low")
        if low is None and high is not None:
            raise ValueError(
                "Give the throw ratio at the wide end too; of a lens without zoom that one alone."
            )
        if high is None:
            return low  # a lens without zoom
        if low is not None and high is not None and low > high:
            raise ValueError(
                f"The throw ratio at the wide end, {low:g}, must not exceed the one at the long end, {high:g}."
            )
        return high

    @field_validator("shift_of")
    @classmethod
    def _convention(cls, of: str | None, info: ValidationInfo) -> str | None:
        if of is None and _shifts(info.data):
            raise ValueError(
                "Say what the shift is a share of: “whole” or “half” the picture's height and width."
            )
        return of

    @field_validator("offset")
    @classmethod
    def _one_of_both(cls, offset: float, info: ValidationInfo) -> float:
        far = info.data.get("offset_far")
        if far is not None:  # quoted to the far edge, a whole height past the near one
            if offset and abs(far - 1.0 - offset) > EDGES_AGREE:
                raise ValueError(
                    f"The offset of the near edge, {offset:g}, and of the far edge, {far:g}, do not agree: leave one out."
                )
            offset = far - 1.0
        if offset > 0.0 and _shifts(info.data):
            raise ValueError("A lens has either a shift or a fixed offset: leave one of them out.")
        return offset

    @field_validator("throw_table")
    @classmethod
    def _table(cls, lines: list[ThrowLine]) -> list[ThrowLine]:
        if lines:
            try:
                _fit(lines)
            except OutOfRange as error:
                text = "A throw table needs two different picture widths, and distances that grow with them."
                raise ValueError(text) from error
        return lines


def _shifts(data: dict[str, Any]) -> bool:
    return any((data.get(name) or 0.0) > 0.0 for name in ("shift_up", "shift_down", "shift_side"))


def _fit(lines: list[ThrowLine]) -> tuple[float, float, float]:
    lens, offset_mm = fit_throw(
        [TableLine(width_mm=line.width_mm, wide_mm=line.wide_mm, long_mm=line.long_mm) for line in lines]
    )
    return lens.ratio_low, lens.ratio_high, offset_mm


def projector_edits(name: str, body: dict[str, Any], job: Job | None = None) -> list[Edit]:
    """The edits that put a projector into a job: shift as shares of the whole image, the lens's place left alone.

    The mount is the record's; without one it is left as it is in the job, but that a cabinet-top projector stands on a
    cabinet, where its own place follows from it, and no other does.  Raises: BadDocument for a record that cannot be.
    """
    try:
        record = ProjectorRecord.model_validate(body, context={STORED: True})
    except ValidationError as error:
        raise from_validation(error) from error
    low, high, offset_mm = record.ratio_low, record.ratio_high, record.distance_offset_mm
    if low is None and record.throw_table:
        low, high, offset_mm = _fit(record.throw_table)
    share = 0.5 if record.shift_of == "half" else 1.0
    shifts = {key: share * getattr(record, key) for key in ("shift_up", "shift_down", "shift_side")}
    own = record.model_dump(mode="json", include=set(ProjectorRecord.model_fields))
    throw = own | shifts | {"ratio_low": low, "ratio_high": high, "distance_offset_mm": offset_mm}
    throw["has_shift"] = any(value > 0.0 for value in shifts.values())
    light = {key: value for key, value in own.items() if value is not None}
    if record.modes:
        light["mode_share"] = record.modes[0].share
    ratio = ThrowDefaults.cabinet_ratio.value  # a record is read without a shop
    usual = usual_mount(hung=False, has_shift=throw["has_shift"], ratio_high=high, cabinet_ratio=ratio)
    stands = (record.mount or usual) == "cabinet"
    stood = job is not None and job.throw.mount == "cabinet"
    if record.mount is None:
        del throw["mount"]
        if stands or stood:
            throw["mount"] = "cabinet" if stands else None
    if stands:
        throw |= {"hung": False, "lens_from_wall_mm": None}
        if job is not None and any(box.kind in STANDS_ON for box in job.survey.boxes):
            throw |= {"lens_y_mm": None, "lens_x_mm": None}
    bodies = {key: own[key] for key in BodyMeasures.model_fields}
    return [
        *copied(ProjectorPlace, field_of(ProjectorPlace.name), name, throw),
        *copied(ProjectorBody, None, "", bodies),
        *copied(Lighting, None, "", light),
    ]
