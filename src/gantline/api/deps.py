"""What routes ask for: a desk whose transaction commits before the answer leaves, who saves, on which version."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated, Any

from fastapi import Depends, Header, Request

from gantline.api.desk import Desk
from gantline.api.problems import VersionMissing


def desk(request: Request) -> Iterator[Desk]:
    """One transaction a request, committed once at its end."""
    with desk_of(request.app.state) as made:
        yield made


@contextmanager
def desk_of(state: Any) -> Iterator[Desk]:
    """The same where there is no request of its own: a socket, a body read as a whole."""
    with state.sessions.begin() as session:
        yield Desk(session=session, memo=state.memo)


# function scope: a failing commit becomes an error answer, not a 201 that was already sent
DeskDep = Annotated[Desk, Depends(desk, scope="function")]


def who(gantline_who: Annotated[str, Header(max_length=120)] = "") -> str:
    """Who saves, from the Gantline-Who header; header bytes that are no text become question marks."""
    clean = "".join(letter if letter.isprintable() else "?" for letter in gantline_who).strip()
    return clean or "office"


Who = Annotated[str, Depends(who)]


def expected_version(if_match: Annotated[str | None, Header()] = None) -> int:
    """The version that was edited, from If-Match. Raises: VersionMissing."""
    bare = (if_match or "").strip().removeprefix("W/").strip('"')
    if not bare.isascii() or not bare.isdigit() or not 0 < int(bare[:10]) < 2**31 - 1 or len(bare) > 10:
        raise VersionMissing("Say which version was edited: If-Match with its number.")
    return int(bare)


ExpectedVersion = Annotated[int, Depends(expected_version)]
