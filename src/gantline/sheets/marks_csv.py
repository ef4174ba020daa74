"""The marks as CSV: exact millimetres and the tape's text side by side."""

import csv
import io

from gantline.core.units import Units, length_text, plain
from gantline.plan.scene import Scene

COLUMNS = (
    "hole", "from_left_wall_end", "from_screen_centre", "from_nearest_stud", "from_datum_line", "to_floor", "to_ceiling",
)  # fmt: skip


def marks_csv(scene: Scene, units: Units) -> bytes:
    """One line a hole; each column twice, in mm and as read on the tape. Only the heading without holes."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([COLUMNS[0], *(f"{name}_{kind}" for name in COLUMNS[1:] for kind in ("mm", "tape"))])
    for one in scene.drilling.marks if scene.drilling else ():
        values = (
            one.from_left_mm, one.from_centre_mm, one.from_stud_mm, one.from_datum_mm, one.to_floor_mm, one.to_ceiling_mm,
        )  # fmt: skip
        cells = [cell for value in values for cell in _cells(value, units)]
        writer.writerow([f"{one.hole.row} {one.hole.side}", *cells])
    return out.getvalue().encode()


def _cells(value: float | None, units: Units) -> tuple[str, str]:
    return ("", "") if value is None else (f"{value:.3f}", plain(length_text(value, units)))
