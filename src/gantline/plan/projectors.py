"""All the shop's projectors for this screen: from the place that is set, and anywhere in the room."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gantline.core.defaults import Shop
from gantline.core.size.aspect import read_aspect
from gantline.core.size.picture import with_overspill
from gantline.core.throw.mount import joist_choices
from gantline.core.throw.places import Wanted, freedom, search
from gantline.core.throw.shift import fixed_offset
from gantline.core.throw.sizes import Aim, panel_widths_mm
from gantline.core.throw.window import Lens, panel_image
from gantline.core.units import Units, length_text
from gantline.job.document import Job
from gantline.job.edits import Edit, apply
from gantline.job.projector_record import ProjectorRecord
from gantline.job.records import RecordKind, edits_from
from gantline.plan.figures import Change
from gantline.plan.plan import Planned, plan

COLUMNS, ROWS = 49, 121  # the search's grid over the room's width and height
ENOUGH_MM = 500.0  # a longer clear stretch makes a place no better
STANDING_MM = 800.0  # a lens on a usual shelf, where nothing is said of its height
Record = tuple[str, str, Mapping[str, Any]]
Place = tuple[float, float, float]
Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True, kw_only=True)
class Tried:
    """One record planned in this room, and what its lens is asked for anywhere in it.

    out_mm: from its pupil out to the point its distances are measured to.
    """

    record: Record
    made: Planned
    wanted: Wanted | None
    out_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ProjectorRow:
    """One projector of the stores: from the place that is set, in words, and where in the room it could be.

    verdict is the first thing against it here; sizes what it could fill from here; place where it could be,
    with the changes that put it there (none where it can be nowhere).
    """

    key: str
    name: str
    sort: str
    fits: bool
    chosen: bool
    verdict: str
    margin: str
    luminance: str
    contrasts: tuple[str, ...]
    bands: tuple[str, ...]
    pixels: str
    noise: str
    price: str
    sizes: str
    place: str
    changes: tuple[Change, ...]
    sorts: dict[str, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class ProjectorTable:
    """The projectors, those that fit here first; the light states of the contrasts; the place in words."""

    rows: tuple[ProjectorRow, ...]
    states: tuple[str, ...]
    here: str


def projector_table(job: Job, shop: Shop, records: Sequence[Record]) -> ProjectorTable:
    """Every projector planned at the lens's place, and searched for over the room.

    Cost: one brief plan a projector and one search over all.
    """
    units = job.units.to_core()
    tried = [_try(job, shop, record) for record in records]
    rows = [_row(job, shop, units, one, place) for one, place in zip(tried, _places(tried, job), strict=True)]
    rows.sort(key=lambda row: (not row.fits, not row.changes, -row.sorts["luminance"]))
    given = job.throw
    here = ""
    if given.lens_y_mm is not None and given.lens_from_wall_mm is not None:
        here = f"lens {length_text(given.lens_from_wall_mm, units)} from the wall, {length_text(given.lens_y_mm, units)} above the floor"
    return ProjectorTable(rows=tuple(rows), states=tried[0].made.plan.light_states if tried else (), here=here)


def _places(tried: Sequence[Tried], job: Job) -> list[Place | None]:
    """A place (x, y, z of the pupil from the wall) for each, on a joist where one is wanted."""
    wanted = [one.wanted for one in tried]
    known = [one for one in wanted if one is not None]
    if not known:
        return [None] * len(tried)
    x, y = _grid(known, job)
    found = zip(*search(known, x, y), strict=True)
    return [None if one.wanted is None else _best(one, *next(found), x, y, job) for one in tried]


def _grid(wanted: Sequence[Wanted], job: Job) -> tuple[Floats, Floats]:
    """x: the joists' lens places, or across the room with the picture's centre; y: up the room, with the lens's own
    height and the heights that need no shift: a lens with a fixed offset has no other, and a grid would miss it."""
    first = wanted[0]
    room = first.room if first.zone is None else first.room.within(first.zone)
    if first.lines is not None and first.lines.axis == "x":
        choices = joist_choices(first.lines.centres_mm, first.picture_x_mm, first.lines.plate_mm)
        x = np.array(sorted(one.lens_mm for one in choices))
    else:
        x = np.append(np.linspace(room.low[0], room.high[0], COLUMNS), first.picture_x_mm)
    own = [] if job.throw.lens_y_mm is None else [job.throw.lens_y_mm]
    rest = [one.picture_y_mm - one.offset * one.panel.height_mm for one in wanted]
    return x, np.array([*np.linspace(room.low[1], room.high[1], ROWS), *own, *rest])


def _best(tried: Tried, free: Floats, middle: Floats, x: Floats, y: Floats, job: Job) -> Place | None:
    """Near the picture's centre line and near the height it would stand or hang at: what needs the least shift and pole."""
    wanted = tried.wanted
    if wanted is None or not (free > 0.0).any():
        return None
    hung = wanted.room.high[1] - wanted.body.above_mm
    height = job.throw.lens_y_mm if job.throw.lens_y_mm is not None else hung if job.throw.hung else STANDING_MM
    score = np.minimum(free, ENOUGH_MM) - np.abs(x - wanted.picture_x_mm)[:, None] - np.abs(y - height)[None, :]
    column, row = np.unravel_index(np.argmax(np.where(free > 0.0, score, -np.inf)), free.shape)
    z, half = float(middle[column, row]), float(free[column, row]) / 2.0
    if job.throw.lens_from_wall_mm is not None:
        z = min(max(job.throw.lens_from_wall_mm - tried.out_mm, z - half), z + half)
    return float(x[column]), float(y[row]), z


