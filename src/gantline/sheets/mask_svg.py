"""Mask panels on paper: each from the back, to one scale, its pieces lettered and its hold points marked."""

from collections.abc import Sequence

from gantline.compare.masks import MaskDrawing
from gantline.sheets.lettering import svg_text

HIGH_MM, APART_MM, DOT_MM, LETTER_MM = 58.0, 14.0, 1.1, 3.0


def masks_svg(masks: Sequence[MaskDrawing]) -> str:
    """All panels beside each other; empty where there are none."""
    if not masks:
        return ""
    scale = HIGH_MM / max(mask.height_mm for mask in masks)
    parts, left = [], 6.0
    for one in masks:
        parts.append(_panel(one, left, scale))
        left += one.width_mm * scale + APART_MM
    high = HIGH_MM + 12.0
    size = f'width="{left:.1f}mm" height="{high:.1f}mm" viewBox="0 0 {left:.1f} {high:.1f}"'
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" {size}>'
        "<style>.lettering{font-family:Archivo;font-weight:600}.lettering path{stroke:#000;fill:none}</style>"
        f"{''.join(parts)}</svg>"
    )


def _panel(mask_drawing: MaskDrawing, left: float, scale: float) -> str:
    top = 2.0 + HIGH_MM - mask_drawing.height_mm * scale
    foot = top + mask_drawing.height_mm * scale

    def place(u: float, v: float) -> tuple[float, float]:
        return left + u * scale, foot - v * scale

    drawn = []
    for piece in mask_drawing.pieces:
        x, y = place(piece.left_mm, piece.top_mm)
        wide, high = (piece.right_mm - piece.left_mm) * scale, (piece.top_mm - piece.bottom_mm) * scale
        drawn.append(
            f'<rect x="{x:.2f}" y="{y:.2f}" width="{wide:.2f}" height="{high:.2f}" fill="#eee" stroke="#000" stroke-width=".2"/>'
        )
        drawn.append(
            svg_text(x + wide / 2.0, y + high / 2.0 + LETTER_MM * 0.35, piece.letter, LETTER_MM, "middle")
        )
    for u, v in mask_drawing.holds_mm:
        x, y = place(u, v)
        drawn.append(f'<circle cx="{x:.2f}" cy="{y:.2f}" r="{DOT_MM}" fill="#000"/>')
    middle = left + mask_drawing.width_mm * scale / 2.0
    drawn.append(
        svg_text(middle, foot + 5.0, f"{mask_drawing.name}, {mask_drawing.aspect}", LETTER_MM, "middle")
    )
    return "".join(drawn)
