"""All faces and the tape of one plan."""

from dataclasses import dataclass

from gantline.core.units import length_text
from gantline.drawing.back import back
from gantline.drawing.front import front
from gantline.drawing.marks import Face
from gantline.drawing.side import side
from gantline.drawing.tape import TapeWindow, tape_windows
from gantline.drawing.top import top
from gantline.job.document import Job
from gantline.plan.plan import Planned


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawing:
    """What is drawn of a plan: the four faces and the tape windows of the marks."""

    front: Face
    side: Face
    top: Face
    back: Face
    tape: tuple[TapeWindow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class SomeFaces:
    """The faces that were asked for, None for the others, and the tape."""

    front: Face | None
    side: Face | None
    top: Face | None
    back: Face | None
    tape: tuple[TapeWindow, ...]


def draw_some(job: Job, planned: Planned, wanted: str) -> SomeFaces:
    """One face by its name, in the job's own units. Pure."""
    units, scene = job.units.to_core(), planned.scene
    aspect = aspect_text(job, planned)
    return SomeFaces(
        front=front(scene, units, planned.plan.size_text, aspect) if wanted == "front" else None,
        side=side(scene, units) if wanted == "side" else None,
        top=top(scene, units) if wanted == "top" else None,
        back=back(scene, units) if wanted == "back" else None,
        tape=tape_windows(scene, units),
    )


def draw(job: Job, planned: Planned) -> Drawing:
    """All faces of a plan in the job's own units. Pure."""
    units, scene = job.units.to_core(), planned.scene
    return Drawing(
        front=front(scene, units, planned.plan.size_text, aspect_text(job, planned)),
        side=side(scene, units),
        top=top(scene, units),
        back=back(scene, units),
        tape=tape_windows(scene, units),
    )


def aspect_text(job: Job, planned: Planned) -> str:
    """Aspect and corner-to-corner length, as written in the picture."""
    return f"{job.size.aspect}, {length_text(planned.sized.screen.picture.diagonal_mm, job.units.to_core())} corner to corner"
