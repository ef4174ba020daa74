"""Heavy work: asked for through one door, done by workers on this machine or any other that reaches the database."""
