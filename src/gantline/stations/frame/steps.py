"""The frame's steps: boards cut and joined, or a kit from its box; square before tight, tight before the fabric."""

from collections.abc import Iterator
from typing import Any

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import A_CUT, GLUE_IDLE, READING
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Reading, Step, of
from gantline.core.defaults import DayDefaults, FrameDefaults
from gantline.core.frame.pieces import Joint, Piece
from gantline.core.materials import short_of
from gantline.job.field import field_of
from gantline.job.model.frame import Blank, BoxPart, FrameBuild, SquareReadings
from gantline.plan.ask import Ask
from gantline.stations.common import timber
from gantline.stations.frame.built import planned_mm
from gantline.stations.frame.solve import PutIn, parts_into, pieces, pocket_screw

KEY = "frame"
SQUARE = (
    (SquareReadings.top_mm, "top, outside"),
    (SquareReadings.bottom_mm, "bottom, outside"),
    (SquareReadings.left_mm, "left side, from the front"),
    (SquareReadings.right_mm, "right side, from the front"),
    (SquareReadings.rising_mm, "lower left to upper right"),
    (SquareReadings.falling_mm, "upper left to lower right"),
)
SIDES = 4  # of the six readings


def steps(at: Ask) -> Iterator[Step]:
    """The floor, then the boards or the box, to a frame that is square, tight and free of edges."""
    chain = Chain(KEY)
    if not at(timber):
        _box(at, chain)
    chain.add(
        Phase.BOX,
        "floor",
        "Sweep the floor and lay a clean sheet, larger than the frame all round",
        minutes=8.0,
        tools=("broom", "sheet"),
        check="no grit under the palm",
        trouble="No room: trestles, or another room.",
        caution="fabric",
    )
    chain.add(
        Phase.BOX,
        "trays",
        "Set up trestles or level bearers at table height; saw, screws and staples on one side"
        if at(timber)
        else "Put screws, holds and spares in trays beside the sheet, by kind; nothing inside the frame",
        minutes=4.0,
        tools=("trestles",) if at(timber) else ("trays",),
        check="level, and no reaching over"
        if at(timber)
        else "spares apart, and no metal where the fabric will lie",
        trouble="No trestles: work on the floor with knee pads, and rest often."
        if at(timber)
        else "Mixed screws: sort them by head and length now.",
    )
    if at(timber):
        _boards(at, chain)
    else:
        _kit(at, chain)
    yield from chain


def _box(at: Ask, chain: Chain) -> None:
    parts = at.things(FrameBuild.parts)
    missing = [
        part.name
        for part in parts
        if part.found is not None and short_of(part.count, at.of(part, BoxPart.spare), part.found)
    ]
    chain.add(
        Phase.BOX,
        "count",
        "Count every part against the kit sheet; long and short rods apart; the tube stays shut",
        minutes=12.0,
        tools=("kit sheet", "trays"),
        things=of("count", [f"part {part.id}" for part in parts]) or (("count", "box"),),
        gives=(Milestone.COUNTED,),
        check=f"short: {', '.join(missing)}"[:160] if missing else "counts agree with the sheet",
        trouble="A leaflet swaps long and short rods: measure the hems, and note what was found. A part is missing: do what "
        "needs it not, and book a second visit.",
    )


def _square(at: Ask, name: str) -> tuple[Reading, ...]:
    wide, high = at(planned_mm)
    diagonal = (wide**2 + high**2) ** 0.5
    wanted = (wide, wide, high, high, diagonal, diagonal)
    spread = (
        *(at.default(FrameDefaults.side_spread_mm),) * SIDES,
        *(at.default(FrameDefaults.diagonal_spread_mm),) * 2,
    )
    return tuple(
        Reading(
            name=field_of(named).name,
            label=label,
            planned=value,
            told=at.text(value),
            tolerance=allowed,
            allowed=at.allowed(allowed),
            instrument="tape",
            goes=field_of(named).pointer if name == "square" else "",
        )
        for (named, label), value, allowed in zip(SQUARE, wanted, spread, strict=True)
    )


def _reads_square(at: Ask, chain: Chain, name: str, text: str, **more: Any) -> None:
    chain.add(
        Phase.FRAME,
        name,
        text,
        face="back",
        lies="face down",
        minutes=6.0 * READING,
        tools=("tape",),
        readings=_square(at, name),
        check="diagonals alike and opposite sides alike: diagonals alone do not prove it",
        trouble="Out of square: loosen, push the long diagonal shorter, read again.",
        **more,
    )


