"""Words of a line that may be meant in two ways: the line is marked rather than read in one of them.

Source: own design; the words are common practice, no source.

>>> refuse_joined("Debit and credit cards 1.2%", "EUR", {}, "")
>>> refuse_joined("Commercial and international cards 2.9%", "EUR", {}, "")
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: unclear
"""

import re
from collections.abc import Mapping

from monedero.formats.price_text.items import Items
from monedero.formats.price_text.unread import NotRead, Why

More = Mapping[str, tuple[str, str]]
# Words that no plan is called by: *Choose your plan*, *tarifa plana*.
NO_NAMES = frozenset(
    (
        *(
            "choose",
            "pick",
            "select",
            "find",
            "compare",
            "see",
            "change",
            "your",
            "our",
            "the",
            "a",
            "right",
            "best",
        ),
        *(
            "elige",
            "escoge",
            "compara",
            "tu",
            "su",
            "escolha",
            "escolhe",
            "compare",
            "o",
            "seu",
            "kies",
            "je",
            "wahle",
        ),
        *("flat", "plana", "fija", "fixa", "unica", "de"),
    )
)
FOR_EACH = re.compile(
    r"\b(?:per|an?|each|every|por|cada|pro|je|par) +"
    r"(?:payment|transaction|order|sale|charge|operaci|transac|pago|venda|pagamento|encomenda|zahlung|paiement)",
    re.IGNORECASE,
)
JOINS = re.compile(r"\s(?:and|or|y|e|o|ou|und|oder|et)\s|\s?[&/]\s?", re.IGNORECASE)
"""Words that join what they stand between; *either of both* where it is of the same kind."""
# In Dutch *en* joins, in Spanish it says where.
DUTCH = re.compile(
    r"\b(?:\w*kaart(?:en)?|zakelijke?|europese|binnenlandse|buitenlandse|overige|betalingen)\b", re.IGNORECASE
)
DUTCH_JOINS = re.compile(rf"{JOINS.pattern}|\s(?:en|of)\s", re.IGNORECASE)
JOINED = ("card_kinds", "origins", "countries", "networks", "line_kinds", "currencies")
FOREIGN_MONEY = re.compile(r"foreign currenc|moneda extranjera|moeda estrangeira", re.IGNORECASE)
# Figures in words, and what one method has of another: such a line is no heading.
FIGURE_WORDS = re.compile(
    r"[½¼¾⅓⅔‰]|\b(?:half|zero|nil|nada|medio|meio|same|priced|as cards|igual|iguais|como)\b", re.IGNORECASE
)


# An amount in several currencies at once, and a figure below nothing: a dash that stands at a figure alone.
SEVERAL_CURRENCIES = re.compile(r"\d\s?[A-Z]{3}\s?/\s?[A-Z]{3}\b|[€£$]\s?/\s?[€£$]")
BELOW_NOTHING = re.compile(r"(?:^|[^\d\s%€£$]|[^\d%€£$]\s)[-\u2212]\d")


def refuse_unclear_figures(line: str) -> None:
    """Refuses figures of several currencies at once, and figures that may be below nothing.

    >>> refuse_unclear_figures("Cards - 1.4 %, 10 -20 EUR")
    >>> refuse_unclear_figures("Cards -0.1 %")
    Traceback (most recent call last):
    ...
    monedero.formats.price_text.unread.NotRead: unclear
    """
    for pattern in (SEVERAL_CURRENCIES, BELOW_NOTHING):
        if found := pattern.search(line):
            raise NotRead(Why.UNCLEAR, found.group().strip())


def refuse_joined(line: str, currency: str, more: More, decimal: str) -> None:
    """Refuses conditions of different kinds that are joined: *commercial and international* may be either of them."""
    if not Items(line, currency, more, decimal).has("conversion") and (money := FOREIGN_MONEY.search(line)):
        raise NotRead(Why.UNCLEAR, money.group())
    said = re.split(r"[\d€£$]", line, maxsplit=1)[0]
    held: set[str] = set()
    for part in (DUTCH_JOINS if DUTCH.search(said) else JOINS).split(said):
        kinds = {item.group for item in Items(part, currency, more, decimal).all if item.group in JOINED}
        if held and kinds and (not held & kinds or (len(held) > 1 and len(kinds) > 1)):
            raise NotRead(Why.UNCLEAR, said.strip(" :-"))
        held = kinds or held
