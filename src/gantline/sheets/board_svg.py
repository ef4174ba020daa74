"""A board with its cuts on paper: pieces by letter, each mark as it reads on a tape hooked on the left end."""

from html import escape

from gantline.compare.cutting import BoardRow
from gantline.core.units import plain
from gantline.sheets.lettering import svg_text, text_width

HIGH, MARK = 8.0, 4.2


def board_svg(board: BoardRow, longest_mm: float, width: float) -> str:
    """One board, to the scale at which the longest is as wide as `width` [paper mm]."""
    scale = width / longest_mm
    wide = board.length_mm * scale
    rim = 'stroke="#000" stroke-width=".3"'
    parts = [f'<rect x=".1" y=".1" width="{wide - 0.2:.2f}" height="{HIGH}" fill="url(#cutoff)" {rim}/>']
    lane_end = [-99.0, -99.0]
    for cut in board.cuts:
        left, right = cut.from_mm * scale, cut.to_mm * scale
        parts.append(
            f'<rect x="{left:.2f}" y=".1" width="{right - left:.2f}" height="{HIGH}" fill="#fff" {rim}/>'
        )
        words = f"{cut.name}  {cut.length}"
        size = 3.6 if text_width(words, 3.6) < right - left - 1.0 else 2.6
        shown = words if text_width(words, size) < right - left - 1.0 else cut.name
        parts.append(svg_text((left + right) / 2.0, HIGH / 2.0 + 1.2, shown, size, "middle"))
        reading = text_width(cut.to_text, 3.2)
        lane = 0 if right - reading - 1.0 > lane_end[0] else 1  # marks that are close stand below each other
        lane_end[lane] = right
        foot = HIGH + 0.6 + lane * MARK
        parts.append(f'<path d="M{right:.2f} 0V{foot + MARK - 0.8:.2f}" stroke="#000" stroke-width=".45"/>')
        parts.append(svg_text(right - 0.8, foot + 3.0, cut.to_text, 3.2, "end"))
    high = HIGH + 1.2 + 2.0 * MARK
    named = ", ".join(f"{one.name} {one.to_text}" for one in board.cuts)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.1f}mm" height="{high:.1f}mm" '
        f'viewBox="0 0 {width:.1f} {high:.1f}">'
        f"<title>{escape(plain(f'board {board.length}: {named}'))}</title>"
        '<defs><pattern id="cutoff" width="1.6" height="1.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
        '<path d="M0 0V1.6" stroke="#999" stroke-width=".2"/></pattern></defs>'
        "<style>.lettering{font-family:Archivo;font-weight:600}.lettering path{stroke:#000;fill:none}</style>"
        f"{''.join(parts)}</svg>"
    )
