"""The picture onto the frame: body before lens, lens before digital, focus before size, blanking last; then the handover."""

from collections.abc import Iterator

from gantline.core.align.corners import CORNERS, NAMES
from gantline.core.day.chain import Chain
from gantline.core.day.step import Milestone, Phase, Reading, Step
from gantline.core.wall.ways import KINDS
from gantline.job.field import field_of
from gantline.job.model.align import Aligned
from gantline.job.model.frame import FrameBuild
from gantline.job.model.light import FabricChoice
from gantline.plan.ask import Ask
from gantline.stations.align.solve import aim, wanted_mm, within_mm
from gantline.stations.common import way
from gantline.stations.throw import in_front

KEY = "align"
ROUNDS = f"{field_of(Aligned.rounds).pointer}/-"
AXES = {"x": "sideways", "y": "up or down"}


def steps(at: Ask) -> Iterator[Step]:
    """Reading by reading; none of the picture until the lens has a place."""
    chain = Chain(KEY)
    if at(in_front) is not None:
        _picture(at, chain)
    _handover(at, chain)
    yield from chain


def _picture(at: Ask, chain: Chain) -> None:
    picture = Phase.PICTURE
    wanted, within = (at(wanted_mm), at(within_mm)) if at(aim) is not None else (0.0, 3.0)
    chain.add(
        picture,
        "top",
        "Shift the picture's top edge onto the frame's top; zoom until it is nearly full",
        minutes=5.0,
        free=True,
        waits=(Milestone.WARM, Milestone.CENTERED),
        things=(("shift", "picture"),),
        caution="lens-light",
        check="the top edge is level",
    )
    chain.add(
        picture,
        "corners",
        "Read all four corners, sideways and up; make the moves that Align gives; read again",
        people=2,
        minutes=15.0,
        tools=("tape",),
        item=ROUNDS,
        things=(("read", "corners"),),
        face="front",
        readings=tuple(
            Reading(
                name=f"{corner}_{axis}_mm",
                label=f"{NAMES[corner]}, {words}",
                kind="signed",
                planned=wanted,
                told=at.text(wanted) if wanted else "on it",
                tolerance=within,
                allowed=at.allowed(within),
                instrument="tape",
            )
            for corner in CORNERS
            for axis, words in AXES.items()
        ),
        check=f"every corner {at.within(within)}",
        trouble="Going round in circles: half the move, then read. Body first, lens second.",
    )
    chain.add(
        picture,
        "focus",
        "Lights off; rack the focus through both ways, stop where pixels are sharp at center and corners",
        minutes=5.0,
        things=(("focus", "lens"),),
        check="pixels sharp, center and corners",
    )
    chain.add(
        picture,
        "size",
        "Set the last of the zoom, or slide the screen: focus has changed the size",
        minutes=3.0,
        things=(("zoom", "lens"),),
        check="overspill alike on all sides",
    )
    chain.add(
        picture,
        "digital",
        "Correct corners digitally only for what is left; blank the spill by whole lines",
        minutes=5.0,
        things=(("blank", "picture"),),
        check="no dark gap inside the frame",
        trouble="Too much: back by a line.",
    )
    chain.add(
        picture,
        "save",
        "Save as a lens memory; photograph every page of settings; set day and night modes",
        minutes=5.0,
        tools=("phone",),
        things=(("save", "settings"),),
        gives=(Milestone.ALIGNED,),
        check="not dazzling at night",
    )
    chain.add(
        picture,
        "light",
        "Meter the white at the center and in four corners, lights off",
        minutes=5.0,
        tools=("luminance meter",),
        things=(("read", "luminance"),),
        readings=tuple(
            Reading(
                name=field_of(named).name,
                label=label,
                kind="number",
                instrument="luminance meter",
                goes=field_of(named).pointer,
            )
            for named, label in (
                (Aligned.luminance, "center, cd/m²"),
                (Aligned.luminance_tl, "top left, cd/m²"),
                (Aligned.luminance_tr, "top right, cd/m²"),
                (Aligned.luminance_br, "bottom right, cd/m²"),
                (Aligned.luminance_bl, "bottom left, cd/m²"),
            )
        ),
    )


def _handover(at: Ask, chain: Chain) -> None:
    hand = Phase.HANDOVER
    chain.add(
        hand,
        "show",
        "Show how it comes off: who holds, which latch, top last; and the pull test",
        people=2,
        minutes=8.0,
        waits=(Milestone.HUNG, Milestone.ALIGNED),
        things=(("show", "client"),),
        check=f"{at.given(FrameBuild.comes_off) or KINDS[at(way)].comes_off}; the client has done it once",
    )
    care = at.given(FabricChoice.care)
    chain.add(
        hand,
        "care",
        "Say this fabric's care: hands off the face, cover it when unused, and what its maker says"
        if care
        else "Say the care: hands off the face, dust with a soft dry cloth, no solvent, cover it when unused",
        minutes=4.0,
        things=(("tell", "care"),),
        check=care or "",
    )
    chain.add(
        hand,
        "give",
        "Hand over spares, tools, leaflet, sizes, settings, the photo of the back, what is behind the wall",
        minutes=6.0,
        things=(("give", "papers"),),
        check="spares counted",
    )
    chain.add(
        hand,
        "leave",
        "Sweep up, count the tools, make the dates of the second looks",
        minutes=7.0,
        tools=("broom",),
        things=(("leave", "room"),),
    )
