"""Gantline: plans and installs fixed-frame projection screens."""

__version__ = "0.4.0"
