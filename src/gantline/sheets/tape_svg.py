"""The tape strip on paper, at true size: lay the printed strip beside the tape and compare."""

from html import escape

from gantline.drawing.tape import TapeWindow
from gantline.sheets.lettering import svg_text

BAND = 13.0  # paper mm, the width of a common tape


def tape_svg(window: TapeWindow) -> str:
    """One mark's piece of tape in true millimeters, black on white, its mark a notch from above."""
    wide = window.end_mm - window.start_mm

    def x(at_mm: float) -> float:
        return at_mm - window.start_mm

    first, step = window.first_mm, window.step_mm
    ticks = "".join(
        f"M{x(first + at * step):.3f} 5v{share * BAND:.2f}" for at, share in enumerate(window.ticks)
    )
    numerals = "".join(
        svg_text(x(numeral.at_mm), 5 + BAND - 1.2, numeral.text, 3.4, "middle")
        for numeral in window.numerals
        if 2.0 < x(numeral.at_mm) < wide - 2.0
    )
    at = x(window.read_mm)
    notch = f'<path d="M{at - 2.2:.2f} .6h4.4L{at:.2f} 4.9Z" fill="#000"/>'
    mark = f'{notch}<path d="M{at:.2f} 5v{0.62 * BAND:.2f}" stroke="#000" stroke-width=".5"/>'
    hook = '<path d="M0 3.5v16" stroke="#000" stroke-width="1.2"/>' if window.start_mm == 0.0 else ""
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.2f}mm" height="19mm" viewBox="0 0 {wide:.2f} 19">'
        f"<title>{escape(window.title)}: {escape(window.text)} from the {escape(window.hook)}</title>"
        f"<style>.lettering{{font-family:Archivo;font-weight:600}}.lettering path{{stroke:#000;fill:none}}</style>"
        f'<rect x="0" y="5" width="{wide:.2f}" height="{BAND}" fill="#fff" stroke="#000" stroke-width=".2"/>'
        f'<path d="{ticks}" stroke="#000" stroke-width=".16" fill="none"/>{numerals}{mark}{hook}</svg>'
    )
