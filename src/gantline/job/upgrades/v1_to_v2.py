"""Version 2: absent is absent, and things in lists have ids.

Version 1 wrote its defaults into the file, so a typed value and a default looked alike. A value equal to a
former default becomes absent, unless `known` names it. Pointers in `known` named places in lists; they name
ids now. Lamps of a light state were named; they are referred to by id now.
"""

from copy import deepcopy
from typing import Any

# pointer without indices -> what version 1 wrote where nothing was entered
FORMER: dict[str, Any] = {
    "/place": "",
    "/notes": "",
    "/survey/build": "studs",
    "/survey/fittings/name": "",
    "/survey/boxes/name": "",
    "/survey/boxes/z_mm": 0.0,
    "/survey/seats/name": "",
    "/survey/seats/platform_mm": 0.0,
    "/survey/seats/main": False,
    "/survey/joists/runs": "to-the-wall",
    "/survey/joists/first_mm": 406.4,
    "/size/aspect": "16:9",
    "/size/lead": "diagonal",
    "/size/angle_deg": 40.0,
    "/size/value_mm": 2540.0,
    "/size/border/side_mm": 0.0,
    "/size/border/top_mm": 0.0,
    "/size/border/bottom_mm": 0.0,
    "/light/fabric/name": "",
    "/light/fabric/kind": "diffuse",
    "/light/fabric/acoustic": False,
    "/light/surfaces": "mid",
    "/height/wish": "eye-line",
    "/throw/name": "",
    "/throw/panel_aspect": "16:9",
    "/throw/hung": False,
    "/throw/has_shift": True,
    "/throw/shift_up": 0.0,
    "/throw/shift_down": 0.0,
    "/throw/shift_side": 0.0,
    "/throw/reach": "rectangle",
    "/throw/offset": 0.0,
    "/throw/distance_offset_mm": 0.0,
    "/throw/yaw_deg": 0.0,
    "/throw/pitch_deg": 0.0,
    "/throw/roll_deg": 0.0,
    "/throw/signal/links/name": "",
    "/frame/name": "",
    "/frame/centre_bars": 0,
    "/wall/name": "",
    "/wall/fix_to": "studs",
    "/wall/rule": "share",
    "/tension/fabric": "",
    "/tension/hold": "staple",
    "/tension/short_sides_first": True,
    "/tension/people": "two",
}
FORMER_STATES = ["dark", "one lamp", "evening", "day, curtained"]
# list -> letter its first ids begin with
LETTERS = {
    "/survey/ceiling_readings": "c",
    "/survey/floor_readings": "f",
    "/survey/fittings": "w",
    "/survey/boxes": "b",
    "/survey/seats": "s",
    "/survey/lamps": "l",
    "/light/states": "t",
    "/throw/signal/links": "k",
}


def v1_to_v2(document: dict[str, Any]) -> dict[str, Any]:
    """The same job in version 2. What is no job stays wrong: the check that follows names it."""
    data = deepcopy(document)
    known = data.get("known")
    marked = set(known) if isinstance(known, dict) else set()
    _absent(data, "", "", marked)
    if not {entry for entry in marked if entry.startswith("/light/states")}:
        _drop_usual_states(data)
    for pointer, letter in LETTERS.items():
        for at, entry in enumerate(_list(data, pointer)):
            if isinstance(entry, dict):
                entry["id"] = f"{letter}{at + 1}"
    _light_by_id(data)
    content = data.get("content")
    if isinstance(content, dict) and isinstance(content.get("shapes"), list):
        content["shapes"] = [
            {"id": f"a{at + 1}", "aspect": entry} for at, entry in enumerate(content["shapes"])
        ]
    survey = data.get("survey")
    if isinstance(survey, dict) and survey.get("joists", ...) is None:
        del survey["joists"]
    if isinstance(known, dict):
        data["known"] = {_by_id(pointer): word for pointer, word in known.items()}
    return data | {"format_version": 2}


def _absent(here: Any, place: str, exact: str, marked: set[str]) -> None:
    """Former defaults go, all the way down. place leaves indices out, exact keeps them."""
    if isinstance(here, list):
        for at, one in enumerate(here):
            _absent(one, place, f"{exact}/{at}", marked)
    elif isinstance(here, dict):
        for name in list(here):
            pointer, full = f"{place}/{name}", f"{exact}/{name}"
            if pointer in FORMER and full not in marked and _same(here[name], FORMER[pointer]):
                del here[name]
            else:
                _absent(here[name], pointer, full, marked)


def _same(value: Any, former: Any) -> bool:
    if isinstance(value, str) and isinstance(former, float):
        return former == 0.0 and value.strip() == "0"
    return (
        type(value) in (type(former), int if isinstance(former, float) else type(former)) and value == former
    )


def _drop_usual_states(data: dict[str, Any]) -> None:
    states = _list(data, "/light/states")
    plain = [
        state.get("name")
        for state in states
        if isinstance(state, dict) and not state.get("lamps") and state.get("lux") is None
    ]
    if plain == FORMER_STATES and len(states) == len(plain):
        del data["light"]["states"]


def _light_by_id(data: dict[str, Any]) -> None:
    lamps = {one.get("name"): one["id"] for one in _list(data, "/survey/lamps") if isinstance(one, dict)}
    for state in _list(data, "/light/states"):
        if isinstance(state, dict) and isinstance(state.get("lamps"), list):
            state["lamps"] = [
                lamps[name] for name in state["lamps"] if isinstance(name, str) and name in lamps
            ]


def _list(data: dict[str, Any], pointer: str) -> list[Any]:
    here: Any = data
    for part in pointer.split("/")[1:]:
        here = here.get(part) if isinstance(here, dict) else None
    return here if isinstance(here, list) else []


def _by_id(pointer: str) -> str:
    """The same pointer with an id for an index: both count the things in their first order."""
    for base, letter in LETTERS.items():
        at, slash, rest = pointer.removeprefix(f"{base}/").partition("/")
        if pointer.startswith(f"{base}/") and at.isdigit():
            return f"{base}/{letter}{int(at) + 1}{slash}{rest}"
    return pointer
