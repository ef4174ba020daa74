"""From one version of the job file to the next, one file each."""

from collections.abc import Callable, Mapping
from typing import Any

from gantline.job.upgrades.v1_to_v2 import v1_to_v2

UPGRADES: Mapping[int, Callable[[dict[str, Any]], dict[str, Any]]] = {1: v1_to_v2}
