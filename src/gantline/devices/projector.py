"""A projector at a distance: what can be asked of one and set, whatever bridge leads to it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, Protocol

from gantline.core.align.moves import zoomed
from gantline.core.errors import DesignError

Power = Literal["off", "warming", "on", "cooling"]
Control = Literal["power", "light", "input", "memory", "zoom", "shift-h", "shift-v"]
CONTROLS: tuple[Control, ...] = ("power", "light", "input", "memory", "zoom", "shift-h", "shift-v")


class ProjectorTrouble(DesignError):
    """A projector that does not answer, or whose answer cannot be used."""

    code = "projector-trouble"


class ProjectorRefuses(DesignError):
    """A projector that says no, with its reason."""

    code = "projector-refuses"


@dataclass(frozen=True, slots=True, kw_only=True)
class ProjectorState:
    """What a projector says of itself. name: as the settings list it.

    light: whether it lights the wall while its power is on. memory: the lens memory taken last, None after the lens was
    moved by hand. zoom: as throw ratio, lens to picture over picture width. shift: percent of the picture's width to the
    right, of its height up. lamp_h: hours. errors: in its own words, none while all is well.
    """

    name: str
    model: str
    power: Power
    light: bool
    input: str
    inputs: tuple[str, ...]
    memory: str | None
    memories: tuple[str, ...]
    zoom: float
    zoom_range: tuple[float, float]
    shift_h: float
    shift_h_range: tuple[float, float]
    shift_v: float
    shift_v_range: tuple[float, float]
    lamp_h: float
    errors: tuple[str, ...]


class Projector(Protocol):
    """What the program needs of a projector."""

    async def state(self) -> ProjectorState:
        """What it says of itself now.  Raises: ProjectorTrouble."""

    async def set(self, settings: Sequence[tuple[Control, str]]) -> ProjectorState:
        """Set these, one after the other, and say what it came to.  Raises: ProjectorTrouble, ProjectorRefuses."""


def turned(state: ProjectorState, what: Control, by: float) -> tuple[Control, str]:
    """What to set so that the picture grows by a share of its width (zoom), or goes by a share of itself (shift).

    Raises: ProjectorRefuses outside its range.
    """
    value, (low, high) = {
        "zoom": (zoomed(state.zoom, by), state.zoom_range),
        "shift-h": (state.shift_h + 100.0 * by, state.shift_h_range),
        "shift-v": (state.shift_v + 100.0 * by, state.shift_v_range),
    }[what]
    if not low <= value <= high:
        raise ProjectorRefuses(
            f"The lens goes from {low:g} to {high:g}; this would be {value:.3g}. Move the body instead.",
            field=what,
        )
    return what, f"{value:.3f}"
