"""The alignment card: corners as read, the moves with boxes and what to read after each, and the final numbers."""

from base64 import b64encode
from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.align.corners import CORNERS, NAMES
from gantline.job.model.align import Aligned, Hung
from gantline.plan.ask import Ask
from gantline.sheets.pdf import PHOTO, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.stations.align.measured import measured_table
from gantline.stations.align.solve import done, wanted_mm
from gantline.stations.align.tables import align_table
from gantline.stations.hang.solve import limits
from gantline.stations.hang.tables import hang_table
from gantline.stations.height import picture_first, rect_of_frame
from gantline.stations.size import screen
from gantline.vision.reading import drawn_in, reading

POSE = (
    ("align_yaw", "Turned"),
    ("align_pitch", "Tilted"),
    ("align_roll", "Rolled"),
    ("corner_worst", "Largest corner error"),
    ("corner_within", "Within"),
    ("align_ratio", "Throw ratio"),
    ("align_shift_h", "Shift sideways"),
    ("align_shift_v", "Shift"),
    ("digital_price", "Squared up by the projector"),
)


@dataclass(frozen=True, slots=True)
class After:
    """What a corner should read after a move."""

    name: str
    across: str
    up: str


def align_card(ready: Ready) -> bytes:
    """Hung, read, moved, read again."""
    at, made = ready.made.ask, ready.made
    values = ready.common | {
        "lead": ready.leading(rect_of_frame, screen),
        "hang": at(hang_table),
        "blanks": [] if at.things(Hung.readings) else list(_blanks(at)),
        "taped": at(picture_first) and not at.things(Hung.picture),
        "align": at(align_table),
        "wanted": f"{at.text(at(wanted_mm))} outside" if at(wanted_mm) > 0.0 else "on the edge",
        "moves": list(_moves(at)),
        "names": [NAMES[corner] for corner in CORNERS],
        "pose": [(label, made.text(key)) for key, label in POSE if key in made.figures and made.text(key)],
        "done": at(done),
        "luminance": at(measured_table),
        "photos": list(_photos(ready)),
    }
    return to_pdf(render("align.html", ready.paper, title="alignment card", **values))


def _blanks(at: Ask) -> Iterator[tuple[str, str]]:
    """What is read of the hung screen, and how far each may be off."""
    limit = at(limits)
    allowed = {
        "level over the width": limit.level_mm,
        "wind, at the crossing": limit.wind_mm,
        "plumb, left end": limit.plumb_mm,
        "plumb, right end": limit.plumb_mm,
        "gap to the left wall end": limit.center_mm,
        "gap to the right wall end": limit.center_mm,
        "fabric margin, left": limit.margin_mm,
        "fabric margin, right": limit.margin_mm,
        "fabric margin, top": limit.margin_mm,
        "fabric margin, bottom": limit.margin_mm,
    }
    for name, most_mm in allowed.items():
        alike = "alike within " if name.startswith(("gap", "fabric")) else "within "
        yield name, alike + at.text(max(most_mm, at.step_mm))


def _photos(ready: Ready) -> Iterator[tuple[str, str]]:
    """Name and picture of the first and the last round's photo, with the corners found in it."""
    rounds = list(enumerate(ready.made.ask.things(Aligned.rounds), start=1))
    taken = [(number, one.photo) for number, one in rounds if one.photo]
    for number, key in dict.fromkeys([*taken[:1], *taken[-1:]]):
        content = ready.photo(key or "")
        if content is not None:
            drawn = drawn_in(content, reading(ready.made.ask, content))
            yield f"Round {number}", f"{PHOTO}{b64encode(drawn).decode()}"


def _moves(at: Ask) -> list[tuple[str, list[After]]]:
    return [
        (
            move.text,
            [
                After(NAMES[key], move.after[2 * number], move.after[2 * number + 1])
                for number, key in enumerate(CORNERS)
            ],
        )
        for move in at(align_table).moves
    ]


SHEET = Sheet(
    key="alignment-card",
    label="Alignment card",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="alignment card.pdf",
    make=align_card,
    papers=True,
    about=(rect_of_frame, screen),
)
