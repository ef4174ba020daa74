"""The fabric's steps: laid face down, held point by point in its order, looked along before anything hides the holds."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import A_BRACE, A_POINT, THREADED
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Step, of
from gantline.core.defaults import DayDefaults, FrameDefaults
from gantline.core.tension.holds import Hold, School
from gantline.core.tension.points import RAILS, Side
from gantline.core.tension.steps import CENTER_BAR, CORNERS, TensionStep
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common import timber
from gantline.stations.common.words import runs
from gantline.stations.frame import brace_count
from gantline.stations.tension.laying import laid_down, pull_read, slid_in
from gantline.stations.tension.looks import after_corners, looked_at
from gantline.stations.tension.membrane import awaited
from gantline.stations.tension.solve import (
    hold,
    hold_kind,
    sequence,
    tension_points,
    tension_steps,
    written_numbers,
)

KEY = "tension"
HOOKED = {True: "left", False: "top"}  # where the tape hooks, seen from the back
GOES_WRONG = {
    Hold.SPRING: "It slips, or will not reach: never pull the sheet over with a spring. Unhook, shift the sheet, hook.",
    Hold.LUG: "A lug will not seat: press its neighbors, then the rod, never the cloth.",
    Hold.SNAP: "Too hard to press: open four opposite ones and share what is left.",
    Hold.LACE: "Pulled too far: cut the tie and take a new one.",
    Hold.PIN: "A pin crosses: back it out, start by hand.",
    Hold.STAPLE: "A wave behind you: take out the last ones, pull, staple again.",
    Hold.TACK: "One tack pulls out: three beside each other. A corner slack: now, not at the end.",
}


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
    slid_in(at, chain)
    laid_down(at, chain)
    _points(at, chain)
    looked_at(at, chain)
    yield from chain


def _points(at: Ask, chain: Chain) -> None:
    keyed, tension, held = at(point_keys), at(tension_steps), 0
    expect = {number: f"{text}." for number, text in at(awaited).items()}
    two = at.field(Tensioning.people) == "two"
    driven, rest = at(hold_kind).boards, max(1, round(at.default(DayDefaults.rest_after)))
    last_corner = max((step.number for step in tension if step.part == CORNERS), default=0)
    middles = max((step.number for step in tension if step.part == "Middles"), default=0)
    for step in tension:
        numbers = (*step.points, *step.partners)
        if step.part == CENTER_BAR and at(timber):
            _braces_back(at, chain, step)
            continue
        if not numbers and step.part == "Trim":
            continue  # the border's own steps
        keys = [keyed[number] for number in numbers]
        act = "thread" if step.loose else "hold"
        chain.add(
            Phase.TENSION,
            f"{act}-{keys[0]}" if keys else step.part.lower().replace(" ", "-"),
            _words(at, step),
            why=" ".join(word for word in (step.reason, expect.get(step.number, "")) if word),
            lies="face down",
            face="back",
            people=2 if two and step.partners else 1,
            minutes=max(0.3, len(keys) * (THREADED if step.loose else A_POINT[at(hold)])) if keys else 3.0,
            numbers=tuple(_tapes(at, step)),
            tools=_tools(at),
            caution={Hold.SPRING: "springs", Hold.STAPLE: "staples", Hold.TACK: "tacks"}.get(
                at(hold), "fabric"
            ),
            waits=(Milestone.LAID,),
            gives=(Milestone.CORNERS,) if step.part == CORNERS else (),
            into=() if keys else ("back",),
            things=of(act, keys),
            marks=tuple(f"point-{number}" for number in numbers),
            check="" if step.loose or not keys else _check(at),
            trouble=GOES_WRONG[at(hold)] if keys else "It jams: ease a pair in the middle.",
        )
        if step.number == last_corner and at(sequence) is School.CORNERS_FIRST:
            after_corners(at, chain)
            pull_read(at, chain, "pull-corners", "with the corners held")
        if step.number == middles:
            pull_read(at, chain, "pull-middles", "with the middles held")
        before, held = held, held + len(keys)
        if driven and not step.loose and held // rest > before // rest:
            chain.add(
                Phase.TENSION,
                f"rest-{held // rest}",
                f"Rest the hand: {held} {at(hold_kind).name} are in",
                minutes=3.0,
                lies="face down",
                check="no wave behind the last ones",
            )


def _braces_back(at: Ask, chain: Chain, step: TensionStep) -> None:
    """Braces of boards that were taken out before the fabric."""
    count = at(brace_count)
    chain.add(
        Phase.TENSION,
        "center-bar",
        f"Screw the {'brace' if count == 1 else f'{count} braces'} back at the chalk, washers before both ends",
        why=step.reason,
        lies="face down",
        face="back",
        minutes=A_BRACE * count,
        tools=("driver",),
        caution="fabric",
        waits=(Milestone.LAID,),
        into=("back",),
        things=(("put back", "braces"),),
        check=f"holes meet; {at.text(at.default(FrameDefaults.brace_setback_mm))} clear of the fabric",
        trouble="Holes no longer meet: the frame has bowed. Push the rail back, then screw; never pull a brace in by its screw.",
    )


def _check(at: Ask) -> str:
    first, limit = at.given(Tensioning.hook_first), at.given(Tensioning.spring_limit_mm)
    said = ["sits, and its partner pulls as much"]
    if at(hold) is Hold.SNAP:
        said.append("each wrinkle walked to the corner before the next")
    if at(hold) is Hold.SPRING and first:
        said.insert(0, f"hooked in the {first} first")
    if at(hold) is Hold.SPRING and limit:
        said.append(f"no spring longer than {at.text(limit)}")
    return "; ".join(said)


def _tools(at: Ask) -> tuple[str, ...]:
    return {
        Hold.SPRING: ("hook tool", "goggles"),
        Hold.STAPLE: ("stapler", "goggles"),
        Hold.TACK: ("tack hammer", "goggles"),
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
                play_mm=at.default(DayDefaults.point_play_mm),
            )
