"""A second opinion on a plan: its height, lens places, studs, keystone and shadows worked out anew from the document.

Nothing of core is used but the picture and its border: the formulas are written a second time, the long way round.
"""

import math
from collections.abc import Iterator
from typing import Any

import numpy as np

from gantline.core.height.ceiling import MOST_CELLS
from gantline.core.throw.places import possible
from gantline.job.edits import Edit, apply
from gantline.job.model.throw import ProjectorPlace
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.height import placement
from gantline.stations.size import screen
from gantline.stations.survey import bands, lattice
from gantline.stations.throw import in_front, projected, throw_lens, turned, wanted
from gantline.stations.throw.shadows import shaded
from gantline.stations.throw.turned import setting
from gantline.stations.wall import pair
from tests.heads import lowest_seen_mm

NEAR_WALL_MM = 400.0
EDGE_MM = 4.0  # a place this near the end of its region may be judged either way


def disagreements(made: JobPlan) -> Iterator[str]:
    """Everything in which this opinion differs from the plan, in words."""
    for judge in (height, lens_places, studs, keystone, shadows):
        for said in judge(made):
            yield f"{judge.__name__}: {said}"


def eased(made: JobPlan) -> JobPlan:
    """The same job with the largest picture that fits, where none did: so that lens places, turns and shadows are judged
    more often than a random room allows."""
    clash = next((one for one in made.findings if one.code == "height-clash"), None)
    cure = next((one for one in clash.cures if one.changes), None) if clash else None
    if cure is None:
        return made
    edits = [Edit(pointer=one.pointer, value=one.value, known=one.known) for one in cure.changes]
    return plan(apply(made.ask.job, edits), last=made)


def _field(made: JobPlan, key: str) -> float:
    value = made.figures[key].value
    assert isinstance(value, int | float), key
    return float(value)


def _line(points: list[tuple[float, float]], x: np.ndarray) -> np.ndarray:
    xs, ys = zip(*sorted(points), strict=True)
    return np.asarray(np.interp(x, xs, ys))


def _ceiling(made: JobPlan) -> list[tuple[float, float]]:
    job, datum = made.ask.job, _field(made, "datum")
    return [(one.x_mm, datum + one.up_mm) for one in job.survey.ceiling_readings] or [
        (0.0, _field(made, "ceiling"))
    ]


def _plane(made: JobPlan) -> float:
    return _field(made, "frame_depth") + _field(made, "standoff")


def height(made: JobPlan) -> Iterator[str]:
    """The interval of the frame's top: all bounds, each from its own geometry."""
    job, one, plane = made.ask.job, made.ask(screen), _plane(made)
    center, high = _field(made, "centre_x"), one.overall_height_mm
    left, right = center - one.overall_width_mm / 2, center + one.overall_width_mm / 2
    inner = [x for x, _ in _ceiling(made) if left < x < right]
    lift, gap = _field(made, "lift_on"), _field(made, "ceiling_gap")
    over = float(_line(_ceiling(made), np.array([left, right, *inner])).min())
    upper, lower = (
        [over - max(lift, gap)],
        [_field(made, "lowest_edge") + high, _field(made, "skirting") + high],
    )
    eyes = []
    for seat in job.survey.seats:
        away = seat.from_wall_mm - plane
        if away >= 100.0:
            seated = 1100.0 if seat.eye_mm is None else seat.eye_mm
            eyes.append((away, seated + (seat.platform_mm or 0.0), seat.x_mm))
    upper += [eye + away * math.tan(math.radians(35.0)) + one.border.top_mm for away, eye, _ in eyes]
    edge = left + one.border.side_mm, right - one.border.side_mm
    for eye_of in eyes:
        bottom = lowest_seen_mm(eye_of, eyes, edge, 115.0)
        if bottom > -math.inf:
            lower.append(bottom + one.picture.height_mm + one.border.top_mm)
    through = bool(job.light.fabric.acoustic)
    for box in job.survey.boxes:
        z = box.z_mm or 0.0
        if not (box.x_mm < right and box.x_mm + box.width_mm > left and z < NEAR_WALL_MM):
            continue
        hidden = z < plane and (z + box.depth_mm <= plane or (box.kind == "loudspeaker" and through))
        if box.kind == "soffit":
            upper.append(box.y_mm - max(lift, gap))
        elif box.kind in ("cabinet", "loudspeaker", "furniture") and not hidden:
            lower.append(box.y_mm + box.height_mm + 50.0 + high)
    hung = made.ask(placement).height
    ends = [bound for bound in (hung.low, hung.high) if bound.key.startswith("shift")]
    if not ends:
        if abs(hung.low.y_top_mm - max(lower)) > 0.5:
            yield f"low {hung.low} against {max(lower)}"
        if abs(hung.high.y_top_mm - min(upper)) > 0.5:
            yield f"high {hung.high} against {min(upper)}"
        return
    place = made.ask(in_front)
    y = place.y_mm if place else job.throw.lens_y_mm
    if y is None or _taped(made):
        return
    x = center if job.throw.lens_x_mm is None else job.throw.lens_x_mm
    panel_w, panel_h = _panel(made)
    up, down, offset = _reach_here(made, abs(center - x) / panel_w)
    base = y + offset * panel_h + one.picture.height_mm / 2 + one.border.top_mm
    for bound in ends:
        wanted_mm = base + up * panel_h if bound.key == "shift-upper" else base - down * panel_h
        hard = min(max(wanted_mm, *lower), *upper)
        if min(abs(bound.y_top_mm - wanted_mm), abs(bound.y_top_mm - hard)) > 0.5:
            yield f"{bound} against {wanted_mm}"


