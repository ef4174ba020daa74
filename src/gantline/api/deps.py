"""What routes ask for: a session that commits before the answer leaves, the shop, who saves."""

from collections.abc import Iterator
from typing import Annotated
from uuid import UUID

from fastapi import Depends, Header, Request
from sqlalchemy.orm import Session

from gantline.api.problems import VersionMissing
from gantline.store.shops import the_shop


def unit_of_work(request: Request) -> Iterator[Session]:
    """One transaction a request, committed once at its end."""
    with request.app.state.sessions.begin() as session:
        yield session


# function scope: a failing commit becomes an error answer, not a 201 that was already sent
SessionDep = Annotated[Session, Depends(unit_of_work, scope="function")]


def shop_id(session: SessionDep) -> UUID:
    """The shop every row belongs to."""
    return the_shop(session)


ShopId = Annotated[UUID, Depends(shop_id, scope="function")]


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
