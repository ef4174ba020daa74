"""What one request may take, and how many may wait: refused at once and in words, before memory or threads are gone.

Against: a stranger in the same network who fills places or sends slowly, and a paired device that does so by a fault.
"""

import asyncio
import time
from collections import Counter

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from gantline.api.doors import answer_problem
from gantline.strangers import STRANGERS

CLOSE = (b"connection", b"close")
SLOWEST_S = 20.0  # between two pieces of one body
WHOLE_S = 30.0  # for all of a body
OUTSIDE_WHOLE_S = 5.0
OUTSIDE_ANSWER_S = 30.0
SLOWEST_BYTES_S = 100_000  # a photo gets as long as it takes at this pace
OUTSIDE_BYTES = 2_000  # a code and a name
OUTSIDE, OUTSIDE_PAIRING, PAIRING_AN_ADDRESS = 40, 4, 2
PAIRING = "/api/pair"
MOST_ADDRESSES = 1000


class Busy:
    """Answers 503 with Retry-After once `most` requests are under way: a queue has an end.

    outside: whether some who ask are not paired; they have few places of their own, and fewer to pair.
    """

    def __init__(self, app: ASGIApp, most: int, *, outside: bool = False) -> None:
        self.app, self.most, self.outside = app, most, outside
        self.under_way: Counter[str] = Counter()

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        known = not self.outside or is_known(scope)
        if known and scope.get("client"):
            STRANGERS.known(tuple(scope["client"]))
        if scope["type"] != "http" or scope["path"] == "/api/health":
            await self.app(scope, receive, send)
            return
        places = [("known", self.most)] if known else self._outside(scope)
        if any(self.under_way[place] >= most for place, most in places):
            text = "Too many requests at once. Nothing was saved by this one; try again in a moment."
            more = () if known else (CLOSE,)
            await answer_problem(scope, send, 503, "busy", "Busy", text, (b"retry-after", b"1"), *more)
            return
        self.under_way.update(place for place, _ in places)
        try:
            # who is not paired may also not take for ever to read an answer
            await asyncio.wait_for(self.app(scope, receive, send), None if known else OUTSIDE_ANSWER_S)
        except TimeoutError:
            if known:
                raise
        finally:
            self.under_way.subtract(place for place, _ in places)
            self.under_way += Counter()  # an address whose last request is over is forgotten

    def _outside(self, scope: Scope) -> list[tuple[str, int]]:
        """The places that one who is not paired takes, and how many of each there are."""
        if scope["path"] != PAIRING:
            return [("outside", OUTSIDE)]
        return [("pairing", OUTSIDE_PAIRING), (f"pairing {address_of(scope)}", PAIRING_AN_ADDRESS)]


class Tries:
    """Wrong codes of each address in the last minute: past the most, its further ones are refused for a while."""

    def __init__(self, most: int) -> None:
        self.most = most
        self.by_address: dict[str, list[float]] = {}

    def wrong(self, scope: Scope) -> bool:
        """Count one; whether there are too many."""
        now, address = time.monotonic(), address_of(scope)
        if len(self.by_address) > MOST_ADDRESSES:
            self.by_address.clear()
        lately = [one for one in self.by_address.get(address, ()) if now - one < 60.0]
        self.by_address[address] = [*lately[-self.most :], now]
        return len(lately) >= self.most


class BodyLimit:
    """Answers 413 above `largest` bytes (`photos` for a photo), whether announced or counted, and 408 to a body that does not
    arrive: neither piece by piece nor as a whole. outside: as above; who is not paired sends a code and a name."""

    def __init__(self, app: ASGIApp, largest: int, photos: int, *, outside: bool = False) -> None:
        self.app, self.largest, self.photos, self.outside = app, largest, photos, outside

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        largest, whole_s = self._limits(scope)
        announced = dict(scope["headers"]).get(b"content-length", b"0")
        if announced.isdigit() and (len(announced) > 18 or int(announced) > largest):
            await self._refuse(scope, send, largest)
            return
        taken, whole = 0, False
        refused = ""
        until = asyncio.get_running_loop().time() + whole_s

        async def counted() -> Message:
            nonlocal taken, refused, whole
            try:
                left = min(SLOWEST_S, until - asyncio.get_running_loop().time())
                message = await (receive() if whole else asyncio.wait_for(receive(), max(0.0, left)))
            except TimeoutError:
                refused = "slow"
                return {"type": "http.disconnect"}
            taken += len(message.get("body", b""))
            whole = whole or not message.get("more_body", False)
            if taken > largest:
                refused = "large"
                return {"type": "http.disconnect"}
            return message

        async def quiet(message: Message) -> None:
            if not refused:
                await send(message)

        try:
            await self.app(scope, counted, quiet)
        except Exception:
            if not refused:
                raise
        if refused == "large":
            await self._refuse(scope, send, largest)
        elif refused:
            text = "The rest of this request did not arrive. Nothing was saved; try again."
            await answer_problem(scope, send, 408, "slow", "Too slow", text, CLOSE)

    def _limits(self, scope: Scope) -> tuple[int, float]:
        """Most bytes, and the seconds for all of them."""
        if self.outside and not is_known(scope):
            return OUTSIDE_BYTES, OUTSIDE_WHOLE_S
        if scope["path"].endswith("/photos"):
            return self.photos, WHOLE_S + self.photos / SLOWEST_BYTES_S
        return self.largest, WHOLE_S

    async def _refuse(self, scope: Scope, send: Send, largest: int) -> None:
        text = f"This is larger than the {largest // 1000} kB that are accepted."
        await answer_problem(scope, send, 413, "too-large", "Too large", text, CLOSE)


def is_known(scope: Scope) -> bool:
    """Whether a paired device asks."""
    return "device" in scope.get("state", {})


def address_of(scope: Scope) -> str:
    """The address of who asks; empty where there is none."""
    client = scope.get("client")
    return str(client[0]) if client else ""
