"""What stands between the hung screen and done."""

from collections.abc import Iterator

from gantline.core.wall.ways import KINDS
from gantline.job.field import field_of
from gantline.job.model.align import Hung
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, cure, noted
from gantline.stations.common import way
from gantline.stations.hang.codes import Code
from gantline.stations.hang.picture_findings import by_picture
from gantline.stations.hang.solve import verdicts_now
from gantline.stations.hang.words import NAMES, move_words, off_words


@noted
def off(at: Ask) -> Iterator[Finding]:
    """The first thing to move; the rest is read again after it."""
    first = next((verdict for verdict in at(verdicts_now) if not verdict.within), None)
    if first is not None:
        text = f"{NAMES[first.check]}: {off_words(at, first)}. {move_words(at, first)}"
        subject = f"{field_of(Hung.readings).pointer}#{first.check}"
        yield Finding(code=Code.OFF, severity="check", text=text, subject=subject)


@noted
def safe(at: Ask) -> Iterator[Finding]:
    """A hung screen that was neither pulled nor locked."""
    if not at.things(Hung.readings):
        return
    if not at.field(Hung.pulled):
        text = "Pull at every bracket and latch before anyone stands under it."
        fix = (cure("Every one was pulled", (Hung.pulled, True)),)
        yield Finding(
            code=Code.PULL, severity="check", text=text, subject=field_of(Hung.pulled).pointer, cures=fix
        )
    if KINDS[at(way)].trim == "turnbuckle" and not at.field(Hung.locked):
        text = "Lock each turnbuckle: a free one unwinds."
        fix = (cure("They are locked", (Hung.locked, True)),)
        yield Finding(
            code=Code.LOCK, severity="check", text=text, subject=field_of(Hung.locked).pointer, cures=fix
        )


FINDINGS = (by_picture, off, safe)
