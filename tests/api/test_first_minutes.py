"""The first five minutes over HTTP: a job from what is known, one line that finds anything, sheets seen and bound, the stores."""

import base64
import io
from typing import Any

import pytest
from PIL import Image
from pypdf import PdfReader
from starlette.testclient import TestClient

from tests.api.test_jobs import figure
from tests.conftest import AS_JSON, DEMO

INCHES = {"style": "in-fraction", "denominator": 16}


@pytest.fixture
def loft(client: TestClient) -> dict[str, Any]:
    made: dict[str, Any] = client.post(
        "/api/jobs/file", content=(DEMO / "mill-loft.job.json").read_bytes(), headers=AS_JSON
    ).json()
    return made


def draft(client: TestClient, **known: Any) -> dict[str, Any]:
    answer = client.post("/api/jobs/draft", json={"units": INCHES, **known})
    assert answer.status_code == 200, answer.json()
    said: dict[str, Any] = answer.json()
    return said


def test_a_size_is_answered_from_wall_ceiling_and_seat_and_nothing_is_saved(client: TestClient) -> None:
    before = client.get("/api/jobs").json()["total"]
    said = draft(client, wall_width="150", ceiling="96", seat_from_wall="130")
    assert "40°" in said["why"] and said["fits"] and said["front"]
    # 130 in from the wall, less the frame's standoff: a picture of 2 (130 - x) tan 20° fills 40°
    wide = float(said["size"].split("\u00a0")[0].split()[0].rstrip("″"))
    assert 92.0 < wide < 94.7
    assert said["missing"] == ["Projector: throw and brightness wait for it."]
    assert client.get("/api/jobs").json()["total"] == before


def test_a_wall_alone_is_not_filled_and_a_seat_too_far_back_gives_the_largest_that_fits(
    client: TestClient,
) -> None:
    wall = draft(client, wall_width="120", ceiling="130")
    assert wall["fits"] and "room for hands" in wall["why"]
    low = draft(
        client, wall_width="150"
    )  # under the usual ceiling a picture as wide has no place above a cabinet
    assert low["fits"] and "largest" in low["why"]
    assert "seat" in " ".join(wall["missing"])
    far = draft(client, wall_width="120", ceiling="84", seat_from_wall="300")
    assert far["fits"] and "largest" in far["why"]
    large = draft(client, wall_width="120", diagonal="200")  # who names a size is told why it cannot be
    assert not large["fits"] and large["against"][0]["severity"] == "stop"


def test_what_was_typed_is_the_surveys_and_a_leaflets_sides_give_the_aspect(client: TestClient) -> None:
    known = {"wall_width": "150", "ceiling": "96", "width": "92", "height": "51 3/4", "projector": "tern-6"}
    records = {one["key"] for one in client.get("/api/stores/projector").json()}
    known["projector"] = next(iter(sorted(records)))
    job = client.post("/api/jobs", json={"units": INCHES, **known}).json()
    survey = job["document"]["survey"]
    assert (survey["wall_width_mm"], survey["ceiling_mm"]) == (pytest.approx(3810.0), pytest.approx(2438.4))
    assert job["document"]["size"]["aspect"] == "16:9"
    assert figure(job, "projector")["text"]
    assert job["document"]["name"] == "Unnamed room"
    bad = client.post("/api/jobs", json={"units": INCHES, "wall_width": "about", "width": "92"})
    assert [one["pointer"] for one in bad.json()["errors"]] == ["/wall_width"]
    bad = client.post("/api/jobs", json={"units": INCHES, "width": "92", "height": "wide"})
    assert [one["pointer"] for one in bad.json()["errors"]] == ["/height"]
    assert client.post("/api/jobs/example/mill-loft").json()["document"]["name"].endswith(", example")
    assert client.post("/api/jobs/example/somewhere").status_code == 422


def test_anything_is_found_in_ones_own_words_with_its_address(
    client: TestClient, loft: dict[str, Any]
) -> None:
    def found(words: str) -> list[dict[str, str]]:
        answers: list[dict[str, str]] = client.get("/api/find", params={"q": words, "job": loft["id"]}).json()
        return answers

    upper = next(one for one in found("drill upper") if one["kind"] == "figure")
    assert upper["path"].startswith(f"/jobs/{loft['id']}/wall#figure-")
    assert found("shopping")[0]["title"] == "Shopping list"
    assert found("Mill lo")[0]["kind"] == "job"
    assert "record" in {one["kind"] for one in found("petrel")}
    assert found("how to") == []
    assert client.get("/api/find", params={"q": "x" * 81}).status_code == 422


