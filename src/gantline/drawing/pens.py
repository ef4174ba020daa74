"""One table of pens: from a mark's role to how the screen, the paper and the DXF draw it.

The screen's style sheet, the paper's and the DXF's layers are all made from here. Ink and fill are names of
the screen's colors; a fill may be a share of one ("chalk 16"). Paper is black on white: its ink is a gray.
"""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Screen:
    """On the screen: ink and fill by color name, weight and dash [px], opacity."""

    ink: str = "quiet"
    weight: float = 1.0
    dash: str = ""
    fill: str = ""
    round: bool = False
    opacity: float = 1.0


@dataclass(frozen=True, slots=True)
class Paper:
    """On paper: gray of ink (empty: none) and fill, weight and dash [mm]."""

    ink: str = "#000"
    weight: float = 0.25
    dash: str = ""
    fill: str = ""


@dataclass(frozen=True, slots=True)
class Pen:
    """One role. dot: radius on the screen [px] and on paper [mm]. layer: of the DXF, with its color index.

    always: drawn even at stations that do not light it up.
    """

    screen: Screen
    paper: Paper
    dot: tuple[float, float] = (4.0, 1.0)
    layer: tuple[str, int] = ("", 0)
    always: bool = False


WALL = ("WALL", 8)
FRAME = ("FRAME", 7)
LENS = ("LENS", 6)
HOLES = ("HOLES", 2)
DIMENSIONS = ("DIMENSIONS", 4)
HATCH = "hatch"

