"""Points, gaps, steps."""

from typing import Any

from gantline.core.tension.holds import Hold, School
from gantline.core.tension.points import Side
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.frame import cloth, line_tension_n_m, overlap_mm
from gantline.stations.size import screen
from gantline.stations.tension.laying import pulled_mm
from gantline.stations.tension.membrane import stale, stiff_n_m, taken
from gantline.stations.tension.solve import (
    even_points,
    hold,
    hold_kind,
    sequence,
    sheet_on_frame,
    spacing_mm,
    spread_points,
    spread_steps,
    stretched_mm,
)

FIGURES = Figures()


@FIGURES.other("school", "Sequence", "", "the attachment's own unless it is chosen", Tensioning.school)
def order(at: Ask) -> Display:
    """Corners first or middles outward."""
    value = at(sequence)
    return Display(value, text=field_of(Tensioning.school).choice(value), how="the attachment's own")


@FIGURES.other("laid", "Laid", "", "the attachment's own unless it is chosen", Tensioning.laid)
def laid(at: Ask) -> Display:
    """The frame on the sheet, or the sheet on the frame."""
    value = "sheet" if at(sheet_on_frame) else "frame"
    return Display(value, text=field_of(Tensioning.laid).choice(value), how="the attachment's own")


@FIGURES.length(
    "hold_spacing", "Largest spacing", "the attachment's own unless it is set", Tensioning.spacing_mm
)
def spacing(at: Ask) -> Display:
    """Point to point."""
    return Display(at(spacing_mm), how="the attachment's own")


def _when_sprung(key: str, label: str, field: Any, unit: str) -> None:
    @FIGURES.other(key, label, unit, "as the kit's leaflet gives it", field)
    def shown(at: Ask) -> Display | None:
        """Only where springs hold it."""
        value = at.given(field) if at(hold) is Hold.SPRING else None
        if value is None:
            return None
        return Display(value, text=at.text(value) if unit else field_of(field).choice(value))


_when_sprung("hook_first", "Hooked first", Tensioning.hook_first, "")
_when_sprung("spring_limit", "Spring, longest when hooked", Tensioning.spring_limit_mm, "mm")


@FIGURES.other("short_first", "Short sides first", "", "usual", Tensioning.short_sides_first)
def short_first(at: Ask) -> Display | None:
    """Only where corners go first."""
    corners = at(sequence) is School.CORNERS_FIRST
    return Display(at.field(Tensioning.short_sides_first)) if corners else None


@FIGURES.length("first_pass", "Spacing of the first pass", "usual", Tensioning.first_pass_mm)
def first_pass(at: Ask) -> Display | None:
    """Only where a wide pass is filled in."""
    return Display(at.field(Tensioning.first_pass_mm)) if at(hold_kind).filled else None


def _when_corners(key: str, label: str, field: Any) -> None:
    @FIGURES.other(key, label, "", "usual", field)
    def shown(at: Ask) -> Display | None:
        """Only where corners go first."""
        return Display(at.field(field)) if at(sequence) is School.CORNERS_FIRST else None


_when_corners("cluster", "Side points fixed with each corner", Tensioning.cluster)
_when_corners("from_end", "Start each side at its end", Tensioning.from_end)


@FIGURES.length(
    "overlap", "Fabric past the frame, each side", "usual for the attachment", Tensioning.overlap_mm
)
def overlap(at: Ask) -> Display:
    """What a sheet needs beyond the frame."""
    return Display(at(overlap_mm), how="usual for the attachment; nothing entered")


def _comes_out(key: str, label: str, side: Side) -> None:
    @FIGURES.length(key, label, "half the side, stretched by the line tension over the cloth's stiffness")
    def out(at: Ask) -> Display | None:
        """How far the sheet's edge goes as it is pulled; the same on the opposite side."""
        far = at(pulled_mm).get(side)
        if far is None:
            return None
        of_top = side is Side.TOP
        length, stiff = at(stretched_mm)[of_top], at(stiff_n_m)[of_top]
        of_frame = term("height stretched" if of_top else "width stretched", length)
        pull = term("line tension", at(line_tension_n_m), " N/m")
        cloth_name = "stiffness across the roll" if of_top else "stiffness along the roll"
        return Display(far, 0.5 * of_frame * pull / term(cloth_name, stiff, " N/m"))


_comes_out("out_high", "Sheet comes out, top and bottom", Side.TOP)
_comes_out("out_wide", "Sheet comes out, left and right", Side.LEFT)


