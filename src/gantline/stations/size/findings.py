"""What stands against a size."""

from collections.abc import Iterator

from gantline.core.defaults import SizeDefaults
from gantline.core.size.picture import Lead, picture_from
from gantline.core.size.square import lean_mm, missing_mm
from gantline.job.field import field_of
from gantline.job.model.size import BorderFaces, Size, SizeLead
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Cure, Finding, cure, found, noted
from gantline.stations.size.solve import SMALLEST_MM, aspect, grid, picked, rounded, screen, start
from gantline.stations.size.starts import NO_SEAT, NO_THROW
from gantline.stations.size.ways import diagonal_cure
from gantline.stations.survey import wall_mm


class Code(Coded):
    """Every finding of this station."""

    START_IMPOSSIBLE = "start-impossible", "no such size"
    NO_MAIN_SEAT = NO_SEAT, "no main seat"
    NO_FIXED_THROW = NO_THROW, "throw not known"
    ROUNDING_TOO_FINE = "rounding-too-fine", "rounding too fine"
    NO_ROUNDED_SIZE = "no-rounded-size", "no rounded size"
    NO_EXACT_SIZE = "no-exact-size", "no exact size"
    PICK_ELSEWHERE = "pick-elsewhere", "rounded size is stale"
    WIDER_THAN_WALL = "wider-than-wall", "wider than the wall"
    OUT_OF_SQUARE = "out-of-square", "picture out of square"
    SIDES_DISAGREE = "sides-disagree", "sides do not agree"
    ASPECT_MEASURED = "aspect-measured", "aspect ratio differs"
    SEATS_OUTSIDE = "seats-outside-guidance", "seats outside guidance"
    HEAD_BESIDE = "head-beside", "heads beside the picture"


MISSING = {
    NO_SEAT: "A size from a viewing angle needs a seat. Add one under Seats, here or in the survey.",
    NO_THROW: "A size from a fixed throw needs the throw ratio and the lens's distance from the wall. "
    "Enter both at Throw.",
}


@found
def starting(at: Ask) -> Iterator[Finding]:
    """A start that gives no picture."""
    begun, lead = at(start), field_of(Size.lead).pointer
    if not begun.missing and not begun.refused:
        return
    last = at.near(begun.value_mm)
    by_diagonal = (diagonal_cure(f"Start from a diagonal of {at.text(last)}", last),)
    if begun.missing:
        text = MISSING[begun.missing]
        yield Finding(code=begun.missing, severity="stop", text=text, subject=lead, cures=by_diagonal)
    if begun.refused:
        text = f"No picture size from these entries: {begun.refused}."
        yield Finding(code=Code.START_IMPOSSIBLE, severity="stop", text=text, subject=lead, cures=by_diagonal)


@noted
def rounding(at: Ask) -> Iterator[Finding]:
    """Rounded sizes: too fine a step, none, none exact, or a choice that belongs to another size."""
    near, step, subject = at(rounded), float(at(grid)), field_of(Size.tidy_grid_mm).pointer
    if near is None:
        text = f"Rounding to {at.text(step)} is too fine here. Choose a coarser step."
        yield Finding(code=Code.ROUNDING_TOO_FINE, severity="check", text=text, subject=subject)
    elif not near:
        span, error = at.default(SizeDefaults.tidy_span_share), at.default(SizeDefaults.tidy_ratio_error)
        text = (
            f"No size in {at.text(step)} steps lies within {100 * span:g} % of this size and {100 * error:g} % of "
            "the aspect ratio. Choose a finer step."
        )
        yield Finding(code=Code.NO_ROUNDED_SIZE, severity="note", text=text, subject=subject)
    elif not near[0].exact:
        text = (
            f"No nearby size is exactly {at.field(Size.aspect)} with steps of {at.text(step)}. "
            "Each option shows its error."
        )
        yield Finding(code=Code.NO_EXACT_SIZE, severity="note", text=text, subject=subject)
    pick = at.given(Size.tidy)
    if pick is not None and at(picked) is None:
        text = (
            f"The rounded size you chose, {at.text(pick.width_mm)} × {at.text(pick.height_mm)}, no longer matches. "
            "Using the exact size for now."
        )
        subject = field_of(Size.tidy).pointer
        away = (cure("Clear it", (Size.tidy, None)),)
        yield Finding(code=Code.PICK_ELSEWHERE, severity="check", text=text, subject=subject, cures=away)


@found
def on_the_wall(at: Ask) -> Iterator[Finding]:
    """A frame wider than the wall."""
    own_screen, wall = at(screen), at(wall_mm)
    over_mm = own_screen.overall_width_mm - wall
    if over_mm <= 0.0:
        return
    free_mm = wall - 2.0 * at.field(BorderFaces.side_mm)
    cures: tuple[Cure, ...] = ()
    if free_mm > SMALLEST_MM:
        fits = picture_from(Lead.WIDTH, free_mm, at(aspect)).diagonal_mm
        fits = at.down(fits)
        cures = (diagonal_cure(f"Use the largest diagonal for this wall: {at.text(fits)}", fits),)
    text = (
        f"The frame is {at.text(own_screen.overall_width_mm)} wide, {at.text(over_mm)} wider than the wall."
    )
    subject = field_of(Size.value_mm).pointer
    yield Finding(
        code=Code.WIDER_THAN_WALL,
        severity="stop",
        text=text,
        subject=subject,
        numbers={"over_mm": over_mm},
        cures=cures,
    )


@noted
def on_the_wall_measured(at: Ask) -> Iterator[Finding]:
    """A picture whose measured sides and diagonals say that it leans, or that one of them was read wrong."""
    if at.field(Size.lead) != SizeLead.MEASURED:
        return
    width, high = at.field(Size.value_mm), at.given(Size.measured_height_mm)
    rising, falling = at.given(Size.measured_rising_mm), at.given(Size.measured_falling_mm)
    most = at.default(SizeDefaults.out_of_square_mm)
    if rising is not None and falling is not None:
        lean = lean_mm(width, rising, falling)
        if abs(lean) > most:
            text = (
                f"The picture on the wall is out of square: its top edge stands {at.text(abs(lean))} to the "
                f"{'right' if lean > 0 else 'left'} of its bottom edge. Level the projector before the size is taken."
            )
            subject, numbers = field_of(Size.measured_rising_mm).pointer, {"lean_mm": lean}
            yield Finding(
                code=Code.OUT_OF_SQUARE, severity="check", text=text, subject=subject, numbers=numbers
            )
    subject = field_of(Size.measured_height_mm).pointer
    if high is not None and rising is not None and falling is not None:
        off = missing_mm(width, high, rising, falling)
        if abs(off) > most:
            text = (
                f"Width, height and diagonals do not agree: the diagonals are {at.text(abs(off))} "
                f"{'longer' if off > 0 else 'shorter'} than the sides allow. Measure again."
            )
            numbers = {"off_mm": off}
            yield Finding(
                code=Code.SIDES_DISAGREE, severity="check", text=text, subject=subject, numbers=numbers
            )
    if high is not None:
        asked = width / float(at(aspect))
        if abs(high - asked) > most:
            text = (
                f"At {at.field(Size.aspect)} a picture {at.text(width)} wide is {at.text(asked)} high; {at.text(high)} was "
                "measured. Choose the aspect ratio that is shown."
            )
            yield Finding(code=Code.ASPECT_MEASURED, severity="check", text=text, subject=subject)


FINDINGS = (starting, rounding, on_the_wall, on_the_wall_measured)
