"""Orders that are placed, paid, sent and paid back."""
