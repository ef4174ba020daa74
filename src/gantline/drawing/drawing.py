"""All faces and the tape of one plan."""

from dataclasses import dataclass

from gantline.core.units import length_text
from gantline.drawing.back import back
from gantline.drawing.front import front
from gantline.drawing.marks import Face
from gantline.drawing.tape import TapeWindow, tape_windows
from gantline.job.document import Job
from gantline.plan.plan import Planned


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawing:
    """What is drawn of a plan: the faces and the tape windows of the marks."""

    front: Face
    back: Face
    tape: tuple[TapeWindow, ...]


def draw(job: Job, planned: Planned) -> Drawing:
    """Draw a plan in the job's own units. Pure."""
    units, scene = job.units.to_core(), planned.scene
    picture = scene.picture
    across = ((picture.right_mm - picture.left_mm) ** 2 + (picture.top_mm - picture.bottom_mm) ** 2) ** 0.5
    aspect = f"{job.size.aspect}, {length_text(across, units)} corner to corner"
    return Drawing(
        front=front(scene, units, planned.plan.size_text, aspect),
        back=back(scene, units),
        tape=tape_windows(scene, units),
    )
