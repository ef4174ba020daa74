"""That a process ends: with the one it works for, and a few seconds after it is told to.

Whatever ends the other one, and whatever its own threads do.
"""

import ctypes
import os
import signal
import sys
import threading
import time
from collections.abc import Callable

PR_SET_PDEATHSIG = 1
FORKS_FOR = "GANTLINE_FORKS_FOR"  # in the environment of a fork server: the process that it forks for
LAST_S = 3.5  # after it was told to end: what is not done by then is left
LOOK_S = 0.5
GRACE_S = 2.0
STOPS: list[
    Callable[[], None]
] = []  # what this process started and must not leave behind, in the order of starting
_begun = threading.Event()


def begin() -> None:
    """From now on this process has a few seconds to end by itself; then it is ended, and what it started is stopped."""
    if not _begun.is_set():
        _begun.set()
        threading.Thread(target=_end, daemon=True).start()


def _end() -> None:
    time.sleep(LAST_S)
    for stop in reversed(STOPS):
        # whatever cannot be stopped keeps nothing else from being stopped
        try:
            stop()
        except Exception as error:
            print(f"{type(error).__name__}: {error}", file=sys.stderr)  # noqa: T201
    leave()


def leave(code: int = 0) -> None:
    """End now: a thread that never ends would hold an interpreter that waits for it."""
    sys.stdout.flush()
    sys.stderr.flush()
    os._exit(code)


def die_with_parent(number: signal.Signals) -> None:
    """Have the system send a signal when the thread that forked this process ends: call it from the child.

    Leaves out: a parent that was gone before; whoever calls this looks at that, too.
    """
    ctypes.CDLL(None, use_errno=True).prctl(PR_SET_PDEATHSIG, number, 0, 0, 0)


def end_with_server(pipe: int | None = None) -> None:
    """End this process when its server does.  pipe: its writing end is the server's alone, so that it closes with the server."""
    parent = os.getppid()
    die_with_parent(signal.SIGTERM)

    def watch() -> None:
        if pipe is not None:
            while os.read(pipe, 64):
                pass
        else:
            while os.getppid() == parent:
                time.sleep(LOOK_S)
        os.kill(os.getpid(), signal.SIGTERM)
        time.sleep(GRACE_S)
        os._exit(1)  # there is nobody left to say goodbye to

    threading.Thread(target=watch, daemon=True).start()
