"""Kinds of buyer: how many there are of each, and the ways that they take, the dearest to them first."""
