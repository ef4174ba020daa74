"""The codes of what stands between the picture and its frame."""

from enum import StrEnum


class Code(StrEnum):
    """Every finding of this station."""

    NO_POSE = "no-pose"
    BAD_READING = "corner-reading-doubtful"
    LEANS = "frame-leans"
    NO_POSE_FITS = "corners-fit-no-pose"
    WEAK = "turn-and-shift-alike"
    MOVE = "picture-off"
    BOW = "edge-bows"
    DIM = "luminance-off-plan"
    DARK_CORNER = "corner-dark"
    FOCUS = "focus-apart"
