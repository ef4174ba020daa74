"""How long the sheet takes, in sparse LUs of its own matrix and in seconds, and how little a finer mesh changes it.

python -m bench.membrane
"""

import time
from itertools import islice

import numpy as np

from bench.wrinkles import HEIGHT, WIDTH
from gantline.core.membrane.equilibrium import Solver
from gantline.core.membrane.factor import factored
from gantline.core.membrane.faults import Fault, Kind, even, with_faults
from gantline.core.membrane.hands import Together
from gantline.core.membrane.holding import Laid, Stretching, laid
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.looked_at import sights
from gantline.core.membrane.model import FrameGives
from gantline.core.membrane.sequence import run
from gantline.core.tension.holds import HOLDS, Hold
from gantline.core.tension.order import Frame, tension_order
from gantline.core.tension.points import Layout, Side, spread
from gantline.core.tension.steps import TensionStep


def ordered(hold: Hold, spacing: float, edge: float, inside: float) -> tuple[Laid, tuple[TensionStep, ...]]:
    """A sheet and its usual order."""
    first = 200.0 if HOLDS[hold].filled else None
    points = spread(
        Layout(width_mm=WIDTH, height_mm=HEIGHT, spacing_mm=spacing, inset_mm=50.0, first_pass_mm=first)
    )
    cloth = Cloth(along=30.0, across=20.0) if HOLDS[hold].pulled else Cloth(along=12.0, across=12.0)
    frame = FrameGives(rail_bending=1e10, stile_bending=1e10, rail_supports_mm=(WIDTH / 2.0,), racking=10.0)
    line = 0.06 if hold is Hold.STAPLE else 0.13
    what = Stretching(width_mm=WIDTH, height_mm=HEIGHT, cloth=cloth, hold=hold, line=line, frame=frame)
    steps = tension_order(
        points, Frame(width_mm=WIDTH, height_mm=HEIGHT, corner_stop_mm=150.0), hold, HOLDS[hold].school
    )
    return laid(points, what, edge_mm=edge, inside_mm=inside), steps


def timed(hold: Hold, spacing: float, edge: float, inside: float, together: Together) -> None:
    """One order: seconds in all, each rest in LUs of the same matrix."""
    own, steps = ordered(hold, spacing, edge, inside)
    solver = Solver(own.sheet)
    matrix = solver.matrix(own.sheet, np.zeros(solver.count))
    lus = []
    for _ in range(9):
        began = time.perf_counter()
        factored(matrix)
        lus.append(time.perf_counter() - began)
    lu = float(np.median(lus))
    began = last = time.perf_counter()
    took, turns, first = [], [], 0.0
    for moment in run(own, steps, together):
        now = time.perf_counter()
        took.append(now - last)
        turns.append(moment.rest.steps)
        first = first or now - began
        last = time.perf_counter()
    print(
        f"{hold}, {len(own.points)} points, {own.sheet.unknowns} unknowns, {together}: {last - began:.1f} s, first picture "
        f"{first:.2f} s; LU {1000 * lu:.1f} ms, a rest {np.median(took) / lu:.1f} LUs median, {np.percentile(took, 95) / lu:.1f} "
        f"p95; iterations {np.median(turns):.0f} median, {max(turns)} most"
    )


def finer() -> None:
    """A half-done order and a faulty sheet on two meshes."""
    for hold, spacing in ((Hold.SNAP, 125.0), (Hold.SPRING, 119.0), (Hold.STAPLE, 60.0)):
        looks = []
        for edge, inside in ((48.0, 68.0), (23.0, 33.0)):
            own, steps = ordered(hold, spacing, edge, inside)
            half = len(own.points) // 4
            moment = next(islice(run(own, steps), half, None))
            whole = even(own)
            solver = Solver(whole)
            point = next(k for k, p in enumerate(own.points) if p.side is Side.TOP and p.reading_mm > 800.0)
            sheet = with_faults(own, whole, [Fault(kind=Kind.SLACK, amount_mm=6.0, point=point)])
            rest = solver.solve(sheet, solver.solve(whole).moved)
            looks.append((own.sheet.unknowns, sights(moment.sheet, moment.rest), sights(sheet, rest)))
        (few, *coarse), (many, *fine) = looks
        for name, a, b in zip(("half done", "faulty"), coarse, fine, strict=True):
            tension = sum(a.tension) / sum(b.tension) - 1.0
            print(
                f"{hold} {name}, {few} to {many} unknowns: tension {100 * tension:+.1f} %, wrinkled {100 * a.wrinkled:.2f} to "
                f"{100 * b.wrinkled:.2f} %, evenness {a.evenness:.2f} to {b.evenness:.2f}"
            )


def main() -> None:
    """All of it."""
    for together in (Together.PARTNERS, Together.ONE):
        timed(Hold.SPRING, 68.0, 48.0, 68.0, together)
        timed(Hold.STAPLE, 26.0, 48.0, 68.0, together)
    finer()


if __name__ == "__main__":
    main()
