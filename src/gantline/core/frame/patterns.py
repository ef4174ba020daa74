"""What one board can hold: every full pattern of pieces, and the best one for given values of the pieces."""

from collections.abc import Iterator, Sequence

FIT_MM = 1e-6
Pattern = tuple[int, ...]


def full_patterns(
    weights: Sequence[float], counts: Sequence[int], room: float, most: int
) -> list[Pattern] | None:
    """Every pattern of a board that nothing more fits into; None when there are more than `most`.

    Args: weights, piece and one kerf each [mm], longest first; counts, how many are wanted at most; room, what all of
        them together may take [mm].
    """
    found: list[Pattern] = []
    last = len(weights) - 1

    def fill(at: int, left: float, taken: list[int], skipped: float) -> bool:
        # skipped: the shortest piece that could still have been taken before; a board with room for it is not full
        can = min(counts[at], int((left + FIT_MM) // weights[at]))
        if at == last:
            rest = left - can * weights[at]
            if rest + FIT_MM >= skipped:
                return True
            if len(found) >= most:
                return False
            found.append((*taken, can))
            return True
        for many in range(can, -1, -1):
            short = skipped if many == counts[at] else min(skipped, weights[at])
            if not fill(at + 1, left - many * weights[at], [*taken, many], short):
                return False
        return True

    return found if fill(0, room, [], float("inf")) else None


def worth_patterns(
    weights: Sequence[float], counts: Sequence[int], room: float, values: Sequence[float], least: float
) -> Iterator[Pattern]:
    """Every pattern whose pieces are worth at least `least`, by depth-first search with the bound of the fractional
    knapsack.  Args as above; values, one for each piece."""
    order = sorted(range(len(weights)), key=lambda at: values[at] / weights[at], reverse=True)
    w, v, n = [weights[at] for at in order], [values[at] for at in order], [counts[at] for at in order]
    taken = [0] * len(order)

    def bound(at: int, left: float) -> float:
        whole = 0.0
        for i in range(at, len(w)):
            fit = min(float(n[i]), left / w[i])
            whole += fit * v[i]
            left -= fit * w[i]
            if left <= FIT_MM:
                break
        return whole

    def fill(at: int, left: float, worth: float) -> Iterator[Pattern]:
        if worth + bound(at, left + FIT_MM) < least:
            return
        if at == len(w):
            out = [0] * len(order)
            for i, many in zip(order, taken, strict=True):
                out[i] = many
            yield tuple(out)
            return
        for many in range(min(n[at], int((left + FIT_MM) // w[at])), -1, -1):
            taken[at] = many
            yield from fill(at + 1, left - many * w[at], worth + many * v[at])
        taken[at] = 0

    yield from fill(0, room, 0.0)


def best_pattern(
    weights: Sequence[float], counts: Sequence[int], room: float, values: Sequence[float]
) -> tuple[float, Pattern]:
    """The pattern worth most, and what it is worth: a bounded knapsack, exactly, by branch and bound."""
    order = sorted(range(len(weights)), key=lambda at: values[at] / weights[at], reverse=True)
    w, v, n = [weights[at] for at in order], [values[at] for at in order], [counts[at] for at in order]
    taken = [0] * len(order)
    best, kept = -1.0, tuple(taken)

    def fill(at: int, left: float, worth: float) -> None:
        nonlocal best, kept
        if worth > best:
            best, kept = worth, tuple(taken)
        if at == len(w) or v[at] <= 0.0:
            return
        free, more = left + FIT_MM, 0.0
        for i in range(at, len(w)):  # what could be added at most
            fit = min(float(n[i]), free / w[i])
            more += fit * v[i]
            free -= fit * w[i]
            if free <= FIT_MM:
                break
        if worth + more <= best + 1e-9:
            return
        for many in range(min(n[at], int((left + FIT_MM) // w[at])), -1, -1):
            taken[at] = many
            fill(at + 1, left - many * w[at], worth + many * v[at])
        taken[at] = 0

    fill(0, room, 0.0)
    out = [0] * len(order)
    for i, many in zip(order, kept, strict=True):
        out[i] = many
    return best, tuple(out)
