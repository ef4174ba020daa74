"""The trim's steps: light tested before it is stuck, the border laid, an outer frame closed only when its gaps agree."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import READING
from gantline.core.day.step import LONGEST_TEXT, Milestone, Number, Phase, Reading, Step, of
from gantline.core.defaults import DayDefaults, FrameDefaults
from gantline.core.frame.pieces import even_places
from gantline.job.field import field_of
from gantline.job.model.frame import Backlight, FrameBuild, SquareReadings, Trim
from gantline.plan.ask import Ask
from gantline.stations.common import timber
from gantline.stations.frame import outer_frame, parts_into, trim_parts
from gantline.stations.size import screen
from gantline.stations.trim.solve import border_kind, feed, spacers, strip, tape, tape_width_mm

KEY = "trim"
GAPS = (
    (SquareReadings.gap_top_left_mm, "top left, from the front"),
    (SquareReadings.gap_top_right_mm, "top right, from the front"),
    (SquareReadings.gap_bottom_left_mm, "bottom left, from the front"),
    (SquareReadings.gap_bottom_right_mm, "bottom right, from the front"),
)


def steps(at: Ask) -> Iterator[Step]:
    """What hides the holds goes on after the look."""
    chain = Chain(KEY)
    if at.field(Backlight.there):
        _light(at, chain)
    if at(outer_frame):
        _outer(at, chain)
    _put_on(at, chain)
    if at(border_kind) in ("tape", "velvet"):
        _border(at, chain)
    yield from chain


def _light(at: Ask, chain: Chain) -> None:
    run, wire, strips = at(strip), at(feed), at(spacers)
    trim = Phase.TRIM
    chain.add(
        trim,
        "light-test",
        "Light every color of the strip on the bench before anything is stuck",
        minutes=5.0,
        tools=("supply",),
        caution="backlight",
        waits=(Milestone.LOOKED,),
        things=(("test", "strip before"),),
        check="every color, no dark piece",
        trouble="A dark piece: change the reel now.",
    )
    if strips is not None and not isinstance(strips, str):
        chain.add(
            trim,
            "spacers",
            "Nail the spacer strips along the line of the holds, corners eased",
            face="back",
            lies="face down",
            minutes=35.0,
            tools=("brad gun", "goggles"),
            things=of("nail", ("spacer strips",)),
            check="one plane all round",
            trouble="A brad longer than strip and frame together comes through the face.",
        )
    if run is not None and not isinstance(run, str):
        chain.add(
            trim,
            "strip",
            "Stick the strip from its feed corner all round; loops at the corners, fixed as planned",
            face="back",
            lies="face down",
            minutes=50.0,
            tools=("glue gun",),
            things=(("stick", "strip"),),
            numbers=(
                Number(
                    key="strip_cut",
                    label="cut at a mark",
                    text=at.text(run.cut_mm),
                    value_mm=run.cut_mm,
                    play_mm=at.default(DayDefaults.strip_play_mm),
                ),
            ),
            check="no dark gap at a corner",
            trouble="Too short: the cut is at a mark, and the rest is a piece with a plug.",
        )
    if wire is not None:
        chain.add(
            trim,
            "feed",
            "Plug the feed wire at the frame, and tie it where it leaves",
            face="back",
            minutes=5.0,
            caution="backlight",
            things=(("plug", "feed"),),
            check="a connector, so that the screen comes off the wall",
        )
    chain.add(
        trim,
        "light-again",
        "Light every color again, stuck down",
        minutes=3.0,
        caution="backlight",
        gives=(Milestone.TRIMMED,),
        things=(("test", "strip after"),),
        check="as before it was stuck",
    )


def _outer(at: Ask, chain: Chain) -> None:
    trim = Phase.TRIM
    spread = at.default(FrameDefaults.corner_gap_mm)
    names = [field_of(named).name for named, _ in GAPS]
    clips = at.given(FrameBuild.outer_by) == "clips"
    slid = [f"{part.count} {part.name}" for part in at(parts_into, "outer")] or [
        "the clips of each half" if clips else "the nuts of each half"
    ]
    chain.add(
        trim,
        "outer-join",
        f"Slide {' and '.join(slid)} in, then join the outer frame's long sides"[:LONGEST_TEXT],
        minutes=6.0,
        waits=(Milestone.LOOKED,),
        things=of("join", ("outer rails",)),
        into=("outer corners",),
        check="a nail feels no seam",
        trouble="One forgotten: open the seam.",
    )
    chain.add(
        trim,
        "outer-on",
        "Set the long sides on, label bottom to bottom, then the short ones; press flush",
        people=2,
        minutes=6.0,
        lies="face up",
        things=of("put on", ("outer frame",)),
        closes=("holds",),
        check="flush all along; no seam opens",
        trouble="A bulge: a spring's end or film lies under it.",
    )
    chain.add(
        trim,
        "outer-gaps",
        "Read the four corner gaps before anything is tight",
        lies="face up",
        minutes=4.0 * READING,
        tools=("feeler gauge",),
        things=(("read", "corner gaps"),),
        readings=tuple(
            Reading(
                name=field_of(named).name,
                label=label,
                instrument="feeler gauge",
                goes=field_of(named).pointer,
            )
            for named, label in GAPS
        ),
        alike=tuple((names[0], other, spread) for other in names[1:]),
        check=f"alike {at.within(spread)}",
        trouble="One open: loosen that side only, and press.",
    )
    chain.add(
        trim,
        "outer-tight",
        _tight(at)[:LONGEST_TEXT],
        lies="face up",
        minutes=6.0,
        tools=("driver",),
        caution="kit-caps",
        closes=("outer corners",),
        things=of("tighten", ("outer frame",)),
        check="gaps as they were",
        trouble="A cap cracks: by hand, never by machine.",
    )
    chain.add(
        trim,
        "outer-sag",
        _sag(at),
        lies="face down",
        minutes=4.0,
        numbers=tuple(_sag_places(at)),
        gives=(Milestone.TRIMMED,),
        things=of("fit", ("sag hooks",)),
        check="the rail closes all along; a little play is right",
        trouble="It sags: a hook is missing.",
    )


def _put_on(at: Ask, chain: Chain) -> None:
    """What else of a kit waits for a sheet that holds: an edge trim, caps."""
    torque = at.given(FrameBuild.cap_torque_nm)
    for part in () if at(outer_frame) else at(trim_parts):
        chain.add(
            Phase.TRIM,
            f"on-{part.id}",
            f"Put on the {part.name}, {part.count} in all, from the middles to the corners"[:LONGEST_TEXT],
            lies="face up",
            minutes=15.0,
            tools=("driver",) if torque else (),
            caution="kit-caps" if torque else "fabric",
            waits=(Milestone.LOOKED,),
            gives=(Milestone.TRIMMED,),
            parts=(part.name,),
            things=of("put on", [f"part {part.id}"]),
            check="corners even, the fabric not drawn in" + (f"; at most {torque:g} N·m" if torque else ""),
            trouble="It will not close: a point or a fold lies under it. Take it off there, never force it.",
        )


def _tight(at: Ask) -> str:
    """Clips or screws of the outer frame by their count, then the caps."""
    torque, by = at.given(FrameBuild.cap_torque_nm), at.given(FrameBuild.outer_by)
    rails, stiles = at.given(FrameBuild.outer_rail_count), at.given(FrameBuild.outer_stile_count)
    counts = [
        f"{count} on each {side}" for count, side in ((rails, "long side"), (stiles, "short side")) if count
    ]
    verb = {"clips": "Snap the outer frame's clips", "screws": "Tighten the outer frame's screws"}.get(
        by or "", "Tighten the outer frame"
    )
    caps = f"caps last, at most {torque:g} N·m" if torque else "caps last"
    counted = f", {' and '.join(counts)}" if counts else ""
    return f"{verb}{counted}; {caps}"


def _sag(at: Ask) -> str:
    count = at.given(FrameBuild.sag_hooks)
    if not count:
        return "Set the hooks against sag at the middles of the long sides, bottom first"
    many = "the hook" if count == 1 else f"{count} hooks"
    return f"Set {many} against sag on each long side, evenly spread, bottom first"


def _sag_places(at: Ask) -> Iterator[Number]:
    """Where the hooks sit, evenly spread between the rail's ends."""
    count, long = at.given(FrameBuild.sag_hooks), at(screen).overall_width_mm
    for number, place in enumerate(even_places(long, count or 0), start=1):
        yield Number(
            key=f"sag {number}",
            label=f"hook {number}, from the end",
            text=at.text(place),
            value_mm=place,
            play_mm=at.default(DayDefaults.sag_hook_play_mm),
        )


