"""The queue in PostgreSQL: what is asked for is put in by any server, and taken out by any worker."""

import asyncio
import logging
import multiprocessing
import os
import signal
import sys
import threading
import time
from dataclasses import dataclass, field
from multiprocessing import forkserver
from typing import Any

import procrastinate
from procrastinate.exceptions import AlreadyEnqueued
from sqlalchemy import create_engine
from sqlalchemy.orm import sessionmaker

from gantline import ending
from gantline.settings import psycopg_url
from gantline.store import results, upkeep
from gantline.work import child
from gantline.work.tasks import LONG

TASK = "gantline-work"
LANES = ("short", "long")  # work that takes long never stands before what somebody waits for
BEAT_S, LOOK_S = 1.0, 0.05
PATIENCE_S = 5.0  # for a connection
YIELDING = 5
log = logging.getLogger("gantline.work")


def _plain(url: str) -> str:
    return psycopg_url(url).replace("+psycopg", "", 1)


@dataclass
class Queue:
    """Puts keys of results into the queue; opened when it is first used."""

    url: str
    app: procrastinate.App | None = field(default=None, init=False)
    opening: threading.Lock = field(default_factory=threading.Lock, init=False)

    def put(self, key: str, task: str) -> None:
        """Ask for a result, once while it waits, in the lane of its task.  Raises: ConnectorException, the database is away."""
        with self.opening:  # two threads may be the first at once
            if self.app is None:
                # none is opened before it is wanted, so that a database that is away is not waited for in here
                connector = procrastinate.SyncPsycopgConnector(
                    conninfo=_plain(self.url), min_size=0, max_size=2, timeout=PATIENCE_S
                )
                app = procrastinate.App(connector=connector)
                app.open()
                self.app = app
        try:
            lane = LANES[task in LONG]
            self.app.configure_task(TASK, queue=lane, allow_unknown=True, queueing_lock=key).defer(key=key)
        except AlreadyEnqueued:
            return

    def close(self) -> None:
        """Let go of the connections."""
        if self.app is not None:
            self.app.close()
            self.app = None


def _stop(lanes: list["asyncio.Task[None]"]) -> None:
    for lane in lanes:
        lane.cancel()


@dataclass(kw_only=True)
class Worker:
    """Takes work from the queue, each piece in a child of its own. at_once: short pieces at the same time; one long piece
    beside them."""

    url: str
    at_once: int = 1
    seconds: float = 120.0
    megabytes: int = 4096

    def run(self) -> None:
        """Until SIGINT or SIGTERM; what is not done by then is left for another worker."""
        if "GANTLINE_WORK_FOR" in os.environ:  # a server has started it, and holds the other end of its input
            ending.end_with_server(sys.stdin.fileno())
        os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")  # of every child: as much memory a thread
        os.nice(YIELDING)  # all that it starts, too: who saves or drags at the same time goes first
        os.environ[ending.FORKS_FOR] = str(os.getpid())
        self.processes = multiprocessing.get_context("forkserver")
        self.processes.set_forkserver_preload(["gantline.work.first", "gantline.work.warm"])
        forkserver.ensure_running()  # loads it now, not when somebody waits for the first sheet
        engine = create_engine(psycopg_url(self.url), pool_size=self.at_once + 2, pool_pre_ping=True)
        self.sessions = sessionmaker(engine)
        self._in_session(upkeep.clear_queue)
        app = procrastinate.App(
            connector=procrastinate.PsycopgConnector(conninfo=_plain(self.url), max_size=6)
        )
        app.task(name=TASK, retry=False)(self.work)

        async def until_told() -> None:
            async with app.open_async():
                lanes = [
                    asyncio.create_task(
                        app.run_worker_async(
                            queues=[lane], concurrency=count, shutdown_graceful_timeout=0.5, delete_jobs="always",
                            fetch_job_polling_interval=2.0, install_signal_handlers=False,
                        )
                    )
                    for lane, count in zip(LANES, (self.at_once, 1), strict=True)
                ]  # fmt: skip
                for told in (signal.SIGINT, signal.SIGTERM):
                    asyncio.get_running_loop().add_signal_handler(told, _stop, lanes)
                # a lane that breaks takes the other with it: the server starts the worker anew
                done, _ = await asyncio.wait(lanes, return_when=asyncio.FIRST_COMPLETED)
                _stop(lanes)
                await asyncio.wait(lanes)
                for lane in done:
                    if not lane.cancelled():
                        lane.result()

        try:
            asyncio.run(until_told())
        finally:
            engine.dispose()

    async def work(self, key: str) -> None:
        """One piece: claimed, done in a child, watched over."""
        claimed = await asyncio.to_thread(self._in_session, results.claim, key)
        if claimed is None:
            return
        task, args = claimed
        ours, theirs = self.processes.Pipe(duplex=False)
        limits = self.seconds, self.megabytes, os.getpid()
        process = self.processes.Process(
            target=child.run, args=(theirs, self.url, task, args, *limits), daemon=True
        )
        await asyncio.to_thread(process.start)
        theirs.close()
        try:
            content, trouble = await self._watched(key, process, ours)
            if content is not None or trouble:
                await asyncio.to_thread(self._in_session, results.finish, key, content, trouble)
        except asyncio.CancelledError:
            self._in_session(results.put_back, key)
            raise
        finally:
            process.kill()
            await asyncio.to_thread(process.join)
            ours.close()

    async def _watched(self, key: str, process: Any, pipe: Any) -> tuple[bytes | None, str]:
        """What the child came to; nothing at all where nobody waits for it any more."""
        began, said_at, share, part = time.monotonic(), 0.0, 0.0, bytearray()
        fresh = said_part = False
        while True:
            gone = not process.is_alive()
            while pipe.poll():
                try:
                    kind, value = pipe.recv()
                except EOFError:
                    break
                match kind:
                    case "said":
                        share = value
                    case "part":
                        part += value
                        fresh = True
                    case "done":
                        return value, ""
                    case "failed":
                        return None, value
                    case _:
                        log.error("work %s broke: %s", key, value)
                        return None, "Something went wrong in this work; the worker's log says what."
            now = time.monotonic()
            if now - began > self.seconds:
                return None, f"This took longer than {self.seconds:g} seconds and was ended."
            if gone:
                return None, "This work ended by itself: it may need more memory or time than it may take."
            if now - said_at > BEAT_S or (fresh and not said_part):
                said_part = said_part or fresh
                said_at = now
                sofar = bytes(part) if fresh else None
                fresh = False
                if not await asyncio.to_thread(self._in_session, results.beat, key, share, sofar):
                    await asyncio.to_thread(self._in_session, results.give_up, key)
                    return None, ""
            await asyncio.sleep(LOOK_S)

    def _in_session(self, act: Any, *given: Any) -> Any:
        with self.sessions.begin() as session:
            return act(session, *given)
