"""Usual ways of writing that are no words of the list: each is written as the list has it, before a line is read.

Source: common practice, no source.

>>> respelled("Pay in 3: 4.9%"), respelled("IC++ plus 0.35%"), respelled("exclusive of 21 % VAT")
('instalments : 4.9%', 'interchange, scheme fees + plus 0.35%', 'VAT 21 %')
>>> respelled("Plan Mast: 19 €/mes"), respelled("Da 0,9 %"), respelled("Chaque carte dès 0,9 %")
('Plan Mast: 19 € per month', 'from 0,9 %', 'Chaque carte from 0,9 %')
"""

import re

_TAX = r"(?:VAT|I\.?V\.?A\.?|TVA|MwSt\.?|USt\.?|BTW)"
_WITHOUT = (
    r"(?:exclusive of|excluding|excl\.?|plus|\+|hors|sin|más|mas|acresce|mais|zzgl\.?|zuzüglich|exkl\.?"
    r"|più|esclusa|exclusief)"
)
_MONTH = r"(?:months?|mo|m[eê]s|mois|monat|mese|maand)"
_YEAR = r"(?:years?|yr|año|ano|an|jahr|anno|jaar)"
_PARTS = r"(?:parts|payments|instal+ments|fois|rate|raten|plazos|cuotas|vezes|presta[cç][oõ]es|termijnen|keer)"
_COUNT = r"(?:\d{1,2}|two|three|four|six)"

SPELLINGS: tuple[tuple[re.Pattern[str], str], ...] = tuple(
    (re.compile(pattern, re.IGNORECASE), said)
    for pattern, said in (
        # Pay in 3; in 3 Raten; 3x sans frais.
        (rf"\b(?:pay|paying|payments?|buy now,? pay) in {_COUNT}\b(?: {_PARTS})?", "instalments "),
        (
            rf"\b(?:paiement|pagamento|pago|betalen|zahlung)?\s*(?:in|en|em|a) {_COUNT} {_PARTS}\b",
            " instalments ",
        ),
        (r"\b(?:interchange|IC)\s?\+\+", "interchange, scheme fees +"),
        (rf"\b{_WITHOUT}\s+(?:the |l'|de )?(\d+(?:[.,]\d+)?\s?%)\s*(?:of |de |d')?{_TAX}\b", r"VAT \1"),
        (rf"\b(?:acresce|mais|más|mas|plus) {_TAX} (?:de |à |a |of )?(\d+(?:[.,]\d+)?\s?%)", r"VAT \1"),
        (rf"\+\s*{_TAX}(?!\w|\s*\d)", " plus vat"),
        (rf"/\s*{_MONTH}\b\.?", " per month"),
        (rf"/\s*{_YEAR}\b\.?", " per year"),
        # Without its accent this is another word: from, and of.
        (r"\bdès\b", "from"),
        (r"\bda(?=\s+[\d€])", "from"),
    )
)


def respelled(line: str) -> str:
    """A line in the writing of the list of words."""
    for pattern, said in SPELLINGS:
        line = pattern.sub(said, line)
    return line.strip() if line != line.strip() else line
