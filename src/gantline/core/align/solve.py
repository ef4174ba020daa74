"""The pose of a projector from where its picture's corners stand.

Source: exact pinhole model (throw/pinhole.py); weighted least squares over the readings, with (q - q0)² / sigma_q² added for
every unknown q, q0 of the straight pose. Posterior: the inverse of JᵀJ. Leaves out: lens distortion, and the bow of a
cabinet-top lens, which four corners do not see.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.align.corners import READINGS
from gantline.core.errors import OutOfRange, require_positive
from gantline.core.throw.pinhole import Array, Pose, to_wall

TURNS = ("yaw", "pitch", "roll")
ROUNDS = 40
SETTLED = 1e-6  # of a step, in units of the priors
GAINED = 1e-9  # share of the sum of squares below which a step gains nothing
STEP = 1e-6
RIVAL = 0.85  # of the best reading's fall: as good an explanation
SEEN = 0.02  # of a lean's own size that no pose takes up; less is not told apart
# corners of a frame whose top stands 1 mm to the right of its bottom, in the order of the readings
LEAN: Array = np.array([0.5, 0.0, 0.5, 0.0, -0.5, 0.0, -0.5, 0.0])


@dataclass(frozen=True, slots=True, kw_only=True)
class Freedom:
    """What this projector can change, by the names of Pose, each with its prior spread (None: free) in Pose's own units."""

    spread: Mapping[str, float | None]

    @property
    def names(self) -> tuple[str, ...]:
        """The unknowns."""
        return tuple(self.spread)


def freedom(
    *, zoom: bool, shift_h: bool, shift_v: bool, turn_deg: float | None, ratio_share: float | None, shift_share: float | None,
    place_mm: float | None, ratio: float,
) -> Freedom:  # fmt: skip
    """Three turns; zoom or the distance; shift or the lens's place, sideways and up each for itself: never both of a pair, they
    are the same to the picture.

    Args: spreads of the prior, None for free; ratio, that the share of zoom is of.
    """
    turn = None if turn_deg is None else math.radians(turn_deg)
    found: dict[str, float | None] = dict.fromkeys(TURNS, turn)
    if zoom:
        found["ratio"] = None if ratio_share is None else ratio_share * ratio
    else:
        found["distance_mm"] = place_mm
    for own, place, shift in (("shift_h", "lens_x_mm", shift_h), ("shift_v", "lens_y_mm", shift_v)):
        found[own if shift else place] = shift_share if shift else place_mm
    return Freedom(spread=found)


@dataclass(frozen=True, slots=True, kw_only=True)
class Alignment:
    """The pose; its spread by unknown (one standard deviation); the readings' misfit (8,) [mm], NaN where none was read; their
    sum of squares in units of a reading's spread; how much that sum falls when each reading is left out (8,), and when the frame
    leans, with how far its top then stands to the right of its bottom [mm]."""

    pose: Pose
    sigma: Mapping[str, float]
    residual_mm: Array
    sum_of_squares: float
    falls_by: Array
    lean_falls_by: float
    lean_mm: float


