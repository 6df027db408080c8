"""Coverage: what a checkout offers to every order that a shop can receive, and where nobody can pay."""
