"""Base class of all API answers."""

from pydantic import BaseModel, ConfigDict


class Out(BaseModel):
    """An answer."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)
