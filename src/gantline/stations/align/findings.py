"""What stands between the picture and its frame."""

from collections.abc import Iterator

from gantline.core.align.corners import NAMES, spoken
from gantline.core.align.solve import Alignment
from gantline.core.defaults import AlignDefaults
from gantline.job.field import field_of
from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, noted
from gantline.stations.align.codes import Code
from gantline.stations.align.finish import depth_mm, unsharp
from gantline.stations.align.measured import corners_light, luminance
from gantline.stations.align.solve import (
    aligned,
    done,
    doubted,
    last_round,
    leaning,
    made_moves,
    misfits,
    weak,
)
from gantline.stations.align.words import said

MOST_NAMED = 3  # readings; more are all of them
ROUNDS = field_of(Aligned.rounds).pointer


def _finding(code: Code, severity: str, text: str, subject: str = "") -> Finding:
    return Finding(code=code, severity=severity, text=text, subject=f"{ROUNDS}{subject}")  # type: ignore[arg-type]


@noted
def pose(at: Ask) -> Iterator[Finding]:
    """Why there is no pose yet."""
    alignment = at(aligned)
    if isinstance(alignment, str):
        yield _finding(Code.NO_POSE, "check", alignment)


@noted
def readings(at: Ask) -> Iterator[Finding]:
    """A reading that does not fit, named with its rivals; or a frame that is no rectangle."""
    if not at(misfits):
        return
    names, leaning_pose = at(doubted), at(leaning)
    slipped = "; or ".join(spoken(name) for name in names)
    alike = " From here they cannot be told apart." if len(names) > 1 else ""
    if leaning_pose is not None:
        side, far = "right" if leaning_pose.lean_mm > 0.0 else "left", at.text(abs(leaning_pose.lean_mm))
        frame = f"the frame is out of square, its top {far} to the {side}"
        if not names or leaning_pose.lean_falls_by >= float(max(leaning_pose.falls_by)):
            other = f" Or a reading slipped: {slipped}." if names else ""
            text = f"No projector position explains these corners; {frame}. Measure its sides and diagonals at Frame.{other}"
            yield _finding(Code.LEANS, "check", text)
            return
        alike += f" Or {frame}: read its sides and diagonals at Frame."
    bowed = _bowed_edge(at)
    if len(names) > MOST_NAMED or (bowed and len(names) > 1):
        why = (
            f"The {bowed} edge bows, and no pose explains a bow: flatten it, or read its corners at the frame's own corners."
            if bowed
            else "Too many could be the one that slipped."
        )
        yield _finding(Code.BAD_READING, "check", f"{why} Read all eight again.")
        return
    if names:
        yield _finding(
            Code.BAD_READING, "check", f"Read again: {slipped}. It fits no pose with the others.{alike}"
        )
    else:
        text = "The corners fit no pose of this projector: read all of them again."
        yield _finding(Code.NO_POSE_FITS, "check", text)


def _bowed_edge(at: Ask) -> str:
    """The edge that bows farther than a corner may be off; empty without one."""
    newest, most = last_round(at), at.default(AlignDefaults.corner_within_mm)
    bows = () if newest is None else (("top", newest.top_bow_mm), ("bottom", newest.bottom_bow_mm))
    return next((name for name, value in bows if value is not None and abs(value) > most), "")


@noted
def moves(at: Ask) -> Iterator[Finding]:
    """The first move, and that half of it is enough where turn and shift look alike."""
    next_moves = at(made_moves)
    if not isinstance(at(aligned), Alignment) or at(done):
        return
    if next_moves and not at(misfits):
        count = len(next_moves)
        more = f", then {count - 1} more" if count > 1 else ""
        yield _finding(
            Code.MOVE,
            "check",
            f"{said(at, next_moves[0])}{more}. Read the corners again after the last.",
            "#moves",
        )
    if at(weak) and not at(misfits):
        text = "Turn and shift cannot be told apart from here: do half of the turn, and read again."
        yield _finding(Code.WEAK, "note", text, "#weak")


@noted
def bow(at: Ask) -> Iterator[Finding]:
    """An edge whose middle stands off its line: no move of a straight body cures that."""
    newest = last_round(at)
    if newest is None:
        return
    most = at.default(AlignDefaults.corner_within_mm)
    for name, value in (("top", newest.top_bow_mm), ("bottom", newest.bottom_bow_mm)):
        if value is not None and abs(value) > most:
            way = "out" if value > 0.0 else "in"
            text = (
                f"The {name} edge bows {at.text(abs(value))} {way} at its middle. No turn of the body cures that: on a "
                "cabinet-top it is a wall or fabric that is not flat, elsewhere the lens."
            )
            yield _finding(Code.BOW, "note", text, f"#{name}")


@noted
def focus(at: Ask) -> Iterator[Finding]:
    """A body turned so far that center and corners cannot both be sharp."""
    off, deep = at(unsharp), at(depth_mm)
    if off is None or deep is None or abs(off[1]) <= deep:
        return
    text = (
        f"Center and corners cannot both be sharp: the {NAMES[off[0]]} corner stands {at.text(abs(off[1]))} "
        f"{'behind' if off[1] > 0.0 else 'before'} the plane of focus, and a pixel is sharp within {at.text(deep)}. "
        "Straighten the body; no focus cures that."
    )
    yield _finding(Code.FOCUS, "check", text, "#focus")


FINDINGS = (pose, readings, moves, bow, focus, luminance, corners_light)