def _cuts(at: Ask, chain: Chain, boards: tuple[Piece, ...]) -> None:
    groups: dict[tuple[str, float], list[Piece]] = {}
    for piece in boards:
        groups.setdefault((piece.role, round(piece.length_mm, 2)), []).append(piece)
    for (role, _), alike in groups.items():
        letters = [piece.letter for piece in alike]
        first = alike[0]
        chain.add(
            Phase.FRAME,
            f"cut-{letters[0]}",
            f"Cut {len(letters)} {role}{'s' if len(letters) > 1 else ''} against one stop: {', '.join(letters)}",
            why="opposite pieces against one stop are alike, whatever the tape says",
            numbers=(
                Number(
                    key=f"piece-{letters[0]}",
                    label=f"length, {first.ends}",
                    text=at.text(first.length_mm),
                    value_mm=first.length_mm,
                    play_mm=at.default(DayDefaults.cut_play_mm),
                ),
            ),
            minutes=A_CUT * len(letters),
            tools=("saw", "stop", "tape"),
            caution="saws",
            things=of("cut", letters),
            marks=tuple(f"piece-{letter}" for letter in letters),
            check="the pair laid side by side is one length",
            trouble="Border added to the diagonal gives the wrong ratio: the lengths here have it already.",
        )


def _boards(at: Ask, chain: Chain) -> None:
    boards = at(pieces)
    if isinstance(boards, str):
        return
    letters = [piece.letter for piece in boards]
    removable = bool(at.field(FrameBuild.removable))
    braces = [piece.letter for piece in boards if piece.role == "brace"]
    chain.add(
        Phase.FRAME,
        "sight",
        "Sight every board along edge and face; the straightest go to the rails",
        minutes=25.0,
        tools=("string",),
        check=f"crook {at.allowed(at.default(FrameDefaults.crook_mm))}, "
        f"bow {at.allowed(at.default(FrameDefaults.bow_mm))} at most",
        trouble="The top of the pile taken: most are rejected. Take time at the shop.",
    )
    _cuts(at, chain, boards)
    if at.field(FrameBuild.joint) in (Joint.BUTT_RAILS, Joint.BUTT_STILES):
        screw = at(pocket_screw)
        chain.add(
            Phase.FRAME,
            "bore",
            "Bore two pockets at each end that meets another piece, all on the back",
            face="back",
            lies="face down",
            minutes=20.0,
            tools=("pocket jig", "drill"),
            check="all on one face; one test piece joined, and no tip through",
            trouble="A screw that is too long prints its tip through the fabric"
            + (f": {at.text(screw)} here." if screw else "."),
        )
    chain.add(
        Phase.FRAME,
        "dry-fit",
        "Lay the pieces out dry, best faces down; mark TOP on the back",
        face="back",
        lies="face down",
        minutes=10.0,
        tools=("pencil",),
        things=of("lay", letters),
        check="every joint shut by hand",
    )
    chain.add(
        Phase.FRAME,
        "join",
        "Glue, clamp flush and screw each joint on level bearers"
        + ("; braces without glue" if removable and braces else ""),
        face="back",
        lies="face down",
        minutes=35.0,
        tools=("clamps", "driver", "glue"),
        things=of("join", letters),
        check="a fingertip across each joint feels no step",
        trouble="A joint creeps as the screw draws: clamp it across first.",
    )
    _reads_square(
        at,
        chain,
        "square",
        "Read both diagonals and all four sides before the glue takes",
        idle=GLUE_IDLE,
        things=(("read", "square"),),
        gives=(Milestone.SQUARE,),
    )
    if at.field(FrameBuild.plates) != "none":
        both = at.field(FrameBuild.plates) == "both"
        chain.add(
            Phase.FRAME,
            "plates",
            f"Screw flat plates over the corners, on {'both faces' if both else 'the back'}, clear of the staple line",
            face="back",
            minutes=15.0,
            tools=("driver", "plates"),
            things=of("plate", ("corners",)),
            check=f"square again; no tip nearer the face than {at.fine(at.default(FrameDefaults.fastener_clear_mm))}",
            trouble="A plate in the staple line: move it inward.",
        )
    chain.add(
        Phase.FRAME,
        "sand",
        "Sand the joints flush, round edges and corners, vacuum, wipe",
        lies="face up",
        minutes=40.0,
        tools=("sander", "mask", "vacuum"),
        gives=(Milestone.READY,),
        check="a fingertip across each joint feels no step: every line prints through",
    )
    _behind(at, chain, braces)


