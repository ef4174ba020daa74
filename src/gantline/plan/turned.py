"""A turned or tilted body: what it throws, and the price of squaring it up digitally."""

import math
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.throw.keystone import Keystone, corrected, keystone, used_share
from gantline.core.throw.pinhole import Array, Pose
from gantline.core.throw.shift import ShiftReach
from gantline.core.throw.window import Lens, PanelImage
from gantline.plan.book import Book
from gantline.plan.height import Hung

SOURCE = "exact pinhole model; largest upright picture in the panel's image by linear programme"


@dataclass(frozen=True, slots=True, kw_only=True)
class Turned:
    """The pose that covers the picture, what it throws, and the share of the panel that lands on the picture."""

    pose: Pose
    thrown: Keystone
    share: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """Lens, reach and place of the lens that a turned body keeps; lens (x, y, Z) [mm]."""

    lens: Lens
    reach: ShiftReach
    offset: float
    panel_aspect: float
    place: tuple[float, float, float]

    def pose(self, *, yaw: float = 0.0, pitch: float = 0.0, roll: float = 0.0) -> Pose:
        """The pose at the wide end, its fixed offset as the shift at rest; turns [rad]."""
        x, y, z = self.place
        return Pose(lens_x_mm=x, lens_y_mm=y, distance_mm=z, ratio=self.lens.ratio_low, panel_aspect=self.panel_aspect,
            shift_v=self.offset, yaw=yaw, pitch=pitch, roll=roll)  # fmt: skip


def is_turned(book: Book) -> bool:
    """Whether any turn is entered."""
    given = book.job.throw
    return any((given.yaw_deg, given.pitch_deg, given.roll_deg))


def write_turns(book: Book) -> None:
    """The three turns as fields."""
    given = book.job.throw
    for key, label in (("yaw_deg", "Nose to the right"), ("pitch_deg", "Nose up"), ("roll_deg", "Picture's right end up")):
        value = getattr(given, key)
        book.entered(key, "throw", label, f"/throw/{key}", value, f"{value:g}°".replace("-", "−"), "number")


def turned(book: Book, hung: Hung, setting: Setting) -> Turned | None:
    """Square up what the turned body throws; None, with a stop, where the picture cannot be covered."""
    given = book.job.throw
    turns = {key: math.radians(getattr(given, f"{key}_deg")) for key in ("yaw", "pitch", "roll")}
    picture = picture_corners(hung)
    try:
        pose = corrected(setting.pose(**turns), picture, lens=setting.lens, reach=setting.reach)
        thrown = None if pose is None else keystone(pose, _aspect(hung))
    except OutOfRange:
        pose = thrown = None
    if pose is None or thrown is None:
        book.find("turned-not-covered", "throw", "stop",
            "Turned like this, zoom and shift cannot cover the picture, even with digital correction.")  # fmt: skip
        return None
    share = used_share(pose, picture)
    kept = share / thrown.straight_share
    straight = f"{100 * thrown.straight_share:.0f} %"
    book.ratio("turned_share", "throw", "Pixels and light on the picture", share, f"{100 * share:.0f} % of the panel",
        "area of the picture's pre-image on the panel / panel", f"straight body {straight}; kept {100 * kept:.1f} %", [], SOURCE)  # fmt: skip
    up, side = "up" if pose.shift_v >= 0 else "down", "right" if pose.shift_h >= 0 else "left"
    for key, label, text in (
        ("shift_vertical", "Shift to set, height", f"{100 * abs(pose.shift_v):.1f} % {up}"),
        ("shift_horizontal", "Shift to set, sideways", f"{100 * abs(pose.shift_h):.1f} % {side}"),
    ):
        value = pose.shift_v if key == "shift_vertical" else pose.shift_h
        book.ratio(key, "throw", label, value, text, "aims the panel's middle at the picture's, within the reach", "", [], SOURCE)
    book.find("turned", "throw", "mind",
        f"Turned: digital correction leaves {100 * kept:.0f} % of pixels and light, and softens the rest. Straighten the body first.",
        {"kept": kept})  # fmt: skip
    return Turned(pose=pose, thrown=thrown, share=share)


def price_of_tilt(hung: Hung, setting: Setting, pitch: float) -> float | None:
    """Share of a straight body's pixels that is left when tilted by pitch [rad]; None where it covers nothing."""
    picture = picture_corners(hung)
    try:
        pose = corrected(setting.pose(pitch=pitch), picture, lens=setting.lens, reach=setting.reach)
        if pose is None:
            return None
        aspect = _aspect(hung)
        straight = min(setting.panel_aspect / aspect, aspect / setting.panel_aspect)
        return used_share(pose, picture) / straight
    except OutOfRange:
        return None


def picture_corners(hung: Hung) -> Array:
    """Corners of the viewable area (4, 2) [mm], anticlockwise from lower left."""
    screen = hung.place.screen.picture
    half = np.array([screen.width_mm, screen.height_mm]) / 2.0
    middle = np.array([hung.place.centre_x_mm, hung.picture_centre_mm])
    corners: Array = middle + half * np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)], dtype=float)
    return corners


def straight_share(panel: PanelImage, hung: Hung) -> float:
    """Share of the panel a straight body puts on the viewable area, overspill off."""
    screen = hung.place.screen.picture
    return screen.width_mm * screen.height_mm / (panel.width_mm * panel.height_mm)


def _aspect(hung: Hung) -> float:
    screen = hung.place.screen.picture
    return screen.width_mm / screen.height_mm
