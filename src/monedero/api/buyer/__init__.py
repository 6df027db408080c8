"""The door of buyers: what their pages read, and their orders."""
