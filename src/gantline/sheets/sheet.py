"""A sheet is a value: what leaves the program for one job, by name."""

from collections import defaultdict
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any, Literal

from gantline.core.units import Units, pair_text
from gantline.drawing.marks import Face
from gantline.job.model import Job
from gantline.plan.finding import PlanFinding
from gantline.plan.leading import Question, leading
from gantline.plan.plan import MEASURE, JobPlan
from gantline.plan.station import FaceName
from gantline.stations import face
from gantline.stations.size import screen

Paper = Literal["a4", "letter"]
Records = Sequence[tuple[str, str, Mapping[str, Any]]]


@dataclass(frozen=True, kw_only=True)
class Ready:
    """A job planned, and what goes to a sheet's foot. Faces are drawn when a sheet asks for them. photo: a photo of
    this job by its id, None where it is gone."""

    made: JobPlan
    stamp: str
    paper: Paper = "a4"
    fabrics: Records = ()
    boards: Records = ()
    photo: Callable[[str], bytes | None] = lambda _: None

    @property
    def job(self) -> Job:
        """The job."""
        return self.made.ask.job

    @property
    def units(self) -> Units:
        """How it writes lengths."""
        return self.made.ask.own_units

    @cached_property
    def front(self) -> Face:
        """The wall."""
        return self.face("front")

    @cached_property
    def back(self) -> Face:
        """The frame from the back."""
        return self.face("back")

    def face(self, name: FaceName) -> Face:
        """One face of the board."""
        return face(self.made, name)

    @property
    def overall(self) -> str:
        """Outer size of the frame."""
        one = self.made.ask(screen)
        return pair_text(one.overall_width_mm, one.overall_height_mm, self.units)

    @property
    def stops(self) -> tuple[PlanFinding, ...]:
        """What stops the job."""
        return tuple(finding for finding in self.made.findings if finding.severity == "stop")

    def leading(self, *about: Question, measure: bool = False) -> tuple[PlanFinding, ...]:
        """The Stops and Checks that lead a sheet whose figures rest on these questions. measure: with the facts that
        are to be measured first."""
        found = leading(self.made.stations, self.made.ask, self.made.findings, about)
        return tuple(finding for finding in found if measure or finding.code != MEASURE)

    @property
    def forbids(self) -> tuple[str, ...]:
        """What stands over a drawing with holes: which not to drill, and every reason once."""
        stopped = self.made.refused[0]
        if not stopped:
            return ()
        named = ", ".join(stopped_hole.name for stopped_hole in stopped)
        return (f"DO NOT DRILL: {named}", *dict.fromkeys(why for one in stopped for why in one.why))

    @property
    def common(self) -> dict[str, Any]:
        """What every template is given."""
        job, job_plan = self.job, self.made
        return {
            "stamp": self.stamp,
            "job": job,
            "plan": job_plan.plan,
            "tables": defaultdict(lambda: None, job_plan.plan.tables),
            "figures": job_plan.figures,
            "text": job_plan.text,
            "stops": self.stops,
            "refused": {refused_hole.key: refused_hole.why for refused_hole in job_plan.refused[0]},
            "forbids": self.forbids,
            "overall": self.overall,
            "aspect": f"{job_plan.text('aspect')}, {job_plan.text('diagonal')} diagonal",
        }


@dataclass(frozen=True, slots=True, kw_only=True)
class Sheet:
    """One kind of sheet: its key, name and group in the menu, media type, end of its file name, how it is made.

    papers: whether it comes on more than one paper. about: the questions its figures rest on, whose Stops and assumptions lead
    it; there: whether it has anything to show for a job.
    """

    key: str
    label: str
    group: str
    note: str
    media_type: str
    ending: str
    make: Callable[[Ready], bytes]
    papers: bool = False
    about: tuple[Question, ...] = ()
    there: Callable[[JobPlan], bool] = lambda _: True

    def led_by(self, ready: Ready) -> Literal["stop", "assumed", ""]:
        """What it says first: that something stops it, or that it rests on what nobody has measured yet. One that is about the
        whole job is led by whatever stops that."""
        found = ready.leading(*self.about, measure=True) if self.about else ready.stops
        if any(finding.severity == "stop" for finding in found):
            return "stop"
        return "assumed" if any(finding.code == MEASURE for finding in found) else ""


PDF = "application/pdf"
FOR_THE_WALL, FOR_THE_ORDER, OPEN_FILES = "For the wall", "For the client and the order", "Open files"
FOR_THE_WORKSHOP = "For the workshop"
