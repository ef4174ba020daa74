"""The shop's own defaults."""

from collections.abc import Mapping

from fastapi import APIRouter, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.schemas.settings import DefaultOut, SettingsIn, ShopSettings
from gantline.core.defaults import DEFAULTS
from gantline.store import jobs, shops

router = APIRouter(prefix="/api", tags=["settings"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)


@router.get("/settings", response_model=list[DefaultOut])
def get_settings(desk: DeskDep) -> Response:
    """Every default, with the shop's own value where it has one."""
    return answer(_out(desk.shop.overrides))


@router.put("/settings", response_model=list[DefaultOut])
def put_settings(body: SettingsIn, desk: DeskDep) -> Response:
    """Replace the shop's own values."""
    shop = shops.put_settings(desk.session, desk.shop_id, body.values)
    jobs.forget_cards(desk.session, desk.shop_id)
    return answer(_out(shop.overrides))


@router.get("/shop", response_model=ShopSettings)
def get_shop(desk: DeskDep) -> Response:
    """What the shop prints on."""
    return answer({"paper": shops.paper(desk.session, desk.shop_id)})


@router.put("/shop", response_model=ShopSettings)
def put_shop(body: ShopSettings, desk: DeskDep) -> Response:
    """Print on this paper from now on, for everybody."""
    shops.put_paper(desk.session, desk.shop_id, body.paper)
    return answer({"paper": body.paper})


def _out(own: Mapping[str, float]) -> list[dict[str, object]]:
    return [
        {"key": key, "value": default.value, "own": own.get(key), "low": default.low, "high": default.high, "unit": default.unit,
         "meaning": default.meaning, "source": default.source}
        for key, default in DEFAULTS.items()
    ]  # fmt: skip
