"""A price whose percentage falls with the month, each part of it at its own percentage.

Source: own design.

>>> line = "1.4 % up to 2000 EUR a month, 1.1 % up to 10000 EUR, 0.9 % above 10000 EUR, graduated"
>>> [str(percent) for _, percent in graduated(Items(line, "EUR", {}))]
['1.4', '1.1', '0.9']
"""

from decimal import Decimal

from monedero.core.money import Money
from monedero.formats.price_text.item import Item
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.unread import NotRead, Why

HIGH, LOW = ("up-to", "below"), ("over", "from")


def graduated(items: Items) -> tuple[tuple[Money | None, Decimal], ...]:
    """The percentages of a line that says that each part has its own, with their ends; nothing for another line."""
    if not items.take("in-parts"):
        return ()
    percents = [item for item in items.all if item.name == "percent"]
    ends = [_end(items, place) for place, item in enumerate(items.all) if item.name in HIGH]
    starts = [
        _end(items, place) for place, item in enumerate(items.all) if item.name in LOW and _amount(items, place)
    ]
    if len(percents) != len(ends) + 1 or any(start.money != ends[-1].money for start in starts):
        raise NotRead(Why.WHICH_BAND, percents[-1].said if percents else "")
    items.take(*HIGH, *LOW, "per-month", "volume")
    for item in (*percents, *ends, *starts):
        item.taken = True
    return tuple(zip([*(end.money for end in ends), None], [item.number for item in percents], strict=True))


def _amount(items: Items, place: int) -> bool:
    return place + 1 < len(items.all) and items.all[place + 1].name == "money"


def _end(items: Items, place: int) -> Item:
    if not _amount(items, place):
        raise NotRead(Why.WHICH_BAND, items.all[place].said)
    return items.all[place + 1]
