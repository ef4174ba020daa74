"""The points held one after another: what the sheet does after each."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gantline.core.membrane.equilibrium import Rest, Solver
from gantline.core.membrane.hands import Together
from gantline.core.membrane.holding import GIVES, Laid
from gantline.core.membrane.model import SIDES, SLIP_MM, FrameGives, Sheet, directions, frozen
from gantline.core.tension.points import OPPOSITE, Side
from gantline.core.tension.steps import CENTER_BAR, CORNERS, TensionStep

Floats = NDArray[np.float64]
STUCK = 3.0 * SLIP_MM  # cloth that slid stays strained against the frame by so much


@dataclass(frozen=True, slots=True, kw_only=True)
class Moment:
    """The sheet after one more hold, or after a bar went in.

    step: number of the step of the order; held: places in Laid.points held at this moment. bar_gap_mm: by how much less the
    rails stand apart where a bar goes in, before it does.
    """

    step: int
    held: tuple[int, ...]
    sheet: Sheet
    rest: Rest
    bar_gap_mm: float = 0.0


def groups(laid: Laid, step: TensionStep, together: Together) -> list[tuple[int, ...]]:
    """The points of one step, as they are held: places in laid.points.

    Args: step of an order over the same points, by place and not by number.
    """
    place = {(p.side, round(p.reading_mm, 3)): k for k, p in enumerate(laid.points)}
    own = [place[p.side, round(p.reading_mm, 3)] for p in step.held]
    out = list[tuple[int, ...]]()
    for k in own:
        point = laid.points[k]
        across = place.get((OPPOSITE[point.side], round(point.reading_mm, 3))) if step.partners else None
        pair = (k,) if across is None else (k, across)
        out += [(one,) for one in pair] if together is Together.ONE else [pair]
    return out


def run(
    laid: Laid,
    steps: Sequence[TensionStep],
    together: Together = Together.PARTNERS,
    braced: FrameGives | None = None,
    said: Callable[[float], None] = lambda share: None,
) -> Iterator[Moment]:
    """The whole order, moment by moment.

    Args: steps, of the same points; together; braced, how the frame gives once the bars are in (None: no bars to come);
        said is told the share that is done.
    Raises: NotAtRest.
    Source: what the frame sets pulls as soon as it is hooked; what a hand pulls is pulled, and held where it came to rest.
    Leaves out: creep in the meantime, a hand that smooths, cloth that catches on the frame.
    """
    by_hand = GIVES[laid.hold].frozen
    solver, sheet = Solver(laid.sheet), laid.sheet
    start: Floats | None = None
    done = list[tuple[TensionStep, list[tuple[int, ...]]]]()
    for step in steps:
        if not step.loose:
            done.append((step, groups(laid, step, together)))
    if together is Together.MIRRORED:
        done = _mirrored(laid, done)
    total, count = sum(len(many) for _, many in done) or 1, 0
    for step, many in done:
        if step.part == CENTER_BAR and braced is not None:
            gap = _bar_gap(sheet, start)
            sheet = replace(sheet, frame=braced)
            solver.braced(sheet)
            rest = solver.solve(sheet, start)
            sheet, start = _settled(sheet, rest), rest.moved
            yield Moment(step=step.number, held=(), sheet=sheet, rest=rest, bar_gap_mm=gap)
        for held in many:
            corner = step.part == CORNERS
            sheet = _hooked(laid, sheet, held, corner=corner) if by_hand else _on(sheet, held)
            rest = solver.solve(sheet, start)
            if by_hand:
                sheet = frozen(sheet, rest.moved, held)
            sheet, start = _settled(sheet, rest), rest.moved
            count += 1
            said(count / total)
            yield Moment(step=step.number, held=held, sheet=sheet, rest=rest)


def _mirrored(
    laid: Laid, done: list[tuple[TensionStep, list[tuple[int, ...]]]]
) -> list[tuple[TensionStep, list[tuple[int, ...]]]]:
    """Each group with its mirror images both ways; what is held already drops out."""
    width, height = laid.sheet.size_mm
    place = {(round(p.u_mm, 2), round(p.v_mm, 2), p.side): k for k, p in enumerate(laid.points)}

    def images(k: int) -> Iterator[int]:
        p = laid.points[k]
        for turn_u in (False, True):
            for turn_v in (False, True):
                side = p.side
                if turn_u and side in (Side.LEFT, Side.RIGHT):
                    side = OPPOSITE[side]
                if turn_v and side in (Side.TOP, Side.BOTTOM):
                    side = OPPOSITE[side]
                u = width - p.u_mm if turn_u else p.u_mm
                v = height - p.v_mm if turn_v else p.v_mm
                there = place.get((round(u, 2), round(v, 2), side))
                if there is not None:
                    yield there

    out, seen = list[tuple[TensionStep, list[tuple[int, ...]]]](), set[int]()
    for step, many in done:
        wide = list[tuple[int, ...]]()
        for held in many:
            all_of = tuple(sorted({image for k in held for image in images(k)} - seen))
            seen.update(all_of)
            if all_of:
                wide.append(all_of)
        out.append((step, wide))
    return out


def _on(sheet: Sheet, held: Sequence[int]) -> Sheet:
    on = sheet.holds.on.copy()
    on[list(held)] = True
    return sheet.with_holds(on=on)


def _hooked(laid: Laid, sheet: Sheet, held: Sequence[int], *, corner: bool) -> Sheet:
    """A hand pulls there; where nothing holds against it the cloth is only tacked as it lies."""
    holds = sheet.holds
    pull = np.zeros_like(holds.pull)
    begun = {SIDES[s] for s in holds.side[holds.on]} | {SIDES[holds.side[k]] for k in held}
    width, height = sheet.size_mm
    for k in held:
        point = laid.points[k]
        if OPPOSITE[point.side] not in begun:
            continue
        force = laid.first[k] if point.first_pass and laid.first[k] > 0.0 else laid.wanted[k]
        pull[k, 0] = force
        if corner:
            along = directions(holds)[1][k]
            to_corner = np.array(
                [1.0 if point.u_mm > width / 2.0 else -1.0, 1.0 if point.v_mm > height / 2.0 else -1.0]
            )
            pull[k, 1] = force * float(np.sign(along @ to_corner))
    return sheet.with_holds(pull=pull)


def _settled(sheet: Sheet, rest: Rest) -> Sheet:
    """Cloth that slid lies where it is now, still strained against the frame."""
    if sheet.lies is None:
        return sheet
    moved = rest.moved[: 2 * len(sheet.mesh.nodes)].reshape(-1, 2)
    slid = moved - sheet.lies
    far = np.hypot(slid[:, 0], slid[:, 1])
    keep = np.where(far > STUCK, STUCK / np.maximum(far, 1e-12), 1.0)
    return replace(sheet, lies=moved - slid * keep[:, None])


def _bar_gap(sheet: Sheet, moved: Floats | None) -> float:
    """How much less the rails stand apart near their middle [mm]."""
    if moved is None:
        return 0.0
    bow = moved[2 * len(sheet.mesh.nodes) : -1]
    holds, width = sheet.holds, sheet.size_mm[0]
    gap = 0.0
    for side in ("top", "bottom"):
        own = np.flatnonzero(holds.side == SIDES.index(side))
        gap += float(bow[own[np.argmin(np.abs(holds.at_mm[own] - width / 2.0))]])
    return gap
