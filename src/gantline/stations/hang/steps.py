"""On the wall: the path cleared, the frame lifted by two, caught, pulled at, read, slid to its center."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Reading, Step, of
from gantline.core.defaults import AlignDefaults, DayDefaults, WallDefaults
from gantline.core.wall.ways import KINDS, Way
from gantline.job.field import field_of
from gantline.job.model.align import Hung
from gantline.job.model.frame import FrameBuild
from gantline.job.model.light import FabricChoice
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, fabric_plane_mm, mount_kind, timber, way
from gantline.stations.frame import parts_into
from gantline.stations.hang.people import guided
from gantline.stations.hang.solve import limits
from gantline.stations.height import centre_x_mm
from gantline.stations.size import screen
from gantline.stations.survey import room
from gantline.stations.wall import bottom

KEY = "hang"
READINGS = f"{field_of(Hung.readings).pointer}/-"
LOCKED = (Way.BRACKETS, Way.RODS, Way.PROUD_SCREWS)


def steps(at: Ask) -> Iterator[Step]:
    """From the lift to a screen that is level, centered and caught; and how it comes off again."""
    chain, kind, hang = Chain(KEY), KINDS[at(way)], Phase.HANG
    label = at.given(FrameBuild.label_at) or "down"
    ready = (Milestone.DRILLED, Milestone.LOOKED, Milestone.TRIMMED)
    chain.add(
        hang,
        "path",
        "Clear the path, shut the doors, everybody out who does not lift",
        minutes=3.0,
        waits=ready,
        check="ladder and hands free",
    )
    chain.add(
        hang,
        "turn",
        f"Turn the screen right side up, its back to the wall; label {label}; read the bottom aloud"[
            :LONGEST_TEXT
        ],
        people=2,
        minutes=2.0,
        lies="standing",
        things=(("turn", "screen"),),
        caution="hanging",
        tools=("gloves",),
        check="bottom is at the bottom: rejecting fabric upside down stays dark",
        trouble="The wrong way up: turn it now, two people.",
    )
    _on_the_bottom(at, chain)
    chain.add(
        hang,
        "lift",
        "Lift it by the frame, one at each end; no hand on the face"
        + (", a third guides" if at(guided) else ""),
        people=2,
        minutes=3.0,
        lies="standing",
        things=(("lift", "screen"),),
        caution="lifting",
        tools=("gloves",),
        check="carried by the frame, not by the trim",
    )
    for number, act in enumerate(kind.goes_on, start=1):
        chain.add(
            hang,
            f"on-{number}",
            act,
            people=2,
            minutes=2.0,
            lies="standing",
            things=(("hang", f"act {number}"),),
            caution="hanging",
            why=kind.caution if number == 1 else "",
            check="both say when it sits",
            trouble="One side is off: lower it, no twist, begin again.",
        )
    chain.add(
        hang,
        "pull",
        "Pull at every bracket and latch; then let go, one hand at a time",
        people=2,
        minutes=2.0,
        lies="standing",
        things=(("pull", "screen"),),
        caution="hanging",
        gives=(Milestone.HUNG,),
        sets=field_of(Hung.pulled).pointer,
        check="nothing opens",
        trouble="It opens: the top rail is not home. Hold it, lift, seat it again.",
    )
    _read(at, chain)
    if at(way) in LOCKED:
        chain.add(
            hang,
            "lock",
            "Lock what locks: turnbuckles, latches, safety screws",
            minutes=3.0,
            things=(("lock", "screen"),),
            sets=field_of(Hung.locked).pointer,
            gives=(Milestone.CENTERED,),
            check="a quarter turn past hand-tight, no more",
        )
    _hidden(at, chain)
    chain.add(
        hang,
        "look",
        "Look at it with a lamp along the face, then from every seat; photograph front and back",
        minutes=8.0,
        tools=("lamp", "phone"),
        things=(("look", "hung"),),
        gives=(Milestone.CENTERED,),
        check="faint off the axis only",
        trouble="A wave that came with hanging: wait a day, then look again.",
    )
    if at(mount_kind) == CABINET:
        plane = at(fabric_plane_mm)
        chain.add(
            Phase.PICTURE,
            "body-out",
            "Move the body out by what the fabric stands before the wall",
            minutes=5.0,
            free=True,
            waits=(Milestone.HUNG,),
            things=(("move", "body"),),
            numbers=(
                Number(
                    key="fabric-plane",
                    label="fabric before the wall",
                    text=at.text(plane),
                    value_mm=plane,
                    play_mm=at.default(DayDefaults.standoff_play_mm),
                ),
            ),
            check="as far from the fabric as it was from the wall",
        )
    yield from chain


def _on_the_bottom(at: Ask, chain: Chain) -> None:
    """What of the kit keeps its bottom off the wall."""
    for part in () if at(timber) else at(parts_into, "bottom"):
        chain.add(
            Phase.HANG,
            f"bottom-{part.id}",
            f"Fix {part.count} {part.name} on the back, along the bottom{f', {part.facing}' if part.facing else ''}"[
                :LONGEST_TEXT
            ],
            face="back",
            lies="standing",
            minutes=3.0,
            parts=(part.name,),
            things=of("put under", [f"part {part.id}"]),
            check="at the label's side, as thick as the standoff above",
            trouble="None there: the bottom leans in.",
        )


def _hidden(at: Ask, chain: Chain) -> None:
    """What is done last, when nothing moves any more."""
    last: list[tuple[str, str, str]] = []
    if at(bottom) == "strips":
        last.append(
            (
                "strips",
                "Peel the hook-and-loop strips at the bottom and press them home",
                "the bottom stays where it was read",
            )
        )
    if at(way) is Way.RODS:
        last.append(
            (
                "rods",
                "Tuck the rods and their plates out of sight behind the frame",
                "nothing shows from any seat",
            )
        )
    if at.field(FabricChoice.film):
        last.append(
            (
                "film",
                "Peel the film off the face from one corner, slowly, back along itself",
                "no thread of it left, nothing touched",
            )
        )
    for key, text, check in last:
        chain.add(
            Phase.HANG,
            key,
            text,
            people=2 if key == "film" else 1,
            lies="standing",
            minutes=3.0,
            caution="fabric" if key == "film" else "",
            gives=(Milestone.CENTERED,),
            things=((key, "hung"),),
            check=check,
        )


def _read(at: Ask, chain: Chain) -> None:
    most, here = at(limits), at(room)
    half = at(screen).overall_width_mm / 2.0
    gaps = {"gap_left_mm": at(centre_x_mm) - half, "gap_right_mm": here.wall_mm - at(centre_x_mm) - half}
    center = at.default(WallDefaults.center_mm)
    plumb = at.default(AlignDefaults.hang_plumb_mm)
    chain.add(
        Phase.HANG,
        "read",
        "Read level, both side gaps and plumb; slide by half the gaps' difference",
        people=2,
        minutes=8.0,
        lies="standing",
        tools=("level", "tape", "plumb line"),
        item=READINGS,
        things=(("read", "hung"),),
        gives=(Milestone.CENTERED,),
        readings=(
            Reading(
                name="level_mm",
                label="right end higher by (− lower)",
                kind="signed",
                planned=0.0,
                told="level",
                tolerance=most.level_mm,
                allowed=at.allowed(most.level_mm),
                instrument="level",
            ),
            *(
                Reading(
                    name=name,
                    label=f"frame to {name.split('_')[1]} wall end",
                    planned=gap,
                    told=at.text(gap),
                    tolerance=center,
                    allowed=at.allowed(center),
                    instrument="tape",
                )
                for name, gap in gaps.items()
            ),
            *(
                Reading(
                    name=f"plumb_{side}_mm",
                    label=f"top leans in, {side} (− out)",
                    kind="signed",
                    planned=0.0,
                    told="plumb",
                    tolerance=plumb,
                    allowed=at.allowed(plumb),
                    instrument="plumb line",
                )
                for side in ("left", "right")
            ),
        ),
        check=f"level {at.within(most.level_mm)}, gaps {at.within(center)}",
        trouble="It leans: standoffs at the bottom, both alike.",
    )
