"""The server: its shops with the world outside them, its clock, and that only one server works on a folder."""
