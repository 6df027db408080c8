"""A payment: its states and moves, its books, what each state means for the order, and what is due next."""
