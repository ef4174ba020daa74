"""One error shape for everything: problem documents (RFC 9457), from one table."""

import json
import logging
import secrets
from collections.abc import Sequence
from typing import Any

import orjson
from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from procrastinate.exceptions import ConnectorException
from pydantic import BaseModel, ValidationError
from sqlalchemy.exc import IntegrityError, OperationalError, SQLAlchemyError
from sqlalchemy.orm.exc import StaleDataError
from starlette.exceptions import HTTPException
from starlette.requests import ClientDisconnect

from gantline.core.errors import DesignError
from gantline.job.problems import BadDocument, FieldProblem, from_validation
from gantline.store.jobs import VersionConflict

log = logging.getLogger("gantline")

# code of a DesignError -> status, title; what is not listed is the asker's mistake, 422
PROBLEMS: dict[str, tuple[int, str]] = {
    "no-such-job": (404, "No such job"),
    "no-such-record": (404, "No such record"),
    "version-conflict": (409, "Saved by someone else meanwhile"),
    "nothing-to-undo": (409, "Nothing to bring back"),
    "version-missing": (428, "Version missing"),
    "bad-document": (422, "Something entered cannot be used"),
    "doubtful-length": (422, "Which length is it?"),
    "unreadable-length": (422, "Not a length"),
    "no-such-device": (404, "No such device"),
    "no-such-cast": (404, "No such cast"),
    "no-such-step": (404, "No such step"),
    "no-such-photo": (404, "No such photo"),
    "no-such-projector": (404, "No such projector"),
    "projector-trouble": (409, "The projector cannot be used"),
    "projector-refuses": (409, "The projector says no"),
    "photo-untrusted": (422, "Not a photo that can be read"),
    "no-such-code": (422, "Not a good code"),
    "name-taken": (422, "This name is taken"),
    "another-edit": (409, "Another edit under this key"),
    "another-value": (422, "Another value under this number"),
    "no-such-work": (404, "No such work"),
    "work-failed": (422, "This could not be made"),
    "too-large": (413, "Too large"),
}
LEFT = 499
DISK_FULL = "53100"  # PostgreSQL's word for it
# and for two that were at the same rows: a deadlock, a lost race, a row that another has made or taken away
AT_ONCE = ("40P01", "40001", "23505", "23503")
DEFAULT = (422, "This cannot be")


class FieldProblemOut(BaseModel):
    """One refused field."""

    pointer: str
    text: str
    typed: str
    choices: list[str] = []


class DifferenceOut(BaseModel):
    """One field of a conflict: as it was, as it was saved meanwhile, as it was to be."""

    label: str
    was: str
    theirs: str
    mine: str


class Problem(BaseModel):
    """A problem document. `errors` names fields; `current` is the newest job version after a conflict, `differences`
    what both sides changed."""

    type: str
    title: str
    status: int
    detail: str
    instance: str
    errors: list[FieldProblemOut] = []
    current: dict[str, Any] | None = None
    expected: int | None = None
    differences: list[DifferenceOut] = []


class VersionMissing(DesignError):
    """A change without If-Match."""

    code = "version-missing"


# every operation refers to these, so that the problem answers are declared once
RESPONSES: dict[str, Any] = {
    name: {
        "description": what,
        "content": {"application/problem+json": {"schema": {"$ref": "#/components/schemas/Problem"}}},
    }
    for name, what in (
        ("Unreadable", "The request cannot be parsed"),
        ("Missing", "Not there"),
        (
            "Conflict",
            "Saved by someone else meanwhile, nothing to bring back, or a device that does not do it",
        ),
        ("TooLarge", "Too large"),
        ("OtherKind", "A body of another media type is wanted"),
        ("Refused", "A field cannot be used"),
        ("VersionMissing", "If-Match is missing"),
        ("TooOften", "Too many tries; Retry-After says when again"),
        ("Away", "The database is out of reach"),
        ("Full", "No room: the disk is full, or the installation as large as it may be"),
    )
}


def described(schema: dict[str, Any]) -> dict[str, Any]:
    """The OpenAPI with the problem answers in its components."""
    ref = "#/components/schemas/{model}"
    problem_schema = Problem.model_json_schema(ref_template=ref, mode="serialization")
    parts = schema.setdefault("components", {})
    parts.setdefault("schemas", {}).update(problem_schema.pop("$defs", {}) | {"Problem": problem_schema})
    parts["responses"] = RESPONSES
    return schema


def problem(request: Request, code: str, status: int, title: str, detail: str, **more: Any) -> Response:
    """The response for one problem."""
    body = {
        "type": f"/problems/{code}", "title": title, "status": status, "detail": detail, "instance": request.url.path, **more,
    }  # fmt: skip
    try:
        content = orjson.dumps(body)
    except TypeError:  # what was asked is quoted, and may hold half characters or endless numbers
        content = json.dumps(body).encode()
    return Response(content, status, media_type="application/problem+json")


