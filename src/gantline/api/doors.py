"""Who may come in: known hosts, our own pages and programs; what browsers are told about what goes out."""

from collections.abc import Iterable

import orjson
from starlette.types import ASGIApp, Message, Receive, Scope, Send

OWN_NAMES = ("127.0.0.1", "localhost", "[::1]")
CHANGES = ("POST", "PUT", "PATCH", "DELETE")
FOREIGN = ("cross-site", "same-site")
OPEN_TO_ALL_S = 31_536_000

# scripts only from here and never inline; styles may be inline, since the board sets its own measures
POLICY = "; ".join(
    (
        "default-src 'self'",
        "script-src 'self'",
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "connect-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
    )
)
HEADERS = (
    (b"content-security-policy", POLICY.encode()),
    (b"x-content-type-options", b"nosniff"),
    (b"referrer-policy", b"same-origin"),
    (b"cross-origin-opener-policy", b"same-origin"),
)

BUILD = b"gantline-build"  # a page that is open over an upgrade sees by it that there is a newer one
HSTS = (b"strict-transport-security", b"max-age=31536000")


class Doors:
    """Refuses hosts nobody named, and changes and sockets that a page of somewhere else asks for.

    https: browsers are told to come back over HTTPS only; build: which pages are served. A request without an origin comes
    from no page: meters and the command line go on.
    """

    def __init__(
        self, app: ASGIApp, hosts: Iterable[str] = (), *, https: bool = False, build: str = ""
    ) -> None:
        self.more = ((BUILD, build.encode()), *((HSTS,) if https else ()))
        self.app, self.hosts = app, frozenset(one.lower() for one in (*OWN_NAMES, *hosts))

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] not in ("http", "websocket"):
            await self.app(scope, receive, send)
            return
        headers = {key: value.decode("latin-1") for key, value in scope["headers"]}
        host = headers.get(b"host", "").lower()
        why = self._foreign(scope, headers, host)
        if why is None:
            await self.app(scope, receive, _with_headers(scope, send, self.more))
        elif scope["type"] == "websocket":
            await send({"type": "websocket.close", "code": 4403, "reason": why[:120]})
        else:
            await _refuse(scope, send, why)

    def _foreign(self, scope: Scope, headers: dict[bytes, str], host: str) -> str | None:
        if _name_of(host) not in self.hosts:
            return "This address is not one Gantline was started for. Name it with --host."
        if scope["type"] == "http" and scope["method"] not in CHANGES:
            return None
        origin = headers.get(b"origin", "")
        if origin and origin.lower().partition("://")[2] != host:
            return "A page of another address asks for this, and only Gantline's own pages may."
        if headers.get(b"sec-fetch-site", "") in FOREIGN:
            return "A page of another address asks for this, and only Gantline's own pages may."
        return None


def _name_of(host: str) -> str:
    return host[: host.find("]") + 1] if host.startswith("[") else host.partition(":")[0]


def _with_headers(scope: Scope, send: Send, further: Iterable[tuple[bytes, bytes]] = ()) -> Send:
    asset = scope.get("path", "").startswith("/assets/")
    cache = f"public, max-age={OPEN_TO_ALL_S}, immutable" if asset else "private, no-cache"

    async def sent(message: Message) -> None:
        if message["type"] == "http.response.start":
            there = {key.lower() for key, _ in message["headers"]}
            more = [*HEADERS, *further, (b"cache-control", cache.encode())]
            message["headers"] = [*message["headers"], *((k, v) for k, v in more if k not in there)]
        await send(message)

    return sent


async def _refuse(scope: Scope, send: Send, why: str) -> None:
    await answer_problem(scope, send, 403, "foreign", "Not from here", why)


async def answer_problem(
    scope: Scope, send: Send, status: int, code: str, title: str, detail: str, *more: tuple[bytes, bytes]
) -> None:
    """Send a problem document from outside the application.  more: further headers."""
    body = orjson.dumps(
        {
            "type": f"/problems/{code}",
            "title": title,
            "status": status,
            "detail": detail,
            "instance": scope["path"],
        }
    )
    headers = [
        (b"content-type", b"application/problem+json"),
        (b"content-length", str(len(body)).encode()),
        *more,
    ]
    await send({"type": "http.response.start", "status": status, "headers": headers})
    await send({"type": "http.response.body", "body": body})
