"""The wall's steps: studs found, one level line, every hole marked from one datum, drilled, fixed; the empty frame hung once."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import A_HOLE, A_SCREW
from gantline.core.day.step import Milestone, Number, Phase, Reading, Step, of
from gantline.core.defaults import AlignDefaults, DayDefaults, WallDefaults
from gantline.core.wall.facts import hole_name
from gantline.core.wall.marks import HoleMark, ScrewLay
from gantline.core.wall.ways import Way
from gantline.job.field import field_of
from gantline.job.model.day import DayPlan
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.common import drop_mm, timber, way
from gantline.stations.size import screen
from gantline.stations.survey import room
from gantline.stations.wall.cleat_line import cleat_edge
from gantline.stations.wall.datum import hooked_across, hooked_up
from gantline.stations.wall.load_figures import bit, drill
from gantline.stations.wall.loads import bought_fixing, fixing
from gantline.stations.wall.pads import pads
from gantline.stations.wall.screws import lay
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.way import cleat_stands, frame_pieces, on_studs, side_play_mm

KEY = "wall"
FACTS = f"{field_of(Hanging.facts).pointer}/-"
DRY = f"{field_of(Hanging.dry).pointer}/-"
SLIDES = (Way.BRACKETS, Way.PROUD_SCREWS, Way.TOP_BRACKETS, Way.BOTTOM_CATCH)


def steps(at: Ask) -> Iterator[Step]:
    """From the first stud to a wall that has carried the frame once."""
    chain = Chain(KEY)
    _into_frame(at, chain)
    _found(at, chain)
    plan = at(drilling)
    for mark in plan.marks if plan else ():
        _hole(at, chain, mark)
    if plan:
        _fixed(at, chain, [mark.hole.key for mark in plan.marks])
        if (
            at.field(DayPlan.drill) != "after"
            and at.field(DayPlan.dry)
            and at(way) not in (Way.LEDGER, Way.WIRE)
        ):
            _dry(at, chain)
    yield from chain


def _into_frame(at: Ask, chain: Chain) -> None:
    """What of the hanging belongs to the frame, before its track closes or the fabric is on it."""
    if at(frame_pieces):
        chain.add(
            Phase.FRAME,
            "frame-piece",
            "Screw the cleat's frame piece to the back, bevel down, heads countersunk",
            free=True,
            face="back",
            lies="face down",
            minutes=15.0,
            tools=("driver", "countersink"),
            waits=(Milestone.SQUARE,),
            gives=(Milestone.READY,),
            things=(("screw on", "frame piece"),),
            check=f"ends level {at.within(at.default(DayDefaults.mark_play_mm))}",
            trouble="A head stands proud: the frame stands off the wall by it.",
        )
    elif not at(timber) and at(way) in SLIDES and not _in_sheet(at):
        chain.add(
            Phase.FRAME,
            "slide-in",
            "Slide the hang brackets into the top rail, and the bottom ones into the bottom rail",
            free=True,
            face="back",
            lies="face down",
            minutes=3.0,
            waits=(Milestone.COUNTED,),
            gives=(Milestone.TRACKS,),
            into=("track",),
            things=(("slide in", "hang brackets"),),
            check="top and bottom face opposite ways",
            trouble="Forgotten: the corner has to be opened again.",
        )


def _in_sheet(at: Ask) -> bool:
    """Whether the kit's own sheet puts brackets into a track."""
    return any(part.stops == "hang" and part.into == "track" for part in at.things(FrameBuild.parts))


