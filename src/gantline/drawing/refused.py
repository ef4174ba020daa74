"""Holes that are not to be drilled, on every pen: drawn as refused; no number leads to them, no load is told of them."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from gantline.drawing.marks import Dimension, Dot, Face, Label, Mark
from gantline.plan.refused import Refused

REFUSED = "hole-refused"
WORDS = "do not drill"


def crossed_out(face: Face, stopped: Sequence[Refused], without: Iterable[str]) -> Face:
    """A face on which refused holes are drawn as refused and no number leads to them alone."""
    if not stopped:
        return face
    dots = {f"{kind}-{one.key}" for one in stopped for kind in ("hole", "bracket")}
    gone = {*without, *(f"load-{stopped_hole.key}" for stopped_hole in stopped)}
    return replace(face, marks=tuple(_crossed(face.marks, dots, gone)))


def _crossed(marks: Iterable[Mark], dots: set[str], gone: set[str]) -> Iterator[Mark]:
    for mark in marks:
        if isinstance(mark, Dot) and mark.key in dots:
            yield replace(mark, role=REFUSED, name=f"{mark.name}: {WORDS}")
            yield Label(
                key=f"{mark.key}-refused",
                layer=mark.layer,
                at=mark.at,
                text=WORDS,
                role=REFUSED,
                moves=mark.moves,
            )
        elif not (isinstance(mark, Dimension | Label) and mark.key in gone):
            yield mark
