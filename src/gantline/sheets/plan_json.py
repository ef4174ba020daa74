"""The whole plan as open JSON, for other programs."""

import orjson

from gantline.plan.working import Unwritten
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet


def plan_json(ready: Ready) -> bytes:
    """Figures, findings, tables, panels: what `gantline plan` prints."""
    return orjson.dumps(ready.made.plan, default=_written, option=orjson.OPT_INDENT_2)


def _written(value: object) -> object:
    if isinstance(value, Unwritten):
        return value.written()
    raise TypeError(type(value).__name__)


SHEET = Sheet(
    key="plan",
    label="Plan",
    group=OPEN_FILES,
    note="JSON",
    media_type="application/json",
    ending="plan.json",
    make=plan_json,
)