@FIGURES.other("points", "Points in all", "", "the fewest even gaps not wider than the spacing")
def points(at: Ask) -> Display | None:
    """All round the frame."""
    spread = at(spread_points)
    if isinstance(spread, str):
        return None
    rail = sum(1 for point in spread if point.side is Side.TOP)
    stile = sum(1 for one in spread if one.side is Side.LEFT)
    made = 2.0 * term("points on a rail", rail, "") + 2.0 * term("points on a stile", stile, "")
    return Display(float(len(spread)), made, f"{len(spread)}")


def _gap(key: str, label: str, side: Side) -> None:
    @FIGURES.length(key, label, "evenly spread")
    def gap(at: Ask) -> Display | None:
        """Between neighbors."""
        even = at(even_points)
        if isinstance(even, str):
            return None
        there = [point for point in even if point.side is side]
        own_screen = at(screen)
        long = own_screen.overall_width_mm if side is Side.TOP else own_screen.overall_height_mm
        inset = term("first point from corner", at.field(Tensioning.inset_mm))
        trim = at.field(FrameBuild.trim_mm)
        side_ = term("side", long) - 2.0 * term("trim", trim) if trim else term("side", long)
        total = (side_ - 2.0 * inset) / term("gaps", len(there) - 1, "")
        return Display(abs(there[1].reading_mm - there[0].reading_mm), total)


_gap("rail_gap", "Gap on the rails", Side.TOP)
_gap("stile_gap", "Gap on the stiles", Side.LEFT)


@FIGURES.other("steps", "Steps", "", "opposite pairs count as one step")
def steps(at: Ask) -> Display | None:
    """Of the whole order."""
    spread = at(spread_steps)
    return Display(float(len(spread)), text=f"{len(spread)}", how="counted") if spread else None


@FIGURES.other("cloth", "Stretches like", "", "what usually hangs in such a hold", Tensioning.cloth)
def cloth_sort(at: Ask) -> Display:
    """By its sort."""
    value = at(cloth)
    return Display(
        value, text=field_of(Tensioning.cloth).choice(value), how="what usually hangs in such a hold"
    )


def _stiff(key: str, label: str, field: Any, way: int) -> None:
    @FIGURES.other(key, label, "N/m", "usual of such cloth", field)
    def stiff(at: Ask) -> Display:
        """Pull of a strip a meter wide for a stretch of its own length."""
        return Display(at(stiff_n_m)[way], text=f"{at(stiff_n_m)[way]:,.0f} N/m", how="usual of such cloth")


_stiff("stiff_along", "Stretch stiffness along the roll", Tensioning.stiff_along_n_m, 0)
_stiff("stiff_across", "Stretch stiffness across", Tensioning.stiff_across_n_m, 1)


@FIGURES.other("line", "Line tension", "N/m", "usual of the attachment", Tensioning.line_n_m)
def line(at: Ask) -> Display:
    """What the cloth is to pull with along every edge."""
    return Display(at(line_tension_n_m), text=f"{at(line_tension_n_m):g} N/m", how="usual of the attachment")


@FIGURES.other("spring_rate", "Spring rate", "N/mm", "weights hung on one", Tensioning.spring_n_mm)
def spring_rate(at: Ask) -> Display | None:
    """Only where springs hold it."""
    value = at.field(Tensioning.spring_n_mm)
    return Display(value, text=f"{value:g} N/mm") if at(hold) is Hold.SPRING else None


def _simulated(key: str, label: str, unit: str, text: Any) -> None:
    @FIGURES.other(key, label, unit, "the simulated order that was taken: a model of the sheet")
    def simulated(at: Ask) -> Display | None:
        """Of the order that was taken, while it is still what is planned."""
        run = at(taken)
        if run is None or at(stale):
            return None
        value, said = text(at, run)
        return Display(value, text=said, how="simulated")


_simulated(
    "sim_even", "Evenness, simulated", "", lambda at, run: (run.evenness, f"{100.0 * run.evenness:.0f} %")
)
_simulated("sim_pull", "Pull of a point, simulated", "N", lambda at, run: (run.pull_n, f"{run.pull_n:.0f} N"))
_simulated(
    "sim_drift", "Sheet moves by, simulated", "mm", lambda at, run: (run.drift_mm, at.fine(run.drift_mm))
)


def gist(at: Ask) -> str:
    """How many points."""
    spread = at(spread_points)
    return "no points" if isinstance(spread, str) else f"{len(spread)} points"
