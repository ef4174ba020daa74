"""A sheet at rest as a small picture: tension both ways, waves and their direction on an even grid, a byte each."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange
from gantline.core.membrane.equilibrium import Rest
from gantline.core.membrane.law import State
from gantline.core.membrane.looked_at import waviness
from gantline.core.membrane.marks import STRONG, depth
from gantline.core.membrane.mesh import Mesh
from gantline.core.membrane.model import Sheet

ACROSS = 64  # cells along the longer side
LAYERS = 4  # along, up, waves, direction
SLACK = 255  # in the layer of directions
NEIGHBORS = 4


@dataclass(frozen=True, slots=True, kw_only=True)
class Raster:
    """The grid over one mesh: cells across and up, and which triangles each cell is the mean of, by weight."""

    cells: tuple[int, int]
    near: NDArray[np.int64]
    weight: NDArray[np.float64]
    full: float

    @property
    def bytes(self) -> int:
        """Of one picture."""
        return LAYERS * self.cells[0] * self.cells[1]


def raster(mesh: Mesh, full: float, across: int = ACROSS) -> Raster:
    """The grid of a mesh.  Args: full, the tension [N/mm] that a byte ends at.  Raises: OutOfRange."""
    if not full > 0.0:
        raise OutOfRange("a picture needs a tension to end at", field="full", got=full)
    width, height = mesh.nodes.max(axis=0)
    cell = max(width, height) / across
    cells = max(4, round(width / cell)), max(4, round(height / cell))
    x = (np.arange(cells[0]) + 0.5) * width / cells[0]
    y = (np.arange(cells[1]) + 0.5) * height / cells[1]
    at = np.stack(np.meshgrid(x, y[::-1], indexing="xy"), axis=-1).reshape(-1, 2)  # rows from the top
    from scipy.spatial import cKDTree  # slow to import, needed only here

    far, near = cKDTree(mesh.centers).query(at, k=NEIGHBORS)
    weight = 1.0 / (far + 0.05 * cell) ** 2
    return Raster(cells=cells, near=near, weight=weight / weight.sum(axis=1, keepdims=True), full=full)


def picture(grid: Raster, sheet: Sheet, rest: Rest) -> bytes:
    """Four layers, each row by row from the top: tension along and up (255 = full), depth of waves (0 none, 255 as deep as
    any), their direction (0 to 254 for 0 to 180 degrees from the right, 255 where the cloth is slack).
    """
    tension = np.clip(rest.pulled.tension / grid.full, 0.0, 1.0)
    waves = depth(waviness(sheet, rest)) / STRONG
    turn = 2.0 * rest.pulled.direction
    slack = (rest.pulled.state == State.SLACK).astype(float)

    def mean(values: NDArray[np.float64]) -> NDArray[np.float64]:
        return np.asarray((values[grid.near] * grid.weight).sum(axis=1))

    angle = np.arctan2(mean(np.sin(turn) * (waves + 1e-3)), mean(np.cos(turn) * (waves + 1e-3))) / 2.0 % np.pi
    way = np.minimum(254, np.round(angle / np.pi * 254.0))
    way[mean(slack) > 0.5] = SLACK
    layers = (
        mean(tension[:, 0]) * 255.0,
        mean(tension[:, 1]) * 255.0,
        np.minimum(1.0, mean(waves)) * 255.0,
        way,
    )
    return b"".join(np.round(layer).astype(np.uint8).tobytes() for layer in layers)
