"""How long the cutting takes, and how often it is proven: 200 random jobs of a stated kind, and the hardest corner."""

import random
import time

from bench.plans import quantile
from gantline.core.frame.cutting import Stock, Wanted, cut_plan

YARD_MM = (2400, 2700, 3000, 3300, 3600, 3900, 4200, 4800)


def instance(seed: int, *, hardest: bool) -> tuple[list[Wanted], list[Stock]]:
    """2 to 12 lengths from 600 to 3400 mm, 4 to 60 pieces, 1 to 6 stock lengths at 2.2 to 2.9 a meter; hardest: 12, 60, 6."""
    chance = random.Random(seed)
    kinds, pieces, stocks = (
        (12, 60, 6) if hardest else (chance.randint(2, 12), chance.randint(4, 60), chance.randint(1, 6))
    )
    lengths = [round(chance.uniform(600, 3400) * 2) / 2 for _ in range(kinds)]
    sold = sorted(chance.sample(YARD_MM, stocks))
    sold[-1] = max(sold[-1], 3600)
    wanted = [Wanted(name=str(at), length_mm=chance.choice(lengths)) for at in range(pieces)]
    prices = [round(long / 1000 * chance.uniform(2.2, 2.9) * 20) / 20 for long in sold]
    return wanted, [
        Stock(key=str(long), length_mm=long, price=price) for long, price in zip(sold, prices, strict=True)
    ]


def rows() -> list[tuple[str, str, str]]:
    """Each kind by itself."""
    out = []
    for name, count, hardest, bar in (
        ("200 random cut lists, pieces of 600 mm and more", 200, False, "p95 1 s, all proven"),
        ("the corner: 12 lengths, 60 pieces, 6 stock lengths", 60, True, "90 % proven in 5 s"),
    ):
        taken, proven = [], 0
        for seed in range(count):
            wanted, stocks = instance(seed, hardest=hardest)
            began = time.perf_counter()
            made = cut_plan(wanted, stocks, kerf_mm=3, trim_mm=10, seconds=5.0)
            taken.append(time.perf_counter() - began)
            proven += made.proven
        said = f"median {quantile(taken, 0.5):.2f} s, p95 {quantile(taken, 0.95):.2f} s, {proven} of {count} proven"
        out.append((name, said, bar))
    return out
