"""Projectors at a distance: only those that the server's settings list, asked only when somebody taps."""

from collections.abc import Mapping
from typing import Annotated, Literal

from fastapi import APIRouter, Depends, Request, Response
from pydantic import Field

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.devices.projector import (
    Control,
    Projector,
    ProjectorState,
    ProjectorTrouble,
    turned,
)
from gantline.devices.projector_line import LineProjector
from gantline.job.field import ClosedModel
from gantline.job.types import Line

router = APIRouter(prefix="/api/projectors", tags=["projectors"], responses=PROBLEM_ANSWERS)


class NoSuchProjector(ProjectorTrouble):
    """No projector of this name is listed."""

    code = "no-such-projector"


class SettingIn(ClosedModel):
    """One setting, in the words of the line protocol."""

    what: Control
    value: Annotated[Line, Field(min_length=1, max_length=60)]


class SettingsIn(ClosedModel):
    """What to set, in this order."""

    settings: Annotated[list[SettingIn], Field(min_length=1, max_length=7)]


class TurnIn(ClosedModel):
    """A move of the lens: by this share of the picture's width (zoom, + larger; shift sideways, + right) or height (+ up)."""

    what: Literal["zoom", "shift-h", "shift-v"]
    by: Annotated[float, Field(gt=-0.9, lt=9.0, allow_inf_nan=False)]


async def listed(request: Request) -> Mapping[str, Projector]:
    """The projectors of the server's settings, by name."""
    found: Mapping[str, Projector] = request.app.state.projectors
    return found


Listed = Annotated[Mapping[str, Projector], Depends(listed)]


def by_name(projectors: Mapping[str, Projector], name: str) -> Projector:
    """The projector of this name.  Raises: NoSuchProjector."""
    if name not in projectors:
        raise NoSuchProjector(
            "No projector of this name is listed. List it in the server's settings: GANTLINE_PROJECTORS.",
            field="name",
            got=name,
        )
    return projectors[name]


def of_settings(entries: Mapping[str, tuple[str, int]]) -> dict[str, Projector]:
    """An adapter for each projector that the settings list."""
    return {name: LineProjector(name, host, port) for name, (host, port) in entries.items()}


@router.get("", response_model=list[str])
async def names(projectors: Listed) -> Response:
    """The names of the projectors that may be asked; none is connected to."""
    return answer(list(projectors))


@router.get("/{name}", response_model=ProjectorState)
async def state(name: Line, projectors: Listed) -> Response:
    """What a projector says of itself now."""
    return answer(await by_name(projectors, name).state())


@router.put("/{name}", response_model=ProjectorState)
async def set_them(name: Line, body: SettingsIn, projectors: Listed) -> Response:
    """Set power, light, input, lens memory, zoom or shift, and say what it came to."""
    found = by_name(projectors, name)
    return answer(await found.set([(one.what, one.value) for one in body.settings]))


@router.post("/{name}/turn", response_model=ProjectorState)
async def turn(name: Line, body: TurnIn, projectors: Listed) -> Response:
    """Make a move of the lens from where it stands now."""
    found = by_name(projectors, name)
    return answer(await found.set([turned(await found.state(), body.what, body.by)]))