def _panel(made: JobPlan) -> tuple[float, float]:
    job, one = made.ask.job, made.ask(screen)
    over = _field(made, "overspill")
    text = job.throw.panel_aspect or "16:9"
    a, b = text.split(":")
    ratio = float(a) / float(b)
    wide = max(
        one.picture.width_mm + 2 * over,
        ratio * (one.picture.height_mm + 2 * over * one.picture.height_mm / one.picture.width_mm),
    )
    return wide, wide / ratio


def _shifts(throw: ProjectorPlace) -> bool:
    """A lens of which only a fixed offset is known has no shift."""
    return throw.offset is None if throw.has_shift is None else throw.has_shift


def _taped(made: JobPlan) -> bool:
    """A picture that was taped on the wall goes before the leaflet's offset; its worked numbers are in stations/test_meeting.py."""
    return bool(made.ask.job.hang.picture) and not _shifts(made.ask.job.throw)


def _reach_here(made: JobPlan, sideways: float) -> tuple[float, float, float]:
    throw = made.ask.job.throw
    if not _shifts(throw):
        return 0.0, 0.0, (-1 if throw.hung else 1) * (0.5 + (throw.offset or 0.0))
    up, down, side = throw.shift_up or 0.0, throw.shift_down or 0.0, throw.shift_side or 0.0
    left = max(0.0, 1 - sideways / side) if throw.reach == "diamond" and side > 0 and up + down > 0 else 1.0
    return up * left, down * left, 0.0


