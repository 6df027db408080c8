"""Benchmarks: what is measured stands beside its budget. Run with `make bench`."""
