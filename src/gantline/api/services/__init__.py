"""What the routes do: read, plan, draw, save. No HTTP here."""
