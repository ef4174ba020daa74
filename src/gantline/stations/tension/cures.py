"""What a look finds, done as steps: ease or pull the points there and the ones opposite, then look again."""

from gantline.core.day.step import LONGEST_TEXT, Reading, Step, of
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import OPPOSITE, Side, TensionPoint
from gantline.core.tension.wrinkles import A_LITTLE, FAULTS, LITTLE_MM, Seen
from gantline.plan.ask import Ask
from gantline.stations.common.words import runs
from gantline.stations.tension.solve import hold, tension_points, written_numbers

SEEN = tuple(seen.value for seen in Seen)
# places as they are seen from the front, and the sides they touch as seen from the back
WHERE: dict[str, tuple[Side, ...]] = {
    "top left": (Side.TOP, Side.RIGHT),
    "top": (Side.TOP,),
    "top right": (Side.TOP, Side.LEFT),
    "right": (Side.LEFT,),
    "bottom right": (Side.BOTTOM, Side.LEFT),
    "bottom": (Side.BOTTOM,),
    "bottom left": (Side.BOTTOM, Side.RIGHT),
    "left": (Side.RIGHT,),
    "all over": (),
}
LOOK_READINGS = (
    Reading(name="seen", label="what is seen", kind="word", words=SEEN),
    Reading(name="where", label="where, from the front", kind="word", words=tuple(WHERE)),
)
HURTS = {Hold.SPRING: "springs", Hold.STAPLE: "staples", Hold.TACK: "tacks"}  # cautions of their own
AT_CORNER, AT_SIDE = 2, 3  # points that are touched at each side of a corner, and in the middle of a side


def points_at(at: Ask, sides: tuple[Side, ...]) -> tuple[TensionPoint, ...]:
    """The points nearest to a corner, or to the middle of a side; seen from the back."""
    points = at(tension_points)
    if isinstance(points, str) or not sides:
        return ()
    corner = len(sides) > 1
    found: list[TensionPoint] = []
    for side in sides:
        along = sorted((point for point in points if point.side is side), key=lambda point: point.reading_mm)
        if not corner:
            first = max(0, (len(along) - AT_SIDE) // 2)
            found += along[first : first + AT_SIDE]
            continue
        other = next(one for one in sides if one is not side)
        found += along[:AT_CORNER] if other in (Side.LEFT, Side.TOP) else along[-AT_CORNER:]
    return tuple(found)


def cured(at: Ask, look: Step, number: int, seen: Seen, where: str) -> tuple[Step, Step]:
    """The cure of what a look found, and the look after it; number: of that look, from 2."""
    fault = FAULTS[seen]
    sides = WHERE.get(where, ())
    there, across = points_at(at, sides), points_at(at, tuple(OPPOSITE[side] for side in sides))
    written = at(written_numbers)
    pair = " and ".join(
        runs(sorted(written[point.number] for point in two)) for two in (there, across) if two
    )
    touched = fault.act in ("ease", "pull") and pair
    text = f"{fault.act.capitalize()} {pair}, opposite in step" if touched else fault.cure
    base = look.key.rpartition("~")[0] or look.key
    cure = Step(
        key=f"{base}~cure-{number - 1}",
        station=look.station,
        phase=look.phase,
        text=(text[0].upper() + text[1:])[:LONGEST_TEXT],
        why=f"{seen.value} {where}: {fault.cause}",
        lies="face down",
        face="back",
        people=2 if across else 1,
        minutes=5.0,
        caution=HURTS.get(at(hold), "fabric") if touched else "fabric",
        marks=tuple(f"point-{point.number}" for point in (*there, *across)) if touched else (),
        waits=(look.key,),
        things=of("cure", (f"{base}~{number - 1}",)),
        check=A_LITTLE[at(hold)].format(little=at.fine(LITTLE_MM[at(hold)])) if touched else "",
        trouble=f"{fault.cure}. Once, then look: never twice at one point without its opposite.",
    )
    again = Step(
        key=f"{base}~{number}",
        station=look.station,
        phase=look.phase,
        text=f"Look again, {where}: lamp along the face from both ends",
        lies="standing",
        people=2,
        minutes=5.0,
        tools=("lamp",),
        caution="fabric",
        waits=(cure.key,),
        gives=look.gives,
        things=of("look", (f"{base}~{number}",)),
        readings=LOOK_READINGS,
        check="gone, and nothing new",
        trouble="It stays: the next pair beside it. It has moved: follow it to the corner.",
    )
    return cure, again
