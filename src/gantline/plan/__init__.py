"""One pure function, plan(job, shop), and the types of what it returns."""
