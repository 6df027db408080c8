"""Prices at work: everything that comparisons and months rest on, read once and kept."""
