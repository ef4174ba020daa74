"""All the shop's projectors for this screen: from the place that is set, and anywhere in the room."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import product
from typing import Any

from gantline.compare.light_measures import at_main_seat, light_measures
from gantline.compare.side_by_side import MeasureCell, MeasureRow, Verdict, verdict_of
from gantline.compare.sizes import main_pixel
from gantline.compare.verdict import against
from gantline.core.sight.angles import PIXEL_SEEN
from gantline.core.space import Point3
from gantline.core.throw.mount import joist_choices
from gantline.core.throw.places import LensCase, freedom, possible, search
from gantline.core.throw.shift import fixed_offset
from gantline.core.throw.sizes import Aim, filled_diagonal_mm, panel_widths_mm
from gantline.core.throw.ways import STANDING_MM, best_place, into_zone, search_grid
from gantline.core.throw.window import Lens
from gantline.job.edits import Edit, apply
from gantline.job.ends import STORED
from gantline.job.model import Job
from gantline.job.model.throw import ProjectorPlace as P
from gantline.job.records import RecordKind, edits_from, stored_edits
from gantline.job.records.projector import ProjectorRecord
from gantline.plan.ask import Ask
from gantline.plan.code import in_short
from gantline.plan.finding import Change, change
from gantline.stations.common import (
    distance_offset_mm,
    has_shift,
    hung,
    is_turned,
    overspill_mm,
    place_slack_mm,
    ratios,
)
from gantline.stations.height import centre_x_mm, lens_y_mm, placement, rect_of_picture, under
from gantline.stations.size import screen
from gantline.stations.survey import depth_mm, wall_mm
from gantline.stations.throw import fits, projected, throw_lens, wanted
from gantline.stations.throw.codes import Code
from gantline.stations.throw.lens import in_front, lens_from_wall_mm, out_mm, window
from gantline.stations.throw.places import zone

Record = tuple[str, str, Mapping[str, Any]]
AGAINST = ("height", "throw", "light")
FITS = "fits from here"


@dataclass(frozen=True, slots=True, kw_only=True)
class ProjectorRow:
    """One projector of the stores: from the place that is set, in words, and where in the room it could be.

    spare: how far its lens may still be off on its nearer side, each way alone, in words; spare_mm: the ends of that along x,
    y and z, from the lens; sizes: what it could fill from here; place: where it could be, place_mm x and z of that from the
    left wall end and the bare wall, with the changes that put it there (none where it can be nowhere).
    """

    key: str
    name: str
    category: str
    fits: bool
    chosen: bool
    judged: Verdict
    spare: str
    spare_mm: tuple[tuple[float, float], ...]
    sizes: str
    place: str
    place_mm: tuple[float, float] | None
    changes: tuple[Change, ...]

    @property
    def title(self) -> str:
        """What it is called."""
        return self.name


@dataclass(frozen=True, slots=True, kw_only=True)
class ProjectorTable:
    """The projectors, those that fit here first, with what each has of every measure; the place in words; the floor to draw
    a place on [mm]: wall, depth, the screen's left and right edge."""

    rows: tuple[ProjectorRow, ...]
    measures: tuple[MeasureRow, ...]
    here: str
    floor_mm: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Trial:
    """One record in this room, and what its lens is asked for anywhere in it. past: its numbers that are past their ends."""

    record: Record
    about: ProjectorRecord
    at: Ask
    wanted: LensCase | None
    past: str


def projector_table(at: Ask, records: Sequence[Record]) -> ProjectorTable:
    """Every projector at the lens's place, and searched for over the room."""
    tried = [_try(at, record) for record in records]
    found = [(_row(at, trial, place), trial) for trial, place in zip(tried, _places(at, tried), strict=True)]
    found.sort(key=lambda each: (not each[0].fits, not each[0].changes, -_luminance(each[1].at)))
    y, z = at(lens_y_mm, at(centre_x_mm)), at(lens_from_wall_mm)
    here = (
        f"lens {at.text(z)} from the wall, {at.text(y)} above the floor"
        if y is not None and z is not None
        else ""
    )
    left, _, right, _ = at(rect_of_picture)
    return ProjectorTable(
        rows=tuple(row for row, _ in found),
        measures=tuple(_measures([trial for _, trial in found])),
        here=here,
        floor_mm=(at(wall_mm), at(depth_mm), left, right),
    )


def _luminance(at: Ask) -> float:
    lit = at_main_seat(at)
    return lit.luminance if lit else 0.0