def _anywhere(job: Job, shop: Shop, made: Planned) -> Wanted | None:
    """What the lens is asked for when no place binds the picture: planned with the lens where it needs no shift."""
    if made.scene.beam is not None and made.scene.beam.wanted is not None:
        return made.scene.beam.wanted
    loose = job.throw.model_copy(update={"lens_y_mm": None})
    hung = plan(job.model_copy(update={"throw": loose}), shop, brief=True).hung
    if not hung.possible or job.throw.ratio_low is None:
        return None
    overspill = shop["overspill_mm"] if job.size.overspill_mm is None else job.size.overspill_mm
    panel = panel_image(with_overspill(hung.place.screen.picture, overspill), read_aspect(job.throw.panel_aspect))
    at = hung.picture_centre_mm - (
        0.0 if job.throw.has_shift else fixed_offset(job.throw.offset, from_ceiling=job.throw.hung) * panel.height_mm
    )
    out = made.scene.fabric_z_mm + job.throw.distance_offset_mm
    aimed = {
        "lens_y_mm": max(0.0, at),
        "lens_x_mm": hung.place.centre_x_mm,
        "lens_from_wall_mm": job.throw.ratio_low * panel.width_mm + out,
    }
    beam = plan(job.model_copy(update={"throw": job.throw.model_copy(update=aimed)}), shop, brief=True).scene.beam
    return None if beam is None else beam.wanted


def _try(job: Job, shop: Shop, record: Record) -> Tried:
    with_it = apply(job, edits_from(RecordKind.PROJECTOR, record[1], record[2]))
    made = plan(with_it, shop, brief=True)
    return Tried(record=record, made=made, wanted=_anywhere(with_it, shop, made), out_mm=with_it.throw.distance_offset_mm)


def _row(job: Job, shop: Shop, units: Units, tried: Tried, place: Place | None) -> ProjectorRow:
    (key, name, body), made = tried.record, tried.made
    found, beam = made.plan, made.scene.beam
    about = ProjectorRecord.model_validate(dict(body))
    against = [one for one in found.findings if one.station in ("height", "throw", "light") and one.severity == "stop"]
    minds = [one for one in found.findings if one.station == "throw" and one.severity == "mind"]
    lit = next((row for row in found.seat_light if row.main), None)
    main = next((row for row in found.seats if row.main), None)
    fits = beam is not None and beam.fits and not against
    changes = _changes(tried, units, place)
    return ProjectorRow(
        key=key, name=name, sort=about.sort, fits=fits, chosen=job.throw.name == name,
        verdict=against[0].text if against else minds[0].text if minds else "" if fits else "waits for a lens place",
        margin=_margin(made, units) if fits else "", luminance=lit.luminance if lit else "", contrasts=lit.contrasts if lit else (),
        bands=lit.bands if lit else (), pixels=main.pixel if main else "", noise="" if about.noise_db is None else f"{about.noise_db:g} dB",
        price="" if about.price is None else f"{about.price:,.0f}".replace(",", " "), sizes=_sizes(job, shop, units, made),
        place=_place_text(tried, units, place) + _still(job, shop, changes), changes=changes,
        sorts={"luminance": float(lit.luminance) if lit else 0.0, "price": about.price or 0.0, "noise": about.noise_db or 0.0},
    )  # fmt: skip


