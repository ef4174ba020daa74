"""From a photo of the lit screen to corner readings, and a made-up camera to try it with."""

import os

# read once, when OpenCV is loaded: a small file must not unpack to gigabytes
os.environ.setdefault("OPENCV_IO_MAX_IMAGE_PIXELS", str(80_000_000))
