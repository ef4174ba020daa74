"""The whole plan as open JSON, for other programs."""

import orjson

from gantline.plan.working import as_plain
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet


def plan_json(ready: Ready) -> bytes:
    """Figures, findings, tables, panels: what `gantline plan` prints."""
    return orjson.dumps(ready.made.plan, default=as_plain, option=orjson.OPT_INDENT_2)


SHEET = Sheet(
    key="plan",
    label="Plan",
    group=OPEN_FILES,
    note="JSON",
    media_type="application/json",
    ending="plan.json",
    make=plan_json,
)
