"""The simulated provider: one program, with its own pages, that plays every invented provider by its data."""
