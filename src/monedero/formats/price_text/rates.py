"""The rates and extras that lines become, in the sequence in which they count.

A narrower price goes before a wider one. Two prices for the same orders cannot both be right: the second one is not
read. Where two are about some of the same orders and neither is the narrower one, that is told.

Source: own design; that a narrower price goes before a wider one is common practice, no source.

>>> Entry(1, "card", None, When(), Price()).covers(Entry(2, "card", ["start"], When(), Price()))
True
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Any, NamedTuple

from slugify import slugify

from monedero.core.money import Money
from monedero.core.ratecard.model import When
from monedero.formats.price_text.conditions import Places, apart, within
from monedero.formats.price_text.model import Price
from monedero.formats.price_text.unread import NotRead, Why


@dataclass(frozen=True, slots=True)
class Entry:
    """A price of a method (of an extra: None is every method) under plans, from a line; `where` its buyers are from."""

    line: int
    method: str | None
    plans: list[str] | None
    when: When
    price: Price
    label: str = ""
    where: Places = None
    first: bool = False

    def covers(self, other: "Entry") -> bool:
        """True if this one is the wider: about more orders, whichever plans both stand under; about the same orders,
        under more plans.
        """
        if self.method != other.method or not within(other.when, self.when, (other.where, self.where)):
            return False
        if not within(self.when, other.when, (self.where, other.where)):
            return self.meets(other)
        return self.plans != other.plans and self._plans_cover(other)

    def _plans_cover(self, other: "Entry") -> bool:
        if self.plans is None:
            return True
        return other.plans is not None and set(other.plans) <= set(self.plans)

    def meets(self, other: "Entry") -> bool:
        """True if some plan is of both."""
        return self.plans is None or other.plans is None or bool(set(self.plans) & set(other.plans))

    def same_orders(self, other: "Entry") -> bool:
        """True if both are about the same orders, exactly."""
        return (self.method, self.plans, self.when) == (other.method, other.plans, other.when)

    def crosses(self, other: "Entry") -> bool:
        """True if some orders are of both, without one being the wider, at different prices."""
        if self.method != other.method or not self.meets(other) or self.price == other.price:
            return False
        return not (
            apart(self.when, other.when, (self.where, other.where)) or self.covers(other) or other.covers(self)
        )

    def stands_before(self, other: "Entry") -> bool:
        """True if this one prices every order of the other on some plan of both, at another price."""
        if self.method != other.method or not self.meets(other) or self.price == other.price:
            return False
        return within(other.when, self.when, (other.where, self.where))

    @property
    def name(self) -> str:
        """Tells what the entry is called: its method, or its label, and what it is for."""
        when = self.when
        parts = [
            *(kind.value.removeprefix("consumer-") for kind in when.card_kind or ()),
            *(origin.value for origin in when.origin or ()),
            *(when.card_network or ()),
            *(code.lower() for code in (when.buyer_country or ())[:3]),
            *(code.lower() for code in when.currency or ()),
        ]
        return slugify("-".join([self.label or self.method or "extra", *parts]), max_length=50)

    def on_card(self, id: str) -> dict[str, Any]:
        """The entry as the format of rate cards has it."""
        price = self.price
        body: dict[str, Any] = {
            "id": id,
            "when": self.when.model_dump(mode="json", by_alias=True, exclude_none=True),
        }
        if self.label:
            body |= {"label": self.label} | ({"methods": [self.method]} if self.method else {})
        else:
            body["method"] = self.method
        if self.plans is not None:
            body["plans"] = self.plans
        if price.percent is not None:
            body["percent"] = f"{price.percent:f}"
        if price.graduated:
            body["graduated"] = [
                {"below": str(end) if end else None, "percent": f"{percent:f}"} for end, percent in price.graduated
            ]
        if price.adds:
            body["adds"] = list(price.adds)
        figures = (("fixed", price.fixed), ("minimum", price.minimum), ("maximum", price.maximum))
        return body | {name: str(figure) for name, figure in figures if figure is not None}


def add(entries: list[Entry], new: Entry) -> Entry:
    """Put an entry before the first one that is wider; gives back the one that stands for the line.

    Refuses another price for the same orders.
    """
    for place, entry in enumerate(entries):
        if entry.same_orders(new):
            if entry.price != new.price:
                raise NotRead(Why.ANOTHER_PRICE, line=entry.line)
            return entry
        if entry.covers(new):
            # An entry that is the same as the new one could only stand before this one. Narrower ones of a plan that
            # this one is not of may stand behind it; they go before the new one.
            behind = entries[place:]
            narrower = [other for other in behind if new.covers(other)]
            entries[place:] = [*narrower, new, *(other for other in behind if other not in narrower)]
            return new
    entries.append(new)
    return new


def without_ties(entries: list[Entry]) -> dict[int, Entry]:
    """Leave an amount at which one price ends and another one begins to the second one.

    Gives back the entries that stand for others now, by the identity of those.
    """
    instead: dict[int, Entry] = {}
    for place, entry in enumerate(entries):
        for name in ("amount", "monthly_volume"):
            band = getattr(entry.when, name)
            if band is None or band.below is None:
                continue
            end = band.below._replace(minor=band.below.minor - 1)
            if any(_begins(other, entry, name, end) for other in entries):
                when = entry.when.model_copy(update={name: band.model_copy(update={"below": end})})
                instead[id(entry)] = entries[place] = replace(entry, when=when)
    return instead


def _begins(other: Entry, entry: Entry, name: str, end: Money) -> bool:
    """True if a price is about the same orders but for its band, which begins at an amount."""
    band = getattr(other.when, name)
    if band is None or band.from_ != end or (other.method, other.label) != (entry.method, entry.label):
        return False
    return other.meets(entry) and _but(other.when, name) == _but(entry.when, name)


def _but(when: When, name: str) -> When:
    return when.model_copy(update={name: None})


def put_first(entries: list[Entry]) -> None:
    """Have every price of which the owner said so go before the first one that it crosses."""
    for entry in [entry for entry in entries if entry.first]:
        crossed = [place for place, other in enumerate(entries) if other.crosses(entry) and not other.first]
        place = entries.index(entry)
        if crossed and crossed[0] < place:
            entries.insert(crossed[0], entries.pop(place))


class Overlap(NamedTuple):
    """The line of a price that goes before another one; `asks` where neither is the narrower one."""

    line: int
    asks: bool


def crossing(entries: Iterable[Entry]) -> dict[int, Overlap]:
    """By line, the line of another price that goes before it for some of its orders."""
    found: dict[int, Overlap] = {}
    before: list[Entry] = []
    for entry in entries:
        for other in before:
            if other.line != entry.line and (other.crosses(entry) or other.stands_before(entry)):
                found.setdefault(entry.line, Overlap(other.line, other.crosses(entry)))
        before.append(entry)
    return found


def with_ids(entries: Iterable[Entry]) -> list[tuple[str, Entry]]:
    """Every entry with an id of its own."""
    taken: set[str] = set()
    named = []
    for entry in entries:
        base = entry.name or "rate"
        id, number = base, 1
        while id in taken:
            number += 1
            id = f"{base}-{number}"
        taken.add(id)
        named.append((id, entry))
    return named
