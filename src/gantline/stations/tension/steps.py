"""The fabric's steps: laid face down, held point by point in its order, looked along before anything hides the holds."""

from collections.abc import Iterator
from typing import Any

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import A_POINT, READING, REST_IDLE, THREADED, WEEK_IDLE
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Reading, Step, of
from gantline.core.defaults import AlignDefaults, FrameDefaults
from gantline.core.tension.holds import Hold, School
from gantline.core.tension.points import RAILS, Side
from gantline.core.tension.steps import TensionStep
from gantline.job.model.day import DayPlan
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common import timber
from gantline.stations.common.words import runs
from gantline.stations.frame import overlap_mm
from gantline.stations.tension.solve import (
    hold,
    sequence,
    spread_points,
    tension_points,
    tension_steps,
    written_numbers,
)

KEY = "tension"
HOOKED = {True: "left", False: "top"}  # where the tape hooks, seen from the back
REST = 60  # staples, then the hands rest
RODS = (Hold.LUG, Hold.SPRING, Hold.PIN)
SLID = {Hold.LUG: "lugs", Hold.PIN: "nuts", Hold.SPRING: "hooks"}
CORNER_PARTS = ("Corners",)
GOES_WRONG = {
    Hold.SPRING: "It slips, or will not reach: never pull the sheet over with a spring. Unhook, shift the sheet, hook.",
    Hold.LUG: "A lug will not seat: press its neighbors, then the rod, never the cloth.",
    Hold.SNAP: "Too hard to press: open four opposite ones and share what is left.",
    Hold.LACE: "Pulled too far: cut the tie and take a new one.",
    Hold.PIN: "A pin crosses: back it out, start by hand.",
    Hold.STAPLE: "A wave behind you: take out the last ones, pull, staple again.",
}


MARGINS = tuple(
    Reading(name=f"margin_{side}", label=f"sheet past frame, {side}", instrument="tape") for side in Side
)


def even_margins(at: Ask) -> tuple[tuple[str, str, float], ...]:
    """Which margins agree, and how nearly [mm]."""
    even = at.default(AlignDefaults.border_even_mm)
    return ("margin_left", "margin_right", even), ("margin_top", "margin_bottom", even)


def point_keys(at: Ask) -> dict[int, str]:
    """Each point by its side and its place from the corner where that side's tape hooks, whatever number it has."""
    points = at(tension_points)
    if isinstance(points, str):
        return {}
    out: dict[int, str] = {}
    for side in Side:
        along = sorted((point for point in points if point.side is side), key=lambda point: point.reading_mm)
        out |= {point.number: f"{side}-{place}" for place, point in enumerate(along, start=1)}
    return out


def steps(at: Ask) -> Iterator[Step]:
    """From the shut tube to a sheet that hangs flat in side light."""
    chain = Chain(KEY)
    _slid_in(at, chain)
    _down(at, chain)
    _points(at, chain)
    _looks(at, chain)
    yield from chain


def _slid_in(at: Ask, chain: Chain) -> None:
    """What has one way in goes in before the corners close."""
    points = at(spread_points)
    if at(timber) or at(hold) not in SLID or isinstance(points, str):
        return
    for side in Side:
        count = sum(1 for point in points if point.side is side)
        piece = "rail" if side in RAILS else "stile"
        chain.add(
            Phase.FRAME,
            f"slide-{side}",
            f"Slide {count} {SLID[at(hold)]} into the {side} {piece}, all facing inward; count twice",
            free=True,
            face="back",
            lies="face down",
            minutes=2.0,
            waits=(Milestone.COUNTED,),
            gives=(Milestone.TRACKS,),
            into=("track",),
            things=of("slide in", [f"{SLID[at(hold)]} {side}"]),
            check=f"{count} on this side, the right way round",
            trouble="The corner shuts the track: one left out means that corner opened again.",
        )


