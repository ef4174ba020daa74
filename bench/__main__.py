"""All benchmarks in one run; writes their table into the README between its two markers."""

import re
import sys
from pathlib import Path

from bench import drag, load, plans, roundtrip, tables

README = Path(__file__).parents[1] / "README.md"
BEGIN, END = "<!-- bench: begin -->", "<!-- bench: end -->"


def main() -> None:
    """Measure, print, and with --write put the table into the README."""
    rows = [*plans.rows(), *tables.rows(), *roundtrip.rows(), *drag.rows(), *load.rows()]
    table = "\n".join(
        ["| what | measured | wanted |", "| --- | --- | --- |", *(f"| {a} | {b} | {c} |" for a, b, c in rows)]
    )
    print(table)
    if "--write" in sys.argv:
        text = README.read_text()
        README.write_text(re.sub(f"{BEGIN}.*{END}", f"{BEGIN}\n{table}\n{END}", text, flags=re.DOTALL))


main()
