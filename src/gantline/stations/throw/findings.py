"""What stands against a lens place: window, shift, tilt, turned body."""

import math
from collections.abc import Iterator
from dataclasses import replace

from gantline.core.defaults import ThrowDefaults
from gantline.core.height.bounds import bounds
from gantline.core.height.place import WishKind
from gantline.core.height.solve import solve_height
from gantline.core.throw.keystone import tilt_needed
from gantline.core.throw.shift import ShiftNeed, near_edge_share, shift_need
from gantline.core.throw.sizes import filled_diagonal_mm
from gantline.core.throw.window import Lens
from gantline.job.field import field_of
from gantline.job.model.height import HeightTarget
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.finding import Cure, Finding, change, cure, found, noted
from gantline.stations.common import (
    CABINET,
    hung,
    is_turned,
    mount_kind,
    overspill_mm,
    percent,
    ratios,
    way_words,
)
from gantline.stations.height import (
    Placement,
    asked,
    centre_x_mm,
    lens_y_mm,
    placement,
    sheet_offset,
    taped_offset,
    taped_ratio,
)
from gantline.stations.size import diagonal_cure, screen
from gantline.stations.throw.codes import Code
from gantline.stations.throw.lens import (
    distance_mm,
    in_front,
    lens_place,
    out_mm,
    projected,
    reached,
    shift,
    shortfall_mm,
    throw_lens,
    window,
)
from gantline.stations.throw.mount import mounted
from gantline.stations.throw.turned import Setting, price_of_tilt, setting, turned

OTHER_PROJECTOR = Cure(text="Choose another projector (table below)")
SIZE, HEIGHT = "/size", "/height"  # whatever the screen's size and place rest on there
OFF_THE_SCREEN = (HEIGHT, SIZE)
FURTHER_DEG = tuple(step / 2.0 for step in range(7))  # past the tilt that aims the middle
STEEPEST_DEG = 30.0  # the most a job may hold


@found
def entered(at: Ask) -> Iterator[Finding]:
    """What is missing before anything can be checked, and a lens that cannot be."""
    lens, subject = at(throw_lens), field_of(P.ratio_low).pointer
    if lens is None:
        text = "Enter the projector's throw ratio, wide and long, to see where the lens can be."
        yield Finding(code=Code.NO_THROW_RATIO, severity="note", text=text, subject=subject, next=True)
    elif isinstance(lens, str):
        text = f"{lens[0].upper()}{lens[1:]}."
        wide, long = at(ratios) or (0.0, 0.0)
        swap = (
            cure(f"Swap the two: {long:g} wide, {wide:g} long", (P.ratio_low, long), (P.ratio_high, wide)),
        )
        yield Finding(code=Code.RATIO_RANGE, severity="stop", text=text, subject=subject, cures=swap)
    elif at(lens_place) is None:
        text = _missing(at)
        subject = field_of(P.lens_y_mm).pointer
        yield Finding(code=Code.NO_LENS_PLACE, severity="note", text=text, subject=subject, next=True)
    elif at(in_front) is None:
        text = "The lens is behind the fabric. Move it into the room."
        subject, near = field_of(P.lens_from_wall_mm).pointer, at(window)
        least = at.up(at(out_mm) + (0.0 if near is None else near.near_mm))
        out = (cure(f"Put it {at.text(least)} from the wall", (P.lens_from_wall_mm, least)),)
        yield Finding(code=Code.LENS_BEHIND, severity="stop", text=text, subject=subject, cures=out)


def _missing(at: Ask) -> str:
    if at(mount_kind) == CABINET and at(lens_y_mm, at(centre_x_mm)) is None:
        return "Survey the cabinet the projector stands on: its height sets the lens and the screen."
    if at(distance_mm) is not None:
        return "Enter the lens's height to check the shift."
    return "Enter the lens's height and its distance from the wall to check both."


@found
def distance(at: Ask) -> Iterator[Finding]:
    """A lens outside its window, or close to its end."""
    away, distances, lens = at(distance_mm), at(window), at(throw_lens)
    if away is None or distances is None or not isinstance(lens, Lens) or at(is_turned):
        return
    subject = field_of(P.lens_from_wall_mm).pointer
    short = at(shortfall_mm)
    if short:
        # not to the very end of the zoom: a small error there, and the picture does not fill the screen
        safe = at(out_mm) + (distances.safe_near_mm if short > 0 else distances.safe_far_mm)
        to = at.near(safe) if lens.fixed else at.up(safe) if short > 0 else at.down(safe)
        close = (
            "The picture cannot be made large enough"
            if short > 0
            else "The picture cannot be made small enough"
        )
        way = "close" if short > 0 else "far"
        why = "A fixed lens has one distance only" if lens.fixed else close
        move = cure(
            f"Move the lens {way_words(at, 2, to - at(out_mm) - away)}, to {at.text(to)} from the wall",
            (P.lens_from_wall_mm, to),
        )
        yield Finding(
            code=Code.OUTSIDE_WINDOW,
            severity="stop",
            text=f"The lens is {at.text(abs(short))} too {way}. {why}.",
            subject=subject,
            numbers={"short_mm": short},
            cures=(move, *_other_size(at, lens, short), OTHER_PROJECTOR),
            also=(SIZE,),
        )
    elif not lens.fixed and not distances.inside_margin(away):
        share = 100 * at.default(ThrowDefaults.throw_margin)
        text = f"The lens is within {share:g} % of the zoom's end. A small error and the picture will not fill the screen."
        safe = at(out_mm) + (
            distances.safe_near_mm if away < distances.safe_near_mm else distances.safe_far_mm
        )
        to = at.up(safe) if away < distances.safe_near_mm else at.down(safe)
        off_end = cure(f"Move the lens to {at.text(to)} from the wall", (P.lens_from_wall_mm, to))
        yield Finding(code=Code.IN_MARGIN, severity="check", text=text, subject=subject, cures=(off_end,))


