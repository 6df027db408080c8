"""Tells what a rate card is, and the fee of an order by it."""
