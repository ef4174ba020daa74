"""python -m gantline: the command line."""

from gantline.cli import app

app()
