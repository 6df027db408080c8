"""The computation: pure, no web, no database, no clock, no files."""
