"""Faults laid on a sheet that is not the bench's own, drawn by a hand that misses: what the wrinkle bench makes of them.

The truth has at least twice the unknowns, a cloth up to 15 % stiffer or softer either way, and every point off by 0.3 mm.
Lines are off by up to 10 degrees and 80 mm each.  python -m bench.wrinkles [ONE TWO RACKED ASKEW SOUND] [-v]
"""

import sys
import time
from collections import Counter
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.membrane.causes import Library, library
from gantline.core.membrane.cures import bad, cured, done
from gantline.core.membrane.equilibrium import NotAtRest, Rest, Solver
from gantline.core.membrane.faults import Fault, Kind, even, spacing_of, with_faults
from gantline.core.membrane.holding import Laid, Stretching, laid
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.looked_at import sights
from gantline.core.membrane.marks import Line, lines_of
from gantline.core.membrane.model import FrameGives, Sheet
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import Layout, Side, spread

WIDTH, HEIGHT = 2400.0, 1350.0
HOLDS = (
    (Hold.STAPLE, 35.0, 0.060, (3.0, 6.0)),
    (Hold.LACE, 175.0, 0.100, (4.0, 8.0)),
    (Hold.SNAP, 125.0, 0.120, (4.0, 8.0)),
)
SHOWN = 2e-3  # of the area, beyond what the sheet without the fault wrinkles


@dataclass(frozen=True, slots=True, kw_only=True)
class Truth:
    """A sheet nobody computes for the bench; sound: how much of it is bad without the fault."""

    laid: Laid
    sheet: Sheet
    rest: Rest
    solver: Solver
    sound: float


def sheet_of(hold: Hold, spacing: float, line: float, cloth: Cloth, *, edge: float, inside: float) -> Laid:
    """A sheet on its frame, of this bench's size."""
    points = spread(Layout(width_mm=WIDTH, height_mm=HEIGHT, spacing_mm=spacing, inset_mm=50.0))
    frame = FrameGives(rail_bending=1e10, stile_bending=1e10, rail_supports_mm=(WIDTH / 2.0,), racking=10.0)
    what = Stretching(width_mm=WIDTH, height_mm=HEIGHT, cloth=cloth, hold=hold, line=line, frame=frame)
    return laid(points, what, edge_mm=edge, inside_mm=inside)


def truth(hold: Hold, spacing: float, line: float, faults: list[Fault], chance: np.random.Generator) -> Truth:
    """A faulty sheet that nobody computed with."""
    cloth = Cloth(along=30.0 * chance.uniform(0.85, 1.15), across=20.0 * chance.uniform(0.85, 1.15))
    own = sheet_of(hold, spacing, line, cloth, edge=min(spacing, 45.0), inside=60.0)
    gap = even(own).holds.gap_mm.copy()
    gap[:, 0] += chance.normal(0.0, 0.3, len(gap))
    base = even(own).with_holds(gap_mm=gap)
    solver = Solver(base)
    sound = solver.solve(base)
    sheet = with_faults(own, base, faults)
    return Truth(
        laid=own,
        sheet=sheet,
        rest=solver.solve(sheet, sound.moved),
        solver=solver,
        sound=bad(sights(base, sound)),
    )


def drawn(lines: list[Line], chance: np.random.Generator) -> list[Line]:
    """The lines as a hand draws them."""
    out = []
    for line in lines:
        begin, end = np.array(line.from_mm), np.array(line.to_mm)
        middle, half = (begin + end) / 2.0, (end - begin) / 2.0
        turn = np.deg2rad(chance.uniform(-10.0, 10.0))
        half = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]]) @ half
        far, way = 80.0 * np.sqrt(chance.uniform()), chance.uniform(0.0, 2.0 * np.pi)
        middle = middle + far * np.array([np.cos(way), np.sin(way)])
        out.append(replace(line, from_mm=tuple(middle - half), to_mm=tuple(middle + half)))
    return out


def same(own: Laid, one: Fault, other: Fault) -> bool:
    """Whether a cause names the fault, within a point's spacing."""
    if one.kind is not other.kind:
        return False
    if one.kind in (Kind.RACKED, Kind.ASKEW):
        return one.side is other.side and one.amount_mm * other.amount_mm > 0.0
    a, b = own.points[one.point], own.points[other.point]
    return a.side is b.side and abs(a.reading_mm - b.reading_mm) <= 1.01 * spacing_of(own, a.side)


