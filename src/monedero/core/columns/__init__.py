"""Many orders at once: fees in columns of 128-bit integers, exact, with no binary float."""
