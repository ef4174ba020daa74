"""What the crew's order costs."""

from collections.abc import Iterator

from gantline.job.field import field_of
from gantline.job.model.day import DayPlan
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Change, Cure, Finding, noted
from gantline.stations.day.solve import drill_after


class Code(Coded):
    """What can be found here."""

    DRILLED_LATE = "drilled-late", "drilled before measured"


@noted
def drilled_late(at: Ask) -> Iterator[Finding]:
    """Dust falls on the fabric where the wall is drilled after it was opened."""
    if at(drill_after):
        pointer = field_of(DayPlan.drill).pointer
        yield Finding(
            code=Code.DRILLED_LATE,
            severity="check",
            text="The wall is drilled after the fabric is opened: cover the screen, and let the dust settle for 20 minutes.",
            subject=pointer,
            cures=(
                Cure(
                    text="Drill before the fabric is opened",
                    changes=(Change(pointer=pointer, value="before"),),
                ),
            ),
        )


FINDINGS = (drilled_late,)
