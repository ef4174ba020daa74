"""The paper pen: the marks of a face as SVG in paper millimeters, to scale."""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from html import escape

from gantline.drawing.marks import Area, Dimension, Dot, Face, Handle, Label, Line, Mark
from gantline.drawing.pens import PENS, paper_css
from gantline.drawing.placing import Box, Spot, Wanted, place
from gantline.drawing.refused import REFUSED
from gantline.sheets.lettering import embedded_font, svg_text, text_width, wrapped

LANE = 7.5  # paper mm from lane to lane
HEADING = 5.2  # paper mm from line to line of what stands over a drawing
TEXT = {"large": 5.2, "text": 3.6, "small": 3.3}
LINE = 1.2  # height of a line of text in heights of its letters
DOT_NUMBER = 2.3  # paper mm, the numbers of the points
KEY = 4.4  # paper mm from line to line of the key to numbered texts
FIXED = ("size", "aspect")
BESIDE = {"start": 2.2, "middle": 0.0, "end": -2.2}  # how far a text beside its place keeps off it
NUMBER = {
    "top": (0.0, -1.6, "middle"),
    "bottom": (0.0, 3.4, "middle"),
    "left": (-1.6, 0.8, "end"),
    "right": (1.6, 0.8, "start"),
}
STYLE = f"""
{paper_css()}
.dim{{stroke:#000;stroke-width:.18;fill:none}}
.lettering{{font-family:Archivo;font-weight:600;fill:#000}}.lettering path{{stroke:#000;fill:none}}
.lettering.quiet{{fill:#444}}.halo{{fill:#fff;stroke:none}}
"""
PATTERN = (
    '<defs><pattern id="hatch" width="1.6" height="1.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
    '<path d="M0 0V1.6" stroke="#777" stroke-width=".2"/></pattern></defs>'
)


@dataclass(frozen=True, slots=True)
class Sheet:
    """Millimeters of the face to paper millimeters: one scale; up is -1 for a face that grows downwards."""

    left: float
    base: float
    scale: float
    up: int = 1

    def x(self, x_mm: float) -> float:
        """Paper x."""
        return self.left + x_mm * self.scale

    def y(self, y_mm: float) -> float:
        """Paper y."""
        return self.base - self.up * y_mm * self.scale


def face_svg(
    face: Face,
    layers: Collection[str],
    width: float,
    height: float,
    *,
    standalone: bool = True,
    heading: Sequence[str] = (),
) -> str:
    """SVG of a face at most width x height paper mm, with the given layers' marks.

    standalone: the font travels inside; within a sheet the sheet's own fonts serve. heading: what must be read
    first, in lines over the drawing.
    """
    shown = _shown(face, layers)
    lines = [line for text in heading for line in wrapped(text, TEXT["text"], width - 4.0)]
    sheet, total_w, total_h = _fit(face, shown, width, height, over=HEADING * len(lines))
    drawn = "".join(
        svg_text(2.0, HEADING * at, line, TEXT["text"], "start") for at, line in enumerate(lines, start=1)
    )
    numbers = _numbers_placed(shown, sheet)
    drawn += "".join(_draw(mark, sheet, numbers) for mark in shown)
    spots = placed_texts(shown, sheet, (0.0, HEADING * len(lines), total_w, total_h), numbers)
    drawn += "".join(_text(mark, spot, sheet) for mark, spot in spots)
    keyed = [spot for _, spot in spots if spot.number is not None]
    for number, spot in enumerate(keyed, start=1):
        key = f"{spot.number}  {spot.wanted.text}"
        drawn += svg_text(2.0, total_h + KEY * number, key, TEXT["small"], "start", "quiet")
    total_h += KEY * len(keyed) + (1.0 if keyed else 0.0)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{total_w:.1f}mm" height="{total_h:.1f}mm" '
        f'viewBox="0 0 {total_w:.2f} {total_h:.2f}" role="img"><title>{escape(face.summary)}</title>'
        f"<style>{embedded_font() if standalone else ''}{STYLE.replace('#hatch', f'#hatch-{face.name}')}</style>"
        f"{PATTERN.replace('hatch', f'hatch-{face.name}')}{drawn}</svg>"
    )