def _border(at: Ask, chain: Chain) -> None:
    trim, wide = Phase.TRIM, at(tape_width_mm)
    to_picture = bool(at.field(Trim.to_picture))
    waits = (Milestone.LOOKED, *((Milestone.WARM,) if to_picture else ()))
    play = at.default(DayDefaults.border_play_mm)
    width = Number(key="tape_width", label="wide", text=at.text(wide), value_mm=wide, play_mm=play)
    for piece in at(tape):
        long = Number(
            key=f"border {piece.name}",
            label="long",
            text=at.text(piece.length_mm),
            value_mm=piece.length_mm,
            play_mm=at.default(DayDefaults.cut_play_mm),
        )
        chain.add(
            trim,
            f"border-{piece.name.replace(' ', '-')}",
            f"Cut and lay the border's {piece.name} piece in one go, without stretching it",
            lies="face up",
            minutes=8.0,
            people=1,
            tools=("knife", "rule"),
            caution="trimming",
            waits=waits,
            numbers=(long, width),
            things=(("lay", f"border {piece.name}"),),
            gives=(Milestone.TRIMMED,),
            check=f"width true {at.within(play)} along its whole edge",
            trouble="Askew: lift it slowly from its end, lay it again.",
        )
    if not at(timber):
        return
    chain.add(
        trim,
        "border-look",
        "Look at all four corners of the border from three steps back",
        minutes=2.0,
        lies="standing",
        check="corners closed, one width",
    )
