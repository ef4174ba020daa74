"""A photo read for one job: the eight numbers as they are typed, or why it is not trusted."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from gantline.core.align.corners import READINGS, outside_from, spoken, viewable_corners
from gantline.core.align.together import Answer, Together, likeliest, together
from gantline.core.throw.pinhole import Array
from gantline.core.units import FRACTIONAL, TAPE_DENOMINATORS, LengthStyle, length_text, plain
from gantline.job.model.frame import Trim
from gantline.plan.ask import Ask
from gantline.stations.align.solve import Aim, aim, panel_shares
from gantline.stations.common import panel_aspect
from gantline.stations.size import screen
from gantline.vision.files import read_gray
from gantline.vision.markers import Image
from gantline.vision.photo import TWO_ANSWERS, Found, decided, guessed_px
from gantline.vision.photo import answers as photo_answers
from gantline.vision.untrusted import Untrusted

MOST_BYTES = 25 * 2**20
DASHES = 24  # a side
BARE = (LengthStyle.INCH_FRACTIONS, LengthStyle.MILLIMETERS)
FRAME_BGR, PICTURE_BGR = (0, 160, 240), (240, 160, 60)
Points = tuple[tuple[float, float], ...]
NO_LENS = "Enter the throw ratio and the place of the lens at Throw first."


@dataclass(frozen=True, slots=True, kw_only=True)
class PhotoReading:
    """What a photo says. trouble: why it is not trusted (empty where it is). outside: the eight readings [mm] by name, and typed,
    as they are entered in the job's unit; sigma: how well they are known sideways, and sigma_up: up and down [mm], and said;
    the photo's size, the frame's inner corners and the picture's in it [px], clockwise from the upper left; of a photo that is
    not trusted, where the corners may be, to be set by hand; markers: how many were seen; possible: where two answers are, the
    eight readings of each, as typed.
    """

    trouble: str
    outside: dict[str, float]
    typed: dict[str, str]
    sigma_mm: float
    sigma_up_mm: float
    said: str
    width_px: int
    height_px: int
    frame_px: Points
    picture_px: Points
    markers: int
    possible: tuple[dict[str, str], ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class StateReading:
    """What several photos of one state say together: trouble, outside, typed, sigma and said as of one photo; photos: how many
    were read."""

    trouble: str
    outside: dict[str, float]
    typed: dict[str, str]
    sigma_mm: float
    sigma_up_mm: float
    said: str
    photos: int


def reading(at: Ask, content: bytes, frame: Sequence[float] | None = None) -> PhotoReading:
    """One photo. frame: its inner corners as somebody moved them, x and y by turns [px]."""
    image = read_gray(content, most=MOST_BYTES)
    high, wide = image.shape
    nothing = PhotoReading(
        trouble="",
        outside={},
        typed={},
        sigma_mm=0.0,
        sigma_up_mm=0.0,
        said="",
        width_px=wide,
        height_px=high,
        frame_px=(),
        picture_px=(),
        markers=0,
    )
    aimed = at(aim)
    if aimed is None:
        return replace(nothing, trouble=NO_LENS)
    try:
        answers = _answers(at, aimed, image, frame)
    except Untrusted as error:
        aspect = float(at(panel_aspect))
        guess = guessed_px(image, panel=panel_shares(aimed, aspect), panel_aspect=aspect)
        return replace(nothing, trouble=str(error), frame_px=() if guess is None else _points(guess))
    photo = answers[0]
    seen = replace(
        nothing,
        frame_px=_points(photo.frame_px),
        picture_px=_points(photo.picture_px),
        markers=len(photo.seen),
    )
    if not decided(answers):
        possible = tuple(_typed(at, _by_name(_outside(at, answer))) for answer in answers[:2])
        return replace(seen, trouble=TWO_ANSWERS, possible=possible)
    read = _by_name(_outside(at, photo))
    return replace(
        seen,
        outside=read,
        typed=_typed(at, read),
        **_known(at, photo.sigma_mm.ravel()),
    )


def state_reading(at: Ask, photos: Sequence[tuple[bytes, Sequence[float] | None]]) -> StateReading:
    """Several photos of one state of the picture, taken from different sides, as one reading.

    Args: photos, each with its frame's inner corners where somebody moved them.
    Raises: Untrusted, naming the photo that cannot be read.
    """
    nothing = StateReading(
        trouble="", outside={}, typed={}, sigma_mm=0.0, sigma_up_mm=0.0, said="", photos=len(photos)
    )
    aimed = at(aim)
    if aimed is None:
        return replace(nothing, trouble=NO_LENS)
    possible = []
    for number, (content, frame) in enumerate(photos, start=1):
        try:
            answers = _answers(at, aimed, read_gray(content, most=MOST_BYTES), frame)
        except Untrusted as error:
            return replace(nothing, trouble=f"Photo {number}: {error}")
        possible.append(
            [
                Answer(outside_mm=_outside(at, answer), sigma_mm=answer.sigma_mm.ravel(), odd=answer.odd)
                for answer in answers
            ]
        )
    chosen, clear = likeliest(possible)
    if not clear:
        return replace(nothing, trouble=TWO_ANSWERS)
    state = together([(answer.outside_mm, answer.sigma_mm) for answer in chosen])
    if not state.agree:
        return replace(nothing, trouble=_apart(at, state))
    read = _by_name(state.outside_mm)
    return replace(
        nothing,
        outside=read,
        typed=_typed(at, read),
        **_known(at, state.sigma_mm),
    )


def _apart(at: Ask, state: Together) -> str:
    """Photos that do not agree: by how much, where, and which to leave out."""
    far = f"up to {at.text(state.apart_mm)}, {spoken(READINGS[state.reading])}"
    if state.off is None:
        return f"The photos differ by {far}: something moved between them. Take them again, or leave one out."
    return f"Photo {state.off + 1} differs from the others by {far}: leave it out, or take it again."


def _answers(at: Ask, aimed: Aim, image: Image, frame: Sequence[float] | None) -> tuple[Found, ...]:
    """What a photo may say, the likeliest first.  Raises: Untrusted."""
    aspect, picture = float(at(panel_aspect)), at(screen).picture
    return photo_answers(
        image,
        width_mm=picture.width_mm,
        height_mm=picture.height_mm,
        panel=panel_shares(aimed, aspect),
        panel_aspect=aspect,
        frame_px=None if frame is None else np.array(frame, dtype=float).reshape(4, 2),
        proud_mm=at.field(Trim.before_mm),
    )


def _outside(at: Ask, photo: Found) -> Array:
    """The eight readings (8,) [mm]: perspective is removed by the frame as a rectangle, whether it leans or not."""
    picture = at(screen).picture
    return outside_from(photo.corners_mm, viewable_corners(picture.width_mm, picture.height_mm))


def _by_name(outside: Array) -> dict[str, float]:
    return {f"{key}_mm": round(float(value), 1) for key, value in zip(READINGS, outside, strict=True)}


def _typed(at: Ask, read: dict[str, float]) -> dict[str, str]:
    return {key: _bare(at, value) for key, value in read.items()}


def _known(at: Ask, sigma_mm: Array) -> dict[str, Any]:
    """How well eight readings are known, the least known of those sideways and of those up and down, and that as it is said."""
    across, up = float(sigma_mm[0::2].max()), float(sigma_mm[1::2].max())
    texts = _plus_minus(at, across), _plus_minus(at, up)
    said = texts[0] if texts[0] == texts[1] else f"{texts[0]} sideways, {texts[1]} up and down"
    return {"sigma_mm": round(across, 2), "sigma_up_mm": round(up, 2), "said": said}


def _plus_minus(at: Ask, sigma_mm: float) -> str:
    return at.fine(sigma_mm) if at.units.unit_mm == 1.0 else at.text(at.up(sigma_mm))


def _bare(at: Ask, value_mm: float) -> str:
    """A reading as it is typed where the job's own unit goes without saying; fractions as fine as a tape is ever read."""
    if at.units.style in FRACTIONAL:
        text = plain(length_text(value_mm, replace(at.units, denominator=TAPE_DENOMINATORS[-1])))
    else:
        text = plain(at.exact(value_mm))
    return text.removesuffix('"').removesuffix(" mm") if at.units.style in BARE else text


