"""A Stop leads every sheet and station whose figures rest on what it is about, and no other."""

import csv
import io

import pytest

from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import PDF, Ready
from gantline.stations import plan
from gantline.stations.registry import STATIONS
from tests.made import changed
from tests.sheets.test_sheets import ready, words

FITS_NOT = "The screen does not fit"
ABOUT_THE_PARTS = ("box-check",)  # what lies in a box does not change with the room


@pytest.mark.parametrize("key", [key for key, sheet in SHEETS.items() if sheet.media_type == PDF])
def test_a_screen_that_does_not_fit_its_room_leads_every_paper(key: str) -> None:
    text, _ = words(SHEETS[key].make(ready("basement-den")))
    assert (FITS_NOT in text) == (key not in ABOUT_THE_PARTS), key


def test_it_leads_the_open_files_and_every_station_after_it_too() -> None:
    made = ready("basement-den")
    rows = list(csv.reader(io.StringIO(SHEETS["materials"].make(made).decode())))
    assert rows[1][0].startswith(f"STOP: {FITS_NOT}") and rows[1][-1] == "stop"
    for key in ("frame-pieces", "frame-edge", "frame-and-holes"):
        assert FITS_NOT.encode() in SHEETS[key].make(made), key
    plan_of = made.made
    clash = next(place for place, finding in enumerate(plan_of.findings) if finding.code == "height-clash")
    led = {state.key for state in plan_of.states if clash in state.led}
    keys = [station.key for station in STATIONS]
    assert led == set(keys[keys.index("height") + 1 :])


def test_a_stop_that_no_figure_of_a_sheet_reads_does_not_lead_it() -> None:
    """A roll that is too narrow: the cloth and what is bought wait for it, the saw does not, nor do the holes."""
    made = Ready(made=plan(changed("mill-loft", light__fabric__roll_mm=900.0)), stamp="")
    assert "roll-cut" in {finding.code for finding in made.stops}
    said = "across the roll"
    told = {key for key in ("cut-sheet", "fabric-sheet", "shopping-list", "tension-sheet", "proposal")
        if said in words(SHEETS[key].make(made))[0]}  # fmt: skip
    assert {"fabric-sheet", "shopping-list", "proposal"} <= told
    assert "tension-sheet" not in told
