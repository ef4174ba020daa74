"""What stands against the points or their order."""

from collections.abc import Iterator
from enum import StrEnum

from gantline.job.field import field_of
from gantline.job.model.hanging import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, found
from gantline.stations.tension.solve import hold_kind, sequence, tension_points


class Code(StrEnum):
    """Every finding of this station."""

    POINTS = "tension-points"
    OTHER_SEQUENCE = "other-sequence"


@found
def points(at: Ask) -> Iterator[Finding]:
    """A frame that cannot take its points."""
    made = at(tension_points)
    refused = made if isinstance(made, str) else ""
    if refused:
        text = f"The points do not fit the frame: {refused}."
        subject = field_of(Tensioning.spacing_mm).pointer
        yield Finding(code=Code.POINTS, severity="stop", text=text, subject=subject)


@found
def other_sequence(at: Ask) -> Iterator[Finding]:
    """An order that is not the attachment's own."""
    kind, chosen = at(hold_kind), at(sequence)
    if chosen is not kind.school and not isinstance(at(tension_points), str):
        named = field_of(Tensioning.school)
        text = f"{kind.name.capitalize()} usually go {named.choice(kind.school)}. This job goes {named.choice(chosen)}."
        yield Finding(code=Code.OTHER_SEQUENCE, severity="note", text=text, subject=named.pointer)


FINDINGS = (points, other_sequence)
