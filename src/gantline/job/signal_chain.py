"""The signal chain of a job, from the source to the projector's input."""

from typing import Annotated, Literal

from pydantic import Field

from gantline.core.throw.signal import PictureFormat as Format
from gantline.job.fields import Closed, LengthMm, Line

MOST_LINKS = 12
LinkKind = Literal["source", "receiver", "cable", "projector input"]


class PictureFormat(Closed):
    """Lines, pictures per second [Hz], depth per colour [bit], and whether with high dynamic range."""

    lines: Annotated[int, Field(ge=240, le=17_280)]
    rate_hz: Annotated[float, Field(gt=0.0, le=1000.0, allow_inf_nan=False)]
    depth_bits: Annotated[int, Field(ge=6, le=16)]
    high_range: bool = False

    def to_core(self) -> Format:
        """The same for the core."""
        return Format(lines=self.lines, rate_hz=self.rate_hz, depth_bits=self.depth_bits, high_range=self.high_range)


class Link(Closed):
    """One link. carries: null until asked. A cable: its length, null for the run as computed; the length it is good for [mm]."""

    kind: LinkKind
    name: Line = ""
    carries: PictureFormat | None = None
    length_mm: LengthMm | None = None
    good_for_mm: LengthMm | None = None


class SignalChain(Closed):
    """The format that is wished, and every link it must pass, in order from the source."""

    wanted: PictureFormat | None = None
    links: Annotated[tuple[Link, ...], Field(max_length=MOST_LINKS)] = ()