def _measures(tried: Sequence[Trial]) -> Iterator[MeasureRow]:
    """What is held against each other; what no record tells is left out."""
    yield from light_measures([trial.at for trial in tried])
    noise = [trial.about.noise_db for trial in tried]
    if any(value is not None for value in noise):
        cells = tuple(MeasureCell(text="" if value is None else f"{value:g}", value=value) for value in noise)
        yield MeasureRow(key="noise", short="Noise", label="Noise", unit="dB", better="low", cells=cells)
    price = [trial.about.price for trial in tried]
    if any(value is not None for value in price):
        cells = tuple(
            MeasureCell(text="" if value is None else f"{value:,.0f}", value=value) for value in price
        )
        yield MeasureRow(key="price", short="Price", label="Price", better="low", cells=cells)
    pixels = [main_pixel(trial.at) for trial in tried]
    if any(value is not None for value in pixels):
        cells = tuple(
            MeasureCell(text="")
            if value is None
            else MeasureCell(text=f"{value:.1f}", wanted=value <= PIXEL_SEEN, value=value)
            for value in pixels
        )
        wanted = f"up to {PIXEL_SEEN:g}"
        yield MeasureRow(
            key="pixel", short="Pixel", label="Pixel", unit="arcmin", wanted=wanted, better="low", cells=cells
        )


def _try(at: Ask, record: Record) -> Trial:
    edits, past = stored_edits(RecordKind.PROJECTOR, record[1], record[2], at.job)
    # the picture was taped with this job's own projector
    untaped = at.job.model_copy(update={"hang": at.job.hang.model_copy(update={"picture": []})})
    variant = at.with_job(apply(untaped, edits))
    about = ProjectorRecord.model_validate(dict(record[2]), context={STORED: True})
    return Trial(record=record, about=about, at=variant, wanted=_anywhere(variant), past=past)


def _anywhere(at: Ask) -> LensCase | None:
    """What the lens is asked for when no place binds the picture: with the lens where it needs no shift."""
    if at(in_front) is not None:
        found = at(wanted)
        if found is not None:
            return found
    loose = at.with_job(_with_throw(at.job, lens_y_mm=None))
    both, panel = at(ratios), at(projected)
    if both is None or not loose(placement).possible:
        return None
    offset = 0.0
    if not at(has_shift):
        offset = fixed_offset(at.field(P.offset), from_ceiling=at(hung)) * panel.height_mm
    aimed = _with_throw(
        at.job,
        lens_y_mm=max(0.0, loose(placement).picture_centre_mm - offset),
        lens_x_mm=at(centre_x_mm),
        lens_from_wall_mm=both[0] * panel.width_mm + at(out_mm),
    )
    variant = at.with_job(aimed)
    return variant(wanted) if variant(in_front) is not None else None


def _with_throw(job: Job, **update: float | None) -> Job:
    return job.model_copy(update={"throw": job.throw.model_copy(update=update)})


def _places(at: Ask, tried: Sequence[Trial]) -> list[Point3 | None]:
    """A place (x, y, z of the pupil from the wall) for each, on a joist where one is wanted."""
    known = [attempt.wanted for attempt in tried if attempt.wanted is not None]
    if not known:
        return [None] * len(tried)
    own, near = at.given(P.lens_y_mm), at.given(P.lens_from_wall_mm)
    x, y = search_grid(known, own)
    found = zip(*search(known, x, y), strict=True)
    places: list[Point3 | None] = []
    for placing in tried:
        if placing.wanted is None:
            places.append(None)
            continue
        stands = _standing(placing)
        if stands is not None:
            _ = next(found)
            places.append(stands)
            continue
        under = placing.wanted.room.high[1] - placing.wanted.body.above_mm
        height = own if own is not None else under if at(hung) else STANDING_MM
        z = None if near is None else near - placing.at(distance_offset_mm)
        places.append(best_place(placing.wanted, *next(found), x, y, height_mm=height, near_mm=z))
    return places


def _standing(tried: Trial) -> Point3 | None:
    """Where a cabinet-top projector stands on its surveyed cabinet; no other place is looked for."""
    at = tried.at
    place, area = at(in_front), at(zone)
    if place is None or at(under, at(centre_x_mm)) is None:
        return None
    outside = area is not None and into_zone(area, place.from_wall, tolerance_mm=at(place_slack_mm))
    return None if outside else place.from_wall


def _row(at: Ask, tried: Trial, place: Point3 | None) -> ProjectorRow:
    (key, name, _), its = tried.record, tried.at
    stops, checks = against(its, "stop", AGAINST), against(its, "check", ("throw",))
    good = its(fits) and not stops and not tried.past
    changes, then = _changes(at, tried, place)
    spare = _spare(its) if good else ()
    judged = verdict_of(stops, checks, _spare_text(its, spare) or FITS, tried.past)
    if not good and not judged.severity:
        judged = Verdict(severity="check", short=in_short(Code.NO_LENS_PLACE), reason="Place the lens first.")
    return ProjectorRow(
        key=key,
        name=name,
        category=tried.about.sort,
        fits=good,
        chosen=at.given(P.name) == name,
        judged=judged,
        spare=_spare_text(its, spare),
        spare_mm=spare,
        sizes=_sizes(its),
        place=_place_text(tried, place) + _still(then),
        place_mm=None if place is None else (place[0], place[2] + its(distance_offset_mm)),
        changes=changes,
    )


