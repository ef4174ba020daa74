"""The shop's own records: fabrics, kits, projectors, fixings. Open JSON: further fields are kept."""

from gantline.job.records.kinds import MODELS, RecordKind, edits_from, read_record, record_from, stored_edits

__all__ = ["MODELS", "RecordKind", "edits_from", "read_record", "record_from", "stored_edits"]
