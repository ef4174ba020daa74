"""What a changed record would do to a job that took it, if the job took it again."""

from collections.abc import Mapping
from typing import Any

from gantline.core.defaults import Shop
from gantline.job.edits import apply
from gantline.job.model import Job
from gantline.job.records import RecordKind, stored_edits
from gantline.stations import plan

NAMED = 4  # figures that are told of a job


def otherwise(
    job: Job, kind: RecordKind, name: str, body: Mapping[str, Any], shop: Shop
) -> dict[str, Any] | None:
    """Name of the job, the first figures that would read otherwise and how many more, and what would stop it that does not now;
    None where it would plan the same."""
    edits, past = stored_edits(kind, name, body, job)
    before, after = plan(job, shop), plan(apply(job, edits), shop)
    differs = [
        f"{figure.label}: {before.figures[key].text or 'none'} → {figure.text or 'none'}"
        for key, figure in after.figures.items()
        if key in before.figures and figure.text != before.figures[key].text
    ]
    now = {finding.text for finding in before.findings if finding.severity == "stop"}
    stops = [
        finding.text for finding in after.findings if finding.severity == "stop" and finding.text not in now
    ]
    if past:
        stops.insert(0, past)
    if not differs and not stops:
        return None
    more = len(differs) - NAMED
    said = differs[:NAMED] + ([f"and {more} more"] if more > 0 else [])
    return {"name": job.name, "said": said, "stops": stops[:NAMED]}
