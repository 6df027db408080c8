"""Sets of ways to pay: the month of each by what buyers choose, and the best of them, proven."""
