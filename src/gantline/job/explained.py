"""What each field is, how it is measured, and what a leaflet calls it: a sentence or two for who meets it for the first time."""

from gantline.job.model import FIELDS
from gantline.job.sayings import SAYS


def explained() -> tuple[tuple[str, str, str], ...]:
    """Key, label and explanation of every field that is entered by itself; what moves with it stands in where it has none of its
    own."""
    return tuple(
        (field.key, field.label, SAYS.get(field.key) or field.note or field.moves)
        for field in FIELDS.values()
        if field.kind not in ("list", "value")
    )
