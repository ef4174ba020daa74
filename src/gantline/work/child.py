"""One piece of heavy work in a process of its own, with an end to its time and its memory.

The fork server loads `warm` once, so that a child begins with everything it needs.
"""

import os
import resource
import signal
import threading
import time
from multiprocessing.connection import Connection
from typing import Any

from sqlalchemy import create_engine
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session
from sqlalchemy.pool import NullPool

from gantline.core.errors import DesignError
from gantline.ending import die_with_parent
from gantline.settings import psycopg_url
from gantline.work.tasks import LONG, TASKS, Say

LOOK_S = 0.5
LONG_YIELDS = 5


def run(
    pipe: Connection, url: str, task: str, args: dict[str, Any], seconds: float, megabytes: int, worker: int
) -> None:
    """Do it and send what it came to: ("said", share) and ("part", bytes), then ("done", bytes) or ("failed", text)."""
    die_with_parent(signal.SIGKILL)  # the fork server ends with its worker, and this with the fork server
    size = megabytes * 1024 * 1024
    resource.setrlimit(resource.RLIMIT_AS, (size, size))
    resource.setrlimit(resource.RLIMIT_CPU, (int(seconds) + 1, int(seconds) + 2))
    threading.Thread(target=_end_with, args=(worker,), daemon=True).start()
    if task in LONG:
        os.nice(LONG_YIELDS)  # a sheet that somebody asks for meanwhile goes first
    engine = create_engine(psycopg_url(url), poolclass=NullPool)
    try:
        with Session(engine) as session:
            pipe.send(("done", TASKS[task](session, args, Say(lambda *word: pipe.send(word)))))
    except MemoryError:
        pipe.send(("failed", "This needs more memory than one piece of work may take."))
    except DesignError as error:
        pipe.send(("failed", str(error)))
    except OperationalError:
        pipe.send(("failed", "The database was out of reach while this was worked on. Ask for it again."))
    except Exception as error:
        pipe.send(("broken", f"{type(error).__name__}: {error}"))


def _end_with(worker: int) -> None:
    """A worker that was killed cannot end its children: they see that it is gone."""
    while True:
        time.sleep(LOOK_S)
        try:
            os.kill(worker, 0)
        except ProcessLookupError:
            os._exit(1)