def drawn_in(content: bytes, photo_reading: PhotoReading, wide_px: int = 1000) -> bytes:
    """The photo as a JPEG with the corners found in it: the frame's inner edge drawn through, the picture's dashed."""
    image = read_gray(content, most=MOST_BYTES)
    share = wide_px / image.shape[1]
    small = cv2.cvtColor(
        cv2.resize(image, None, fx=share, fy=share, interpolation=cv2.INTER_AREA), cv2.COLOR_GRAY2BGR
    )
    if photo_reading.frame_px:
        cv2.polylines(small, [_whole(photo_reading.frame_px, share)], True, FRAME_BGR, 3, cv2.LINE_AA)
    for a, b in pairwise([*photo_reading.picture_px, *photo_reading.picture_px[:1]]):
        ends = np.array([a, b]) * share
        cuts = np.linspace(ends[0], ends[1], 2 * DASHES + 1)
        for one in range(0, 2 * DASHES, 2):
            start, end = (tuple(round(cut) for cut in cuts[number]) for number in (one, one + 1))
            cv2.line(small, start, end, PICTURE_BGR, 2, cv2.LINE_AA)
    return bytes(cv2.imencode(".jpg", small, [cv2.IMWRITE_JPEG_QUALITY, 85])[1])


def _whole(points: Points, share: float) -> NDArray[np.int32]:
    pixels: NDArray[np.int32] = np.round(np.array(points) * share).astype(np.int32)
    return pixels


def _points(points: Array) -> Points:
    return tuple((round(float(x), 1), round(float(y), 1)) for x, y in points)
