"""The price in a line: its percentage, its fixed amount, its limits, what it costs a month, and its band.

An amount after *from*, *up to*, *below* or *over* is an end of a band, of the account's month or of the order's amount;
the line says of which. *Up to* includes its amount and *over* leaves it out, so that both end a minor unit further on.

Source: own design.

>>> found = amounts(Items("1.2 % min 0.30 EUR, max 5 EUR", "EUR", {}))
>>> str(found.price.minimum), str(found.price.maximum)
('0.30 EUR', '5.00 EUR')
>>> amounts(Items("from 1.2 %", "EUR", {}))
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: range
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from decimal import Decimal
from typing import Any

from monedero.core.money import Money
from monedero.formats.price_text.bare import PAID_LATER, twelfth
from monedero.formats.price_text.item import Item
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import Ends, Price
from monedero.formats.price_text.unread import NotRead, Why

LIMITS = ("minimum", "maximum")
ENDS = ("from", "over", "up-to", "below", "between")


@dataclass(frozen=True, slots=True)
class Amounts:
    """Everything about money in a line."""

    price: Price
    monthly: Money | None = None
    band: Ends | None = None

    @property
    def anything(self) -> bool:
        """True if there is a price for an order."""
        return self.price.percent is not None or self.price.fixed is not None


def amounts(items: Items, *, monthly: bool = True) -> Amounts:
    """Every percentage and amount of a line, each in its part; refuses what could be more than one of them.

    Where a month's price cannot be meant, `monthly` is False.
    """
    found = Amounts(Price())
    for place, item in enumerate(items.all):
        if item.taken or item.group != "figures":
            continue
        if item.name == "percent":
            _no_range(items.all, place)
            found = replace(found, price=_with(found.price, "percent", item.value, item))
            item.taken = True
        elif item.name == "money":
            found = _money(items.all, place, found, monthly=monthly)
            item.taken = True
    _one_currency(found.price)
    _in_sequence(found.price)
    return _free(items, found)


def _money(items: Sequence[Item], place: int, found: Amounts, *, monthly: bool) -> Amounts:
    item = items[place]
    before, after = _beside(items, place, -1), _beside(items, place, 1)
    if before and before.name in ENDS and not before.taken:
        return _band_end(items, place, before, found)
    limit = before if before and before.name in LIMITS and not before.taken else None
    if limit:
        return _limited(found, limit, item)
    other = _ranged_to(items, place)
    if other is not None:
        if other.money.currency != item.money.currency:
            raise NotRead(Why.TWO_CURRENCIES, f"{item.said} {other.said}")
        if not _banded(items):
            raise NotRead(Why.RANGE, item.said)
        return _band(found, item, other)
    if after and after.name in LIMITS and not after.taken and not _leads(items, place + 1):
        return _limited(found, after, item)
    period = _period(items, place) if monthly else None
    if period is not None:
        period.taken = True
        return _month(found, item, twelfth(item.money) if period.name == "per-year" else item.money)
    return replace(found, price=_with(found.price, "fixed", item.value, item))


def _period(items: Sequence[Item], place: int) -> Item | None:
    """The mark that makes an amount one of a year or a month; a month's beside a band may be that of the band."""
    before, after = _beside(items, place, -1), _beside(items, place, 1)
    marks = [mark for mark in (after, before) if mark and not mark.taken]
    year = next((mark for mark in marks if mark.name == "per-year"), None)
    if year is not None:
        return year
    month = next((mark for mark in marks if mark.name == "per-month"), None)
    if month is not None and (month is before or not _banded(items, besides=month)):
        return month
    return None


def _leads(items: Sequence[Item], place: int) -> bool:
    """True if a mark belongs to the amount behind it: no pause stands between them."""
    after = items[place + 1] if place + 1 < len(items) else None
    return after is not None and after.name == "money" and not after.apart


def _month(found: Amounts, item: Item, amount: Money | None) -> Amounts:
    if found.monthly is not None:
        raise NotRead(Why.TWO_PRICES, item.said)
    if amount is None:
        raise NotRead(Why.UNCLEAR, item.said)
    return replace(found, monthly=amount)


def _limited(found: Amounts, mark: Item, item: Item) -> Amounts:
    mark.taken = True
    return replace(found, price=_with(found.price, mark.name, item.value, item))


