"""The command line does the same as the server, without it."""

import json
from collections import Counter
from pathlib import Path

from typer.testing import CliRunner

from gantline.cli import app
from gantline.job.file import read_job
from gantline.job.model import Job
from gantline.stations import plan
from tests.conftest import DEMO, demo_job

runner = CliRunner()


def test_plan_prints_the_same_plan_and_its_exit_code_tells_a_stop() -> None:
    done = runner.invoke(app, ["plan", str(DEMO / "parish-hall.job.json"), "--drawing"])
    printed = json.loads(done.stdout)
    assert done.exit_code == 0
    assert [one["text"] for one in printed["plan"]["figures"]] == [
        one.text for one in plan(demo_job("parish-hall")).plan.figures
    ]
    assert printed["drawing"]["front"]["marks"]
    assert runner.invoke(app, ["plan", str(DEMO / "basement-den.job.json")]).exit_code == 3


def test_sheets_and_demo_write_every_file(tmp_path: Path) -> None:
    assert runner.invoke(app, ["demo", "--out", str(tmp_path)]).exit_code == 0
    done = runner.invoke(
        app,
        [
            "sheets",
            str(tmp_path / "narrow-lounge.job.json"),
            "--out",
            str(tmp_path / "out"),
            "--paper",
            "letter",
        ],
    )
    assert done.exit_code == 0
    written = Counter(path.suffix for path in (tmp_path / "out").iterdir())
    assert written == {".csv": 2, ".dxf": 4, ".json": 1, ".pdf": 13, ".svg": 3}
    assert (
        runner.invoke(app, ["sheets", str(tmp_path / "narrow-lounge.job.json"), "--paper", "a9"]).exit_code
        == 2
    )


def test_a_bad_file_is_named_field_by_field(tmp_path: Path) -> None:
    bad = tmp_path / "bad.job.json"
    bad.write_text(json.dumps({"name": "", "size": {"aspect": "wide", "value_mm": "x"}}))
    done = runner.invoke(app, ["plan", str(bad)])
    assert done.exit_code == 2
    for pointer in ("/name", "/size/aspect", "/size/value_mm"):
        assert f"bad.job.json {pointer}: " in done.stderr


def test_the_schema_describes_the_file_and_the_documented_example_is_valid() -> None:
    schema = json.loads(runner.invoke(app, ["schema"]).stdout)
    assert schema["additionalProperties"] is False
    assert set(schema["properties"]) == set(Job.model_fields)
    page = (Path(__file__).parents[2] / "docs" / "job-file.md").read_text()
    example = page.split("```json\n")[1].split("```")[0]
    assert read_job(json.loads(example)) == demo_job("basement-den")


def test_the_servers_interface_is_described_without_a_database() -> None:
    described = json.loads(runner.invoke(app, ["schema", "--api"]).stdout)
    assert {"/api/jobs/{job_id}/preview", "/api/jobs/{job_id}/edits"} <= set(described["paths"])
    names = [one["operationId"] for path in described["paths"].values() for one in path.values()]
    assert len(names) == len(set(names))
