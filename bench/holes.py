"""Seeded walls, each with its screen, way of hanging, fittings and refusals: no hole that may be drilled where none belongs."""

import os
import random
import time
from typing import Any

from gantline.core.wall.bands import crosses
from gantline.core.wall.ways import Way
from gantline.job.file import read_job
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.height import centre_x_mm
from gantline.stations.size import screen
from gantline.stations.survey import bands, lattice
from gantline.stations.wall import drilling
from gantline.stations.wall.way import on_studs

WALLS = int(os.environ.get("GANTLINE_WALLS", "10000"))
KINDS = ("outlet", "window", "return-air")
EDGE_MM = 10.0


def document(rng: random.Random) -> dict[str, Any]:
    """A wall of 2.6 to 6.5 m with up to four fittings, a screen of 1.6 to 3.6 m on it, hung any way."""
    wide = rng.uniform(2600.0, 6500.0)
    fittings = [
        {
            "id": f"w{number}",
            "kind": rng.choice(KINDS),
            "x_mm": rng.uniform(0.0, wide * 0.9),
            "y_mm": rng.uniform(200.0, 2200.0),
            "width_mm": rng.uniform(70.0, 400.0),
            "height_mm": rng.uniform(70.0, 400.0),
        }
        for number in range(rng.randrange(5))
    ]
    facts = [
        {
            "id": f"f{number}",
            "hole": "upper-left",
            "state": "blocked",
            "x_mm": rng.uniform(0.0, wide),
            "y_mm": 2000.0,
        }
        for number in range(rng.choice((0, 0, 0, 1, 2)))
    ]
    return {
        "format": "gantline-job",
        "format_version": 2,
        "name": "any wall",
        "survey": {
            "wall_width_mm": wide,
            "ceiling_mm": rng.uniform(2300.0, 3600.0),
            "build": rng.choice(("studs", "studs", "studs", "masonry")),
            "stud_first_mm": rng.uniform(30.0, 600.0),
            "stud_spacing_mm": rng.choice((400.0, 406.4, 450.0, 600.0, 609.6)),
            "stud_width_mm": rng.choice((38.0, 45.0)),
            "fittings": fittings,
        },
        "size": {
            "lead": "width",
            "value_mm": rng.uniform(1600.0, 3600.0),
            "aspect": rng.choice(("16:9", "2.39", "4:3")),
        },
        "wall": {
            "way": rng.choice(list(Way)).value,
            "fix_to": rng.choice(("studs", "studs", "backer")),
            "side_play_mm": rng.uniform(0.0, 250.0),
            "hang_parts": rng.choice((None, None, 3, 4)),
            "facts": facts,
        },
    }


def wrong(made: JobPlan) -> list[str]:
    """Holes without a Stop that lie in a band, within 10 mm of a stud's edge, or off the rail; and how many there were at all."""
    at = made.ask
    there, studs, gone = at(drilling), at(lattice), {one.key for one in made.refused[0]}
    half, found = at(screen).overall_width_mm / 2.0, []
    for one in there.holes if there else ():
        if one.key in gone:
            continue
        if any(crosses(band, one.x_mm, one.y_mm) for band in at(bands)):
            found.append(f"{one.key} in a band")
        if abs(one.x_mm - at(centre_x_mm)) > half:
            found.append(f"{one.key} off the rail")
        if studs is not None and at(on_studs):
            off = min(abs(one.x_mm - x) for x in studs.centres_mm)
            if off > studs.stud_mm / 2.0 - EDGE_MM + 1e-6:
                found.append(f"{one.key} {off:.0f} mm off its stud")
    return found


def rows() -> list[tuple[str, str, str]]:
    """Over all walls."""
    rng, holes, bad, began = random.Random(7), 0, [], time.perf_counter()
    clean = 0
    for number in range(WALLS):
        made = plan(read_job(document(rng)))
        there = made.ask(drilling)
        holes += len(there.holes) if there else 0
        clean += (len(there.holes) if there else 0) - len(made.refused[0])
        bad += [f"wall {number}: {one}" for one in wrong(made)]
    for one in bad[:5]:
        print(one)
    said = f"{len(bad)} of {clean:,} clean holes ({holes:,} planned), {time.perf_counter() - began:.0f} s"
    return [(f"{WALLS:,} random walls: holes without a Stop where none belongs", said, "0")]
