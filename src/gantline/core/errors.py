"""The one root of every error the trade raises; it knows nothing of HTTP."""

import math


class DesignError(ValueError):
    """Something about the design cannot be. `code` is stable, `context` carries the facts."""

    code = "design-error"

    def __init__(self, message: str, **context: object) -> None:
        super().__init__(message)
        self.context = context


class OutOfRange(DesignError):
    """A quantity lies outside what the formula or the trade allows."""

    code = "out-of-range"


class UnknownDefault(DesignError):
    """A shop overrides a default that does not exist."""

    code = "unknown-default"


def require_positive(**values: float) -> None:
    """Every value finite and > 0, else OutOfRange naming the first that is not."""
    for name, value in values.items():
        if not (math.isfinite(value) and value > 0.0):
            raise OutOfRange(f"{name} must be > 0, got {value}", field=name, got=value)


def require_not_negative(**values: float) -> None:
    """Every value finite and >= 0, else OutOfRange naming the first that is not."""
    for name, value in values.items():
        if not (math.isfinite(value) and value >= 0.0):
            raise OutOfRange(f"{name} must be 0 or more, got {value}", field=name, got=value)
