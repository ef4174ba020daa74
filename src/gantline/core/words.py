"""What people call things: words of the trade that stand for one another when something is looked for."""

import re
from collections.abc import Iterable

# each group: what one person says and what another does; two words together are one name
GROUPS: tuple[tuple[str, ...], ...] = (
    ("width", "wide", "across", "breadth"),
    ("height", "high", "tall", "how high"),
    ("diagonal", "corner to corner", "inches"),
    ("aspect", "ratio", "shape", "format", "widescreen", "scope"),
    ("size", "dimensions", "how big", "how large"),
    ("luminance", "brightness", "bright", "foot-lamberts", "nits", "cd/m²"),
    ("contrast", "washed out", "blacks"),
    ("fabric", "cloth", "material", "screen material", "canvas"),
    ("gain", "reflectance", "reflectivity"),
    ("seat", "sofa", "couch", "chair", "row", "viewer"),
    ("eye", "eye line", "eyes"),
    ("viewing angle", "field of view", "how wide it looks"),
    ("neck", "looking up"),
    ("ceiling", "roof", "soffit"),
    ("stud", "batten", "timber", "post", "framing"),
    ("joist", "beam", "rafter"),
    ("datum", "level line", "reference line", "laser line"),
    ("hole", "drill", "bore", "mark"),
    ("bracket", "hanger", "mount", "hook"),
    ("cleat", "rail", "french"),
    ("screw", "fixing", "anchor", "plug", "bolt", "fastener"),
    ("load", "weight", "mass", "heavy", "kilograms", "pounds"),
    ("projector", "beamer", "lens"),
    ("throw", "throw distance", "projection distance", "how far away"),
    ("shift", "lens shift"),
    ("offset", "fixed offset"),
    ("zoom", "throw ratio"),
    ("frame", "bars", "stiles", "rails"),
    ("cut", "saw", "piece", "lengths"),
    ("brace", "strut", "cross bar", "center bar"),
    ("tension", "stretch", "pull", "tight"),
    ("point", "spring", "hook", "eyelet", "grommet", "staple", "snap"),
    ("wrinkle", "wave", "crease", "fold", "ripple"),
    ("felt", "velvet", "border", "trim", "mask"),
    ("light", "lamp", "bias light", "lux"),
    ("level", "crooked", "plumb", "square", "tilt"),
    ("align", "keystone", "corners", "geometry", "registration"),
    ("sheet", "print", "paper", "pdf", "document"),
    ("shopping", "buy", "materials", "order", "price", "cost"),
    ("day", "schedule", "steps", "crew", "order of work"),
    ("cable", "wire", "signal", "power"),
    ("furniture", "cabinet", "shelf", "table"),
    ("noise", "loud", "decibel"),
    ("window", "door", "switch", "outlet", "fitting"),
)
_WORD = re.compile(r"[^\W_]+", re.UNICODE)


def words(text: str) -> tuple[str, ...]:
    """The words of a text, small, without what stands between them."""
    return tuple(_WORD.findall(text.casefold()))


def meant(query: str) -> tuple[frozenset[str], ...]:
    """For each word of a query, every beginning of a word that would answer it: itself, and what others say for it.

    A name of several words counts where all of it was typed.
    """
    typed = words(query)
    said = " ".join(typed)
    out = []
    for word in typed:
        found = {word}
        for group in GROUPS:
            if any(_names(name, word, said) for name in group):
                found.update(part for name in group for part in words(name) if len(words(name)) == 1)
        out.append(frozenset(found))
    return tuple(out)


def _names(name: str, word: str, said: str) -> bool:
    parts = words(name)
    if len(parts) == 1:
        return parts[0] == word or (len(word) > MOST_LETTERS_CUT and parts[0].startswith(word))
    return word in parts and " ".join(parts) in said


MOST_LETTERS_CUT = 3  # of a word, so much must be typed before it stands for what others say


def score(query: Iterable[frozenset[str]], title: str, more: str = "") -> float:
    """How well a thing answers: 0 where a word of the query is answered by nothing; a word of the title counts more than one
    of what is said beside it, a whole word more than its beginning."""
    named, beside = words(title), words(more)
    whole = 0.0
    for choices in query:
        best = max(
            (_word_score(choices, word, 4.0) for word in named),
            default=0.0,
        )
        best = max(best, max((_word_score(choices, word, 1.0) for word in beside), default=0.0))
        if best == 0.0:
            return 0.0
        whole += best
    return whole - 0.05 * len(named)


def _word_score(choices: frozenset[str], word: str, weight: float) -> float:
    if word in choices:
        return weight
    return 0.7 * weight if any(word.startswith(choice) for choice in choices) else 0.0
