"""A photo of the lit screen read: the frame's inner corners, the cast markers, and from both where the picture's corners stand.

Markers give the map from the panel to the photo, and how the lens bends; the frame's inner edges give its corners, whose known
size takes the perspective out. A border that stands before the fabric hides some of it from aside; how much is taken back.
Leaves out: a frame that is no rectangle.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import cv2
import numpy as np

from gantline.core.align.cast import carried, homography
from gantline.vision.edges import FAR_PX, Edges, frame_edges
from gantline.vision.lens import Lens, fitted
from gantline.vision.markers import Array, Image, markers, used_of
from gantline.vision.rectangle import DECIDES, FOCAL, oddness
from gantline.vision.seen import Seen, linear, seen
from gantline.vision.untrusted import Untrusted

LEAST_PIXELS = 2_500_000
MOST_MM_PX = 1.5
SIGNS = np.array([(-1.0, 1.0), (1.0, 1.0), (1.0, -1.0), (-1.0, -1.0)])
FLAT_MM = 0.5  # a border that stands out less is none
SPREAD = 3.0  # of a reading, at a pixel of 1 mm and edges and markers off by one pixel
ACROSS, UP = 1.16, 0.59  # sideways a reading rests on upright edges, which are far apart and short
LEAST_MM = 0.02
PROUD, NEAR = 0.39, 0.08
TWO_ANSWERS = (
    "Two answers are possible: beyond the light lies a gray border, or fabric in shade. "
    "Take one more photo from another side."
)
CLIPPED = 0.96  # of the full scale; a phone's white is a little yellow


@dataclass(frozen=True, slots=True, kw_only=True)
class Found:
    """What a photo says: the picture's corners (4, 2) [mm] about the middle of the viewable area, y up, clockwise from the upper
    left; one standard deviation of each (4, 2) [mm]; the frame's inner corners and the picture's in the photo (4, 2) [px];
    markers that were seen. outer: of each side, whether it is the outer one of two edges that may be the frame's; odd: how
    little the frame looks like a rectangle of its size, 0 where its corners were set by hand."""

    corners_mm: Array
    sigma_mm: Array
    frame_px: Array
    picture_px: Array
    seen: tuple[int, ...]
    outer: tuple[bool, ...] = (False,) * 4
    odd: float = 0.0


def decided(answers: Sequence[Found]) -> bool:
    """Whether the first of these answers, the likeliest first, is the only one that the frame's shape allows."""
    return len(answers) == 1 or answers[1].odd - answers[0].odd > DECIDES


def read_photo(image: Image, **how: Any) -> Found:
    """The picture's corners, by the only answer.  Args: as answers().  Raises: Untrusted, also where two are possible."""
    possible = answers(image, **how)
    if not decided(possible):
        raise Untrusted(TWO_ANSWERS, field="photo")
    return possible[0]


def answers(
    image: Image,
    *,
    width_mm: float,
    height_mm: float,
    panel: Array,
    panel_aspect: float,
    frame_px: Array | None = None,
    proud_mm: float = 0.0,
) -> tuple[Found, ...]:
    """The picture's corners, as often as there are edges that may be the frame's, the likeliest first.

    Args: image, gray (height, width); width, height of the viewable area; panel, the picture's corners on the panel (4, 2),
        shares from its upper left; frame_px, the frame's inner corners where somebody moved them by hand, clockwise from the
        upper left; proud_mm, how far the border's inner edge stands before the fabric.
    Raises: Untrusted.
    """
    if image.size < LEAST_PIXELS:
        raise Untrusted(
            "The photo has too few pixels: at least 3 million are wanted, as the phone takes them.",
            field="photo",
        )
    there = markers(panel_aspect, used_of(panel))
    light = linear(image)
    marks = seen(image, light, there)
    try:
        lens = fitted(marks.numbers, marks.corners, image.shape, there)
    except Untrusted as error:
        if float(np.median(marks.white)) > CLIPPED:
            said = "The picture's white is too bright for the phone: tap on the picture so that it exposes for it."
            raise Untrusted(said, field="photo") from error
        raise
    size = SIGNS * np.array([width_mm, height_mm]) / 2.0
    if frame_px is None:
        every = frame_edges(light, lens, panel, marks)
    else:
        by_hand = lens.straight(np.asarray(frame_px, dtype=float))
        every = (Edges(corners=by_hand, off_px=1.0, outer=(False,) * 4),)
    found = [
        replace(
            _found(lens, marks, panel, edges, size, proud_mm),
            odd=oddness(edges.corners, size, lens.middle) if len(every) > 1 else 0.0,
        )
        for edges in every
    ]
    return tuple(sorted(found, key=lambda answer: answer.odd))


