"""Text on paper: real stacked fractions, and the widths needed to set them in SVG."""

import re
from base64 import b64encode
from functools import cache
from html import escape
from pathlib import Path

FONTS = Path(__file__).resolve().parents[1] / "fonts"
FAMILY = "Archivo"
WEIGHTS = (400, 500, 600, 700)
FRACTION = re.compile(r"\u00a0?(\d+)\u2044(\d+)")
SMALL = 0.64  # size of a fraction's digits against the text


def font_faces() -> str:
    """CSS @font-face rules for the application's own fonts."""
    files = {weight: (FONTS / f"archivo-latin-{weight}-normal.woff2").as_uri() for weight in WEIGHTS}
    return "".join(
        f"@font-face{{font-family:{FAMILY};font-weight:{weight};src:url({file})}}"
        for weight, file in files.items()
    )


def html_text(text: str) -> str:
    """Escaped HTML with fractions stacked."""
    return FRACTION.sub(r'<span class="frac"><i>\1</i><b>\2</b></span>', escape(text))


@cache
def embedded_font() -> str:
    """One @font-face rule that carries the font itself, for an SVG that travels alone."""
    data = b64encode((FONTS / "archivo-latin-600-normal.woff2").read_bytes()).decode()
    return f"@font-face{{font-family:{FAMILY};font-weight:600;src:url(data:font/woff2;base64,{data})}}"


@cache
def _advances() -> tuple[dict[int, float], float]:
    from fontTools.ttLib import TTFont

    font = TTFont(FONTS / "archivo-latin-600-normal.woff2")
    names, em = font.getBestCmap(), font["head"].unitsPerEm
    return {code: font["hmtx"][name][0] / em for code, name in names.items()}, 0.55


def width_em(text: str) -> float:
    """Width of a plain text in em."""
    known, other = _advances()
    return sum(known.get(ord(letter), other) for letter in text)


def _parts(text: str) -> list[tuple[str, str, str]]:
    """(before, numerator, denominator) for each fraction, then the rest with empty fraction."""
    parts, at = [], 0
    for match in FRACTION.finditer(text):
        parts.append((text[at : match.start()], match[1], match[2]))
        at = match.end()
    parts.append((text[at:], "", ""))
    return parts


def text_width(text: str, size: float) -> float:
    """Width of a text with stacked fractions, in the unit of `size`."""
    total = 0.0
    for plain, top, bottom in _parts(text):
        total += width_em(plain) * size
        if top:
            total += max(width_em(top), width_em(bottom)) * SMALL * size + 0.16 * size
    return total


def wrapped(text: str, size: float, width: float) -> list[str]:
    """A text in lines no wider than `width`, in the unit of `size`; a single word that is wider stays whole."""
    lines = [""]
    for word in text.split(" "):
        longer = f"{lines[-1]} {word}".strip()
        if lines[-1] and text_width(longer, size) > width:
            lines.append(word)
        else:
            lines[-1] = longer
    return lines


def svg_text(x: float, y: float, text: str, size: float, anchor: str = "middle", css: str = "") -> str:
    """SVG of a text with stacked fractions; (x, y) is its anchor on the baseline."""
    at = x - text_width(text, size) * {"start": 0.0, "middle": 0.5, "end": 1.0}[anchor]
    out = []
    for plain, top, bottom in _parts(text):
        if plain:
            out.append(
                f'<text x="{at:.2f}" y="{y:.2f}" font-size="{size:.2f}" xml:space="preserve">{escape(plain)}</text>'
            )
            at += width_em(plain) * size
        if top:
            wide = max(width_em(top), width_em(bottom)) * SMALL * size
            middle, small = at + 0.08 * size + wide / 2.0, SMALL * size
            for word, drop in ((top, -0.43), (bottom, 0.17)):
                out.append(
                    f'<text x="{middle:.2f}" y="{y + drop * size:.2f}" font-size="{small:.2f}" text-anchor="middle">{word}</text>'
                )
            bar = y - 0.36 * size
            out.append(
                f'<path d="M{at + 0.06 * size:.2f} {bar:.2f}h{wide + 0.04 * size:.2f}" stroke-width="{0.06 * size:.3f}"/>'
            )
            at += wide + 0.16 * size
    return f'<g class="lettering {css}">{"".join(out)}</g>'
