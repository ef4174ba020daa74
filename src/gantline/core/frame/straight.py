"""Which of the boards that were bought are good enough, and which of them make the rails.

Source: a board is rejected whose crook exceeds 2 mm, or whose bow or twist exceeds 4 mm, over its length; the
straightest go to the rails, since a bent rail shows as an uneven gap between picture and border.
"""

from collections.abc import Sequence
from dataclasses import dataclass

RAILS = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Board:
    """A board as it was sighted [mm]: crook sideways, bow over its face, twist at its end."""

    key: str
    length_mm: float
    crook_mm: float
    bow_mm: float
    twist_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Sighted:
    """A board with its verdict: its rank among the good ones from 1 (None: rejected), and why it was rejected."""

    board: Board
    rank: int | None
    why: str

    @property
    def role(self) -> str:
        """What it becomes: the two straightest the rails; empty where it goes back."""
        return "" if self.rank is None else "rail" if self.rank <= RAILS else "stile or brace"


def sighted(
    boards: Sequence[Board], *, crook_mm: float, bow_mm: float, twist_mm: float
) -> tuple[Sighted, ...]:
    """Boards judged, the straightest first; crook counts most, since it is what cannot be screwed flat.

    Args: the largest crook, bow and twist a board may have.
    """
    limits = {"crook": crook_mm, "bow": bow_mm, "twist": twist_mm}
    good: list[tuple[Board, str]] = []
    bad: list[tuple[Board, str]] = []
    for board in boards:
        over = [name for name, most in limits.items() if getattr(board, f"{name}_mm") > most]
        (bad if over else good).append((board, ", ".join(over)))
    good.sort(key=lambda pair: (pair[0].crook_mm, pair[0].bow_mm + pair[0].twist_mm))
    ranked = [Sighted(board=one, rank=at, why="") for at, (one, _) in enumerate(good, start=1)]
    return (*ranked, *(Sighted(board=one, rank=None, why=why) for one, why in bad))
