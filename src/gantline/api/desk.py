"""A desk: what one request works with, one transaction, the shop, and plans at hand."""

from dataclasses import dataclass
from functools import cached_property
from uuid import UUID

from sqlalchemy.orm import Session

from gantline.api.services.memo import Memo
from gantline.core.defaults import Shop
from gantline.store import shops


@dataclass(kw_only=True)
class Desk:
    """One request's session, shop and memo."""

    session: Session
    memo: Memo

    @cached_property
    def _settings(self) -> tuple[UUID, Shop]:
        return shops.the_settings(self.session)

    @property
    def shop_id(self) -> UUID:
        """The shop every row belongs to."""
        return self._settings[0]

    @property
    def shop(self) -> Shop:
        """Its own defaults."""
        return self._settings[1]
