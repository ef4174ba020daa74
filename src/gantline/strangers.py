"""Connections that have shown nothing yet: bounded in all and by address, so that whoever is known always finds a place.

Against: somebody in the same network who opens connections and says nothing, or says it slowly. One process counts its own.
"""

import resource
from collections import OrderedDict
from collections.abc import Callable

Key = tuple[str, int]  # address and port of the other end
AN_ADDRESS = 32  # a browser opens six
OPEN_FILES = 65_536
KEPT_FREE = 200  # open files for the database, the pages and what is known


class Strangers:
    """Connections over which nothing was asked yet that a paired device may ask, the oldest first.

    an_address, in_all: how many may be there; None: no bound by address, as where only this machine is served.
    """

    def __init__(self, an_address: int | None = AN_ADDRESS, in_all: int = 1000) -> None:
        self.an_address, self.in_all = an_address, in_all
        self.by_address: dict[str, OrderedDict[Key, Callable[[], None]]] = {}
        self.count = 0

    def came(self, key: Key, close: Callable[[], None]) -> None:
        """A new one; where there are too many, the oldest of the address that has most is closed."""
        self.by_address.setdefault(key[0], OrderedDict())[key] = close
        self.count += 1
        if self.an_address is not None and len(self.by_address[key[0]]) > self.an_address:
            self._close_oldest(key[0])
        elif self.count > self.in_all:
            self._close_oldest(max(self.by_address, key=lambda address: len(self.by_address[address])))

    def left(self, key: Key) -> None:
        """It is gone, or it is known now."""
        its = self.by_address.get(key[0])
        if its is not None and its.pop(key, None) is not None:
            self.count -= 1
            if not its:
                del self.by_address[key[0]]

    known = left

    def make_room(self) -> None:
        """Close one, as when there is no file left to open."""
        if self.by_address:
            self._close_oldest(max(self.by_address, key=lambda address: len(self.by_address[address])))

    def _close_oldest(self, address: str) -> None:
        key, close = next(iter(self.by_address[address].items()))
        self.left(key)
        close()


STRANGERS = Strangers(None)  # of this process


def bound_here(*, beyond: bool) -> None:
    """Set the bounds for what is served: other machines, or only this one."""
    STRANGERS.an_address = AN_ADDRESS if beyond else None
    STRANGERS.in_all = max(64, (open_files() - KEPT_FREE) // 2)


def open_files() -> int:
    """How many files this process may open: as many as the system lets it, and no more than are of use."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    wanted = OPEN_FILES if hard == resource.RLIM_INFINITY else min(hard, OPEN_FILES)
    if soft != resource.RLIM_INFINITY and soft < wanted:
        resource.setrlimit(resource.RLIMIT_NOFILE, (wanted, hard))
        soft = wanted
    return OPEN_FILES if soft == resource.RLIM_INFINITY else soft
