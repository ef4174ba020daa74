"""Look first: the screen's outline on the wall before anything is ordered or drilled."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.step import Milestone, Number, Phase, Reading, Step
from gantline.core.defaults import WallDefaults
from gantline.plan.ask import Ask
from gantline.stations.height.solve import fits, rect_of_frame
from gantline.stations.height.standing import centre_x_mm
from gantline.stations.size import screen

KEY = "height"
LIKED = ("liked", "too large", "too small", "too high", "too low")


def steps(at: Ask) -> Iterator[Step]:
    """Where the frame would be, taped on the wall and looked at from every seat."""
    if not at(fits):
        return
    own, play = at(screen), at.default(WallDefaults.center_mm)
    _, _, _, top = at(rect_of_frame)
    chain = Chain(KEY)
    numbers = (
        ("top", "frame top above the floor", top),
        ("center", "center from the left wall end", at(centre_x_mm)),
        ("wide", "frame, wide", own.overall_width_mm),
        ("high", "frame, high", own.overall_height_mm),
    )
    chain.add(
        Phase.LOOK,
        "outline",
        "Tape the frame's corners and its center line on the wall; sit in every seat",
        minutes=10.0,
        tools=("tape", "masking tape", "level"),
        numbers=tuple(
            Number(key=f"outline-{key}", label=label, text=at.text(value), value_mm=value, play_mm=play)
            for key, label, value in numbers
        ),
        face="front",
        marks=("frame",),
        gives=(Milestone.LIKED,),
        things=(("look", "outline"),),
        readings=(Reading(name="liked", label="how it is liked", kind="word", words=LIKED),),
        check="liked from every seat; clear of lamps, soffit and doors",
        trouble="Too large or too high: say so now, before anything is ordered.",
    )
    yield from chain
