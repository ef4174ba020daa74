"""A field of the job file, declared once, where the model names it.

The declaration serves the model, the panel, the list of what to measure, the file's documentation and
what a record copies into a job. `Survey.wall_width_mm` on an object is the value; on the class it is this
declaration, which is how a computation names what it reads.
"""

from collections.abc import Iterator
from dataclasses import dataclass, field
from operator import attrgetter
from typing import Any, Literal, get_args

from pydantic import BaseModel, ConfigDict, GetCoreSchemaHandler
from pydantic_core import core_schema

from gantline.core.defaults import Default, Shop
from gantline.job.ends import Ends, numbers_of

FieldKind = Literal[
    "length", "number", "count", "share", "choice", "switch", "text", "lines", "list", "value"
]
Value = float | int | str | bool | None


@dataclass(frozen=True, slots=True, eq=False)
class Field:
    """What is said of one field.

    default: what stands in while it is absent: a shop default, a plain value, or nothing. derived: while absent
    the plan works it out. fact: something of the world that can be measured; anything else is a wish. moves:
    what moves with it, said where it is to be measured. unit: after a number. usual_mm: lengths it usually has; what
    is typed outside them without a unit is asked back. spread: how far the real thing usually lies from a plain
    default, in the field's own unit. ends: nearer ones than its kind of number has; within: those that hold.
    """

    key: str
    label: str
    kind: FieldKind = "length"
    default: Default | Value = None
    choices: tuple[tuple[str, str], ...] = ()
    fact: bool = False
    derived: bool = False
    moves: str = ""
    unit: str = ""
    note: str = ""
    usual_mm: tuple[float, float] | None = None
    spread: float = 0.0
    ends: Ends | None = None
    name: str = field(default="", init=False)
    part: str = field(default="", init=False)
    pointer: str = field(default="", init=False)
    bit: int = field(default=0, init=False)
    read: Any = field(default=None, init=False)
    within: Ends | None = field(default=None, init=False)

    def __get_pydantic_core_schema__(
        self, source: Any, handler: GetCoreSchemaHandler
    ) -> core_schema.CoreSchema:
        """The field's own ends are checked with it."""
        if self.ends is None:
            return handler(source)
        return self.ends.__get_pydantic_core_schema__(source, handler)

    def standing(self, shop: Shop) -> Any:
        """What stands in while the field is absent; None where nothing does."""
        return shop[self.default] if isinstance(self.default, Default) else self.default

    @property
    def stands(self) -> bool:
        """Whether an absent field counts as assumed: something stands in, or a fact is worked out instead."""
        return self.default is not None or (self.derived and self.fact)

    def choice(self, value: object) -> str:
        """What a choice is called."""
        return dict(self.choices).get(str(value), str(value))


def field_of(named: object) -> Field:
    """The declaration a class attribute stands for: to a type checker `Survey.datum_mm` is a length."""
    assert isinstance(named, Field)  # noqa: S101 - narrows what the metaclass gives
    return named


class ClosedModel(BaseModel):
    """A model that knows its fields: anything else is refused, so that a slip is not lost."""

    model_config = ConfigDict(extra="forbid", frozen=True, json_schema_serialization_defaults_required=True)


class Part(ClosedModel):
    """One part of the job document, or one thing of a list in it.

    Once bound, class access to a field gives its declaration; pydantic keeps nothing of its own there.
    """


class Item(Part):
    """A thing of a list. Its id stays with it; pointers and `known` name it, never its place in the list."""

    id: str


def declared(part: type[BaseModel]) -> dict[str, Field]:
    """The declarations of a part by field name, in order."""
    found = {}
    for name, info in part.model_fields.items():
        one = next((each for each in info.metadata if isinstance(each, Field)), None)
        if one is not None:
            found[name] = one
    return found


def bind(root: type[Part]) -> dict[str, Field]:
    """Give every field of a document its pointer, its bit and its reader. Returns them by pointer."""
    found: dict[str, Field] = {}
    for part, base in _parts(root, ""):
        own, ends = declared(part), {name: each for name, each, _ in numbers_of(part)}
        for name, one in own.items():
            path = f"{base}/{name}"
            for key, value in (
                ("name", name),
                ("part", base.strip("/").partition("/")[0]),
                ("pointer", path),
                ("bit", 1 << len(found)),
                ("read", attrgetter(path[1:].replace("/", "."))),
                ("within", ends.get(name)),
            ):
                object.__setattr__(one, key, value)
            found[path] = one
            type.__setattr__(part, name, one)
    return found


def bind_items(lists: dict[str, type[Item]]) -> None:
    """Give the fields of things in lists their name and part; their pointers hold the thing's id."""
    for part in lists.values():
        own = declared(part)
        for name, one in own.items():
            object.__setattr__(one, "name", name)
            type.__setattr__(part, name, one)


def item_lists(root: type[Part]) -> dict[str, type[Item]]:
    """Pointer of every list of things, and what it is a list of."""
    return {
        f"{base}/{name}": thing
        for part, base in _parts(root, "")
        for name, info in part.model_fields.items()
        for thing in _things(info.annotation)
    }


def _parts(part: type[Part], base: str) -> Iterator[tuple[type[Part], str]]:
    yield part, base
    for name, info in part.model_fields.items():
        kind = info.annotation
        if isinstance(kind, type) and issubclass(kind, Part):
            yield from _parts(kind, f"{base}/{name}")


def _things(annotation: Any) -> tuple[type[Item], ...]:
    """The item class inside list[...] or list[...] | None."""
    inner = [one for each in (annotation, *get_args(annotation)) for one in get_args(each)]
    return tuple(kind for kind in inner if isinstance(kind, type) and issubclass(kind, Item))[:1]
