"""The picture as it stands, and as the moves leave it, drawn many times over."""

from collections.abc import Iterator

import numpy as np

from gantline.core.align.corners import CORNERS, NAMES, OUTWARD
from gantline.core.throw.pinhole import Array, to_wall
from gantline.drawing.marks import Area, Dot, Handle, Label, Mark, Stop
from gantline.job.field import field_of
from gantline.job.model.align import OFF_MM, Aligned
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.align.solve import aim, done, doubted, last_round, made_moves, read_mm
from gantline.stations.align.words import outside

TIMES = (20, 10, 5, 2, 1)  # the most that keeps the worst miss well inside the wall
SHOWN = 0.1  # of the picture's width
LIFT = {"br": -1.0, "bl": -1.0}  # under the lower corners


def picture(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The ghost of the picture as read, and where the moves bring it."""
    read = at(read_mm) if face == "front" else ()
    aimed = at(aim) if read else None
    if aimed is None:
        return
    known = np.array([0.0 if one is None else one for one in read]).reshape(4, 2)
    wide = float(np.ptp(aimed.view[:, 0]))
    worst = max(float(np.abs(known).max()), 1.0)
    times = next((time for time in TIMES if worst * time <= SHOWN * wide), 1)
    ghost = aimed.view + OUTWARD * known * times
    yield Area(
        key="picture-now", role="astray", layer="align", points=tuple((float(x), float(y)) for x, y in ghost)
    )
    moves = at(made_moves)
    if moves:
        off = to_wall(moves[-1].after, aimed.uv) - aimed.view
        then = aimed.view + off * times
        yield Area(
            key="picture-then",
            role="aimed",
            layer="align",
            points=tuple((float(x), float(y)) for x, y in then),
        )
    bad = at(doubted)
    for number, key in enumerate(CORNERS):
        x, y = (float(one) for one in ghost[number])
        flagged = any(one.startswith(key) for one in bad)
        yield Dot(
            key=f"corner-{key}",
            role="corner-doubted" if flagged else "corner-read",
            layer="align",
            at=(x, y),
            name=f"{key} corner as read",
            moves=f"grip-{key}",
        )
        yield _grip(at, number, (x, y), known[number], times)
        if read[2 * number : 2 * number + 2] != (None, None):
            text = f"{outside(at, read[2 * number])}, {outside(at, read[2 * number + 1])}"
            yield Label(
                key=f"corner-{key}-text",
                layer="align",
                at=(x, y),
                text=text,
                role="corner-read",
                lift=LIFT.get(key, 0.0),
            )
    if not at(done):
        middle = aimed.view.mean(axis=0)
        yield Label(
            key="picture-times",
            layer="align",
            at=(float(middle[0]), float(aimed.view[2, 1])),
            text=f"misses drawn {times} times over" if times > 1 else "misses drawn to scale",
            role="astray",
        )


def _grip(at: Ask, number: int, drawn: tuple[float, float], read: Array, times: int) -> Handle:
    """A corner of the last round, to be dragged to where it is seen."""
    key, last = CORNERS[number], last_round(at)
    base = f"{field_of(Aligned.rounds).pointer}/{last.id if last else ''}/{key}"
    ends = (Stop(at_mm=-OFF_MM, name="most that is read"), Stop(at_mm=OFF_MM, name="most that is read"))
    return Handle(
        key=f"grip-{key}",
        layer="align",
        name=f"The picture's {NAMES[key]} corner",
        points=(drawn,),
        origin=(float(read[0]), float(read[1])),
        step_mm=min(at.step_mm, 1.0),
        x_pointer=f"{base}_x_mm",
        y_pointer=f"{base}_y_mm",
        x_stops=ends,
        y_stops=ends,
        scale=(float(OUTWARD[number][0]) * times, float(OUTWARD[number][1]) * times),
    )


DRAW = (picture,)