@found
def shifting(at: Ask) -> Iterator[Finding]:
    """Not enough lens shift; in a diamond one move sideways may do what a move up or down and one sideways would."""
    need, place = at(shift), at(in_front)
    if need is None or place is None or at(reached):
        return
    moves, cures = [], []
    if need.excess_vertical:
        moves.append(way_words(at, 1, need.move_up_mm))
        to = _onward(at, place.y_mm, need.move_up_mm)
        if not need.excess_horizontal:
            pole = _pole(at, to - place.y_mm)
            cures.append(
                cure(f"Move the lens {moves[0]}, to {at.text(to)} above the floor{pole}", (P.lens_y_mm, to))
            )
    if need.excess_horizontal:
        moves.append(way_words(at, 0, need.move_right_mm))
    aside = need.move_right_alone_mm or (need.move_right_mm if need.excess_horizontal else 0.0)
    if aside and (not need.excess_vertical or need.move_right_alone_mm):
        x = _onward(at, place.x_mm, aside)
        cures.append(cure(f"Move the lens {way_words(at, 0, x - place.x_mm)}", (P.lens_x_mm, x)))
    if need.excess_vertical and need.excess_horizontal:
        to, x = _onward(at, place.y_mm, need.move_up_mm), _onward(at, place.x_mm, need.move_right_mm)
        said = f"Move the lens {' and '.join(moves)}"
        cures.append(cure(said, (P.lens_y_mm, to), (P.lens_x_mm, x)))
    yield Finding(
        code=Code.OUT_OF_REACH,
        severity="stop",
        text=f"Not enough lens shift. Move the lens {' and '.join(moves)}.",
        subject=field_of(P.lens_y_mm).pointer,
        numbers={"move_up_mm": need.move_up_mm, "move_right_mm": need.move_right_mm},
        cures=(*cures, OTHER_PROJECTOR),
        ways=(tilts,),
        also=OFF_THE_SCREEN,
    )


def _pole(at: Ask, up_mm: float) -> str:
    """What becomes of the pole where a hung lens moves up by so much."""
    mount = at(mounted) if at(hung) else None
    if mount is None:
        return ""
    left = mount.pole_mm - up_mm
    return f" (pole {at.text(left)})" if left > 0.0 else " (no pole is left)"


def _onward(at: Ask, from_mm: float, by_mm: float) -> float:
    """Where a move leads, on the tape and not short of it [mm]."""
    return at.up(from_mm + by_mm) if by_mm > 0.0 else at.down(from_mm + by_mm)


def tilts(at: Ask) -> tuple[Cure, ...]:
    """Tilting instead, for a lens that does not reach."""
    need, kept = at(shift), at(setting)
    return () if need is None or kept is None else _tilt(at(placement), need, kept, at(projected).height_mm)


@noted
def tilting_instead(at: Ask) -> Iterator[Finding]:
    """Where only the lens stands against every height: how far a tilt would go, and its price."""
    hung_at, kept = at(placement), at(setting)
    if hung_at.possible or kept is None or at(is_turned):
        return
    bound = next(
        (end for end in (hung_at.height.low, hung_at.height.high) if end.key.startswith("shift")), None
    )
    if bound is None:
        return
    free = solve_height(*bounds(replace(at(asked), lens=None)), bound.y_top_mm)
    if free.chosen_mm is None:
        return
    there = replace(hung_at, top_mm=free.chosen_mm, possible=True)
    need = shift_need(
        picture_x_mm=there.place.centre_x_mm,
        picture_y_mm=there.picture_centre_mm,
        lens_x_mm=kept.place[0],
        lens_y_mm=kept.place[1],
        panel=at(projected),
        reach=kept.reach,
        offset=kept.offset,
    )
    top = (
        change(HeightTarget.wish, WishKind.FRAME_TOP.value),
        change(HeightTarget.wish_mm, at.near(free.chosen_mm)),
    )
    for tilt in _tilt(there, need, kept, at(projected).height_mm):
        yield Finding(
            code=Code.TILT_INSTEAD,
            severity="note",
            text=f"Tilting also works, with the frame top at {at.text(free.chosen_mm)}, but loses pixels. "
            "Moving the lens loses nothing.",
            subject=field_of(P.pitch_deg).pointer,
            cures=(replace(tilt, changes=(*tilt.changes, *top)),),
        )


