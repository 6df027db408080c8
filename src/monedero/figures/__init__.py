"""Dated data: methods, reference rates. Each with its source and the day it was read."""
