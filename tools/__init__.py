"""Tells what is generated from the code and the running application."""
