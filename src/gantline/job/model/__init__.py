"""The job document: one screen in one room, as an open JSON file, one file a part.

What is absent is absent: a default may stand in and then counts as assumed until somebody says otherwise.
What is present counts as measured in the survey and as decided elsewhere, unless `known` says otherwise for
its pointer. Things in lists have ids; pointers name ids.
"""

from gantline.job.model.job import FIELDS, FORMAT, ITEMS, VERSION, Job, JobUnits, Known

__all__ = ["FIELDS", "FORMAT", "ITEMS", "VERSION", "Job", "JobUnits", "Known"]
