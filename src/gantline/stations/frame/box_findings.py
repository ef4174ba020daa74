"""What stands against the parts in the box and the material on its way."""

from collections.abc import Iterator

from gantline.core.materials import spoken_item, waits_for
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild, Materials
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, found, noted
from gantline.stations.frame.codes import Code
from gantline.stations.frame.tables import box_check


@found
def box(at: Ask) -> Iterator[Finding]:
    """Parts that are missing, named by what they stop; and a box nobody has counted."""
    check = at(box_check)
    if check is None:
        return
    base = field_of(FrameBuild.parts).pointer
    for row in check.rows:
        if row.short:
            text = f"{row.short} short of {row.name}: {row.stops} waits for them. Ask the maker before the fabric is opened."
            yield Finding(
                code=Code.BOX_SHORT,
                severity="stop",
                text=text,
                subject=f"{base}/{row.id}",
                by_hand="No tap ends this: count again when the parts are there.",
            )
    if check.counted < len(check.rows):
        left = len(check.rows) - check.counted
        text = (
            f"Count the parts before the fabric is opened: {left} of {len(check.rows)} lines are still open."
        )
        yield Finding(code=Code.BOX_OPEN, severity="note", text=text, subject=base)


@noted
def waiting(at: Ask) -> Iterator[Finding]:
    """What is ordered and not here yet, with the step that waits for it."""
    late: dict[str, list[str]] = {}
    for material in at.things(Materials.items):
        if material.arrived is False:
            late.setdefault(waits_for(material.id), []).append(spoken_item(material.id))
    for step, names in late.items():
        text = f"Ordered and not here yet: {', '.join(names)}. {step} waits."
        subject = f"{field_of(Materials.items).pointer}#{step}"
        yield Finding(code=Code.WAITING, severity="check", text=text, subject=subject)
