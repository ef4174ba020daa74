"""A record drawn in a few lines, to be known at a glance: the lobe of a fabric, the cone of a lens, the section of a frame or a
board."""

import math
from collections.abc import Mapping
from typing import Any

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.light.lobe import FabricKind, Lobe, gain_at
from gantline.job.records.kinds import RecordKind

Shape = tuple[tuple[float, float], ...]
REACH = 3.0  # picture widths that are drawn of a lens's cone
BOARDS = {
    "1x2": (19.0, 38.0),
    "1x3": (19.0, 64.0),
    "1x4": (19.0, 89.0),
    "2x2": (38.0, 38.0),
    "2x4": (38.0, 89.0),
}


def drawn(kind: RecordKind, body: Mapping[str, Any]) -> tuple[Shape, ...]:
    """Outlines in a unit of their own, y upwards; none where the record does not say enough."""
    match kind:
        case RecordKind.FABRIC:
            return _lobe(body)
        case RecordKind.PROJECTOR:
            return _cone(body)
        case RecordKind.KIT:
            deep, border = body.get("depth_mm"), body.get("border_mm")
            return (_rectangle(deep, border or deep),) if deep else ()
        case RecordKind.BOARD:
            thick, wide = BOARDS[body["nominal"]]
            return (_rectangle(wide, thick),)
        case RecordKind.TAPE:
            across = body.get("tape_wide_mm")
            return (_rectangle(4.0 * across, across),) if across else ()
        case _:
            return ()


def _rectangle(wide: float, high: float) -> Shape:
    return (0.0, 0.0), (wide, 0.0), (wide, high), (0.0, high), (0.0, 0.0)


def _lobe(body: Mapping[str, Any]) -> tuple[Shape, ...]:
    gain = body.get("gain")
    if gain is None:
        return ()
    try:
        lobe = Lobe(
            kind=FabricKind(body.get("kind") or "diffuse"),
            gain=float(gain),
            half_gain_deg=body.get("half_gain_deg"),
        )
    except OutOfRange:  # a leaflet that gives more light than comes in
        return ()
    angles = np.arange(-90.0, 91.0, 5.0)
    gains = gain_at(lobe, np.abs(angles))
    curve = tuple(
        (float(g * math.sin(math.radians(a))), float(g * math.cos(math.radians(a))))
        for a, g in zip(angles, gains, strict=True)
    )
    return curve, ((-1.0, 0.0), (1.0, 0.0))


def _cone(body: Mapping[str, Any]) -> tuple[Shape, ...]:
    low, high = body.get("ratio_low"), body.get("ratio_high")
    if low is None:
        return ()
    return tuple(
        ((0.0, 0.5), (float(ratio), 0.0), (float(ratio), 1.0), (0.0, 0.5))
        for ratio in dict.fromkeys((low, high or low))
    )
