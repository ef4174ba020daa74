"""Every sheet, in the order of the menu."""

from collections.abc import Mapping

from gantline.sheets import (
    align_sheet,
    box_sheet,
    cut_sheet,
    day_sheet,
    drawings,
    drilling_sheet,
    dxf,
    fabric_sheet,
    marks_csv,
    materials_sheet,
    order_check,
    plan_json,
    proposal,
    rough_in,
    template_sheet,
    tension_sheet,
    wall_sheet,
)
from gantline.sheets.sheet import Sheet

ALL: tuple[Sheet, ...] = (
    day_sheet.SHEET,
    wall_sheet.SHEET,
    drilling_sheet.SHEET,
    template_sheet.SHEET,
    tension_sheet.SHEET,
    align_sheet.SHEET,
    cut_sheet.SHEET,
    fabric_sheet.SHEET,
    materials_sheet.SHEET,
    box_sheet.SHEET,
    proposal.SHEET,
    order_check.SHEET,
    rough_in.SHEET,
    dxf.SHEET,
    dxf.PIECES,
    dxf.EDGE,
    template_sheet.SVG,
    template_sheet.DXF,
    marks_csv.SHEET,
    materials_sheet.CSV,
    drawings.WALL,
    drawings.TENSION,
    plan_json.SHEET,
)
SHEETS: Mapping[str, Sheet] = {one.key: one for one in ALL}
