"""Luminance as it was measured, against the plan, at the center and the four corners."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.align.corners import CORNERS, NAMES, OUTWARD
from gantline.core.defaults import AlignDefaults
from gantline.job.field import field_of
from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, noted
from gantline.stations.align.codes import Code
from gantline.stations.light import eyes_of, light_model, on_axis_cd_m2, seat_light
from gantline.stations.survey import main_seat

FIELDS = {
    "tl": Aligned.luminance_tl,
    "tr": Aligned.luminance_tr,
    "br": Aligned.luminance_br,
    "bl": Aligned.luminance_bl,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class PointRow:
    """A point of the picture: luminance as measured and as planned, in words, the verdict (empty without a measurement)."""

    key: str
    name: str
    measured: str
    planned: str
    verdict: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Measured:
    """The five points."""

    rows: tuple[PointRow, ...]


def planned_shares(at: Ask) -> dict[str, float]:
    """Luminance of each corner over the center's, as the main seat sees it; empty while nothing is planned."""
    model, seat = at(light_model), at(main_seat)
    if model is None or seat is None:
        return {}
    middle, wide, high = model.points[0], np.ptp(model.points[:, 0]), np.ptp(model.points[:, 1])
    corners = middle + np.column_stack(
        [OUTWARD * (0.5 - at.default(AlignDefaults.spot_inset)) * (wide, high), np.zeros(len(CORNERS))]
    )
    seen, _ = seat_light(replace(model, points=np.vstack([middle, corners])), eyes_of((seat,)))
    if not seen[0, 0] > 0.0:  # a fabric that sends nothing to this seat
        return {}
    return {key: float(seen[0, at_ + 1] / seen[0, 0]) for at_, key in enumerate(CORNERS)}


def measured_shares(at: Ask) -> dict[str, float]:
    """The share of the center's light at each corner that was measured."""
    center = at.given(Aligned.luminance)
    if not center:
        return {}
    return {key: value / center for key, named in FIELDS.items() if (value := at.given(named)) is not None}


def center_off(at: Ask) -> float | None:
    """How far the measured center is from its plan, a share of it; None while either is missing."""
    center, planned = at.given(Aligned.luminance), at(on_axis_cd_m2)
    return center / planned - 1.0 if center and planned else None


def is_off(at: Ask, off: float) -> bool:
    """Whether that is more than usual."""
    return abs(off) > at.default(AlignDefaults.luminance_within)


def is_dark(at: Ask, share: float) -> bool:
    """Whether a corner has too little of the center's luminance."""
    return share < at.default(AlignDefaults.corner_light)


@noted
def luminance(at: Ask) -> Iterator[Finding]:
    """A measured center that is off its plan."""
    off = at(center_off)
    if off is None or not at(is_off, off):
        return
    text = (
        f"Measured {at.given(Aligned.luminance):.0f} cd/m², planned {at(on_axis_cd_m2):.0f}: {100.0 * abs(off):.0f} % "
        f"{'more' if off > 0.0 else 'less'}, {100.0 * at.default(AlignDefaults.luminance_within):.0f} % is usual. "
        "Look at lamp, mode, zoom and iris."
    )
    yield Finding(code=Code.DIM, severity="check", text=text, subject=field_of(Aligned.luminance).pointer)


@noted
def corners_light(at: Ask) -> Iterator[Finding]:
    """A corner that is too dark, or not as bright as planned against the center."""
    center, only = at.given(Aligned.luminance), at.given(Aligned.luminance_corners)
    least, read = at.default(AlignDefaults.corner_light), at(measured_shares)
    planned = at(planned_shares) if read else {}
    if center and only is not None and at(is_dark, only / center):
        yield _dark("darkest", only / center, least, field_of(Aligned.luminance_corners).pointer)
    for key, share in read.items():
        subject = field_of(FIELDS[key]).pointer
        if at(is_dark, share):
            yield _dark(NAMES[key], share, least, subject)
        elif key in planned and at(is_off, share / planned[key] - 1.0):
            text = (
                f"The {NAMES[key]} corner has {100.0 * share:.0f} % of the center's luminance, planned "
                f"{100.0 * planned[key]:.0f} %: look at the lens, the shift and the seat it was measured from."
            )
            yield Finding(code=Code.DARK_CORNER, severity="note", text=text, subject=subject)


def _dark(name: str, share: float, least: float, subject: str) -> Finding:
    text = f"The {name} corner has {100.0 * share:.0f} % of the center's luminance; {100.0 * least:.0f} % is the least."
    return Finding(code=Code.DARK_CORNER, severity="check", text=text, subject=subject)


def measured_table(at: Ask) -> Measured | None:
    """All five in words; None before the center was measured."""
    center, planned, off = at.given(Aligned.luminance), at(on_axis_cd_m2), at(center_off)
    if not center:
        return None
    rows = [
        PointRow(
            key="center",
            name="center",
            measured=f"{center:.0f} cd/m²",
            planned="" if planned is None else f"{planned:.0f} cd/m²",
            verdict="" if off is None else "off its plan" if at(is_off, off) else "as planned",
        )
    ]
    read, shares = at(measured_shares), at(planned_shares)
    for key in CORNERS:
        there, wanted = read.get(key), shares.get(key)
        row = PointRow(
            key=key,
            name=NAMES[key],
            measured="" if there is None else f"{100.0 * there:.0f} %",
            planned="" if wanted is None else f"{100.0 * wanted:.0f} %",
            verdict=_verdict(at, there, wanted),
        )
        rows.append(row)
    return Measured(rows=tuple(rows))


def _verdict(at: Ask, there: float | None, wanted: float | None) -> str:
    if there is None:
        return ""
    if at(is_dark, there):
        return "too dark"
    return "off its plan" if wanted and at(is_off, there / wanted - 1.0) else "bright enough"
