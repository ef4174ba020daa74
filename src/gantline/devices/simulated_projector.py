"""A projector that is not there: it speaks the line protocol, warms up and cools down, and can be told to misbehave."""

import asyncio
import random
import threading
import time
from collections.abc import Callable
from concurrent.futures import Future
from dataclasses import dataclass, field

from gantline.devices.projector_line import LONGEST, PROTOCOL, SPLIT

TURNING_S = 4.0  # to warm up, to cool down; a real one takes a minute
SILENCE_S = 30.0
ZOOM, SHIFT_H, SHIFT_V = (1.32, 2.15), (-24.0, 24.0), (-60.0, 60.0)


@dataclass(frozen=True, slots=True)
class Faults:
    """Shares of answers that are spoilt: the connection dropped, none for long, of another number, no text at all."""

    drop: float = 0.0
    silent: float = 0.0
    other: float = 0.0
    garble: float = 0.0


class No(Exception):
    """What the projector refuses, with its reason."""


@dataclass
class SimulatedProjector:
    """Its state, and what every request does to it. clock: seconds."""

    turning_s: float = TURNING_S
    faults: Faults = Faults()
    seed: int = 1
    clock: Callable[[], float] = time.monotonic
    lit: bool = True
    input: str = "HDMI 1"
    memory: str = "1"
    zoom: float = 1.6
    shift_h: float = 0.0
    shift_v: float = 12.0
    lamp_h: float = 412.0
    errors: tuple[str, ...] = ()
    stored: dict[str, tuple[float, float, float]] = field(
        default_factory=lambda: {"1": (1.6, 0.0, 12.0), "2": (1.45, 0.0, 12.0), "3": (1.72, 0.0, 9.5)}
    )

    def __post_init__(self) -> None:
        self._wanted, self._since = False, self.clock() - self.turning_s
        self._chance = random.Random(self.seed)  # noqa: S311 - made-up faults

    @property
    def power(self) -> str:
        """off, warming, on or cooling."""
        turning = self.clock() - self._since < self.turning_s
        if self._wanted:
            return "warming" if turning else "on"
        return "cooling" if turning else "off"

    def answer(self, request: str) -> str:
        """What is answered to one request, without its number.  Raises: No."""
        act, _, rest = request.partition(" ")
        if act == "hello":
            return f"hello {PROTOCOL}"
        name, _, value = rest.partition(" ")
        if act == "set":
            return f"{name} {self._set(name, value)}"
        if act == "get":
            return f"{name} {self._get(name)}"
        raise No(f"no request is called {act[:20]}")

    def _get(self, name: str) -> str:
        found = {
            "model": "Simulated projector",
            "power": self.power,
            "light": "on" if self.lit else "off",
            "input": self.input,
            "inputs": SPLIT.join(("HDMI 1", "HDMI 2", "network")),
            "memory": self.memory,
            "memories": SPLIT.join(self.stored),
            "zoom": f"{self.zoom:.3f}",
            "zoom-range": "{} {}".format(*ZOOM),
            "shift-h": f"{self.shift_h:.2f}",
            "shift-h-range": "{} {}".format(*SHIFT_H),
            "shift-v": f"{self.shift_v:.2f}",
            "shift-v-range": "{} {}".format(*SHIFT_V),
            "lamp-h": f"{self.lamp_h:.0f}",
            "errors": SPLIT.join(self.errors),
        }.get(name)
        if found is None:
            raise No(f"nothing is called {name[:20]}")
        return found

    def _set(self, name: str, value: str) -> str:
        if name == "power":
            self._turn(_one_of(value, ("on", "off")) == "on")
            return value
        if self.power != "on":
            raise No("its power is not on")
        match name:
            case "light":
                self.lit = _one_of(value, ("on", "off")) == "on"
            case "input":
                self.input = _one_of(value, tuple(self._get("inputs").split(SPLIT)))
            case "memory":
                self.zoom, self.shift_h, self.shift_v = self.stored[_one_of(value, tuple(self.stored))]
                self.memory = value
            case "zoom":
                self.zoom, self.memory = _within(value, ZOOM), ""
            case "shift-h":
                self.shift_h, self.memory = _within(value, SHIFT_H), ""
            case "shift-v":
                self.shift_v, self.memory = _within(value, SHIFT_V), ""
            case _:
                raise No(f"{name[:20]} cannot be set")
        return value

    def _turn(self, on: bool) -> None:
        if on == self._wanted:
            return
        if self.power in ("warming", "cooling"):
            raise No(f"it is {self.power}")
        self._wanted, self._since, self.lit = on, self.clock(), True

    async def speak(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        """One connection until it ends."""
        try:
            while raw := await reader.readline():
                number, _, request = raw.decode("utf-8", "replace").strip().partition(" ")
                try:
                    said = self.answer(request)
                except No as error:
                    said = f"no {error}"
                if not await self._spoilt(number, said, writer):
                    writer.write(f"{number} {said}\n".encode())
                await writer.drain()
        except (OSError, ValueError):  # gone, or a line without end
            pass
        finally:
            writer.close()

    async def _spoilt(self, number: str, said: str, writer: asyncio.StreamWriter) -> bool:
        """Whether chance spoilt this answer, and how.  Raises: OSError."""
        f = self.faults
        shares = (f.drop, f.silent, f.other, f.garble)
        fault = self._chance.choices(("drop", "silent", "other", "garble", ""), (*shares, 1.0 - sum(shares)))[
            0
        ]
        if not fault:
            return False
        if fault == "drop":
            writer.write(f"{number} {said}"[: len(said) // 2].encode())
            raise ConnectionResetError
        if fault == "silent":
            await asyncio.sleep(SILENCE_S)
        else:
            writer.write(f"{number}1 {said}\n".encode() if fault == "other" else b"\xff\x00\xfe\n")
        return True


def _one_of(value: str, known: tuple[str, ...]) -> str:
    if value not in known:
        raise No(f"{value[:20]} is none of {', '.join(known)}")
    return value


def _within(value: str, bounds: tuple[float, float]) -> float:
    try:
        number = float(value)
    except ValueError:
        raise No(f"{value[:20]} is no number") from None
    if not bounds[0] <= number <= bounds[1]:
        raise No(f"{number:g} is outside {bounds[0]:g} to {bounds[1]:g}")
    return number


async def serve_forever(
    simulated_projector: SimulatedProjector,
    host: str,
    port: int,
    ready: Callable[[int], None] = lambda _: None,
) -> None:
    """Answer whoever connects, until it is cancelled. ready: told the port once it listens.  Raises: OSError."""
    server = await asyncio.start_server(simulated_projector.speak, host, port, limit=LONGEST)
    ready(server.sockets[0].getsockname()[1])
    async with server:
        await server.serve_forever()


class Running:
    """A simulated projector on a port of its own of this machine, in a thread of its own."""

    def __init__(self, made: SimulatedProjector | None = None) -> None:
        self.made = made or SimulatedProjector()
        self._port: Future[int] = Future()
        self._thread = threading.Thread(target=lambda: asyncio.run(self._until_over()), daemon=True)

    def __enter__(self) -> int:
        """Its port.  Raises: OSError."""
        self._thread.start()
        return self._port.result()

    def __exit__(self, *_: object) -> None:
        self._loop.call_soon_threadsafe(self._task.cancel)
        self._thread.join()

    async def _until_over(self) -> None:
        self._loop = asyncio.get_running_loop()
        self._task = asyncio.ensure_future(serve_forever(self.made, "127.0.0.1", 0, self._port.set_result))
        try:
            await self._task
        except asyncio.CancelledError:
            pass
        except OSError as error:
            self._port.set_exception(error)
