"""Which backups stay: the last of seven days, of five weeks and of twelve months. Pure."""

from collections.abc import Iterable
from datetime import date

DAYS, WEEKS, MONTHS = 7, 5, 12


def kept(made: Iterable[date]) -> set[date]:
    """The days whose backups stay, of all there are: the newest of each of the last 7 days, 5 weeks and 12 months with one."""
    newest = sorted(set(made), reverse=True)
    stay: set[date] = set()
    for most, period in (
        (DAYS, date.isoformat),
        (WEEKS, lambda day: day.strftime("%G-%V")),
        (MONTHS, lambda day: day.strftime("%Y-%m")),
    ):
        first: dict[str, date] = {}
        for day in newest:
            first.setdefault(period(day), day)
        stay |= set(list(first.values())[:most])
    return stay
