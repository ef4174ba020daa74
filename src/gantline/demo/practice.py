"""Five graded rooms of the sample world to practise aligning in, and the answer to each touch."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from gantline.core.align.corners import CORNERS, NAMES, outside_from
from gantline.core.align.moves import Hands, moves, on_feet
from gantline.core.align.practice import WHY, Touch, hidden, touched
from gantline.core.align.solve import Freedom
from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import to_wall
from gantline.demo.world import job_bytes, named_records
from gantline.job.file import read_job_file
from gantline.job.records import RecordKind
from gantline.plan.ask import Ask
from gantline.stations import plan
from gantline.stations.align.solve import Aim, aim, free, hands, within_mm
from gantline.stations.align.words import said
from gantline.stations.height import rect_of_frame


@dataclass(frozen=True, slots=True, kw_only=True)
class Grade:
    """A room: the sample job it is from, what was touched there, by how much."""

    name: str
    job: str
    kinds: tuple[str, ...]
    turn_deg: float
    share: float


TOPS = ("tl", "tr")
ROOMS: Mapping[str, Grade] = {
    "turned": Grade(name="1 · Mill loft, turned", job="mill-loft", kinds=("turn",), turn_deg=1.0, share=0.0),
    "tilted": Grade(
        name="2 · Mill loft, turned and tilted",
        job="mill-loft",
        kinds=("turn", "tilt"),
        turn_deg=1.2,
        share=0.0,
    ),
    "shifted": Grade(
        name="3 · Parish hall, turned and shifted",
        job="parish-hall",
        kinds=("turn", "shift_h", "shift_v"),
        turn_deg=0.8,
        share=0.02,
    ),
    "everything": Grade(
        name="4 · Parish hall, everything touched",
        job="parish-hall",
        kinds=("turn", "tilt", "roll", "ratio", "shift_h", "shift_v"),
        turn_deg=1.0,
        share=0.02,
    ),
    "cabinet": Grade(
        name="5 · Narrow lounge, on its cabinet",
        job="narrow-lounge",
        kinds=("turn", "tilt", "roll", "distance", "lens_x"),
        turn_deg=0.5,
        share=0.015,
    ),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Room:
    """What a room needs to answer."""

    ask: Ask
    aim: Aim
    free: Freedom
    hands: Hands
    within_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """How far one corner stands outside, sideways and up or down, as a tape would give it."""

    name: str
    across: str
    up: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Practice:
    """The picture now. picture, target: its corners and those wanted, shares of the frame from its upper left; outside: its eight
    readings [mm]; home: within tolerance; kinds: what may be touched; par: how many moves the solver makes from the
    start; next, why: its next move, and what shows that it is needed; readings, worst, within: as Align asks for them; steps:
    what one touch of each kind is."""

    name: str
    aspect: float
    picture: tuple[tuple[float, float], ...]
    target: tuple[tuple[float, float], ...]
    outside: tuple[float, ...]
    worst_mm: float
    within_mm: float
    home: bool
    kinds: tuple[str, ...]
    par: int
    next: str
    why: str
    readings: tuple[Reading, ...]
    worst: str
    within: str
    steps: dict[str, str]


@lru_cache(maxsize=8)
def room(job: str) -> Room:
    """A sample job's room, planned once."""
    ask = plan(read_job_file(job_bytes(job))).ask
    there, able = ask(aim), ask(free)
    if there is None or able is None:
        raise OutOfRange("this room has no projector", field="room")
    return Room(ask=ask, aim=there, free=able, hands=ask(hands), within_mm=ask(within_mm))


def practice(key: str, seed: int, touches: Sequence[Touch]) -> Practice:
    """The answer to all touches so far.  Raises: OutOfRange for a room that is none, or a body turned off the wall."""
    grade = ROOMS.get(key)
    if grade is None:
        raise OutOfRange(f"a room is one of {', '.join(ROOMS)}", field="room", got=key)
    here = room(grade.job)
    start = hidden(here.aim.straight, grade.kinds, turn_deg=grade.turn_deg, share=grade.share, seed=seed)
    pose = touched(start, touches, _world(grade.job, here.hands))
    corners = to_wall(pose, here.aim.uv)
    outside = outside_from(corners, here.aim.view)
    wanted = outside_from(here.aim.target, here.aim.view)
    worst = float(abs(outside - wanted).max())
    home = worst <= here.within_mm
    left, low, right, top = here.ask(rect_of_frame)

    def shown(points: object) -> tuple[tuple[float, float], ...]:
        return tuple((float((x - left) / (right - left)), float((top - y) / (top - low))) for x, y in points)  # type: ignore[attr-defined]

    rest = (
        ()
        if home
        else moves(pose, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=here.hands)
    )
    par = len(moves(start, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=here.hands))
    return Practice(
        name=grade.name,
        aspect=(right - left) / (top - low),
        picture=shown(corners),
        target=shown(here.aim.target),
        outside=tuple(round(float(one), 1) for one in outside),
        worst_mm=round(worst, 1),
        within_mm=here.within_mm,
        home=home,
        kinds=tuple(dict.fromkeys((*_turns(), *(name.removesuffix("_mm") for name in here.free.names[3:])))),
        par=par,
        next=said(here.ask, rest[0]) if rest else "",
        why=WHY[rest[0].kind] if rest else "",
        readings=tuple(
            Reading(
                name=NAMES[corner],
                across=f"{_signed(here.ask, outside[2 * number])} sideways",
                up=f"{_signed(here.ask, outside[2 * number + 1])} {'up' if corner in TOPS else 'down'}",
            )
            for number, corner in enumerate(CORNERS)
        ),
        worst=here.ask.fine(worst),
        within=here.ask.fine(here.within_mm),
        steps=_steps(here),
    )


def _world(job: str, hands: Hands) -> Hands:
    """What a push really does in this room: the rear of the body where its record has it, whatever the solver goes by."""
    name = read_job_file(job_bytes(job)).throw.name
    body = next((body for _, called, body in named_records(RecordKind.PROJECTOR) if called == name), None)
    if body is None:
        return hands
    return replace(hands, rear_mm=float(body["depth_mm"]) - float(body["lens_to_wall_face_mm"]))


def _signed(at: Ask, value_mm: float) -> str:
    return at.fine(float(value_mm)).replace("-", "−")


def _steps(here: Room) -> dict[str, str]:
    """What one touch of each kind is."""
    hands, text = here.hands, here.ask.fine
    turned = f"{hands.foot_step:g} turn of a foot"
    push = f"{text(hands.step_mm)} at the rear"
    return {
        "turn": push,
        "tilt": turned if on_feet("tilt", hands) else push,
        "roll": turned if on_feet("roll", hands) else text(hands.step_mm),
        "ratio": f"{100.0 * hands.zoom_step:g} % of the width",
        "shift_h": f"{100.0 * hands.shift_step:g} % of the image",
        "shift_v": f"{100.0 * hands.shift_step:g} % of the image",
        **{kind: text(hands.place_step_mm) for kind in ("distance", "lens_x", "lens_y")},
    }


def _turns() -> tuple[str, ...]:
    return ("turn", "tilt", "roll")