def solve(straight: Pose, uv: Array, read: Array, *, free: Freedom, sigma_mm: float) -> Alignment:
    """The pose whose corners come nearest to those read.

    Args: straight, the pose that would fit; uv, panel points of the picture's corners (4, 2); read, where they stand (4, 2)
        [mm], NaN for what was not read; free, the unknowns; sigma, of a reading.
    Raises: OutOfRange for fewer readings than unknowns without priors, or where no pose comes near.
    """
    require_positive(sigma_mm=sigma_mm)
    wanted = read.reshape(-1)
    finite = np.isfinite(wanted)
    names = free.names
    held = np.array([0.0 if one is None else 1.0 / one for one in free.spread.values()])
    if finite.sum() + (held > 0.0).sum() < len(names):
        raise OutOfRange(f"at least {len(names)} corner readings are needed", field="readings")
    start = np.array([getattr(straight, name) for name in names])
    scale = np.array([_scale(name, straight) if one is None else one for name, one in free.spread.items()])
    at = start.copy()

    def misfit(values: Array) -> Array:
        corners = to_wall(_with(straight, names, values), uv).reshape(-1)
        return np.concatenate([(corners - wanted)[finite] / sigma_mm, (values - start) * held])

    damping, now = 1e-6, misfit(at)
    jacobian = _jacobian(misfit, at, now, scale)
    for _ in range(ROUNDS):
        normal = jacobian.T @ jacobian
        try:
            step = np.linalg.solve(normal + damping * np.diag(np.diag(normal) + 1e-12), -jacobian.T @ now)
        except np.linalg.LinAlgError as error:
            raise OutOfRange("these corners fix no pose of this projector", field="readings") from error
        tried = at + step * scale
        try:
            after = misfit(tried)
        except OutOfRange:
            damping = max(damping, 1e-3) * 10.0
            continue
        if after @ after > now @ now * (1.0 + 1e-12):
            if damping > 1e9:
                break
            damping = max(damping, 1e-9) * 10.0
            continue
        damping /= 5.0
        gained = float(now @ now - after @ after)
        at, now = tried, after
        jacobian = _jacobian(misfit, at, now, scale)
        if float(np.max(np.abs(step))) < SETTLED or gained < GAINED * float(now @ now) + GAINED**2:
            break
    covariance = np.linalg.pinv(jacobian.T @ jacobian)
    count = int(finite.sum())
    rows = jacobian[:count]
    lever = np.clip(np.einsum("ij,jk,ik->i", rows, covariance, rows), 0.0, 1.0 - 1e-9)
    residual, falls = np.full(len(READINGS), np.nan), np.zeros(len(READINGS))
    residual[finite] = now[:count] * sigma_mm
    falls[finite] = now[:count] ** 2 / (1.0 - lever)
    lean = LEAN[finite] / sigma_mm
    along = float(lean @ now[:count])
    across = float(lean @ lean - (lean @ rows) @ covariance @ (rows.T @ lean))
    spread = np.sqrt(np.diag(covariance)) * scale
    return Alignment(
        pose=_with(straight, names, at),
        sigma=dict(zip(names, spread.tolist(), strict=True)),
        residual_mm=residual,
        sum_of_squares=float(now[:count] @ now[:count]),
        falls_by=falls,
        lean_falls_by=along**2 / across if across > SEEN * float(lean @ lean) else 0.0,
        lean_mm=along / across if across > SEEN * float(lean @ lean) else 0.0,
    )


def leans(alignment: Alignment, *, alarm: float, settled: float) -> bool:
    """Whether a frame out of square explains a misfit beyond the alarm: alone, or nearly as well as the best reading that may
    have slipped. Four corners tell a leaning frame from a turned body, for no turn of a body leans its picture alone."""
    if alignment.sum_of_squares <= alarm:
        return False
    best = max(float(np.max(alignment.falls_by)), alignment.lean_falls_by)
    left = alignment.sum_of_squares - alignment.lean_falls_by
    return left <= settled or (
        alignment.lean_falls_by >= RIVAL * best and left <= 0.5 * alignment.sum_of_squares
    )


def suspects(alignment: Alignment, *, alarm: float, settled: float) -> tuple[str, ...]:
    """Readings that alone explain a misfit beyond the alarm, by key, the likeliest first; none where all agree.

    A reading is one if leaving it out brings the sum below settled, or nearly as far down as the best one does: on a long throw
    some pairs cannot be told apart, and both are named.
    """
    if alignment.sum_of_squares <= alarm:
        return ()
    best = max(float(np.max(alignment.falls_by)), alignment.lean_falls_by)
    left = alignment.sum_of_squares - alignment.falls_by
    chosen = [
        number
        for number in np.argsort(-alignment.falls_by)
        if left[number] <= settled or alignment.falls_by[number] >= RIVAL * best
    ]
    if alignment.sum_of_squares - best > max(settled, 0.5 * alignment.sum_of_squares):
        return ()  # no single reading explains it
    return tuple(READINGS[number] for number in chosen)


def _with(pose: Pose, names: Sequence[str], values: Array) -> Pose:
    return replace(pose, **dict(zip(names, values.tolist(), strict=True)))


def _scale(name: str, pose: Pose) -> float:
    if name in TURNS:
        return math.radians(1.0)
    return {"ratio": 0.05 * pose.ratio, "shift_h": 0.05, "shift_v": 0.05}.get(name, 20.0)


def _jacobian(misfit: object, at: Array, now: Array, scale: Array) -> Array:
    columns = []
    for number in range(len(at)):
        moved = at.copy()
        moved[number] += STEP * scale[number]
        columns.append((misfit(moved) - now) / STEP)  # type: ignore[operator]
    return np.stack(columns, axis=1)
