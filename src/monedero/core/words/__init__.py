"""Tells what buyers read of a tender: texts by language, with placeholders, and names that nobody can mistake."""
