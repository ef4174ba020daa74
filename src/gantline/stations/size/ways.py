"""Another size as a way out."""

from gantline.job.model.size import Size, SizeLead
from gantline.plan.finding import Cure, cure


def diagonal_cure(text: str, diagonal_mm: float) -> Cure:
    """A picture of another diagonal [mm], whatever led the size before, and no rounded size chosen."""
    return cure(text, (Size.lead, SizeLead.DIAGONAL.value), (Size.value_mm, diagonal_mm), (Size.tidy, None))