def lens_places(made: JobPlan) -> Iterator[str]:
    """Random places: in the window, in the reach, body and air in the room and in nothing."""
    asked, lens = made.ask(wanted), made.ask(throw_lens)
    if asked is None or lens is None or isinstance(lens, str) or _taped(made):
        return
    job, plane, hung_at = made.ask.job, _plane(made), made.ask(placement)
    panel_w, panel_h = _panel(made)
    if abs(panel_w - made.ask(projected).width_mm) > 1e-6 * panel_w:
        yield f"panel {panel_w} against {made.ask(projected).width_mm}"
        return
    out = np.random.default_rng(7)
    body, wall, deep = asked.body, _field(made, "wall_width"), _field(made, "room_depth")
    near, far = lens.ratio_low * panel_w + plane, lens.ratio_high * panel_w + plane
    for _ in range(24):
        x, y = out.uniform(0, wall), out.uniform(0, 2600)
        z = out.uniform(near - 200, far + 200)
        up, down, offset = _reach_here(made, abs(hung_at.place.centre_x_mm - x) / panel_w)
        side = (job.throw.shift_side or 0.0) if _shifts(job.throw) else 0.0
        need = (hung_at.picture_centre_mm - y) / panel_h - offset
        top = float(_line(_ceiling(made), np.linspace(x - body.left_mm, x + body.right_mm, 200)).min())
        margins = [
            z - near, far - z, (up - need) * panel_h, (need + down) * panel_h, side * panel_w - abs(hung_at.place.centre_x_mm - x),
            x - body.left_mm, wall - x - body.right_mm, y - body.below_mm, top - y - body.above_mm, z - body.wallward_mm, deep - z - body.roomward_mm,
        ]  # fmt: skip
        zone = job.throw.zone
        for at, low, high in (
            (x, zone.x_low_mm, zone.x_high_mm),
            (y, zone.y_low_mm, zone.y_high_mm),
            (z + _field(made, "distance_offset"), zone.z_low_mm, zone.z_high_mm),
        ):
            margins += [at - low if low is not None else 1e6, high - at if high is not None else 1e6]
        frame = made.ask(placement)
        one = frame.place.screen
        boxes = [
            (
                frame.place.left_mm,
                frame.top_mm - one.overall_height_mm,
                0.0,
                one.overall_width_mm,
                one.overall_height_mm,
                plane,
            )
        ]
        boxes += [
            (b.x_mm, b.y_mm, b.z_mm or 0.0, b.width_mm, b.height_mm, b.depth_mm) for b in job.survey.boxes
        ]
        for bx, by, bz, bw, bh, bd in boxes:
            # how far the body is from the box along the axis on which they are farthest apart; negative inside
            gaps = (bx - (x + body.right_mm), x - body.left_mm - bx - bw, by - (y + body.above_mm), y - body.below_mm - by - bh, bz - (z + body.roomward_mm), z - body.wallward_mm - bz - bd)  # fmt: skip
            margins.append(max(gaps))
        worst = min(margins)
        joist = made.ask(wanted).lines  # type: ignore[union-attr]
        if joist is not None:
            plate = (x if joist.axis == "x" else z) + joist.plate_mm
            worst = min(worst, 15.0 - min(abs(plate - c) for c in joist.centres_mm))
        heights = [y for _, y in _ceiling(made)]
        steep = (
            max(heights) - min(heights)
        ) / MOST_CELLS  # a steep ceiling is taken this much too low, at most
        edge = EDGE_MM + asked.slack_mm + (steep if worst > 0 else 0.0)
        if abs(worst) > edge and bool(possible(asked, x, y, z)) != (worst > 0):
            yield f"place {x:.0f} {y:.0f} {z:.0f}: margin {worst:.1f}"


def studs(made: JobPlan) -> Iterator[str]:
    """Every two studs tried; the best by spacing, then by evenness."""
    job, ask = made.ask.job, made.ask
    if (
        job.survey.build == "masonry"
        or job.wall.fix_to in ("backer", "anchors")
        or job.wall.facts
        or job.wall.way in ("cleat", "ledger")
    ):
        return  # holes that are drilled or refused have tests of their own
    first, spacing, wall = (
        _field(made, "stud_first"),
        _field(made, "stud_spacing"),
        _field(made, "wall_width"),
    )
    xs = [first + k * spacing for k in range(-60, 60) if -1e-6 <= first + k * spacing <= wall + 1e-6]
    survey = job.survey
    if (
        survey.stud_readings
        or survey.stud_marks
        or any(one.kind in ("window", "door") for one in survey.fittings)
    ):
        found_studs = ask(lattice)
        xs = (
            list(found_studs.centres_mm) if found_studs else []
        )  # what readings make of studs has tests of its own
    xs = [x for x in xs if not any(band.left_mm <= x <= band.right_mm for band in ask(bands))]
    center, wide, play = (
        _field(made, "centre_x"),
        ask(screen).overall_width_mm,
        max(_field(made, "side_play"), 1.0),
    )
    fixed = job.wall.rule == "fixed"
    wish = _field(made, "fixed_spacing") if fixed else _field(made, "spacing_share") * wide
    free = max(0.0, _field(made, "stud_width") / 2 - 10.0) if fixed else 0.0
    best: tuple[float, float] | None = None
    for a in xs:
        for b in xs:
            if b <= a or abs((a + b) / 2 - center) > play + 1e-6:
                continue
            off = (wish - (b - a)) / 2 if fixed else 0.0
            left, right = a - off, b + off
            clear = 0.0 if fixed else 0.2 * wide
            inside = max(center - left, right - center) <= wide / 2 - 60.0 + 1e-6
            if abs(off) <= free + 1e-6 and inside and min(center - left, right - center) >= clear - 1e-6:
                score = (round(abs(right - left - wish), 6), round(abs((a + b) / 2 - center), 6))
                best = score if best is None else min(best, score)
    found = ask(pair)
    got = (
        None
        if found is None
        else (abs(found.spacing_mm - wish), abs((found.left_mm + found.right_mm) / 2 - center))
    )
    if (best is None) != (got is None) or (
        best and got and max(abs(p - q) for p, q in zip(best, got, strict=True)) > 1e-4
    ):
        yield f"pair {got} against {best}"