def _behind(at: Ask, chain: Chain, braces: list[str]) -> None:
    """What goes in behind the fabric, and what comes out again, before the fabric is there."""
    if at.field(Blank.backing):
        washers = ", washers between it and the braces" if braces else ""
        back = at.text(at.default(FrameDefaults.brace_setback_mm))
        chain.add(
            Phase.FRAME,
            "velvet",
            f"{'Tack' if at(timber) else 'Fix'} black velvet inside the frame, {back} behind the fabric{washers}",
            face="back",
            lies="face up",
            minutes=25.0,
            tools=("tack hammer", "shears") if at(timber) else ("shears",),
            gives=(Milestone.READY,),
            things=(("line", "velvet"),),
            check="nothing touches where the fabric will lie",
            trouble="It prints through: more washers.",
        )
    if braces and bool(at.field(FrameBuild.removable)):
        out = "braces out: chalk each place" if len(braces) > 1 else "brace out: chalk its place"
        chain.add(
            Phase.FRAME,
            "braces-out",
            f"Take the {out}, keep the screws in a bag",
            face="back",
            lies="face down",
            minutes=6.0,
            tools=("driver", "chalk"),
            gives=(Milestone.READY,),
            things=of("take out", braces),
            check="diagonals as they were",
            trouble="Out of true without them: put them back, and check the corners' screws.",
        )


def _tracks(at: Ask, chain: Chain) -> None:
    """What the kit's own sheet puts into a joint or a track, each part by its name and count."""
    for part in at(parts_into, "joint"):
        _put(
            chain,
            part,
            "joint",
            f"Put {part.count} {part.name} in the joints{_facing(part)}, before the sides meet",
            check=f"{part.count} in all; each seen or felt in its place",
            trouble="One left out or changed over: pull that joint apart now, not later.",
        )
    for part in at(parts_into, "track"):
        pushed = "; each pushed to its arrow, notch or hole" if part.holds else ""
        _put(
            chain,
            part,
            "track",
            f"Slide {part.count} {part.name} into their tracks{_facing(part)}; count twice",
            check=f"{part.count} in all, the right way round{pushed}",
            trouble="One left out: open that corner again, never force it.",
        )


def _facing(part: PutIn) -> str:
    return f", {part.facing}" if part.facing else ""


def _put(chain: Chain, part: PutIn, place: str, text: str, **more: Any) -> None:
    chain.add(
        Phase.FRAME,
        f"into-{part.id}",
        text[:LONGEST_TEXT],
        free=True,
        face="back",
        lies="face down",
        minutes=4.0,
        waits=(Milestone.COUNTED,),
        gives=(Milestone.TRACKS,),
        into=(place,),
        parts=(part.name,),
        things=of("slide in" if place == "track" else "put in", [f"part {part.id}"]),
        **more,
    )


def _kit(at: Ask, chain: Chain) -> None:
    chain.add(
        Phase.FRAME,
        "lay",
        "Lay the frame pieces as a rectangle, face down; tape TOP on the back",
        face="back",
        lies="face down",
        minutes=4.0,
        tools=("tape",),
        waits=(Milestone.COUNTED,),
        check=f"label {at.given(FrameBuild.label_at) or 'at the bottom'}; seen from the back, left and right are changed",
        trouble="A turned piece has its slot on the wrong side: turn it now.",
    )
    chain.add(
        Phase.FRAME,
        "joiners",
        "Push the joiners into the half rails and start every screw by hand",
        lies="face down",
        minutes=8.0,
        tools=("driver",),
        things=of("join", ("rail halves",)),
        check="each screw turns freely",
        trouble="A screw crosses: back it out, start again.",
    )
    _tracks(at, chain)
    chain.add(
        Phase.FRAME,
        "corners",
        "Put the corner pieces in the long rails, then the short sides on; all screws by hand",
        lies="face down",
        people=2,
        minutes=6.0,
        tools=("driver",),
        waits=(Milestone.TRACKS,),
        closes=("track", "joint"),
        things=of("join", ("corners",)),
        check="gaps shut; what slides in the tracks has been counted twice",
        trouble="A part left out: open one corner, never force it.",
    )
    _reads_square(
        at,
        chain,
        "square",
        "Read both diagonals and all four sides; push the long one shorter; tighten crosswise",
        things=(("read", "square"),),
        gives=(Milestone.SQUARE,),
    )
    torque = at.given(FrameBuild.joint_torque_nm)
    if torque:
        chain.add(
            Phase.FRAME,
            "torque",
            f"Tighten every joint's screws crosswise, at most {torque:g} N·m",
            lies="face down",
            minutes=5.0,
            tools=("torque driver",),
            things=of("tighten", ("joints",)),
            check="diagonals as they were",
            trouble="A thread strips: the next longer screw, by hand.",
        )
    chain.add(
        Phase.FRAME,
        "edges",
        "Feel along every edge that the fabric will meet",
        minutes=2.0,
        lies="face down",
        gives=(Milestone.READY,),
        check="no burr, no sharp end, nothing loose inside the frame",
    )
    _behind(at, chain, [])
