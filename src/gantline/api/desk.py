"""A desk: what one request works with, one transaction, the shop, and plans at hand."""

from dataclasses import dataclass, field
from functools import cached_property
from uuid import UUID

from sqlalchemy.orm import Session

from gantline.api.services.memo import Memo, PlanEntry
from gantline.core.defaults import Shop
from gantline.store import shops


@dataclass(kw_only=True)
class Desk:
    """One request's session, shop and memo."""

    session: Session
    memo: Memo
    planned: list[tuple[UUID, int, PlanEntry]] = field(default_factory=list)

    def keep(self, job_id: UUID, version: int, entry: PlanEntry) -> None:
        """A plan for the memo, once this request's work is committed: until then another may save a version of this number."""
        self.planned.append((job_id, version, entry))

    def committed(self) -> None:
        """Whatever was planned here may be served."""
        for job_id, version, entry in self.planned:
            self.memo.put(job_id, version, entry)

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
