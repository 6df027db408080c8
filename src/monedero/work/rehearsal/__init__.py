"""Rehearsal: the cases of a draft, the order that plays each, and whether its evidence still holds."""
