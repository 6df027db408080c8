"""Tells what a buyer needs to pay by an arrangement of the shop's own: accounts, references, invoices and numbers."""
