"""A question to the catalogue in the owner's words, understood as far as its words are known.

Known are names of providers, methods, families, kinds of line, currencies and countries, and whether an order
repeats; it is asked in English. The longest name is taken first; plurals are the same word; what is not known is
passed over, and shown.

Source: own design; ISO 4217 and CLDR for the names of currencies and countries.

>>> names = {"method": {"sepa-direct-debit": "SEPA direct debit"}, "provider": {"brixavo": "Brixavo"}}
>>> asked = understand("Who carries bank debits for recurring memberships in euro?", names)
>>> [(facet.kind, facet.value) for facet in asked.facets]
[('family', 'bank-debit'), ('recurring', 'yes'), ('line_kind', 'membership'), ('currency', 'EUR')]
>>> [(facet.kind, facet.value) for facet in understand("what does Brixavo carry?", names).facets]
[('provider', 'brixavo')]
>>> understand("", names).facets
[]
"""

import re
from collections.abc import Iterable, Mapping, Sequence
from functools import cache

import pycountry
from babel import Locale
from iso4217 import Currency

from monedero.core.method import Family
from monedero.core.order.kinds import LineKind
from monedero.core.words.question import Facet, Question
from monedero.wording.catalogue import say
from monedero.wording.places import country_name

FAMILY_WORDS: Mapping[str, Family] = {
    "card": Family.CARD,
    "device wallet": Family.DEVICE_WALLET,
    "phone wallet": Family.DEVICE_WALLET,
    "account wallet": Family.ACCOUNT_WALLET,
    "pay later": Family.PAY_LATER,
    "instalment": Family.PAY_LATER,
    "bank debit": Family.BANK_DEBIT,
    "direct debit": Family.BANK_DEBIT,
    "debit from a bank account": Family.BANK_DEBIT,
    "credit transfer": Family.CREDIT_TRANSFER,
    "bank transfer": Family.CREDIT_TRANSFER,
    "transfer": Family.CREDIT_TRANSFER,
    "online banking": Family.ONLINE_BANKING,
    "cash": Family.CASH,
    "cheque": Family.CHEQUE,
    "counter voucher": Family.COUNTER_VOUCHER,
    "invoice": Family.INVOICE,
    "shop credit": Family.SHOP_CREDIT,
}
REPEATS: Mapping[str, str] = {
    **dict.fromkeys(("recurring", "repeating", "repeat", "monthly", "every month", "subscription"), "yes"),
    **dict.fromkeys(("once", "one off", "single"), "no"),
}
SHORT_CURRENCIES: Mapping[str, str] = {
    "pound": "GBP",
    "sterling": "GBP",
    "dollar": "USD",
    "franc": "CHF",
    "yen": "JPY",
}
# Words that a question is made of and that say nothing to the catalogue.
SMALL = frozenset(
    (
        *("who", "what", "which", "can", "carry", "carried", "do", "the", "a", "an", "for", "in", "of", "from"),
        *("with", "to", "my", "and", "or", "on", "by", "is", "are", "i", "me", "take", "offer", "pay", "payment"),
        *("way", "order", "buyer", "shop", "at", "there", "that", "does", "carrie"),
    )
)


def _plain(text: str) -> str:
    words = re.findall(r"\w+", text.casefold())
    return " ".join(
        word[:-1] if len(word) > 3 and word.endswith("s") and not word.endswith("ss") else word for word in words
    )


@cache
def _lasting() -> dict[str, tuple[str, str]]:
    """The words that every catalogue knows."""
    known = {_plain(words): ("family", family.value) for words, family in FAMILY_WORDS.items()}
    known |= {_plain(words): ("recurring", value) for words, value in REPEATS.items()}
    known |= {_plain(kind.value): ("line_kind", kind.value) for kind in LineKind}
    territories = Locale("en").territories
    for country in pycountry.countries:
        known[_plain(str(territories.get(country.alpha_2, country.name)))] = ("country", country.alpha_2)
    for entry in Currency:
        if entry.exponent is not None:
            known[entry.code.casefold()] = ("currency", entry.code)
            known.setdefault(_plain(entry.currency_name), ("currency", entry.code))
    return known | {words: ("currency", code) for words, code in SHORT_CURRENCIES.items()}


def understand(
    text: str, names: Mapping[str, Mapping[str, str]], also: Mapping[str, Sequence[str]] | None = None
) -> Question:
    """Understand a question; `names` are those of providers and methods, by kind and id.

    `also` are other names of methods, by the method's id.
    """
    known = dict(_lasting())
    for method, others in (also or {}).items():
        known |= {_plain(name): ("method", method) for name in others}
    for kind, by_id in names.items():
        known |= {_plain(name): (kind, key) for key, name in by_id.items()}
    words = _plain(text).split()
    longest = max((len(name.split()) for name in known), default=1)
    facets: list[Facet] = []
    unknown: list[str] = []
    place = 0
    while place < len(words):
        for length in range(min(longest, len(words) - place), 0, -1):
            said = " ".join(words[place : place + length])
            if said in known:
                facets.append(Facet(*known[said], said))
                place += length
                break
        else:
            if words[place] not in SMALL:
                unknown.append(words[place])
            place += 1
    return Question(list(_once(facets)), unknown)


def _once(facets: Iterable[Facet]) -> Iterable[Facet]:
    seen: set[tuple[str, str]] = set()
    for facet in facets:
        if facet[:2] not in seen:
            seen.add(facet[:2])
            yield facet


def facet_text(facet: Facet, names: Mapping[str, Mapping[str, str]]) -> str:
    """Tells what was understood, by its name.

    >>> facet_text(Facet("recurring", "yes", "monthly"), {}), facet_text(Facet("country", "ES", "spain"), {})
    ('every month', 'Spain')
    >>> facet_text(Facet("provider", "brixavo", "brixavo"), {"provider": {"brixavo": "Brixavo"}})
    'Brixavo'
    """
    if facet.kind == "recurring":
        return say("asked-recurring" if facet.value == "yes" else "asked-once")
    if facet.kind == "country":
        return country_name(facet.value)
    return names.get(facet.kind, {}).get(facet.value, facet.value.replace("-", " "))