def _with(price: Price, part: str, value: Any, item: Item) -> Price:
    before = getattr(price, part)
    if isinstance(before, Money) and before.currency != value.currency:
        raise NotRead(Why.TWO_CURRENCIES, item.said)
    if before is not None:
        raise NotRead(Why.TWO_PRICES, item.said)
    return replace(price, **{part: value})


def _beside(items: Sequence[Item], place: int, step: int) -> Item | None:
    there = place + step
    return items[there] if 0 <= there < len(items) and items[there].group == "marks" else None


def _no_range(items: Sequence[Item], place: int) -> None:
    """A percentage that only begins or ends somewhere, or goes to another one, is no price."""
    before = items[place - 1] if place else None
    if before and before.group == "marks" and before.name in (*ENDS, *LIMITS) and not before.taken:
        raise NotRead(Why.RANGE, f"{before.said} {items[place].said}")
    after = items[place + 1 : place + 3]
    if after and after[0].name == "-" and len(after) > 1 and after[1].group == "figures":
        raise NotRead(Why.RANGE, items[place].said)
    if after and after[0].name in ("percent", "money"):
        raise NotRead(Why.RANGE, f"{items[place].said} {after[0].said}")


def _ranged_to(items: Sequence[Item], place: int) -> Item | None:
    """The amount to which this one goes."""
    after = items[place + 1 : place + 3]
    if len(after) > 1 and after[0].name == "-" and after[1].name == "money":
        return after[1]
    return None


def _banded(items: Sequence[Item], besides: Item | None = None) -> bool:
    """True if a band of the month or of amounts can be meant."""
    named = any(item.name in ("volume", "amounts") for item in items if item.group == "marks")
    # Ways of paying later can be had for some amounts only.
    named = named or any(item.name in PAID_LATER for item in items)
    priced = any(item.name == "percent" for item in items)
    month = any(item.name == "per-month" and item is not besides for item in items)
    return named or (priced and (month or besides is not None))


def _band_end(items: Sequence[Item], place: int, mark: Item, found: Amounts) -> Amounts:
    item = items[place]
    mark.taken = True
    if not _banded(items):
        raise NotRead(Why.RANGE if mark.name == "from" else Why.WHICH_BAND, f"{mark.said} {item.said}")
    if mark.name in ("from", "between") and (other := _ranged_to(items, place)) is not None:
        return _band(found, item, other)
    if mark.name == "between":
        raise NotRead(Why.UNCLEAR, mark.said)
    # From one amount up to another, each with its own word.
    before = found.band or Ends()
    value = item.money
    if mark.name in ("from", "over"):
        low = value if mark.name == "from" else _next(value)
        if before.from_ is not None:
            raise NotRead(Why.TWO_PRICES, item.said)
        return _checked(found, replace(before, from_=low), item)
    high = value if mark.name == "below" else _next(value)
    if before.below is not None:
        raise NotRead(Why.TWO_PRICES, item.said)
    return _checked(found, replace(before, below=high), item)


def _band(found: Amounts, low: Item, high: Item) -> Amounts:
    high.taken = low.taken = True
    if found.band is not None:
        raise NotRead(Why.TWO_PRICES, high.said)
    return _checked(found, Ends(low.money if low.money.minor else None, _next(high.money)), high)


def _checked(found: Amounts, band: Ends, item: Item) -> Amounts:
    if band.from_ and band.below and band.from_.currency != band.below.currency:
        raise NotRead(Why.TWO_CURRENCIES, item.said)
    if band.from_ and band.below and band.from_.minor >= band.below.minor:
        raise NotRead(Why.LIMITS, item.said)
    return replace(found, band=band)


def _next(amount: Money) -> Money:
    return amount._replace(minor=amount.minor + 1)


def _one_currency(price: Price) -> None:
    parts = [part for part in (price.fixed, price.minimum, price.maximum) if part is not None]
    if len({part.currency for part in parts}) > 1:
        raise NotRead(Why.TWO_CURRENCIES, " ".join(str(part) for part in parts))


def _in_sequence(price: Price) -> None:
    if price.minimum and price.maximum and price.minimum.minor > price.maximum.minor:
        raise NotRead(Why.LIMITS, str(price.maximum))


def _free(items: Items, found: Amounts) -> Amounts:
    """A line that says that something is free."""
    if not items.take("free"):
        return found
    if found.anything or found.monthly is not None or found.band or found.price.minimum or found.price.maximum:
        raise NotRead(Why.UNCLEAR, "free")
    return replace(found, price=Price(percent=Decimal(0)))
