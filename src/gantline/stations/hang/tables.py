"""What to do at the wall, in order, and every reading with its verdict."""

from dataclasses import dataclass

from gantline.core.align.corners import CORNERS
from gantline.core.align.corners import NAMES as NAMED
from gantline.core.wall.ways import KINDS
from gantline.job.model.align import HangReading, Hung, PictureRound
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, fabric_plane_mm, mount_kind, way
from gantline.stations.hang.people import people_words
from gantline.stations.hang.solve import verdicts_now
from gantline.stations.hang.words import NAMES, move_words, off_words
from gantline.stations.height import picture_first

PICTURE = (
    "Put the picture on the bare wall, level, and mark its four corners with tape",
    "Type where the tape reads each corner: the frame's center and top follow",
)
AFTER = "Read the corners at Align and correct the projector by what is missed"
PULL = "Pull at every bracket and latch; then let go one hand at a time"
SAID = (
    ("level_mm", "right end over left"), ("level_deg", "level"), ("height_left_mm", "left end"), ("height_right_mm", "right end"),
    ("gap_left_mm", "to left wall end"), ("gap_right_mm", "to right wall end"),
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
    """The acts in order, who does them, the caution of this way, the checks, the readings; the picture as it was taped, round
    by round, with the names of its eight readings."""

    acts: tuple[str, ...]
    people: str
    caution: str
    pictures: tuple[ReadingRow, ...]
    checks: tuple[CheckRow, ...]
    readings: tuple[ReadingRow, ...]


def hang_table(at: Ask) -> HangTable:
    """All of it in words."""
    kind = KINDS[at(way)]
    before, after = (PICTURE, (*_out(at), AFTER)) if at(picture_first) else ((), ())
    checks = tuple(
        CheckRow(
            key=verdict.check,
            name=NAMES[verdict.check],
            stands=off_words(at, verdict),
            within=verdict.within,
            move=move_words(at, verdict),
        )
        for verdict in at(verdicts_now)
    )
    readings = tuple(
        ReadingRow(
            id=reading.id,
            said=_said(at, reading),
            by=", ".join(each for each in (reading.who, reading.day) if each),
        )
        for reading in at.things(Hung.readings)
    )
    return HangTable(
        acts=(*before, *kind.goes_on, PULL, *after),
        people=at(people_words),
        caution=kind.caution,
        pictures=tuple(_taped(at, one) for one in at.things(Hung.picture)),
        checks=checks,
        readings=readings,
    )


def _out(at: Ask) -> tuple[str, ...]:
    """What a body near the wall needs: the fabric stands where the wall was lit from before."""
    if at(mount_kind) != CABINET:
        return ()
    return (
        f"Move the body out by {at.text(at(fabric_plane_mm))}: as far from the fabric as it was from the wall",
    )


def _taped(at: Ask, picture_round: PictureRound) -> ReadingRow:
    places = (
        f"{at.text(getattr(picture_round, f'{key}_x_mm'))}, {at.text(getattr(picture_round, f'{key}_y_mm'))}"
        for key in CORNERS
    )
    said = "; ".join(f"{NAMED[key]} {place}" for key, place in zip(CORNERS, places, strict=True))
    return ReadingRow(
        id=picture_round.id,
        said=said,
        by=", ".join(each for each in (picture_round.who, picture_round.day) if each),
    )


def _said(at: Ask, hang_reading: HangReading) -> str:
    parts = []
    for name, label in SAID:
        value = getattr(hang_reading, name)
        if value is not None:
            sign = "−" if value < 0.0 else ""
            parts.append(
                f"{label} {sign}{f'{abs(value):g}°' if name == 'level_deg' else at.text(abs(value))}"
            )
    return ", ".join(parts) or "nothing read"
