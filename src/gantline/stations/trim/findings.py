"""What stands against border and backlight."""

from collections.abc import Iterator

from gantline.job.field import field_of
from gantline.job.model.frame import Backlight, FrameBuild, Trim
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Cure, Finding, cure, found, noted
from gantline.stations.common import standoff_mm
from gantline.stations.trim.solve import (
    TAPED,
    border_kind,
    faces_mm,
    rolls,
    spacers,
    strip,
    strongest_strip,
    tape_width_mm,
)


class Code(Coded):
    """Every finding of this station."""

    JOINED = "tape-joined", "tape is joined"
    NO_FACE = "border-without-face", "border without face"
    STRIP = "strip-refused", "light strip refused"
    NARROW = "tape-narrow", "tape too narrow"
    SPACERS = "spacers-refused", "spacers do not fit"
    SPACER = "spacer-standoff", "spacer and standoff"


@noted
def border(at: Ask) -> Iterator[Finding]:
    """Tape that must be joined, and a border on a frame that has none."""
    found_rolls = at(rolls)
    if found_rolls is not None and found_rolls.joined:
        named = " and ".join(found_rolls.joined)
        text = (
            f"A roll is shorter than the {named} piece. Join the tape in the outer quarter of the side, cut square through "
            "both ends at once, or buy longer rolls."
        )
        yield Finding(code=Code.JOINED, severity="check", text=text, subject=field_of(Trim.roll_mm).pointer)
    own, wanted = at.given(Trim.tape_wide_mm), at(tape_width_mm)
    if own is not None and at(border_kind) in TAPED and own < wanted - at.step_mm / 2.0:
        text = (
            f"The tape is {at.text(own)} wide, and border and wrap want {at.text(wanted)}. Buy wider tape, wrap less, or lay two "
            "strips with a lap of a finger's breadth."
        )
        yield Finding(
            code=Code.NARROW, severity="check", text=text, subject=field_of(Trim.tape_wide_mm).pointer
        )
    if at(border_kind) != "none" and max(at(faces_mm)) <= 0.0:
        text = "The border has no width. Enter its faces at Size, or choose no border."
        yield Finding(code=Code.NO_FACE, severity="check", text=text, subject=field_of(Trim.border).pointer)


def strip_ways(at: Ask) -> tuple[Cure, ...]:
    """The usual inset or cut pitch, or the strongest strip that one supply feeds."""
    most = at(strongest_strip)
    weaker = () if most is None else (cure(f"Use a strip of {most:g} W/m", (Backlight.watts_per_m, most)),)
    return (
        *weaker,
        cure("Take the usual inset", (Backlight.inset_mm, None)),
        cure("Take the usual cut pitch", (Backlight.pitch_mm, None)),
    )


@found
def light(at: Ask) -> Iterator[Finding]:
    """A strip that cannot be, and spacers that hold the frame farther off the wall than its standoff says."""
    light_run = at(strip)
    if isinstance(light_run, str):
        subject = field_of(Backlight.watts_per_m).pointer
        yield Finding(
            code=Code.STRIP,
            severity="stop",
            text=f"This backlight will not work: {light_run}.",
            subject=subject,
            ways=(strip_ways,),
        )
    strips = at(spacers)
    if isinstance(strips, str):
        text = f"No spacer strips fit behind this frame: {strips}."
        subject = field_of(Backlight.spacer_mm).pointer
        yield Finding(code=Code.SPACERS, severity="check", text=text, subject=f"{subject}#strips")
    spacer, standoff = at.field(Backlight.spacer_mm), at(standoff_mm)
    if light_run is not None and spacer > standoff:
        text = (
            f"The light's spacer strips hold the frame {at.text(spacer)} off the wall; the standoff says "
            f"{at.text(standoff)}. Brackets and throw rest on it."
        )
        off = at.up(spacer)
        fix = (cure(f"Set the standoff to {at.text(off)}", (FrameBuild.standoff_mm, off)),)
        subject = field_of(Backlight.spacer_mm).pointer
        yield Finding(code=Code.SPACER, severity="check", text=text, subject=subject, cures=fix)


FINDINGS = (border, light)
