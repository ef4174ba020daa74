"""Day: the steps of all stations in the crew's order. What other stations ask of it: nothing."""
