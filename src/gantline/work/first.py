"""Loaded by the fork server first, so that it ends with the worker that started it, also while it loads the rest."""

import os
import signal

from gantline.ending import FORKS_FOR, die_with_parent

die_with_parent(signal.SIGKILL)
if os.environ.get(FORKS_FOR, str(os.getppid())) != str(os.getppid()):
    os._exit(1)  # the worker was killed before it could be watched