def _spare(at: Ask) -> tuple[tuple[float, float], ...]:
    """How far the lens may still go along x, y and z, each way alone [mm], low ends at most 0 and high ones at least; none
    where that is not known."""
    place, asked, distances = at(in_front), at(wanted), at(window)
    if place is None or asked is None or distances is None or at(is_turned):
        return ()
    spans = freedom(replace(asked, lines=None), place.from_wall)
    if spans is None:
        return ()
    return tuple(
        (min(0.0, low - here), max(0.0, high - here))
        for here, (low, high) in zip(place.from_wall, spans, strict=True)
    )


def _spare_text(at: Ask, spare: tuple[tuple[float, float], ...]) -> str:
    distances = at(window)
    if not spare or distances is None:
        return ""
    aside, up, along = (at.text(min(-low, high)) for low, high in spare)
    forward = "at its one distance" if distances.near_mm == distances.far_mm else f"{along} forward or back"
    return f"spare: {forward}, {up} up or down, {aside} sideways"


def _sizes(at: Ask) -> str:
    """Diagonals this projector can fill from the lens's place, the picture's center kept."""
    place, asked, lens = at(in_front), at(wanted), at(throw_lens)
    if place is None or asked is None or not isinstance(lens, Lens):
        return ""
    panel, picture, over = at(projected), at(screen).picture, at(overspill_mm)
    aim = Aim(
        distance_mm=place.distance_mm,
        rise_mm=asked.picture_y_mm - place.y_mm,
        aside_mm=asked.picture_x_mm - place.x_mm,
        offset=asked.offset,
    )
    aspect = panel.width_mm / panel.height_mm
    panel_widths = panel_widths_mm(lens, asked.reach, aim, aspect, slack_mm=asked.slack_mm)
    if panel_widths is None:
        return "none"
    share = panel.width_mm / (picture.width_mm + 2.0 * over)
    low, high = (at.text(max(0.0, filled_diagonal_mm(wide, picture, share, over))) for wide in panel_widths)
    return low if low == high else f"{low} to {high}"


def _place_text(tried: Trial, place: Point3 | None) -> str:
    asked, at = tried.wanted, tried.at
    stood = at(under, at(centre_x_mm))
    if asked is None or place is None:
        if at(zone) is not None:
            return "nowhere in its zone"
        return "nowhere in this room" if stood is None else f"on the {stood[1].name}, where it does not fit"
    x, y, z = place
    on = (
        "" if stood is None else f", on the {stood[1].name}" + ("" if at(fits) else ", where it does not fit")
    )
    if asked.lines is not None and asked.lines.axis == "x":
        on = f", joist {joist_choices(asked.lines.centres_mm, x, asked.lines.plate_mm)[0].number}"
    return f"{at.text(z + at(distance_offset_mm))} from the wall, {at.text(y)} high{on}"


def _still(then: Ask | None) -> str:
    """What would still be against that place, a shadow for instance: the search asks only for lens and body."""
    stop = "" if then is None else next((one.text for one in against(then, "stop")), "")
    return f". Then: {stop}" if stop else ""


def _changes(at: Ask, tried: Trial, place: Point3 | None) -> tuple[tuple[Change, ...], Ask | None]:
    """Take the projector and put its lens there, in one go, and the job with that; not one whose record must be edited first,
    and none that does not fit: at the rim of its window the tape's rounding can be too much."""
    if place is None or tried.wanted is None or tried.past:
        return (), None
    _, name, record = tried.record
    taken = tuple(
        Change(pointer=one.pointer, value=one.value)  # type: ignore[arg-type]
        for one in edits_from(RecordKind.PROJECTOR, name, record, at.job)
    )
    if _standing(tried) is None:
        set_to = _on_the_tape(at, tried.wanted, place, tried.at(distance_offset_mm))
        if set_to is None:
            return (), None
        x, y, z = set_to
        taken += (change(P.lens_x_mm, x), change(P.lens_y_mm, y), change(P.lens_from_wall_mm, z))
        if at(is_turned):
            taken += tuple(change(turn, None) for turn in (P.yaw_deg, P.pitch_deg, P.roll_deg))
    then = at.with_job(apply(at.job, [Edit(pointer=one.pointer, value=one.value) for one in taken]))
    return (taken, then) if then(fits) else ((), None)


def _on_the_tape(at: Ask, asked: LensCase, place: Point3, out_mm: float) -> Point3 | None:
    """A place as it can be set with a tape, its distance to the measuring point [mm]: the nearest of the steps round it
    from which the lens still does it all; None where none does."""
    exact = (place[0], place[1], place[2] + out_mm)
    steps = product(*((at.down(along), at.up(along)) for along in exact))
    for x, y, z in sorted(steps, key=lambda one: math.dist(one, exact)):
        if bool(possible(asked, x, y, z - out_mm)):
            return x, y, z
    return None
