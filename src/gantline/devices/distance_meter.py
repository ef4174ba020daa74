"""A stand-in for a distance meter that speaks the readings feed, as a real one's bridge would.

It keeps every reading in a file of its own until it is acknowledged, so neither end may be killed at a
wrong moment: after a break it asks what arrived without a gap and sends the rest again.
"""

import json
import math
import random
import time
from collections.abc import Iterable
from pathlib import Path
from typing import Any

from websockets.exceptions import WebSocketException
from websockets.sync.client import ClientConnection, connect

from gantline.core.wall.find import noise_of

PAUSE_S = 0.3
ANSWER_S = 5.0
Walked = tuple[str, float, float | None, float | None]  # what, value, along the wall, above the floor [mm]


class DistanceMeter:
    """One meter with its memory: a JSON lines file, one reading a line, numbered from 1."""

    def __init__(self, source: str, memory: Path) -> None:
        self.source, self.memory = source, memory
        memory.parent.mkdir(parents=True, exist_ok=True)
        memory.touch()

    def take(self, what: str, value_mm: float, x_mm: float | None = None, y_mm: float | None = None) -> int:
        """Take a reading: written to the memory before anything else. Returns its number. y: of a gap, above the floor."""
        seq = len(self.readings()) + 1
        line = json.dumps(
            {
                "source": self.source,
                "seq": seq,
                "what": what,
                "x_mm": x_mm,
                "y_mm": y_mm,
                "value_mm": value_mm,
            }
        )
        with self.memory.open("a", encoding="utf-8") as file:
            file.write(line + "\n")
            file.flush()
        return seq

    def readings(self) -> list[dict[str, Any]]:
        """Every whole reading in the memory; a half-written last line is no reading."""
        out = []
        for line in self.memory.read_text(encoding="utf-8").splitlines():
            try:
                out.append(json.loads(line))
            except ValueError:
                break
        return out

    def deliver(self, url: str, *, patience_s: float = 30.0) -> int:
        """Send everything that was not acknowledged; reconnects until it is done or patience runs out.

        Returns how many were sent over all attempts.  Raises: TimeoutError.
        """
        until, sent = time.monotonic() + patience_s, 0
        while time.monotonic() < until:
            try:
                with connect(url, open_timeout=ANSWER_S) as socket:
                    sent += self._deliver_over(socket)
                    return sent
            except (OSError, WebSocketException, TimeoutError):
                time.sleep(PAUSE_S)
        raise TimeoutError(f"the readings could not be delivered to {url}")

    def _deliver_over(self, socket: ClientConnection) -> int:
        socket.send(json.dumps({"source": self.source, "hello": True}))
        last = int(_answer(socket)["last"])
        open_readings = [reading for reading in self.readings() if reading["seq"] > last]
        for one in open_readings:
            socket.send(json.dumps(one))
            said = _answer(socket)
            if said.get("ack") != one["seq"]:
                raise ValueError(f"reading {one['seq']} was refused: {said.get('text')}")
        return len(open_readings)


def _answer(socket: ClientConnection) -> dict[str, Any]:
    said: dict[str, Any] = json.loads(socket.recv(timeout=ANSWER_S))
    if "refused" in said and said["refused"] is None:
        raise ValueError(str(said.get("text")))
    return said


def stud_walk(wall_mm: float, spacing_mm: float, first_mm: float, seed: int) -> Iterable[Walked]:
    """A made-up walk with a stud sensor and a magnet, as noisy as theirs: edges, centers, screws, and a pipe now and then."""
    rng = random.Random(seed)  # noqa: S311 - made-up readings
    noise, x, number = noise_of(), first_mm, 0
    while x < wall_mm:
        kind = ("stud-magnet", "stud-edge", "stud-center")[number % 3]
        magnet = kind == "stud-magnet"
        if rng.random() < (noise.magnet_wild if magnet else noise.sensor_wild):
            yield kind, round(rng.uniform(0.0, wall_mm), 1), None, None
        else:
            off = rng.gauss(0.0, noise.magnet_mm if magnet else noise.sensor_mm)
            edge = rng.choice((-19.0, 19.0)) if kind == "stud-edge" else 0.0
            yield kind, round(x + off + edge, 1), None, None
        x, number = x + spacing_mm, number + 1


def survey_walk(wall_mm: float, ceiling_up_mm: float, sag_mm: float) -> Iterable[Walked]:
    """A made-up walk along a wall: width, then ceiling readings at both ends and the middle."""
    yield "wall-width", wall_mm, None, None
    for share in (0.0, 0.5, 1.0):
        yield "ceiling", ceiling_up_mm - sag_mm * share, wall_mm * share, None


def gap_walk(wall_mm: float, seed: int) -> Iterable[Walked]:
    """A made-up walk with a straightedge held plumb: twelve gaps to a wall that leans a little and stands proud in its middle."""
    rng = random.Random(seed)  # noqa: S311 - made-up readings
    for share in (0.1, 0.35, 0.65, 0.9):
        for y in (600.0, 1300.0, 2000.0):
            belly = 5.0 * math.exp(-(((share - 0.5) / 0.25) ** 2) - ((y - 1300.0) / 600.0) ** 2)
            gap = 30.0 - belly - 0.002 * (y - 600.0) + rng.gauss(0.0, 0.4)
            yield "gap", round(gap, 1), round(wall_mm * share, 1), y