def _down(at: Ask, chain: Chain) -> None:
    holes_first = at.field(DayPlan.drill) != "after"
    ready = (Milestone.READY, *((Milestone.DRILLED, Milestone.DRY) if holes_first else ()))
    fabric = Phase.FABRIC
    chain.add(
        fabric,
        "clean",
        "Vacuum again, doors shut, fans off; hands washed, rings off, gloves on from here",
        people=2,
        minutes=5.0,
        tools=("vacuum", "gloves"),
        waits=ready,
        check="a clean cloth stays clean on the sheet",
    )
    chain.add(
        fabric,
        "tube",
        "Take clamps and end clips off the tube; slide the roll out whole",
        people=2,
        minutes=4.0,
        check="no clip left",
        trouble="Pulled by its edge it creases: stop, push back.",
    )
    chain.add(
        fabric,
        "unroll",
        "Unroll it face down: one holds the roll, one walks the free end",
        lies="face down",
        people=2,
        minutes=8.0,
        caution="fabric",
        why="face down, so that the holds are in reach and nothing presses on the face",
        check="the label can be read; the dull side is up",
        trouble="Face up: roll it back and turn the roll, not the sheet.",
    )
    chain.add(
        fabric,
        "prove",
        "Prove the back by two signs: label, dull or dark side; tape TOP on its edge",
        lies="face down",
        minutes=2.0,
        tools=("tape",),
        check="both signs agree",
        trouble="Only one sign: look at a corner's front.",
    )
    chain.add(
        fabric,
        "face",
        "Look over the whole face in side light, edges and holes too; photograph what you see",
        minutes=5.0,
        tools=("lamp", "phone"),
        idle=REST_IDLE if at(timber) else 0.0,
        caution="fabric",
        check="no scratch, no stain, no sharp crease",
        trouble="A sharp crease in film: stop and claim it. Folded cloth: let it lie flat two hours.",
    )
    if at(timber):
        chain.add(
            fabric,
            "cut",
            f"Cut the fabric to its blank: {at.text(at(overlap_mm))} past the frame on every side",
            minutes=10.0,
            numbers=(
                Number(
                    key="overlap",
                    label="past the frame, each side",
                    text=at.text(at(overlap_mm)),
                    value_mm=at(overlap_mm),
                    play_mm=10.0,
                ),
            ),
            tools=("shears", "rule"),
            caution="trimming",
            things=(("cut", "fabric"),),
            lies="face down",
            check="weave along the edge",
            trouble="Short on one side: shift the frame before the first hold.",
        )
    chain.add(
        fabric,
        "frame",
        "Lower the frame on the sheet, bottom to bottom; never drag it",
        lies="face down",
        people=2,
        minutes=4.0,
        things=(("lay", "frame"),),
        check="bottom of frame on bottom of sheet",
        trouble="Askew: lift it and lay it again.",
    )
    chain.add(
        fabric,
        "margins",
        "Read the four margins, sheet past frame; lift and lay again until pairs agree",
        lies="face down",
        face="back",
        people=2,
        minutes=4.0 * READING,
        tools=("tape",),
        readings=MARGINS,
        gives=(Milestone.LAID,),
        alike=at(even_margins),
        things=(("read", "margins"),),
        check=f"left with right, top with bottom: within {at.allowed(at.default(AlignDefaults.border_even_mm))}",
        why="once a point is held the sheet does not move any more",
    )
    if at(hold) in RODS and not at(timber):
        chain.add(
            fabric,
            "rods",
            "Push the long rods into the side hems, the short ones into the long hems",
            lies="face down",
            minutes=6.0,
            things=of("push in", ("rods",)),
            gives=(Milestone.LAID,),
            closes=("hem",),
            check="ends inside the hem, overlap at its middle",
            trouble="It snags: twist it, blunt end first. Caps meet inside: out, and turn it.",
        )


def _points(at: Ask, chain: Chain) -> None:
    keyed, tension, held = at(point_keys), at(tension_steps), 0
    two = at.field(Tensioning.people) == "two"
    staple = at(hold) is Hold.STAPLE
    last_corner = max((step.number for step in tension if step.part in CORNER_PARTS), default=0)
    for step in tension:
        numbers = (*step.points, *step.partners)
        if not numbers and step.part == "Trim":
            continue  # the border's own steps
        keys = [keyed[number] for number in numbers]
        act = "thread" if step.loose else "hold"
        chain.add(
            Phase.TENSION,
            f"{act}-{keys[0]}" if keys else step.part.lower().replace(" ", "-"),
            _words(at, step),
            why=step.reason,
            lies="face down",
            face="back",
            people=2 if two and step.partners else 1,
            minutes=max(0.3, len(keys) * (THREADED if step.loose else A_POINT[at(hold)])) if keys else 3.0,
            numbers=tuple(_tapes(at, step)),
            tools=_tools(at),
            caution={Hold.SPRING: "springs", Hold.STAPLE: "staples"}.get(at(hold), "fabric"),
            waits=(Milestone.LAID,),
            gives=(Milestone.CORNERS,) if step.part in CORNER_PARTS else (),
            into=() if keys else ("back",),
            things=of(act, keys),
            marks=tuple(f"point-{number}" for number in numbers),
            check="" if step.loose or not keys else "sits, and its partner pulls as much",
            trouble=GOES_WRONG[at(hold)] if keys else "It jams: ease a pair in the middle.",
        )
        if step.number == last_corner and at(sequence) is School.CORNERS_FIRST:
            _after_corners(at, chain)
        before, held = held, held + len(keys)
        if staple and not step.loose and held // REST > before // REST:
            chain.add(
                Phase.TENSION,
                f"rest-{held // REST}",
                f"Rest the hand: {held} staples are in",
                minutes=3.0,
                lies="face down",
                check="no wave behind the last ones",
            )


def _tools(at: Ask) -> tuple[str, ...]:
    return {
        Hold.SPRING: ("hook tool", "goggles"),
        Hold.STAPLE: ("stapler", "goggles"),
        Hold.PIN: ("driver",),
        Hold.LACE: ("pliers",),
    }.get(at(hold), ())


