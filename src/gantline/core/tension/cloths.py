"""Sorts of cloth by how they stretch."""

from collections.abc import Mapping
from enum import StrEnum

from gantline.core.tension.holds import Hold


class ClothSort(StrEnum):
    """What a cloth stretches like."""

    FILM = "film"
    BLACKOUT = "blackout"
    COATED = "coated"
    KNIT = "knit"


NAMES: Mapping[ClothSort, str] = {
    ClothSort.FILM: "film",
    ClothSort.BLACKOUT: "blackout cloth",
    ClothSort.COATED: "coated weave",
    ClothSort.KNIT: "knit",
}
# what usually hangs in each hold
USUAL: Mapping[Hold, ClothSort] = {
    Hold.STAPLE: ClothSort.BLACKOUT,
    Hold.TACK: ClothSort.KNIT,
    Hold.SPRING: ClothSort.FILM,
    Hold.LUG: ClothSort.FILM,
    Hold.PIN: ClothSort.FILM,
    Hold.SNAP: ClothSort.COATED,
    Hold.LACE: ClothSort.COATED,
}
