"""Describing the shop: what is looked up of it, the order in hand, past orders and the order profile."""
