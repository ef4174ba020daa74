"""The whole order in words, step by step."""

from dataclasses import dataclass

from gantline.core.tension.points import RAILS
from gantline.core.tension.steps import OnTape, TensionStep
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common.words import runs
from gantline.stations.tension.membrane import awaited
from gantline.stations.tension.solve import tension_steps, written_numbers

HOOKS = "Tape hooks: rails on the left corner, stiles on the top corner, seen from the back."
LOOK = (
    "Every point holds. Two lift the frame upright: look along the whole face in side light, at the four corners first, before "
    "trim or an outer frame hides the edge. A crease or a wave points to the hold that is too loose or too tight: open that "
    "one alone, and read both diagonals again."
)
ENDS_ONLY = 4  # more readings than this are a run, told by its ends


@dataclass(frozen=True, slots=True, kw_only=True)
class TapeReads:
    """What the tape along one rail or stile reads at each of its points, in the order they are done; of a long run the
    first and the last, with `run` set."""

    edge: str
    numbers: tuple[int, ...]
    readings: tuple[str, ...]
    run: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class StepRow:
    """One step in the job's texts. numbers and partners name points, said is what is written beside them; who says which
    person does which.

    loose: it holds nothing yet.
    """

    number: int
    part: str
    place: str
    action: str
    numbers: tuple[int, ...]
    partners: tuple[int, ...]
    partner_place: str
    said: str
    tapes: tuple[TapeReads, ...]
    who: str
    reason: str
    loose: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Steps:
    """Every step, how many of them are done, what follows the last one, and where the tape hooks."""

    rows: tuple[StepRow, ...]
    done: int
    after: str
    hooks: str


def steps(at: Ask) -> Steps | None:
    """The order in words."""
    tension = at(tension_steps)
    if not tension:
        return None
    people = at.field(Tensioning.people)
    return Steps(
        rows=tuple(_row(at, step, people) for step in tension),
        done=min(at.field(Tensioning.steps_done), len(tension)),
        after=LOOK,
        hooks=HOOKS,
    )


def said_points(at: Ask, points: tuple[int, ...], partners: tuple[int, ...]) -> str:
    """The points of a step and their partners by what is written beside them."""
    written = at(written_numbers)
    own = [written[number] for number in points]
    across = [written[number] for number in partners]
    if across and across == own:
        return f"pair{'s' if len(own) > 1 else ''} {runs(own)}"
    return f"{runs(own)} with {runs(across)}" if across else runs(own)


def _reads(at: Ask, on_tape: OnTape) -> TapeReads:
    run = len(on_tape.points) > ENDS_ONLY
    numbers, lengths = on_tape.points, on_tape.readings_mm
    if run:
        ends = sorted(zip(lengths, numbers, strict=True))
        lengths, numbers = (ends[0][0], ends[-1][0]), (ends[0][1], ends[-1][1])
    written = at(written_numbers)
    return TapeReads(
        edge=on_tape.edge,
        numbers=tuple(written[number] for number in numbers),
        readings=tuple(at.text(length) for length in lengths),
        run=run,
    )


def _with_parts(at: Ask, step: TensionStep) -> str:
    """What to do, and with which of two parts where rails and stiles take different ones."""
    parts = {True: at.given(Tensioning.rail_part), False: at.given(Tensioning.stile_part)}
    used = dict.fromkeys(part for held_point in step.held if (part := parts[held_point.side in RAILS]))
    return f"{step.action}: {' and '.join(used)}" if used and not step.loose else step.action


def _row(at: Ask, step: TensionStep, people: str) -> StepRow:
    expect = at(awaited).get(step.number, "")
    who = ("both at once" if people == "two" else "then straight across") if step.partners else ""
    return StepRow(
        number=step.number,
        part=step.part,
        place=step.place,
        action=_with_parts(at, step),
        numbers=step.points,
        partners=step.partners,
        partner_place=step.partner_place,
        said=said_points(at, step.points, step.partners),
        tapes=tuple(_reads(at, tape) for tape in step.tapes),
        who=who,
        reason=" ".join(word for word in (step.reason, f"{expect}." if expect else "") if word),
        loose=step.loose,
    )
