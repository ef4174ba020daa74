"""Helpers for those who work on Gantline."""
