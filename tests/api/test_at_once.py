"""The same thing asked by many at once: each is answered as if they had come one after the other, and none with an error of ours."""

import json
from collections import Counter
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier
from typing import Any

from fastapi import FastAPI
from sqlalchemy import select
from starlette.testclient import TestClient

from gantline.api.deps import desk_of
from gantline.job.readings import Reading
from gantline.store import devices, photos, readings
from gantline.store.devices import NameTaken
from gantline.store.models import PhotoRow
from tests.conftest import AS_JSON

ROUNDS = 8


def at_once(*calls: Callable[[], Any]) -> list[Any]:
    """What they come to, begun together."""
    gate = Barrier(len(calls))

    def go(call: Callable[[], Any]) -> Any:
        gate.wait(10)
        return call()

    with ThreadPoolExecutor(len(calls)) as pool:
        return list(pool.map(go, calls))


def test_of_settings_saved_at_once_one_holds_whole(client: TestClient) -> None:
    first, second = (one["key"] for one in client.get("/api/settings").json()[:2])
    values = {one["key"]: one["value"] for one in client.get("/api/settings").json()}

    def put(key: str) -> Callable[[], int]:
        body = {"values": {key: values[key]}}
        return lambda: client.put("/api/settings", json=body).status_code

    for _ in range(ROUNDS):
        assert at_once(put(first), put(second), put(first), put(second)) == [200] * 4
        own = [one["key"] for one in client.get("/api/settings").json() if one["own"] is not None]
        assert own in ([first], [second])


def test_records_are_taken_in_and_deleted_by_several_at_once(client: TestClient) -> None:
    path = "/api/stores/fabric"
    file = client.get(f"{path}/file/json").json()
    key = file[0]["key"]

    def take(records: list[Any]) -> Callable[[], int]:
        content = json.dumps(records)
        return lambda: client.post(f"{path}/file/json", content=content, headers=AS_JSON).status_code

    def delete() -> int:
        return client.delete(f"{path}/{key}").status_code

    for _ in range(ROUNDS):
        # one names them in the order in which the other does not: each would wait for the other
        assert at_once(take(file), take(file[::-1]), take(file), take(file[::-1])) == [200] * 4
        assert Counter(at_once(*[delete] * 4)) == {204: 1, 404: 3}


def test_a_code_that_is_ended_while_others_cast_is_no_error(client: TestClient, job: dict[str, Any]) -> None:
    path = f"/api/jobs/{job['id']}/cast"
    for _ in range(ROUNDS):
        codes = at_once(*[lambda: client.get(path).status_code] * 3, lambda: client.delete(path).status_code)
        assert codes == [200, 200, 200, 204]


def test_of_two_devices_of_one_name_one_is_paired_and_the_other_told(app: FastAPI) -> None:
    for number in range(ROUNDS):
        with desk_of(app.state) as desk:
            codes = [devices.new_code(desk.session, desk.shop_id)[0] for _ in range(2)]

        def pair(code: str, name: str = f"Phone {number}") -> str:
            try:
                with desk_of(app.state) as desk:
                    return "paired" if devices.pair(desk.session, code, name) else ""
            except NameTaken:
                return "taken"

        assert sorted(at_once(*[lambda code=code: pair(code) for code in codes])) == ["paired", "taken"]
        with desk_of(app.state) as desk:
            for device in devices.listed(desk.session, desk.shop_id):
                devices.unpair(desk.session, desk.shop_id, device.id)


def test_readings_under_one_taken_number_are_each_kept_under_another(
    app: FastAPI, client: TestClient
) -> None:
    job = client.post("/api/jobs", json={"name": "Fed", "value": 2000}).json()["id"]

    def keep(value: float) -> int:
        reading = Reading(source="m", seq=1, what="wall-width", value_mm=value)
        with desk_of(app.state) as desk:
            return readings.keep_one(desk.session, desk.shop_id, job, reading, "")

    values = [4000.0 + number for number in range(8)]
    assert sorted(at_once(*[lambda value=value: keep(value) for value in values])) == list(range(1, 9))
    there = client.get(f"/api/jobs/{job}/readings").json()
    assert sorted(one["value_mm"] for one in there) == values


def test_a_photo_removed_while_it_is_read_leaves_nothing(app: FastAPI, job: dict[str, Any]) -> None:
    with desk_of(app.state) as desk:
        photo = photos.keep(desk.session, desk.shop_id, job["id"], b"as it was sent")
    with desk_of(app.state) as desk:
        photos.remove(desk.session, job["id"], photo, "office")
    with desk_of(app.state) as desk:  # the worker had it in hand all the while
        photos.now_read(desk.session, photo, b"gray levels")
        row = desk.session.scalars(select(PhotoRow).where(PhotoRow.id == photo)).one()
        assert (row.content, row.raw) == (b"", False)
