"""Throw: will this projector fill exactly that, from there. What other stations ask of it."""

from gantline.stations.throw.body import body_shape, plate
from gantline.stations.throw.lens import (
    LensPlace,
    in_front,
    lens_place,
    lens_x_mm,
    pixels_known,
    pixels_over,
    projected,
    throw_lens,
    window,
)
from gantline.stations.throw.mount import pole_here
from gantline.stations.throw.places import fits, wanted
from gantline.stations.throw.shadows import shadows
from gantline.stations.throw.turned import turned
from gantline.stations.throw.zoom import zoom_stops

__all__ = [
    "LensPlace",
    "body_shape",
    "fits",
    "in_front",
    "lens_place",
    "lens_x_mm",
    "pixels_known",
    "pixels_over",
    "plate",
    "pole_here",
    "projected",
    "shadows",
    "throw_lens",
    "turned",
    "wanted",
    "window",
    "zoom_stops",
]