def full_size_svg(face: Face, layers: Collection[str]) -> str:
    """SVG of a face at full size within a sheet: a rule laid on the paper reads what the drawing says."""
    wide = face.right_mm - face.left_mm + LANE * (face.lanes.left + face.lanes.right) + 6.0
    high = face.top_mm - face.bottom_mm + LANE * (face.lanes.above + face.lanes.below) + 100.0
    return face_svg(face, layers, wide, high, standalone=False)


def scale_text(face: Face, layers: Collection[str], width: float, height: float) -> str:
    """The scale of face_svg as a person says it."""
    return f"1 : {1.0 / _fit(face, _shown(face, layers), width, height)[0].scale:.0f}"


def _shown(face: Face, layers: Collection[str]) -> list[Mark]:
    shown = [mark for mark in face.marks if mark.layer in layers or mark.layer == "base"]
    laned = _laned([mark for mark in shown if isinstance(mark, Dimension)])
    return [laned.get(mark.key, mark) if isinstance(mark, Dimension) else mark for mark in shown]


def _laned(dimensions: Sequence[Dimension]) -> dict[str, Dimension]:
    """Dimensions by key, each in a lane of its own where another of its side lies over the same stretch, the shorter nearer."""
    taken: dict[tuple[str, float, int], list[Dimension]] = {}
    out = {}
    for mark in sorted(dimensions, key=lambda mark: (mark.lane, abs(mark.b_mm - mark.a_mm))):
        lane = mark.lane
        while not mark.inside and any(
            min(mark.b_mm, other.b_mm) - max(mark.a_mm, other.a_mm) > 1.0
            for other in taken.get((mark.axis, mark.side, lane), ())
        ):
            lane += 1
        moved = mark if lane == mark.lane else replace(mark, lane=lane)
        taken.setdefault((mark.axis, mark.side, lane), []).append(moved)
        out[mark.key] = moved
    return out


def _fit(
    face: Face, shown: Iterable[Mark], width: float, height: float, over: float = 0.0
) -> tuple[Sheet, float, float]:
    lanes, up = face.lanes, -1 if face.y_down else 1
    taken = [
        (mark.axis, mark.side * (up if mark.axis == "x" else 1), mark.lane)
        for mark in shown
        if isinstance(mark, Dimension) and not mark.inside
    ]
    above, below, right, left = (
        max((lane for axis, side, lane in taken if (axis, side) == way), default=0)
        for way in (("x", 1), ("x", -1), ("y", 1), ("y", -1))
    )
    pad_l, pad_r = LANE * max(left, lanes.left) + 3.0, LANE * max(right, lanes.right) + 3.0
    pad_t, pad_b = LANE * above + 4.0 + over, LANE * below + 4.0
    across, high = face.right_mm - face.left_mm, face.top_mm - face.bottom_mm
    scale = min((width - pad_l - pad_r) / across, (height - pad_t - pad_b) / high)
    highest = -face.bottom_mm if face.y_down else face.top_mm
    sheet = Sheet(pad_l - face.left_mm * scale, pad_t + highest * scale, scale, up)
    return sheet, across * scale + pad_l + pad_r, high * scale + pad_t + pad_b


def _draw(mark: Mark, sheet: Sheet, numbers: Mapping[str, Box]) -> str:
    match mark:
        case Area():
            return f'<path class="{mark.role}" d="{_path(mark.points, sheet)}Z"/>'
        case Line():
            return f'<path class="{mark.role}" d="{_path(mark.points, sheet)}"/>'
        case Dot():
            return _dot(mark, sheet)
        case Dimension():
            return _dimension(mark, sheet, numbers[mark.key])
        case Handle() | Label():
            return ""


