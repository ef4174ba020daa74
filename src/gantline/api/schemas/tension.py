"""What the tension bench is told of a sheet."""

from gantline.api.schemas.base import Out


class PointOut(Out):
    """A point from the back [mm], and what is written beside it."""

    side: str
    u_mm: float
    v_mm: float
    label: str


class OrderOut(Out):
    """An order that can be simulated."""

    key: str
    label: str


class BenchOut(Out):
    """A sheet on the bench, seen from the back."""

    width_mm: float
    height_mm: float
    hold: str
    sprung: bool
    points: list[PointOut]
    orders: list[OrderOut]
    model: str
