"""The house's own rules that no linter has: who may import what of a station, and how large a file grows."""

import ast
import re
import statistics
from collections.abc import Iterator
from pathlib import Path

SRC = Path(__file__).parents[1] / "src" / "gantline"
STATIONS = tuple(sorted(path.parent.name for path in (SRC / "stations").glob("*/station.py")))
WEB = Path(__file__).parents[1] / "web" / "src"
SHOWS = ("figures", "findings", "marks", "panel", "tables", "station")


def imports(path: Path) -> Iterator[str]:
    """Modules a file imports, those inside functions too."""
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.ImportFrom) and node.module:
            yield node.module
        elif isinstance(node, ast.Import):
            yield from (one.name for one in node.names)


def test_a_station_asks_another_only_through_what_it_offers() -> None:
    for station in STATIONS:
        for path in (SRC / "stations" / station).glob("*.py"):
            for name in imports(path):
                parts = name.removeprefix("gantline.stations.").split(".")
                inner = name.startswith("gantline.stations.") and parts[0] in STATIONS and parts[0] != station
                assert not (
                    inner and (SRC / "stations" / parts[0] / f"{'.'.join(parts[1:2])}.py").exists()
                ), (path, name)


def test_what_is_solved_knows_nothing_of_what_is_shown() -> None:
    for path in (SRC / "stations").glob("*/*.py"):
        if path.stem in (*SHOWS, "__init__") or path.stem.endswith(("_figures", "_findings", "_marks")):
            continue
        shown = {f"gantline.stations.{path.parent.name}.{one}" for one in SHOWS} | {"gantline.drawing.marks"}
        assert not shown & set(imports(path)) or path.stem in ("seats", "signal", "panel", "ways"), path


def test_only_the_registry_names_all_stations() -> None:
    for path in SRC.rglob("*.py"):
        named = {name.split(".")[2] for name in imports(path) if name.startswith("gantline.stations.")} & set(
            STATIONS
        )
        assert len(named) < len(STATIONS) or path.name == "registry.py", path


def test_no_station_lets_core_speak() -> None:
    """What core refuses names a quantity; its words are for who reads the code."""
    for folder in ("stations", "compare"):
        for path in (SRC / folder).rglob("*.py"):
            assert not re.search(r"str\(error\)|\{error\}", path.read_text()), path


def test_files_stay_small() -> None:
    sizes = {path: len(path.read_text().splitlines()) for path in SRC.rglob("*.py") if path.stat().st_size}
    assert max(sizes.values()) <= 400, max(sizes, key=lambda path: sizes[path])
    assert statistics.median(sizes.values()) < 100


def test_the_page_asks_a_panel_what_it_is_and_never_its_stations_name() -> None:
    named = re.compile(rf"station\s*(===?|!==?)\s*['\"]({'|'.join(STATIONS)})['\"]")
    for path in (*WEB.rglob("*.ts"), *WEB.rglob("*.tsx")):
        if "generated" not in path.name and ".test." not in path.name:
            assert not named.search(path.read_text()), path
