"""Monedero: decide which ways to pay a small shop offers."""
