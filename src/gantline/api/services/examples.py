"""Three rooms to start from: sample jobs of the made-up world, each under a name that says it is one."""

from enum import StrEnum

from gantline.demo.world import job_bytes
from gantline.job.file import read_job_file
from gantline.job.model import Job


class ExampleKey(StrEnum):
    """The rooms."""

    LOFT = "mill-loft"
    LOUNGE = "narrow-lounge"
    DEN = "basement-den"


def example(key: ExampleKey) -> Job:
    """One of them as a job of one's own."""
    job = read_job_file(job_bytes(key.value))
    return job.model_copy(update={"name": f"{job.name}, example"})