PENS: Mapping[str, Pen] = {
    "wall": Pen(Screen("seam", fill="wall"), Paper(), layer=WALL, always=True),
    "ceiling": Pen(Screen("", fill=HATCH), Paper("", fill=HATCH), always=True),
    "floor": Pen(Screen("", fill=HATCH), Paper("", fill=HATCH), always=True),
    "back-wall": Pen(Screen("seam", 2), Paper(weight=0.2), always=True),
    "stud": Pen(
        Screen("stud-edge", fill="stud"), Paper("#888", 0.12, fill="#e4e4e4"), layer=("STUDS", 9), always=True
    ),
    "stud-missing": Pen(
        Screen("stop", 1, "2 6"), Paper("#888", 0.12, "0.5 2"), layer=("STUDS", 9), always=True
    ),
    "stud-rival": Pen(
        Screen("brass", 1.5, "8 5"), Paper("#888", 0.12, "3 1"), layer=("STUDS", 9), always=True
    ),
    "stud-next": Pen(Screen("brass", 2.5), Paper(weight=0.5), layer=("STUDS", 9)),
    "stud-edge": Pen(Screen("ink", 1.5, fill="bench"), Paper(weight=0.2, fill="#fff"), (3.5, 0.7)),
    "stud-center": Pen(Screen("ink", 1.5, fill="chalk"), Paper(weight=0.2, fill="#888"), (4.5, 0.9)),
    "stud-magnet": Pen(Screen("ink", 1.5, fill="brass"), Paper(weight=0.2, fill="#000"), (5, 1.0)),
    "stud-nothing": Pen(Screen("quiet", 1.5, "2 2", fill="bench"), Paper(weight=0.15, fill="#fff"), (4, 0.8)),
    "stud-stray": Pen(Screen("stop", 2.5, fill="bench"), Paper(weight=0.35, fill="#fff"), (5, 1.0)),
    "stud-predicted": Pen(
        Screen("stud-edge", dash="3 4"), Paper("#888", 0.12, "1 1"), layer=("STUDS", 9), always=True
    ),
    "joist": Pen(Screen("stud-edge", dash="9 5"), Paper("#aaa", 0.12)),
    "datum": Pen(Screen("chalk", 1.5, "14 5 2 5"), Paper(dash="5 1 1 1"), layer=("DATUM", 5), always=True),
    "frame": Pen(Screen("frame-edge", 2, fill="frame"), Paper(weight=0.6), layer=FRAME, always=True),
    "frame-clash": Pen(
        Screen("stop", 2.5, "8 5", "frame"), Paper(weight=0.6, dash="2 1"), layer=FRAME, always=True
    ),
    "picture": Pen(Screen("", fill="canvas"), Paper(fill="#f4f4f4"), layer=("VIEWABLE", 3), always=True),
    "limit": Pen(Screen("brass", 1.6, "2 5"), Paper(weight=0.18, dash="2 1")),
    "eye": Pen(Screen("chalk", dash="7 5"), Paper(weight=0.18, dash="2 1")),
    "interval": Pen(Screen("brass", 5, round=True), Paper(weight=0.6)),
    "fitting": Pen(Screen("quiet", 1.5, fill="lift"), Paper("#555", 0.2, fill="#fff"), always=True),
    "band": Pen(Screen("", fill="stop 12"), Paper("#999", 0.12, "1 1")),
    "box": Pen(Screen("quiet", fill="lift 80"), Paper("#555", 0.2, fill="#fff"), always=True),
    "box-cut": Pen(Screen("quiet", dash="4 3", fill="lift"), Paper("#555", 0.2, fill="#fff")),
    "behind": Pen(Screen("canvas-quiet", 1.5, "6 4"), Paper("#555", 0.25, "2 1"), always=True),
    "seat": Pen(Screen("ink", 2, fill="bench"), Paper(weight=0.35, fill="#fff"), (8, 1.4), always=True),
    "seat-main": Pen(Screen("ink", 2, fill="brass"), Paper(weight=0.35, fill="#000"), (9, 1.6), always=True),
    "lamp": Pen(Screen("brass", 3, fill="brass 30"), Paper(weight=0.35, fill="#fff"), (8, 1.4)),
    "sight": Pen(Screen("quiet", dash="2 5"), Paper("#aaa", 0.12)),
    "mask": Pen(Screen("", fill="frame 92"), Paper(fill="#ddd")),
    "mask-edge": Pen(Screen("brass", 1.5), Paper()),
    "light": Pen(Screen("chalk", dash="3 5", fill="canvas 9"), Paper("#999", 0.12, fill="#f6f6f6")),
    "shadow": Pen(Screen("stop", 1.5, fill="frame 72"), Paper("#555", 0.15, fill="#ccc")),
    "quad": Pen(Screen("chalk", 1.5, fill="chalk 14"), Paper(weight=0.2, dash="1.5 .8")),
    "kept": Pen(Screen("brass", 2, "8 4"), Paper(weight=0.2, dash="1.5 .8")),
    "spill": Pen(Screen("chalk", dash="4 4", fill="chalk 16"), Paper(weight=0.2, dash="1.5 .8")),
    "reach": Pen(Screen("chalk", dash="5 4", fill="chalk 16"), Paper("#888", 0.15)),
    "beam": Pen(Screen("chalk", dash="3 5"), Paper("#888", 0.15)),
    "window": Pen(Screen("chalk", dash="5 4", fill="chalk 16"), Paper("#999", 0.12, "1 1")),
    "zone": Pen(Screen("brass", 1.5, "10 5"), Paper("#555", 0.25, "3 1")),
    "body": Pen(Screen("ink", 1.5, fill="lift"), Paper(weight=0.3, fill="#ddd")),
    "pole": Pen(Screen("ink", 4), Paper(weight=0.5)),
    "plate": Pen(Screen("brass", 3, fill="velvet"), Paper(weight=0.35, fill="#fff"), (5, 1.4)),
    "cable": Pen(Screen("brass", 2, "1 5", round=True), Paper(weight=0.35, dash=".4 .8")),
    "source": Pen(Screen("", fill="brass"), Paper(weight=0.35, fill="#fff"), (4, 1.2)),
    "lens": Pen(Screen("velvet", 2, fill="chalk"), Paper(fill="#000"), (9, 1.8), LENS),
    "lens-out": Pen(Screen("velvet", 2, fill="stop"), Paper(), (9, 1.8), LENS),
    "cleat": Pen(Screen("wood-edge", 4), Paper(weight=0.5), layer=("CLEAT", 30), always=True),
    "hole": Pen(Screen("chalk", 2), Paper(weight=0.35, fill="#fff"), (6, 1.5), HOLES, always=True),
    "hole-refused": Pen(
        Screen("stop", 3, fill="stop 30"),
        Paper(weight=0.5, fill="#fff"),
        (9, 2.2),
        ("DO_NOT_DRILL", 1),
        always=True,
    ),
    "band-hit": Pen(Screen("stop", 1.5, "4 4", "stop 30"), Paper("#000", 0.2, "1 1", HATCH), always=True),
    "bracket": Pen(Screen("chalk", 2), Paper(weight=0.35, fill="#fff"), (6, 1.5)),
    "board": Pen(
        Screen("wood-edge", 1.5, fill="wood"), Paper(weight=0.35, fill="#eee"), layer=("RAILS_STILES", 30)
    ),
    "brace": Pen(
        Screen("wood-edge", 1.2, fill="wood 70"), Paper(weight=0.25, fill="#f4f4f4"), layer=("BRACES", 40)
    ),
    "tape": Pen(Screen("chalk", 1.5, fill="frame"), Paper(weight=0.35, fill="#ccc"), layer=("BORDER", 6)),
    "strip": Pen(
        Screen("brass", 3, "2 7", round=True), Paper(weight=0.5, dash=".4 1.2"), layer=("LIGHT_STRIP", 2)
    ),
    "cloth": Pen(Screen("ink", 3, round=True), Paper(weight=0.5), layer=("FABRIC", 3)),
    "cloth-loose": Pen(Screen("ink", 2, "5 4"), Paper(weight=0.35, dash="1.2 .8"), layer=("FABRIC", 3)),
    "tape-edge": Pen(Screen("chalk", 4), Paper(weight=0.8), layer=("BORDER", 6)),
    "staple": Pen(Screen("stop", 2), Paper(weight=0.4), layer=("STAPLES", 1)),
    "astray": Pen(Screen("chalk", 2, "8 5", "chalk 14"), Paper(weight=0.35, dash="2 1")),
    "person": Pen(Screen("quiet", 1.5, "3 4"), Paper("#888", 0.2, "1.5 1")),
    "aimed": Pen(Screen("brass", 2), Paper(weight=0.5)),
    "corner-doubted": Pen(Screen("stop", 3, fill="stop 30"), Paper(weight=0.5, fill="#fff"), (9, 2.2)),
    "corner-read": Pen(Screen("velvet", 2, fill="chalk"), Paper(weight=0.35, fill="#fff"), (7, 1.4)),
    "hole-drilled": Pen(
        Screen("chalk", 2.5, fill="chalk"),
        Paper(weight=0.5, fill="#000"),
        (7, 1.6),
        layer=("HOLES_DRILLED", 3),
    ),
    "belly-proud": Pen(Screen("chalk", 1.5), Paper("#555", 0.25), layer=("BELLY", 5)),
    "belly-hollow": Pen(Screen("chalk", 1.5, "6 5"), Paper("#555", 0.25, "2 1"), layer=("BELLY", 5)),
    "belly-level": Pen(Screen("quiet", 1), Paper("#888", 0.18), layer=("BELLY", 5)),
    "gap": Pen(Screen("chalk", 1.5, fill="bench"), Paper("#555", 0.2, fill="#fff"), (3.5, 0.8)),
    "flat-plate": Pen(Screen("canvas-quiet", 1), Paper(weight=0.25), layer=("PLATES", 9)),
    "splice": Pen(Screen("stop", 2.5, "5 4"), Paper(weight=0.5, dash="1 1"), layer=("SPLICES", 1)),
    "mass": Pen(Screen("ink", 2, fill="bench"), Paper(weight=0.35, fill="#fff"), (6, 1.4)),
    "bar": Pen(Screen("canvas-quiet", 2.5, "10 4"), Paper(weight=0.4, dash="3 1")),
    "center": Pen(Screen("canvas-quiet", dash="10 3 2 3", opacity=0.55), Paper(weight=0.18, dash="2 1")),
    "point": Pen(Screen("", fill="brass"), Paper("", fill="#000"), (4.2, 0.75)),
    "point-fill": Pen(Screen("", fill="quiet"), Paper("", fill="#000"), (2.2, 0.4)),
}


