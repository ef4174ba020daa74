"""The fabric is looked at: margins and diagonals again, side light along the face, after a day, after some weeks."""

from typing import Any

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import READING, WEEK_IDLE
from gantline.core.day.step import Milestone, Phase, Reading, of
from gantline.core.defaults import AlignDefaults, DayDefaults, FrameDefaults
from gantline.core.tension.holds import Hold
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.tension.cures import LOOK_READINGS
from gantline.stations.tension.laying import even_margins, margins
from gantline.stations.tension.solve import hold, hold_kind


def margins_again(at: Ask, chain: Chain, name: str, text: str, **more: Any) -> None:
    """The four margins and both diagonals, read while points hold."""
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
        readings=(*at(margins), *diagonals),
        things=(("read", name),),
        alike=(
            *at(even_margins),
            ("diagonal_rising", "diagonal_falling", at.default(FrameDefaults.diagonal_spread_mm)),
        ),
        check=f"margins {at.within(even)}, diagonals {at.within(at.default(FrameDefaults.diagonal_spread_mm))}",
        **more,
    )


def after_corners(at: Ask, chain: Chain) -> None:
    """Before the first side is begun."""
    margins_again(
        at,
        chain,
        "after-corners",
        "Read margins and both diagonals again: the corners are the last that move the sheet",
        trouble="The frame was dragged: open the first corner, lay it again.",
    )


def bench_rounds(at: Ask, chain: Chain) -> None:
    """What the wrinkle bench found, to be done, and each time another look."""
    for number, kept in enumerate(at.things(Tensioning.rounds), start=1):
        for place, move in enumerate(kept.moves.splitlines(), start=1):
            chain.add(
                Phase.INSPECT,
                f"bench-{kept.id}-{place}",
                move,
                why=f"Round {number} on the bench: {kept.seen}",
                lies="face down",
                face="back",
                people=2,
                minutes=5.0,
                caution="fabric",
                things=of("cure", (f"bench-{kept.id}-{place}",)),
                trouble="Once, then look: never twice at one point without its opposite.",
            )
        chain.add(
            Phase.INSPECT,
            f"bench-{kept.id}-look",
            "Look again: lamp along the face from both ends",
            lies="standing",
            people=2,
            minutes=5.0,
            tools=("lamp",),
            caution="fabric",
            gives=(Milestone.LOOKED,),
            things=of("look", (f"bench-{kept.id}",)),
            readings=LOOK_READINGS,
            check="gone, and nothing new",
        )


def looked_at(at: Ask, chain: Chain) -> None:
    """From the last point to the look after two weeks."""
    inspect = Phase.INSPECT
    held = (Milestone.LAID,)
    margins_again(
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
        "Go round once more in the same order: every pin to full, each like its partner"
        if at(hold) is Hold.PIN
        else "Go round once more: every point sits and pulls like its partner",
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
        readings=LOOK_READINGS,
        check="no wave head-on; corners flat",
        trouble="A ray from a corner: ease its neighbors. A wave: the point behind it and its opposite. Then look again.",
    )
    bench_rounds(at, chain)
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
    if at(hold_kind).boards:
        chain.add(
            inspect,
            "trim",
            f"Trim the cloth behind the {at(hold_kind).name}, blade away from the face",
            lies="face down",
            face="back",
            minutes=10.0,
            tools=("knife",),
            caution="trimming",
            check=f"{at.text(at.default(DayDefaults.left_past_mm))} left past the {at(hold_kind).name}",
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
        readings=LOOK_READINGS,
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
