"""Workings that evaluate: named terms, their formula, and the number they give.

A working is written as the formula itself, `term("frame top", a) - term("drop", b)`. It reads as words, as
numbers put in, and it can be evaluated again from its terms.
"""

import math
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from typing import Any

from gantline.core.units import Units, exact_text, read_tape

Write = Callable[["Expr"], str]
SUM, PRODUCT, SINGLE = 1, 2, 3
RANKS = {"+": SUM, "−": SUM, "×": PRODUCT, "/": PRODUCT}
CALLED = {math.pi: "π", 0.5: "½"}


class Expr:
    """A number and how it is made. name: of a term; op: what its parts are joined by."""

    __slots__ = ("name", "op", "parts", "unit", "value")

    def __init__(
        self, value: float, op: str, parts: tuple["Expr", ...] = (), name: str = "", unit: str = "mm"
    ) -> None:
        self.value, self.op, self.parts, self.name, self.unit = value, op, parts, name, unit

    def __add__(self, other: "Number") -> "Expr":
        return _joined("+", self, other)

    def __radd__(self, other: float) -> "Expr":
        return _joined("+", _expr(other), self)

    def __sub__(self, other: "Number") -> "Expr":
        return _joined("−", self, other)

    def __rsub__(self, other: float) -> "Expr":
        return _joined("−", _expr(other), self)

    def __mul__(self, other: "Number") -> "Expr":
        return _joined("×", self, other)

    def __rtruediv__(self, other: float) -> "Expr":
        return _joined("/", _expr(other), self)

    def __rmul__(self, other: float) -> "Expr":
        return _joined("×", _expr(other), self)

    def __truediv__(self, other: "Number") -> "Expr":
        return _joined("/", self, other)

    def terms(self) -> Iterator["Expr"]:
        """The named terms, in the order they are written, once each."""
        seen: set[str] = set()
        for leaf in self._leaves():
            if leaf.name not in seen:
                seen.add(leaf.name)
                yield leaf

    def evaluate(self, terms: Mapping[str, float]) -> float:
        """The number again, from the values of its named terms."""
        if self.op == "term":
            return terms[self.name]
        if self.op == "number":
            return self.value
        return _apply(self, [part.evaluate(terms) for part in self.parts])

    def formula(self) -> str:
        """In words."""
        return self._written(lambda one: one.name or _plain(one.value))

    def put_in(self, units: Units) -> str:
        """With numbers in place of names."""
        return self._written(lambda one: _number(one, units))

    def _leaves(self) -> Iterator["Expr"]:
        if self.op == "term":
            yield self
        for part in self.parts:
            yield from part._leaves()

    def _written(self, write: Write) -> str:
        if self.op in ("term", "number"):
            return write(self)
        rank = RANKS.get(self.op)
        if rank is None:
            inner, part = ", ".join(part._written(write) for part in self.parts), self.parts[0]
            if self.op == "square" and not part.parts:
                return f"{inner}²"
            if self.op == part.op == "square" and not part.parts[0].parts:
                return f"{inner.removesuffix('²')}⁴"
            return f"{NAMES[self.op]}({inner})"
        left, right = self.parts
        a, b = left._written(write), right._written(write)
        of_left, of_right = RANKS.get(left.op, SINGLE), RANKS.get(right.op, SINGLE)
        a = f"({a})" if of_left < rank else a
        b = f"({b})" if of_right < rank or (self.op in "−/" and of_right == rank) else b
        return f"{a} {self.op} {b}"


Number = Expr | float
NAMES = {
    "root": "root of ",
    "square": "square of ",
    "least": "smallest of ",
    "most": "largest of ",
    "size": "size of ",
}


def term(name: str, value: float, unit: str = "mm") -> Expr:
    """A named number. unit: mm, or what is written after it."""
    return Expr(value, "term", (), name, unit)


def root(expr: Expr) -> Expr:
    """Square root."""
    return Expr(math.sqrt(expr.value), "root", (expr,))


def square(expr: Expr) -> Expr:
    """A number times itself."""
    return Expr(expr.value**2, "square", (expr,))


