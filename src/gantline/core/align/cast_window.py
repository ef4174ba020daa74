"""Whether a window shows a test pattern as the projector's own pixels."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from gantline.core.errors import require_positive

WindowFault = Literal["scaled", "not-full", "aspect"]
PIXEL = 1.0  # sides that part by no more are the same


@dataclass(frozen=True, slots=True, kw_only=True)
class CastWindow:
    """A browser's window on what feeds the projector.

    wide, high: of the window, screen_wide, screen_high: of the whole screen, all in the browser's own units, > 0; scaling: pixels
    of the screen in one such unit, > 0.
    """

    wide: float
    high: float
    screen_wide: float
    screen_high: float
    scaling: float

    def __post_init__(self) -> None:
        require_positive(
            wide=self.wide,
            high=self.high,
            screen_wide=self.screen_wide,
            screen_high=self.screen_high,
            scaling=self.scaling,
        )

    @property
    def pixels(self) -> tuple[int, int]:
        """Width and height of the window [pixels of the screen]."""
        return round(self.wide * self.scaling), round(self.high * self.scaling)


def window_faults(window: CastWindow, aspect: float) -> Iterator[WindowFault]:
    """What keeps a pattern in this window from being the panel's own.

    Args: aspect, width over height of the projector's panel, > 0.
    Source: a line of one unit is one pixel wide only where a unit is one pixel; points read in a part of the light lie elsewhere
        in the whole of it; light of another aspect is cut or stretched by the projector.
    Leaves out: a projector or a graphics card that scales what it is sent, which no page can see.  Raises: nothing.
    """
    if abs(window.scaling - 1.0) > 1e-3:
        yield "scaled"
    if abs(window.wide - window.screen_wide) > PIXEL or abs(window.high - window.screen_high) > PIXEL:
        yield "not-full"
    if abs(window.screen_wide - window.screen_high * aspect) * window.scaling > PIXEL:
        yield "aspect"
