"""The yard: cards kept with versions, searched and paged, and nothing planned for it."""

from typing import Any

import pytest
from fastapi import FastAPI
from sqlalchemy import text
from starlette.testclient import TestClient

from gantline.api.services import plans


def cards(client: TestClient, **query: Any) -> Any:
    return client.get("/api/jobs", params=query).json()


def test_jobs_are_searched_by_name_and_place_and_come_in_pages(client: TestClient) -> None:
    for number in range(5):
        body = {
            "name": f"Quay 100%_{number}",
            "place": "Harbor" if number % 2 else "Hill",
            "value": 2000 + number,
        }
        assert client.post("/api/jobs", json=body).status_code == 201
    found = cards(client, search="quay 100")
    assert found["total"] == 5
    assert [one["name"][-1] for one in found["jobs"]] == ["4", "3", "2", "1", "0"]
    assert cards(client, search="harbor")["total"] == 2
    assert cards(client, search="100%_3")["total"] == 1  # what is typed is text, no pattern
    first, second = (
        cards(client, search="quay 100", most=3),
        cards(client, search="quay 100", most=3, after=3),
    )
    assert [len(first["jobs"]), len(second["jobs"])] == [3, 2]
    assert not {one["id"] for one in first["jobs"]} & {one["id"] for one in second["jobs"]}
    assert cards(client, search="nowhere") == {"jobs": [], "total": 0, "binned": 0}


def test_the_list_plans_nothing_once_every_version_has_its_card(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    before = cards(client)

    def refuse(*_: object) -> None:
        raise AssertionError("the yard planned a job")

    monkeypatch.setattr(plans, "plan", refuse)
    monkeypatch.setattr("gantline.api.services.jobs.planned", refuse)
    assert cards(client) == before


def test_a_version_without_a_card_gets_one_and_a_shops_defaults_make_all_anew(
    client: TestClient, app: FastAPI
) -> None:
    job = client.post("/api/jobs", json={"name": "Cardless", "value": 2500}).json()
    card = next(one for one in cards(client)["jobs"] if one["id"] == job["id"])
    assert card["worst"] == "check"
    assert {mark["role"] for mark in card["front"]["marks"]} >= {"wall", "frame", "picture"}
    with app.state.engine.begin() as connection:
        connection.execute(text("UPDATE job_version SET card = NULL"))
    assert next(one for one in cards(client)["jobs"] if one["id"] == job["id"]) == card
    client.put("/api/settings", json={"values": {"ceiling_mm": 3000.0, "wall_width_mm": 6000.0}})
    wider = next(one for one in cards(client)["jobs"] if one["id"] == job["id"])
    assert wider["front"]["right_mm"] == pytest.approx(6000.0)
    client.put("/api/settings", json={"values": {}})


def test_a_card_goes_to_where_it_stops_and_undo_brings_the_older_one_back(client: TestClient) -> None:
    job = client.post("/api/jobs", json={"name": "Low room", "value": 2500}).json()
    path = f"/api/jobs/{job['id']}"
    low = [{"pointer": "/survey/ceiling_mm", "value": 1000}]
    client.post(f"{path}/edits", json={"edits": low}, headers={"If-Match": '"1"'})
    card = next(one for one in cards(client)["jobs"] if one["id"] == job["id"])
    assert (card["worst"], card["station"], card["version"]) == ("stop", "height", 2)
    client.post(f"{path}/undo", headers={"If-Match": '"2"'})
    again = next(one for one in cards(client)["jobs"] if one["id"] == job["id"])
    assert (again["worst"], again["station"], again["version"]) == ("check", "wall", 3)


def test_a_preview_is_the_same_with_and_without_a_plan_at_hand_and_the_memo_stays_small(
    client: TestClient, app: FastAPI, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(app.state.memo, "most", 8)
    job = client.post("/api/jobs", json={"name": "Memo", "value": 2500}).json()
    path = f"/api/jobs/{job['id']}/preview"
    body = {
        "version": 1,
        "edits": [{"pointer": "/height/centre_x_mm", "value": 2000.0}],
        "station": "height",
        "face": "front",
    }
    warm = client.post(path, json=body).json()
    app.state.memo.plans.clear()
    assert client.post(path, json=body).json() == warm
    edit = {"edits": [{"pointer": "/height/centre_x_mm", "value": 1900.0}]}
    client.post(f"/api/jobs/{job['id']}/edits", json=edit, headers={"If-Match": '"1"'})
    # somebody saved meanwhile: the old version is still dragged
    assert client.post(path, json=body).json() == warm
    for number in range(app.state.memo.most + 5):
        made = client.post("/api/jobs", json={"name": f"Many {number}", "value": 2000}).json()
    assert len(app.state.memo.plans) == app.state.memo.most
    assert client.post(path, json=body | {"version": 9}).status_code == 404
    client.delete(f"/api/jobs/{made['id']}", headers={"If-Match": '"1"'})
    assert client.post(f"/api/jobs/{made['id']}/preview", json=body).status_code == 404


def test_a_document_that_cannot_be_read_hides_no_other_and_its_file_is_there(
    client: TestClient, app: FastAPI
) -> None:
    made = client.post("/api/jobs", json={"name": "Spoilt", "value": 2000}).json()
    spoilt = """UPDATE job_version SET card = NULL, document = jsonb_set(document, '{size,value_mm}', '"a lot"')
        WHERE job_id = :job"""
    with app.state.engine.begin() as connection:
        connection.execute(text(spoilt), {"job": made["id"]})
    found = cards(client, most=100)["jobs"]
    card = next(one for one in found if one["id"] == made["id"])
    assert (card["name"], card["front"], card["trouble"][:16]) == ("Spoilt", None, "Cannot be read: ")
    assert sum(one["front"] is not None for one in found) == len(found) - 1 > 0
    app.state.memo.plans.clear()  # another process has not planned it
    assert client.get(f"/api/jobs/{made['id']}").status_code == 422
    assert client.get(f"/api/jobs/{made['id']}/file").json()["size"]["value_mm"] == "a lot"
    client.delete(f"/api/jobs/{made['id']}", headers={"If-Match": '"1"'})
