"""Whether a version says something that was built, drilled or read off what hangs: such versions are never thinned out."""

from gantline.job.field import field_of
from gantline.job.model import Job
from gantline.job.model.align import Aligned, Hung
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging

BUILT = tuple(
    field_of(one)
    for one in (
        Hanging.facts, Hanging.dry, FrameBuild.cut, FrameBuild.parts, Hung.picture, Hung.readings, Aligned.rounds,
        Aligned.cast_points,
    )
)  # fmt: skip


def built_in(before: Job, after: Job) -> bool:
    """Whether a change says something of what was built: a hole, a cut, a part in the box, a reading of what hangs."""
    return before.frame.square != after.frame.square or any(
        one.read(before) != one.read(after) for one in BUILT
    )
