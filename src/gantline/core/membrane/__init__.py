"""The fabric as a sheet that cannot be pushed: what it pulls where, and where it wrinkles, while points are held one by one."""
