"""Align: the picture on the frame. What other stations and sheets ask of it."""

from gantline.stations.align.solve import aligned, last_round, made_moves

__all__ = ["aligned", "last_round", "made_moves"]
