"""How the crew orders its day, and what else stands in it."""

from typing import Annotated, Literal

from pydantic import Field as Limit

from gantline.core.day.step import PHASES, Phase
from gantline.job.ends import Ends
from gantline.job.field import Field, Item, Part
from gantline.job.types import Id, Line

DRILLED = (("before", "before the fabric"), ("after", "after the fabric"))
TRIPS = (("one", "one"), ("two", "two: drilled on the first"))
ONE_OR_TWO = (("one", "one"), ("two", "two"))
STRETCHES = tuple((phase.value, f"before {name}") for phase, name in PHASES.items())


class OwnStep(Item):
    """A step that the crew adds: wiring, wall covering, curtains."""

    id: Id
    text: Annotated[Annotated[Line, Limit(min_length=1, max_length=120)], Field("text", "what to do", "text")]
    stretch: Annotated[Phase, Field("stretch", "comes", "choice", None, STRETCHES)]
    people: Annotated[
        Literal["one", "two"] | None, Field("people", "people", "choice", "one", ONE_OR_TWO)
    ] = None
    minutes: Annotated[Annotated[int, Ends(1, 10_000)] | None, Field("minutes", "minutes", "count", 15)] = (
        None
    )
    date: Annotated[Line | None, Field("date", "on", "text")] = None


class DayPlan(Part):
    """The crew's school."""

    drill: Annotated[
        Literal["before", "after"] | None,
        Field("day_drill", "Holes are drilled", "choice", "before", DRILLED),
    ] = None
    trips: Annotated[
        Literal["one", "two"] | None, Field("day_trips", "Trips to the room", "choice", "one", TRIPS)
    ] = None
    dry: Annotated[bool | None, Field("day_dry", "Empty frame hung first", "switch", True)] = None
    own: Annotated[list[OwnStep], Limit(max_length=60), Field("day_own", "Own steps", "list")] = []
