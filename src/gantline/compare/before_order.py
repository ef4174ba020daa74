"""What to measure before anything is ordered: what is assumed and moves the order, or decides whether the screen fits."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from gantline.compare.cutting import wanted_by_board
from gantline.compare.materials import needed_but_boards
from gantline.job.field import field_of
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.assumed import AssumedFact, assumed_facts, others
from gantline.plan.figure import field_text
from gantline.plan.leading import weighs_of
from gantline.plan.plan import JobPlan

# a screen is ordered for a wall: these two decide whether there is room for it
ROOM = (field_of(Survey.wall_width_mm), field_of(Survey.ceiling_mm))
THE_FIT = "whether the screen fits"
THE_ORDER = "what is ordered"


@dataclass(frozen=True, slots=True)
class Open:
    """One assumed fact that an order rests on."""

    label: str
    text: str
    effect: str


def open_facts(job_plan: JobPlan, keys: Sequence[str]) -> Iterator[Open]:
    """The assumed facts that move what is ordered within one of their spreads, and the room's two that say whether it fits.

    Args: keys, of the figures that are ordered by.  Leaves out: two facts that move it only together.
    """
    ask = job_plan.ask
    figures = [
        figure.make for station in job_plan.stations for figure in station.figures if figure.key in keys
    ]
    ordered = (needed_but_boards, wanted_by_board, *figures)
    stopping = [
        question for station in job_plan.stations if station.stops_all for question in station.may_stop
    ]
    room = weighs_of(ask, stopping) & sum(field.bit for field in ROOM)
    for fact in assumed_facts(ask, weighs_of(ask, ordered) | room):
        fits = fact.field in ROOM
        if fits or _moves(ask, fact, ordered):
            text = field_text(fact.field, fact.value, ask.own_units)
            yield Open(fact.field.label, text, THE_FIT if fits else fact.field.moves or THE_ORDER)


def _moves(ask: Ask, fact: AssumedFact, about: Sequence[Callable[[Ask], Any]]) -> bool:
    now = [ask(question) for question in about]
    return any(
        ask.variant(fact.pointer, value)(question) != answer
        for value in others(fact, (1.0, -1.0))
        for question, answer in zip(about, now, strict=True)
    )
