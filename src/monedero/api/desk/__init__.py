"""The door of the desk: what an owner reads and does."""
