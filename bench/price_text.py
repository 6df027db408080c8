"""A price list of 500 lines, read line by line: prices as they are written, and lines that are no price at all."""

import time

from monedero.formats.price_text.reader import Given, read

LINES, SECONDS = 500, 1
WRITTEN = (
    "EEA consumer cards {0}.5% + €0.25",
    "Tarjetas de débito nacionales: {0},9 % + 0,21 €, mínimo 0,35 €",
    "Cartões de crédito internacionais {0},9% mais 0,27 €",
    "SEPA Direct Debit: {0}.8%, min €0.31, max. €5",
    "Moonbeams {0}%",
)
NASTY = ("1" * 290, "a " * 145, "€" * 290, "1.1." * 70, "from " * 58, "(" * 290)


def run() -> str:
    """Read both kinds of text once and say what the slower one took."""
    written = "\n".join(WRITTEN[number % 5].format(number % 4) for number in range(LINES))
    nasty = "\n".join(NASTY[number % 6] for number in range(LINES))
    took = []
    for text in (written, nasty):
        began = time.perf_counter()
        read(text, Given("Larkhithe", "PT", "EUR"))
        took.append(time.perf_counter() - began)
    return f"a price list of {LINES} lines: {max(took):.2f} s (budget {SECONDS} s)"
