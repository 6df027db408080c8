"""Names as buyers tell them apart: trimmed, whatever their case and their accents.

Source: Unicode Standard, chapter 3.13 (caseless matching) and annex 15 (NFKD).

>>> folded(" CARTÃO "), folded("Überweisung"), folded("cartao")
('cartao', 'uberweisung', 'cartao')
"""

from unicodedata import combining, normalize


def folded(name: str) -> str:
    """A name without what buyers hardly see."""
    plain = normalize("NFKD", name.strip().casefold())
    return "".join(sign for sign in plain if not combining(sign))
