"""The hung screen: level, centered, plumb, flat; and the move that cures each."""