def placed_texts(
    shown: Sequence[Mark],
    sheet: Sheet,
    bounds: tuple[float, float, float, float],
    numbers: Mapping[str, Box],
) -> list[tuple[Label, Spot]]:
    """Every label with its spot on the paper [mm], by the font's own widths: off each other and off the numbers on the
    dimension lines. The picture's own texts stand where they are drawn."""
    own = _on_the_picture(shown, sheet)
    rest = [mark for mark in shown if isinstance(mark, Label) and mark.key not in FIXED]
    fixed = [*(box for _, box in own), *numbers.values()]
    fixed += [
        _dot_number_box(mark, sheet) for mark in shown if isinstance(mark, Dot) and mark.number is not None
    ]
    dots = [
        Box(
            sheet.x(mark.at[0]),
            sheet.y(mark.at[1]),
            2.0 * PENS[mark.role].dot[1],
            2.0 * PENS[mark.role].dot[1],
        )
        for mark in shown
        if isinstance(mark, Dot)
    ]
    wanted = [
        Wanted(
            mark.text,
            _meant(mark, sheet),
            (sheet.x(mark.at[0]), sheet.y(mark.at[1])),
            0 if mark.role in (REFUSED, "limit") else 1,
        )
        for mark in rest
    ]
    spots = place(wanted, fixed, dots, bounds, LINE * TEXT["small"])
    still = [(mark, Spot(Wanted(mark.text, box, (box.x, box.y)), box, False, None)) for mark, box in own]
    return still + list(zip(rest, spots, strict=True))


def _on_the_picture(shown: Sequence[Mark], sheet: Sheet) -> list[tuple[Label, Box]]:
    """The picture's own texts, each with its room; on a small picture the lower one goes down until it is clear of the upper."""
    rooms: list[tuple[Label, Box]] = []
    for mark in shown:
        if not isinstance(mark, Label) or mark.key not in FIXED:
            continue
        box = _meant(mark, sheet)
        for _, above in rooms:
            if box.meets(above):
                box = replace(box, y=above.y + (above.high + box.high) / 2.0)
        rooms.append((mark, box))
    return rooms


def _meant(mark: Label, sheet: Sheet) -> Box:
    """The room a label was meant to have."""
    size = TEXT[mark.size]
    wide = text_width(mark.text, size)
    x = sheet.x(mark.at[0]) + (BESIDE[mark.anchor] if mark.size == "small" else 0.0)
    middle = sheet.y(mark.at[1]) - (0.35 * size if mark.role == "picture" else mark.lift * TEXT["small"])
    return Box(x + {"start": 0.5, "middle": 0.0, "end": -0.5}[mark.anchor] * wide, middle, wide, LINE * size)


def _text(mark: Label, spot: Spot, sheet: Sheet) -> str:
    """A label at its spot: itself, with a line from its place where it stands far from it, or the number it has in the key."""
    size, box = TEXT[mark.size], spot.box
    if spot.number is not None:
        ring = f'<circle class="halo" cx="{box.x:.2f}" cy="{box.y:.2f}" r="2.1" style="stroke:#000;stroke-width:.2"/>'
        return ring + svg_text(box.x, box.y + 0.9, str(spot.number), 2.6)
    x, y = spot.wanted.place
    led = f'<path class="dim" d="M{x:.2f} {y:.2f}L{box.x:.2f} {box.y:.2f}"/>' if spot.led else ""
    css = "" if mark.size == "large" else "quiet"
    return led + svg_text(box.x, box.y + 0.35 * size, mark.text, size, "middle", css)


def _dot_number_box(mark: Dot, sheet: Sheet) -> Box:
    """The room of the number beside a dot."""
    dx, dy, anchor = NUMBER[mark.side or "top"]
    wide = text_width(str(mark.number), DOT_NUMBER)
    x = sheet.x(mark.at[0]) + dx + {"start": 0.5, "middle": 0.0, "end": -0.5}[anchor] * wide
    return Box(x, sheet.y(mark.at[1]) + dy - 0.35 * DOT_NUMBER, wide, LINE * DOT_NUMBER)