def _words(at: Ask, step: TensionStep) -> str:
    verb = f"{step.action[0].upper()}{step.action[1:]}"
    if not step.points:
        return f"{verb}, {step.place}"[:LONGEST_TEXT]
    written = at(written_numbers)
    own, across = (runs([written[number] for number in numbers]) for numbers in (step.points, step.partners))
    where = f"at the {step.place}" if step.place not in set(Side) else f"on the {step.place}"
    whole = f"{verb}: {own} {where}"
    if step.partners:
        whole += f", {across if across != own else 'its partner'} straight across"
    return (
        whole
        if len(whole) <= LONGEST_TEXT
        else f"{verb}: {len(step.points)} points {where}, and those across"
    )


def _tapes(at: Ask, step: TensionStep) -> Iterator[Number]:
    written = at(written_numbers)
    for tape in step.tapes:
        pairs = list(zip(tape.points, tape.readings_mm, strict=True))
        for number, reading in (pairs[0], pairs[-1]) if len(pairs) > 2 else pairs:
            yield Number(
                key=f"{tape.edge} {number}",
                label=f"{tape.edge} from its {HOOKED[tape.side in RAILS]} corner, at {written[number]}",
                text=at.text(reading),
                value_mm=reading,
                play_mm=10.0,
            )


def _margins_again(at: Ask, chain: Chain, name: str, text: str, **more: Any) -> None:
    even = at.default(AlignDefaults.border_even_mm)
    diagonals = tuple(
        Reading(name=f"diagonal_{way}", label=f"diagonal, {label}", instrument="tape")
        for way, label in (("rising", "lower left to upper right"), ("falling", "upper left to lower right"))
    )
    chain.add(
        Phase.TENSION,
        name,
        text,
        lies="face down",
        face="back",
        minutes=5.0 * READING,
        tools=("tape",),
        readings=(*MARGINS, *diagonals),
        things=(("read", name),),
        alike=(
            *at(even_margins),
            ("diagonal_rising", "diagonal_falling", at.default(FrameDefaults.diagonal_spread_mm)),
        ),
        check=f"margins within {at.allowed(even)}, diagonals within {at.allowed(at.default(FrameDefaults.diagonal_spread_mm))}",
        **more,
    )


def _after_corners(at: Ask, chain: Chain) -> None:
    _margins_again(
        at,
        chain,
        "after-corners",
        "Read margins and both diagonals again: the corners are the last that move the sheet",
        trouble="The frame was dragged: open the first corner, lay it again.",
    )


def _looks(at: Ask, chain: Chain) -> None:
    inspect = Phase.INSPECT
    held = (Milestone.LAID,)
    _margins_again(
        at,
        chain,
        "after-last",
        "Read both diagonals and the margins after the last side",
        gives=(Milestone.HELD,),
        trouble="Racked by the pull: ease both corners of the shorter diagonal, pull them anew.",
    )
    chain.add(
        inspect,
        "round",
        "Go round once more: every point sits and pulls like its partner",
        lies="face down",
        face="back",
        minutes=4.0,
        waits=(*held, Milestone.HELD),
        check="none loose",
        trouble="One loose: it and its opposite.",
    )
    chain.add(
        inspect,
        "look",
        "Stand it up; look along the face with a lamp, both ends, corners first",
        lies="standing",
        people=2,
        minutes=8.0,
        tools=("lamp", "tape"),
        caution="fabric",
        gives=(Milestone.LOOKED,),
        things=(("look", "first"),),
        readings=(Reading(name="seen", label="what is seen", kind="word", words=SEEN),),
        check="no wave head-on; corners flat",
        trouble="A ray from a corner: ease its neighbors. A wave: the point behind it and its opposite. Then look again.",
    )
    chain.add(
        inspect,
        "back",
        "Photograph the back; mark TOP on the frame",
        minutes=1.0,
        lies="standing",
        face="back",
        tools=("phone",),
        closes=("back",),
        check="mark and label agree",
    )
    if at(hold) is Hold.STAPLE:
        chain.add(
            inspect,
            "trim",
            "Trim the cloth behind the staples, blade away from the face",
            lies="face down",
            face="back",
            minutes=10.0,
            tools=("knife",),
            caution="trimming",
            check=f"{at.text(20.0)} left past the staples",
            things=(("trim", "cloth"),),
            waits=(Milestone.LOOKED,),
            trouble="Trimmed before the look, nothing can be pulled again.",
        )
    later = Phase.LATER
    chain.add(
        later,
        "day",
        "Look again after 24 hours: waves, corners, every hold",
        lies="standing",
        minutes=15.0,
        tools=("lamp",),
        things=(("look", "after a day"),),
        waits=(Milestone.HUNG, Milestone.HELD),
        readings=(Reading(name="seen", label="what is seen", kind="word", words=SEEN),),
    )
    chain.add(
        later,
        "weeks",
        "Look again after one or two weeks: catches, level, holds, corners of the picture",
        minutes=20.0,
        tools=("lamp", "level"),
        things=(("look", "after weeks"),),
        idle=WEEK_IDLE,
        check="a loose spring without a wave stays as it is",
    )


SEEN = ("flat", "wave", "ray from a corner", "sag", "slack corner", "crease", "line of something behind")
