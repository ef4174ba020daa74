"""A field's row that is there only where the field matters."""

from collections.abc import Callable
from typing import Any

from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures


def when(figures: Figures, key: str, label: str, field: Any, show: Callable[[Ask], bool]) -> None:
    """Add the row."""

    @figures.other(key, label, "", "usual", field)
    def shown(at: Ask) -> Display | None:
        """As it stands, while it bears on this job."""
        return Display(at.field(field)) if at(show) else None
