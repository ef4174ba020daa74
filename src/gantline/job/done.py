"""What a row of the day changes of the document: a plan uses what was built before what was planned."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from gantline.core.day.progress import Act, Told
from gantline.core.day.step import Step
from gantline.job.edits import Edit, apply
from gantline.job.field import field_of
from gantline.job.model import Job
from gantline.job.model.align import Aligned, Hung
from gantline.job.model.hanging import Hanging

# lists whose things say who read them
SIGNED = tuple(f"{field_of(named).pointer}/-" for named in (Hanging.dry, Hung.readings, Aligned.rounds))


@dataclass(frozen=True, kw_only=True)
class Effect:
    """A row that was told: its id, act, reason, readings [mm or their own unit] and who."""

    step: Step
    row: str
    act: Act
    reason: str
    values: Mapping[str, float | str]
    who: str

    def edits(self, before: Sequence[Told] = ()) -> tuple[Edit, ...]:
        """Edits of the newest document. before: the rows of the job so far, for one that takes back."""
        if self.act == "undone":
            return tuple(self._taken_back(before))
        if self.act == "impossible":
            return (self._item(self.step.blocked),) if self.step.blocked else ()
        return () if self.act == "skipped" else tuple(self._done())

    def _done(self) -> Iterator[Edit]:
        if self.step.item and (self.step.beside or self.values):
            yield self._item(self.step.beside)
        for reading in self.step.readings:
            if reading.goes and reading.name in self.values:
                yield Edit(pointer=reading.goes, value=self.values[reading.name], known="measured")
        if self.step.sets:
            yield Edit(pointer=self.step.sets, value=True)

    def _item(self, beside: tuple[tuple[str, str], ...]) -> Edit:
        """The thing of the list that the row stands behind. A hole that nobody read is where it was planned."""
        planned = {one.name: one.planned for one in self.step.readings if beside and one.planned is not None}
        thing: dict[str, Any] = {**planned, **self.values, **dict(beside), "id": item_id(self.row)}
        if self.act == "impossible" and self.reason:
            thing["why"] = self.reason
        if self.step.item in SIGNED:
            thing["who"] = self.who
        return Edit(pointer=self.step.item, value=thing)

    def _taken_back(self, before: Sequence[Told]) -> Iterator[Edit]:
        if self.step.item:
            mine = [told for told in before if told.step == self.step.key and told.act != "undone"]
            for told in mine:
                yield Edit(pointer=f"{self.step.item.removesuffix('-')}{item_id(told.id)}", value=None)
        if self.step.sets:
            yield Edit(pointer=self.step.sets, value=None)


def item_id(row: str) -> str:
    """The id of the thing that a row put into the document."""
    return f"d{row.replace('-', '')[:15]}"


def changed_by(job: Job, edits: Sequence[Edit]) -> Job:
    """The document after them; what was taken out by somebody else meanwhile is not taken out again.  Raises: BadDocument."""
    there = [edit for edit in edits if edit.value is not None or _there(job, edit.pointer)]
    return apply(job, there) if there else job


def _there(job: Job, pointer: str) -> bool:
    held: Any = job
    for name in pointer.strip("/").split("/"):
        held = (
            next((thing for thing in held if thing.id == name), None)
            if isinstance(held, list)
            else getattr(held, name)
        )
        if held is None:
            return False
    return True
