"""The projector at a distance: its line, what spoils it, and who may be asked."""

import socket
import time
from collections import Counter
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from gantline.devices.projector import ProjectorTrouble
from gantline.devices.projector_line import NAMES, LineProjector
from gantline.devices.simulated_projector import Faults, Running, SimulatedProjector
from gantline.server import create_app
from gantline.settings import Settings, places
from tests.running import ran

PROTOCOL = Path(__file__).parents[2] / "docs" / "projector-line.md"


def test_the_documented_session_is_what_is_spoken() -> None:
    text = PROTOCOL.read_text()
    lines = text.partition("```session\n")[2].partition("```")[0].splitlines()
    with Running() as port, socket.create_connection(("127.0.0.1", port), timeout=5) as line:
        file = line.makefile("rw", encoding="utf-8", newline="\n")
        for sent, wanted in zip(lines[::2], lines[1::2], strict=True):
            file.write(f"{sent.removeprefix('> ')}\n")
            file.flush()
            assert f"< {file.readline().rstrip()}" == wanted
    table = {row.split("|")[1].strip() for row in text.splitlines() if row.startswith("| ")}
    assert set(NAMES) <= table


@pytest.mark.parametrize("fault", ["drop", "silent", "other", "garble"])
def test_a_spoilt_line_is_tried_again_and_no_wrong_value_is_taken(fault: str) -> None:
    made = SimulatedProjector(turning_s=0.0, faults=Faults(**{fault: 0.03}), seed=7)
    with Running(made) as port:
        projector = LineProjector("P", "127.0.0.1", port, answer_s=0.15)

        async def acts() -> tuple[int, int]:
            good = bad = 0
            for turn in range(20):
                wanted = round(1.4 + turn / 100, 2)
                try:
                    found = await projector.set([("power", "on"), ("zoom", f"{wanted:.2f}")])
                except ProjectorTrouble:
                    bad += 1
                else:
                    assert (found.power, found.zoom) == ("on", wanted)
                    good += 1
            return good, bad

        good, _ = ran(acts())
        assert good >= 10
        made.faults = Faults(**{fault: 1.0})
        with pytest.raises(ProjectorTrouble, match=r"P at 127.0.0.1:\d+ cannot be used"):
            ran(LineProjector("P", "127.0.0.1", port, answer_s=0.15).state())
        made.faults = Faults()
        assert ran(LineProjector("P", "127.0.0.1", port).state()).model == "Simulated projector"


def test_of_400_taps_over_a_line_that_spoils_8_percent_none_is_told_of_a_light_that_is_not_so() -> None:
    made = SimulatedProjector(turning_s=0.0, faults=Faults(drop=0.05, garble=0.03), seed=11)
    with Running(made) as port:
        projector = LineProjector("P", "127.0.0.1", port, answer_s=0.15)

        async def taps() -> int:
            told = 0
            await projector.set([("power", "on")])
            for tap in range(400):
                wanted = "off" if tap % 2 else "on"
                try:
                    state = await projector.set([("light", wanted)])
                except ProjectorTrouble:
                    continue
                assert (state.light, made.lit) == (wanted == "on", wanted == "on")
                told += 1
            return told

        assert (
            ran(taps()) >= 390
        )  # of 16 answers each: whoever asks all anew at each fault gets through in two of three


def test_what_is_listed_may_be_set_and_nothing_else_is_connected_to(new_database: Callable[[], str]) -> None:
    with Running(SimulatedProjector(turning_s=0.3)) as port:
        app = create_app(Settings(database_url=new_database(), projectors=(f"Loft=127.0.0.1:{port}",)))
        with TestClient(app, base_url="http://127.0.0.1") as client:
            assert client.get("/api/projectors").json() == ["Loft"]
            assert client.get(f"/api/projectors/127.0.0.1:{port}").status_code == 404

            def put(what: str, value: str) -> Any:
                return client.put("/api/projectors/Loft", json={"settings": [{"what": what, "value": value}]})

            refused = put("light", "off")
            assert (refused.status_code, refused.json()["detail"]) == (
                409,
                "The projector says no: its power is not on.",
            )
            assert put("power", "on").json()["power"] == "warming"
            time.sleep(0.35)
            assert put("light", "off").json()["light"] is False
            assert put("input", "HDMI 1\n9 set power off").status_code == 422
            # 0.5 % wider at a throw ratio of 1.6; 1.2 % of the picture to the left
            turned = client.post("/api/projectors/Loft/turn", json={"what": "zoom", "by": 0.005}).json()
            assert turned["zoom"] == pytest.approx(1.6 / 1.005, abs=5e-4)
            assert turned["memory"] is None
            turned = client.post("/api/projectors/Loft/turn", json={"what": "shift-h", "by": -0.012}).json()
            assert turned["shift_h"] == pytest.approx(-1.2)
            far = client.post("/api/projectors/Loft/turn", json={"what": "shift-v", "by": 0.9})
            assert far.status_code == 409
            assert "Move the body instead" in far.json()["detail"]
        app.state.engine.dispose()


def test_a_silent_projector_keeps_nobody_else_waiting(new_database: Callable[[], str]) -> None:
    with Running(SimulatedProjector(faults=Faults(silent=1.0))) as port:
        listed = (f"Mute=127.0.0.1:{port}",)
        app = create_app(Settings(database_url=new_database(), projectors=listed, threads=2))
        try:
            with TestClient(app, base_url="http://127.0.0.1") as client, ThreadPoolExecutor(6) as many:
                asked = [many.submit(client.get, "/api/projectors/Mute") for _ in range(6)]
                for _ in range(20):
                    begun = time.monotonic()
                    assert client.get("/api/jobs").status_code == 200
                    assert time.monotonic() - begun < 3.0  # the projector is waited for 4.5 s
                answers = Counter(one.result().status_code for one in asked)
                assert answers == {409: 4, 503: 2}  # a silent one holds four places and no more
        finally:
            app.state.engine.dispose()


@pytest.mark.parametrize("bad", ["Loft", "Loft=host", "=host:1", "Loft=host:99999", "Loft=:1", "A/B=host:1"])
def test_a_setting_that_lists_no_projector_is_named(bad: str) -> None:
    with pytest.raises(ValueError, match="write name=host:port"):
        Settings(projectors=(bad,))
    assert places(("A b=[::1]:70",)) == {"A b": ("::1", 70)}
