"""The day over HTTP: rows that are only added, kept under any order of two phones and a desk, and what they change of the plan."""

import io
import re
import time
from typing import Any
from uuid import UUID, uuid4

import pytest
from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, rule, run_state_machine_as_test
from PIL import Image as Picture
from starlette.testclient import TestClient

Json = dict[str, Any]


def tell(client: TestClient, job: str, step: str, act: str = "done", **more: Any) -> Json:
    row = {"id": str(uuid4()), "step": step, "act": act, "version": 1} | more
    answer = client.post(f"/api/jobs/{job}/day/rows", json={"rows": [row]})
    told: Json = answer.json()
    return told | {"status": answer.status_code}


def standing(client: TestClient, job: str, step: str) -> Json:
    found = client.get(f"/api/jobs/{job}/day").json()["standings"]
    return next((one for one in found if one["key"] == step), {"state": "open"})


def wall(client: TestClient, job: str) -> Json:
    document: Json = client.get(f"/api/jobs/{job}").json()["document"]["wall"]
    return document


def test_a_hole_that_is_done_is_where_the_tape_said_and_one_that_cannot_be_is_planned_elsewhere(
    client: TestClient, job: Json
) -> None:
    key = job["id"]
    day = client.get(f"/api/jobs/{key}/day").json()
    first = next(step for step in day["steps"] if step["key"] == "wall/drill-upper-left")
    planned = next(one["planned"] for one in first["readings"] if one["name"] == "x_mm")
    assert tell(client, key, first["key"], values={"x_mm": planned + 2.0})["status"] == 200
    fact = wall(client, key)["facts"][0]
    assert (fact["hole"], fact["state"], fact["x_mm"]) == (
        "upper-left",
        "drilled",
        pytest.approx(planned + 2.0),
    )
    said = standing(client, key, first["key"])
    assert (said["state"], said["readings"][0]["within"]) == ("done", True)
    version = client.get(f"/api/jobs/{key}").json()["version"]
    tell(client, key, first["key"], "undone", version=version)
    assert wall(client, key)["facts"] == []
    assert standing(client, key, first["key"])["state"] == "open"
    version = client.get(f"/api/jobs/{key}").json()["version"]
    tell(client, key, first["key"], "impossible", version=version, reason="pipe")
    assert [(one["state"], one["why"]) for one in wall(client, key)["facts"]] == [("blocked", "pipe")]
    again = next(
        step for step in client.get(f"/api/jobs/{key}/day").json()["steps"] if step["key"] == first["key"]
    )
    assert again["numbers"][0]["value_mm"] != pytest.approx(first["numbers"][0]["value_mm"], abs=50.0)
    assert standing(client, key, first["key"])["state"] == "open"  # the new place has not been tried


def test_a_reading_moves_the_plan_whatever_the_desk_saved_meanwhile(client: TestClient, job: Json) -> None:
    path = f"/api/jobs/{job['id']}"
    edit = {"edits": [{"pointer": "/notes", "value": "the desk was here"}]}
    client.post(f"{path}/edits", json=edit, headers={"if-match": '"1"'}).raise_for_status()
    before = client.get(path).json()
    was = {one["key"]: one["value"] for one in before["plan"]["figures"]}
    told = tell(client, job["id"], "wall/drop", values={"drop": was["drop"] + 6.0})
    assert (told["status"], told["version"]) == (200, 3)
    after = client.get(path).json()
    now = {one["key"]: one["value"] for one in after["plan"]["figures"]}
    assert now["drop"] == pytest.approx(was["drop"] + 6.0)
    assert standing(client, job["id"], "wall/drop")["apart"] == []
    version = client.get(path).json()["version"]
    tell(client, job["id"], "wall/drop", values={"drop": was["drop"] + 10.0}, version=version)
    edit = {"edits": [{"pointer": "/wall/drop_mm", "value": was["drop"] + 20.0}]}
    client.post(f"{path}/edits", json=edit, headers={"if-match": f'"{version + 1}"'}).raise_for_status()
    # nobody's number is lost: who read which, and what the plan goes by
    says = standing(client, job["id"], "wall/drop")["apart"][0]
    assert re.fullmatch("hole to frame top: read (.+) by .+, then (.+) by .+; the plan has (.+)", says), says
    assert len(set(re.findall(r"\d[^ ;,]*″", says))) == 3, says
    assert (after["document"]["notes"], after["who"]) == ("the desk was here", "office")


