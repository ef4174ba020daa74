"""A photo of the lit screen read: the frame's inner corners, the cast markers, and from both where the picture's corners stand.

Markers give the map from the panel to the photo, and how the lens bends (one radial term, found where they fit best); the frame's
inner edges, as lines through the steps from dark border to fabric, give its corners, whose known size takes the perspective out.
Leaves out: a bend that one term does not tell, a frame that is no rectangle.
"""

import io
import math
import warnings
from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np

from gantline.core.align.cast import carried, homography
from gantline.core.errors import DesignError
from gantline.vision.markers import DICTIONARY, Array, Image, Marker, markers, used_of

MOST_PIXELS = 80_000_000
QUALITY = 92  # of a photo that is kept
LEAST_MARKERS = 8
SIDES = ("top", "right", "bottom", "left")
SAMPLES = 160
STEP_PX = 0.5
NEAR_PX = 16.0  # the rough outline is that near
LEAST_SLOPE = 1.5  # gray levels a half pixel
CLEAR = 1.5  # times that slope, for a rise to count
WIDER, SLACK_PX = 1.12, 0.08
TOGETHER = 4  # lines across an edge that are taken together, against noise
ENDS = 0.06  # of an edge, left out at each corner
REACH = 0.006  # of the photo's diagonal, searched across an edge
MOST_EDGE_PX = 1.6
MOST_MARKER_PX = 1.5
DARKEST = 70.0
MOST_BEND = 0.25
NEAR_RIM = 0.004
WAYS, ALONG = 48, 400
INSIDE, OUTSIDE = 0.06, 0.2  # of the picture: from within the markers' white rim outward
LIT_BORDER = 10.0  # gray levels that velvet has in full light
LEAST_STEP = 6.0  # gray levels from border to fabric
MOST_BORDER = 60.0
BESIDE_PX = 5.0


class Untrusted(DesignError):
    """A photo that is not read, and why."""

    code = "photo-untrusted"


@dataclass(frozen=True, slots=True, kw_only=True)
class Found:
    """What a photo says: the picture's corners (4, 2) [mm] about the middle of the viewable area, y up, clockwise from the upper
    left; one standard deviation [mm]; the frame's inner corners and the picture's in the photo (4, 2) [px]; markers that were
    seen; the bend of the lens."""

    corners_mm: Array
    sigma_mm: float
    frame_px: Array
    picture_px: Array
    seen: tuple[int, ...]
    bend: float


def read_photo(
    image: Image,
    *,
    width_mm: float,
    height_mm: float,
    panel: Array,
    panel_aspect: float,
    frame_px: Array | None = None,
) -> Found:
    """The picture's corners.

    Args: image, gray (height, width); width, height of the viewable area; panel, the picture's corners on the panel (4, 2),
        shares from its upper left; frame_px, the frame's inner corners where somebody moved them by hand, clockwise from the
        upper left.
    Raises: Untrusted.
    """
    there = markers(panel_aspect, used_of(panel))
    seen, at = _markers(image, there)
    bend, onto, marker_px = _bend(seen, at, image.shape, there)
    if frame_px is None:
        corners, edge_px = _corners(image, _outline(image, onto, bend, panel), bend)
    else:
        corners, edge_px = _straight(np.asarray(frame_px, dtype=float), bend, image.shape), 1.0
    size = (
        np.array([(-1.0, 1.0), (1.0, 1.0), (1.0, -1.0), (-1.0, -1.0)]) * np.array([width_mm, height_mm]) / 2.0
    )
    to_mm = homography(corners, size)
    picture = carried(onto, panel)
    found = carried(to_mm, picture)
    per_px = width_mm / float(np.linalg.norm(corners[1] - corners[0]) + 1e-9)
    return Found(
        corners_mm=found,
        sigma_mm=max(0.3, per_px * math.hypot(edge_px, marker_px)),
        frame_px=_bent(corners, bend, image.shape),
        picture_px=_bent(picture, bend, image.shape),
        seen=tuple(seen),
        bend=bend,
    )


