"""What a route costs all in: assumptions, parts, when the money arrives, plans over a month's volume."""