@pytest.mark.parametrize(
    ("row", "status", "pointer"),
    [
        ({"step": "wall/nothing"}, 404, "/step"),
        ({"step": "wall/drop", "version": 99}, 404, ""),
        ({"step": "wall/drop", "values": {"drop": "9 furlongs"}}, 422, "/rows/0/values/drop"),
        ({"step": "wall/drop", "values": {"drop": 1e7}}, 422, "/rows/0/values/drop_mm"),
        ({"step": "wall/drop", "values": {"depth": 1.0}}, 422, "/rows/0/values/depth"),
        ({"step": "height/outline", "values": {"liked": "gorgeous"}}, 422, "/rows/0/values/liked"),
        ({"step": "wall/drop", "act": "burnt"}, 422, ""),
    ],
)  # fmt: skip
def test_what_cannot_be_is_refused_by_name_and_nothing_of_it_is_kept(
    client: TestClient, job: Json, row: Json, status: int, pointer: str
) -> None:
    plain = {"id": str(uuid4()), "act": "done", "version": 1}
    answer = client.post(f"/api/jobs/{job['id']}/day/rows", json={"rows": [plain | row]})
    assert answer.status_code == status, answer.text
    assert pointer in str(answer.json())
    assert client.get(f"/api/jobs/{job['id']}/day").json()["standings"] == []
    assert client.get(f"/api/jobs/{job['id']}").json()["version"] == 1


def test_a_look_that_finds_something_brings_its_cure_by_opposite_pairs_and_another_look(
    client: TestClient, job: Json
) -> None:
    key = job["id"]
    keys = [step["key"] for step in client.get(f"/api/jobs/{key}/day").json()["steps"]]
    told = tell(client, key, "tension/look", values={"seen": "ray out of a corner", "where": "top left"})
    assert (told["status"], told["count"]) == (200, len(keys) + 2)
    day = client.get(f"/api/jobs/{key}/day").json()
    new = [step for step in day["steps"] if step["key"] not in keys]
    cure, again = new
    at = [step["key"] for step in day["steps"]].index("tension/look")
    assert [step["key"] for step in day["steps"][at + 1 : at + 3]] == [cure["key"], again["key"]]
    # seen from the front top left is the top right of the back; its opposite is the bottom left of the back
    back = {mark["key"]: mark["at"] for mark in day["back"]["marks"] if mark["kind"] == "dot"}
    wide, high = day["back"]["right_mm"], day["back"]["top_mm"]
    places = {(back[mark][0] > wide / 2, back[mark][1] > high / 2) for mark in cure["marks"]}
    assert (len(cure["marks"]), places) == (8, {(True, True), (False, False)})
    assert cure["text"].startswith("Ease ")
    tell(client, key, cure["key"])
    tell(client, key, again["key"], values={"seen": "flat"})
    now = client.get(f"/api/jobs/{key}/day").json()
    stand = {one["key"]: one["state"] for one in now["standings"]}
    assert {stand[step["key"]] for step in new} == {"done"}
    assert len(now["steps"]) == len(day["steps"])
    tell(client, key, "tension/look", "undone")
    assert [step["key"] for step in client.get(f"/api/jobs/{key}/day").json()["steps"]] == keys


