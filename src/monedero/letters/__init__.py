"""Tells what people read of a shop, in their language: messages and pages of orders, papers, texts of ways to pay."""
