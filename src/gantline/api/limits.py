"""Refusing bodies that are too large before they are read into memory."""

import orjson
from starlette.types import ASGIApp, Message, Receive, Scope, Send


class BodyLimit:
    """Answers 413 as a problem document above `largest` bytes, whether announced or counted."""

    def __init__(self, app: ASGIApp, largest: int) -> None:
        self.app, self.largest = app, largest

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        announced = dict(scope["headers"]).get(b"content-length", b"0")
        if announced.isdigit() and int(announced) > self.largest:
            await self._refuse(scope, send)
            return
        taken = 0
        refused = False

        async def counted() -> Message:
            nonlocal taken, refused
            message = await receive()
            taken += len(message.get("body", b""))
            if taken > self.largest:
                refused = True
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
        if refused:
            await self._refuse(scope, send)

    async def _refuse(self, scope: Scope, send: Send) -> None:
        text = f"This is larger than the {self.largest // 1000} kB that are accepted."
        body = orjson.dumps(
            {
                "type": "/problems/too-large",
                "title": "Too large",
                "status": 413,
                "detail": text,
                "instance": scope["path"],
            }
        )
        headers = [
            (b"content-type", b"application/problem+json"),
            (b"content-length", str(len(body)).encode()),
            (b"connection", b"close"),
        ]
        await send({"type": "http.response.start", "status": 413, "headers": headers})
        await send({"type": "http.response.body", "body": body})