def test_two_phones_and_a_desk_lose_nothing_that_was_ticked(client: TestClient, job: Json) -> None:
    path = f"/api/jobs/{job['id']}"
    names = [
        step["key"]
        for step in client.get(f"{path}/day").json()["steps"]
        if step["key"].startswith(("frame/", "tension/hold", "wall/drill"))
    ][:12]

    class Crew(RuleBasedStateMachine):
        def __init__(self) -> None:
            super().__init__()
            self.told: dict[str, str] = {}
            self.sent: list[Json] = []
            self.job = client.post("/api/jobs/file", json=client.get(f"{path}/file").json()).json()["id"]

        @rule(
            phone=st.sampled_from(["phone 1", "phone 2"]),
            step=st.sampled_from(names),
            act=st.sampled_from(["done", "undone", "skipped"]),
        )
        def tick(self, phone: str, step: str, act: str) -> None:
            version = client.get(f"/api/jobs/{self.job}").json()["version"]
            row = {"id": str(uuid4()), "step": step, "act": act, "version": version}
            client.post(
                f"/api/jobs/{self.job}/day/rows", json={"rows": [row]}, headers={"gantline-who": phone}
            ).raise_for_status()
            self.told[step] = "open" if act == "undone" else act
            self.sent.append(row)

        @rule(data=st.data())
        def send_again(self, data: st.DataObject) -> None:
            """The answer was lost: the phone sends the same row once more, and it counts once."""
            if self.sent:
                row = data.draw(st.sampled_from(self.sent))
                client.post(f"/api/jobs/{self.job}/day/rows", json={"rows": [row]}).raise_for_status()

        @rule(wish=st.integers(1100, 1250))
        def the_desk_moves_the_screen(self, wish: int) -> None:
            version = client.get(f"/api/jobs/{self.job}").json()["version"]
            body = {"edits": [{"pointer": "/height/wish_mm", "value": wish}]}
            client.post(
                f"/api/jobs/{self.job}/edits", json=body, headers={"if-match": f'"{version}"'}
            ).raise_for_status()

        @invariant()
        def everything_told_stands(self) -> None:
            day = client.get(f"/api/jobs/{self.job}/day").json()
            stand = {one["key"]: one["state"] for one in day["standings"]}
            assert {key: stand.get(key, "open") for key in self.told} == self.told
            assert len(client.get(f"/api/jobs/{self.job}/day/record").json()["rows"]) >= len(self.sent)

    run_state_machine_as_test(
        Crew,
        settings=settings(
            max_examples=8,
            stateful_step_count=12,
            deadline=None,
            derandomize=True,
            suppress_health_check=list(HealthCheck),
        ),
    )


def test_the_day_has_a_page_of_its_own_and_its_tape_is_the_plans(client: TestClient, job: Json) -> None:
    tapes = client.get(f"/api/jobs/{job['id']}/day/tape", params={"step": "wall/drill-upper-left"}).json()
    day = client.get(f"/api/jobs/{job['id']}/day").json()
    step = next(one for one in day["steps"] if one["key"] == "wall/drill-upper-left")
    assert [tape["text"] for tape in tapes] == [number["text"] for number in step["numbers"]]
    assert UUID(day["job_id"]) == UUID(job["id"])
    assert client.get(f"/api/jobs/{job['id']}/day/tape", params={"step": "nope"}).status_code == 404


def test_a_photo_of_a_step_is_kept_in_color_without_the_cameras_notes_and_who_took_it_away_stays(
    client: TestClient, job: Json, worker: None
) -> None:
    path, step = f"/api/jobs/{job['id']}/photos", "tension/face"
    out, tags = io.BytesIO(), Picture.Exif()
    tags[0x010F], tags[0x0112] = "Maker of phones", 6  # held on its side
    Picture.new("RGB", (3000, 1000), (200, 30, 30)).save(out, "JPEG", exif=tags)
    sent = client.post(
        f"{path}?step={step}",
        content=out.getvalue(),
        headers={"content-type": "image/jpeg", "gantline-who": "Ines"},
    )
    key = sent.json()["id"]
    assert client.get(f"{path}/{key}").status_code == 404  # as it was sent it is shown to nobody
    for _ in range(200):
        if client.get(f"{path}/{key}/shown").status_code == 200:
            break
        time.sleep(0.05)
    kept = client.get(f"{path}/{key}").content
    assert b"Maker of phones" not in kept
    shown = Picture.open(io.BytesIO(kept))
    assert (shown.mode, shown.size) == ("RGB", (667, 2000))
    # it is none of the lit screen, and none that its corners are read in
    assert client.get(path).json() == []
    assert "a step of the day" in client.get(f"{path}/{key}/reading").json()["detail"]
    row = client.get(f"/api/jobs/{job['id']}/day/photos").json()[0]
    assert (row["step"], row["who"], row["raw"], row["removed_by"]) == (step, "Ines", False, None)
    client.delete(f"{path}/{key}", headers={"gantline-who": "Oda"})
    assert client.get(f"/api/jobs/{job['id']}/day/photos").json()[0]["removed_by"] == "Oda"
    broken = client.post(
        f"{path}?step={step}", content=b"\xff\xd8\xff" + bytes(900), headers={"content-type": "image/jpeg"}
    ).json()["id"]
    for _ in range(200):
        refused = client.get(f"{path}/{broken}/shown")
        if refused.status_code != 202:
            break
        time.sleep(0.05)
    assert (refused.status_code, "broken" in refused.json()["detail"]) == (422, True)
