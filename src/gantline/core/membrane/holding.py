"""How each way of holding holds a sheet: how stiff, how far it reaches, what sets the tension. And a sheet laid on its frame."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from gantline.core.defaults import TensionDefaults
from gantline.core.errors import OutOfRange
from gantline.core.membrane.equilibrium import Solver
from gantline.core.membrane.law import Cloth
from gantline.core.membrane.mesh import Mesh, sheet_mesh
from gantline.core.membrane.model import SIDES, FrameGives, Holds, Sheet, directions, edge_nodes, frozen
from gantline.core.tension.holds import Hold
from gantline.core.tension.points import Side, TensionPoint

Floats = NDArray[np.float64]
GRAVITY = 9.81
SLIDES = 0.25  # of its weight: cloth on a frame that lies flat
NO_LIMIT = 1e6
OF_NODE = (-0.53, -0.15)  # a node's own give, outward and along, against a load spread over the mesh's gap


@dataclass(frozen=True, slots=True, kw_only=True)
class HoldGives:
    """Stiffness of one hold outward and along the edge [N/mm], and the hem rod it holds by [N mm2].

    frozen: a hand's pull is frozen there; else its place is given by the frame. springs: it only pulls. wrapped: the cloth
    runs round the edge to it, and that much cloth gives more than the hold does. half_mm: half of what it takes of the edge,
    where no rod spreads its pull; a wrapped strip takes its whole share.
    """

    rate: float
    along: float
    frozen: bool = False
    springs: bool = False
    wrapped: bool = False
    rod: float = 0.0
    half_mm: float = 0.0


# Rods are 4 mm glass fiber (E 40 GPa). The others are firm against any cloth; the model does not hang on how firm.
GIVES: Mapping[Hold, HoldGives] = {
    Hold.STAPLE: HoldGives(rate=150.0, along=150.0, frozen=True, wrapped=True),
    Hold.TACK: HoldGives(rate=150.0, along=150.0, frozen=True, wrapped=True),
    Hold.SPRING: HoldGives(rate=TensionDefaults.spring_n_mm.value, along=0.3, springs=True, rod=5.0e5),
    Hold.LUG: HoldGives(rate=60.0, along=2.0, rod=5.0e5),
    Hold.SNAP: HoldGives(rate=60.0, along=60.0, frozen=True, half_mm=7.0),
    Hold.LACE: HoldGives(rate=15.0, along=1.0, frozen=True, rod=5.0e5),
    Hold.PIN: HoldGives(rate=60.0, along=2.0, rod=5.0e5),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Laid:
    """A sheet that lies on its frame, seen from the back, held nowhere yet.

    points: in the order of its holds. wanted (n,) [N]: what each point pulls when the sheet is even; first [N]: the same in
    the first of two passes. line [N/mm]: the even tension. even (nodes, 2) [mm]: the moves of a sheet that is pulled evenly all
    along its edge. gap_mm (n, 2): of the holds, where each of them pulls what is wanted.
    """

    sheet: Sheet
    hold: Hold
    points: tuple[TensionPoint, ...]
    line: float
    wanted: Floats
    first: Floats
    even: Floats
    gap_mm: Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretching:
    """What is stretched: its size [mm], cloth, hold, line tension [N/mm], mass [g/m2], frame.

    spring_rate [N/mm] and spring_limit_mm: of springs, where they are not the usual ones. wrap_mm: cloth from the front edge
    round to a staple.
    """

    width_mm: float
    height_mm: float
    cloth: Cloth
    hold: Hold
    line: float
    mass_g_m2: float = 400.0
    frame: FrameGives = field(default_factory=FrameGives)
    spring_rate: float | None = None
    spring_limit_mm: float = TensionDefaults.spring_useful_mm.value
    wrap_mm: float = 80.0


def laid(points: Sequence[TensionPoint], what: Stretching, *, edge_mm: float, inside_mm: float) -> Laid:
    """The sheet on its frame with nothing held.

    Args: points, as from spread(), seen from the back; what is stretched; edge_mm, inside_mm, the widest gaps of the mesh.
    Raises: OutOfRange where there are no points, or the mesh would be too large; NotAtRest.
    Source: each point pulls its share of the side; what the frame sets (springs, lugs, pins) is placed so that the even sheet is
    exactly its rest, what a hand sets where all hands pulled at once.
    """
    if not points:
        raise OutOfRange("a sheet needs points that hold it", field="points", got=0)
    rails = [p.reading_mm for p in points if p.side in (Side.TOP, Side.BOTTOM)]
    stiles = [p.reading_mm for p in points if p.side in (Side.LEFT, Side.RIGHT)]
    mesh = sheet_mesh(what.width_mm, what.height_mm, rails, stiles, edge_mm=edge_mm, inside_mm=inside_mm)
    gives = GIVES[what.hold]
    compliance = np.linalg.inv(what.cloth.stiffness)
    strain = compliance @ np.array([what.line, what.line, 0.0])
    even = (mesh.nodes - np.array([what.width_mm, what.height_mm]) / 2.0) * strain[:2]
    wanted, first = _shares(points, what, only_first=False), _shares(points, what, only_first=True)
    node = np.array([mesh.nearest(point.u_mm, point.v_mm) for point in points])
    count = len(points)
    rates = _rates(points, what, wanted / what.line, _gaps_at(mesh, node))
    holds = Holds(
        node=node,
        side=np.array([SIDES.index(point.side) for point in points], np.int8),
        at_mm=np.array(
            [point.u_mm if point.side in (Side.TOP, Side.BOTTOM) else point.v_mm for point in points]
        ),
        rate=rates[0],
        along=rates[1],
        gap_mm=np.zeros((count, 2)),
        on=np.zeros(count, bool),
        springs=np.full(count, gives.springs),
        limit_mm=np.full(count, what.spring_limit_mm if gives.springs else NO_LIMIT),
        pull=np.zeros((count, 2)),
    )
    out, along = directions(holds)
    gap = np.stack(
        (wanted / holds.rate + (out * even[node]).sum(axis=1), (along * even[node]).sum(axis=1)), axis=1
    )
    bare = Sheet(
        mesh=mesh,
        cloth=what.cloth,
        holds=holds,
        frame=what.frame,
        rod=gives.rod,
        friction=_friction(mesh, what),
        lies=np.zeros((len(mesh.nodes), 2)),
    )
    sheet = bare if gives.frozen else bare.with_holds(gap_mm=gap)
    return Laid(
        sheet=sheet,
        hold=what.hold,
        points=tuple(points),
        line=what.line,
        wanted=wanted,
        first=first,
        even=even,
        gap_mm=_pulled_alike(bare, wanted, even) if gives.frozen else gap,
    )


def _pulled_alike(sheet: Sheet, wanted: Floats, even: Floats) -> Floats:
    """Gaps (n, 2) [mm] of holds that freeze a hand's pull, where every hand pulls what is wanted at once.  Raises: NotAtRest.

    Between its points an edge runs back a little, the more the fewer they are: points that only stood where those of an even
    edge stand would pull less.
    """
    mesh, count = sheet.mesh, len(wanted)
    width, height = sheet.size_mm
    middle, above = mesh.nearest(width / 2.0, height / 2.0), mesh.nearest(width / 2.0, height)
    afloat = replace(
        sheet.with_holds(pull=np.stack((wanted, np.zeros(count)), axis=1)),
        friction=None,
        lies=None,
        fixed=np.array([2 * middle, 2 * middle + 1, 2 * above]),
    )
    start = np.zeros(sheet.unknowns)
    start[: 2 * len(mesh.nodes)] = even.ravel()
    start[afloat.fixed] = 0.0
    rest = Solver(afloat).solve(afloat, start)
    return frozen(afloat, rest.moved, range(count)).holds.gap_mm


def _rates(
    points: Sequence[TensionPoint], what: Stretching, share_mm: Floats, gap_mm: Floats
) -> tuple[Floats, Floats]:
    """Stiffness outward and along [N/mm] of each hold, with the strip of cloth that is wrapped to it, and with what a mesh of
    such gaps there leaves out of the cloth right beside it."""
    gives = GIVES[what.hold]
    own = gives.rate if what.spring_rate is None or not gives.springs else what.spring_rate
    rate, along = np.full(len(points), own), np.full(len(points), gives.along)
    rails = np.array([p.side in (Side.TOP, Side.BOTTOM) for p in points])
    half_mm = np.full(len(points), gives.half_mm)
    if gives.wrapped:
        pulled_across = np.where(rails, what.cloth.across, what.cloth.along) * share_mm / what.wrap_mm
        sheared = what.cloth.stiffness[2, 2] * share_mm / what.wrap_mm
        rate, along = 1.0 / (1.0 / rate + 1.0 / pulled_across), 1.0 / (1.0 / along + 1.0 / sheared)
        half_mm = share_mm / 2.0
    if gives.rod or not half_mm.all():
        return rate, along
    missing = _beside(what.cloth, rails, np.log(gap_mm / half_mm))
    return _softer(rate, missing[0]), _softer(along, missing[1])


def _beside(cloth: Cloth, rails: NDArray[np.bool_], far: Floats) -> tuple[Floats, Floats]:
    """How much more the cloth gives at a hold than at a node of the mesh [mm/N], outward and along; below 0 it gives less.

    Args: rails, whether each hold is on a rail; far, the logarithm of the mesh's gap over half of what the hold takes of the
        edge.
    Source: a half plane of orthotropic cloth gives by a logarithm of the distance from its load (Lekhnitskii: with s the
        compliance, 1 along the edge and 2 across it, r = root((2 s12 + s66) / s11 + 2 root(s22 / s11)), by r root(s11 s22) / pi
        outward and r s11 / pi along), so that between two meshes the give of a node differs by the logarithm of their gaps; the
        two numbers added are of this mesh, by a load spread on a mesh of 1 mm.
    Leaves out: corners, where the plane is a quarter; waves beside the hold.
    """
    s = np.linalg.inv(cloth.stiffness)
    on_edge, across = np.where(rails, s[0, 0], s[1, 1]), np.where(rails, s[1, 1], s[0, 0])
    root = np.sqrt((2.0 * s[0, 1] + s[2, 2]) / on_edge + 2.0 * np.sqrt(across / on_edge)) / np.pi
    return root * np.sqrt(on_edge * across) * (far + OF_NODE[0]), root * on_edge * (far + OF_NODE[1])


def _softer(rate: Floats, more: Floats) -> Floats:
    """Holds that give so much more [mm/N]; never less than half of what they give by themselves."""
    out: Floats = 1.0 / np.maximum(1.0 / rate + more, 0.5 / rate)
    return out


def _gaps_at(mesh: Mesh, node: NDArray[np.int64]) -> Floats:
    """How far apart the mesh's nodes stand on the edge beside each of these [mm]."""
    gap = np.zeros(len(mesh.nodes))
    for side in SIDES:
        edge = edge_nodes(mesh, side)
        axis = 0 if side in ("top", "bottom") else 1
        gap[edge[1:-1]] = (mesh.nodes[edge[2:], axis] - mesh.nodes[edge[:-2], axis]) / 2.0
        gap[edge[[0, -1]]] = np.abs(np.diff(mesh.nodes[edge, axis]))[[0, -1]]
    return gap[node]


