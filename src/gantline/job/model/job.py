"""The whole document."""

from typing import Annotated, Final, Literal

from pydantic import Field as Limit

from gantline.core.units import LengthStyle, Units
from gantline.job.field import ClosedModel, Field, Part, bind, bind_items, item_lists
from gantline.job.model.align import Aligned, Hung
from gantline.job.model.day import DayPlan
from gantline.job.model.frame import FrameBuild, Materials, Trim
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.job.model.light import Lighting
from gantline.job.model.size import Content, Size
from gantline.job.model.survey import Survey
from gantline.job.model.tensioning import Tensioning
from gantline.job.model.throw import ProjectorPlace
from gantline.job.types import Line, Name, Notes

FORMAT: Final = "gantline-job"
VERSION: Final = 2
Known = Literal["measured", "decided", "assumed"]
PointerText = Annotated[str, Limit(min_length=2, max_length=200, pattern=r"^(/[^/\x00-\x1f]+)+$")]


class JobUnits(ClosedModel):
    """How this job writes lengths."""

    style: LengthStyle = LengthStyle.INCH_FRACTIONS
    denominator: Literal[8, 16, 32] = 16

    def to_core(self) -> Units:
        """This job's units as core counts with them."""
        return Units(self.style, self.denominator)


class Job(Part):
    """One screen in one room."""

    format: Literal["gantline-job"] = FORMAT
    format_version: Literal[2] = VERSION
    name: Annotated[Name, Field("job_name", "Name", "text")]
    place: Annotated[Line | None, Field("job_place", "Place", "text", "")] = None
    notes: Annotated[Notes | None, Field("job_notes", "Notes", "lines", "")] = None
    units: Annotated[JobUnits, Field("units", "Lengths in", "value")] = JobUnits()
    survey: Survey = Survey()
    size: Size = Size()
    content: Content = Content()
    light: Lighting = Lighting()
    height: HeightTarget = HeightTarget()
    throw: ProjectorPlace = ProjectorPlace()
    frame: FrameBuild = FrameBuild()
    wall: Hanging = Hanging()
    tension: Tensioning = Tensioning()
    trim: Trim = Trim()
    hang: Hung = Hung()
    align: Aligned = Aligned()
    day: DayPlan = DayPlan()
    materials: Materials = Materials()
    known: Annotated[
        dict[PointerText, Known], Limit(max_length=4000), Field("known", "How it is known", "value")
    ] = {}
    sources: Annotated[
        dict[PointerText, Line],
        Limit(max_length=1000),
        Field("sources", "Which sheet it comes from", "value"),
    ] = {}


FIELDS = bind(Job)
ITEMS = item_lists(Job)
bind_items(ITEMS)
