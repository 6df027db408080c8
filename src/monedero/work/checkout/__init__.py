"""Composing a checkout, looking at what it offers, and publishing it."""
