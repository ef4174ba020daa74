"""The codes of what stands between the picture and its frame."""

from gantline.plan.code import Coded


class Code(Coded):
    """Every finding of this station."""

    NO_POSE = "no-pose", "projector place unknown"
    BAD_READING = "corner-reading-doubtful", "a corner misread"
    LEANS = "frame-leans", "frame leans"
    NO_POSE_FITS = "corners-fit-no-pose", "corners do not agree"
    WEAK = "turn-and-shift-alike", "turn or shift unclear"
    MOVE = "picture-off", "picture off the frame"
    BOW = "edge-bows", "an edge bows"
    DIM = "luminance-off-plan", "light off plan"
    DARK_CORNER = "corner-dark", "a corner is dark"
    FOCUS = "focus-apart", "focus differs"
