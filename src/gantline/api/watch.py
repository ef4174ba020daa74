"""Seeing what the server does: a request id, one line a request, counts and times for Prometheus."""

import json
import logging
import re
import secrets
import time
from contextvars import ContextVar

from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest
from starlette.types import ASGIApp, Message, Receive, Scope, Send

log = logging.getLogger("gantline.request")
request_id: ContextVar[str] = ContextVar("request_id", default="-")
GIVEN_ID = re.compile(rb"[A-Za-z0-9_.-]{1,64}")
BOUNDS_S = (0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1.0, 2.5, 5.0, 10.0)


class Numbers:
    """What this process has answered, by route, method and status, and how long it took."""

    def __init__(self) -> None:
        self.registry = CollectorRegistry()
        self.answers = Counter(
            "gantline_answers", "Requests answered", ("method", "route", "status"), registry=self.registry
        )
        self.seconds = Histogram(
            "gantline_seconds", "Time to the whole answer", ("method", "route"), buckets=BOUNDS_S, registry=self.registry
        )  # fmt: skip

    def text(self) -> bytes:
        """In the Prometheus text format."""
        return generate_latest(self.registry)


class Watch:
    """Gives every request an id, writes one line when it is answered, and counts it."""

    def __init__(self, app: ASGIApp, numbers: Numbers) -> None:
        self.app, self.numbers = app, numbers

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        given = dict(scope["headers"]).get(b"x-request-id", b"")
        name = given.decode() if GIVEN_ID.fullmatch(given) else secrets.token_hex(6)
        request_id.set(name)
        began, status = time.perf_counter(), 500

        async def sent(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
                message["headers"] = [*message["headers"], (b"x-request-id", name.encode())]
            await send(message)

        try:
            await self.app(scope, receive, sent)
        finally:
            taken = time.perf_counter() - began
            route = getattr(
                scope.get("route"), "path", "other"
            )  # the pattern: few, and without anybody's names
            method = scope["method"]
            self.numbers.answers.labels(method, route, str(status)).inc()
            self.numbers.seconds.labels(method, route).observe(taken)
            log.info(
                "%s %s %s %.1f ms", method, scope["path"], status, taken * 1e3,
                extra={"method": method, "path": scope["path"], "status": status, "ms": round(taken * 1e3, 1)},
            )  # fmt: skip


class JsonLines(logging.Formatter):
    """One JSON object a line."""

    def format(self, record: logging.LogRecord) -> str:
        """The record with its request id, and of a request its numbers."""
        body = {
            "at": self.formatTime(record, "%Y-%m-%dT%H:%M:%S%z"),
            "level": record.levelname.lower(),
            "from": record.name,
            "request": request_id.get(),
            "text": record.getMessage(),
        }
        body |= {
            key: getattr(record, key) for key in ("method", "path", "status", "ms") if hasattr(record, key)
        }
        if record.exc_info:
            body["error"] = self.formatException(record.exc_info)
        return json.dumps(body, ensure_ascii=False)


class Lines(logging.Formatter):
    """One line to read."""

    def format(self, record: logging.LogRecord) -> str:
        """Time, level, request id, text; line ends in what was asked for cannot forge a line."""
        text = record.getMessage().replace("\r", "\\r").replace("\n", "\\n")
        said = f"{self.formatTime(record)} {record.levelname.lower()} {request_id.get()} {text}"
        return f"{said}\n{self.formatException(record.exc_info)}" if record.exc_info else said


def write_log(*, as_json: bool, requests: bool) -> None:
    """Where everything goes: standard error, as lines to read or as JSON; requests: a line for each."""
    handler = logging.StreamHandler()
    handler.setFormatter(JsonLines() if as_json else Lines())
    logging.basicConfig(level=logging.WARNING, handlers=[handler], force=True)
    logging.getLogger("gantline.request").setLevel(logging.INFO if requests else logging.WARNING)
