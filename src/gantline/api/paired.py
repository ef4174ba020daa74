"""Beyond this machine: only paired devices are served, and the device's name is who saves."""

import time
from collections.abc import Callable
from typing import Any
from uuid import UUID

from starlette.concurrency import run_in_threadpool
from starlette.requests import HTTPConnection
from starlette.types import ASGIApp, Receive, Scope, Send

from gantline.api.doors import answer_problem
from gantline.store import devices

Device = tuple[UUID, str]  # its id and name
COOKIE = "__Host-gantline-device"
OPEN = ("/pair", "/mark.svg", "/api/pair", "/api/health")
KEPT_S = 3.0  # how long an unpaired device may still come in
MOST_KEPT = 1000
NOT_PAIRED = "This device is not paired. Ask the office for a code: Devices, in the yard."


class Paired:
    """Refuses every request without the token of a paired device, but for the page that pairs.

    sessions: gives the session factory. The token comes as a cookie, or from programs as Authorization: Bearer.
    """

    def __init__(self, app: ASGIApp, sessions: Callable[[], Any]) -> None:
        self.app, self.sessions = app, sessions
        self.kept: dict[str, tuple[float, Device]] = {}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] not in ("http", "websocket") or _open(scope["path"]):
            await self.app(scope, receive, send)
            return
        device = await self._device(HTTPConnection(scope))
        if device is not None:
            scope.setdefault("state", {})["device"] = device
            await self.app(scope, receive, send)
        elif scope["type"] == "websocket":
            await send({"type": "websocket.close", "code": 4401, "reason": NOT_PAIRED})
        elif scope["path"].startswith("/api/") or scope["method"] != "GET":
            await answer_problem(scope, send, 401, "not-paired", "Not paired", NOT_PAIRED)
        else:
            headers = [(b"location", b"/pair"), (b"content-length", b"0"), (b"cache-control", b"no-store")]
            await send({"type": "http.response.start", "status": 303, "headers": headers})
            await send({"type": "http.response.body", "body": b""})

    async def _device(self, asked: HTTPConnection) -> Device | None:
        scheme, _, given = asked.headers.get("authorization", "").partition(" ")
        token = given.strip() if scheme.lower() == "bearer" else asked.cookies.get(COOKIE, "")
        if not token:
            return None
        kept = self.kept.get(token)
        if kept and time.monotonic() - kept[0] < KEPT_S:
            return kept[1]
        found = await run_in_threadpool(self._look, token)
        if found is None:
            self.kept.pop(token, None)
            return None
        if len(self.kept) >= MOST_KEPT:
            self.kept.clear()
        self.kept[token] = (time.monotonic(), found)
        return found

    def _look(self, token: str) -> Device | None:
        with self.sessions().begin() as session:
            return devices.device_of(session, token)


def _open(path: str) -> bool:
    return path in OPEN or path.startswith("/assets/")
