"""A simulated order, moment by moment, as it is sent: a head, a picture and its figures for every moment, and what it came to.

Pieces: each is its length (4 bytes, little end first), the length of its JSON (the same), the JSON, and the bytes of a picture.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import asdict, dataclass
from typing import Any

import numpy as np
import orjson

from gantline.core.membrane.hands import Together
from gantline.core.membrane.looked_at import Sights, sights, within
from gantline.core.membrane.numbers import LAW, SheetNumbers
from gantline.core.membrane.picture import LAYERS, picture, raster
from gantline.core.membrane.sequence import Moment, run
from gantline.core.units import Units, fine_text, length_text
from gantline.plan.working import as_plain

FULL = 2.0  # times the line tension: where a picture's colors end
WIDER_MM = 3.0  # a margin that is off by less is not worth a word
MOST_AWAITED = 12
SIDES = ("top", "right", "bottom", "left")
MODEL = (
    "A model: a flat sheet without bending stiffness, small stretch, even cloth. It leaves out creep, damp, threads that slip, "
    "cloth that catches, and hands that smooth."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Came:
    """What an order came to: shares 0 to 1, lengths [mm], pull of a point [N]; texts in the job's units; what to expect on the
    way, as (step, text)."""

    evenness: float
    wrinkled: float
    slack: float
    drift_mm: float
    pull_n: float
    past_limit: int
    rack_mm: float
    bow_mm: float
    bar_gap_mm: float
    texts: dict[str, str]
    awaited: tuple[tuple[int, str], ...]
    rests: str
    law: str = LAW


def pieces(
    numbers: SheetNumbers, units: Units, changes: Sequence[Mapping[str, Any]] = ()
) -> Iterator[tuple[float, bytes]]:
    """Share done, and one more piece.

    Args: changes, edits that make this order the job's, sent along.  Raises: OutOfRange, NotAtRest.
    """
    together = Together(numbers.together)
    own = numbers.laid(braced=numbers.braced)
    braced = None if numbers.braced or not numbers.supports_mm else numbers.frame(braced=True)
    grid = raster(own.sheet.mesh, FULL * numbers.line)
    head = {
        "cells": grid.cells,
        "layers": LAYERS,
        "width_mm": numbers.width_mm,
        "height_mm": numbers.height_mm,
        "border_mm": numbers.border_mm,
        "full_n_m": FULL * numbers.line * 1000.0,
        "line_n_m": numbers.line * 1000.0,
        "points": [{"side": p.side.value, "u_mm": p.u_mm, "v_mm": p.v_mm} for p in own.points],
        "steps": [step.number for step in numbers.steps],
        "model": MODEL,
    }
    yield 0.0, piece(head)
    seen = list[tuple[Moment, Sights]]()
    view = within(own.sheet, numbers.border_mm)
    said = 0.0

    def told(share: float) -> None:
        nonlocal said
        said = share

    for moment in run(own, numbers.order(), together, braced, told):
        look = sights(moment.sheet, moment.rest, view, own.even)
        seen.append((moment, look))
        body = {
            "step": moment.step,
            "held": moment.held,
            "texts": texts(look, units),
            "bow_mm": look.bow_mm,
            "rack_mm": look.rack_mm,
            "drift_mm": look.drift_mm,
            "margins_mm": look.margins_mm,
            "bar_gap": fine_text(abs(moment.bar_gap_mm), units) if moment.bar_gap_mm else "",
            "past": np.flatnonzero(
                moment.sheet.holds.on
                & moment.sheet.holds.springs
                & (moment.rest.stretch_mm > moment.sheet.holds.limit_mm)
            ).tolist(),
            "stretch_mm": [round(float(mm), 1) if on else None for mm, on in _stretch(moment)],
        }
        yield said, piece(body, picture(grid, moment.sheet, moment.rest))
    came = _came(numbers, seen, units)
    yield 1.0, piece({"came": asdict(came), "changes": [*changes, taking(came)]})


def taking(came: Came) -> dict[str, Any]:
    """The edit that keeps what an order came to in the job."""
    run = {
        "id": "run",
        "rests": came.rests,
        "law": came.law,
        "evenness": came.evenness,
        "wrinkled": min(1.0, came.wrinkled),
        "drift_mm": min(1000.0, came.drift_mm),
        "pull_n": min(10_000.0, came.pull_n),
        "past_limit": came.past_limit,
        "awaited": "\n".join(f"{step} {text}" for step, text in came.awaited),
    }
    return {"pointer": "/tension/simulated", "value": [run]}


def came_of(content: bytes) -> dict[str, Any]:
    """What it came to, of all pieces together."""
    return dict(list(heads(content))[-1]["came"])


def heads(content: bytes) -> Iterator[dict[str, Any]]:
    """The JSON of every piece."""
    at = 0
    while at + 8 <= len(content):
        whole, own = (int.from_bytes(content[at + k : at + k + 4], "little") for k in (0, 4))
        yield orjson.loads(content[at + 8 : at + 8 + own])
        at += 4 + whole


def piece(body: Any, raw: bytes = b"") -> bytes:
    """One piece as it is sent."""
    text = orjson.dumps(body, default=as_plain)
    return b"".join(
        ((len(text) + len(raw) + 4).to_bytes(4, "little"), len(text).to_bytes(4, "little"), text, raw)
    )


def texts(look: Sights, units: Units) -> dict[str, str]:
    """What is said of one look, as seen from the back."""
    right, up = look.drift_mm
    along, across = (round(1000.0 * pull) for pull in look.tension)
    moved = [
        f"{fine_text(abs(mm), units)} {word}"
        for mm, word in ((right, "right" if right > 0.0 else "left"), (up, "up" if up > 0.0 else "down"))
        if abs(mm) >= 0.5
    ]
    return {
        "tension": f"{along} along, {across} up N/m",
        "evenness": f"{100.0 * look.evenness:.0f} %",
        "wrinkled": f"{100.0 * look.wrinkled:.1f} %",
        "slack": f"{100.0 * look.slack:.0f} %",
        "drift": ", ".join(moved) or "centered",
        "bow": fine_text(max(abs(mm) for mm in look.bow_mm), units),
        "racked": fine_text(abs(look.rack_mm), units),
        "longest": fine_text(max(0.0, look.longest_mm), units),
        "past": str(look.past_limit),
    } | {
        f"margin {side}": f"{'+' if mm >= 0.0 else '−'}{fine_text(abs(mm), units)}"
        for side, mm in zip(SIDES, look.margins_mm, strict=True)
    }


def _stretch(moment: Moment) -> Iterator[tuple[float, bool]]:
    return zip(moment.rest.stretch_mm, moment.sheet.holds.on, strict=True)


def _came(numbers: SheetNumbers, seen: Sequence[tuple[Moment, Sights]], units: Units) -> Came:
    moment, look = seen[-1]
    forces = moment.rest.forces[moment.sheet.holds.on]
    worst = max(seen, key=lambda each: each[1].past_limit)[1].past_limit
    drift = float(np.hypot(*look.drift_mm))
    farthest = max(float(np.hypot(*each.drift_mm)) for _, each in seen)
    said = texts(look, units)
    said["farthest"] = fine_text(farthest, units)
    said["past"] = str(worst)
    return Came(
        evenness=max(0.0, min(1.0, look.evenness)),
        wrinkled=look.wrinkled,
        slack=look.slack,
        drift_mm=drift,
        pull_n=max(0.0, float(np.median(forces))) if len(forces) else 0.0,
        past_limit=worst,
        rack_mm=look.rack_mm,
        bow_mm=max(abs(mm) for mm in look.bow_mm),
        bar_gap_mm=max((abs(each.bar_gap_mm) for each, _ in seen), default=0.0),
        texts=said,
        awaited=tuple(_awaited(seen, units)),
        rests=numbers.key,
    )


def _awaited(seen: Sequence[tuple[Moment, Sights]], units: Units) -> Iterator[tuple[int, str]]:
    """Where one margin hangs out further than its opposite for a while: from which step, by how much at most, until when."""
    out = list[tuple[int, str]]()
    for near, far in ((3, 1), (0, 2)):
        begin, most, last = 0, 0.0, 0
        for moment, look in [*seen, (None, None)]:
            off = 0.0 if look is None else look.margins_mm[near] - look.margins_mm[far]
            same = abs(off) >= WIDER_MM and (not begin or off * most > 0.0)
            if begin and not same:
                side = SIDES[near] if most > 0.0 else SIDES[far]
                until = "to the end" if moment is None else f"until step {last + 1}"
                out.append((begin, f"Expect the {side} margin {length_text(abs(most), units)} wider {until}"))
                begin, most = 0, 0.0
            if moment is not None and same:
                begin, last = begin or moment.step, moment.step
                most = off if abs(off) > abs(most) else most
    yield from sorted(out)[:MOST_AWAITED]
