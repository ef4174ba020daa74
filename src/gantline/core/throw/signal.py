"""The signal chain: one weak link lowers every link after it."""

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class PictureFormat:
    """A picture format: lines, pictures per second [Hz], depth per color [bit], and high dynamic range."""

    lines: int
    rate_hz: float
    depth_bits: int
    high_range: bool = False

    @property
    def bits_per_s(self) -> float:
        """Data rate of a 16:9 picture [bit/s], every color in full.

        Source: pixels x rate x 3 x depth. Leaves out: blanking, coding, and color at half resolution.
        """
        return self.lines * self.lines * 16.0 / 9.0 * self.rate_hz * 3.0 * self.depth_bits

    @property
    def text(self) -> str:
        """As a person says it."""
        return f"{self.lines} lines, {self.rate_hz:g} Hz, {self.depth_bits} bit{', high range' if self.high_range else ''}"


def lacks(carried: PictureFormat, wanted: PictureFormat) -> tuple[str, ...]:
    """What a link that carries one format cuts from another; empty where it passes whole."""
    found = (
        ("lines", carried.lines < wanted.lines),
        ("rate", carried.rate_hz < wanted.rate_hz),
        ("depth", carried.depth_bits < wanted.depth_bits),
        ("high range", wanted.high_range and not carried.high_range),
    )
    return tuple(name for name, short in found if short)


def passed(links: Sequence[PictureFormat]) -> PictureFormat:
    """What comes out of the last link: the least of each. Raises: ValueError where there is no link."""
    if not links:
        raise ValueError("a chain needs a link")
    return PictureFormat(
        lines=min(link.lines for link in links),
        rate_hz=min(one.rate_hz for one in links),
        depth_bits=min(one.depth_bits for one in links),
        high_range=all(one.high_range for one in links),
    )


def weakest(links: Sequence[PictureFormat], wanted: PictureFormat) -> int | None:
    """Index of the link that cuts most from the wanted format; None where all pass it.

    Most: the lowest data rate among those that cut anything, the first of equals.
    """
    short = [index for index, one in enumerate(links) if lacks(one, wanted)]
    return min(short, key=lambda index: (links[index].bits_per_s, links[index].high_range), default=None)


# what sources and projectors of the day speak; a job may hold any other
USUAL_FORMATS = tuple(
    PictureFormat(lines=lines, rate_hz=rate_hz, depth_bits=depth_bits, high_range=high_range)
    for lines, rate_hz, depth_bits, high_range in (
        (1080, 60.0, 8, False), (1080, 120.0, 10, True), (2160, 24.0, 10, True), (2160, 60.0, 8, False), (2160, 60.0, 10, True),
        (2160, 120.0, 10, True), (4320, 60.0, 10, True),
    )
)  # fmt: skip
