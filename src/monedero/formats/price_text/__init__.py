"""A provider's price list as text, read line by line into a rate card.

Rule: a line is understood when every word and every figure of it is, by the table of words in `words.json`; otherwise
it is left out, with the reason. Nothing is guessed.
"""
