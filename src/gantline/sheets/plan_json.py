"""The whole plan as open JSON, for other programs."""

from dataclasses import fields
from typing import Any

import orjson

from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet
from gantline.stations.day.withheld import steps_to_do


def whole(plan: JobPlan) -> dict[str, Any]:
    """Figures, findings, tables, panels, and the steps of the day in their order."""
    return {one.name: getattr(plan.plan, one.name) for one in fields(plan.plan)} | {
        "steps": steps_to_do(plan)
    }


def plan_json(ready: Ready) -> bytes:
    """What `gantline plan` prints."""
    return orjson.dumps(whole(ready.made), default=as_plain, option=orjson.OPT_INDENT_2)


SHEET = Sheet(
    key="plan",
    label="Plan",
    group=OPEN_FILES,
    note="JSON",
    media_type="application/json",
    ending="plan.json",
    make=plan_json,
)
