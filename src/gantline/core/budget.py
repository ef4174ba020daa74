"""How much one plan may take, counted in steps and not in seconds: what is refused is refused on every machine alike.

A step is a question answered or one thing made of a count that numbers give: a part of a splice, a point on a side, a stud.
"""

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass

from gantline.core.errors import DesignError, OutOfRange

PLAN_STEPS = (
    20_000  # the largest sample job takes 1,100; of all numbers at their ends none takes more than 6,000
)
COMPARE_STEPS = 20 * PLAN_STEPS  # a table of many plans


class TooMuchWork(DesignError):
    """More steps than one plan may take."""

    code = "too-much-work"


@dataclass(slots=True)
class Account:
    """The steps that are left, and those taken."""

    most: int
    taken: int = 0


_account: ContextVar[Account | None] = ContextVar("account", default=None)


def spend(steps: int, of: str = "") -> None:
    """Take steps of the plan that is being made.  of: what they make, for the message.  Raises: TooMuchWork."""
    account = _account.get()
    if account is None:
        return
    account.taken += steps
    if account.taken > account.most:
        made = f", {steps} of them for {of}" if of and steps > 1 else ""
        raise TooMuchWork(
            f"This takes more than {account.most} steps to work out{made}. Look for a number that makes very many of something."
        )


def bounded(count: int, most: int, of: str, field: str) -> int:
    """A count that numbers give, taken from the budget.  Raises: OutOfRange above `most`, TooMuchWork."""
    if count > most:
        raise OutOfRange(f"that makes {count} {of}, and at most {most} are planned", field=field, got=count)
    spend(count, of)
    return count


@contextmanager
def budget(most: int) -> Iterator[Account]:
    """Everything inside shares these steps; inside another budget, that one's."""
    outer = _account.get()
    if outer is not None:
        yield outer
        return
    account = Account(most)
    token = _account.set(account)
    try:
        yield account
    finally:
        _account.reset(token)
