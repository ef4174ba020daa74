"""What to do at the wall, in order, and every reading with its verdict."""

from dataclasses import dataclass

from gantline.core.wall.ways import KINDS
from gantline.job.model.align import HangReading, Hung
from gantline.plan.ask import Ask
from gantline.stations.common import way
from gantline.stations.hang.solve import picture_first, verdicts_now
from gantline.stations.hang.words import NAMES, move_words, off_words

PICTURE = (
    "Put the picture on the bare wall, level, and mark its four corners with tape",
    "Read it against the plan: its middle and its top are where the frame goes",
    "Hang the frame to those marks, then correct the projector by what is missed",
)
PULL = "Pull at every bracket and latch; then let go one hand at a time"
SAID = (
    ("level_mm", "right end over left"), ("level_deg", "level"), ("gap_left_mm", "gap left"), ("gap_right_mm", "gap right"),
    ("plumb_left_mm", "top in, left"), ("plumb_right_mm", "top in, right"), ("crossing_mm", "diagonals apart"),
    ("margin_left_mm", "margin left"), ("margin_right_mm", "margin right"), ("margin_top_mm", "margin top"),
    ("margin_bottom_mm", "margin bottom"),
)  # fmt: skip


@dataclass(frozen=True, slots=True, kw_only=True)
class CheckRow:
    """A check: how it stands, the move that cures it (empty within tolerance)."""

    key: str
    name: str
    stands: str
    within: bool
    move: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadingRow:
    """One round of readings as it was read."""

    id: str
    said: str
    by: str


@dataclass(frozen=True, slots=True, kw_only=True)
class HangTable:
    """The acts in order, the caution of this way, the checks, the readings."""

    acts: tuple[str, ...]
    caution: str
    checks: tuple[CheckRow, ...]
    readings: tuple[ReadingRow, ...]


def hang_table(at: Ask) -> HangTable:
    """All of it in words."""
    kind = KINDS[at(way)]
    before = PICTURE if at(picture_first) else ()
    checks = tuple(
        CheckRow(
            key=one.check,
            name=NAMES[one.check],
            stands=off_words(at, one),
            within=one.within,
            move=move_words(at, one),
        )
        for one in at(verdicts_now)
    )
    readings = tuple(
        ReadingRow(id=one.id, said=_said(at, one), by=", ".join(each for each in (one.who, one.day) if each))
        for one in at.things(Hung.readings)
    )
    return HangTable(
        acts=(*before, *kind.goes_on, PULL), caution=kind.caution, checks=checks, readings=readings
    )


def _said(at: Ask, one: HangReading) -> str:
    parts = []
    for name, label in SAID:
        value = getattr(one, name)
        if value is not None:
            sign = "−" if value < 0.0 else ""
            parts.append(
                f"{label} {sign}{f'{abs(value):g}°' if name == 'level_deg' else at.text(abs(value))}"
            )
    return ", ".join(parts) or "nothing read"
