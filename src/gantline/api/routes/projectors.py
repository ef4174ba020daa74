"""Projectors at a distance: only those that the server's settings list, asked only when somebody taps."""

from collections import Counter
from collections.abc import AsyncIterator, Mapping
from contextlib import asynccontextmanager
from typing import Annotated, Literal

from fastapi import APIRouter, Depends, HTTPException, Request, Response
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
AT_ONCE = 4  # who ask one projector at the same time


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
    projectors: Mapping[str, Projector] = request.app.state.projectors
    return projectors


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


@asynccontextmanager
async def place(request: Request, name: str) -> AsyncIterator[Projector]:
    """One of the few places for those who ask a projector: one that is silent holds no more.

    Raises: NoSuchProjector, HTTPException 503 where all are taken.
    """
    found = by_name(request.app.state.projectors, name)
    taken: Counter[str] = request.app.state.asked_projectors
    if taken[name] >= AT_ONCE:
        raise HTTPException(
            503,
            f"{name} is being asked already and has not answered yet. Try again in a moment.",
            headers={"retry-after": "2"},
        )
    taken[name] += 1
    try:
        yield found
    finally:
        taken[name] -= 1


@router.get("/{name}", response_model=ProjectorState)
async def state(name: Line, request: Request) -> Response:
    """What a projector says of itself now."""
    async with place(request, name) as projector:
        return answer(await projector.state())


@router.put("/{name}", response_model=ProjectorState)
async def set_them(name: Line, body: SettingsIn, request: Request) -> Response:
    """Set power, light, input, lens memory, zoom or shift, and say what it came to."""
    async with place(request, name) as projector:
        return answer(await projector.set([(setting.what, setting.value) for setting in body.settings]))


@router.post("/{name}/turn", response_model=ProjectorState)
async def turn(name: Line, body: TurnIn, request: Request) -> Response:
    """Make a move of the lens from where it stands now."""
    async with place(request, name) as projector:
        return answer(await projector.set([turned(await projector.state(), body.what, body.by)]))
