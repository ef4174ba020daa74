"""Text that people type: what of it can be kept, on one line or on several."""

import re
import unicodedata

NEVER = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f-\x84\x86-\x9f\ud800-\udfff\ufdd0-\ufdef\ufffe\uffff]")
LINE_END = re.compile("[\n\r\x85\u2028\u2029]")
NAMES = {"\t": "a tab", "\n": "a line end", "\r": "a line end", "\x85": "a line end", "\u2028": "a line end"}


def trouble(text: str, *, lines: bool) -> str:
    """Why a text cannot be kept, with the character named; empty where it can. lines: it may have several."""
    bad = NEVER.search(text) or (None if lines else LINE_END.search(text) or re.search("\t", text))
    if bad is None:
        return ""
    return f"This text holds {_called(bad[0])}, which cannot be kept here. Take it out."


def _called(letter: str) -> str:
    code = f"U+{ord(letter):04X}"
    if letter in NAMES:
        return f"{NAMES[letter]} ({code})"
    match unicodedata.category(letter):
        case "Cs":
            return f"half a character ({code})"
        case "Cc":
            return f"a control character ({code})"
        case "Zl" | "Zp":
            return f"a line end ({code})"
        case _:
            return f"a character that is none ({code})"