def _shares(points: Sequence[TensionPoint], what: Stretching, *, only_first: bool) -> Floats:
    """The pull of each point [N]: line tension times half the way to its neighbors, to the corner at the ends."""
    out = np.zeros(len(points))
    for side in Side:
        length = what.width_mm if side in (Side.TOP, Side.BOTTOM) else what.height_mm
        own = [k for k, p in enumerate(points) if p.side is side and (p.first_pass or not only_first)]
        own.sort(key=lambda k: points[k].reading_mm)
        at = [points[k].reading_mm for k in own]
        ends = [0.0, *((a + b) / 2.0 for a, b in pairwise(at)), length]
        out[own] = what.line * np.diff(ends)
    return out


def _friction(mesh: Mesh, what: Stretching) -> Floats:
    """The force at which each edge node slides [N]: the sheet's weight rests on the frame, evenly along it."""
    weight = what.mass_g_m2 * 1e-9 * what.width_mm * what.height_mm * GRAVITY
    out = np.zeros(len(mesh.nodes))
    for side in SIDES:
        edge = edge_nodes(mesh, side)
        axis = 0 if side in ("top", "bottom") else 1
        half = np.diff(mesh.nodes[edge, axis]) / 2.0
        out[edge[:-1]] += half
        out[edge[1:]] += half
    return out * SLIDES * weight / (2.0 * (what.width_mm + what.height_mm))
