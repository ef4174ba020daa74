"""The whole order in words, step by step."""

from dataclasses import dataclass

from gantline.core.tension.order import TensionStep
from gantline.job.model.hanging import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.tension.solve import tension_steps

HOOKS = "Tape hooks: rails on the left corner, stiles on the top corner, seen from the back."
ENDS_ONLY = 4  # more readings than this are a run, told by its ends


@dataclass(frozen=True, slots=True, kw_only=True)
class StepRow:
    """One step in the job's texts. numbers and partners name points; who says which person does which.

    loose: it holds nothing yet.
    """

    number: int
    part: str
    place: str
    action: str
    numbers: tuple[int, ...]
    partners: tuple[int, ...]
    partner_place: str
    readings: tuple[str, ...]
    who: str
    reason: str
    loose: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Steps:
    """Every step, and where the tape hooks."""

    rows: tuple[StepRow, ...]
    hooks: str


def steps(at: Ask) -> Steps | None:
    """The order in words."""
    found = at(tension_steps)
    if not found:
        return None
    people = at.field(Tensioning.people)
    return Steps(rows=tuple(_row(at, one, people) for one in found), hooks=HOOKS)


def _row(at: Ask, step: TensionStep, people: str) -> StepRow:
    who = ("both at once" if people == "two" else "then straight across") if step.partners else ""
    ends = step.readings_mm
    if len(ends) > ENDS_ONLY:
        ends = (min(ends), max(ends))
    elif len(ends) > 1 and "corner" not in step.place:
        ends = tuple(sorted(ends))
    return StepRow(
        number=step.number,
        part=step.part,
        place=step.place,
        action=step.action,
        numbers=step.points,
        partners=step.partners,
        partner_place=step.partner_place,
        readings=tuple(at.text(one) for one in ends),
        who=who,
        reason=step.reason,
        loose=step.loose,
    )
