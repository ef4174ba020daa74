"""Strangers in the same network, many and slow: whoever is paired is answered all the same, and plain HTTP is told the way."""

import asyncio
import http.client
import json
import os
import resource
import socket
import ssl
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import closing, suppress
from itertools import cycle
from pathlib import Path
from typing import Any

import psycopg
import pytest
from websockets.asyncio.client import ClientConnection, connect
from websockets.exceptions import ConnectionClosed

from tests.running import free_port, ran

HOST, TABLET = "127.0.0.2", "127.0.1.1"
TRUSTING = ssl._create_unverified_context()
SILENT, SLOW = 1500, 300


class Beyond:
    """A server for other machines, and a paired tablet at an address of its own."""

    def __init__(self, url: str, folder: Path, *told: str) -> None:
        self.url, self.port = url.replace("+psycopg", ""), free_port()
        command = [
            sys.executable,
            "-m",
            "gantline",
            "serve",
            "--port",
            str(self.port),
            "--host",
            HOST,
            "--database",
            url,
        ]
        self.process = subprocess.Popen(
            [*told, *command, "--data", str(folder / "storm"), "--no-demo"],
            stdout=subprocess.PIPE, text=True, env=os.environ | {"GANTLINE_WORKER": "false"},
        )  # fmt: skip
        assert self.process.stdout
        said = [self.process.stdout.readline().strip() for _ in range(3)]
        status, headers, text = self.ask("POST", "/api/pair", pairing(said[1].rpartition("#")[2], "tablet"))
        assert status == 201, text
        self.token = headers["set-cookie"].partition("=")[2].partition(";")[0]

    def ask(
        self, method: str, path: str, body: str | None = None, *, token: str = "", of: str = TABLET
    ) -> tuple[int, dict[str, str], str]:
        """Status, head and body of an answer; of: the address that asks."""
        place = (of, 0)
        asking = http.client.HTTPSConnection(
            HOST, self.port, timeout=10, source_address=place, context=TRUSTING
        )
        with closing(asking):
            headers = {"content-type": "application/json"} | (
                {"authorization": f"Bearer {token}"} if token else {}
            )
            asking.request(method, path, body, headers)
            answer = asking.getresponse()
            return (
                answer.status,
                {key.lower(): value for key, value in answer.getheaders()},
                answer.read().decode(),
            )

    def close(self) -> None:
        self.process.terminate()
        self.process.wait(timeout=10)
        assert self.process.stdout
        self.process.stdout.close()


def pairing(code: str, name: str) -> str:
    return json.dumps({"code": code, "name": name})


