"""Comparing: what every way to be paid costs the shop, for one order, for every amount, and by its assumptions."""
