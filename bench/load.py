"""What the first visit loads, compressed."""

import gzip
import re
from pathlib import Path

DIST = Path(__file__).parents[1] / "web" / "dist"


def _sizes(page: str) -> dict[str, int]:
    """Script and style that a page itself names, gzip level 9 [bytes]."""
    named = re.findall(r'(?:src|href)="/(assets/[^"]+)"', (DIST / page).read_text())
    return {
        ending: sum(len(gzip.compress((DIST / one).read_bytes())) for one in named if one.endswith(ending))
        for ending in ("js", "css")
    }


def rows() -> list[tuple[str, str, str]]:
    """The page of a job, and the crew's."""
    whole, crew = _sizes("index.html"), _sizes("day.html")
    return [
        (
            "first load, compressed",
            f"{whole['js'] / 1000:.0f} kB script, {whole['css'] / 1000:.0f} kB style",
            "250 kB script, all that the page names",
        ),
        (
            "first load of the crew's page, compressed",
            f"{crew['js'] / 1000:.0f} kB script, {crew['css'] / 1000:.0f} kB style",
            "120 kB script",
        ),
    ]
