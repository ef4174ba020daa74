"""What the first visit loads, compressed."""

import gzip
import re
from pathlib import Path

DIST = Path(__file__).parents[1] / "web" / "dist"


def rows() -> list[tuple[str, str, str]]:
    """Script and style that the page itself names, gzip level 9."""
    named = re.findall(r'(?:src|href)="/(assets/[^"]+)"', (DIST / "index.html").read_text())
    sizes = {
        ending: sum(len(gzip.compress((DIST / one).read_bytes())) for one in named if one.endswith(ending))
        for ending in ("js", "css")
    }
    return [
        (
            "first load, compressed",
            f"{sizes['js'] / 1000:.0f} kB script, {sizes['css'] / 1000:.0f} kB style",
            "250 kB script",
        )
    ]
