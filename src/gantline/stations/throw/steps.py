"""The projector's own steps: where it stands or hangs, and what it needs before a picture can be read."""

from collections.abc import Iterator

from gantline.core.day.chain import Chain
from gantline.core.day.minutes import WARM_IDLE
from gantline.core.day.step import Milestone, Number, Phase, Step
from gantline.core.defaults import ThrowDefaults
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, hung, mount_kind
from gantline.stations.throw.lens import in_front
from gantline.stations.throw.mount import mounted

KEY = "throw"


def steps(at: Ask) -> Iterator[Step]:
    """None until the lens has a place."""
    chain, place = Chain(KEY), at(in_front)
    if place is None:
        return
    picture = Phase.PICTURE
    mount = at(mounted)
    if at(hung) and mount is not None:
        _mount(at, chain)
    elif at(mount_kind) == CABINET:
        chain.add(
            Phase.LOOK,
            "cabinet",
            "Level the cabinet both ways; shim its feet before anything is measured from it",
            minutes=10.0,
            tools=("level", "shims"),
            things=(("level", "cabinet"),),
            check="level both ways: the picture follows it",
            trouble="Shimmed later, every reading is taken again.",
        )
    slack = at.default(ThrowDefaults.place_tolerance_mm)
    numbers = tuple(
        Number(key=f"lens-{key}", label=label, text=at.text(value), value_mm=value, play_mm=slack)
        for key, label, value in (
            ("distance", "lens to fabric", place.distance_mm),
            ("height", "lens above the floor", place.y_mm),
            ("across", "lens from the left wall end", place.x_mm),
        )
    )
    chain.add(
        picture,
        "place",
        "Put the body at its place, level both ways; tape where it stands",
        minutes=10.0,
        numbers=numbers,
        tools=("level", "tape"),
        free=True,
        waits=(Milestone.HUNG,),
        things=(("place", "body"),),
        caution="overhead" if at(hung) else "",
        check="level along and across",
        trouble="A soft foot: shim it, or it turns when it is touched.",
    )
    chain.add(
        picture,
        "warm",
        "Switch it on, show a full grid, take every digital correction out; let it warm up",
        minutes=3.0,
        idle=WARM_IDLE,
        caution="light",
        gives=(Milestone.WARM,),
        things=(("switch on", "projector"),),
        check="all corrections at zero",
    )
    chain.add(
        picture,
        "menu",
        "Focus until the menu can be read; set front, " + ("ceiling" if at(hung) else "table"),
        minutes=2.0,
        waits=(Milestone.WARM,),
        things=(("set", "menu"),),
        check="text upright, not mirrored",
        trouble="Upside down at first is normal for a body on a ceiling.",
    )
    yield from chain


def _mount(at: Ask, chain: Chain) -> None:
    mount = at(mounted)
    if mount is None:
        return
    slack = at.default(ThrowDefaults.place_tolerance_mm)
    numbers = tuple(
        Number(key=f"mount-{key}", label=label, text=at.text(value), value_mm=value, play_mm=slack)
        for key, label, value in (
            ("across", "plate from the left wall end", mount.x_mm),
            ("out", "plate from the screen wall", mount.z_mm),
            ("pole", "pole, plate to body", mount.pole_mm),
        )
    )
    chain.add(
        Phase.WALL,
        "plate",
        "Find the joist's two edges, pilot its middle, screw the plate with washers",
        people=2,
        minutes=30.0,
        numbers=numbers,
        tools=("sensor", "drill", "ratchet"),
        caution="overhead",
        free=True,
        things=(("drill", "plate"),),
        gives=(Milestone.DRILLED,),
        check="no play under a hard pull",
        trouble="No wood all through: the next joist or blocking; the cable follows the plate.",
    )
    chain.add(
        Phase.WALL,
        "pole",
        "Screw the pole in and lock it; cable through; safety cord on",
        minutes=10.0,
        caution="overhead",
        waits=(f"{KEY}/plate",),
        free=True,
        things=(("fit", "pole"),),
        gives=(Milestone.DRILLED,),
        check="plumb",
        trouble="The lens would hang high: a longer pole, never a tilt.",
    )