def _found(lens: Lens, marks: Seen, panel: Array, edges: Edges, size: Array, proud_mm: float) -> Found:
    """What a photo says if these are the frame's edges.  Raises: Untrusted where it is too small in the photo."""
    corners, picture = edges.corners, carried(lens.onto, panel)
    width_mm = float(np.ptp(size[:, 0]))
    per_px = width_mm / float(np.linalg.norm(corners[1] - corners[0]) + 1e-9)
    if per_px > MOST_MM_PX:
        raise Untrusted(
            "The screen is too small in the photo: step nearer, or take it with more pixels.", field="photo"
        )
    where = (
        carried(homography(corners, size), picture)
        if proud_mm <= FLAT_MM
        else _behind(lens, corners, size, picture, proud_mm)
    )
    near = int(np.sum(np.abs(where - size) < FAR_PX * per_px))
    spread = _spread_mm(per_px, edges.off_px, lens.misfit_px, near, proud_mm)
    return Found(
        corners_mm=where,
        sigma_mm=np.maximum(LEAST_MM, spread * np.tile([ACROSS, UP], (4, 1))),
        frame_px=lens.bent(corners),
        picture_px=lens.bent(picture),
        seen=marks.numbers,
        outer=edges.outer,
    )


def _spread_mm(per_px: float, edge_px: float, misfit_px: float, near: int, proud_mm: float) -> float:
    """One standard deviation of a reading [mm], before it is told apart whether it is sideways or up.

    Args: per_px [mm], a pixel on the fabric; edge_px, how far the frame's edges lie off their lines; misfit_px, how far the
        markers lie off their map; near, how many of the eight readings are of light that ends so near the frame that each blurs
        into the other; proud_mm, how far the border stands out.
    Source: regression of what 216 photos by the bench's phone were off, whose truth is known, and of 166 more sideways and
        up; none of them is among those that it is measured by. Leaves out: a frame that is no rectangle.
    """
    out = PROUD * (proud_mm > FLAT_MM) + NEAR * near
    spread: float = SPREAD * per_px**0.7 * max(edge_px, 0.02) ** 0.77 * max(misfit_px, 0.02) ** 0.46
    return spread * math.exp(out)


def guessed_px(image: Image, *, panel: Array, panel_aspect: float) -> Array | None:
    """Where the frame's corners may be in a photo that was refused (4, 2) [px]: where the markers have the picture's; None where
    not even they are seen."""
    there = markers(panel_aspect, used_of(panel))
    try:
        marks = seen(image, linear(image), there)
        lens = fitted(marks.numbers, marks.corners, image.shape, there)
    except Untrusted:
        return None
    return lens.bent(carried(lens.onto, panel))


def _behind(lens: Lens, corners: Array, size: Array, picture: Array, proud_mm: float) -> Array:
    """The picture's corners on the fabric behind a border that stands before it.

    A side is seen where its foot meets the fabric, but where the phone stands beyond it: there its front edge hides the fabric,
    and lies farther out on it as the phone sees it. Where the phone stands follows from the frame's corners.
    Leaves out: how far the phone's focal length is from the usual one, which changes little of so small a step.
    """
    focal = FOCAL * 2.0 * float(max(lens.middle))
    inner = np.array([[focal, 0.0, lens.middle[0]], [0.0, focal, lens.middle[1]], [0.0, 0.0, 1.0]])
    seen_as = size.copy()
    for _ in range(3):
        frame = np.column_stack(
            [seen_as[:, 0], -seen_as[:, 1], np.zeros(4)]
        )  # y down and z away, as a camera has it
        _, turn, shift = cv2.solvePnP(frame, corners, inner, None, flags=cv2.SOLVEPNP_ITERATIVE)
        eye = -cv2.Rodrigues(turn)[0].T @ shift.ravel()
        across, up, before = float(eye[0]), -float(eye[1]), -float(eye[2])
        out = proud_mm / max(
            before - proud_mm, 1.0
        )  # how much farther from the phone the same ray meets the fabric
        seen_as = size.copy()
        for axis, at in ((0, across), (1, up)):
            far = np.sign(size[:, axis]) * (at - size[:, axis]) > 0.0  # the phone stands beyond this side
            seen_as[far, axis] = size[far, axis] + out * (size[far, axis] - at)
    return carried(homography(corners, seen_as), picture)