def least(*many: Number) -> Expr:
    """The smallest."""
    return _of("least", many)


def most(*many: Number) -> Expr:
    """The largest."""
    return _of("most", many)


def size(expr: Expr) -> Expr:
    """Without its sign."""
    return Expr(abs(expr.value), "size", (expr,))


def _of(op: str, many: tuple[Number, ...]) -> Expr:
    parts = tuple(_expr(one) for one in many)
    return Expr((min if op == "least" else max)(part.value for part in parts), op, parts)


def _expr(number: Number) -> Expr:
    return number if isinstance(number, Expr) else Expr(float(number), "number", unit="")


def _joined(op: str, left: Expr, right: Number) -> Expr:
    other = _expr(right)
    a, b = left.value, other.value
    value = a + b if op == "+" else a - b if op == "−" else a * b if op == "×" else a / b
    return Expr(value, op, (left, other))


def _apply(expr: Expr, values: list[float]) -> float:
    match expr.op:
        case "+":
            return values[0] + values[1]
        case "−":
            return values[0] - values[1]
        case "×":
            return values[0] * values[1]
        case "/":
            return values[0] / values[1]
        case "root":
            return math.sqrt(values[0])
        case "square":
            return values[0] ** 2
        case "size":
            return abs(values[0])
        case "least":
            return min(values)
        case _:
            return max(values)


def _plain(value: float) -> str:
    return CALLED.get(value) or f"{value:g}".replace("-", "−")


def _number(expr: Expr, units: Units) -> str:
    if expr.op == "number":
        return _plain(expr.value)
    if expr.unit == "mm":
        return exact_text(expr.value, units)
    return f"{expr.value:.4g}{expr.unit}".replace("-", "−")


@dataclass(frozen=True, slots=True, kw_only=True)
class Term:
    """One named number of a working."""

    name: str
    value: float
    unit: str
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Working:
    """How a figure came about: formula in words, its terms, numbers put in, result, rounding, source."""

    formula: str
    terms: tuple[Term, ...]
    substituted: str
    result: str
    rounding: str
    source: str


class WorkingDraft:
    """A working before it is written out: most are never looked at. text: the figure's own, for no length.

    No dataclass, so that a serializer has to ask for it to be written.
    """

    __slots__ = ("expr", "how", "source", "text", "units", "value")

    def __init__(
        self, value: object, text: str, expr: Expr | None, how: str, source: str, units: Units
    ) -> None:
        self.value, self.text, self.expr = value, text, expr
        self.how, self.source, self.units = how, source, units

    @classmethod
    def __get_pydantic_core_schema__(cls, _: object, handler: Callable[[object], Any]) -> Any:
        """Described as what it is once it is written."""
        return handler(Working)

    def written(self) -> Working:
        """In words and numbers."""
        result, rounding = self.text, ""
        if not self.text and isinstance(self.value, float):
            result, rounding = exact_text(self.value, self.units), rounding_text(self.value, self.units)
        if self.expr is None:
            return Working(
                formula=self.how,
                terms=(),
                substituted="",
                result=result,
                rounding=rounding,
                source=self.source,
            )
        terms = tuple(
            Term(
                name=own_term.name,
                value=own_term.value,
                unit=own_term.unit,
                text=_number(own_term, self.units),
            )
            for own_term in self.expr.terms()
        )
        return Working(
            formula=f"{self.expr.formula()}{f'; {self.how}' if self.how else ''}",
            terms=terms,
            substituted=self.expr.put_in(self.units),
            result=result,
            rounding=rounding,
            source=self.source,
        )


def as_plain(value: object) -> object:
    """What a serializer cannot write by itself: a working is written out only now. Raises: TypeError."""
    if isinstance(value, WorkingDraft):
        return value.written()
    raise TypeError(type(value).__name__)


def rounding_text(length_mm: float, units: Units) -> str:
    """A length on the tape, and how far off that is, in words."""
    read = read_tape(length_mm, units)
    off = abs(read.error_mm)
    word = "long" if read.error_mm > 0 else "short"
    return f"on the tape {read.text}" + (f", {off:.2f} mm {word}" if off >= 0.005 else ", exact")