def _through(pose: Any, points: np.ndarray) -> np.ndarray:
    """Panel places of wall points, by turning the wall back about the lens: roll, then pitch, then yaw undone."""
    out = []
    for px, py in points:
        x, y, z = px - pose.lens_x_mm, py - pose.lens_y_mm, -pose.distance_mm
        c, s = math.cos(pose.yaw), math.sin(pose.yaw)
        x, z = c * x + s * z, -s * x + c * z
        c, s = math.cos(pose.pitch), math.sin(pose.pitch)
        y, z = c * y + s * z, -s * y + c * z
        c, s = math.cos(pose.roll), math.sin(pose.roll)
        x, y = c * x + s * y, -s * x + c * y
        out.append(
            (x / -z * pose.ratio - pose.shift_h, y / -z * pose.ratio - pose.shift_v / pose.panel_aspect)
        )
    return np.array(out)


def keystone(made: JobPlan) -> Iterator[str]:
    """A turned body: the pose covers the picture and keeps the share it says."""
    found, kept, hung = made.ask(turned), made.ask(setting), made.ask(placement)
    if found is None or kept is None:
        return
    one = hung.place.screen.picture
    half = np.array([one.width_mm, one.height_mm]) / 2
    corners = np.array([hung.place.centre_x_mm, hung.picture_centre_mm]) + half * np.array(
        [(-1, -1), (1, -1), (1, 1), (-1, 1)]
    )
    uv = _through(found.pose, corners)
    if (np.abs(uv) > np.array([0.5, 0.5 / found.pose.panel_aspect]) + 1e-5).any():
        yield f"not covered: {uv.tolist()}"
    x, y = uv.T
    area = 0.5 * abs(sum(x[k] * y[k - 1] - x[k - 1] * y[k] for k in range(4))) * found.pose.panel_aspect
    if abs(area - found.share) > 1e-6:
        yield f"share {found.share} against {area}"


def shadows(made: JobPlan) -> Iterator[str]:
    """The share in shadow, counted over a grid of rays from lens to picture."""
    place, job = made.ask(in_front), made.ask.job
    if place is None or made.ask(wanted) is None or not job.survey.boxes:
        return
    hung, plane = made.ask(placement), _plane(made)
    one = hung.place.screen.picture
    u, v = np.meshgrid((np.arange(60) + 0.5) / 60 - 0.5, (np.arange(40) + 0.5) / 40 - 0.5)
    points = np.stack([hung.place.centre_x_mm + u.ravel() * one.width_mm, hung.picture_centre_mm + v.ravel() * one.height_mm, np.zeros(u.size)], axis=1)  # fmt: skip
    lens = np.array([place.x_mm, place.y_mm, place.distance_mm])
    dark = np.zeros(len(points), dtype=bool)
    for box in job.survey.boxes:
        low = np.array([box.x_mm, box.y_mm, (box.z_mm or 0.0) - plane])
        high = low + np.array([box.width_mm, box.height_mm, box.depth_mm])
        if high[2] <= 0.0 or low[2] >= lens[2]:
            continue
        ray = points - lens
        with np.errstate(divide="ignore", invalid="ignore"):
            a, b = (low - lens) / ray, (high - lens) / ray
        enter, leave = np.fmax.reduce(np.fmin(a, b), axis=1), np.fmin.reduce(np.fmax(a, b), axis=1)
        dark |= (enter < leave) & (leave > 0.0) & (enter < 1.0)
    if abs(dark.mean() - made.ask(shaded)) > 0.03:
        yield f"shaded {made.ask(shaded):.3f} against {dark.mean():.3f}"
