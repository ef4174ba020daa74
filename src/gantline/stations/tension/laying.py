"""The fabric is laid: what has one way in goes in first, the sheet face down, the frame on it, four margins that agree."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import READING, REST_IDLE
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Reading, of
from gantline.core.defaults import AlignDefaults, DayDefaults, TensionDefaults
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import RAILS, Side
from gantline.core.tension.position_lines import past_edge_mm
from gantline.job.model.day import DayPlan
from gantline.job.model.frame import Blank
from gantline.job.model.light import FabricChoice
from gantline.plan.ask import Ask
from gantline.stations.common import timber
from gantline.stations.frame import line_tension_n_m, overlap_mm, parts_into
from gantline.stations.tension.membrane import stiff_n_m
from gantline.stations.tension.solve import (
    hold,
    hold_kind,
    sheet_on_frame,
    spread_points,
    stretched_mm,
)

RODS = (Hold.LUG, Hold.SPRING, Hold.PIN)
HEM_OF = {"rails": ", top and bottom hem", "stiles": ", side hems"}
RODS_IN = "Push the long rods into the side hems, the short ones into the long hems"
SLID = {Hold.LUG: "lugs", Hold.PIN: "nuts", Hold.SPRING: "hooks"}


def margins(at: Ask) -> tuple[Reading, ...]:
    """The four margins that are read, as a hand measures them."""
    measured = "hem to frame edge" if at(sheet_on_frame) else "sheet past frame"
    return tuple(
        Reading(name=f"margin_{side}", label=f"{measured}, {side}", instrument="tape") for side in Side
    )


def even_margins(at: Ask) -> tuple[tuple[str, str, float], ...]:
    """Which margins agree, and how nearly [mm]."""
    even = at.default(AlignDefaults.border_even_mm)
    return ("margin_left", "margin_right", even), ("margin_top", "margin_bottom", even)


def slid_in(at: Ask, chain: Chain) -> None:
    """What has one way in goes in before the corners close."""
    points = at(spread_points)
    if at(timber) or at(hold) not in SLID or isinstance(points, str) or at(parts_into, "track"):
        return  # the kit's own sheet says what goes in
    for side in Side:
        count = sum(1 for point in points if point.side is side)
        piece = "rail" if side in RAILS else "stile"
        chain.add(
            Phase.FRAME,
            f"slide-{side}",
            f"Slide {count} {SLID[at(hold)]} into the {side} {piece}, all facing inward; count twice",
            free=True,
            face="back",
            lies="face down",
            minutes=2.0,
            waits=(Milestone.COUNTED,),
            gives=(Milestone.TRACKS,),
            into=("track",),
            things=of("slide in", [f"{SLID[at(hold)]} {side}"]),
            check=f"{count} on this side, the right way round",
            trouble="The corner shuts the track: one left out means that corner opened again.",
        )


def pulled_mm(at: Ask) -> dict[Side, float]:
    """How far the line on the cloth is to go past the frame's edge at the middle of each side, once all pulls as planned [mm]."""
    (width, height), line = at(stretched_mm), at(line_tension_n_m)
    if min(width, height) <= 0.0:
        return {}  # what is put on later is wider than the frame
    along, across = at(stiff_n_m)
    wide, high = past_edge_mm(width, line, along), past_edge_mm(height, line, across)
    return {Side.TOP: high, Side.RIGHT: wide, Side.BOTTOM: high, Side.LEFT: wide}


def _comes_out(at: Ask) -> Iterator[Number]:
    """Where fixed points pull, the sheet is short of them by this on each side, and the pull takes it out."""
    for side, far in at(pulled_mm).items():
        if side in (Side.TOP, Side.LEFT):
            pair = "top and bottom" if side is Side.TOP else "left and right"
            yield Number(
                key=f"comes-out-{side}",
                label=f"comes out as it is pulled, {pair}",
                text=at.text(far),
                value_mm=far,
                play_mm=at.default(DayDefaults.point_play_mm),
            )


def position_lines(at: Ask, chain: Chain) -> None:
    """Where a hand pulls the cloth, its pull is seen by a line that was drawn while it lay free."""
    if at(hold_kind).pulled and at(pulled_mm):
        chain.add(
            Phase.FABRIC,
            "lines",
            "Draw a short line on the back of the cloth along the frame's edge, at the middle of each side",
            lies="face down",
            face="back",
            minutes=3.0,
            tools=("soft pencil",),
            things=(("draw", "position lines"),),
            why="it moves past the edge as the cloth is pulled, and says how hard",
            check="four lines, each on the edge",
            trouble="Never a pen: ink comes through.",
        )


