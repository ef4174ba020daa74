"""Names that a person cannot tell apart are one name."""

import unicodedata

UNSEEN = ("Cf", "Cc", "Zl", "Zp", "Mn", "Me")  # marks of direction, joiners, line ends, accents by themselves


def alike(name: str) -> str:
    """What a name is compared by: compatible forms, without case, marks that are not seen, or spaces that are."""
    folded = unicodedata.normalize("NFKD", name).casefold()
    seen = "".join(one for one in folded if unicodedata.category(one) not in UNSEEN)
    return " ".join(seen.split())[:60]
