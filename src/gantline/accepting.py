"""Uvicorn's server with an ear of our own: it sees a connection before TLS, gives it an end, and answers plain HTTP.

Against: connections that never begin their handshake, more of them than there are files, and browsers that were given http://.
"""

import asyncio
import errno
import logging
import socket
from collections.abc import Callable
from contextlib import suppress
from functools import partial
from types import FrameType

import uvicorn

from gantline import ending
from gantline.strangers import STRANGERS, Key

HANDSHAKE_S = 5.0
AT_ONCE = 64  # connections taken in one turn of the loop
LARGEST_PLAIN = 4096
TLS_BEGINS = b"\x16"
NO_FILES = (errno.EMFILE, errno.ENFILE)
log = logging.getLogger("gantline")


class ListeningServer(uvicorn.Server):
    """Takes connections itself; everything after that is uvicorn's.

    told: called once it serves. address: what stands in the answer to plain HTTP where HTTPS is served.
    """

    def __init__(
        self, config: uvicorn.Config, told: Callable[[], None] | None = None, address: str = ""
    ) -> None:
        super().__init__(config)
        self.told, self.address = told, address
        self.beginning: set[asyncio.Task[None]] = set()

    async def startup(self, sockets: list[socket.socket] | None = None) -> None:
        """Listen."""
        await super().startup(sockets=[])
        self.loop = asyncio.get_running_loop()
        for listening in sockets or []:
            listening.setblocking(False)
            self.loop.add_reader(listening, self._take, listening)
        if self.told is not None:
            self.told()

    async def shutdown(self, sockets: list[socket.socket] | None = None) -> None:
        """Listen no longer, let go of what has not begun, then as uvicorn does."""
        for listening in sockets or []:
            self.loop.remove_reader(listening)
        for task in self.beginning:
            task.cancel()
        await super().shutdown(sockets)

    def handle_exit(self, sig: int, frame: FrameType | None) -> None:
        """Told to end: it has a few seconds."""
        ending.begin()
        super().handle_exit(sig, frame)

    def _take(self, listening: socket.socket) -> None:
        for _ in range(AT_ONCE):
            try:
                connection, place = listening.accept()
            except (BlockingIOError, ConnectionAbortedError):
                return
            except OSError as error:
                if error.errno not in NO_FILES:
                    raise
                STRANGERS.make_room()
                return
            task = self.loop.create_task(self._begin(connection, (place[0], place[1])))
            self.beginning.add(task)
            task.add_done_callback(self.beginning.discard)
            STRANGERS.came((place[0], place[1]), partial(_stop, task))

    async def _begin(self, connection: socket.socket, key: Key) -> None:
        """Up to the first request: with TLS its handshake first."""
        begun = False
        try:
            connection.setblocking(False)
            connection.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
            if self.config.ssl is not None and not await self._speaks_tls(connection):
                return
            more = {} if self.config.ssl is None else {
                "ssl": self.config.ssl, "ssl_handshake_timeout": HANDSHAKE_S, "ssl_shutdown_timeout": 1.0,
            }  # fmt: skip
            transport, _ = await self.loop.connect_accepted_socket(self._protocol, connection, **more)  # type: ignore[arg-type]
            begun = True
            if key in STRANGERS.by_address.get(key[0], ()):
                STRANGERS.by_address[key[0]][key] = transport.abort
            else:  # closed to make room while it shook hands
                transport.abort()
        except (OSError, ValueError, TimeoutError):
            pass  # it went, or never shook hands
        finally:
            if not begun:
                STRANGERS.left(key)
                connection.close()

    def _protocol(self) -> asyncio.Protocol:
        protocol: asyncio.Protocol = self.config.http_protocol_class(  # type: ignore[call-arg]
            config=self.config, server_state=self.server_state, app_state=self.lifespan.state, _loop=self.loop
        )
        return protocol

    async def _speaks_tls(self, connection: socket.socket) -> bool:
        """Whether TLS begins; whoever speaks plain HTTP is told the address."""
        await asyncio.wait_for(self._readable(connection), HANDSHAKE_S)
        first = connection.recv(1, socket.MSG_PEEK)
        if first and first != TLS_BEGINS:
            with suppress(BlockingIOError):
                connection.recv(LARGEST_PLAIN)
            text = f"This is served over HTTPS: {self.address}\n".encode()
            head = (
                f"HTTP/1.1 308 Permanent Redirect\r\nlocation: {self.address}/\r\nconnection: close\r\n"
                f"content-type: text/plain; charset=utf-8\r\ncontent-length: {len(text)}\r\n\r\n"
            )
            connection.send(head.encode() + text)
        return first == TLS_BEGINS

    async def _readable(self, connection: socket.socket) -> None:
        ready: asyncio.Future[None] = self.loop.create_future()
        self.loop.add_reader(connection, partial(_done, ready))
        try:
            await ready
        finally:
            self.loop.remove_reader(connection)


def _stop(task: "asyncio.Task[None]") -> None:
    task.cancel()


def _done(ready: "asyncio.Future[None]") -> None:
    if not ready.done():
        ready.set_result(None)