@pytest.fixture(scope="module")
def beyond(new_database: Callable[[], str], folder: Path) -> Iterator[Beyond]:
    """With the usual limit of 1,024 open files, as a service manager sets it."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    resource.setrlimit(resource.RLIMIT_NOFILE, (min(hard, 8192), hard))
    made = Beyond(new_database(), folder, "prlimit", "--nofile=1024:1024")
    yield made
    made.close()
    resource.setrlimit(resource.RLIMIT_NOFILE, (soft, hard))


def silent(port: int, addresses: list[str]) -> list[socket.socket]:
    found = []
    for _, address in zip(range(SILENT), cycle(addresses), strict=False):
        one = socket.socket()
        one.bind((address, 0))
        one.setblocking(False)
        with suppress(BlockingIOError):
            one.connect((HOST, port))
        found.append(one)
    return found


def slow_bodies(port: int, addresses: list[str], over: threading.Event) -> threading.Thread:
    """Heads of /api/pair and of a job file, and a byte now and then, for as long as it goes on."""

    def drip() -> None:
        there: list[ssl.SSLSocket] = []
        for number, address in zip(range(SLOW), cycle(addresses), strict=False):
            if over.is_set():
                break
            with suppress(OSError):
                plain = socket.create_connection((HOST, port), 5, (address, 0))
                one = TRUSTING.wrap_socket(plain, server_hostname=HOST)
                path = "/api/jobs/file" if number % 10 == 9 else "/api/pair"
                head = f"POST {path} HTTP/1.1\r\nhost: {HOST}:{port}\r\ncontent-type: application/json\r\ncontent-length: 1900\r\n\r\n"
                one.sendall(head.encode())
                there.append(one)
        while not over.wait(0.5):
            for one in there:
                with suppress(OSError):
                    one.sendall(b" ")
        for one in there:
            one.close()

    thread = threading.Thread(target=drip)
    thread.start()
    return thread


@pytest.mark.parametrize(
    "addresses", [["127.0.0.9"], [f"127.0.0.{last}" for last in range(10, 60)]], ids=["one", "fifty"]
)
def test_strangers_shut_no_paired_device_out(beyond: Beyond, addresses: list[str]) -> None:
    over = threading.Event()
    crowd = silent(beyond.port, addresses)
    dripping = slow_bodies(beyond.port, addresses, over)
    try:
        for _ in range(30):
            assert beyond.ask("GET", "/api/jobs", token=beyond.token)[0] == 200
            time.sleep(0.1)
    finally:
        over.set()
        dripping.join()
        for one in crowd:
            one.close()


def test_wrong_codes_hold_back_only_who_types_them(beyond: Beyond) -> None:
    def typed(address: str, code: str, name: str = "x") -> int:
        return beyond.ask("POST", "/api/pair", pairing(code, name), of=address)[0]

    assert [typed("127.0.0.77", "AAAA-AAAA") for _ in range(12)] == [422] * 10 + [429] * 2
    assert typed("127.0.0.78", "AAAA-AAAA") == 422
    code = json.loads(beyond.ask("POST", "/api/devices/code", token=beyond.token)[2])["code"]
    assert typed("127.0.0.77", code, "phone") == 201


def test_an_open_feed_ends_within_three_seconds_of_its_device_being_unpaired_and_no_other(
    beyond: Beyond,
) -> None:
    def asked(method: str, path: str, body: str | None = None) -> Any:
        return json.loads(beyond.ask(method, path, body, token=beyond.token)[2] or "null")

    def feed_of(token: str) -> connect:
        # not the client with threads: ssl of Python 3.11 loses bytes that one thread writes while another reads
        address = f"wss://{HOST}:{beyond.port}/api/jobs/{job}/feed"
        return connect(address, ssl=TRUSTING, additional_headers={"authorization": f"Bearer {token}"})

    async def last(feed: ClientConnection) -> int:
        await feed.send(json.dumps({"source": "m", "hello": True}))
        return int(json.loads(await asyncio.wait_for(feed.recv(), 5))["last"])

    async def unlock(database: psycopg.AsyncConnection[Any]) -> None:
        await asyncio.sleep(2.0)  # on a slow machine the other one waits for it, too
        await database.commit()

    async def go() -> None:
        async with feed_of(meter) as feed, await psycopg.AsyncConnection.connect(beyond.url) as database:
            assert await last(feed) == 0
            await asyncio.to_thread(asked, "GET", "/api/jobs")
            # the look for who is still paired takes long, and another device comes in meanwhile
            await database.execute("LOCK TABLE device")
            unlocking = asyncio.create_task(unlock(database))
            await asyncio.sleep(1.2)
            async with feed_of(beyond.token) as other:
                await unlocking
                await asyncio.sleep(0.3)
                assert await last(other) == 0
                devices = (await asyncio.to_thread(asked, "GET", "/api/devices"))["devices"]
                (there,) = [device["id"] for device in devices if device["name"] == "meter"]
                await asyncio.to_thread(asked, "DELETE", f"/api/devices/{there}")
                with pytest.raises(ConnectionClosed) as closed:
                    await asyncio.wait_for(feed.recv(), 3)
                assert closed.value.rcvd and closed.value.rcvd.code == 4401
                assert await last(other) == 0

    code = asked("POST", "/api/devices/code")["code"]
    meter = json.loads(beyond.ask("POST", "/api/pair", pairing(code, "meter"))[2])["token"]
    job = asked("POST", "/api/jobs", json.dumps({"name": "Fed", "value": 2000}))["id"]
    ran(go())


def test_plain_http_is_told_where_to_go_and_a_long_body_is_refused_before_it_comes(beyond: Beyond) -> None:
    with socket.create_connection((HOST, beyond.port), 5) as plain:
        plain.sendall(b"GET / HTTP/1.1\r\nhost: x\r\n\r\n")
        said = plain.recv(4096).decode()
    assert said.startswith("HTTP/1.1 308")
    assert f"location: https://{HOST}:{beyond.port}/" in said
    assert "max-age" in beyond.ask("GET", "/api/health")[1]["strict-transport-security"]
    assert beyond.ask("POST", "/api/pair", " " * 3000)[0] == 413
