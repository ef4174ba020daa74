"""Ten graded sheets of the sample world with something wrong: look, mark, say what it is; then see what it was."""

from base64 import b64encode
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gantline.compare.order_run import FULL, MODEL, texts
from gantline.core.errors import OutOfRange
from gantline.core.membrane.equilibrium import Solver
from gantline.core.membrane.faults import Fault, Kind, even, with_faults
from gantline.core.membrane.holding import Laid, Stretching, laid
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.looked_at import sights
from gantline.core.membrane.model import FrameGives
from gantline.core.membrane.picture import picture, raster
from gantline.core.tension.holds import HOLDS, Hold
from gantline.core.tension.points import Layout, Side, spread
from gantline.core.units import Units

CHOICES: Mapping[Kind, str] = {
    Kind.TIGHT: "a point too tight",
    Kind.SLACK: "a point too slack",
    Kind.CORNER: "a corner not pulled on its diagonal",
    Kind.RACKED: "the frame is racked",
    Kind.ASKEW: "an edge hooked askew",
}
WHOLE = (Kind.RACKED, Kind.ASKEW)
NEAR, CLOSE = 1.5, 4.0  # points away


@dataclass(frozen=True, slots=True, kw_only=True)
class Exercise:
    """One sheet: how it is held, what is wrong. side and place: of the point, as a share of its side."""

    hold: Hold
    spacing_mm: float
    kind: Kind
    amount_mm: float
    side: Side | None = None
    place: float = 0.5


EXERCISES = (
    Exercise(hold=Hold.LACE, spacing_mm=175.0, kind=Kind.SLACK, amount_mm=8.0, side=Side.TOP, place=0.5),
    Exercise(hold=Hold.SNAP, spacing_mm=150.0, kind=Kind.TIGHT, amount_mm=9.0, side=Side.BOTTOM, place=0.35),
    Exercise(hold=Hold.STAPLE, spacing_mm=60.0, kind=Kind.RACKED, amount_mm=26.0),
    Exercise(hold=Hold.SNAP, spacing_mm=150.0, kind=Kind.CORNER, amount_mm=7.0, side=Side.TOP, place=1.0),
    Exercise(hold=Hold.LACE, spacing_mm=175.0, kind=Kind.ASKEW, amount_mm=18.0, side=Side.TOP),
    Exercise(hold=Hold.STAPLE, spacing_mm=60.0, kind=Kind.TIGHT, amount_mm=7.0, side=Side.LEFT, place=0.4),
    Exercise(hold=Hold.SNAP, spacing_mm=125.0, kind=Kind.SLACK, amount_mm=7.0, side=Side.RIGHT, place=0.7),
    Exercise(hold=Hold.STAPLE, spacing_mm=60.0, kind=Kind.ASKEW, amount_mm=-14.0, side=Side.RIGHT),
    Exercise(hold=Hold.SNAP, spacing_mm=125.0, kind=Kind.RACKED, amount_mm=-30.0),
    Exercise(hold=Hold.STAPLE, spacing_mm=50.0, kind=Kind.SLACK, amount_mm=6.0, side=Side.BOTTOM, place=0.8),
)
WIDTH, HEIGHT = 2200.0, 1240.0


def exercise(number: int, guess: Mapping[str, Any] | None, units: Units) -> dict[str, Any]:
    """One sheet and, once somebody guessed, what it was.

    Args: number, from 1; guess, kind and point (place in the list, -1 for the whole sheet).
    Returns: points, picture and what is said of it.  Raises: OutOfRange for no such sheet.
    """
    if not 1 <= number <= len(EXERCISES):
        raise OutOfRange(f"there are {len(EXERCISES)} sheets", field="number", got=number)
    task = EXERCISES[number - 1]
    own = _sheet(task)
    fault = _fault(own, task)
    chance = np.random.default_rng(number)
    sound = even(own)
    gap = sound.holds.gap_mm.copy()
    gap[:, 0] += chance.normal(0.0, 0.15, len(gap))
    base = sound.with_holds(gap_mm=gap)
    solver = Solver(base)
    sheet = with_faults(own, base, [fault])
    rest = solver.solve(sheet, solver.solve(base).moved)
    grid = raster(sheet.mesh, FULL * own.line)
    return {
        "number": number,
        "of": len(EXERCISES),
        "hold": HOLDS[task.hold].name,
        "width_mm": WIDTH,
        "height_mm": HEIGHT,
        "points": [
            {"side": p.side.value, "u_mm": p.u_mm, "v_mm": p.v_mm, "label": str(p.number)} for p in own.points
        ],
        "cells": grid.cells,
        "picture": b64encode(picture(grid, sheet, rest)).decode(),
        "full_n_m": FULL * own.line * 1000.0,
        "texts": texts(sights(sheet, rest), units),
        "choices": [{"key": kind.value, "label": label} for kind, label in CHOICES.items()],
        "answer": None if guess is None else _answer(own, fault, guess),
        "model": MODEL,
    }


