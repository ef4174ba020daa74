"""What stands against a height, and what would cure it. A cure is offered only where it alone would do."""

from collections.abc import Iterator
from dataclasses import replace

from gantline.core.defaults import HeightDefaults, SeatsDefaults
from gantline.core.height.bounds import HeightCase, centre_guidance_mm, room_left_mm
from gantline.core.height.place import WishKind
from gantline.core.height.solve import largest_fitting
from gantline.core.sight.rows import FARTHER_MM, bottoms_mm, move_aside_mm
from gantline.core.sight.rows import ROUNDING_MM as CLEAR_MM
from gantline.core.size.picture import Lead, picture_from
from gantline.core.throw.mount import STANDS_ON
from gantline.core.tolerance import at_most
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.survey import Survey
from gantline.job.model.throw import ProjectorPlace
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Change, Cure, Finding, Severity, cure, found, noted
from gantline.stations.common import fabric_plane_mm, standoff_mm, way_words
from gantline.stations.common import hung as on_ceiling
from gantline.stations.height.limits import behind, low_limit, lower_edge_mm, place
from gantline.stations.height.solve import asked, placement, platforms, raised_mm, target_kind, target_top_mm
from gantline.stations.height.standing import cabinet_top_mm, centre_x_mm
from gantline.stations.size import aspect, diagonal_cure, screen
from gantline.stations.survey import SeatPlace, box_solids, fitting_names, room, seats, wall_mm

SMALLEST_MM = 100.0  # the smallest diagonal a job may have; less is no screen
OPENINGS = ("window", "door")
BY_HAND = {
    "furniture": "Lower the furniture {0}",
    "soffit": "Raise the soffit {0}, or move the screen beside it",
    "neck": "Move the seats back, or choose a smaller picture",
}


ASKED = {
    WishKind.EYE_LINE: "an eye line at",
    WishKind.FRAME_TOP: "the frame top at",
    WishKind.FRAME_BOTTOM: "the frame bottom at",
    WishKind.CEILING_GAP: "a ceiling gap of",
    WishKind.ABOVE_CABINET: "the holes above the cabinet at",
}


class Code(Coded):
    """Every finding of this station."""

    OFF_THE_WALL = "off-the-wall", "past the wall"
    CLASH = "height-clash", "no height fits"
    NO_CABINET = "height-without-cabinet", "no cabinet under it"
    TARGET_HELD = "target-held", "height held back"
    CENTER_HIGH = "center-high", "center high for necks"
    COVERS = "covers", "covers a fitting"
    OFF_MIDDLE = "off-the-middle", "off the middle"
    BEHIND_TOO_DEEP = "behind-too-deep", "fitting behind too deep"


@found
def sideways(at: Ask) -> Iterator[Finding]:
    """A frame past the end of the wall."""
    here, wall = at(place), at(wall_mm)
    out_mm = max(-here.left_mm, here.right_mm - wall)
    if out_mm <= 0.5 or here.screen.overall_width_mm > wall:
        return
    side = "left" if here.left_mm < 0 else "right"
    half = here.screen.overall_width_mm / 2.0
    x_mm = at.up(half) if side == "left" else at.down(wall - half)
    yield Finding(
        code=Code.OFF_THE_WALL,
        severity="stop",
        text=f"The frame stands {at.text(out_mm)} past the {side} end of the wall.",
        subject=field_of(H.centre_x_mm).pointer,
        numbers={"out_mm": out_mm},
        cures=(cure(f"Move the screen center to {at.text(x_mm)} from the left", (H.centre_x_mm, x_mm)),),
    )


@noted
def no_cabinet(at: Ask) -> Iterator[Finding]:
    """A height that is counted from a cabinet nobody surveyed."""
    if at(target_kind) is WishKind.ABOVE_CABINET and at(cabinet_top_mm) is None:
        text = "Survey the cabinet under the screen: the holes are counted from its top, and until then from the floor."
        subject = field_of(Survey.boxes).pointer
        yield Finding(code=Code.NO_CABINET, severity="check", text=text, subject=subject)


@noted
def target(at: Ask) -> Iterator[Finding]:
    """A target that a bound has moved."""
    hung, wanted = at(placement), at(target_top_mm)
    asked_for = at.given(H.wish_mm)
    if asked_for is None or not hung.possible or hung.height.binds == "wish":
        return  # nobody asked for what is only usual
    bound = hung.height.high if wanted > hung.top_mm else hung.height.low
    off_mm, way = abs(wanted - hung.top_mm), "lower" if wanted > hung.top_mm else "higher"
    if off_mm < at.step_mm / 2.0:
        return
    yield Finding(
        code=Code.TARGET_HELD,
        severity="note",
        text=f"You asked for {ASKED[at(target_kind)]} {at.text(asked_for)}. The {bound.name} keeps the frame "
        f"{at.text(off_mm)} {way}.",
        subject=field_of(H.wish_mm).pointer,
        numbers={"off_mm": off_mm},
        cures=tuple(_lens_along(at, bound.key, wanted - hung.top_mm)),
    )


