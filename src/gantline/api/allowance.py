"""How much one device, and the whole installation, may take: one phone cannot fill the disk.

Against: a paired device with a fault, or in the wrong hands. Each process counts its own; where several serve, a device
has as many times that. Leaves out: whoever sits at the server itself.
"""

import asyncio
import shutil
import time
from collections import defaultdict
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path

from sqlalchemy import Engine, text
from sqlalchemy.exc import SQLAlchemyError
from starlette.concurrency import run_in_threadpool
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from gantline.api.doors import CHANGES, answer_problem

REQUESTS, REQUESTS_S = 1200, 60.0
BYTES, BYTES_S = 500_000_000, 3600.0
LOOK_S = 30.0
LEAST_FREE = 1_000_000_000  # bytes on the disk of the private database
ASKS_ONLY = ("/preview", "/draft", "/api/trainer", "/back")  # sent as a change, and nothing grows by it


@dataclass(slots=True)
class Taken:
    """What a device has taken since the window began."""

    since: float = field(default_factory=time.monotonic)
    amount: int = 0

    def more(self, amount: int, window_s: float) -> int:
        """Count, in a window that begins anew when it is over."""
        now = time.monotonic()
        if now - self.since > window_s:
            self.since, self.amount = now, 0
        self.amount += amount
        return self.amount


class Allowance:
    """Refuses a device's requests (429) past its number a minute or its bytes an hour, and what grows the database (507) when
    that is as large as it may be or the disk is nearly full. room: says why there is none; empty where there is."""

    def __init__(self, app: ASGIApp, room: Callable[[], str]) -> None:
        self.app, self.room = app, room
        self.requests: dict[object, Taken] = defaultdict(Taken)
        self.bytes: dict[object, Taken] = defaultdict(Taken)
        self.looked_at, self.full = 0.0, ""
        self.looking = asyncio.Lock()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        device = scope.get("state", {}).get("device")
        if device is not None:
            if self.requests[device[0]].more(1, REQUESTS_S) > REQUESTS:
                await self._too_much(
                    scope, send, f"This device asks more than {REQUESTS} times a minute.", 60
                )
                return
            if self.bytes[device[0]].more(0, BYTES_S) > BYTES:
                said = f"This device has sent {BYTES // 1_000_000} MB within an hour, and may not send more."
                await self._too_much(scope, send, said, 600)
                return
        if (
            scope["method"] in CHANGES
            and scope["method"] != "DELETE"
            and not scope["path"].endswith(ASKS_ONLY)
        ):
            why = await self._why_full()
            if why:
                await answer_problem(
                    scope, send, 507, "no-room", "No room", f"{why} Nothing was saved by this request."
                )
                return

        async def counted() -> Message:
            message = await receive()
            if device is not None:
                self.bytes[device[0]].more(len(message.get("body", b"")), BYTES_S)
            return message

        await self.app(scope, counted, send)

    async def _why_full(self) -> str:
        if time.monotonic() - self.looked_at > LOOK_S and not self.looking.locked():
            async with self.looking:  # the others go by what was seen last
                self.full = await run_in_threadpool(self.room)
                self.looked_at = time.monotonic()
        return self.full

    async def _too_much(self, scope: Scope, send: Send, why: str, after_s: int) -> None:
        await answer_problem(
            scope, send, 429, "too-much", "Too much", why, (b"retry-after", str(after_s).encode())
        )


def room_of(engine: Engine, folder: Path | None, most_gigabytes: float) -> Callable[[], str]:
    """Why a database may not grow: it is as large as it may be, or its disk is nearly full. folder: of a private one."""

    def why() -> str:
        try:
            with engine.connect() as connection:
                size = int(connection.scalar(text("SELECT pg_database_size(current_database())")) or 0)
        except SQLAlchemyError:
            return ""  # that it is away is said by what asks it
        if size > most_gigabytes * 1e9:
            most = f"{most_gigabytes:g} GB is the most. Empty the bin or remove photos."
            return f"This installation holds {size / 1e9:.1f} GB, and {most}"
        if folder is not None and folder.exists() and shutil.disk_usage(folder).free < LEAST_FREE:
            return "The server's disk is nearly full. Make room on it, then try again."
        return ""

    return why
