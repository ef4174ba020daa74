"""Many random requests and many random documents: none may end in a server error, none may leave a job that cannot be read."""

import os
import shutil
import tempfile
from collections import Counter
from pathlib import Path
from typing import Any

import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from hypothesis.database import InMemoryExampleDatabase
from starlette.testclient import TestClient
from tests.plan.random_jobs import rich_jobs

from gantline.database import FAST, PrivateDatabase
from gantline.job.file import write_job_file
from gantline.job.model import Job
from gantline.server import create_app
from gantline.settings import Settings
from gantline.store.migrate import migrate

REQUESTS = int(os.environ.get("GANTLINE_REQUESTS", "20000"))
DOCUMENTS = int(os.environ.get("GANTLINE_DOCUMENTS", "5000"))
AS_JSON = {"content-type": "application/json"}
FACES = ("front", "side", "top", "back")
SPOILT = st.none() | st.tuples(
    st.integers(0, 10**6), st.sampled_from((b"9", b'"', b"-", b"{", b"\xff", b"null"))
)
# what no form asks for: half a character, a character that ends text, nothing, a list or an object where a word is wanted
HOSTILE: tuple[Any, ...] = (
    "\ud800",
    "a\udfffb",
    "\x00",
    "/" * 300,
    "/survey/" + "a" * 300,
    None,
    [],
    [None],
    {},
    {"": None},
    -0.0,
    1e308,
)
HOW: dict[str, Any] = {
    "deadline": None,
    "suppress_health_check": list(HealthCheck),
    "database": InMemoryExampleDatabase(),
}


def _requests(app: Any) -> tuple[int, Counter[int]]:
    """Whatever a generator thinks of, to every operation alike."""
    schema = schemathesis.openapi.from_asgi("/openapi.json", app)
    operations = [found.ok() for found in schema.get_all_operations()]  # type: ignore[union-attr]
    answers: Counter[int] = Counter()
    while sum(answers.values()) < REQUESTS:  # some operations have only so many different requests
        for operation in operations:

            @given(
                case=operation.as_strategy(),
                spoilt=st.none() | st.tuples(st.integers(0, 999), st.integers(0, 99)),
            )
            @settings(max_examples=-(-REQUESTS // len(operations)), **HOW)
            def ask(case: Any, spoilt: tuple[int, int] | None) -> None:
                if spoilt and isinstance(case.body, dict | list):
                    _spoil(case.body, *spoilt)
                answers[case.call().status_code] += 1

            ask()
    return len(operations), answers


def _spoil(body: Any, at: int, which: int) -> None:
    """Something hostile in the place of one value of a body, however deep that lies."""
    places: list[tuple[Any, Any]] = []
    left = [body]
    while left:
        holder = left.pop()
        for key, value in list(holder.items() if isinstance(holder, dict) else enumerate(holder)):
            places.append((holder, key))
            if isinstance(value, dict | list):
                left.append(value)
    if places:
        holder, key = places[at % len(places)]
        holder[key] = HOSTILE[which % len(HOSTILE)]


def _documents(client: TestClient) -> Counter[int]:
    """Rich jobs, whole and with a value spoilt: imported, opened, drawn from every side, changed."""
    answers: Counter[int] = Counter()

    @given(job=rich_jobs(), spoilt=SPOILT, x_mm=st.floats(-1e5, 1e5))
    @settings(max_examples=DOCUMENTS, **HOW)
    def ask(job: Job, spoilt: tuple[int, bytes] | None, x_mm: float) -> None:
        content = write_job_file(job)
        if spoilt:
            at = spoilt[0] % len(content)
            content = content[:at] + spoilt[1] + content[at + 1 :]
        made = client.post("/api/jobs/file", content=content, headers=AS_JSON)
        answers[made.status_code] += 1
        if made.status_code != 201:
            return
        path = f"/api/jobs/{made.json()['id']}"
        edits = {"edits": [{"pointer": "/height/centre_x_mm", "value": x_mm}]}
        for answer in (
            client.get(path),
            *(
                client.post(
                    f"{path}/preview", json={"version": 1, "station": "height", "face": face, **edits}
                )
                for face in FACES
            ),
            client.delete(path, headers={"if-match": '"1"'}),
        ):
            answers[answer.status_code] += 1

    ask()
    return answers


def rows() -> list[tuple[str, str, str]]:
    """In this process, on a database of its own."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    private = PrivateDatabase(folder / "pg", FAST)
    app = create_app(Settings(database_url=private.start(), hosts=("testserver",)))
    try:
        migrate(app.state.engine)
        with TestClient(app, raise_server_exceptions=False) as client:
            documents = _documents(client)
            operations, requests = _requests(app)
            listed = client.get("/api/jobs?most=100").json()["jobs"]
    finally:
        app.state.engine.dispose()
        private.stop()
        shutil.rmtree(folder, ignore_errors=True)
    unread = sum(1 for one in listed if one.get("trouble"))
    bad = sum(count for all_ in (documents, requests) for status, count in all_.items() if status >= 500)
    return [
        (
            f"{sum(requests.values())} random requests to {operations} operations, {DOCUMENTS} random documents with "
            f"{sum(documents.values())} requests",
            f"{bad} server errors, {unread} jobs that cannot be read",
            "0, 0",
        )
    ]
