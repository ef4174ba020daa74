"""Steps that come of what was told: a look that found something is followed by its cure and by another look."""

from collections.abc import Sequence

from gantline.core.day.progress import Told
from gantline.core.day.step import Step
from gantline.core.tension.wrinkles import Seen
from gantline.plan.ask import Ask
from gantline.stations.tension import cured

MOST_LOOKS = 12  # whoever looks more often is told to look tomorrow


def with_looks(at: Ask, steps: Sequence[Step], rows: Sequence[Told]) -> tuple[Step, ...]:
    """The steps, with cures and further looks where a look found something.  rows: in the order they were told."""
    newest = {thing: row for row in rows for thing in row.things}
    out: list[Step] = []
    for step in steps:
        out.append(step)
        look, number = step, 2
        while any(reading.name == "seen" for reading in look.readings) and number <= MOST_LOOKS:
            row = newest.get(look.acts[0])
            seen = "" if row is None or row.act == "undone" else str(row.values.get("seen", ""))
            if not seen or seen == Seen.FLAT or row is None:
                break
            cure, look = cured(at, look, number, Seen(seen), str(row.values.get("where", "all over")))
            out += [cure, look]
            number += 1
    return tuple(out)
