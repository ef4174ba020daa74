"""What routes ask for: a desk whose transaction commits before the answer leaves, who saves, on which version."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import wraps
from typing import Annotated, Any, TypeVar
from uuid import UUID

from fastapi import Depends, Header, HTTPException, Request
from fastapi.routing import APIRoute

from gantline.api.desk import Desk
from gantline.api.problems import VersionMissing

Result = TypeVar("Result")
SAVES_NOTHING = ("/preview", "/draft")  # asked with a body, and yet it only reads


@contextmanager
def desk_of(state: Any, *, reads: bool = False) -> Iterator[Desk]:
    """A desk with one transaction, committed at the end. reads: each question stands by itself, with no transaction to begin
    and to end: two trips to the database less."""
    with (state.readers if reads else state.sessions).begin() as session:
        desk = Desk(session=session, memo=state.memo)
        yield desk
    desk.committed()


def at_a_desk(state: Any, act: Callable[[Desk], Result]) -> Result:
    """Something done at a desk of its own, for a route that waits in between."""
    with desk_of(state) as desk:
        return act(desk)


async def _state(request: Request) -> Any:
    return request.app.state


DeskDep = Annotated[Desk, Depends(_state)]


class DeskRoute(APIRoute):
    """A route whose thread opens the desk, works and commits, and gives both back together.

    A desk made before the route has a thread would hold a connection while it waits for one: enough such requests
    and nobody gets on. A failing commit becomes an error answer, not a 201 that was already sent.
    """

    def __init__(self, path: str, endpoint: Callable[..., Any], **more: Any) -> None:
        if "desk" in endpoint.__annotations__:
            reads = path.endswith(SAVES_NOTHING) or set(more.get("methods") or ()) == {"GET"}
            endpoint = _at_a_desk(endpoint, reads=reads)
        super().__init__(path, endpoint, **more)


def _at_a_desk(endpoint: Callable[..., Any], *, reads: bool) -> Callable[..., Any]:
    @wraps(endpoint)
    def run(*, desk: Any, **asked: Any) -> Any:
        with desk_of(desk, reads=reads) as opened:  # what comes as the desk is the application's state
            return endpoint(desk=opened, **asked)

    return run


async def who(request: Request, gantline_who: Annotated[str, Header(max_length=120)] = "") -> str:
    """Who saves: the paired device, or else the Gantline-Who header, whose bytes that are no text become question marks."""
    device: tuple[UUID, str] | None = getattr(request.state, "device", None)
    if device is not None:
        return device[1]
    clean = "".join(letter if letter.isprintable() else "?" for letter in gantline_who).strip()
    return clean or "office"


Who = Annotated[str, Depends(who)]


async def expected_version(if_match: Annotated[str | None, Header()] = None) -> int:
    """The version that was edited, from If-Match. Raises: VersionMissing."""
    bare = (if_match or "").strip().removeprefix("W/").strip('"')
    if not bare.isascii() or not bare.isdigit() or not 0 < int(bare[:10]) < 2**31 - 1 or len(bare) > 10:
        raise VersionMissing("Say which version was edited: If-Match with its number.")
    return int(bare)


ExpectedVersion = Annotated[int, Depends(expected_version)]
EditKey = Annotated[str | None, Header(alias="Idempotency-Key", max_length=64, pattern=r"^[A-Za-z0-9-]{8,}$")]


def body_of(*kinds: str) -> Any:
    """A dependency that lets in only bodies of these media types.  Raises: HTTPException 415."""

    async def check(content_type: Annotated[str, Header(max_length=200)] = "") -> None:
        if content_type.partition(";")[0].strip().lower() not in kinds:
            raise HTTPException(415, f"Send this as {' or '.join(kinds)}.")

    return Depends(check)
