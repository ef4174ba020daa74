"""A cleat in figures: its wall piece, what the screen slides on it, and the frame's own piece."""

from collections.abc import Callable

from gantline.core.defaults import WallDefaults
from gantline.core.wall.cleat import CleatPlace
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import size, term
from gantline.stations.size import screen
from gantline.stations.survey import room
from gantline.stations.wall.cleat_line import stretch
from gantline.stations.wall.solve import rows_mm
from gantline.stations.wall.way import cleat_on_studs, cleat_place, frame_pieces, low_cleat_mm
from gantline.stations.wall.way_figures import boards_count

CLEAT_FIGURES = Figures()


def _cleat_end(key: str, label: str, end: Callable[[CleatPlace], float]) -> None:
    @CLEAT_FIGURES.length(key, label, "past its outer studs by what keeps the end from splitting")
    def piece(at: Ask) -> Display | None:
        """Of the wall piece, from the left wall end."""
        place = at(cleat_place) if at(cleat_on_studs) else None
        return None if place is None else Display(end(place), how=f"over {len(place.studs_mm)} studs")


_cleat_end("cleat_left", "Left end from left wall end", lambda one: one.left_mm)
_cleat_end("cleat_right", "Right end from left wall end", lambda one: one.right_mm)


@CLEAT_FIGURES.length(
    "cleat_play", "Screen slides each way", "half of the frame's free length less the wall piece"
)
def cleat_play(at: Ask) -> Display | None:
    """Half the float."""
    place = at(cleat_place) if at(cleat_on_studs) else None
    if place is None:
        return None
    free = term("overall width", at(screen).overall_width_mm) - 2.0 * term(
        "corner joint", at.default(WallDefaults.rail_inset_mm)
    )
    total = (free - term("wall piece", place.right_mm - place.left_mm)) / 2.0
    return Display(total.value, total)


@CLEAT_FIGURES.length(
    "cleat_edge", "Wall piece's front edge from the datum line", "screws + front edge to its screws"
)
def cleat_edge(at: Ask) -> Display | None:
    """The line to set the wall piece to."""
    rows = at(rows_mm)
    if rows is None or not at(boards_count):
        return None
    total = term("screws", rows[0]) + term("front edge to screws", at.field(Hanging.cleat_screw_mm))
    total = total - term("datum line", at(room).datum_mm)
    way_word = "above" if total.value >= 0.0 else "below"
    label = f"Wall piece's front edge {way_word} datum"
    return Display(abs(total.value), size(total) if total.value < 0.0 else total, label=label)


@CLEAT_FIGURES.other(
    "frame_piece", "Frame piece, from the frame's left end", "", "over the ends of the wall piece"
)
def frame_piece(at: Ask) -> Display | None:
    """Seen from the front; from behind the same from its right end."""
    text = "; ".join(stretch(at, piece) for piece in at(frame_pieces))
    return (
        Display(text, text=text, how="seen from the front, the long point up and outward") if text else None
    )


@CLEAT_FIGURES.length(
    "low_cleat", "Second cleat below the first, long point to long point", "low on the stiles"
)
def low(at: Ask) -> Display | None:
    """From the upper frame piece's bevel down to that of the low one."""
    value = at(low_cleat_mm)
    if value is None:
        return None
    total = term("overall height", at(screen).overall_height_mm) - 2.0 * term(
        "long point to frame top", at.field(Hanging.cleat_point_mm)
    )
    return Display(
        value,
        total,
        how="its wall piece is set against it while the frame hangs: it pulls in, and carries nothing",
    )
