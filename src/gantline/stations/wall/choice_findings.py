"""A choice against the ranking, and what the last dry fit asks for."""

from collections.abc import Iterator

from gantline.core.defaults import WallDefaults
from gantline.core.wall.dryfit import slide_mm
from gantline.core.wall.marks import level_tolerance_mm
from gantline.job.field import field_of
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, noted
from gantline.stations.size import screen
from gantline.stations.survey import studs_known
from gantline.stations.wall.choose import candidates, taken
from gantline.stations.wall.codes import Code
from gantline.stations.wall.dry import corrections, last_fit


@noted
def other_way(at: Ask) -> Iterator[Finding]:
    """The job goes another way than the first that serves: kept, with what it costs."""
    if at(taken) not in ("backer", "anchors") or not at(studs_known):  # studs come first, a cleat is as good
        return
    ranked = at(candidates)
    own = next((one for one in ranked if one.taken), None)
    if own is None or ranked[0].key == own.key or not ranked[0].serves:
        return
    best = ranked[0]
    text = f"{best.name} also works: {best.why}. {own.name} takes more effort: {own.cost}."
    yield Finding(code=Code.OTHER_WAY, severity="note", text=text, subject=field_of(Hanging.fix_to).pointer)


@noted
def dry_fit(at: Ask) -> Iterator[Finding]:
    """What to move after the last dry fit; nothing once it is within tolerance."""
    fit, moves = at(last_fit), at(corrections)
    if fit is None:
        return
    most = level_tolerance_mm(at(screen).overall_width_mm, most_mm=at.default(WallDefaults.hole_level_mm))
    said = [
        f"{side} bracket {at.text(abs(one))} {'up' if one > 0.0 else 'down'}"
        for side, one in moves
        if abs(one) > most
    ]
    slide = slide_mm(fit)
    if slide is not None and abs(slide) > at.default(WallDefaults.center_mm):
        said.append(f"slide the frame {at.text(abs(slide))} to the {'right' if slide > 0.0 else 'left'}")
    if said:
        text = f"Dry fit: {', '.join(said)}. Hang it again and read again."
        yield Finding(code=Code.DRY_FIT, severity="check", text=text, subject=field_of(Hanging.dry).pointer)


CHOICE_FINDINGS = (other_way, dry_fit)
