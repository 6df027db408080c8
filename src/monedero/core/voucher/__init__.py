"""Vouchers and shop credit: codes that cannot be guessed, and books that never fall under nothing."""
