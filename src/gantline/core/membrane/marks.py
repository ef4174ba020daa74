"""What is seen of a sheet, as marks: lines along wrinkles and patches that hang; and both as one field that can be compared."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange
from gantline.core.membrane.equilibrium import Rest
from gantline.core.membrane.law import State
from gantline.core.membrane.looked_at import SEEN, waviness
from gantline.core.membrane.model import Sheet

Floats = NDArray[np.float64]
CELL = 1.0 / 16.0  # of the sheet's height
BLUR = 0.075  # of the sheet's height: as far as a finger is off
ROUNDS = 5  # parts of the field that know directions: even, twice and four times the angle
STRONG = 12.0  # times as deep as what is just seen: deeper waves are not marked heavier
PACE_MM = 30.0  # along a line that is drawn
MOST_MARKS = 60
FAINT = 0.35  # of the plainest line: what nobody draws beside it


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """A wrinkle as it is drawn, from one end to the other [mm, from the back], and how bad: 1 faint, 2 plain, 3 deep."""

    from_mm: tuple[float, float]
    to_mm: tuple[float, float]
    bad: float = 2.0

    def __post_init__(self) -> None:
        if not np.isfinite([*self.from_mm, *self.to_mm, self.bad]).all():
            raise OutOfRange("a line runs between two places", field="lines", got=self.from_mm)

    @property
    def length_mm(self) -> float:
        """From end to end."""
        return float(np.hypot(self.to_mm[0] - self.from_mm[0], self.to_mm[1] - self.from_mm[1]))


@dataclass(frozen=True, slots=True, kw_only=True)
class Patch:
    """Where the cloth hangs slack: its middle and its radius [mm]."""

    at_mm: tuple[float, float]
    radius_mm: float


class Field:
    """A coarse grid over the sheet on which marks and computed wrinkles are both laid, blurred alike."""

    def __init__(self, width_mm: float, height_mm: float) -> None:
        cell = height_mm * CELL
        self.size_mm = (width_mm, height_mm)
        self.shape = (round(width_mm / cell), round(height_mm / cell))
        x = (np.arange(self.shape[0]) + 0.5) * width_mm / self.shape[0]
        y = (np.arange(self.shape[1]) + 0.5) * height_mm / self.shape[1]
        self.at = np.stack(np.meshgrid(x, y, indexing="ij"), axis=-1).reshape(-1, 2)
        self.blur_mm = height_mm * BLUR

    def laid(self, at_mm: Floats, angle: Floats, weight: Floats) -> Floats:
        """(cells, ROUNDS) of places (n, 2) [mm] with a direction [rad] and a weight each."""
        if not len(at_mm):
            return np.zeros((len(self.at), ROUNDS))
        far = ((self.at[:, None, :] - at_mm[None, :, :]) ** 2).sum(axis=2)
        near = np.exp(-0.5 * far / self.blur_mm**2)
        round_ = np.stack(
            (
                np.ones_like(angle),
                np.cos(2 * angle),
                np.sin(2 * angle),
                np.cos(4 * angle) / 2,
                np.sin(4 * angle) / 2,
            ),
            axis=1,
        )
        return np.asarray(near @ (round_ * weight[:, None]))

    def of_marks(self, lines: Sequence[Line], patches: Sequence[Patch] = ()) -> Floats:
        """The field of what was drawn; a patch has no direction."""
        at, angle, weight = list[Floats](), list[float](), list[float]()
        for line in lines:
            begin, end = np.array(line.from_mm), np.array(line.to_mm)
            count = max(2, int(np.ceil(line.length_mm / PACE_MM - 1e-6)))
            turn = float(np.arctan2(end[1] - begin[1], end[0] - begin[0]))
            for share in (np.arange(count) + 0.5) / count:
                at.append(begin + share * (end - begin))
                angle.append(turn)
                weight.append(deep_of(line.bad) * max(line.length_mm, PACE_MM) / count)
        out = self.laid(np.array(at).reshape(-1, 2), np.array(angle), np.array(weight))
        for patch in patches:
            far = ((self.at - np.array(patch.at_mm)) ** 2).sum(axis=1)
            spread = self.blur_mm**2 + patch.radius_mm**2 / 2.0
            out[:, 0] += deep_of(2.0) * patch.radius_mm * np.exp(-0.5 * far / spread)
        return out

    def of_sheet(self, sheet: Sheet, rest: Rest) -> Floats:
        """The field of what can be seen of a computed sheet, all of it."""
        deep = depth(waviness(sheet, rest))
        there = np.flatnonzero(deep)
        weight = deep[there] * sheet.mesh.areas[there] / PACE_MM
        out = self.laid(sheet.mesh.centers[there], rest.pulled.direction[there], weight)
        slack = np.flatnonzero(rest.pulled.state == State.SLACK)
        if len(slack):
            weight = deep_of(2.0) * sheet.mesh.areas[slack] / PACE_MM
            out[:, 0] += self.laid(sheet.mesh.centers[slack], np.zeros(len(slack)), weight)[:, 0]
        return out

    def mirrored(self, field: Floats, *, across_x: bool, across_y: bool) -> Floats:
        """The field of the mirror image: left and right changed, or top and bottom."""
        grid = field.reshape(*self.shape, ROUNDS)
        if across_x:
            grid = grid[::-1] * np.array([1, 1, -1, 1, -1])
        if across_y:
            grid = grid[:, ::-1] * np.array([1, 1, -1, 1, -1])
        return np.ascontiguousarray(grid.reshape(-1, ROUNDS))


def depth(waves: Floats) -> Floats:
    """How deep waves stand, against the ones that are just seen; 0 for what is not.

    Source: of a wave of given length the height goes with the root of the strain that it takes up.
    """
    return np.where(waves > SEEN, np.sqrt(np.minimum(waves / SEEN, STRONG**2)), 0.0)


def lines_of(sheet: Sheet, rest: Rest, most: int = 8) -> list[Line]:
    """The wrinkles of a computed sheet as somebody would draw them: the plainest, each as long as it can be seen.

    Args: most, lines at most.  Returns: lines [mm], the longest and deepest first.
    """
    waves, centers = waviness(sheet, rest), sheet.mesh.centers
    weight = depth(waves)
    score = weight * np.sqrt(sheet.mesh.areas)
    span = sheet.size_mm[1] * 0.08
    out = list[Line]()
    while len(out) < MOST_MARKS and score.max(initial=0.0) > 0.0:
        top = int(np.argmax(score))
        way = np.array([np.cos(rest.pulled.direction[top]), np.sin(rest.pulled.direction[top])])
        begin, end = (_end(sheet, weight, centers, top, sign * way, span) for sign in (-1.0, 1.0))
        out.append(
            Line(
                from_mm=(float(begin[0]), float(begin[1])),
                to_mm=(float(end[0]), float(end[1])),
                bad=bad_of(float(weight[top])),
            )
        )
        along = np.clip((centers - begin) @ way, 0.0, np.hypot(*(end - begin)))
        foot = begin + along[:, None] * way
        score[((centers - foot) ** 2).sum(axis=1) < span**2] = 0.0
        score[top] = 0.0
    out.sort(key=lambda line: -line.length_mm * deep_of(line.bad))
    plain = [
        line
        for line in out
        if line.length_mm * deep_of(line.bad) >= FAINT * out[0].length_mm * deep_of(out[0].bad)
    ]
    return plain[:most]


def bad_of(deep: float) -> float:
    """How bad a wave is called: 1 just seen to 3 as deep as any."""
    return 1.0 + 2.0 * (deep - 1.0) / (STRONG - 1.0)


def deep_of(bad: float) -> float:
    """The other way round."""
    return 1.0 + (bad - 1.0) * (STRONG - 1.0) / 2.0


def slant(lines: Sequence[Line]) -> float:
    """How far all lines lean the same way: 1 all rise to the right at 45 degrees, -1 all fall, 0 where they do not agree.

    Source: the mean of the doubled directions, by length and depth.
    """
    total = rising = 0.0
    for line in lines:
        weight = line.length_mm * deep_of(line.bad)
        turn = 2.0 * float(np.arctan2(line.to_mm[1] - line.from_mm[1], line.to_mm[0] - line.from_mm[0]))
        total, rising = total + weight, rising + weight * float(np.sin(turn))
    if total == 0.0:
        return 0.0
    return rising / total


def plainest(lines: Sequence[Line], patches: Sequence[Patch] = ()) -> float:
    """How plain the plainest mark is: length times depth [mm]."""
    marks = [line.length_mm * deep_of(line.bad) for line in lines]
    return max([*marks, *(2.0 * patch.radius_mm * deep_of(2.0) for patch in patches)], default=0.0)


def patches_of(sheet: Sheet, rest: Rest, most: int = 4) -> list[Patch]:
    """Where a computed sheet hangs: its slack pieces, gathered into as few patches as there are places."""
    slack = np.flatnonzero(rest.pulled.state == State.SLACK)
    span, out = sheet.size_mm[1] * 0.08, list[Patch]()
    areas, centers = sheet.mesh.areas, sheet.mesh.centers
    while len(slack) and len(out) < most:
        top = centers[slack[np.argmax(areas[slack])]]
        near = np.hypot(*(centers[slack] - top).T) < span
        own = slack[near]
        area = float(areas[own].sum())
        middle = (centers[own] * areas[own][:, None]).sum(axis=0) / area
        out.append(Patch(at_mm=(float(middle[0]), float(middle[1])), radius_mm=float(np.sqrt(area / np.pi))))
        slack = slack[~near]
    return [patch for patch in out if patch.radius_mm > PACE_MM / 2.0]


def _end(sheet: Sheet, weight: Floats, centers: Floats, top: int, way: Floats, span: float) -> Floats:
    """As far as a wrinkle can be followed from a piece of the sheet."""
    at, size = centers[top].copy(), np.array(sheet.size_mm)
    while True:
        ahead = at + way * span / 3.0
        near = int(np.argmin(((centers - ahead) ** 2).sum(axis=1)))
        inside = bool((ahead >= 0.0).all() and (ahead <= size).all())
        if not inside or weight[near] == 0.0 or float(np.hypot(*(ahead - centers[top]))) > 0.6 * size[1]:
            return np.asarray(np.clip(at + way * span / 4.0, 0.0, size))
        at = ahead
