"""Figures without a currency, and countries by their codes: what they can only be where they stand.

A number behind a plus, a limit or an end, or before *a month*, is an amount in the provider's currency. Two capitals
are a country where they are the code of one and no word.

Source: own design; the codes are those of ISO 3166-1.

>>> country_codes("Instalments 4.5 %, BE and NL only", ["Instalments", "4.5 %", ",", "BE", "and", "NL", "only"])
{3, 5}
>>> country_codes("NO FEES IN IT", ["NO", "FEES", "IN", "IT"])
set()
"""

from collections.abc import Iterable, Sequence
from dataclasses import replace
from decimal import Decimal

from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.formats.price_text.conditions import area
from monedero.formats.price_text.item import Item

COUNTRIES = {"UK": "GB", "USA": "US"}
OTHER_COUNTRIES = frozenset(("GB", "US", "CH", "CA", "AU", "NZ", "BR", "MX", "JP", *COUNTRIES))
# Codes that are words as well: they are countries beside another code alone.
WORDS_TOO = frozenset(("AT", "BE", "CA", "DE", "ES", "IS", "IT", "LI", "NO", "SE", "SI"))
UNITS = frozenset(("days", "months", "business-days", "recurring"))
ENDS = frozenset(("from", "over", "up-to", "below", "between"))
PERIODS = frozenset(("per-month", "per-year"))
PAID_LATER = frozenset(("instalments", "pay-after-delivery", "instalments+pay-after-delivery"))


def country_codes(line: str, texts: Sequence[str]) -> set[int]:
    """The places of a line's words that are codes of countries; a line all in capitals has none but UK and US."""
    known = OTHER_COUNTRIES | frozenset(area("eea"))
    found = {place for place, text in enumerate(texts) if text in known}
    if not any(letter.islower() for letter in line):
        return {place for place in found if texts[place] in ("UK", "US", "USA")}
    return {
        place
        for place in found
        if texts[place] not in WORDS_TOO or any(other in found for other in (place - 2, place + 2))
    }


def told(items: Sequence[Item], currency: str) -> list[Item]:
    """The items of a line with its bare numbers as the amounts that they can only be."""
    if all(item.name != "number" for item in items):
        return list(_billing(_from_nothing(items)))
    ended = any(item.name in ("percent", "scheme") for item in items) and _banded(items)
    found = [_amount(items, place, currency, ended=ended) for place in range(len(items))]
    return list(_billing(_from_nothing(found)))


def _amount(items: Sequence[Item], place: int, currency: str, *, ended: bool) -> Item:
    item = items[place]
    if item.name != "number" or not _is_amount(items, place, ended=ended):
        return item
    try:
        value = Money.parse(f"{item.value:f} {currency}")
    except InvalidInput:
        return item
    return replace(item, name="money", value=value)


def _is_amount(items: Sequence[Item], place: int, *, ended: bool) -> bool:
    """True if a number is an amount where it stands; `ended` says that its line may have ends of amounts."""
    before = items[place - 1] if place else None
    after = items[place + 1] if place + 1 < len(items) else None
    if after is not None and after.name in UNITS:
        return False
    if after is not None and after.name in PERIODS:
        return True
    if before is not None and before.name in ("minimum", "maximum"):
        return True
    if before is not None and before.name == "+":
        return any(item.name in ("percent", "scheme") for item in items[: place - 1]) or (
            after is not None and after.name == "percent"
        )
    return ended and (_ends(before) or _ranged(items, place))


def _banded(items: Iterable[Item]) -> bool:
    """True if a line speaks of a month's volume, of amounts, or of a way of paying that has both ends."""
    return any(item.name in ("volume", "per-month", "amounts") or item.name in PAID_LATER for item in items)


def _ends(before: Item | None) -> bool:
    return before is not None and before.name in ENDS


def _ranged(items: Sequence[Item], place: int) -> bool:
    """True if a number goes to another one, or comes from one."""
    for dash, other in ((place + 1, place + 2), (place - 1, place - 2)):
        if min(dash, other) >= 0 and max(dash, other) < len(items) and items[dash].name == "-":
            return items[other].name in ("number", "money")
    return False


def _from_nothing(items: Sequence[Item]) -> Iterable[Item]:
    """*From 0 a month* is 0 a month: nothing is less."""
    for place, item in enumerate(items):
        after = items[place + 1] if place + 1 < len(items) else None
        nothing = after is not None and isinstance(after.value, Money) and not after.value.minor
        behind = items[place + 2].name if place + 2 < len(items) else ""
        if not (item.name == "from" and nothing and behind in PERIODS):
            yield item


def _billing(items: Iterable[Item]) -> Iterable[Item]:
    """*Billed annually* beside a price a month says when it is paid; alone it says that the price is one of a year."""
    held = list(items)
    monthly = any(item.name == "per-month" for item in held)
    for item in held:
        if item.name != "billed-yearly":
            yield item
        elif not monthly:
            yield replace(item, name="per-year")


def twelfth(amount: Money) -> Money | None:
    """A month's part of a year's amount; None where it is no whole number of minor units.

    >>> str(twelfth(Money.parse("348 EUR"))), twelfth(Money.parse("100 EUR"))
    ('29.00 EUR', None)
    """
    part = Decimal(amount.minor) / 12
    return amount._replace(minor=int(part)) if part == int(part) else None
