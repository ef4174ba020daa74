"""Sockets that do not say what they want are closed: a request's head must arrive whole in a few seconds, and be short."""

import asyncio
from typing import Any

from uvicorn.protocols.http.httptools_impl import HttpToolsProtocol

from gantline.strangers import STRANGERS

LOOK_S = 2.5
PATIENCE_S = 10.0
LARGEST_HEAD = 64 * 1024  # bytes


class PatientProtocol(HttpToolsProtocol):
    """Uvicorn's own, that looks from time to time whether a head is still under way.

    Uvicorn closes a connection that is silent after an answer; one that sends a byte now and then, or nothing from the
    beginning, or a head without end, it keeps.
    """

    def connection_made(self, transport: Any) -> None:
        """A new connection begins to wait for a head."""
        super().connection_made(transport)
        self.waiting_since: float | None = self.loop.time()
        self.seen = self.cycle
        self.in_head, self.head_bytes = False, 0
        self.looking: asyncio.TimerHandle = self.loop.call_later(LOOK_S, self._look)

    def connection_lost(self, exc: Exception | None) -> None:
        """Nobody is there to be looked at."""
        self.looking.cancel()
        if self.client is not None:
            STRANGERS.left(self.client)
        super().connection_lost(exc)

    def handle_websocket_upgrade(self) -> None:
        """From here on it is a feed, with limits of its own."""
        self.looking.cancel()
        super().handle_websocket_upgrade()

    def on_message_begin(self) -> None:
        """A head begins."""
        super().on_message_begin()
        self.in_head, self.head_bytes, self.head_read = True, 0, 0

    def on_url(self, url: bytes) -> None:
        """A part of the address."""
        super().on_url(url)
        self._count(len(url))

    def on_header(self, name: bytes, value: bytes) -> None:
        """One line of the head."""
        super().on_header(name, value)
        self._count(len(name) + len(value))

    def _count(self, more: int) -> None:
        """A head that came in one piece is counted as it is read."""
        self.head_read += more
        if self.head_read > LARGEST_HEAD:
            raise ValueError("the head is too long")  # the parser stops, and uvicorn answers 400

    def on_headers_complete(self) -> None:
        """It is whole; what follows is counted where it is read."""
        self.in_head = False
        super().on_headers_complete()

    def data_received(self, data: bytes) -> None:
        """Pieces of a head add up, since nothing else holds them back."""
        super().data_received(data)
        if self.in_head:
            self.head_bytes += len(data)
            if self.head_bytes > LARGEST_HEAD and not self.transport.is_closing():
                self.send_400_response("This request's head is too long.")

    def _answering(self) -> bool:
        return self.cycle is not None and not self.cycle.response_complete

    def _look(self) -> None:
        if self.transport.is_closing():
            return
        now = self.loop.time()
        if self._answering() or self.cycle is not self.seen:
            # a request is under way, or was since the last look
            self.waiting_since, self.seen = None, self.cycle
        elif self.waiting_since is None:
            self.waiting_since = now
        elif now - self.waiting_since > PATIENCE_S:
            self.transport.close()
            return
        self.looking = self.loop.call_later(LOOK_S, self._look)
