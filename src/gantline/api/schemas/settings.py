"""The shop's own defaults."""

from typing import Annotated, Literal

from pydantic import Field

from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel


class DefaultOut(Out):
    """One default with the shop's own value, if it has one."""

    key: str
    value: float
    own: float | None
    low: float
    high: float
    unit: str
    meaning: str
    source: str


class SettingsIn(ClosedModel):
    """The shop's own values over the defaults; what is left out falls back."""

    values: Annotated[dict[str, float], Field(max_length=100)]


class ShopSettings(ClosedModel):
    """What is the shop's own beside its defaults. paper: what sheets are printed on."""

    paper: Literal["a4", "letter"]
