"""What a job's page shows before its scripts are there: the job's name, its size, and how each station stands.

Written into the page by the server from what is at hand: nothing is planned for it, and nobody waits for it longer than a moment.
Without it the page begins empty, as it does where the database is away.
"""

import re
from collections.abc import Iterable
from html import escape
from typing import Any
from uuid import UUID

from anyio import CapacityLimiter, move_on_after, to_thread
from sqlalchemy.exc import SQLAlchemyError

from gantline.api.deps import desk_of
from gantline.api.desk import Desk
from gantline.plan.whole import StationState
from gantline.sheets.lettering import FRACTION
from gantline.store import jobs
from gantline.store.jobs import NoSuchJob

PLACE = b"<!-- first look -->"
LONGEST_S = 0.25
AT_ONCE = 2  # threads of its own: a page does not wait behind those that plan
UNIT = re.compile(r"(\u00a0(?:mm|cm|in)|[″′])")


class FirstLook:
    """Puts it into the page of a job. state: the application's, with its sessions and its plans."""

    def __init__(self, state: Any) -> None:
        self.state = state
        self.threads = CapacityLimiter(AT_ONCE)

    async def into(self, page: bytes, path: str) -> bytes:
        """The page of a path jobs/ID/STATION with what is known of that job; as it is where nothing is."""
        _, _, rest = path.partition("/")
        job, _, station = rest.partition("/")
        text = ""
        with move_on_after(LONGEST_S):
            text = await to_thread.run_sync(
                self._text, job, station, limiter=self.threads, abandon_on_cancel=True
            )
        return page.replace(PLACE, text.encode(), 1)

    def _text(self, job: str, station: str) -> str:
        try:
            with desk_of(self.state, reads=True) as desk:
                return _of_job(desk, UUID(job), station)
        except (ValueError, NoSuchJob, SQLAlchemyError):
            return ""


def _of_job(desk: Desk, job_id: UUID, station: str) -> str:
    """By the newest version's plan where this process has it, else by its card in the yard."""
    entry = desk.memo.get(job_id, jobs.head_number(desk.session, desk.shop_id, job_id))
    if entry is not None and entry.made.ask.shop.overrides == desk.shop.overrides:
        made = entry.made
        return _drawn(made.job.name, made.job.place or "", made.text("size"), made.states, station)
    card = jobs.head(desk.session, desk.shop_id, job_id).card or {}
    name, place, size = (str(card.get(key) or "") for key in ("name", "place", "size_text"))
    return _drawn(name, place, size, (), station) if name else ""


def _drawn(name: str, place: str, size: str, states: Iterable[StationState], station: str) -> str:
    """As the page itself will have it, in its own styles: the bar, the rope, the size where the board comes."""
    rope = "".join(_knot(state, state.key == station) for state in states)
    return (
        '<div class="flex min-h-14 shrink-0 items-center gap-x-3 border-seam border-b px-4">'
        '<span class="size-8"></span><div class="flex min-w-0 flex-1 items-baseline gap-3">'
        f'<p class="truncate font-bold text-lead max-[520px]:text-value">{escape(name)}</p>'
        f'<span class="truncate text-quiet max-[520px]:hidden">{escape(place)}</span></div></div>'
        '<div class="flex min-h-0 flex-1 max-[820px]:flex-col">'
        '<div class="relative w-[160px] shrink-0 overflow-hidden py-3 pl-2 max-[820px]:w-full max-[820px]:py-1">'
        '<ol class="relative flex h-full flex-col justify-around max-[820px]:flex-row max-[820px]:justify-start '
        f'max-[820px]:gap-5">{rope}</ol></div>'
        '<p class="flex min-w-0 flex-1 items-center justify-center font-bold text-title">'
        f"{_number(size)}</p></div>"
    )


def _knot(state: StationState, here: bool) -> str:
    look = "font-bold text-value" if here else "font-medium text-body"
    color = "text-stop" if state.worst == "stop" else "text-quiet"
    return (
        '<li class="flex min-h-14 items-center gap-3 rounded-md pr-1">'
        '<svg viewBox="0 0 28 28" class="size-7 shrink-0"><circle cx="14" cy="14" r="10" fill="var(--bench)" '
        f'stroke="var(--{"stop" if state.worst == "stop" else "brass"})" stroke-width="2.4"/></svg>'
        f'<span class="min-w-0 flex-1"><span class="block leading-tight {look}">{escape(state.label)}</span>'
        f'<span class="block whitespace-nowrap text-fine leading-tight {color}">{_number(state.gist)}</span></span></li>'
    )


def _number(text: str) -> str:
    """A text with its fractions stacked and its units quiet."""
    stacked = FRACTION.sub(r'<span class="frac"><b>\1</b><b>\2</b></span>', escape(text))
    quiet = UNIT.sub(r'<span class="unit">\1</span>', stacked)
    return f'<span class="num">{quiet}</span>'
