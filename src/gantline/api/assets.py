"""The built files of the pages, held in memory and sent before anything else is asked: a first visit wants twenty of them, and
the way through every door, a disk and a thread for each would take longer than all that is computed. They are no secret."""

from collections.abc import Iterable, Mapping
from pathlib import Path

from starlette.types import ASGIApp, Receive, Scope, Send

from gantline.api.doors import HEADERS

KEPT = b"public, max-age=31536000, immutable"  # their names change with what is in them
ASKED_AGAIN = b"no-cache"
KINDS = {
    ".js": b"text/javascript; charset=utf-8",
    ".css": b"text/css; charset=utf-8",
    ".woff2": b"font/woff2",
    ".svg": b"image/svg+xml",
}
Answer = tuple[bytes, list[tuple[bytes, bytes]]]


class Assets:
    """Scripts, styles, fonts and pictures of the built pages; every other request goes on to the application. One that has its
    packed self beside it is sent as that, to whoever can read it. more: further headers."""

    def __init__(self, app: ASGIApp, folder: Path, more: Iterable[tuple[bytes, bytes]] = ()) -> None:
        self.app = app
        self.plain, self.packed = held(folder, [*HEADERS, *more])

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """ASGI."""
        plain = self.plain.get(scope["path"]) if scope["type"] == "http" else None
        if plain is None or scope["method"] not in ("GET", "HEAD"):
            await self.app(scope, receive, send)
            return
        packed = self.packed.get(scope["path"])
        content, headers = packed if packed is not None and _reads_brotli(scope) else plain
        await send({"type": "http.response.start", "status": 200, "headers": headers})
        await send({"type": "http.response.body", "body": b"" if scope["method"] == "HEAD" else content})


def held(folder: Path, more: list[tuple[bytes, bytes]]) -> tuple[Mapping[str, Answer], Mapping[str, Answer]]:
    """Every file of the pages by its path, as it is and as it was packed, with its headers."""
    plain, packed = {}, {}
    for place, kept in ((folder / "assets", KEPT), (folder, ASKED_AGAIN)):
        for file in place.iterdir() if place.is_dir() else ():
            kind = KINDS.get(file.suffix)
            if kind is None or not file.is_file():
                continue
            path = f"/{file.relative_to(folder).as_posix()}"
            headers = [
                (b"content-type", kind),
                (b"cache-control", kept),
                (b"vary", b"accept-encoding"),
                *more,
            ]
            plain[path] = _sized(file.read_bytes(), headers)
            small = file.with_name(f"{file.name}.br")
            if small.is_file():
                packed[path] = _sized(small.read_bytes(), [*headers, (b"content-encoding", b"br")])
    return plain, packed


def _sized(content: bytes, headers: list[tuple[bytes, bytes]]) -> Answer:
    return content, [(b"content-length", str(len(content)).encode()), *headers]


def _reads_brotli(scope: Scope) -> bool:
    accepts = b",".join(value for key, value in scope["headers"] if key == b"accept-encoding").decode(
        "latin-1"
    )
    return "br" in {name.partition(";")[0].strip() for name in accepts.split(",")}