def _lens_along(at: Ask, key: str, by_mm: float) -> Iterator[Cure]:
    """The lens moved by as much as the frame is held off, where only the lens holds it and somebody set its height."""
    lens_y = at.given(ProjectorPlace.lens_y_mm)
    if lens_y is None or "shift" not in key:
        return
    to = at.near(lens_y + by_mm)
    if not 0.0 < to < at(room).ceiling.at(at(centre_x_mm)):
        return
    pole = _pole(at, at.text(abs(by_mm)), up=by_mm > 0.0)
    text = f"Move the lens {way_words(at, 1, by_mm)}, to {at.text(to)} above the floor{pole}"
    yield cure(text, (ProjectorPlace.lens_y_mm, to))


def _pole(at: Ask, by: str, *, up: bool) -> str:
    """What becomes of the pole of a lens that hangs."""
    return f", the pole {by} {'shorter' if up else 'longer'}" if at(on_ceiling) else ""


@noted
def comfort(at: Ask) -> Iterator[Finding]:
    """The center of the picture over the eye line: guidance, warns and does not bind."""
    hung, degrees = at(placement), at.default(SeatsDefaults.neck_centre_deg)
    highest = centre_guidance_mm(hung.place.screen, at(asked).eyes, degrees)
    if highest is None or hung.top_mm <= highest + at.default(SeatsDefaults.neck_felt_mm):
        return
    over_mm = hung.top_mm - highest
    least = at(low_limit)
    free_mm = max(0.0, hung.top_mm - least.y_top_mm) if hung.possible else 0.0
    said = f"The picture's center is more than {degrees:g}° above the eye line of a seat."
    if free_mm < at.default(SeatsDefaults.neck_felt_mm):
        said += f" It cannot hang lower: the {least.name} holds it." if hung.possible else ""
    else:
        said += f" Lowering the screen {at.text(at.down(min(over_mm, free_mm)))} is easier on the neck."
    yield Finding(
        code=Code.CENTER_HIGH,
        severity="check",
        text=said,
        subject=field_of(H.wish_mm).pointer,
        numbers={"over_mm": over_mm},
    )


@found
def covered(at: Ask) -> Iterator[Finding]:
    """The frame over a window, a door or a switch."""
    hung = at(placement)
    half, middle = hung.place.screen.overall_width_mm / 2.0, hung.place.centre_x_mm
    for fitting in at.things(Survey.fittings):
        size = {"bottom_mm": fitting.y_mm, "width_mm": fitting.width_mm, "height_mm": fitting.height_mm}
        if not hung.place.covers(hung.top_mm, left_mm=fitting.x_mm, **size):
            continue
        severity: Severity = "stop" if fitting.kind in OPENINGS else "check"
        right = fitting.x_mm + fitting.width_mm / 2.0 > middle
        clear = at.down(fitting.x_mm - half) if right else at.up(fitting.x_mm + fitting.width_mm + half)
        way = "left" if clear < middle else "right"
        fits = half <= clear <= at(wall_mm) - half
        move = f"Move the screen {at.text(abs(clear - middle))} {way}"
        yield Finding(
            code=Code.COVERS,
            severity=severity,
            text=f"The frame covers the {at(fitting_names)[fitting.id]}.",
            subject=f"{field_of(Survey.fittings).pointer}/{fitting.id}",
            cures=(cure(move, (H.centre_x_mm, clear)),) if fits else (),
        )


@found
def hidden(at: Ask) -> Iterator[Finding]:
    """What stands behind the fabric and is deeper than the room there."""
    hung, plane = at(placement), at(fabric_plane_mm)
    for name, box in at(behind):
        size = {
            "left_mm": box.low[0],
            "bottom_mm": box.low[1],
            "width_mm": box.high[0] - box.low[0],
            "height_mm": box.high[1] - box.low[1],
        }
        out = box.high[2] - plane
        if not hung.place.covers(hung.top_mm, **size) or at_most(out, 0.0):
            continue
        wanted = at.up(at(standoff_mm) + out)
        yield Finding(
            code=Code.BEHIND_TOO_DEEP,
            severity="stop",
            text=f"The {box.name} behind the fabric stands {at.text(out)} out of it.",
            subject=f"{field_of(Survey.boxes).pointer}/{name}",
            numbers={"out_mm": out},
            cures=(
                cure(f"Stand the frame off the wall by {at.text(wanted)}", (FrameBuild.standoff_mm, wanted)),
            ),
        )


