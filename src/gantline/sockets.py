"""Sockets that do not say what they want are closed: a request's head must arrive whole in a few seconds."""

import asyncio
from typing import Any

import h11
from uvicorn.protocols.http.h11_impl import H11Protocol

LOOK_S = 2.5
PATIENCE_S = 10.0


class PatientProtocol(H11Protocol):
    """Uvicorn's own, that looks from time to time whether a head is still under way.

    Uvicorn closes a connection that is silent after an answer; one that sends a byte now and then, or nothing from the
    beginning, it keeps.
    """

    def connection_made(self, transport: Any) -> None:
        """A new connection begins to wait for a head."""
        super().connection_made(transport)
        self.waiting_since: float | None = self.loop.time()
        self.answered = self.cycle
        self.looking: asyncio.TimerHandle = self.loop.call_later(LOOK_S, self._look)

    def connection_lost(self, exc: Exception | None) -> None:
        """Nobody is there to be looked at."""
        self.looking.cancel()
        super().connection_lost(exc)

    def _look(self) -> None:
        if self.transport.is_closing():
            return
        now = self.loop.time()
        if self.conn.their_state is not h11.IDLE or self.cycle is not self.answered:
            self.waiting_since, self.answered = (
                None,
                self.cycle,
            )  # a request is under way, or was since the last look
        elif self.waiting_since is None:
            self.waiting_since = now
        elif now - self.waiting_since > PATIENCE_S:
            self.transport.close()
            return
        self.looking = self.loop.call_later(LOOK_S, self._look)
