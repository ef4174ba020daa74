"""What is wrong with a document, field by field, in words for the person who typed it."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from gantline.core.errors import DesignError


@dataclass(frozen=True, slots=True)
class FieldProblem:
    """One refused field: its JSON pointer, a sentence, and what was typed; choices: texts it could mean instead."""

    pointer: str
    text: str
    typed: str
    choices: tuple[str, ...] = ()


class BadDocument(DesignError):
    """A document or an edit that cannot be accepted; `problems` says which fields and why."""

    code = "bad-document"

    def __init__(self, problems: Sequence[FieldProblem]) -> None:
        super().__init__(problems[0].text)
        self.problems = tuple(problems)


def pointer(location: Sequence[str | int]) -> str:
    """JSON pointer (RFC 6901) of a location."""
    return "".join("/" + str(part).replace("~", "~0").replace("/", "~1") for part in location)


Place = Sequence[str | int]


def from_validation(error: ValidationError, named: Callable[[Place], Place] = tuple) -> BadDocument:
    """Field problems from pydantic's errors, at most 20, in plain sentences. named: ids in place of indices."""
    return BadDocument([_problem(one, named) for one in error.errors(include_url=False)[:20]])


def _problem(error: Any, named: Callable[[Place], Place]) -> FieldProblem:
    # pydantic names the member of a union in the location: leave out what is no field
    location = [
        part
        for part in error["loc"]
        if not (isinstance(part, str) and ("[" in part or part == "constrained-float"))
    ]
    if error["type"] == "contradiction":  # found by looking at the whole, said of one place in it
        location += error["ctx"]["place"]
        error = error | {"input": None}
    typed = error.get("input")
    return FieldProblem(
        pointer(named(location)),
        _sentence(error),
        str(typed)[:80] if isinstance(typed, str | int | float) else "",
    )


LIMITS = {
    "greater_than": "more than",
    "greater_than_equal": "at least",
    "less_than": "less than",
    "less_than_equal": "at most",
}


def _sentence(error: Any) -> str:
    kind, context = error["type"], error.get("ctx", {})
    match kind:
        case "value_error":
            return str(context["error"])
        case "missing":
            return "This field is missing."
        case "extra_forbidden":
            return "No field has this name."
        case "float_type" | "float_parsing":
            return "Enter a number."
        case "finite_number":
            return "Enter a finite number."
        case "enum" | "literal_error":
            return f"Must be one of {context['expected']}."
        case "greater_than" | "greater_than_equal" | "less_than" | "less_than_equal":
            limit = next(iter(context.values()))
            return f"Must be {LIMITS[kind]} {limit:g}."
        case "string_pattern_mismatch":
            return "This text is not of the form that is used here."
        case "string_unicode":
            return "This text holds half a character, which cannot be kept here. Take it out."
        case _:
            return f"{error['msg']}."
