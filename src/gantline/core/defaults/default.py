"""One default: its value, what a shop may set in its place, what it means and where it comes from."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from gantline.core.errors import OutOfRange, UnknownDefault


@dataclass(frozen=True, slots=True, eq=False)
class Default:
    """A value that stands in until somebody says otherwise.

    low and high bound what a shop may set. spread: how far the real thing usually lies from the value (one
    standard deviation, same unit), 0 where it is no fact of the world. key is the attribute's own name.
    """

    value: float
    unit: str
    low: float
    high: float
    meaning: str
    source: str
    spread: float = 0.0
    spread_source: str = ""
    key: str = field(default="", init=False)

    def __set_name__(self, owner: type, name: str) -> None:
        object.__setattr__(self, "key", name)


def named(*groups: type) -> Mapping[str, Default]:
    """Every default of the groups by its key.

    Raises: UnknownDefault where two have one key, by which a shop's settings name them.
    """
    every = [one for group in groups for one in vars(group).values() if isinstance(one, Default)]
    by_key = {one.key: one for one in every}
    twice = next((one.key for one in every if by_key[one.key] is not one), None)
    if twice is not None:
        raise UnknownDefault(f"two defaults are named {twice}", field=twice)
    return MappingProxyType(by_key)


def checked(known: Mapping[str, Default], overrides: Mapping[str, float]) -> None:
    """Raises UnknownDefault for a key that is none, OutOfRange for a value outside its bounds."""
    for key, value in overrides.items():
        default = known.get(key)
        if default is None:
            raise UnknownDefault(f"no default is named {key}", field=key)
        if not default.low <= value <= default.high:
            said = f"{key} must lie from {default.low:g} to {default.high:g} {default.unit}, got {value:g}"
            raise OutOfRange(said, field=key, got=value)
