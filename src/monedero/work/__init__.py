"""Use cases: what the API and the command line share. Core, store and stand-ins come together here."""