@found
def clash(at: Ask) -> Iterator[Finding]:
    """No height fits: which two bounds, by how much."""
    hung = at(placement)
    if hung.possible:
        return
    solved = hung.height
    text = f"The screen does not fit: {at.text(solved.clash_mm)} short between the {solved.low.name} and the {solved.high.name}."
    if solved.low.key == "rows":
        rear, front = at(most_hidden)
        text += (
            f" Any lower, the head at {front.name} hides the lower edge from {rear.name}. Raise {rear.name}, or move one of the "
            "two aside."
        )
    yield Finding(
        code=Code.CLASH,
        severity="stop",
        text=text,
        subject=field_of(H.wish_mm).pointer,
        numbers={"clash_mm": solved.clash_mm},
        ways=(clash_ways,),
    )


def clash_ways(at: Ask) -> tuple[Cure, ...]:
    """The largest size that fits, and what else could give."""
    cures: list[Cure] = []
    fits_mm = _largest(at)
    if fits_mm is not None and fits_mm >= SMALLEST_MM:
        fits_mm = at.down(fits_mm)
        cures.append(diagonal_cure(f"Use the largest diagonal that fits: {at.text(fits_mm)}", fits_mm))
    return (*cures, *_give(at))


def _give(at: Ask) -> Iterator[Cure]:
    """What else could give, each tried against all bounds."""
    height_case, solved = at(asked), at(placement).height
    needed = at.up(solved.clash_mm)
    keys, count = (solved.low.key, solved.high.key), 0
    for each in (
        *_gap(at, height_case, needed),
        *_edge(at, height_case, needed),
        *_lens(at, height_case, needed),
        *_rows(at, height_case),
        *_aside(at, height_case),
    ):
        yield each
        count += 1
    for key in keys:
        if key in BY_HAND:
            yield Cure(text=BY_HAND[key].format(at.text(needed)))
            count += 1
    if not count:
        give = max(0.0, height_case.place.ceiling_gap_mm - height_case.place.lift_on_mm)
        edge = at.text(height_case.place.lowest_edge_mm)
        yield Cure(text=f"Using the whole ceiling gap gains {at.text(give)}; lowering the edge gains {edge}.")


def _gap(at: Ask, height_case: HeightCase, needed: float) -> Iterator[Cure]:
    gap = at.down(height_case.place.ceiling_gap_mm - needed)
    tried = replace(height_case, place=replace(height_case.place, ceiling_gap_mm=gap))
    if at_most(height_case.place.lift_on_mm, gap) and at_most(0.0, room_left_mm(tried)):
        yield cure(f"Reduce the ceiling gap to {at.text(gap)}", (H.ceiling_gap_mm, gap))


def _edge(at: Ask, height_case: HeightCase, needed: float) -> Iterator[Cure]:
    edge = at.down(height_case.place.lowest_edge_mm - needed)
    tried = replace(height_case, place=replace(height_case.place, lowest_edge_mm=edge))
    if at_most(0.0, edge) and at_most(0.0, room_left_mm(tried)):
        text = f"Lower the lowest edge to {at.text(edge)}, if the furniture allows"
        yield cure(text, (H.lowest_edge_mm, edge))


def _lens(at: Ask, height_case: HeightCase, needed: float) -> Iterator[Cure]:
    solved = at(placement).height
    if height_case.lens is None or "shift" not in solved.low.key + solved.high.key:
        return
    up = "shift" in solved.high.key
    y = at.up(height_case.lens.y_mm + needed) if up else at.down(height_case.lens.y_mm - needed)
    if y >= 0.0 and at_most(0.0, room_left_mm(replace(height_case, lens=replace(height_case.lens, y_mm=y)))):
        by = at.text(abs(y - height_case.lens.y_mm))
        text = f"Move the lens {by} {'up' if up else 'down'}, to {at.text(y)} above the floor{_pole(at, by, up=up)}"
        yield cure(text, (ProjectorPlace.lens_y_mm, y))


