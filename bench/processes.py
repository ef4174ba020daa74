"""Processor time and memory of processes, read from /proc."""

import os
from pathlib import Path

TICK_S = 1.0 / os.sysconf("SC_CLK_TCK")


def below(pid: int) -> set[int]:
    """A process and all that it has started."""
    found, left = {pid}, [pid]
    while left:
        for path in Path(f"/proc/{left.pop()}/task").glob("*/children"):
            own = {int(one) for one in path.read_text().split()}
            found |= own
            left += own
    return found


def cpu_s(pids: set[int]) -> float:
    """Processor time of processes and of what they waited for [s]."""
    total = 0.0
    for pid in pids:
        try:
            fields = Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()
        except OSError:
            continue
        total += sum(int(one) for one in fields[11:15]) * TICK_S
    return total


def workers(pids: set[int]) -> set[int]:
    """Those of them that do heavy work: `gantline work` and what it has started."""
    found = set[int]()
    for pid in pids:
        try:
            words = Path(f"/proc/{pid}/cmdline").read_bytes().split(b"\0")
        except OSError:
            continue
        if b"work" in words:
            found |= below(pid)
    return found


def memory_mb(pids: set[int]) -> float:
    """Memory that is theirs [MB]."""
    total = 0.0
    for pid in pids:
        try:
            lines = Path(f"/proc/{pid}/smaps_rollup").read_text().splitlines()
        except OSError:
            continue
        total += sum(int(line.split()[1]) for line in lines if line.startswith("Pss:")) / 1000.0
    return total


def open_files(pids: set[int]) -> int:
    """How many files they have open."""
    found = 0
    for pid in pids:
        try:
            found += len(list(Path(f"/proc/{pid}/fd").iterdir()))
        except OSError:
            continue
    return found


def postgres_of(data: Path) -> set[int]:
    """The postmaster of a data folder and its children."""
    return below(int((data / "data" / "postmaster.pid").read_text().split()[0]))
