"""Cabo Noite: an invented dark-sky outfit on the Portuguese coast, its invented providers and their prices."""