def _found(at: Ask, chain: Chain) -> None:
    wall = Phase.WALL
    if at(on_studs):
        chain.add(
            wall,
            "studs",
            "Mark both edges of each stud at bracket height, one more than is used",
            minutes=12.0,
            tools=("sensor", "magnet", "tape"),
            waits=(Milestone.LIKED,),
            things=(("find", "studs"),),
            check=f"sensor and magnet agree {at.within(at.default(DayDefaults.studs_agree_mm))}; "
            "edges one stud's width apart",
            trouble="An odd hit may be a pipe: read again. They differ: the screw leads, probe under the plate.",
        )
    datum = at(room).datum_mm
    chain.add(
        wall,
        "datum",
        "Draw one level line past the outer holes; every height is taken from it",
        minutes=8.0,
        tools=("level", "pencil"),
        numbers=(
            Number(
                key="datum",
                label="above the floor at the survey's point",
                text=at.text(datum),
                value_mm=datum,
                play_mm=at.default(DayDefaults.mark_play_mm),
            ),
        ),
        check=f"level {at.within(at.default(DayDefaults.mark_play_mm))} end to end",
        why="floor and ceiling are not level",
        trouble="Carried on from the ceiling, the error of the ceiling hangs on the wall.",
    )
    if at(cleat_edge) is None and not at(cleat_stands):
        drop, play = at(drop_mm), at.default(DayDefaults.mark_play_mm)
        chain.add(
            wall,
            "drop",
            "Measure the drop with the real bracket in the real frame",
            minutes=3.0,
            tools=("tape",),
            face="back",
            numbers=(
                Number(
                    key="drop", label="hole to frame top", text=at.text(drop), value_mm=drop, play_mm=play
                ),
            ),
            readings=(
                Reading(
                    name="drop",
                    label="hole to frame top",
                    planned=drop,
                    told=at.text(drop),
                    tolerance=play,
                    allowed=at.allowed(play),
                    instrument="tape",
                    goes=field_of(Hanging.drop_mm).pointer,
                ),
            ),
            waits=(Milestone.SQUARE,),
            things=(("read", "drop"),),
            check="as the plan has it: tables differ",
            trouble="Another number: type it, and every upper hole moves by it.",
        )


def _hole(at: Ask, chain: Chain, mark: HoleMark) -> None:
    hole, play, up = mark.hole, at(side_play_mm), at.default(DayDefaults.mark_play_mm)
    hooked = (hooked_across(at, mark), hooked_up(at, mark))
    numbers = tuple(
        Number(
            key=f"{hole.key}/{way}", label=f"from {where}", text=at.text(reads), value_mm=reads, play_mm=much
        )
        for way, (where, reads), much in zip(("across", "up"), hooked, (play, up), strict=True)
    )
    readings = (
        Reading(
            name="x_mm",
            label="from the left wall end",
            planned=hole.x_mm,
            told=at.text(hole.x_mm),
            tolerance=play,
            allowed=at.allowed(play),
            instrument="tape",
        ),
        Reading(
            name="y_mm",
            label="above the floor",
            planned=hole.y_mm,
            told=at.text(hole.y_mm),
            tolerance=up,
            allowed=at.allowed(up),
            instrument="tape and level",
        ),
    )
    stands, drilled = at(cleat_stands), at(drill)
    chain.add(
        Phase.WALL,
        f"drill-{hole.key}",
        f"Check the screw that is up: {hole.name}" if stands else f"Mark and drill: {hole.name}",
        face="front",
        minutes=A_HOLE,
        tools=("tape", "level", "drill", f"bit {at(bit)}" if at(fixing).drill_mm else "no bit", "vacuum"),
        caution="drilling",
        numbers=numbers,
        things=(("drill", hole.key),),
        gives=(Milestone.DRILLED,),
        marks=(f"hole-{hole.key}",),
        readings=readings,
        item=FACTS,
        beside=(("hole", hole.key), ("state", "drilled")),
        blocked=(("hole", hole.key), ("state", "blocked")),
        check=f"drill {drilled.text if drilled else at(bit)}; wood all the way, or solid wall",
        trouble="It turns free: stop. Probe to each side, and say “not possible here”; the rest is planned anew.",
    )