def _rows(at: Ask, height_case: HeightCase) -> Iterator[Cure]:
    """Platforms, with the frame as high as the other bounds let it go."""
    solved, picture = at(placement).height, height_case.place.screen
    if "rows" not in (solved.low.key, solved.high.key):
        return
    bottom = solved.high.y_top_mm - picture.border.top_mm - picture.picture.height_mm
    needed = at(raised_mm, bottom)
    there = zip(at(seats), needed, strict=True)
    eyes = tuple(replace(seat.eye, eye_mm=seat.seated_mm + high) for seat, high in there)
    if at_most(0.0, room_left_mm(replace(height_case, eyes=eyes)), CLEAR_MM):
        yield from platforms(at, needed)


def most_hidden(at: Ask) -> tuple[SeatPlace, SeatPlace]:
    """The seat that asks for the highest lower edge, and the one whose head is in its way. Only where a head is."""
    sitting, clear = at(seats), at.default(SeatsDefaults.head_clear_mm)
    lose = at.default(SeatsDefaults.edge_lost_share)
    pairs = bottoms_mm([seat.eye for seat in sitting], at(lower_edge_mm), clear_mm=clear, lose=lose)
    rear, front = max(pairs, key=lambda pair: pairs[pair])
    return sitting[rear], sitting[front]


def _aside(at: Ask, height_case: HeightCase) -> Iterator[Cure]:
    """The head that is most in the way, moved out of the sight triangle by as little as it takes."""
    if at(placement).height.low.key != "rows":
        return
    sitting, edge = at(seats), height_case.place.edge_mm
    eyes = [seat.eye for seat in sitting]
    hidden_from, in_the_way = at(most_hidden)
    front = sitting.index(in_the_way)
    watching = [eye for eye in eyes if eye.distance_mm - eyes[front].distance_mm >= FARTHER_MM]
    moves = {by for eye in watching for by in move_aside_mm(eye, eyes[front], edge)}
    for by in sorted(moves, key=abs):
        x_mm = at.up(eyes[front].x_mm + by) if by > 0.0 else at.down(eyes[front].x_mm + by)
        moved = [replace(eye, x_mm=x_mm) if k == front else eye for k, eye in enumerate(eyes)]
        inside = 0.0 <= x_mm <= at(wall_mm)
        if inside and at_most(0.0, room_left_mm(replace(height_case, eyes=tuple(moved))), CLEAR_MM):
            way = "right" if by > 0.0 else "left"
            seat, far = sitting[front], at.text(abs(x_mm - eyes[front].x_mm))
            text = f"Move {seat.name} {far} to the {way}, out of the way of {hidden_from.name}"
            yield Cure(text=text, changes=(Change(pointer=f"/survey/seats/{seat.id}/x_mm", value=x_mm),))
            return


def _largest(at: Ask) -> float | None:
    """Largest diagonal at this aspect ratio, with the same borders, gaps and center [mm]."""
    height_case, ratio, now = at(asked), at(aspect), at(screen)

    def room_mm(diagonal_mm: float) -> float:
        picture = picture_from(Lead.DIAGONAL, diagonal_mm, ratio)
        return room_left_mm(
            replace(height_case, place=replace(height_case.place, screen=replace(now, picture=picture)))
        )

    return largest_fitting(room_mm, most_mm=now.picture.diagonal_mm)


@noted
def over_furniture(at: Ask) -> Iterator[Finding]:
    """A piece of furniture under the screen whose middle is not the screen's, which everybody sees."""
    middle, half = at(centre_x_mm), at(screen).overall_width_mm / 2.0
    pieces = [
        box
        for _, kind, box in at(box_solids)
        if kind in STANDS_ON
        and box.low[0] < middle < box.high[0]
        and box.low[2] < at.default(HeightDefaults.along_wall_mm)
    ]
    if len(pieces) != 1:
        return  # none, or several: which of them the eye goes by is not ours to say
    box = pieces[0]
    center = (box.low[0] + box.high[0]) / 2.0
    off = center - middle
    seen, most = at.default(HeightDefaults.off_middle_mm), at.default(HeightDefaults.beside_share)
    if not seen <= abs(off) <= most * (box.high[0] - box.low[0]):
        return
    to = at.near(center)
    fits_there = (
        cure(f"Center the screen on the {box.name}, {at.text(to)} from the left", (H.centre_x_mm, to)),
    )
    yield Finding(
        code=Code.OFF_MIDDLE,
        severity="note",
        text=f"The middle of the {box.name} is {way_words(at, 0, off)} of the screen's center.",
        subject=field_of(H.centre_x_mm).pointer,
        cures=fits_there if half <= to <= at(wall_mm) - half else (),
    )


FINDINGS = (sideways, clash, covered, hidden, over_furniture, no_cabinet, target, comfort)
