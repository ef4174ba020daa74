"""The last dry fit, and how far each bracket must move for it."""

from gantline.core.wall.dryfit import DryFit, error_at_mm
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.height import rect_of_frame
from gantline.stations.wall.solve import pair


def last_fit(at: Ask) -> DryFit | None:
    """The dry fit that was read last; None before the first."""
    read = at.things(Hanging.dry)
    if not read:
        return None
    fit = read[-1]
    return DryFit(
        left_mm=fit.left_mm, right_mm=fit.right_mm, gap_left_mm=fit.gap_left_mm, gap_right_mm=fit.gap_right_mm
    )


def corrections(at: Ask) -> tuple[tuple[str, float], ...]:
    """By side how far its bracket must go up (- down) [mm]; none without a dry fit or brackets."""
    fit, two = at(last_fit), at(pair)
    if fit is None or two is None:
        return ()
    left, _, right, _ = at(rect_of_frame)
    return tuple(
        (side, -error_at_mm(fit, x, left, right))
        for side, x in (("left", two.left_mm), ("right", two.right_mm))
    )
