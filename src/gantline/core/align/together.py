"""Several readings of one state of the picture, as photos from several sides give them, taken together.

Each photo reads the same eight numbers with a spread of its own. Their mean weighs each by 1/spread²; where they lie
farther apart than their spreads allow, the mean's spread grows with that.
Source: weighted mean of independent readings; its spread times sqrt(chi²/(n - 1)) where that is above 1.
Leaves out: what all photos read wrong alike, as a frame that is no rectangle.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange

Array = NDArray[np.float64]
MOST_ANSWERS = 4  # of one photo
APART = 4.0  # spreads; readings of one state lie no farther apart
DECIDES = 9.0  # how much less likely one answer must be than another to be none: three spreads


@dataclass(frozen=True, slots=True, kw_only=True)
class Answer:
    """What one photo may say: the eight readings (8,) [mm], the spread of each (8,) [mm], and how little the frame looks like
    itself that way, a sum of squares of one spread each."""

    outside_mm: Array
    sigma_mm: Array
    odd: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Together:
    """Readings taken together: the eight of them [mm], the spread of each (8,) [mm]; the farthest that two photos lie apart
    [mm], of which reading, and which photo is off, None where two differ and either may be."""

    outside_mm: Array
    sigma_mm: Array
    apart_mm: float
    reading: int
    off: int | None
    agree: bool


def together(photos: Sequence[tuple[Array, Array]]) -> Together:
    """One state read from several photos.  Args: of each its eight readings (8,) and the spread of each (8,) [mm].

    Raises: OutOfRange without a photo, or with a spread that is not positive.
    """
    if not photos or any(np.any(sigma <= 0.0) for _, sigma in photos):
        raise OutOfRange("photos with spreads above 0 are wanted", field="photos", got=len(photos))
    read, sigma = np.array([one for one, _ in photos]), np.array([one for _, one in photos])
    weight = 1.0 / sigma**2
    mean: Array = (weight * read).sum(axis=0) / weight.sum(axis=0)
    spread: Array = weight.sum(axis=0) ** -0.5
    if len(photos) > 1:
        chi2 = float((weight * (read - mean) ** 2).sum() / ((len(photos) - 1) * mean.size))
        spread *= max(1.0, chi2**0.5)
    apart = np.ptp(read, axis=0)
    worst = int(np.argmax(apart))
    agree, off = _agree(read, sigma)
    return Together(
        outside_mm=mean, sigma_mm=spread, apart_mm=float(apart[worst]), reading=worst, off=off, agree=agree
    )


def _agree(read: Array, sigma: Array) -> tuple[bool, int | None]:
    """Whether all lie as near to each other as their spreads allow; if not, the one without which the others do."""
    if _near(read, sigma):
        return True, None
    rest = [np.arange(len(read)) != number for number in range(len(read))]
    alone = [number for number, kept in enumerate(rest) if len(read) > 2 and _near(read[kept], sigma[kept])]
    return False, alone[0] if len(alone) == 1 else None


def _near(read: Array, sigma: Array) -> bool:
    gap = np.abs(read[:, None, :] - read[None, :, :])
    return bool(np.all(gap <= APART * np.hypot(sigma[:, None, :], sigma[None, :, :])))


def likeliest(photos: Sequence[Sequence[Answer]]) -> tuple[list[Answer], bool]:
    """Of photos that each have one answer or several: those that agree best with each other and with the frame's shape, and
    whether no others come near.

    An edge that is taken for the frame's is the same edge from every side, or the readings differ.
    Raises: OutOfRange without an answer for each photo.
    """
    if not photos or not all(photos):
        raise OutOfRange("each photo must have an answer", field="photos", got=len(photos))
    chosen = [sorted(answers, key=lambda answer: answer.odd)[:MOST_ANSWERS] for answers in photos]
    tried = sorted((_unlikely(each), number, each) for number, each in enumerate(product(*chosen)))
    clear = len(tried) == 1 or tried[1][0] - tried[0][0] > DECIDES
    return list(tried[0][2]), clear


def _unlikely(answers: Sequence[Answer]) -> float:
    """How little these answers look like one state: a sum of squares of one spread each."""
    read, sigma = np.array([one.outside_mm for one in answers]), np.array([one.sigma_mm for one in answers])
    weight = 1.0 / sigma**2
    mean: Array = (weight * read).sum(axis=0) / weight.sum(axis=0)
    apart = float((weight * (read - mean) ** 2).sum()) / mean.size
    odd: float = sum(answer.odd for answer in answers)
    return apart + odd
