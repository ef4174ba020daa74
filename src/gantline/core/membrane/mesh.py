"""A sheet in triangles, made for the points that hold it: fine along the edge, wider inside, the same in all four quarters."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange, require_positive

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]
GROWTH = 1.35  # each layer inward against the one outside it
FLAT = 1e-9  # area [share of the box] under which a triangle is none
MOST_NODES = 12_000


@dataclass(frozen=True, slots=True, kw_only=True)
class Mesh:
    """Nodes (n, 2) [mm] and triangles (m, 3), counterclockwise."""

    nodes: Floats
    triangles: Ints

    @property
    def areas(self) -> Floats:
        """Of each triangle [mm2]."""
        a, b, c = (self.nodes[self.triangles[:, k]] for k in range(3))
        across, up = b - a, c - a
        out: Floats = 0.5 * (across[:, 0] * up[:, 1] - up[:, 0] * across[:, 1])
        return out

    @property
    def centers(self) -> Floats:
        """Of each triangle (m, 2) [mm]."""
        out: Floats = self.nodes[self.triangles].mean(axis=1)
        return out

    def strain_of(self) -> Floats:
        """(m, 3, 6): strain (x, y, shear) from the moves (x, y) of a triangle's three corners."""
        a, b, c = (self.nodes[self.triangles[:, k]] for k in range(3))
        twice = 2.0 * self.areas
        dx = np.stack((b[:, 1] - c[:, 1], c[:, 1] - a[:, 1], a[:, 1] - b[:, 1]), axis=1) / twice[:, None]
        dy = np.stack((c[:, 0] - b[:, 0], a[:, 0] - c[:, 0], b[:, 0] - a[:, 0]), axis=1) / twice[:, None]
        out = np.zeros((len(self.triangles), 3, 6))
        out[:, 0, 0::2], out[:, 1, 1::2] = dx, dy
        out[:, 2, 0::2], out[:, 2, 1::2] = dy, dx
        return out

    def nearest(self, x_mm: float, y_mm: float) -> int:
        """The node that lies nearest."""
        return int(np.argmin(np.hypot(self.nodes[:, 0] - x_mm, self.nodes[:, 1] - y_mm)))


def sheet_mesh(
    width_mm: float,
    height_mm: float,
    rail_at: Sequence[float],
    stile_at: Sequence[float],
    *,
    edge_mm: float,
    inside_mm: float,
) -> Mesh:
    """A rectangle from (0, 0) with a node at every point of its edges.

    Args: rail_at, stile_at, where points lie along the rails and along the stiles [mm from one end; the mesh takes them
        from the other end too]; edge_mm, the widest gap of nodes on the edge; inside_mm, the widest inside.
    Returns: a mesh that is its own mirror image both ways, so that a symmetric pull moves it symmetrically.
    Raises: OutOfRange where it would take more than MOST_NODES.
    Source: layers parallel to the edges, each a little thicker than the one outside it, joined by Delaunay triangles in
        one quarter and mirrored.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm, edge_mm=edge_mm, inside_mm=inside_mm)
    half_w, half_h = width_mm / 2.0, height_mm / 2.0
    along = _filled(_folded(rail_at, width_mm), half_w, edge_mm)
    up = _filled(_folded(stile_at, height_mm), half_h, edge_mm)
    places = [(x, 0.0) for x in along] + [(0.0, y) for y in up[1:]]
    depth, gap = 0.0, _usual(along, up)
    while True:
        gap = min(gap * GROWTH, inside_mm)
        left = min(half_w, half_h) - depth
        depth = depth + gap if left > 1.6 * gap else min(half_w, half_h)
        places += [(x, depth) for x in _evenly(depth, half_w, gap)]
        places += [(depth, y) for y in _evenly(depth, half_h, gap)[1:]]
        if depth >= min(half_w, half_h) or len(places) > MOST_NODES / 3:
            break
    if len(places) > MOST_NODES / 3:
        raise OutOfRange("more points than a mesh may have", field="edge_mm", got=edge_mm)
    return _mirrored(np.array(places), width_mm, height_mm)


def _folded(at: Sequence[float], length: float) -> list[float]:
    """The places in the first half of a side, from both ends."""
    return sorted({round(min(place, length - place), 6) for place in at})


def _filled(at: Sequence[float], half: float, gap: float) -> list[float]:
    """From the corner to the middle, with all those places, no gap wider."""
    stops = [0.0]
    for place in [*at, half]:
        if place - stops[-1] > 1e-3:
            stops.append(place)
        elif place == half:
            stops[-1] = half
    out = [0.0]
    for begin, end in pairwise(stops):
        out += _evenly(begin, end, gap)[1:]
    return out


def _evenly(begin: float, end: float, gap: float) -> list[float]:
    parts = max(1, round((end - begin) / gap + 0.3)) if end - begin > 1e-9 else 0
    return [begin + (end - begin) * k / parts for k in range(parts + 1)] if parts else [begin]


def _usual(along: Sequence[float], up: Sequence[float]) -> float:
    return float(np.median([b - a for a, b in (*pairwise(along), *pairwise(up))]))


def _mirrored(quarter: Floats, width: float, height: float) -> Mesh:
    """One quarter in triangles, then the other three as its mirror images, with the nodes on the middles shared."""
    from scipy.spatial import Delaunay  # slow to import, needed only here

    triangles = Delaunay(quarter).simplices
    mesh = Mesh(nodes=quarter, triangles=triangles)
    turned = mesh.areas < 0.0
    triangles[turned] = triangles[turned][:, ::-1]
    triangles = triangles[np.abs(mesh.areas) > FLAT * width * height]
    nodes, pieces = quarter, triangles
    for axis, length in ((0, width), (1, height)):
        image = nodes.copy()
        image[:, axis] = length - image[:, axis]
        pieces = np.vstack((pieces, pieces[:, ::-1] + len(nodes)))
        nodes = np.vstack((nodes, image))
    _, first, of = np.unique(np.round(nodes, 5), axis=0, return_index=True, return_inverse=True)
    return Mesh(nodes=nodes[first], triangles=of.reshape(-1)[pieces])