def _margin(made: Planned, units: Units) -> str:
    """How far the lens could still be off on its nearer side, each way alone, and still be where it can be."""
    beam = made.scene.beam
    if beam is None or beam.wanted is None or beam.turned is not None:
        return ""
    place = (beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm + made.scene.fabric_z_mm)
    spans = freedom(replace(beam.wanted, lines=None), place)
    if spans is None:
        return ""
    aside, up, along = (
        length_text(max(0.0, min(at - low, high - at)), units) for at, (low, high) in zip(place, spans, strict=True)
    )
    fixed = beam.window.near_mm == beam.window.far_mm
    return f"{'at its one distance' if fixed else f'{along} to and fro'}, {up} up or down, {aside} aside"


def _sizes(job: Job, shop: Shop, units: Units, made: Planned) -> str:
    """Diagonals this projector can fill from the lens's place, the picture's centre kept."""
    beam = made.scene.beam
    if beam is None or beam.wanted is None or beam.distance_mm <= 0.0:
        return ""
    wanted, picture = beam.wanted, made.sized.screen.picture
    lens = Lens(ratio_low=beam.window.near_mm / beam.panel.width_mm, ratio_high=beam.window.far_mm / beam.panel.width_mm)
    aim = Aim(
        distance_mm=beam.distance_mm, rise_mm=wanted.picture_y_mm - beam.lens_y_mm, aside_mm=wanted.picture_x_mm - beam.lens_x_mm,
        offset=wanted.offset,
    )  # fmt: skip
    aspect = beam.panel.width_mm / beam.panel.height_mm
    found = panel_widths_mm(lens, wanted.reach, aim, aspect, slack_mm=wanted.slack_mm)
    if found is None:
        return "none"
    overspill = shop["overspill_mm"] if job.size.overspill_mm is None else job.size.overspill_mm
    share = beam.panel.width_mm / (picture.width_mm + 2.0 * overspill)
    ends = [(width / share - 2.0 * overspill) * picture.diagonal_mm / picture.width_mm for width in found]
    low, high = (length_text(max(0.0, end), units) for end in ends)
    return low if low == high else f"{low} to {high}"


def _place_text(tried: Tried, units: Units, place: Place | None) -> str:
    wanted = tried.wanted
    if wanted is None or place is None:
        return "nowhere in this room" if wanted is None or wanted.zone is None else "nowhere in its zone"
    x, y, z = place
    on = ""
    if wanted.lines is not None and wanted.lines.axis == "x":
        on = f", joist {joist_choices(wanted.lines.centres_mm, x, wanted.lines.plate_mm)[0].number}"
    return f"{length_text(z + tried.out_mm, units)} from the wall, {length_text(y, units)} high{on}"


def _still(job: Job, shop: Shop, changes: tuple[Change, ...]) -> str:
    """What would still be against that place, a shadow for instance: the search asks only for lens and body."""
    if not changes:
        return ""
    there = plan(apply(job, [Edit(pointer=one.pointer, value=one.value) for one in changes]), shop, brief=True)
    stop = next((one.text for one in there.plan.findings if one.severity == "stop"), "")
    return f". Then: {stop}" if stop else ""


def _changes(tried: Tried, units: Units, place: Place | None) -> tuple[Change, ...]:
    """Take the projector and put its lens there, in one go. A zoom's place goes onto the grid."""
    if place is None or tried.wanted is None:
        return ()
    _, name, record = tried.record
    taken = tuple(Change(pointer=one.pointer, value=one.value) for one in edits_from(RecordKind.PROJECTOR, name, record))  # type: ignore[arg-type]
    grid, (x, y, z) = float(units.grid), place
    out, near, far = tried.out_mm, tried.wanted.near_mm, tried.wanted.far_mm
    if near < far:
        z = min(max(round((z + out) / grid) * grid - out, near), far)
    return (
        *taken,
        Change(pointer="/throw/lens_x_mm", value=x), Change(pointer="/throw/lens_y_mm", value=y),
        Change(pointer="/throw/lens_from_wall_mm", value=z + out),
    )  # fmt: skip
