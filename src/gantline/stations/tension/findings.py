"""What stands against the points or their order."""

from collections.abc import Iterator
from enum import StrEnum

from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, found, noted
from gantline.stations.tension.solve import (
    along,
    even_points,
    hold_kind,
    sequence,
    spread_points,
    tension_points,
)


class Code(StrEnum):
    """Every finding of this station."""

    POINTS = "tension-points"
    OTHER_SEQUENCE = "other-sequence"
    OFF_PLATES = "staples-off-plates"


@found
def points(at: Ask) -> Iterator[Finding]:
    """A frame that cannot take its points."""
    why = at(along)
    if isinstance(why, str):
        text = "The fabric's points do not fit this frame: trim or inset leave no length for them. Make one of them smaller."
        subject = field_of(Tensioning.spacing_mm).pointer
        yield Finding(code=Code.POINTS, severity="stop", text=text, subject=subject)


@noted
def other_sequence(at: Ask) -> Iterator[Finding]:
    """An order that is not the attachment's own."""
    kind, chosen = at(hold_kind), at(sequence)
    if chosen is not kind.school and not isinstance(at(tension_points), str):
        named = field_of(Tensioning.school)
        text = f"{kind.name.capitalize()} usually go {named.choice(kind.school)}. This job goes {named.choice(chosen)}."
        yield Finding(code=Code.OTHER_SEQUENCE, severity="note", text=text, subject=named.pointer)


@noted
def off_plates(at: Ask) -> Iterator[Finding]:
    """Staples that were moved because a plate lies where they would go."""
    even, spread = at(even_points), at(spread_points)
    if even is spread or isinstance(even, str) or isinstance(spread, str):
        return
    left_out = len(even) - len(spread)
    stay = {(one.side, one.reading_mm) for one in even}
    moved = sum((point.side, point.reading_mm) not in stay for point in spread)
    text = (
        f"The board is too narrow for plates beside the fabric's return: {moved} staples are moved off the plates"
        f"{f' and {left_out} left out' if left_out else ''}. A wider board leaves room for both."
    )
    yield Finding(
        code=Code.OFF_PLATES, severity="note", text=text, subject=field_of(FrameBuild.board).pointer
    )


FINDINGS = (points, other_sequence, off_plates)
