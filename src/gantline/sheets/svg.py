"""The paper pen: the marks of a face as SVG in paper millimeters, to scale."""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass
from html import escape

from gantline.drawing.marks import Area, Dimension, Dot, Face, Handle, Label, Line, Mark
from gantline.drawing.pens import PENS, paper_css
from gantline.drawing.refused import REFUSED
from gantline.sheets.lettering import embedded_font, svg_text, text_width

LANE = 7.5  # paper mm from lane to lane
HEADING = 5.2  # paper mm from line to line of what stands over a drawing
TEXT = {"large": 5.2, "text": 3.6, "small": 3.3}
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
    lines = [line for text in heading for line in _wrapped(text, width)]
    sheet, total_w, total_h = _fit(face, shown, width, height, over=HEADING * len(lines))
    drawn = "".join(
        svg_text(2.0, HEADING * at, line, TEXT["text"], "start") for at, line in enumerate(lines, start=1)
    )
    drawn += "".join(_draw(mark, sheet) for mark in shown)
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
    return [mark for mark in face.marks if mark.layer in layers or mark.layer == "base"]


def _wrapped(text: str, width: float) -> list[str]:
    """A text in lines not wider than the drawing."""
    lines = [""]
    for word in text.split(" "):
        longer = f"{lines[-1]} {word}".strip()
        if lines[-1] and text_width(longer, TEXT["text"]) > width - 4.0:
            lines.append(word)
        else:
            lines[-1] = longer
    return lines


def _fit(
    face: Face, shown: Iterable[Mark], width: float, height: float, over: float = 0.0
) -> tuple[Sheet, float, float]:
    lanes, up = face.lanes, -1 if face.y_down else 1
    taken = [
        (mark.side * up, mark.lane) for mark in shown if isinstance(mark, Dimension) and mark.axis == "x"
    ]
    above, below = (max((lane for side, lane in taken if side == way), default=0) for way in (1, -1))
    pad_l, pad_r = LANE * lanes.left + 3.0, LANE * lanes.right + 3.0
    pad_t, pad_b = LANE * min(above, lanes.above) + 4.0 + over, LANE * min(below, lanes.below) + 4.0
    across, high = face.right_mm - face.left_mm, face.top_mm - face.bottom_mm
    scale = min((width - pad_l - pad_r) / across, (height - pad_t - pad_b) / high)
    highest = -face.bottom_mm if face.y_down else face.top_mm
    sheet = Sheet(pad_l - face.left_mm * scale, pad_t + highest * scale, scale, up)
    return sheet, across * scale + pad_l + pad_r, high * scale + pad_t + pad_b


def _draw(mark: Mark, sheet: Sheet) -> str:
    match mark:
        case Area():
            return f'<path class="{mark.role}" d="{_path(mark.points, sheet)}Z"/>'
        case Line():
            return f'<path class="{mark.role}" d="{_path(mark.points, sheet)}"/>'
        case Dot():
            return _dot(mark, sheet)
        case Label():
            dy = _lift(mark)
            css = "" if mark.size == "large" else "quiet"
            dx = BESIDE[mark.anchor] if mark.size == "small" else 0.0
            return svg_text(
                sheet.x(mark.at[0]) + dx,
                sheet.y(mark.at[1]) + dy,
                mark.text,
                TEXT[mark.size],
                mark.anchor,
                css,
            )
        case Dimension():
            return _dimension(mark, sheet)
        case Handle():
            return ""


def _lift(mark: Label) -> float:
    """From a label's place down to its baseline [paper mm]: its middle stands where it was placed."""
    size = TEXT[mark.size]
    return 0.0 if mark.role == "picture" else 0.35 * size - mark.lift * TEXT["small"]


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
    return svg_text(x + dx, y + dy, str(mark.number), 2.3, anchor)


def _dimension(mark: Dimension, sheet: Sheet) -> str:
    size = TEXT["small"]
    if mark.axis == "x":
        line = sheet.y(mark.base_mm) - sheet.up * mark.side * LANE * mark.lane
        a, b = sheet.x(mark.a_mm), sheet.x(mark.b_mm)
        ticks = f"M{a:.2f} {line:.2f}H{b:.2f}M{a - 1:.2f} {line + 1:.2f}l2 -2M{b - 1:.2f} {line + 1:.2f}l2 -2"
        middle, wide = (a + b) / 2.0, text_width(mark.text, size)
        halo = f'<rect class="halo" x="{middle - wide / 2 - 1:.2f}" y="{line - 2.4:.2f}" width="{wide + 2:.2f}" height="4.8"/>'
        return f'<path class="dim" d="{ticks}"/>{halo}{svg_text(middle, line + 1.05, mark.text, size)}'
    line = sheet.x(mark.base_mm) + mark.side * LANE * mark.lane
    a, b = sheet.y(mark.a_mm), sheet.y(mark.b_mm)
    ticks = f"M{line:.2f} {a:.2f}V{b:.2f}M{line - 1:.2f} {a + 1:.2f}l2 -2M{line - 1:.2f} {b + 1:.2f}l2 -2"
    middle, wide = (a + b) / 2.0, text_width(mark.text, size)
    halo = f'<rect class="halo" x="{line - 2.4:.2f}" y="{middle - wide / 2 - 1:.2f}" width="4.8" height="{wide + 2:.2f}"/>'
    turned = f'<g transform="rotate(-90 {line:.2f} {middle:.2f})">{svg_text(line, middle + 1.05, mark.text, size)}</g>'
    return f'<path class="dim" d="{ticks}"/>{halo}{turned}'
