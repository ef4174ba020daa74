"""Flat plates on the back, and where staples keep off them."""

from gantline.core.defaults import FrameDefaults
from gantline.core.frame.plates import Plates, Spans, place_plates, plate_spans_mm
from gantline.plan.ask import Ask
from gantline.stations.frame.blank import return_mm, wrapped
from gantline.stations.frame.board import board_section, outer_mm, timber
from gantline.stations.frame.solve import brace_places


def plates(at: Ask) -> Plates | None:
    """How the plates lie; None without boards."""
    if not at(timber):
        return None
    return place_plates(
        at(board_section).in_plane_mm,
        at(return_mm) if at(wrapped) else 0.0,
        wide_mm=at.default(FrameDefaults.plate_wide_mm),
        leg_mm=at.default(FrameDefaults.plate_leg_mm),
        clear_mm=at.default(FrameDefaults.plate_clear_mm),
    )


def plate_spans(at: Ask) -> tuple[Spans, Spans]:
    """Where no staple may be driven along rails and along stiles [mm]; none where nothing is stapled."""
    plating = at(plates) if at(wrapped) else None
    if plating is None or plating.past_return:
        return (), ()
    wide, high = at(outer_mm)
    clear = at.default(FrameDefaults.plate_clear_mm)
    return plate_spans_mm(plating, wide, at(brace_places), clear), plate_spans_mm(plating, high, (), clear)
