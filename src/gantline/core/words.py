"""What people call things: words of the trade that stand for one another when something is looked for."""

import re
from collections.abc import Iterable
from dataclasses import dataclass

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
UNSAID = frozenset(
    (
        "a",
        "an",
        "and",
        "at",
        "do",
        "does",
        "for",
        "from",
        "how",
        "i",
        "in",
        "is",
        "it",
        "of",
        "on",
        "the",
        "to",
        "what",
        "where",
    )
)
_WORD = re.compile(r"[^\W_]+", re.UNICODE)


def words(text: str) -> tuple[str, ...]:
    """The words of a text, small, without what stands between them."""
    return tuple(_WORD.findall(text.casefold()))


@dataclass(frozen=True, slots=True)
class Asked:
    """A word that was typed, and what others say for it."""

    word: str
    others: frozenset[str]


def meant(query: str) -> tuple[Asked, ...]:
    """The telling words of a query, each with what others say for it. A name of several words counts
    where all of it was typed."""
    typed = tuple(word for word in words(query) if word not in UNSAID)
    said = " ".join(words(query))
    out = []
    for word in typed:
        others: set[str] = set()
        for group in GROUPS:
            if any(_names(name, word, said) for name in group):
                others.update(name for name in group if len(words(name)) == 1)
        out.append(Asked(word, frozenset(others - {word})))
    return tuple(out)


def _names(name: str, word: str, said: str) -> bool:
    parts = words(name)
    if len(parts) == 1:
        return parts[0] == word or (len(word) > MOST_LETTERS_CUT and parts[0].startswith(word))
    return word in parts and " ".join(parts) in said


MOST_LETTERS_CUT = 3  # of a word, so much must be typed before it stands for what others say
TITLE, BESIDE = 4.0, 1.0  # what a word of a name counts, and one that is said beside it
WHOLE, BEGUN, OTHER, OTHER_BEGUN = (
    1.0,
    0.8,
    0.6,
    0.4,
)  # the word itself, its beginning, another word for it, its beginning


def score(query: Iterable[Asked], title: str, more: str = "") -> float:
    """How well a thing answers: 0 where a word of the query is answered by nothing; the word itself counts more than another for
    it, a word of the name more than one beside it, a short name more than a long one."""
    named, beside = words(title), words(more)
    whole = 0.0
    for asked in query:
        best = max(
            (
                *(TITLE * _answers(asked, word) for word in named),
                *(BESIDE * _answers(asked, word) for word in beside),
                0.0,
            )
        )
        if best == 0.0:
            return 0.0
        whole += best
    return whole - 0.05 * len(named)


def _answers(asked: Asked, word: str) -> float:
    if word == asked.word:
        return WHOLE
    if word.startswith(asked.word):
        return BEGUN
    if word in asked.others:
        return OTHER
    return OTHER_BEGUN if any(word.startswith(other) for other in asked.others) else 0.0
