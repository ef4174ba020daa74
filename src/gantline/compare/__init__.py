"""Comparisons: the same job with other sizes, fabrics, projectors; the floor; a seat's view. Numbers first, words last."""