@pytest.mark.usefixtures("worker")
def test_sheets_are_seen_told_what_leads_them_and_bound_into_one_pack(
    client: TestClient, loft: dict[str, Any]
) -> None:
    path = f"/api/jobs/{loft['id']}"

    def followed(address: str, **query: Any) -> Any:
        answer = client.get(f"{path}{address}", params=query)
        while answer.status_code == 202:
            answer = client.get(f"{path}{address}", params=query)
        return answer

    sheets = {one["key"]: one for one in client.get(f"{path}/sheets").json()}
    assert "box-check" not in sheets  # a frame of timber comes in no box
    assert sheets["wall-sheet"]["leads"] == "assumed"  # its stud spacing is not measured
    seen = followed("/sheets/wall-sheet/pictures", paper="letter").json()
    page = Image.open(io.BytesIO(base64.b64decode(seen["pictures"][0])))
    assert page.width / page.height == pytest.approx(8.5 / 11.0, rel=0.01)
    assert len(seen["pictures"]) == seen["pages"]
    bound = PdfReader(
        io.BytesIO(followed("/pack", sheets=["wall-sheet", "cut-sheet", "marks", "wall-sheet"]).content)
    )
    titles = [outline["/Title"] for outline in bound.outline]  # type: ignore[call-overload]
    assert titles == ["Contents", "Wall sheet", "Cut sheet"]
    begins = [bound.get_destination_page_number(outline) for outline in bound.outline]  # type: ignore[arg-type]
    contents = bound.pages[0].extract_text()
    for title, page_number in zip(titles[1:], begins[1:], strict=True):
        line = next(line for line in contents.splitlines() if line.startswith(title))
        assert line.split()[-1] == str(page_number + 1)  # type: ignore[operator]
        assert f"pack page {page_number + 1} of {len(bound.pages)}" in bound.pages[page_number].extract_text()  # type: ignore[operator, index]
    assert followed("/pack", sheets=["marks"]).status_code == 422
    assert followed("/sheets/marks/pictures").status_code == 422
    assert followed("/pack").status_code == 422


def test_the_paper_is_the_shops_for_everybody(client: TestClient) -> None:
    assert client.get("/api/shop").json() == {"paper": "a4"}
    assert client.put("/api/shop", json={"paper": "letter"}).json() == {"paper": "letter"}
    assert client.get("/api/shop").json() == {"paper": "letter"}
    assert client.put("/api/shop", json={"paper": "napkin"}).status_code == 422
    client.put("/api/shop", json={"paper": "a4"})


@pytest.mark.parametrize("kind", ["fabric", "projector", "kit", "fixing", "anchor", "board", "tape", "strip"])
def test_a_record_typed_back_as_it_is_shown_is_the_same(client: TestClient, kind: str) -> None:
    before = {one["key"]: one for one in client.get(f"/api/stores/{kind}").json()}
    for style in ("in-fraction", "mm"):
        table = client.get(f"/api/stores/{kind}/table", params={"style": style}).json()
        assert {one["key"] for one in table["records"]} == set(before)
        for one in table["records"]:
            body = {"name": one["name"], "said": one["texts"], "units": {"style": style, "denominator": 16}}
            kept = client.put(f"/api/stores/{kind}/{one['key']}/form", json=body)
            assert kept.status_code == 200, kept.json()
            for key, value in before[one["key"]]["body"].items():
                read = kept.json()["body"][key]
                assert read == value or value in (None, [], ""), (one["key"], key)
            client.put(
                f"/api/stores/{kind}/{one['key']}", json={k: before[one["key"]][k] for k in ("name", "body")}
            )


@pytest.mark.usefixtures("worker")
def test_a_changed_record_says_which_jobs_would_plan_otherwise_and_changes_none(
    client: TestClient, loft: dict[str, Any]
) -> None:
    taken = client.post(
        f"/api/jobs/{loft['id']}/take",
        json={"kind": "fabric", "key": "petrel-grey"},
        headers={"If-Match": '"1"'},
    ).json()
    table = client.get("/api/stores/fabric/table", params={"style": "mm"}).json()
    own = next(one for one in table["records"] if one["key"] == "petrel-grey")
    uses = client.get("/api/stores/fabric/petrel-grey/uses").json()
    assert loft["id"] in {job["id"] for job in uses["jobs"]}

    def asked(**said: Any) -> Any:
        body = {"name": own["name"], "said": own["texts"] | said, "units": {"style": "mm", "denominator": 16}}
        answer = client.post("/api/stores/fabric/petrel-grey/change", json=body)
        while answer.status_code == 202:
            answer = client.post("/api/stores/fabric/petrel-grey/change", json=body)
        return answer

    same = asked().json()
    assert same["took"] == uses["count"] and loft["id"] not in {job["id"] for job in same["jobs"]}
    other = next(job for job in asked(gain="0.5").json()["jobs"] if job["id"] == loft["id"])
    assert any(line.startswith("Gain on axis: 0.8 → 0.5") for line in other["said"])
    assert client.get(f"/api/jobs/{loft['id']}").json()["version"] == taken["version"]
    assert asked(gain="bright").json()["errors"][0]["pointer"] == "/gain"