def pull_read(at: Ask, chain: Chain, name: str, after: str) -> None:
    """How far the lines have gone, on the way."""
    wanted, share = at(pulled_mm), at.default(TensionDefaults.pull_part_way_share)
    if not at(hold_kind).pulled or not wanted:
        return
    loose = at.default(TensionDefaults.pull_spread_share)
    readings = tuple(
        Reading(
            name=f"pull_{side}",
            label=f"line past the edge, {side}",
            planned=share * far,
            told=at.text(share * far),
            tolerance=max(loose * share * far, at.step_mm),
            allowed=at.allowed(max(loose * share * far, at.step_mm)),
            instrument="rule",
        )
        for side, far in wanted.items()
    )
    near = 2.0 * max(loose * share * max(wanted.values()), at.step_mm)
    chain.add(
        Phase.TENSION,
        name,
        f"Read how far the four lines have gone past the edge, {after}",
        lies="face down",
        face="back",
        minutes=4.0 * READING,
        tools=("rule",),
        readings=readings,
        alike=(("pull_left", "pull_right", near), ("pull_top", "pull_bottom", near)),
        things=(("read", name),),
        check="opposite sides alike",
        trouble="One side takes it all: back to the first point of that side, ease it, and pull its partner by as much.",
    )


def laid_down(at: Ask, chain: Chain) -> None:
    """From the shut tube to a frame that lies on its sheet with four margins alike."""
    holes_first = at.field(DayPlan.drill) != "after"
    ready = (Milestone.READY, *((Milestone.DRILLED, Milestone.DRY) if holes_first else ()))
    fabric = Phase.FABRIC
    chain.add(
        fabric,
        "clean",
        "Vacuum again, doors shut, fans off; hands washed, rings off, gloves on from here",
        people=2,
        minutes=5.0,
        tools=("vacuum", "gloves"),
        waits=ready,
        check="a clean cloth stays clean on the sheet",
    )
    chain.add(
        fabric,
        "tube",
        "Take clamps and end clips off the tube; slide the roll out whole",
        people=2,
        minutes=4.0,
        check="no clip left",
        trouble="Pulled by its edge it creases: stop, push back.",
    )
    chain.add(
        fabric,
        "unroll",
        "Unroll it face down: one holds the roll, one walks the free end",
        lies="face down",
        people=2,
        minutes=8.0,
        caution="fabric",
        why="face down, so that the holds are in reach and nothing presses on the face",
        check="the label can be read; the dull side is up"
        + ("; the film stays on" if at.field(FabricChoice.film) else ""),
        trouble="Face up: roll it back and turn the roll, not the sheet.",
    )
    chain.add(
        fabric,
        "prove",
        "Prove the back by two signs: label, dull or dark side; tape TOP on its edge",
        lies="face down",
        minutes=2.0,
        tools=("tape",),
        check="both signs agree",
        trouble="Only one sign: look at a corner's front.",
    )
    chain.add(
        fabric,
        "face",
        "Look over the whole face in side light, edges and holes too; photograph what you see",
        minutes=5.0,
        tools=("lamp", "phone"),
        idle=REST_IDLE if at(timber) else 0.0,
        caution="fabric",
        check="no scratch, no stain, no sharp crease",
        trouble="A sharp crease in film: stop and claim it. Folded cloth: let it lie flat two hours.",
    )
    layers = at.field(Blank.layers)
    if layers > 1:
        over = (
            "the dark layer over the front one"
            if layers == 2
            else f"the other {layers - 1} layers over the front one"
        )
        chain.add(
            fabric,
            "layers",
            f"Lay {over}, face down too, TOP on TOP; smooth both from the middle",
            lies="face down",
            people=2,
            minutes=6.0 * (layers - 1),
            things=(("lay", "layers"),),
            why="face down, the front layer lies lowest; both are held at once",
            check="both smooth, edges together",
            trouble="A fold between them shows from the front: lift that side, smooth it, lay it again.",
        )
    if at(timber):
        chain.add(
            fabric,
            "cut",
            f"Cut the fabric to its blank: {at.text(at(overlap_mm))} past the frame on every side",
            minutes=10.0,
            numbers=(
                Number(
                    key="overlap",
                    label="past the frame, each side",
                    text=at.text(at(overlap_mm)),
                    value_mm=at(overlap_mm),
                    play_mm=at.default(DayDefaults.overlap_play_mm),
                ),
            ),
            tools=("shears", "rule"),
            caution="fabric-cut",
            things=(("cut", "fabric"),),
            lies="face down",
            check="weave along the edge",
            trouble="Short on one side: shift the frame before the first hold.",
        )
    above = at(sheet_on_frame)
    chain.add(
        fabric,
        "frame",
        "Lay the sheet on the frame, face down, bottom to bottom, one at each end; never drag it"
        if above
        else "Lower the frame on the sheet, bottom to bottom; never drag it",
        lies="face down",
        people=2,
        minutes=4.0,
        things=(("lay", "frame"),),
        check=f"bottom of {'sheet on bottom of frame' if above else 'frame on bottom of sheet'}",
        trouble="Askew: lift it and lay it again.",
    )
    chain.add(
        fabric,
        "margins",
        f"Read the four margins, {'at the hems' if above else 'sheet past frame'}; lift and lay again until pairs agree",
        lies="face down",
        face="back",
        people=2,
        minutes=4.0 * READING,
        tools=("tape",),
        readings=at(margins),
        gives=(Milestone.LAID,),
        alike=at(even_margins),
        things=(("read", "margins"),),
        numbers=() if at(hold_kind).pulled else tuple(_comes_out(at)),
        check=f"left with right, top with bottom: {at.within(at.default(AlignDefaults.border_even_mm))}",
        why="once a point is held the sheet does not move any more",
    )
    position_lines(at, chain)
    hemmed = () if at(timber) else at(parts_into, "hem")
    hems = [f"{part.count} {part.name}" for part in hemmed]
    if hems or (at(hold) in RODS and not at(timber)):
        chain.add(
            fabric,
            "rods",
            f"Push {' and '.join(hems)} into the hems"[:LONGEST_TEXT] if hems else RODS_IN,
            lies="face down",
            minutes=6.0,
            things=of("push in", ("rods",)),
            gives=(Milestone.LAID,),
            numbers=tuple(
                Number(
                    key=f"part {part.id}",
                    label=f"{part.name}{HEM_OF.get(part.on, '')}",
                    text=at.text(part.long_mm),
                    value_mm=part.long_mm,
                    play_mm=at.default(DayDefaults.rod_length_play_mm),
                )
                for part in hemmed
                if part.long_mm is not None
            ),
            closes=("hem",),
            check="ends inside the hem, overlap at its middle",
            trouble="It snags: twist it, blunt end first. Caps meet inside: out, and turn it.",
        )
    _grooves(at, chain)
    if at(hold) is Hold.SNAP and not at(timber):
        chain.add(
            fabric,
            "snaps-laid",
            "Lay every snap beside its plate, all four sides, before the first is pressed",
            lies="face down",
            face="back",
            minutes=8.0,
            things=(("lay out", "snaps"),),
            gives=(Milestone.LAID,),
            check="none left over, none without a plate",
            trouble="One side is shifted: count again from its middle.",
        )
    if at(hold) is Hold.PIN:
        chain.add(
            fabric,
            "pins-started",
            "Start every pin by hand, all four sides; no pull yet",
            lies="face down",
            face="back",
            minutes=8.0,
            things=(("start", "pins"),),
            gives=(Milestone.LAID,),
            check="every pin in its place, the sheet still where it was laid",
            trouble="A pin crosses: back it out, start by hand.",
        )


def _grooves(at: Ask, chain: Chain) -> None:
    """What the kit's own sheet puts into a groove with the fabric's edge."""
    for part in () if at(timber) else at(parts_into, "groove"):
        chain.add(
            Phase.FABRIC,
            f"groove-{part.id}",
            f"Feed the fabric's edge and {part.count} {part.name} into their grooves, each from one end"[
                :LONGEST_TEXT
            ],
            lies="face down",
            face="back",
            people=2,
            minutes=8.0,
            parts=(part.name,),
            things=of("feed in", [f"part {part.id}"]),
            gives=(Milestone.LAID,),
            check=part.facing or "the edge runs along the groove, home over its whole length",
            trouble="Askew: out again, and in from the same end.",
        )