def _markers(image: Image, there: Sequence[Marker]) -> tuple[list[int], Array]:
    """Numbers of the markers and their corners (n, 4, 2) [px]."""
    bright = float(np.percentile(image, 99.0))
    if bright < DARKEST:
        raise Untrusted("The photo is too dark: hold still, or let the camera expose longer.", field="photo")
    settings = cv2.aruco.DetectorParameters()
    settings.cornerRefinementMethod = cv2.aruco.CORNER_REFINE_SUBPIX
    settings.cornerRefinementWinSize = 9
    detector = cv2.aruco.ArucoDetector(cv2.aruco.getPredefinedDictionary(DICTIONARY), settings)
    found, numbers, _ = detector.detectMarkers(image)
    wanted = {one.number for one in there}
    read = [] if numbers is None else [int(one) for one in np.ravel(numbers)]
    good = [
        (number, corners.reshape(4, 2))
        for number, corners in zip(read, found, strict=True)
        if number in wanted
    ]
    if len({number for number, _ in good}) < LEAST_MARKERS:
        missing = ", ".join(str(one + 1) for one in sorted(wanted - set(read)))
        raise Untrusted(
            f"Markers {missing} are not seen: step back, or nearer to the middle, with the whole screen in it.",
            field="photo",
        )
    return [number for number, _ in good], np.array([corners for _, corners in good], dtype=float)


def _bend(
    seen: Sequence[int], at: Array, shape: tuple[int, ...], there: Sequence[Marker]
) -> tuple[float, Array, float]:
    """The bend of the lens, the map from panel to straightened photo, and the markers' misfit [px]."""
    on_panel = {one.number: one.corners for one in there}
    panel = np.array([on_panel[number] for number in seen]).reshape(-1, 2)
    points = at.reshape(-1, 2)

    def fit(bend: float) -> tuple[Array, float]:
        straight = _straight(points, bend, shape)
        made, _ = cv2.findHomography(panel, straight, 0)
        if made is None:
            return np.eye(3), 1e9
        map_: Array = np.asarray(made, dtype=np.float64)
        off = carried(map_, panel) - straight
        return map_, float(np.sqrt(np.mean(np.sum(off * off, axis=1))))

    from scipy.optimize import minimize_scalar  # slow to import, needed only here

    best = minimize_scalar(
        lambda bend: fit(bend)[1], bounds=(-MOST_BEND, MOST_BEND), method="bounded", options={"xatol": 1e-5}
    )
    map_, off = fit(float(best.x))
    if off > MOST_MARKER_PX:
        raise Untrusted(
            "The markers do not fit one plane: hold still, and see that the fabric is flat and nothing hides it.",
            field="photo",
        )
    return float(best.x), map_, off