MADE = "made by `gantline pens` from drawing/pens.py"


def screen_css() -> str:
    """The screen's style sheet: one rule a role, inside .board."""
    rules = "".join(f".board .{role} {{\n{_screen(pen.screen)}}}\n" for role, pen in PENS.items())
    return f"/* {MADE} */\n{rules}"


def screen_code() -> str:
    """What the screen's code needs of the pens, as TypeScript: radius of dots [px], what is always drawn."""
    dots = "".join(f"  '{role}': {pen.dot[0]:g},\n" for role, pen in PENS.items() if pen.dot != (4.0, 1.0))
    always = "".join(f"  '{role}',\n" for role, pen in PENS.items() if pen.always)
    return (
        f"// {MADE}\nexport const DOT_PX: Record<string, number> = {{\n{dots}}}\n"
        f"export const ALWAYS: ReadonlySet<string> = new Set([\n{always}])\n"
    )


def paper_css() -> str:
    """The paper's style sheet: one rule a role."""
    return "".join(f".{role}{{{_paper(pen.paper)}}}" for role, pen in PENS.items())


def dxf_layers() -> dict[str, int]:
    """Every layer of the DXF with its color index."""
    return dict([*(pen.layer for pen in PENS.values() if pen.layer[0]), DIMENSIONS])


def _screen(screen: Screen) -> str:
    rules = [f"stroke: {_color(screen.ink)}"]
    if screen.weight != 1.0:
        rules.append(f"stroke-width: {screen.weight:g}")
    if screen.dash:
        rules.append(f"stroke-dasharray: {screen.dash}")
    if screen.fill:
        rules.append(f"fill: {_color(screen.fill)}")
    if screen.round:
        rules.append("stroke-linecap: round")
    if screen.opacity != 1.0:
        rules.append(f"opacity: {screen.opacity:g}")
    return "".join(f"  {rule};\n" for rule in rules)


def _color(name: str) -> str:
    if not name:
        return "none"
    if name == HATCH:
        return "url(#hatch)"
    ink, _, share = name.partition(" ")
    return f"color-mix(in srgb, var(--{ink}) {share}%, transparent)" if share else f"var(--{ink})"


def _paper(paper: Paper) -> str:
    fill = "url(#hatch)" if paper.fill == HATCH else paper.fill or "none"
    dash = f";stroke-dasharray:{paper.dash}" if paper.dash else ""
    return f"fill:{fill};stroke:{paper.ink or 'none'};stroke-width:{paper.weight:g}{dash}"