def install(app: FastAPI) -> None:
    """Every error of the application passes through here."""
    app.add_exception_handler(DesignError, _on_design_error)
    app.add_exception_handler(RequestValidationError, _on_request)
    app.add_exception_handler(ValidationError, _on_validation)
    app.add_exception_handler(HTTPException, _on_http)
    app.add_exception_handler(ClientDisconnect, _on_left)
    app.add_exception_handler(OperationalError, _on_database)
    app.add_exception_handler(IntegrityError, _on_database)
    app.add_exception_handler(StaleDataError, _on_database)
    app.add_exception_handler(ConnectorException, _on_database)  # the queue's
    app.add_exception_handler(SQLAlchemyError, _on_unknown)
    app.add_exception_handler(Exception, _on_unknown)


def _on_design_error(request: Request, exc: Exception) -> Response:
    assert isinstance(exc, DesignError)  # noqa: S101 - registered for this type
    status, title = PROBLEMS.get(exc.code, DEFAULT)
    more: dict[str, Any] = {}
    if isinstance(exc, BadDocument):
        more["errors"] = _fields(exc.problems)
    elif isinstance(exc, VersionConflict):
        more |= {"current": exc.current, "expected": exc.expected, "differences": exc.differences}
    elif isinstance(exc.context.get("field"), str):
        more["errors"] = _fields(
            [FieldProblem(f"/{exc.context['field']}", str(exc), str(exc.context.get("got", ""))[:80])]
        )
    return problem(request, exc.code, status, title, str(exc), **more)


def _fields(problems: Sequence[FieldProblem]) -> list[dict[str, Any]]:
    return [
        {"pointer": one.pointer, "text": one.text, "typed": one.typed, "choices": list(one.choices)}
        for one in problems
    ]


def _on_request(request: Request, exc: Exception) -> Response:
    assert isinstance(exc, RequestValidationError)  # noqa: S101 - registered for this type
    found = []
    for error in exc.errors()[:20]:
        typed = error.get("input")
        shown = str(typed)[:80] if isinstance(typed, str | int | float) else ""
        place = [str(part) for part in error["loc"] if part != "body"]
        found.append(FieldProblem("/" + "/".join(place) if place else "", f"{error['msg']}.", shown))
    return problem(
        request, "bad-request", 422, "This request cannot be read", found[0].text, errors=_fields(found)
    )


def _on_validation(request: Request, exc: Exception) -> Response:
    assert isinstance(exc, ValidationError)  # noqa: S101 - registered for this type
    return _on_design_error(request, from_validation(exc))


def _on_http(request: Request, exc: Exception) -> Response:
    assert isinstance(exc, HTTPException)  # noqa: S101 - registered for this type
    response = problem(request, f"http-{exc.status_code}", exc.status_code, str(exc.detail), str(exc.detail))
    response.headers.update(exc.headers or {})
    return response


def _on_left(request: Request, exc: Exception) -> Response:
    """Nobody reads this answer: who asked went in the middle of the request, which is no error of ours."""
    return problem(request, "left", LEFT, "Left", "The rest of this request did not come.")


def _on_database(request: Request, exc: Exception) -> Response:
    state = getattr(getattr(exc, "orig", None), "sqlstate", "")
    if state in AT_ONCE or isinstance(exc, StaleDataError):
        log.warning("two at once: %s", exc)
        return problem(request, "at-once", 503, "Two at once",
            "Somebody else changed the same thing at this moment. Nothing was saved by this request; try again.")  # fmt: skip
    if isinstance(exc, IntegrityError):  # a fault of ours
        return _on_unknown(request, exc)
    if state == DISK_FULL:
        log.error("the disk of the database is full")
        return problem(request, "no-room", 507, "No room",
            "The server's disk is full. Nothing was saved; make room on it, then try again.")  # fmt: skip
    log.warning("database out of reach: %s", type(exc).__name__)
    return problem(request, "database-away", 503, "The database is out of reach",
        "The database does not answer. Nothing was saved; try again in a moment.")  # fmt: skip


def _on_unknown(request: Request, exc: Exception) -> Response:
    if isinstance(exc, RecursionError):
        return problem(
            request, "bad-request", 422, "This request cannot be read", "This JSON is nested too deeply."
        )
    name = secrets.token_hex(4)
    log.error("unexpected error %s", name, exc_info=exc)
    return problem(
        request,
        "unexpected",
        500,
        "Unexpected error",
        f"Something went wrong here; the log has it under {name}.",
    )
