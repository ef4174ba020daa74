"""Bodies in and out, one file a route. What goes out is built from plain values and serialized once, by orjson."""