def _numbers_placed(shown: Sequence[Mark], sheet: Sheet) -> dict[str, Box]:
    """The room of every number on its dimension line, by the line's key: moved along it, then off it, where one would stand on
    another or on the picture's own texts."""
    taken = [box for _, box in _on_the_picture(shown, sheet)]
    found: dict[str, Box] = {}
    for mark in shown:
        if not isinstance(mark, Dimension):
            continue
        meant = _dimension_box(mark, sheet)
        along = (meant.wide, 0.0) if mark.axis == "x" else (0.0, meant.high)
        off = (0.0, meant.high) if mark.axis == "x" else (meant.wide, 0.0)
        spots = (
            replace(
                meant, x=meant.x + step * along[0] + out * off[0], y=meant.y + step * along[1] + out * off[1]
            )
            for out in (0, 1, -1, 2, -2, 3, -3)
            for step in (0.0, 0.55, -0.55, 1.1, -1.1, 1.65, -1.65)
        )
        box = next((spot for spot in spots if not any(spot.meets(other) for other in taken)), meant)
        taken.append(box)
        found[mark.key] = box
    return found


def _dimension_box(mark: Dimension, sheet: Sheet) -> Box:
    """The room of a number on its dimension line."""
    wide, high = text_width(mark.text, TEXT["small"]) + 2.0, 4.8
    if mark.axis == "x":
        line = sheet.y(mark.base_mm) - sheet.up * mark.side * LANE * mark.lane
        return Box((sheet.x(mark.a_mm) + sheet.x(mark.b_mm)) / 2.0, line, wide, high)
    line = sheet.x(mark.base_mm) + mark.side * LANE * mark.lane
    return Box(line, (sheet.y(mark.a_mm) + sheet.y(mark.b_mm)) / 2.0, high, wide)


def _path(points: tuple[tuple[float, float], ...], sheet: Sheet) -> str:
    return "M" + "L".join(f"{sheet.x(x):.2f} {sheet.y(y):.2f}" for x, y in points)


def _dot(mark: Dot, sheet: Sheet) -> str:
    x, y, r = sheet.x(mark.at[0]), sheet.y(mark.at[1]), PENS[mark.role].dot[1]
    out = f'<circle class="{mark.role}" cx="{x:.2f}" cy="{y:.2f}" r="{r}"/>'
    if mark.role in ("hole", "bracket"):
        out += f'<path class="dim" d="M{x - 2.4:.2f} {y:.2f}h4.8M{x:.2f} {y - 2.4:.2f}v4.8"/>'
    if mark.role == REFUSED:
        out += f'<path class="{REFUSED}" d="M{x - r:.2f} {y - r:.2f}l{2 * r} {2 * r}M{x + r:.2f} {y - r:.2f}l-{2 * r} {2 * r}"/>'
    if mark.number is not None:
        out += _number(mark, x, y)
    return out


def _number(mark: Dot, x: float, y: float) -> str:
    dx, dy, anchor = NUMBER[mark.side or "top"]
    return svg_text(x + dx, y + dy, str(mark.number), DOT_NUMBER, anchor)


def _dimension(mark: Dimension, sheet: Sheet, box: Box) -> str:
    size = TEXT["small"]
    halo = (
        f'<rect class="halo" x="{box.x - box.wide / 2:.2f}" y="{box.y - box.high / 2:.2f}" '
        f'width="{box.wide:.2f}" height="{box.high:.2f}"/>'
    )
    text = svg_text(box.x, box.y + 1.05, mark.text, size)
    if mark.axis == "x":
        line = sheet.y(mark.base_mm) - sheet.up * mark.side * LANE * mark.lane
        a, b = sheet.x(mark.a_mm), sheet.x(mark.b_mm)
        ticks = f"M{a:.2f} {line:.2f}H{b:.2f}M{a - 1:.2f} {line + 1:.2f}l2 -2M{b - 1:.2f} {line + 1:.2f}l2 -2"
        return f'<path class="dim" d="{ticks}"/>{halo}{text}'
    line = sheet.x(mark.base_mm) + mark.side * LANE * mark.lane
    a, b = sheet.y(mark.a_mm), sheet.y(mark.b_mm)
    ticks = f"M{line:.2f} {a:.2f}V{b:.2f}M{line - 1:.2f} {a + 1:.2f}l2 -2M{line - 1:.2f} {b + 1:.2f}l2 -2"
    turned = f'<g transform="rotate(-90 {box.x:.2f} {box.y:.2f})">{text}</g>'
    return f'<path class="dim" d="{ticks}"/>{halo}{turned}'
