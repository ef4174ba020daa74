"""Benchmarks, run by hand and by ./test bench."""
