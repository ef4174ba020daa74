"""A projector, or a bridge to one, that speaks Gantline's line protocol over TCP (docs/projector-line.md)."""

import asyncio
import math
from collections.abc import AsyncIterator, Sequence
from contextlib import asynccontextmanager, suppress
from itertools import count

from gantline.devices.projector import Control, Power, ProjectorRefuses, ProjectorState, ProjectorTrouble

PROTOCOL = "gantline-projector 1"
ANSWER_S = 1.5  # from a request to its answer
WHOLE = 3.0  # answers' times that one try may take in all
TRIES = 3
LONGEST = 1000  # bytes of one line
SPLIT = " | "  # between the words of a list
NAMES = (
    "model", "power", "light", "input", "inputs", "memory", "memories", "zoom", "zoom-range",
    "shift-h", "shift-h-range", "shift-v", "shift-v-range", "lamp-h", "errors",
)  # fmt: skip
POWERS: dict[str, Power] = {one: one for one in ("off", "warming", "on", "cooling")}


class _Broken(Exception):
    """This connection is of no use any more; another may be."""


class _Unreadable(_Broken):
    """An answer came whose value means nothing."""


class LineProjector:
    """One projector at one address. Each act opens a connection and closes it: nothing is held between two taps.

    Every request carries a number that its answer repeats, so that a late answer is not taken for another's. What is
    set is a state, not a step, and can be set again: so a broken connection is tried anew and goes on where it broke, until
    three tries have brought nothing, or the time of an act is up.
    """

    def __init__(self, name: str, host: str, port: int, answer_s: float = ANSWER_S) -> None:
        self.name, self.host, self.port, self.answer_s = name, host, port, answer_s
        self._one_at_a_time = asyncio.Lock()

    async def state(self) -> ProjectorState:
        """What it says of itself now.  Raises: ProjectorTrouble."""
        return await self.set(())

    async def set(self, settings: Sequence[tuple[Control, str]]) -> ProjectorState:
        """Set these, one after the other, and say what it came to.  Raises: ProjectorTrouble, ProjectorRefuses."""
        why = "somebody else is asking it"
        try:
            async with asyncio.timeout(WHOLE * self.answer_s):
                await self._one_at_a_time.acquire()
        except TimeoutError as error:
            raise self._trouble(why) from error
        act = _Act(list(settings))
        try:
            async with asyncio.timeout(TRIES * WHOLE * self.answer_s):
                return await self._tried(act)
        except TimeoutError as error:
            raise self._trouble(act.why) from error
        finally:
            self._one_at_a_time.release()

    async def _tried(self, act: "_Act") -> ProjectorState:
        """Connection after connection, while one in three brings something new.  Raises: ProjectorTrouble, ProjectorRefuses."""
        tries = TRIES
        while tries > 0:
            before = act.answers
            try:
                async with asyncio.timeout(WHOLE * self.answer_s), self._line() as line:
                    await act.go_on(line)
                return _state(self.name, act.said)
            except _Unreadable as error:
                act.why = str(error)
                act.said.clear()
            except _Broken as error:
                act.why = str(error)
            except TimeoutError:
                act.why = "no answer in time"
            except OSError as error:
                act.why = error.strerror or "no connection"
            tries = tries - 1 if act.answers <= before else TRIES
        raise self._trouble(act.why)

    def _trouble(self, why: str) -> ProjectorTrouble:
        return ProjectorTrouble(
            f"{self.name} at {self.host}:{self.port} cannot be used: {why}. Check that it has power, its network cable,"
            " and its address in the server's settings.",
            field="projector",
            got=self.name,
        )

    @asynccontextmanager
    async def _line(self) -> AsyncIterator["_Line"]:
        async with asyncio.timeout(self.answer_s):
            reader, writer = await asyncio.open_connection(self.host, self.port, limit=LONGEST)
        try:
            line = _Line(reader, writer, self.answer_s)
            said = await line.ask("hello", "hello")
            if said != PROTOCOL:
                raise _Broken(f"it says “{said[:60]}” where “{PROTOCOL}” belongs")
            yield line
        finally:
            writer.transport.abort()
            with suppress(OSError):
                await writer.wait_closed()


class _Act:
    """What is still to be set, and what was answered so far: a broken connection takes nothing of it back."""

    def __init__(self, left: list[tuple[Control, str]]) -> None:
        self.left, self.said, self.why = left, dict[str, str](), "no answer in time"

    @property
    def answers(self) -> int:
        """How much has come through."""
        return len(self.said) - len(self.left)

    async def go_on(self, line: "_Line") -> None:
        """Set the rest, then read the rest.  Raises: as _Line.ask."""
        while self.left:
            what, value = self.left[0]
            await line.ask(f"set {what} {value}", what)
            del self.left[0]
        for name in NAMES:
            if name not in self.said:
                self.said[name] = await line.ask(f"get {name}", name)


class _Line:
    """One connection, a request at a time."""

    def __init__(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter, answer_s: float) -> None:
        self.reader, self.writer, self.answer_s, self.numbers = reader, writer, answer_s, count(1)

    async def ask(self, request: str, name: str) -> str:
        """The value that is answered.  Raises: _Broken, TimeoutError, OSError, ProjectorRefuses."""
        number = next(self.numbers)
        async with asyncio.timeout(self.answer_s):
            self.writer.write(f"{number} {request}\n".encode())
            await self.writer.drain()
            try:
                raw = await self.reader.readuntil(b"\n")
            except asyncio.IncompleteReadError as error:
                raise _Broken("the connection was dropped") from error
            except asyncio.LimitOverrunError as error:
                raise _Broken("an answer without end") from error
        try:
            told, what, value = [*raw.decode("utf-8").strip().split(" ", 2), ""][:3]
        except ValueError as error:  # no words, or no text
            raise _Broken("an answer that cannot be read") from error
        if told != str(number) or what not in (name, "no"):
            raise _Broken(f"it answered “{told[:20]} {what[:20]}” to “{number} {request}”")
        if what == "no":
            raise ProjectorRefuses(f"The projector says no: {value}.", field=name, got=request)
        return value


def _state(name: str, said: dict[str, str]) -> ProjectorState:
    """Every value read, or none is trusted.  Raises: _Unreadable."""
    try:
        return ProjectorState(
            name=name,
            model=said["model"],
            power=POWERS[said["power"]],
            light={"on": True, "off": False}[said["light"]],
            input=said["input"],
            inputs=_words(said["inputs"]),
            memory=said["memory"] or None,
            memories=_words(said["memories"]),
            zoom=_number(said["zoom"]),
            zoom_range=_range(said["zoom-range"]),
            shift_h=_number(said["shift-h"]),
            shift_h_range=_range(said["shift-h-range"]),
            shift_v=_number(said["shift-v"]),
            shift_v_range=_range(said["shift-v-range"]),
            lamp_h=_number(said["lamp-h"]),
            errors=_words(said["errors"]),
        )
    except (KeyError, ValueError) as error:
        raise _Unreadable(f"a value that cannot be read ({error})") from error


def _words(text: str) -> tuple[str, ...]:
    return tuple(text.split(SPLIT)) if text else ()


def _number(text: str) -> float:
    value = float(text)
    if not math.isfinite(value):
        raise ValueError(text)
    return value


def _range(text: str) -> tuple[float, float]:
    low, high = (_number(one) for one in text.split())
    return low, high