def _fixed(at: Ask, chain: Chain, holes: list[str]) -> None:
    wall, stands = Phase.WALL, at(cleat_stands)
    edge = at(cleat_edge)
    if edge is not None:
        chain.add(
            wall,
            "cleat",
            "Check the wall piece that is up: level, every screw tight, no rock under a hard pull"
            if stands
            else "Hold the wall piece to its line, first screw at the middle stud, level it, then the others",
            people=2,
            minutes=15.0,
            tools=("level", "driver"),
            caution="ladders",
            waits=tuple(f"{KEY}/drill-{hole}" for hole in holes),
            gives=(Milestone.DRILLED,),
            things=of("fix", holes),
            marks=tuple(f"hole-{hole}" for hole in holes),
            numbers=(
                Number(
                    key="cleat-edge",
                    label=f"its front edge {'above' if edge.from_datum_mm >= 0.0 else 'below'} the datum line",
                    text=at.text(abs(edge.from_datum_mm)),
                    value_mm=edge.from_datum_mm,
                    play_mm=at.default(DayDefaults.mark_play_mm),
                ),
            ),
            check=f"level over its whole length; {at(bought_fixing)} in every stud it crosses",
            trouble="Level lost as it tightens: back off a turn, hold, drive.",
        )
        return
    proud = at(way) is Way.PROUD_SCREWS or at(lay) is ScrewLay.KEYHOLE
    out = at.field(Hanging.proud_mm)
    for hole in holes:
        name = hole_name(hole)
        chain.add(
            wall,
            f"fix-{hole}",
            f"Drive the screw: {name}" + (f", head out {at.text(out)}" if proud else ", level, then tight"),
            face="front",
            minutes=A_SCREW,
            tools=("driver", "level"),
            waits=(f"{KEY}/drill-{hole}",),
            gives=(Milestone.DRILLED,),
            things=(("fix", hole),),
            marks=(f"hole-{hole}",),
            check="no rock under a hard pull" if not proud else "the spare bracket goes on by hand",
            numbers=(
                Number(
                    key="proud",
                    label="head out of the wall",
                    text=at.text(out),
                    value_mm=out,
                    play_mm=at.default(DayDefaults.standoff_play_mm),
                ),
            )
            if proud
            else (),
            parts=(at(bought_fixing),),
            trouble="It spins: the stud is missed, or the plug turns. Out, and probe beside it.",
        )


def _dry(at: Ask, chain: Chain) -> None:
    level = at.default(AlignDefaults.hang_level_mm_m) * at(screen).overall_width_mm / 1000.0
    dry, center = Phase.DRY, at.default(WallDefaults.center_mm)
    ready = (Milestone.DRILLED, Milestone.SQUARE)
    chain.add(
        dry,
        "dry-on",
        "Hang the empty frame, while no fabric is in it",
        people=2,
        minutes=5.0,
        waits=ready,
        caution="lifting",
        lies="standing",
        things=(("hang", "empty frame"),),
        check="sits at every support",
        why="weight, dust and doubt come before the fabric does",
    )
    chain.add(
        dry,
        "dry-read",
        "Read how much each end of the top is too high, and both side gaps",
        people=2,
        minutes=5.0,
        tools=("level", "tape"),
        item=DRY,
        things=(("read", "dry fit"),),
        readings=(
            Reading(
                name="left_mm",
                label="left end too high (− too low)",
                kind="signed",
                planned=0.0,
                told="level",
                tolerance=level,
                allowed=at.allowed(level),
                instrument="level",
            ),
            Reading(
                name="right_mm",
                label="right end too high (− too low)",
                kind="signed",
                planned=0.0,
                told="level",
                tolerance=level,
                allowed=at.allowed(level),
                instrument="level",
            ),
            Reading(name="gap_left_mm", label="frame to left wall end", instrument="tape"),
            Reading(name="gap_right_mm", label="frame to right wall end", instrument="tape"),
        ),
        check=f"level {at.within(level)}, gaps as planned {at.within(center)}",
        trouble="Off: move each bracket by the error at its own place, and read again.",
    )
    chain.add(
        dry,
        "dry-off",
        "Take the empty frame off again; tighten the brackets",
        people=2,
        minutes=4.0,
        caution="lifting",
        gives=(Milestone.DRY,),
        things=(("take off", "empty frame"),),
        check="nothing on the wall rocks",
    )
    padding = at(pads)
    if padding is not None:
        chain.add(
            dry,
            "pads",
            "Put what keeps the bottom off the wall at its place",
            minutes=4.0,
            free=True,
            waits=(Milestone.SQUARE,),
            face="back",
            things=(("fit", "pads"),),
            numbers=tuple(
                Number(
                    key=f"pad-{side}",
                    label=f"lower {side}, from the front",
                    text=at.text(thick),
                    value_mm=thick,
                    play_mm=at.default(DayDefaults.standoff_play_mm),
                )
                for side, thick in (("left", padding.left_mm), ("right", padding.right_mm))
            ),
            check="as thick as the standoff above, or the screen leans",
        )
