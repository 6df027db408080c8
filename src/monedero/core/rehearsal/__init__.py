"""Rehearsal: which cases a checkout has, what each is to come to, and what came instead."""