def plans(
    counts: tuple[int, ...], lib: Library, chance: np.random.Generator
) -> list[tuple[str, list[Fault]]]:
    """What is tried: so many of each sort."""

    def point(k: int) -> Fault:
        kind = (Kind.TIGHT, Kind.SLACK)[chance.integers(2)]
        return Fault(kind=kind, amount_mm=float(chance.uniform(4.0, 8.0)), point=k)

    points = len(lib.laid.points)
    shown = sorted(
        {(e.fault.kind, e.fault.point) for e in lib.entries if e.fault.point >= 0 and e.wrinkled > SHOWN}
    )
    shown = [pair for pair in shown if pair[0] is not Kind.CORNER]
    out = [("one point", [point(int(chance.integers(points)))]) for _ in range(counts[0])]
    for _ in range(counts[1]):  # two that each show alone
        pair = [shown[k] for k in chance.choice(len(shown), 2, replace=False)]
        out.append(
            (
                "two points",
                [Fault(kind=k, amount_mm=float(chance.uniform(4.0, 8.0)), point=p) for k, p in pair],
            )
        )
    for name, kind, many, low, high in (
        ("racked", Kind.RACKED, counts[2], 12.0, 30.0),
        ("shifted", Kind.ASKEW, counts[3], 8.0, 20.0),
    ):
        for _ in range(many):
            amount = float(chance.choice([-1.0, 1.0]) * chance.uniform(low, high))
            side = (Side.TOP, Side.RIGHT)[chance.integers(2)] if kind is Kind.ASKEW else None
            out.append((name, [Fault(kind=kind, amount_mm=amount, side=side)]))
    return out + [("sound", []) for _ in range(counts[4])]


def judged(
    lib: Library,
    name: str,
    faults: list[Fault],
    there: Truth,
    solver: Solver,
    chance: np.random.Generator,
    *,
    verbose: bool,
) -> dict[str, bool]:
    """What came of it, by question; nothing where the fault does not show."""
    lines = lines_of(there.sheet, there.rest)
    before = bad(sights(there.sheet, there.rest))
    if name == "sound":
        return {"named": bool(lib.causes(drawn(lines, chance), most=3))}
    if before - there.sound < SHOWN or not lines:
        return {}
    lines = drawn(lines, chance)
    two = name == "two points"
    causes = lib.together(lines, most=5) if two else lib.causes(lines, most=3)
    hit = [any(same(lib.laid, cause.fault, fault) for cause in causes) for fault in faults]
    out = {"found": all(hit), "half": False}
    if causes:
        try:
            taken = [replace(c.fault, amount_mm=lib.amount_of(c.fault, lines)) for c in causes[: len(faults)]]
            cure = cured(lib.laid, taken, solver, lib.doubt(causes)).cure
            square = (
                replace(there.sheet, rack_mm=float(chance.uniform(-1.0, 1.0))) if cure.square else there.sheet
            )
            after, rest = done(
                there.laid, there.solver, square, there.rest, cure.moves, hooked_again=cure.hooked_again
            )
            left = bad(sights(after, rest))
            out["half"] = left - there.sound <= 0.5 * (before - there.sound)
        except NotAtRest:
            pass
    if verbose and not (out["found"] and out["half"]):
        print(
            "   ",
            name,
            out,
            [(f.kind.value, round(f.amount_mm, 1), f.point) for f in faults],
            [(c.fault.kind.value, c.fault.point, round(c.likeness, 2)) for c in causes],
            len(lines),
        )
    return out


def main() -> None:
    """Every hold, every sort of fault."""
    given = [int(word) for word in sys.argv[1:] if word.isdigit()]
    counts = tuple(given) if len(given) == 5 else (100, 60, 20, 20, 20)
    for hold, spacing, line, amounts in HOLDS:
        began = time.perf_counter()
        own = sheet_of(
            hold, spacing, line, Cloth(along=30.0, across=20.0), edge=max(spacing, 70.0), inside=130.0
        )
        lib = library(own, amounts)
        print(
            f"{hold}: library of {len(lib.entries)} that show, {lib.hidden} that do not, in {time.perf_counter() - began:.1f} s; {own.sheet.unknowns} unknowns"
        )
        solver, chance = Solver(even(own)), np.random.default_rng(7)
        tally, tried = Counter[tuple[str, str]](), Counter[str]()
        for name, faults in plans(counts, lib, chance):
            tried[name] += 1
            try:
                there = truth(hold, spacing, line, faults, chance)
            except NotAtRest as error:
                tally[name, "not at rest"] += 1
                print("   ", name, error)
                continue
            for question, yes in judged(
                lib, name, faults, there, solver, chance, verbose="-v" in sys.argv
            ).items():
                tally[name, question] += yes
                tally[name, f"of {question}"] += 1
        for name in tried:
            words = [
                f"{q} {tally[name, q]} of {tally[name, 'of ' + q]}"
                for q in ("found", "half", "named")
                if tally[name, "of " + q]
            ]
            print(f"  {name}: {tried[name]} tried, {', '.join(words) or 'none shows'}")
        print(f"  truth {there.sheet.unknowns} unknowns, {time.perf_counter() - began:.0f} s in all")


if __name__ == "__main__":
    main()
