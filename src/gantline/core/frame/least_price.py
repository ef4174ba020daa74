"""What the boards of a frame cost at least, without the cuts: quick enough to ask of every size beside the others.

Source: dynamic programming over how many pieces of each length are left; the longest piece left is on some full board.
It comes to the price of `cut_plan`, which also says how to cut. Leaves out: the fewest boards, off-cuts.
"""

from collections import Counter
from collections.abc import Sequence
from functools import cache
from math import inf, prod

from gantline.core.frame.cutting import Stock, Wanted
from gantline.core.frame.patterns import FIT_MM, Pattern, full_patterns

MOST_PATTERNS = 400  # of one length of board
MOST_LEFT = 5_000  # ways in which pieces and counted boards may be left


def least_price(
    wanted: Sequence[Wanted], stocks: Sequence[Stock], *, kerf_mm: float, trim_mm: float
) -> float | None:
    """The price of the cheapest boards that hold all pieces; None where no boards do, or where there are too many pieces
    to tell at once.

    Args: kerf_mm, what a saw cut takes; trim_mm, what is cut off each end.
    """
    lengths = Counter(round(piece.length_mm, 6) for piece in wanted)
    if not lengths:
        return 0.0
    weights = [length + kerf_mm for length in sorted(lengths, reverse=True)]
    counts = [lengths[length] for length in sorted(lengths, reverse=True)]
    # of each full board: its place among the counted ones or -1, its price in cents, what it holds
    boards: list[tuple[int, int, Pattern]] = []
    there: list[int] = []
    for stock in stocks:
        room = stock.length_mm - 2.0 * trim_mm + kerf_mm
        if stock.count == 0 or room + FIT_MM < weights[-1]:
            continue
        patterns = full_patterns(weights, counts, room, MOST_PATTERNS)
        if patterns is None:
            return None
        place = -1
        if stock.count is not None:
            place = len(there)
            there.append(min(stock.count, len(wanted)))
        boards += [(place, round(stock.price * 100.0), pattern) for pattern in patterns]
    if prod(count + 1 for count in (*counts, *there)) > MOST_LEFT:
        return None

    @cache
    def cents(left: tuple[int, ...], boards_left: tuple[int, ...]) -> float:
        longest = next((kind for kind, many in enumerate(left) if many), None)
        if longest is None:
            return 0.0
        least = inf
        for place, price, pattern in boards:
            if not pattern[longest] or (place >= 0 and not boards_left[place]):
                continue
            rest = tuple(max(0, many - held) for many, held in zip(left, pattern, strict=True))
            fewer = tuple(many - (at == place) for at, many in enumerate(boards_left))
            least = min(least, price + cents(rest, fewer))
        return least

    found = cents(tuple(counts), tuple(there))
    return None if found == inf else found / 100.0
