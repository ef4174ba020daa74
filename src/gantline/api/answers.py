"""Building responses: one serialiser, the problem answers every route can give, file downloads."""

from typing import Any
from urllib.parse import quote

import orjson
from fastapi import Response

from gantline.api.problems import Problem

PROBLEM_ANSWERS: dict[int | str, dict[str, Any]] = {
    code: {"model": Problem, "description": what, "content": {"application/problem+json": {}}}
    for code, what in (
        (400, "The request cannot be parsed"),
        (404, "Not there"),
        (409, "Saved by someone else meanwhile, or nothing to bring back"),
        (413, "Too large"),
        (422, "A field cannot be used"),
        (428, "If-Match is missing"),
        (503, "The database is out of reach"),
    )
}


def answer(body: Any, status: int = 200) -> Response:
    """JSON of plain values, dataclasses and dates, serialised once; the route's model documents it."""
    return Response(orjson.dumps(body), status, media_type="application/json")


def attachment(content: bytes, media_type: str, name: str) -> Response:
    """A file to keep; its name survives in full (RFC 5987) and as plain ASCII."""
    plain = "".join(
        letter if (letter.isalnum() and letter.isascii()) or letter in " .,-" else "_" for letter in name
    )
    disposition = f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(name, safe='')}"
    return Response(content, media_type=media_type, headers={"content-disposition": disposition})
