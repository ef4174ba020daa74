"""Loaded by the fork server first, so that it ends with the worker that started it, also while it loads the rest."""

import signal

from gantline.ending import die_with_parent

die_with_parent(signal.SIGKILL)
