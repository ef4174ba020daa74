"""Pairing: a code made at the office, shown as QR, used once by a phone or tablet; the list of what is paired."""

from datetime import datetime
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, HTTPException, Request, Response
from pydantic import Field
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute, desk_of
from gantline.api.paired import COOKIE
from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel
from gantline.job.types import Name
from gantline.store import devices

router = APIRouter(prefix="/api", tags=["devices"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
YEAR_S = 365 * 24 * 3600


class DeviceOut(Out):
    """A paired device."""

    id: UUID
    name: str
    paired_at: datetime
    seen_at: datetime
    this_one: bool


class DevicesOut(Out):
    """Whether devices are paired at all here (not where only this machine is served), and which."""

    pairing: bool
    devices: list[DeviceOut]


class CodeOut(Out):
    """A code that pairs one device: to be typed at `address`, or scanned. qr: a data URI of an SVG."""

    code: str
    until: datetime
    address: str
    qr: str


class PairIn(ClosedModel):
    """A device that wants in."""

    code: Annotated[str, Field(min_length=1, max_length=20)]
    name: Annotated[Name, Field(max_length=60)]


class PairedOut(Out):
    """Paired; the token also comes as a cookie. Programs send it as Authorization: Bearer."""

    name: str
    token: str


@router.get("/devices", response_model=DevicesOut)
def list_devices(request: Request, desk: DeskDep) -> Response:
    """The paired devices, the one seen last first."""
    pairing = request.app.state.pairing_at is not None
    me = getattr(request.state, "device", (None,))[0]
    rows = devices.listed(desk.session, desk.shop_id) if pairing else []
    return answer(
        {
            "pairing": pairing,
            "devices": [
                {
                    "id": row.id, "name": row.name, "paired_at": row.paired_at, "seen_at": row.seen_at,
                    "this_one": row.id == me,
                }
                for row in rows
            ],
        }
    )  # fmt: skip


@router.post("/devices/code", response_model=CodeOut, status_code=201)
def make_code(request: Request, desk: DeskDep) -> Response:
    """Make a code that pairs one more device."""
    import segno  # no start waits for it

    address = request.app.state.pairing_at
    if address is None:
        raise HTTPException(409, "Only this machine is served. Start Gantline with --host to let devices in.")
    code, until = devices.new_code(desk.session, desk.shop_id)
    drawn = segno.make(f"{address}/pair#{code}", error="m")
    qr = drawn.svg_data_uri(scale=6, border=4, dark="#000", light="#fff")
    return answer({"code": code, "until": until, "address": f"{address}/pair", "qr": qr}, 201)


@router.delete("/devices/{device_id}", status_code=204)
def unpair(device_id: UUID, desk: DeskDep) -> Response:
    """Let a device in no longer, from a few seconds on."""
    devices.unpair(desk.session, desk.shop_id, device_id)
    return Response(status_code=204)


@router.post(
    "/pair",
    response_model=PairedOut,
    status_code=201,
    responses={429: {"$ref": "#/components/responses/TooOften"}},
)
async def pair(request: Request, body: PairIn) -> Response:
    """Use a code up: this device is served from now on."""
    try:
        token = await run_in_threadpool(_pair, request, body)  # a right one always comes in
    except devices.NoSuchCode:
        if request.app.state.wrong_codes.wrong(request.scope):
            raise HTTPException(
                429, "Too many wrong codes. Wait a minute.", headers={"retry-after": "60"}
            ) from None
        raise
    made = answer({"name": body.name, "token": token}, 201)
    made.set_cookie(COOKIE, token, max_age=YEAR_S, path="/", secure=True, httponly=True, samesite="lax")
    return made


def _pair(request: Request, body: PairIn) -> str:
    with desk_of(request.app.state) as desk:
        return devices.pair(desk.session, body.code, body.name)
