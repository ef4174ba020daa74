"""Timber frames: pieces, stiffness, cutting, squareness."""
