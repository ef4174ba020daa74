"""A stand-in for a distance meter that speaks the readings feed, as a real one's bridge would.

It keeps every reading in a file of its own until it is acknowledged, so neither end may be killed at a
wrong moment: after a break it asks what arrived without a gap and sends the rest again.
"""

import json
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


class DistanceMeter:
    """One meter with its memory: a JSON lines file, one reading a line, numbered from 1."""

    def __init__(self, source: str, memory: Path) -> None:
        self.source, self.memory = source, memory
        memory.parent.mkdir(parents=True, exist_ok=True)
        memory.touch()

    def take(self, what: str, value_mm: float, x_mm: float | None = None) -> int:
        """Take a reading: written to the memory before anything else. Returns its number."""
        seq = len(self.readings()) + 1
        line = json.dumps(
            {"source": self.source, "seq": seq, "what": what, "x_mm": x_mm, "value_mm": value_mm}
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
        open_readings = [one for one in self.readings() if one["seq"] > last]
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


def stud_walk(
    wall_mm: float, spacing_mm: float, first_mm: float, seed: int
) -> Iterable[tuple[str, float, float | None]]:
    """A made-up walk with a stud sensor and a magnet, as noisy as theirs: edges, centers, screws, and a pipe now and then."""
    rng = random.Random(seed)  # noqa: S311 - made-up readings
    noise, x, number = noise_of(), first_mm, 0
    while x < wall_mm:
        kind = ("stud-magnet", "stud-edge", "stud-center")[number % 3]
        magnet = kind == "stud-magnet"
        if rng.random() < (noise.magnet_wild if magnet else noise.sensor_wild):
            yield kind, round(rng.uniform(0.0, wall_mm), 1), None
        else:
            off = rng.gauss(0.0, noise.magnet_mm if magnet else noise.sensor_mm)
            edge = rng.choice((-19.0, 19.0)) if kind == "stud-edge" else 0.0
            yield kind, round(x + off + edge, 1), None
        x, number = x + spacing_mm, number + 1


def survey_walk(
    wall_mm: float, ceiling_up_mm: float, sag_mm: float
) -> Iterable[tuple[str, float, float | None]]:
    """A made-up walk along a wall: width, then ceiling readings at both ends and the middle."""
    yield "wall-width", wall_mm, None
    for share in (0.0, 0.5, 1.0):
        yield "ceiling", ceiling_up_mm - sag_mm * share, wall_mm * share
