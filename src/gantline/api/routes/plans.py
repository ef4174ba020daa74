"""Planning what is not saved: for a drag, and for a job file at hand."""

from fastapi import APIRouter, Response

from gantline.api import services
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import SessionDep, ShopId
from gantline.api.schemas import Preview, PreviewOut
from gantline.store import shops

router = APIRouter(prefix="/api/plan", tags=["plan"], responses=PROBLEM_ANSWERS)


@router.post("", response_model=PreviewOut)
def preview_plan(body: Preview, session: SessionDep, shop_id: ShopId) -> Response:
    """Plan a document with some edits; nothing is saved."""
    shop = shops.settings_of(session, shop_id)
    return answer(services.preview(body.document, body.edits, shop, body.parts))
