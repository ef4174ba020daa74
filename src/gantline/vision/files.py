"""Photos as files: what may be one, unpacked to gray levels or to a plain picture, and kept as nothing else."""

import io
import warnings

import cv2
import numpy as np

from gantline.vision.markers import Image
from gantline.vision.untrusted import Untrusted

MOST_PIXELS = 80_000_000
QUALITY = 92  # of a photo that is kept
SHOWN = 2000  # pixels, the longer side of one that is only looked at


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


def shown_jpeg(content: bytes, *, most: int) -> bytes:
    """A photo to be looked at, as a JPEG in color of at most SHOWN pixels a side, upright, without what a camera wrote beside it.

    Against and raises: as read_gray().
    """
    check_kind(content, most=most)
    wide, high = _size(content)
    if wide * high > MOST_PIXELS:
        raise Untrusted("The photo has more pixels than are read: at most 80 million.", field="photo")
    image = cv2.imdecode(np.frombuffer(content, dtype=np.uint8), cv2.IMREAD_COLOR)
    if image is None:
        raise Untrusted("This photo is broken.", field="photo")
    share = SHOWN / max(image.shape[:2])
    if share < 1.0:
        image = cv2.resize(image, None, fx=share, fy=share, interpolation=cv2.INTER_AREA)
    _, made = cv2.imencode(".jpg", image, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
    return bytes(made.tobytes())


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
    """An image as a JPEG that holds nothing but gray levels."""
    _, made = cv2.imencode(".jpg", image, [cv2.IMWRITE_JPEG_QUALITY, QUALITY])
    return bytes(made.tobytes())
