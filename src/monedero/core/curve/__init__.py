"""Piecewise-linear costs in exact numbers: pieces, crossings, and the cheapest of many."""
