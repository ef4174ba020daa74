"""Every finding of the frame, by its code."""

from gantline.plan.code import Coded


class Code(Coded):
    """Every finding of this station."""

    PIECES = "frame-pieces", "pieces too long"
    DEPTH_DIFFERS = "frame-depth-differs", "depth differs"
    RAIL_BOWS = "rail-bows", "rails bow"
    STILE_BOWS = "stile-bows", "sides bow"
    SPLICED = "spliced", "rails are spliced"
    FASTENER = "fastener-too-long", "fastener too long"
    POCKET_ONLY = "pocket-screws-only", "screws for pockets only"
    NO_POCKET = "no-pocket-screw", "no pocket screw fits"
    ROLL = "roll-cut", "roll too narrow"
    WORK_AREA = "work-area", "no room to build"
    NOT_SQUARE = "frame-not-square", "frame not square"
    READING_WRONG = "frame-reading-wrong", "frame misread"
    SIDE_OFF = "frame-side-off", "a side is off"
    TOO_SMALL = "frame-too-small", "frame too small"
    TRIM = "trim-too-wide", "trim too wide"
    BOX_SHORT = "box-short", "parts missing"
    BOX_OPEN = "box-not-counted", "box not counted"
    WAITING = "material-waiting", "material must wait"
    HOLLOW = "frame-hollow", "rails bow inward"
    SET_BACK = "brace-set-back", "brace stands proud"
    CORNER_GAPS = "corner-gaps", "corner gaps"
