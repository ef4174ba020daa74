"""What is drilled against what is planned: by how much it no longer fits, which slip explains it, what cures it."""

from collections.abc import Callable, Iterator

from gantline.core.defaults import WallDefaults
from gantline.core.units import LengthStyle
from gantline.core.wall.facts import drilled_y_mm, serves
from gantline.core.wall.marks import level_tolerance_mm
from gantline.core.wall.slips import Around, slip_across, slip_up
from gantline.job.field import field_of
from gantline.job.model.hanging import Hanging
from gantline.job.model.height import HeightTarget
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, Finding, cure, found, noted
from gantline.stations.common import part_drop_mm, way_words
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import lattice, room
from gantline.stations.wall.codes import Code
from gantline.stations.wall.solve import pair, planned_pair, planned_rows_mm, rule
from gantline.stations.wall.told import facts, held
from gantline.stations.wall.way import cleat_on_studs

BASE = field_of(Hanging.facts).pointer


@found
def drilled_height(at: Ask) -> Iterator[Finding]:
    """Drilled rows that hang the frame elsewhere than planned, off level, or not as far apart as the frame needs."""
    hole_facts, planned = at(facts), at(planned_rows_mm)
    if not hole_facts or planned is None:
        return
    near = at.default(WallDefaults.drilled_within_mm)
    upper, lower = drilled_y_mm(hole_facts, "upper"), drilled_y_mm(hole_facts, "lower")
    off, row = (None if upper is None else upper - planned[0]), "upper"
    if off is None and lower is not None and planned[1] is not None:
        off, row = lower - planned[1], "lower"
    if off is not None and abs(off) > near:
        top = at(placement).top_mm + off
        text = (
            f"The drilled {row} holes hang the frame {at.text(abs(off))} {'higher' if off > 0 else 'lower'} than planned. Move "
            f"the frame's top to {at.text(top)}, or plug the holes and drill again."
        )
        move = cure(
            f"Plan the frame's top at {at.text(top)}",
            (HeightTarget.wish, "frame-top"),
            (HeightTarget.wish_mm, at.near(top)),
        )
        plug = _plug(at, "Plug them, and drill where they are planned", lambda hole: hole.startswith(row))
        yield Finding(code=Code.DRILLED_HEIGHT, severity="stop", text=text, subject=BASE, cures=(move, plug))
    if upper is not None and lower is not None and planned[1] is not None:
        apart = (upper - lower) - (planned[0] - planned[1])
        if abs(apart) > near:
            text = (
                f"The drilled rows are {at.text(abs(apart))} too {'far apart' if apart > 0 else 'near'} for this frame: plug "
                "the lower holes and drill them again."
            )
            plug = _plug(at, "Plug the lower holes", lambda hole: hole.startswith("lower"))
            yield Finding(
                code=Code.DRILLED_ROWS, severity="stop", text=text, subject=f"{BASE}#rows", cures=(plug,)
            )
    for row in ("upper", "lower"):
        ends = {fact.side: fact for fact in hole_facts if fact.drilled and fact.row == row}
        if len(ends) == 2:
            left, right = ends["left"], ends["right"]
            step = right.y_mm - left.y_mm
            span = abs(right.x_mm - left.x_mm)
            most = level_tolerance_mm(max(span, 1.0), most_mm=at.default(WallDefaults.hole_level_mm))
            if abs(step) > most:
                text = (
                    f"The {row} right hole is {at.text(abs(step))} {'higher' if step > 0 else 'lower'} than the left one, "
                    f"{at.allowed(most)} is allowed. Elongate it, or trim the bracket."
                )
                yield Finding(code=Code.DRILLED_LEVEL, severity="check", text=text, subject=f"{BASE}#{row}")


@found
def drilled_across(at: Ask) -> Iterator[Finding]:
    """Drilled brackets that no longer serve the screen."""
    left, right = at(held) if at(facts) and not at(cleat_on_studs) else (None, None)
    if left is None and right is None:
        return
    two, bracket_rule = at(pair), at(rule)
    if two is None:
        side = "left" if left is not None else "right"
        text = (
            "The drilled left hole is not left of the right one: measure both again."
            if left is not None and right is not None
            else f"No place is left for the other bracket: with the {side} one drilled nothing serves the screen where it is."
        )
        ways = (*_backer(at), *_plugs(at))
        yield Finding(code=Code.DRILLED_PAIR, severity="stop", text=text, subject=BASE, cures=ways)
        return
    if left is None or right is None or serves(bracket_rule, two):
        return
    over = abs(two.offset_mm) - bracket_rule.allowed_offset_mm
    move: tuple[Cure, ...] = ()
    if over > 0.0:
        text = (
            f"The drilled brackets' middle is {way_words(at, 0, two.offset_mm)} of the screen center, {at.text(over)} more than "
            "the side play takes up."
        )
        center = at.near(at(centre_x_mm) + two.offset_mm)
        move = (cure(f"Move the screen's center to {at.text(center)}", (HeightTarget.centre_x_mm, center)),)
    else:
        text = (
            f"The drilled brackets, {at.text(two.spacing_mm)} apart, do not serve a frame "
            f"{at.text(bracket_rule.frame_mm)} wide: they lie "
            "off its rail, or on one side of its center."
        )
    yield Finding(
        code=Code.DRILLED_PAIR, severity="stop", text=text, subject=BASE, cures=(*move, *_plugs(at))
    )


