"""Aligning the picture to the frame: the pose behind corner readings, and the moves that cure it."""