@noted
def real_offset(at: Ask) -> Iterator[Finding]:
    """A fixed offset that the taped picture shows to be another than the data sheet's."""
    measured, sheet = at(taped_offset), at(sheet_offset)
    if measured is None or abs(measured - sheet) < at.default(ThrowDefaults.offset_seen):
        return
    far = abs(measured - sheet) > at.default(ThrowDefaults.offset_odd)
    own, said = (f"{100.0 * near_edge_share(center):.1f} %" for center in (measured, sheet))
    again = " That is far off: read the lens height and the picture's corners once more." if far else ""
    yield Finding(
        code=Code.REAL_OFFSET,
        severity="check" if far else "note",
        text=f"The taped picture shows an offset of {own}, the data sheet says {said}. The plan goes by the picture.{again}",
        subject=field_of(P.offset).pointer,
    )


@noted
def real_ratio(at: Ask) -> Iterator[Finding]:
    """A lens without zoom whose taped picture is wider or narrower than its data sheet has it."""
    measured, sheet = at(taped_ratio), at(ratios)
    if measured is None or sheet is None:
        return
    off = abs(measured / sheet[0] - 1.0)
    if off < at.default(ThrowDefaults.ratio_seen):
        return
    odd = off > at.default(ThrowDefaults.ratio_odd)
    text = f"The taped picture shows a throw ratio of {measured:.3f}; the plan goes by {sheet[0]:.3f}. " + (
        "No lens is that far off: measure the distance to the lens and the picture's width once more."
        if odd
        else "A measured lens beats its data sheet."
    )
    own = round(measured, 4)
    go_by = cure(f"Go by the picture: {measured:.3f}", (P.ratio_low, own), (P.ratio_high, own))
    yield Finding(
        code=Code.REAL_RATIO,
        severity="check",
        text=text,
        subject=field_of(P.ratio_low).pointer,
        cures=() if odd else (go_by,),
    )


@found
def squared(at: Ask) -> Iterator[Finding]:
    """A turned body: what digital correction leaves, or that it cannot cover the picture."""
    if at(setting) is None or not at(is_turned) or not at(placement).possible:
        return
    correction, subject = at(turned), field_of(P.pitch_deg).pointer
    if correction is None:
        text = "Turned like this, zoom and shift cannot cover the picture, even with digital correction."
        yield Finding(
            code=Code.NOT_COVERED,
            severity="stop",
            text=text,
            subject=subject,
            also=OFF_THE_SCREEN,
            cures=(
                cure("Straighten the body", (P.yaw_deg, 0.0), (P.pitch_deg, 0.0), (P.roll_deg, 0.0)),
                OTHER_PROJECTOR,
            ),
        )
        return
    kept = correction.share / correction.thrown.straight_share
    text = (
        f"Straighten the body first. Turned, digital correction leaves {percent(kept)} of pixels and light, and "
        "softens the rest."
    )
    yield Finding(code=Code.TURNED, severity="check", text=text, subject=subject, numbers={"kept": kept})


def _other_size(at: Ask, lens: Lens, short_mm: float) -> tuple[Cure, ...]:
    """The size this place fills at the end of the zoom that it misses."""
    away, picture, over = at(distance_mm), at(screen).picture, at(overspill_mm)
    if away is None:
        return ()
    share = at(projected).width_mm / (picture.width_mm + 2.0 * over)
    panel = away / (lens.ratio_low if short_mm > 0 else lens.ratio_high)
    filled = filled_diagonal_mm(panel, picture, share, over)
    diagonal = at.near(filled) if lens.fixed else at.down(filled) if short_mm > 0 else at.up(filled)
    if diagonal <= 0.0:
        return ()
    word = "smaller" if short_mm > 0 else "larger"
    return (diagonal_cure(f"Use a {word} screen: diagonal {at.text(diagonal)}", diagonal),)


def _tilt(hung_at: Placement, need: ShiftNeed, kept: Setting, panel_height_mm: float) -> tuple[Cure, ...]:
    """Tilting instead, with its price: the last way out."""
    if need.excess_horizontal or not need.excess_vertical:
        return ()
    pitch = tilt_needed(
        rise_mm=hung_at.picture_centre_mm - kept.place[1],
        distance_mm=kept.place[2],
        panel_height_mm=panel_height_mm,
        reach=kept.reach,
        horizontal=need.horizontal,
        offset=kept.offset,
    )
    least = math.copysign(math.ceil(abs(math.degrees(pitch)) * 10.0) / 10.0, pitch)
    for further in FURTHER_DEG:  # what aims the middle may still leave a corner bare
        degrees = least + math.copysign(further, least)
        left = price_of_tilt(hung_at, kept, math.radians(degrees)) if abs(degrees) <= STEEPEST_DEG else None
        if left is not None:
            break
    else:
        return ()
    way = "up" if degrees > 0 else "down"
    text = (
        f"Tilt the nose {abs(degrees):.1f}° {way} and square it up digitally: {percent(left)} of the pixels and "
        "light are left"
    )
    return (cure(text, (P.pitch_deg, degrees)),)


FINDINGS = (entered, distance, shifting, tilting_instead, real_offset, real_ratio, squared)
