"""Who stands where while it goes on."""

from gantline.core.defaults import SizeDefaults
from gantline.plan.ask import Ask
from gantline.stations.height import rect_of_frame
from gantline.stations.size import screen
from gantline.stations.survey import room

BESIDE_MM = 260.0  # from the frame's end to the middle of who holds it


def guided(at: Ask) -> bool:
    """Whether a third has to guide: above the width that two can watch."""
    return at(screen).overall_width_mm > at.default(SizeDefaults.two_people_width_mm)


def people_words(at: Ask) -> str:
    """Who does what."""
    ends = "One at each end, both hands under the top rail; each says when it sits."
    return f"{ends} A third three steps back calls level and watches every bracket." if at(guided) else ends


def ends_mm(at: Ask) -> tuple[float, float]:
    """Where along the wall the two stand [mm]: beside the frame, or as near to it as the wall lets them."""
    left, _, right, _ = at(rect_of_frame)
    return max(left - BESIDE_MM, BESIDE_MM), min(right + BESIDE_MM, at(room).wall_mm - BESIDE_MM)
