"""Comparisons: the size table and the floor, at the sizes they are promised for."""

from dataclasses import replace
from statistics import median

import numpy as np

from bench.plans import timed
from gantline.compare.payoff import payoff
from gantline.compare.projectors import projector_table
from gantline.compare.sizes import size_table
from gantline.core.light.lobe import FabricKind, Lobe, seen_gain
from gantline.core.throw.places import search
from gantline.demo.world import job_bytes, named_records
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job, read_job_file
from gantline.job.records import RecordKind
from gantline.stations import plan
from gantline.stations.throw import wanted as lens_wanted

ROUNDS = 30


def _places() -> list[float]:
    """The longest clear stretch for 200 projectors, each with a window of its own, with the loft's boxes in the way."""
    wanted = plan(read_job_file(job_bytes("mill-loft"))).ask(lens_wanted)
    assert wanted is not None
    many = [
        replace(wanted, lines=None, near_mm=wanted.near_mm - 5.0 * k, far_mm=wanted.far_mm + 5.0 * k)
        for k in range(200)
    ]
    x, y = np.linspace(300, 4400, 12), np.linspace(100, 2400, 200)
    return timed(lambda: search(many, x, y), ROUNDS)


def projector_table_ms() -> list[float]:
    """All sample projectors in the largest-windowed sample room."""
    job, records = read_job_file(job_bytes("mill-loft")), named_records(RecordKind.PROJECTOR)
    return timed(lambda: projector_table(plan(job).ask, records), 10)


def rows() -> list[tuple[str, str, str]]:
    """12 candidates at 12 seats in 4 light states; 100 x 100 places on the floor for 25 screen points."""
    job = read_job_file(job_bytes("mill-loft"))
    seats: list[dict[str, bool | int | float | str | None]] = [
        {
            "x_mm": 1000.0 + 250 * (k % 4),
            "from_wall_mm": 3600.0 + 900 * (k // 4),
            "platform_mm": 300.0 * (k // 4),
        }
        for k in range(12)
    ]
    states: list[dict[str, bool | int | float | str | None]] = [
        {"name": name} for name in ("dark", "one lamp", "evening", "open day")
    ]
    full = apply(
        job, [Edit(pointer="/survey/seats", value=seats), Edit(pointer="/light/states", value=states)]
    )
    steps = tuple(0.8 + 0.04 * k for k in range(12))
    at = plan(full).ask
    table = timed(lambda: size_table(at, steps), ROUNDS)
    lobe = Lobe(kind=FabricKind.MIRROR, gain=0.9, half_gain_deg=30)
    points = np.random.default_rng(1).random((25, 3)) * [3000, 1500, 0]
    eyes = np.random.default_rng(2).random((10_000, 3)) * [4000, 300, 4000] + [0, 1000, 800]
    floor = timed(lambda: seen_gain(lobe, points, np.array([1500.0, 2200.0, 4200.0]), eyes), ROUNDS)
    places, fits = _places(), projector_table_ms()
    nothing = plan(read_job({"name": "x", "size": {"value_mm": 2870}}))
    bare = timed(lambda: payoff(plan(nothing.ask.job, last=nothing)), ROUNDS)
    return [
        (
            "place search, 12 joists × 200 heights × 200 projectors",
            f"median {median(places):.0f} ms",
            "200 ms",
        ),
        (
            "what to measure first, for a job of a name and a diagonal",
            f"median {median(bare):.0f} ms",
            "100 ms",
        ),
        ("12 projectors planned and placed in the mill loft", f"median {median(fits):.0f} ms", ""),
        (
            "size table, 12 candidates, 12 seats, 4 light states",
            f"median {median(table):.0f} ms",
            "20 ms at 7.5 ms a 100,000 squares",
        ),
        (
            "gain over the floor, 100 × 100 places, 25 screen points",
            f"median {median(floor):.0f} ms",
            "100 ms",
        ),
    ]
