"""Accounts: from an application to a connected account, and what is said there."""
