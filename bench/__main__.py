"""All benchmarks in one run; writes their table into docs/measured.md between its two markers."""

import os
import re
import sys
from pathlib import Path

from bench import (
    align,
    crowd,
    cutting,
    day,
    drag,
    faults,
    fuzz,
    glance,
    holes,
    load,
    photo,
    plans,
    roundtrip,
    storm,
    studs,
    tables,
    users,
)
from gantline.sweeping import seldom_swept

MEASURED = Path(__file__).parents[1] / "docs" / "measured.md"
BEGIN, END = "<!-- bench: begin -->", "<!-- bench: end -->"


# what ./test bench measures, and what takes minutes and is asked for by name
PARTS = {
    "plans": plans,
    "tables": tables,
    "roundtrip": roundtrip,
    "day": day,
    "drag": drag,
    "cutting": cutting,
    "studs": studs,
    "align": align,
    "load": load,
    "glance": glance,
}
LONG = {
    "storm": storm,
    "faults": faults,
    "fuzz": fuzz,
    "crowd": crowd,
    "holes": holes,
    "photo": photo,
    "users": users,
}


def main() -> None:
    """Measure, print, and with --write put the table into docs/measured.md; the long ones keep their own table there."""
    # as ./start does: without .pyc files a server takes twice as long to start
    os.environ.pop("PYTHONDONTWRITEBYTECODE", None)
    seldom_swept()  # as every server does
    named = [one for one in sys.argv[1:] if one in PARTS | LONG]
    table = ["| what | measured | wanted |", "| --- | --- | --- |"]
    print(*table, sep="\n", flush=True)
    for part in named or PARTS:
        for what, measured, wanted in (PARTS | LONG)[part].rows():
            table.append(f"| {what} | {measured} | {wanted} |")
            print(table[-1], flush=True)  # a long one that is cut short has said what it knows
    if "--write" in sys.argv and not named:
        text, lines = MEASURED.read_text(), "\n".join(table)
        MEASURED.write_text(re.sub(f"{BEGIN}.*{END}", f"{BEGIN}\n{lines}\n{END}", text, flags=re.DOTALL))


main()