def _sheet(task: Exercise) -> Laid:
    points = spread(Layout(width_mm=WIDTH, height_mm=HEIGHT, spacing_mm=task.spacing_mm, inset_mm=50.0))
    frame = FrameGives(rail_bending=1e10, stile_bending=1e10, rail_supports_mm=(WIDTH / 2.0,), racking=12.0)
    line = {Hold.STAPLE: 0.06, Hold.LACE: 0.1, Hold.SNAP: 0.12}[task.hold]
    what = Stretching(
        width_mm=WIDTH,
        height_mm=HEIGHT,
        cloth=Cloth(along=30.0, across=20.0),
        hold=task.hold,
        line=line,
        frame=frame,
    )
    return laid(points, what, edge_mm=65.0, inside_mm=85.0)


def _fault(own: Laid, task: Exercise) -> Fault:
    if task.kind in WHOLE:
        return Fault(
            kind=task.kind, amount_mm=task.amount_mm, side=task.side if task.kind is Kind.ASKEW else None
        )
    along = sorted((p.reading_mm, k) for k, p in enumerate(own.points) if p.side is task.side)
    return Fault(
        kind=task.kind, amount_mm=task.amount_mm, point=along[round(task.place * (len(along) - 1))][1]
    )


def _answer(own: Laid, fault: Fault, guess: Mapping[str, Any]) -> dict[str, Any]:
    """What it was, and how close the guess came: the kind, and how many points away."""
    kind, point = str(guess.get("kind", "")), int(guess.get("point", -1))
    was = CHOICES[fault.kind]
    where = ""
    away = 0.0
    if fault.point >= 0:
        here = own.points[fault.point]
        where = f" at {here.number}, {here.side.value}"
        if 0 <= point < len(own.points):
            there = own.points[point]
            gaps = [
                abs(a.reading_mm - b.reading_mm)
                for a, b in zip(own.points, own.points[1:], strict=False)
                if a.side is b.side
            ]
            away = float(np.hypot(here.u_mm - there.u_mm, here.v_mm - there.v_mm) / np.median(gaps))
        else:
            away = float("inf")
    elif fault.kind is Kind.RACKED:
        where = f", top to the {'right' if fault.amount_mm > 0.0 else 'left'}"
    else:
        where = f", {fault.side} edge"
    same = kind == fault.kind.value
    twins = {kind, fault.kind.value} == {k.value for k in WHOLE}
    if same and away <= NEAR:
        said = "That is it."
    elif same and away <= CLOSE:
        said = f"The right kind, {round(away)} points away."
    elif same:
        said = "The right kind, in another place."
    elif twins:
        said = "Nobody tells these two apart by looking: the diagonals do."
    elif fault.point >= 0 and away <= NEAR:
        said = "The right place, another kind."
    else:
        said = "Something else."
    return {
        "right": same and away <= NEAR,
        "text": f"{said} It was {was}{where}.",
        "point": fault.point,
        "why": WHY[fault.kind],
    }


WHY: Mapping[Kind, str] = {
    Kind.TIGHT: "A tight point takes the pull from its neighbors: waves stand beside it and point at it.",
    Kind.SLACK: "Where a point is slack its neighbors carry: one wave runs from neighbor to neighbor along the edge.",
    Kind.CORNER: "A corner that was not pulled leaves short waves across it, from side to side.",
    Kind.RACKED: "Racked, one diagonal is longer: all waves lean the same way.",
    Kind.ASKEW: "Hooked askew, long waves run out of the two corners on the longer diagonal.",
}
