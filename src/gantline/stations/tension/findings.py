"""What stands against the points or their order."""

from collections.abc import Iterator

from gantline.core.defaults import TensionDefaults
from gantline.core.membrane.looked_at import NO_WAVES
from gantline.core.tension.points import RAILS, Side
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Cure, Finding, change, cure, found, noted
from gantline.stations.common.words import runs
from gantline.stations.tension.membrane import stale, taken
from gantline.stations.tension.solve import (
    along,
    even_points,
    hold_kind,
    own_order,
    sequence,
    spread_points,
    tension_points,
)


class Code(Coded):
    """Every finding of this station."""

    POINTS = "tension-points", "too few points"
    OTHER_SEQUENCE = "other-sequence", "another order"
    OFF_PLATES = "staples-off-plates", "staples miss the plates"
    SIMULATE_AGAIN = "simulate-again", "simulate it again"
    UNEVEN = "simulated-uneven", "tension uneven"
    OWN_ORDER = "own-order", "own order incomplete"
    OWN_PAIRS = "own-pairs", "opposites far apart"
    BEGINS_ACROSS = "begins-across", "sides cannot begin so"


@found
def points(at: Ask) -> Iterator[Finding]:
    """A frame that cannot take its points."""
    why = at(along)
    if isinstance(why, str):
        text = "The fabric's points do not fit this frame: trim or inset leave no length for them. Make one of them smaller."
        subject = field_of(Tensioning.spacing_mm).pointer
        less = (
            cure("Leave the trim out", (FrameBuild.trim_mm, 0.0)),
            cure("Take the usual distance from the corners", (Tensioning.inset_mm, None)),
            cure("Take the usual spacing", (Tensioning.spacing_mm, None)),
        )
        yield Finding(code=Code.POINTS, severity="stop", text=text, subject=subject, cures=less)


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


@found
def own_list(at: Ask) -> Iterator[Finding]:
    """An own order of points that cannot be followed, or leaves points out."""
    own, subject = at(own_order), field_of(Tensioning.own_order).pointer
    if own is None:
        return
    if own.troubles:
        text = f"The own order of points is not followed: {'; '.join(own.troubles)}. Correct the list."
        yield Finding(code=Code.OWN_ORDER, severity="check", text=text, subject=subject)
    elif own.left_out:
        named = runs(own.left_out)
        many = len(own.left_out)
        text = (
            f"The own order leaves out {many} points, {named}: they come at its end. Put them where they belong."
            if many > 1
            else f"The own order leaves out point {named}: it comes at the end. Put it where it belongs."
        )
        yield Finding(code=Code.OWN_ORDER, severity="check", text=text, subject=subject)


@noted
def own_pairs(at: Ask) -> Iterator[Finding]:
    """An own order whose opposite points are far apart in time."""
    own = at(own_order)
    if own is None or own.troubles or own.apart <= at.default(TensionDefaults.partner_within):
        return
    text = (
        f"In the own order the partner of point {own.farthest} straight across comes {own.apart} steps after it: the sheet can "
        "drift meanwhile. Read the margins in between."
    )
    yield Finding(
        code=Code.OWN_PAIRS, severity="note", text=text, subject=field_of(Tensioning.own_order).pointer
    )


@found
def begins_across(at: Ask) -> Iterator[Finding]:
    """The side that is to begin the other pair lies across from the first one."""
    first, second = at.given(Tensioning.first_side), at.given(Tensioning.second_side)
    if first is None or second is None or (Side(first) in RAILS) != (Side(second) in RAILS):
        return
    text = f"The other pair of sides cannot begin with the {second}: that lies across from the {first}, which goes first."
    turned = (Side.LEFT, Side.RIGHT) if Side(first) in RAILS else (Side.TOP, Side.BOTTOM)
    yield Finding(
        code=Code.BEGINS_ACROSS,
        severity="check",
        text=text,
        subject=field_of(Tensioning.second_side).pointer,
        cures=tuple(
            Cure(text=f"begin with the {side}", changes=(change(Tensioning.second_side, side.value),))
            for side in turned
        ),
    )


@found
def simulate_again(at: Ask) -> Iterator[Finding]:
    """A simulated order that was taken and is no longer what is planned."""
    if at(stale):
        text = "The order was simulated for other points, another cloth or another frame than are planned now. Simulate it again."
        yield Finding(
            code=Code.SIMULATE_AGAIN,
            severity="check",
            text=text,
            subject=field_of(Tensioning.simulated).pointer,
            cures=(Cure(text="leave the simulation out", changes=(change(Tensioning.simulated, []),)),),
        )


@noted
def uneven(at: Ask) -> Iterator[Finding]:
    """A simulated order that leaves waves in the picture or ruins springs."""
    run = at(taken)
    if run is None or at(stale):
        return
    said = list[str]()
    if run.wrinkled > NO_WAVES:
        said.append(f"{100.0 * run.wrinkled:.1f} % of the picture wrinkles")
    if run.past_limit:
        said.append(f"{run.past_limit} springs are pulled past their limit")
    if said:
        text = f"In the simulated order {' and '.join(said)}. Compare another order on the bench."
        yield Finding(
            code=Code.UNEVEN, severity="note", text=text, subject=field_of(Tensioning.simulated).pointer
        )


FINDINGS = (points, own_list, begins_across, simulate_again, uneven, other_sequence, own_pairs, off_plates)
