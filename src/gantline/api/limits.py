"""What one request may take, and how many may wait: refused at once and in words, before memory or threads are gone."""

import asyncio

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from gantline.api.doors import answer_problem

CLOSE = (b"connection", b"close")
SLOWEST_S = 20.0  # between two pieces of one body


class Busy:
    """Answers 503 with Retry-After once `most` requests are under way: a queue has an end."""

    def __init__(self, app: ASGIApp, most: int) -> None:
        self.app, self.most, self.under_way = app, most, 0

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http" or scope["path"] == "/api/health":
            await self.app(scope, receive, send)
            return
        if self.under_way >= self.most:
            text = "Too many requests at once. Nothing was saved by this one; try again in a moment."
            await answer_problem(scope, send, 503, "busy", "Busy", text, (b"retry-after", b"1"))
            return
        self.under_way += 1
        try:
            await self.app(scope, receive, send)
        finally:
            self.under_way -= 1


class BodyLimit:
    """Answers 413 above `largest` bytes (`photos` for a photo), whether announced or counted, and 408 to a body that does not
    arrive."""

    def __init__(self, app: ASGIApp, largest: int, photos: int) -> None:
        self.app, self.largest, self.photos = app, largest, photos

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        largest = self.photos if scope["path"].endswith("/photos") else self.largest
        announced = dict(scope["headers"]).get(b"content-length", b"0")
        if announced.isdigit() and (len(announced) > 18 or int(announced) > largest):
            await self._refuse(scope, send, largest)
            return
        taken, whole = 0, False
        refused = ""

        async def counted() -> Message:
            nonlocal taken, refused, whole
            try:
                message = await (receive() if whole else asyncio.wait_for(receive(), SLOWEST_S))
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

    async def _refuse(self, scope: Scope, send: Send, largest: int) -> None:
        text = f"This is larger than the {largest // 1000} kB that are accepted."
        await answer_problem(scope, send, 413, "too-large", "Too large", text, CLOSE)
