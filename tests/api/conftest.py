"""The application on a fresh database, asked without a network."""

import subprocess
import sys
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.demo.world import load
from gantline.server import create_app
from gantline.settings import Settings


@pytest.fixture(scope="module")
def app(new_database: Callable[[], str]) -> Iterator[FastAPI]:
    made = create_app(Settings(database_url=new_database()))
    with made.state.sessions.begin() as session:
        load(session)
    yield made
    made.state.engine.dispose()


@pytest.fixture
def client(app: FastAPI) -> Iterator[TestClient]:
    with TestClient(app, raise_server_exceptions=False, base_url="http://127.0.0.1") as made:
        yield made


@pytest.fixture
def job(client: TestClient) -> dict[str, Any]:
    body = {"name": "Trial", "value": "113", "units": {"style": "in-fraction"}}
    made: dict[str, Any] = client.post("/api/jobs", json=body).json()
    return made


@pytest.fixture(scope="module")
def worker(app: FastAPI) -> Iterator[None]:
    """Whoever does the heavy work that is asked for."""
    process = subprocess.Popen([sys.executable, "-m", "gantline", "work", "--database", app.state.queue.url])
    yield
    process.terminate()
    process.wait()
