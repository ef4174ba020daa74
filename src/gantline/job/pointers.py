"""Pointers into a job document: like RFC 6901, but a thing in a list is named by its id, never by its place."""

from collections.abc import Sequence
from typing import Any

from gantline.job.model.light import USUAL_STATES
from gantline.job.problems import BadDocument, FieldProblem

END = "-"
STATES = ("light", "states")


def parts(pointer: str) -> list[str]:
    """The segments of a pointer."""
    return [part.replace("~1", "/").replace("~0", "~") for part in pointer.split("/")[1:]]


def parent(data: dict[str, Any], pointer: str) -> tuple[Any, Any]:
    """What holds a pointer's last segment, and the key or index there; END appends to a list.

    Raises: BadDocument where nothing has that name.
    """
    path = parts(pointer)
    here: Any = data
    for depth, part in enumerate(path):
        if tuple(path[:depth]) == STATES and here is None:
            here = data["light"]["states"] = [state.model_dump(mode="json") for state in USUAL_STATES]
        key = _key(here, part)
        if key is None:
            raise BadDocument([FieldProblem(pointer, "No field has this name.", "")])
        if depth == len(path) - 1:
            return here, key
        if key == END:
            break
        here = here[key]
    raise BadDocument([FieldProblem(pointer, "No field has this name.", "")])


def with_ids(location: Sequence[str | int], data: Any) -> list[str | int]:
    """A location of indices with the ids of the things in their place, where they have one."""
    out: list[str | int] = []
    here = data
    for part in location:
        try:
            here = here[part]
        except (KeyError, IndexError, TypeError):
            here = None
        named = here.get("id") if isinstance(part, int) and isinstance(here, dict) else None
        out.append(named if isinstance(named, str) else part)
    return out


def _key(here: Any, part: str) -> Any:
    if isinstance(here, list):
        if part == END:
            return END
        return next(
            (at for at, one in enumerate(here) if isinstance(one, dict) and one.get("id") == part), None
        )
    return part if isinstance(here, dict) and part in here else None
