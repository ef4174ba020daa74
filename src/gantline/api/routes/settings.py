"""The shop's own defaults, and whether the server is well."""

from collections.abc import Mapping

from fastapi import APIRouter, Response
from sqlalchemy import text

from gantline import __version__
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import SessionDep, ShopId
from gantline.api.schemas import DefaultOut, Health, SettingsIn
from gantline.core.defaults import DEFAULTS
from gantline.store import shops

router = APIRouter(prefix="/api", tags=["settings"], responses=PROBLEM_ANSWERS)


@router.get("/health", response_model=Health)
def health(session: SessionDep) -> Response:
    """Answers only while the database does."""
    session.execute(text("SELECT 1"))
    return answer({"ok": True, "version": __version__})


@router.get("/settings", response_model=list[DefaultOut])
def get_settings(session: SessionDep, shop_id: ShopId) -> Response:
    """Every default, with the shop's own value where it has one."""
    return answer(_out(shops.settings_of(session, shop_id).overrides))


@router.put("/settings", response_model=list[DefaultOut])
def put_settings(body: SettingsIn, session: SessionDep, shop_id: ShopId) -> Response:
    """Replace the shop's own values."""
    return answer(_out(shops.put_settings(session, shop_id, body.values).overrides))


def _out(own: Mapping[str, float]) -> list[dict[str, object]]:
    return [
        {"key": key, "value": one.value, "own": own.get(key), "low": one.low, "high": one.high, "unit": one.unit,
         "meaning": one.meaning, "source": one.source}
        for key, one in DEFAULTS.items()
    ]  # fmt: skip
