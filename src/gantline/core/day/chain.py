"""Steps of one station as they are written: each waits for the one before it."""

from collections.abc import Iterator
from typing import Any

from gantline.core.day.step import Phase, Step


class Chain:
    """Collects steps. A step waits for the last of its own stretch of the day unless it is free, and for what it names."""

    def __init__(self, station: str) -> None:
        self.station, self.steps, self.last = station, list[Step](), dict[Phase, str]()

    def add(
        self,
        phase: Phase,
        name: str,
        text: str,
        *,
        free: bool = False,
        waits: tuple[str, ...] = (),
        **more: Any,
    ) -> None:
        """One more step, called by its station and name.  free: it waits only for what it names.  more: as Step takes them."""
        key = f"{self.station}/{name}"
        before = self.last.get(phase)
        chained = () if free or before is None else (before,)
        self.steps.append(
            Step(key=key, station=self.station, phase=phase, text=text, waits=(*chained, *waits), **more)
        )
        self.last[phase] = key

    def __iter__(self) -> Iterator[Step]:
        return iter(self.steps)
