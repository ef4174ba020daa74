"""The day: steps in an order that keeps every wait, and what happened to each."""