def _plug(at: Ask, text: str, gone: Callable[[str], bool]) -> Cure:
    """Some drilled holes closed again: they are planned anew."""
    kept: list[dict[str, float | str]] = []
    for fact in at.things(Hanging.facts):
        if fact.state != "drilled" or not gone(fact.hole):
            told: dict[str, float | str] = {"id": fact.id, "hole": fact.hole, "state": fact.state}
            told |= {"x_mm": fact.x_mm, "y_mm": fact.y_mm}
            kept.append(told if fact.why is None else told | {"why": fact.why})
    return cure(text, (Hanging.facts, kept))


def _plugs(at: Ask) -> tuple[Cure, ...]:
    """One side's holes closed again, or all of them."""
    left, right = at(held)
    sides = [name for name, drilled in (("left", left), ("right", right)) if drilled is not None]
    one_side = [
        _plug(at, f"Plug the {side} holes and drill anew", lambda hole, side=side: hole.endswith(side))  # type: ignore[misc]
        for side in sides
    ]
    if len(sides) < 2:
        return tuple(one_side)
    return (*one_side, _plug(at, "Plug all drilled holes and drill anew", lambda _: True))


def _backer(at: Ask) -> tuple[Cure, ...]:
    if at(lattice) is None or at.field(Hanging.fix_to) == "backer":
        return ()
    return (cure("Put a backer board over the studs", (Hanging.fix_to, "backer")),)


@noted
def slips(at: Ask) -> Iterator[Finding]:
    """A hole that is off its mark, with the slip that explains it."""
    there = [fact for fact in at.things(Hanging.facts) if fact.state == "drilled"]
    two, rows = (at(planned_pair), at(planned_rows_mm)) if there else (None, None)
    if two is None or rows is None:
        return
    studs, frame, within = at(lattice), at(screen), at.default(WallDefaults.slip_within_mm)
    around = Around(
        wall_mm=at(room).wall_mm,
        center_mm=at(centre_x_mm),
        drop_mm=at(part_drop_mm),
        border_mm=(frame.overall_width_mm - frame.picture.width_mm) / 2.0,
        datum_mm=at(room).datum_mm,
        spacing_mm=None if studs is None else studs.lattice.spacing_mm,
        inches=at.units.style is not LengthStyle.MILLIMETERS,
    )
    for drilled_fact in there:
        row, side = drilled_fact.hole.split("-")
        if side not in ("left", "right"):
            continue  # further parts stand where the wall lets them
        x, y = two.left_mm if side == "left" else two.right_mm, rows[0] if row == "upper" else rows[1]
        said = []
        across = slip_across(x, drilled_fact.x_mm, around, within)
        up = None if y is None else slip_up(y, drilled_fact.y_mm, around, within)
        if across is not None:
            said.append(f"{at.text(drilled_fact.x_mm)} instead of {at.text(x)} from the left: {across.name}")
        if up is not None and y is not None:
            said.append(f"{at.text(drilled_fact.y_mm)} instead of {at.text(y)} above the floor: {up.name}")
        if said:
            text = f"The {row} {side} hole, {'; '.join(said)}?"
            yield Finding(code=Code.SLIP, severity="note", text=text, subject=f"{BASE}/{drilled_fact.id}")


@noted
def refused_holes(at: Ask) -> Iterator[Finding]:
    """A hole that turned out not to be possible, and what the plan did about it."""
    two = at(pair) if at(facts) else None
    for fact in at.things(Hanging.facts):
        if fact.state != "blocked":
            continue
        why = f", {fact.why}" if fact.why else ""
        done = (
            "Nothing else serves: see what stops."
            if two is None
            else f"The brackets are now {at.text(two.left_mm)} and {at.text(two.right_mm)} from the left."
        )
        text = f"The {fact.hole.replace('-', ' ')} hole is not possible at {at.text(fact.x_mm)}{why}. {done}"
        yield Finding(code=Code.BLOCKED, severity="note", text=text, subject=f"{BASE}/{fact.id}")


FACT_FINDINGS = (drilled_height, drilled_across, slips, refused_holes)
