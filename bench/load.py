"""What the first visit loads, compressed."""

import gzip
from pathlib import Path

ASSETS = Path(__file__).parents[1] / "web" / "dist" / "assets"


def rows() -> list[tuple[str, str, str]]:
    """Script and style of the built pages, gzip level 9."""
    sizes = {
        ending: sum(len(gzip.compress(path.read_bytes())) for path in ASSETS.glob(f"*.{ending}"))
        for ending in ("js", "css")
    }
    return [
        (
            "first load, compressed",
            f"{sizes['js'] / 1000:.0f} kB script, {sizes['css'] / 1000:.0f} kB style",
            "250 kB script",
        )
    ]
