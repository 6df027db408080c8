"""All-in costs of a route: assumptions, parts, when the money arrives, plans over a month's volume."""