def _outline(image: Image, onto: Array, bend: float, picture: Array) -> Array:
    """The frame's inner corners in the straightened photo, roughly (4, 2), clockwise from the upper left.

    Along many ways from inside the light outward, where the dark border begins; a line through them on each side, by most
    votes, so that a lamp's reflection on a corner does not count.
    """
    share = np.linspace(0.1, 0.9, WAYS)
    out = np.linspace(INSIDE, -OUTSIDE, ALONG)
    lines = []
    for side in range(4):
        u, v = np.meshgrid(share, out, indexing="ij")  # along the edge, and out across it
        there = (u, v) if side == 0 else (1.0 - v, u) if side == 1 else (u, 1.0 - v) if side == 2 else (v, u)
        panel = picture[0] + np.stack(there, axis=-1).reshape(-1, 2) * np.array(used_of(picture))
        straight = carried(onto, panel)
        at = _bent(straight, bend, image.shape).reshape(WAYS, ALONG, 2)
        seen = cv2.remap(
            image,
            at[..., 0].astype(np.float32),
            at[..., 1].astype(np.float32),
            cv2.INTER_LINEAR,
            borderValue=0,
        )
        level = cv2.blur(seen.astype(np.float32), (5, 1))
        points = []
        for way, profile in enumerate(level):
            dark = float(np.percentile(profile, 4.0))
            wall = float(np.median(profile[-ALONG // 8 :]))
            limit = max((dark + wall) / 2.0, dark + LIT_BORDER)
            below = np.nonzero(profile < limit)[0]
            if len(below) > 3:
                points.append(straight.reshape(WAYS, ALONG, 2)[way, below[0]])
        if len(points) < WAYS // 2:
            said = "The frame's inner edge is not found: switch some room light on, so that the border stands out."
            raise Untrusted(said, field="photo")
        lines.append(_line(_voted(np.array(points), 6.0))[0])
    met = np.array([np.cross(lines[side - 1], lines[side]) for side in range(4)])
    corners: Array = met[:, :2] / met[:, 2:3]
    shown, rim = _bent(corners, bend, image.shape), NEAR_RIM * max(image.shape)
    if bool(np.any(shown < rim)) or bool(np.any(shown > np.array(image.shape[1::-1]) - rim)):
        raise Untrusted("A corner of the screen is out of the picture: step back.", field="photo")
    return corners


def _voted(points: Array, within: float) -> Array:
    """The points near the line through two of them that has most points near it."""
    best = points[:0]
    count = len(points)
    for a in range(0, count, max(1, count // 16)):
        for b in range(a + count // 3, count, max(1, count // 16)):
            along = points[b] - points[a]
            length = float(np.hypot(*along))
            if length < 1.0:
                continue
            off = np.abs((points - points[a]) @ np.array([-along[1], along[0]])) / length
            near = points[off <= within]
            if len(near) > len(best):
                best = near
    return best


def _corners(image: Image, rough: Array, bend: float) -> tuple[Array, float]:
    """The frame's inner corners in the straightened photo (4, 2), and how far the edges' points lie off their lines [px]."""
    lines, off = [], []
    reach = REACH * math.hypot(*image.shape)
    for side in range(4):
        a, b = rough[side], rough[(side + 1) % 4]
        along = (b - a) / np.linalg.norm(b - a)
        inward = np.array(
            [-along[1], along[0]]
        )  # clockwise with y down: the inside is on the right of the way
        share = np.linspace(ENDS, 1.0 - ENDS, SAMPLES * TOGETHER)[:, None]
        base = _bent(a + share * (b - a), bend, image.shape)  # along the edge as the lens shows it
        points = _steps(image, base, inward, reach)
        if len(points) < SAMPLES // 4:
            name = SIDES[side]
            raise Untrusted(
                f"The {name} edge of the frame is not seen well: no lamp or hand before it.", field="photo"
            )
        straight = _voted(_straight(points, bend, image.shape), 1.5)
        if len(straight) < SAMPLES // 4:
            raise Untrusted(
                f"The {SIDES[side]} edge of the frame is not straight in the photo: take away what glares or hides it.",
                field="photo",
            )
        line, rms = _line(straight)
        _parts(image, _bent(straight, bend, image.shape), inward, side)
        lines.append(line)
        off.append(rms)
    if max(off) > MOST_EDGE_PX:
        worst = SIDES[int(np.argmax(off))]
        raise Untrusted(
            f"The {worst} edge of the frame is not straight in the photo: take away what glares or hides it.",
            field="photo",
        )
    corners = np.array([np.cross(lines[side - 1], lines[side]) for side in range(4)])
    return corners[:, :2] / corners[:, 2:3], float(np.mean(off)) / math.sqrt(SAMPLES / 4.0)


def _parts(image: Image, points: Array, inward: Array, side: int) -> None:
    """That an edge parts the dark border from fabric.  Raises: Untrusted."""
    levels = []
    for off in (-BESIDE_PX, BESIDE_PX):
        x, y = (points + off * inward).T.astype(np.float32)
        levels.append(cv2.remap(image, x[:, None], y[:, None], cv2.INTER_LINEAR))
    border, fabric = (float(np.median(level)) for level in levels)
    if border > MOST_BORDER or fabric < border + LEAST_STEP:
        raise Untrusted(
            f"The {SIDES[side]} edge of the frame does not stand out: switch some room light on.",
            field="photo",
        )


def _steps(image: Image, base: Array, inward: Array, reach: float) -> Array:
    """Where the photo steps from border to fabric, across the edge at each base point; those without a clear step are left out.

    Half way up the first rise that is met from outside: where the light ends inside the frame, a second one follows it.
    """
    offsets = np.arange(-reach, reach, STEP_PX)
    at = base[:, None, :] + offsets[None, :, None] * inward
    lines = cv2.remap(
        image, at[..., 0].astype(np.float32), at[..., 1].astype(np.float32), cv2.INTER_LINEAR
    ).astype(np.float64)
    together = lines.reshape(-1, TOGETHER, len(offsets)).mean(axis=1)
    middles = base.reshape(-1, TOGETHER, 2).mean(axis=1)
    slopes = np.gradient(cv2.GaussianBlur(together, (9, 1), 2.0), axis=1)
    near = np.abs(offsets) <= NEAR_PX
    found, widths = [], []
    for middle, slope in zip(middles, slopes, strict=True):
        rising = np.nonzero((slope >= LEAST_SLOPE) & near)[0]
        if len(rising) == 0:
            continue
        foot = top = int(rising[0])
        while top + 1 < len(slope) and slope[top + 1] >= slope[top]:
            top += 1
        edge, strength = _peak(slope, top, offsets), float(slope[top]) / LEAST_SLOPE
        if strength < CLEAR:
            continue
        found.append(middle + edge * inward)
        widths.append((edge - float(offsets[foot])) / math.sqrt(2.0 * math.log(strength)))
    # a rise that is wider than the others is two: the frame's edge, and the light's close behind it
    usual = float(np.percentile(widths, 25.0)) if widths else 0.0
    kept = [point for point, width in zip(found, widths, strict=True) if width <= WIDER * usual + SLACK_PX]
    return np.array(kept).reshape(-1, 2)


def _peak(slope: Array, top: int, offsets: Array) -> float:
    """Where a slope is greatest, between its samples, by a parabola."""
    if not 0 < top < len(slope) - 1:
        return float(offsets[top])
    a, b, c = slope[top - 1 : top + 2]
    bend = a - 2.0 * b + c
    return float(offsets[top] + (0.0 if bend >= 0.0 else 0.5 * (a - c) / bend * STEP_PX))


def _line(points: Array) -> tuple[Array, float]:
    """A line (a, b, c) through points, those far off left out, and the others' distance from it [px]."""
    kept = points
    for _ in range(3):
        middle = kept.mean(axis=0)
        _, _, axes = np.linalg.svd(kept - middle, full_matrices=False)
        normal = axes[1]
        off = (points - middle) @ normal
        limit = max(0.8, 2.5 * 1.4826 * float(np.median(np.abs(off))))
        kept = points[np.abs(off) <= limit]
    off = (kept - middle) @ normal
    return np.array([normal[0], normal[1], -float(normal @ middle)]), float(np.sqrt(np.mean(off * off)))


def _straight(points: Array, bend: float, shape: tuple[int, ...]) -> Array:
    """Photo points as a lens that bends nothing would show them."""
    middle = np.array(shape[1::-1]) / 2.0
    scale = float(np.linalg.norm(middle))
    off = (points - middle) / scale
    made: Array = middle + off * (1.0 + bend * np.sum(off * off, axis=-1, keepdims=True)) * scale
    return made


def _bent(points: Array, bend: float, shape: tuple[int, ...]) -> Array:
    """The way back, by iteration."""
    found = points.copy()
    for _ in range(12):
        found = found - (_straight(found, bend, shape) - points)
    return found


def check_kind(content: bytes, *, most: int) -> None:
    """That a file may be a photo, by its first bytes and its size alone: nothing is unpacked.  Raises: Untrusted."""
    if len(content) > most:
        raise Untrusted(f"The photo is larger than {most // 2**20} MB.", field="photo")
    if not content.startswith((b"\xff\xd8\xff", b"\x89PNG\r\n\x1a\n")):
        raise Untrusted("A JPEG or a PNG is wanted here.", field="photo")


def read_gray(content: bytes, *, most: int) -> Image:
    """A JPEG or PNG as gray levels, unpacked here: only in a process that has an end to its time and memory.

    Against: a small file that unpacks to gigabytes. How large it is says the decoder's own reading of its head; one that says
    nothing is refused.  Raises: Untrusted for another format, a broken file, or one beyond most bytes.
    """
    check_kind(content, most=most)
    wide, high = _size(content)
    if wide * high > MOST_PIXELS:
        raise Untrusted("The photo has more pixels than are read: at most 80 million.", field="photo")
    image = cv2.imdecode(np.frombuffer(content, dtype=np.uint8), cv2.IMREAD_GRAYSCALE)
    if image is None or image.size < 200_000 or image.size != wide * high:
        raise Untrusted("This photo is broken, or too small to be read.", field="photo")
    gray: Image = np.asarray(image, dtype=np.uint8)
    return gray


def _size(content: bytes) -> tuple[int, int]:
    """Width and height [px] by its head, with nothing unpacked.  Raises: Untrusted where it has none."""
    from PIL import Image as Picture

    try:
        with warnings.catch_warnings():
            warnings.simplefilter(
                "ignore", Picture.DecompressionBombWarning
            )  # how large it may be is said above
            with Picture.open(io.BytesIO(content), formats=("JPEG", "PNG")) as head:
                return head.size
    except (OSError, ValueError, SyntaxError, Picture.DecompressionBombError) as error:
        raise Untrusted(
            "This photo is broken: its head does not say how large it is.", field="photo"
        ) from error


def kept_jpeg(image: Image) -> bytes:
    """The same as a JPEG that holds nothing but gray levels."""
    _, made = cv2.imencode(".jpg", image, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
    return bytes(made.tobytes())
