"""What is new of a job, told to every page that is open on it, whichever server it came in by: LISTEN and NOTIFY."""

import asyncio
import logging
from collections import defaultdict
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from uuid import UUID

import psycopg

from gantline.settings import psycopg_url
from gantline.store.readings import CHANNEL

AGAIN_S = 1.0
MOST_WAITING = 16
log = logging.getLogger("gantline")


class News:
    """One listening connection a server process, opened for the first page and opened again after a break."""

    def __init__(self, url: str) -> None:
        self.url = psycopg_url(url).replace("+psycopg", "", 1)
        self.waiting: dict[str, set[asyncio.Queue[str]]] = defaultdict(set)
        self.listening: asyncio.Task[None] | None = None

    @contextmanager
    def of(self, job_id: UUID) -> Iterator[asyncio.Queue[str]]:
        """A queue of what is new of a job, one word each. After a break of the database it says what may be new."""
        queue: asyncio.Queue[str] = asyncio.Queue(MOST_WAITING)
        self.waiting[str(job_id)].add(queue)
        if self.listening is None or self.listening.done():
            self.listening = asyncio.create_task(self._listen())
        try:
            yield queue
        finally:
            self.waiting[str(job_id)].discard(queue)
            if not self.waiting[str(job_id)]:
                del self.waiting[str(job_id)]

    async def close(self) -> None:
        """Let go of the connection."""
        if self.listening is not None:
            self.listening.cancel()
            with suppress(asyncio.CancelledError):
                await self.listening
            self.listening = None

    async def _listen(self) -> None:
        while True:
            try:
                async with await psycopg.AsyncConnection.connect(
                    self.url, autocommit=True, connect_timeout=5
                ) as connection:
                    await connection.execute(f"LISTEN {CHANNEL}")
                    for job_id in list(self.waiting):  # what came before, or meanwhile
                        self._tell(job_id, "readings")
                    async for notify in connection.notifies():
                        self._tell(*notify.payload.split(" ", 1))
            except psycopg.Error as error:
                log.warning("news of other servers are missed: %s", type(error).__name__)
            await asyncio.sleep(AGAIN_S)

    def _tell(self, job_id: str, what: str) -> None:
        for queue in self.waiting.get(job_id, ()):
            with suppress(asyncio.QueueFull):  # whoever is that far behind asks anyway
                queue.put_nowait(what)
