"""Building responses: one serializer, the problem answers every route can give, file downloads."""

from typing import Any
from urllib.parse import quote

import orjson
from fastapi import Response

from gantline.plan.working import as_plain

PROBLEM_ANSWERS: dict[int | str, dict[str, Any]] = {
    code: {"$ref": f"#/components/responses/{name}"}
    for code, name in (
        (400, "Unreadable"),
        (404, "Missing"),
        (409, "Conflict"),
        (413, "TooLarge"),
        (415, "OtherKind"),
        (422, "Refused"),
        (428, "VersionMissing"),
        (429, "TooOften"),
        (503, "Away"),
        (507, "Full"),
    )
}


def answer(body: Any, status: int = 200) -> Response:
    """JSON of plain values, dataclasses and dates, serialized once; the route's model documents it."""
    return Response(orjson.dumps(body, default=as_plain), status, media_type="application/json")


def attachment(content: bytes, media_type: str, name: str) -> Response:
    """A file to keep; its name survives in full (RFC 5987) and as plain ASCII."""
    ascii_name = "".join(
        letter if (letter.isalnum() and letter.isascii()) or letter in " .,-" else "_" for letter in name
    )
    disposition = f"attachment; filename=\"{ascii_name}\"; filename*=UTF-8''{quote(name, safe='')}"
    return Response(content, media_type=media_type, headers={"content-disposition": disposition})
