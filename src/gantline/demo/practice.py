"""Graded rooms of the sample world to practise aligning in, and the answer to each touch."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import ArrayLike

from gantline.core.align.corners import CORNERS, NAMES, outside_from
from gantline.core.align.moves import Hands, moves, on_feet, pushed, worst_mm
from gantline.core.align.practice import WHY, Touch, hidden, touched
from gantline.core.align.solve import Freedom
from gantline.core.errors import OutOfRange
from gantline.core.sight.view import Pinhole, project
from gantline.core.throw.pinhole import Array, Pose, to_wall
from gantline.demo.world import job_bytes, named_records
from gantline.job.file import read_job_file
from gantline.job.records import RecordKind
from gantline.plan.ask import Ask
from gantline.stations import plan
from gantline.stations.align.solve import Aim, aim, free, hands, within_mm
from gantline.stations.align.words import said
from gantline.stations.height import rect_of_frame

Told = Literal["scene", "numbers", "photo"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Grade:
    """A room: the sample job it is from, what was touched there, by how much; told: by what the picture is known (seen on the
    frame, by its eight readings only, or in a photo); bolted: its mount turns about a bolt at the middle of the body."""

    name: str
    job: str
    kinds: tuple[str, ...]
    turn_deg: float
    share: float
    told: Told = "scene"
    bolted: bool = False


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
    "bolted": Grade(
        name="6 · Mill loft, a mount that turns about its bolt",
        job="mill-loft",
        kinds=("turn", "tilt"),
        turn_deg=1.5,
        share=0.0,
        bolted=True,
    ),
    "numbers": Grade(
        name="7 · Parish hall, told by numbers only",
        job="parish-hall",
        kinds=("turn", "tilt", "shift_h"),
        turn_deg=0.8,
        share=0.015,
        told="numbers",
    ),
    "photo": Grade(
        name="8 · Mill loft, told by a photo",
        job="mill-loft",
        kinds=("turn", "roll", "shift_v"),
        turn_deg=1.0,
        share=0.01,
        told="photo",
    ),
}
EYE = (0.35, -0.12, 1.5)  # where the photo is taken from: shares of the frame's width, from its middle
ROOM_ABOUT = 0.06  # of the frame's width, about it in the photo
ROUNDS = 3  # a mount that turns about its bolt is not where the solver thinks it is: it reads again


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
class PhotoShown:
    """The screen as a photo from one side has it, as shares of the photo's width from its upper left: the frame's outer and inner
    corners, the picture's, and how wide the border is, to read a corner by."""

    high: float
    outer: tuple[tuple[float, float], ...]
    inner: tuple[tuple[float, float], ...]
    picture: tuple[tuple[float, float], ...]
    border: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Practice:
    """The picture now. picture, target: its corners and those wanted, shares of the frame from its upper left; outside: its eight
    readings [mm]; home: within tolerance; kinds: what may be touched; par: how many moves the solver makes from the
    start; next, why: its next move, and what shows that it is needed; readings, worst, within: as Align asks for them; steps:
    what one touch of each kind is; told: by what the picture is known, photo: where it is by a photo."""

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
    told: Told
    photo: PhotoShown | None


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
    world = _world(grade, here.hands)
    knows = world if grade.bolted else here.hands  # where the bolt is the lesson, the solver knows of it
    pose = touched(start, touches, world)
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
        else moves(pose, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=knows)
    )
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
        par=_par(here, start, world, knows),
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
        told=grade.told,
        photo=_photo(here, corners) if grade.told == "photo" else None,
    )


def _par(here: Room, start: Pose, world: Hands, knows: Hands) -> int:
    """How many moves the solver makes from the start, reading again where the world did not do what it thought."""
    made, now = 0, start
    for _ in range(ROUNDS):
        plan = moves(now, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=knows)
        for move in plan:
            now = pushed(now, move.kind, move.amount, world)
        made += len(plan)
        if not plan or worst_mm(now, here.aim.uv, here.aim.target) <= here.within_mm:
            break
    return made


def _photo(here: Room, corners: Array) -> PhotoShown:
    """What a phone held to one side sees of the frame and of the picture on it."""
    left, low, right, top = here.ask(rect_of_frame)
    middle, wide = np.array([(left + right) / 2.0, (low + top) / 2.0, 0.0]), right - left
    view = Pinhole(eye=middle + np.array(EYE) * wide, target=middle)

    def shot(points: ArrayLike) -> Array:
        return project(view, np.pad(np.asarray(points, dtype=float), ((0, 0), (0, 1))))

    outer = shot([(left, top), (right, top), (right, low), (left, low)])
    room_about = ROOM_ABOUT * float(np.ptp(outer[:, 0]))
    first, last = outer.min(axis=0) - room_about, outer.max(axis=0) + room_about
    across, high = last - first

    def shares(points: Array) -> tuple[tuple[float, float], ...]:
        return tuple((float((x - first[0]) / across), float((last[1] - y) / across)) for x, y in points)

    return PhotoShown(
        high=float(high / across),
        outer=shares(outer),
        inner=shares(shot(here.aim.view)),
        picture=shares(shot(corners)),
        border=here.ask.text(float(here.aim.view[0, 0] - left)),
    )


def _world(grade: Grade, hands: Hands) -> Hands:
    """What a push really does in this room: the rear of the body where its record has it, and the bolt where the mount has it,
    whatever the solver goes by."""
    name = read_job_file(job_bytes(grade.job)).throw.name
    body = next((body for _, called, body in named_records(RecordKind.PROJECTOR) if called == name), None)
    if body is None:
        return hands
    deep, before = float(body["depth_mm"]), float(body["lens_to_wall_face_mm"])
    bolt = deep / 2.0 - before if grade.bolted else hands.bolt_mm
    return replace(hands, rear_mm=deep - before, bolt_mm=bolt)


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
