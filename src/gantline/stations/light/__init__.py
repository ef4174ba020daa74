"""Light: how bright and how even the picture is at every seat. What other stations ask of it."""

from gantline.stations.light.solve import (
    LightModel,
    eyes_of,
    light_model,
    on_axis_cd_m2,
    seat_light,
    state_names,
)

__all__ = ["LightModel", "eyes_of", "light_model", "on_axis_cd_m2", "seat_light", "state_names"]
