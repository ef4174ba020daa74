"""Beyond this machine: only paired devices are served, and the device's name is who saves."""

import asyncio
import time
from collections.abc import Callable, Sequence
from typing import Any
from uuid import UUID

from anyio import CapacityLimiter, to_thread
from sqlalchemy.exc import SQLAlchemyError
from starlette.concurrency import run_in_threadpool
from starlette.requests import HTTPConnection
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from gantline.api.doors import answer_problem
from gantline.store import devices

Device = tuple[UUID, str]  # its id and name
COOKIE = "__Host-gantline-device"
OPEN = ("/pair", "/mark.svg", "/api/pair", "/api/health")
KEPT_S = 2.0  # how long an unpaired device may still come in
WATCH_S = 1.0  # between two looks whether open sockets are still allowed
STRANGE_AT_ONCE, MOST_IN_LINE = 2, 100  # tokens that nobody has shown yet
MOST_KEPT = 1000
NOT_PAIRED = "This device is not paired. Ask the office for a code: Devices, in the yard."


class Paired:
    """Refuses every request without the token of a paired device, but for the page that pairs; ends the sockets of a device that
    is unpaired.

    sessions: gives the session factory. The token comes as a cookie, or from programs as Authorization: Bearer. Against: a
    stranger who tries tokens, whose questions to the database wait in a line of their own; a stolen phone.
    """

    def __init__(self, app: ASGIApp, sessions: Callable[[], Any]) -> None:
        self.app, self.sessions = app, sessions
        self.kept: dict[str, tuple[float, Device]] = {}
        self.strange, self.in_line = CapacityLimiter(STRANGE_AT_ONCE), 0
        self.sockets: dict[UUID, set[asyncio.Event]] = {}
        self.watching: asyncio.Task[None] | None = None

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] not in ("http", "websocket"):
            await self.app(scope, receive, send)
            return
        if self.in_line >= MOST_IN_LINE:
            await _answer(
                scope, send, 503, "busy", "Busy", "Too many devices ask to come in. Try again in a moment."
            )
            return
        try:
            device = await self._device(HTTPConnection(scope))
        except SQLAlchemyError:
            text = "The database does not answer. Nothing was saved; try again in a moment."
            await _answer(scope, send, 503, "database-away", "The database is out of reach", text)
            return
        if device is not None:
            scope.setdefault("state", {})["device"] = device
            if scope["type"] == "websocket":
                await self._socket(device[0], scope, receive, send)
            else:
                await self.app(scope, receive, send)
        elif _open(scope["path"]):
            await self.app(scope, receive, send)
        elif scope["type"] == "websocket" or scope["path"].startswith("/api/") or scope["method"] != "GET":
            await _answer(scope, send, 401, "not-paired", "Not paired", NOT_PAIRED)
        else:
            headers = [(b"location", b"/pair"), (b"content-length", b"0"), (b"cache-control", b"no-store")]
            await send({"type": "http.response.start", "status": 303, "headers": headers})
            await send({"type": "http.response.body", "body": b""})

    async def _socket(self, device: UUID, scope: Scope, receive: Receive, send: Send) -> None:
        """A socket that lasts as long as its device is paired."""
        gone = asyncio.Event()
        self.sockets.setdefault(device, set()).add(gone)
        if self.watching is None or self.watching.done():
            self.watching = asyncio.create_task(self._watch())
        leaving = asyncio.create_task(gone.wait())

        async def heard() -> Message:
            hearing = asyncio.ensure_future(receive())
            await asyncio.wait({hearing, leaving}, return_when=asyncio.FIRST_COMPLETED)
            if hearing.done():
                return hearing.result()
            hearing.cancel()
            await send({"type": "websocket.close", "code": 4401, "reason": NOT_PAIRED})
            return {"type": "websocket.disconnect", "code": 4401}

        async def said(message: Message) -> None:
            if not gone.is_set():
                await send(message)

        try:
            await self.app(scope, heard, said)
        finally:
            leaving.cancel()
            self.sockets[device].discard(gone)
            if not self.sockets[device]:
                del self.sockets[device]

    async def _watch(self) -> None:
        """One question a second for all open sockets: which of their devices are still paired."""
        while self.sockets:
            await asyncio.sleep(WATCH_S)
            asked = list(self.sockets)  # one that opens a socket meanwhile was not asked for
            try:
                there = await run_in_threadpool(self._still_there, asked)
            except SQLAlchemyError:  # out of reach: nobody was unpaired there meanwhile
                continue
            for device in [device for device in asked if device not in there]:
                for gone in self.sockets.get(device, ()):
                    gone.set()

    def _still_there(self, asked: Sequence[UUID]) -> set[UUID]:
        with self.sessions().begin() as session:
            return devices.still_paired(session, asked)

    async def _device(self, asked: HTTPConnection) -> Device | None:
        scheme, _, given = asked.headers.get("authorization", "").partition(" ")
        token = given.strip() if scheme.lower() == "bearer" else asked.cookies.get(COOKIE, "")
        if not token:
            return None
        kept = self.kept.get(token)
        if kept and time.monotonic() - kept[0] < KEPT_S:
            return kept[1]
        if kept:
            device = await run_in_threadpool(self._look, token)
        else:
            self.in_line += 1
            try:
                device = await to_thread.run_sync(self._look, token, limiter=self.strange)
            finally:
                self.in_line -= 1
        if device is None:
            self.kept.pop(token, None)
            return None
        if len(self.kept) >= MOST_KEPT:
            self.kept.clear()
        self.kept[token] = (time.monotonic(), device)
        return device

    def _look(self, token: str) -> Device | None:
        with self.sessions().begin() as session:
            return devices.device_of(session, token)


async def _answer(scope: Scope, send: Send, status: int, code: str, title: str, text: str) -> None:
    if scope["type"] == "websocket":
        await send({"type": "websocket.close", "code": 4401, "reason": text})
    else:
        await answer_problem(scope, send, status, code, title, text, (b"connection", b"close"))


def _open(path: str) -> bool:
    return path in OPEN or path.startswith("/assets/")
