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
    def shop_id(self) -> UUID:
        """The shop every row belongs to."""
        return shops.the_shop(self.session)

    @cached_property
    def shop(self) -> Shop:
        """Its own defaults."""
        return shops.settings_of(self.session, self.shop_id)
