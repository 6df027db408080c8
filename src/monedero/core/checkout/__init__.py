"""A tender, its conditions, and the decision what a buyer is offered."""
