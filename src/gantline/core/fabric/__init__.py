"""The fabric blank, and how it lies on the roll."""
