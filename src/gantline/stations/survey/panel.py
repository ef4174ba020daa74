"""What the survey's panel shows, in order and by weight."""

from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.station import PanelPart
from gantline.stations.survey.solve import joist_lines_mm
from gantline.stations.survey.studs import wall_build


def _studs(at: Ask) -> bool:
    return at(wall_build) == "studs"


def _count(at: Ask) -> str:
    readings = len(at.things(Survey.ceiling_readings)), len(at.things(Survey.floor_readings))
    return f"{readings[0]} ceiling, {readings[1]} floor"


def _masonry(at: Ask) -> bool:
    return at(wall_build) == "masonry"


def _stud_count(at: Ask) -> str:
    read, marks = len(at.things(Survey.stud_readings)), len(at.things(Survey.stud_marks))
    by_hand = f", {marks} set by hand" if marks else ""
    return f"{read} readings{by_hand}" if read or marks else "by sensor or magnet, reading by reading"


def _seats(at: Ask) -> str:
    return ", ".join(seat.name or "seat" for seat in at.things(Survey.seats)) or "none yet"


def _boxes(at: Ask) -> str:
    return ", ".join(box.name or box.kind for box in at.things(Survey.boxes)) or "nothing yet"


def _fittings(at: Ask) -> str:
    return ", ".join(fitting.name or fitting.kind for fitting in at.things(Survey.fittings)) or "nothing yet"


def _lamps(at: Ask) -> str:
    return ", ".join(lamp.name for lamp in at.things(Survey.lamps)) or "none yet"


def _joists(at: Ask) -> str:
    return f"{len(at(joist_lines_mm)[1])} across the ceiling" if at(joist_lines_mm)[1] else "not surveyed"


def _meter(at: Ask) -> str:
    return "from a distance meter or a CSV file"


PANEL = (
    PanelPart(weight="lead", rows=("wall_width", "ceiling", "datum", "room_depth")),
    PanelPart(title="Wall build", rows=("build",)),
    PanelPart(
        title="Studs",
        rows=("studs_found", "stud_next", "stud_first", "stud_spacing", "stud_width"),
        when=_studs,
    ),
    PanelPart(title="Find the studs", weight="detail", widget="studs", gist=_stud_count, when=_studs),
    PanelPart(title="Masonry", rows=("masonry_of", "course", "course_first"), when=_masonry),
    PanelPart(title="Seats", weight="detail", widget="/survey/seats", gist=_seats),
    PanelPart(title="In the room", weight="detail", widget="/survey/boxes", gist=_boxes),
    PanelPart(title="On the wall", weight="detail", widget="/survey/fittings", gist=_fittings),
    PanelPart(title="Readings along the wall", weight="detail", widget="readings", gist=_count),
    PanelPart(title="Readings from a meter", weight="detail", widget="meter", gist=_meter),
    PanelPart(
        title="Ceiling joists",
        weight="detail",
        rows=("joist_runs", "joist_first", "joist_spacing"),
        gist=_joists,
    ),
    PanelPart(title="Lamps", weight="detail", widget="/survey/lamps", gist=_lamps),
    PanelPart(title="Job", weight="detail", rows=("job_name", "job_place", "job_notes"), widget="job"),
)
