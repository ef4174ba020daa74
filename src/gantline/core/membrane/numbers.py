"""Everything that a simulated sheet rests on, as plain numbers: what is sent to where it is computed, and its key."""

import hashlib
import json
from collections.abc import Sequence
from dataclasses import asdict, dataclass, replace
from itertools import pairwise
from typing import Any

from gantline.core.membrane.holding import Laid, Stretching, laid
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.model import FrameGives
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import Side, TensionPoint
from gantline.core.tension.steps import CENTER_BAR, TensionStep, made_step

LAW = "sheet-2"  # changes with anything that changes an answer
FINEST_MM, COARSEST_MM = 60.0, 130.0  # gaps of the mesh along the edge
INSIDE_MM = 120.0
EDGE_STEPS = 36.0  # along the longer side at least: so a small screen is as fine as a large one


@dataclass(frozen=True, slots=True, kw_only=True)
class StepNumbers:
    """One step of an order: points as (side, reading [mm]), whether partners go with them."""

    number: int
    part: str
    held: tuple[tuple[str, float], ...]
    paired: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetNumbers:
    """A sheet and the order of its points. Lengths [mm], tensions [N/mm], bending [N mm2].

    points: (side, reading, whether of the first pass), clockwise from the top left as seen from the back. border_mm: what a
    border hides round the viewable area. together: which points are held at the same moment. braced: whether bars are in
    from the start; supports hold from then on.
    """

    width_mm: float
    height_mm: float
    hold: str
    points: tuple[tuple[str, float, bool], ...]
    along: float
    across: float
    poisson: float
    line: float
    mass_g_m2: float
    rail_bending: float
    stile_bending: float
    supports_mm: tuple[float, ...]
    braced: bool
    racking: float
    spring_rate: float
    spring_limit_mm: float
    wrap_mm: float
    border_mm: float
    together: str = "partners"
    steps: tuple[StepNumbers, ...] = ()

    def plain(self) -> dict[str, Any]:
        """As JSON takes it, rounded so that the same sheet is the same text."""
        return dict(json.loads(json.dumps(_rounded(asdict(self)))))

    @property
    def key(self) -> str:
        """One key a sheet and law: equal numbers have equal keys."""
        text = json.dumps([LAW, _rounded(asdict(self))], sort_keys=True)
        return hashlib.sha256(text.encode()).hexdigest()[:32]

    @property
    def without_order(self) -> "SheetNumbers":
        """One key a sheet, whatever the order its points are fixed in: what causes and cures rest on."""
        return replace(self, steps=(), together="partners", border_mm=0.0)

    def spots(self) -> tuple[TensionPoint, ...]:
        """The points."""
        return tuple(
            _point(number, Side(side), reading, self.width_mm, self.height_mm, first)
            for number, (side, reading, first) in enumerate(self.points, start=1)
        )

    def order(self) -> tuple[TensionStep, ...]:
        """The steps over those points."""
        spots = {(point.side.value, round(point.reading_mm, 3)): point for point in self.spots()}
        out = []
        for step in self.steps:
            held = tuple(spots[side, round(reading, 3)] for side, reading in step.held)
            made = made_step(step.part, "", "", held, (1,) if step.paired else (), "", "")
            made.number = step.number
            out.append(made)
        return tuple(out)

    def frame(self, *, braced: bool) -> FrameGives:
        """How the frame gives with its bars in, or without."""
        return FrameGives(
            rail_bending=self.rail_bending,
            stile_bending=self.stile_bending,
            rail_supports_mm=self.supports_mm if braced else (),
            racking=self.racking,
        )

    def laid(self, *, braced: bool = True, finer: float = 1.0) -> Laid:
        """The sheet on its frame.  Args: finer, that many times finer a mesh.  Raises: OutOfRange."""
        spots = self.spots()
        gaps = [abs(b.reading_mm - a.reading_mm) for a, b in pairwise(spots) if a.side is b.side]
        usual = sorted(gaps)[len(gaps) // 2] if gaps else COARSEST_MM
        longer = max(self.width_mm, self.height_mm)
        edge = min(max(usual, FINEST_MM), COARSEST_MM, longer / EDGE_STEPS * 2.0) / finer
        what = Stretching(
            width_mm=self.width_mm,
            height_mm=self.height_mm,
            cloth=Cloth(along=self.along, across=self.across, poisson=self.poisson),
            hold=Hold(self.hold),
            line=self.line,
            mass_g_m2=self.mass_g_m2,
            frame=self.frame(braced=braced),
            spring_rate=self.spring_rate,
            spring_limit_mm=self.spring_limit_mm,
            wrap_mm=self.wrap_mm,
        )
        inside = min(INSIDE_MM, longer / EDGE_STEPS * 2.0) / finer
        return laid(spots, what, edge_mm=edge, inside_mm=max(inside, edge))


def step_numbers(steps: Sequence[TensionStep]) -> tuple[StepNumbers, ...]:
    """The steps of an order, those that hold something or fit a bar."""
    return tuple(
        StepNumbers(
            number=step.number,
            part=step.part,
            held=tuple((point.side.value, point.reading_mm) for point in step.held),
            paired=bool(step.partners),
        )
        for step in steps
        if not step.loose and (step.held or step.part == CENTER_BAR)
    )


def read_numbers(plain: dict[str, Any]) -> SheetNumbers:
    """A sheet's numbers from their JSON.  Raises: OutOfRange, TypeError, KeyError for what is none."""
    given = dict(plain)
    given["points"] = tuple((str(side), float(at), bool(first)) for side, at, first in given["points"])
    given["supports_mm"] = tuple(float(at) for at in given["supports_mm"])
    given["steps"] = tuple(
        StepNumbers(**{**step, "held": tuple((str(side), float(at)) for side, at in step["held"])})
        for step in given["steps"]
    )
    return SheetNumbers(**given)


def _point(number: int, side: Side, reading: float, width: float, height: float, first: bool) -> TensionPoint:
    u, v = {
        Side.TOP: (reading, height),
        Side.BOTTOM: (reading, 0.0),
        Side.LEFT: (0.0, height - reading),
        Side.RIGHT: (width, height - reading),
    }[side]
    return TensionPoint(number, side, reading, u, v, first)


def _rounded(value: Any) -> Any:
    if isinstance(value, float):
        return float(f"{value:.9g}")
    if isinstance(value, dict):
        return {key: _rounded(each) for key, each in value.items()}
    return [_rounded(each) for each in value] if isinstance(value, list | tuple) else value
