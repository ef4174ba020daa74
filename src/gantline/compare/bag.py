"""What goes into the van for what is still to do: tools, what is bought and not here, what the box lacks."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from gantline.compare.materials import needed_but_boards
from gantline.core.day.step import PHASES, Step
from gantline.core.materials import Bought, line_of, merged, short_of
from gantline.job.model.frame import BoxPart, FrameBuild, Materials, OwnMaterial
from gantline.plan.ask import Ask
from gantline.stations.frame import timber


@dataclass(frozen=True, slots=True, kw_only=True)
class BagLine:
    """A thing to bring. what: tool, bought, or part; why: the stretches that need it, or what is missing; amount as text."""

    what: str
    name: str
    amount: str
    why: str


def bag(at: Ask, left: Sequence[Step]) -> tuple[BagLine, ...]:
    """For the steps that are still open.  left: those, in their order."""
    return (*_tools(at, left), *_bought(at, left), *_parts(at))


def _tools(at: Ask, left: Sequence[Step]) -> Iterator[BagLine]:
    stretches: dict[str, list[str]] = {}
    for step in left:
        for tool in step.tools:
            name = PHASES[step.phase]
            if name not in stretches.setdefault(tool, []):
                stretches[tool].append(name)
    if two := sum(1 for step in left if step.people > 1):
        yield BagLine(what="people", name="a second pair of hands", amount="", why=f"{two} steps")
    for tool, names in sorted(stretches.items(), key=lambda item: (-len(item[1]), item[0])):
        yield BagLine(what="tool", name=tool, amount="", why=", ".join(names))
    own = at.given(FrameBuild.tools)
    if own and not at(timber) and left:
        yield BagLine(what="tool", name=own, amount="", why="the kit's leaflet")


def _bought(at: Ask, left: Sequence[Step]) -> Iterator[BagLine]:
    """Of the materials list what has not come, or is not on hand; none of it where all is done."""
    if not left:
        return
    boxed = any(part.found is not None for part in at.things(FrameBuild.parts))  # whoever counted it has it
    own = {material.id: material for material in at.things(Materials.items)}
    for need in merged(needed_but_boards(at)):
        mine = own.get(need.key)
        held = Bought(
            on_hand=at.of(mine, OwnMaterial.on_hand) if mine else 0.0, pack=mine.pack if mine else None, price=None,
            arrived=bool(mine and mine.arrived),
        )  # fmt: skip
        if (
            (boxed and need.name == at.given(FrameBuild.name))
            or held.arrived
            or line_of(need, held).missing <= 0.0
        ):
            continue
        number = f"{need.amount:.1f}" if need.unit else f"{math.ceil(need.amount - 1e-9)}"
        way = "is on the way" if mine and mine.arrived is False else "not here yet"
        yield BagLine(what="bought", name=need.name, amount=f"{number} {need.unit}".strip(), why=way)


def _parts(at: Ask) -> Iterator[BagLine]:
    """What the box lacks: it waits for a second visit, and the rest is done today."""
    for part in at.things(FrameBuild.parts):
        short = 0 if part.found is None else short_of(part.count, at.of(part, BoxPart.spare), part.found)
        if short:
            yield BagLine(
                what="part", name=part.name, amount=f"{short}", why="short in the box: book a second visit"
            )
