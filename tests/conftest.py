"""One throwaway PostgreSQL cluster a run, a migrated template, a fresh copy where it is asked for."""

import os
import shutil
import tempfile
from collections.abc import Callable, Iterator
from itertools import count
from pathlib import Path

import psycopg
import pytest
from hypothesis import Phase, settings
from hypothesis.internal.conjecture import providers
from hypothesis.internal.constants_ast import Constants
from sqlalchemy import create_engine

from gantline.database import FAST, ROLE, PrivateDatabase
from gantline.job.file import read_job_file
from gantline.job.model import Job
from gantline.store.migrate import migrate

# The same examples at every run, so that a commit is judged alike twice; GANTLINE_EXAMPLES=500 searches anew and further.
wider = os.environ.get("GANTLINE_EXAMPLES")
PHASES = (
    Phase.explicit,
    Phase.reuse,
    Phase.generate,
)  # a failing job is told as it is: to shrink one takes minutes
settings.register_profile(
    "here", deadline=None, max_examples=int(wider or 30), derandomize=wider is None, phases=PHASES
)
settings.load_profile("here")
if wider is None:
    # examples are else made of the constants of whatever modules a worker has imported by then
    providers._get_local_constants = Constants
AS_JSON, AS_CSV = {"content-type": "application/json"}, {"content-type": "text/csv"}
DEMO = Path(__file__).parents[1] / "src" / "gantline" / "demo"


def demo_job(name: str) -> Job:
    return read_job_file((DEMO / f"{name}.job.json").read_bytes())


# minutes and half minutes: begun first, or one core works on them alone in the end
LONG = (
    "work/test_work.py", "plan/test_rests.py", "api/test_kill.py", "stations/test_offers.py",
    "cli/test_serving.py", "plan/test_judged.py", "plan/test_plan_engine.py", "api/test_contract.py",
)  # fmt: skip


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The long files first."""
    items.sort(
        key=lambda one: next((at for at, name in enumerate(LONG) if str(one.path).endswith(name)), len(LONG))
    )


@pytest.fixture(scope="session")
def folder() -> Iterator[Path]:
    """A folder that the user postgres can enter, unlike pytest's own."""
    made = Path(tempfile.mkdtemp(prefix="gantline-test-", dir="/var/tmp"))
    made.chmod(0o755)
    yield made
    shutil.rmtree(made, ignore_errors=True)


@pytest.fixture(scope="session")
def cluster(folder: Path) -> Iterator[PrivateDatabase]:
    private = PrivateDatabase(folder / "pg", FAST)
    engine = create_engine(private.start())
    migrate(engine)
    engine.dispose()
    yield private
    private.stop()


@pytest.fixture(scope="session")
def new_database(cluster: PrivateDatabase) -> Callable[[], str]:
    """Make a fresh database from the migrated template and return its URL."""
    numbers = count(1)

    def make() -> str:
        name = f"copy_{next(numbers)}"
        with psycopg.connect(cluster.admin_url_of("postgres"), autocommit=True) as connection:
            connection.execute(f'CREATE DATABASE "{name}" TEMPLATE gantline OWNER {ROLE}')
        return cluster.url_of(name)

    return make
