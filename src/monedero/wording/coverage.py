"""Tells what coverage found, in words: which orders a box holds, what ends a finding, what a change moves.

Source: own design.

>>> share_text(Share(Fraction(3), True)), share_text(Share(Fraction(1), False)), share_text(Share(Fraction(0), True))
('3 orders a month', 'up to 1 order a month', 'no order of your month')
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from fractions import Fraction
from typing import NamedTuple

from monedero.core.checkout.coverage.boxes import Box
from monedero.core.checkout.coverage.possible import bits_of
from monedero.core.checkout.coverage.reach import Region
from monedero.core.checkout.coverage.share import Share
from monedero.core.checkout.coverage.space import Space
from monedero.core.money import Money
from monedero.wording.catalogue import say
from monedero.wording.condition_reasons import value_text
from monedero.wording.places import country_name
from monedero.wording.show import all_of, any_of, exact, money

MOST_NAMED = 3


class Told(NamedTuple):
    """A sentence in two parts: who or what it is about, and what is said of that."""

    lead: str
    text: str


class Described(NamedTuple):
    """The orders of a box: where buyers are, what they order, and what else is told of them, with a space before."""

    where: str
    what: str
    more: str

    @property
    def fields(self) -> dict[str, str | int]:
        """Its parts, as a message takes them."""
        return dict(self._asdict())


def described(region: Region, box: Box, names: Mapping[str, str]) -> Described:
    """The orders of a box in words; what a box holds all of is left out. `names` are as for reasons."""
    more = (*_inside(region, box, names), *_how(region, box, names), *_who(region, box, names))
    amount = amounts_text(region, box.first, box.last)
    told = "".join(f" {phrase}" for phrase in (*more, amount) if phrase)
    return Described(_where(region, box), _what(region, box, names), told)


def place_text(told: Described) -> str:
    """The orders of a box in one phrase: `the Star chart in Portugal above 50.00 EUR`."""
    return f"{told.what} {told.where}{told.more}"


def share_text(share: Share) -> str:
    """How many orders of a month they are."""
    if not share.orders:
        return say("found-share-none")
    exactly, one = ("yes" if value else "no" for value in (share.exactly, share.orders == 1))
    return say("found-share", orders=exact(share.orders, 2), exactly=exactly, one=one)


def amounts_text(region: Region, first: int, last: int) -> str:
    """The amounts from one stretch to another; nothing where that is every amount."""
    begins, currency = region.begins, region.currency
    start = money(str(Money(begins[first], currency)))
    if last + 1 == len(begins):
        return say("covers-above", amount=money(str(Money(begins[first] - 1, currency)))) if first else ""
    end = money(str(Money(begins[last + 1] - 1, currency)))
    return say("covers-between", first=start, last=end) if first else say("covers-up-to", amount=end)


def _where(region: Region, box: Box) -> str:
    space = region.space
    markets = [space.markets[region.markets[at]] for at in bits_of(box.markets)]
    if len(markets) == len(space.markets) > 1:
        return say("covers-anywhere")
    countries = list(dict.fromkeys(market.country for market in markets))
    names = [country_in(country) for country in countries]
    told = few(names, "covers-more-countries")
    others = {market.country for market in space.markets if market.currency != region.currency}
    if others.intersection(countries):
        told = say("covers-paying", places=told, currency=region.currency)
    return say("covers-in", places=told)


def few(
    names: Sequence[str], more: str = "covers-more-lines", joined: Callable[[Iterable[str]], str] = all_of
) -> str:
    """Names of which all are meant; of many the first ones, and by the message `more` how many others there are.

    >>> few(["A", "B"]), few(["A", "B", "C", "D", "E"])
    ('A and B', 'A, B, C and 2 more')
    """
    if len(names) > MOST_NAMED + 1:
        return say(more, named=", ".join(names[:MOST_NAMED]), count=len(names) - MOST_NAMED)
    return joined(names)


def country_in(code: str) -> str:
    """The name of a country as it reads after *in*.

    >>> country_in("US"), country_in("PT")
    ('the United States', 'Portugal')
    """
    return say("covers-country", code=code, name=country_name(code))


def _line(line: str, names: Mapping[str, str]) -> str:
    """The name of a line; one that reads like several stands in quotation marks."""
    name = names.get(f"line/{line}", line)
    return say("covers-quoted", name=name) if "," in name or " and " in name or " or " in name else name


def _inside(region: Region, box: Box, names: Mapping[str, str]) -> Iterator[str]:
    space = region.space
    markets = {region.markets[at] for at in bits_of(box.markets)}
    there = {area for market, area in space.postcodes if market in markets}
    held = [area for area in bits_of(box.areas) if area in there]
    if there <= set(held):
        return
    some = [space.areas[area] for area in held]
    inside = any_of(dict.fromkeys(names.get(f"area/{id}", id) for ids in some for id in ids))
    phrases = [say("covers-in-no-area")] if () in some else []
    if inside:
        phrases.append(say("covers-in-area", areas=inside))
    yield say("covers-inside", areas=any_of(phrases))


def _what(region: Region, box: Box, names: Mapping[str, str]) -> str:
    space, every = region.space, region.possible.carts(box.deliveries)
    carts = space.carts
    if not every & ~box.carts:
        return say("covers-anything")
    held = [carts[at].classes for at in bits_of(box.carts & every)]
    alone = {some[0] for some in held if len(some) == 1}
    told = [_line(line, names) for place in sorted(alone) for line in space.classes[place]]
    if len(told) > MOST_NAMED + 1:
        told = [few(told)]
    pairs = [carts[at].classes for at in bits_of(every) if len(carts[at].classes) > 1]
    beside = [pair for pair in pairs if set(pair) & alone]
    if alone and beside and not set(beside) & set(held):
        told = [say("covers-alone", lines=any_of(told))]
    for pair in held:
        if len(pair) > 1 and not set(pair) & alone:
            told.append(together(space, pair, names))
    return any_of(told[: MOST_NAMED + 1])


def together(space: Space, classes: Sequence[int], names: Mapping[str, str]) -> str:
    """The lines of a cart, each with those that can stand in its place."""
    if len(classes) == 1 and len(lines := space.classes[classes[0]]) == 1:
        return names.get(f"line/{lines[0]}", lines[0])
    each = [few([_line(line, names) for line in space.classes[place]], joined=any_of) for place in classes]
    if len(each) == 1:
        return each[0]
    if len(set(classes)) == 1:
        lines = space.classes[classes[0]]
        both = all_of([_line(line, names) for line in lines])
        return both if len(lines) == 2 else say("covers-two-of", lines=each[0])
    return say("covers-together", one=each[0], other=each[1])


def _how(region: Region, box: Box, names: Mapping[str, str]) -> Iterator[str]:
    can = [way for way, carts in enumerate(region.possible.carts_by) if carts & box.carts]
    held = [way for way in can if box.deliveries >> way & 1]
    if held != can:
        yield any_of(value_text("delivery", region.space.deliveries[way], names) for way in held)


def _who(region: Region, box: Box, names: Mapping[str, str]) -> Iterator[str]:
    space = region.space
    groups = [group for at in bits_of(box.groups) if (group := space.groups[at]) is not None]
    if groups and len(groups) < len(space.groups):
        yield say("covers-group", groups=any_of(value_text("customer-group", group, names) for group in groups))
    devices = [space.devices[at] for at in bits_of(box.devices)]
    if len(devices) < len(space.devices):
        yield any_of(value_text("device", device.value, names) for device in devices)
    if box.signed_in.bit_count() < len(space.signed_in):
        yield say("covers-signed-in" if space.signed_in[next(bits_of(box.signed_in))] else "covers-guest")


class MovedOrders(NamedTuple):
    """Holds what a tender, by its name, gains or loses: the places of most orders, how many more there are, the
    orders.
    """

    name: str
    gains: bool
    places: Sequence[Described]
    more: int
    share: Share | None


def moved_orders_text(moved: MovedOrders) -> str:
    """Tells what a tender gains or loses, in a sentence."""
    places = any_of(place_text(place) for place in moved.places)
    if moved.more:
        places = say("move-more-places", places=places, count=moved.more)
    share = say("move-share", orders=share_text(moved.share)) if moved.share is not None else ""
    return say("move-gains" if moved.gains else "move-loses", name=moved.name, places=places, share=share)


def new_dead_end_text(place: Described) -> str:
    """Tells where nobody can pay any more."""
    return say("move-new-dead-end", **place.fields)


def cell_text(least: int, most: int, only: str) -> str:
    """How many ways to pay there are.

    >>> cell_text(0, 0, ""), cell_text(1, 1, "Cash"), cell_text(2, 2, ""), cell_text(2, 4, ""), cell_text(0, 3, "")
    ('nobody can pay', 'only Cash', '2 ways to pay', '2 to 4 ways to pay', 'from nobody to 3 ways to pay')
    """
    if not most:
        return say("cell-nobody")
    if not least:
        return say("cell-some-nobody", most=most)
    if only:
        return say("cell-one", name=only)
    return say("cell-ways", least=least) if least == most else say("cell-between", least=least, most=most)


def shut_text(codes: Iterable[str], conditions: Mapping[str, Sequence[str]]) -> str:
    """Why nothing reaches a tender: what each code is about; `conditions` are its own in phrases, by their fact."""
    told: dict[str, None] = {}
    for code in codes:
        plain = code.removesuffix("-unknown")
        if plain.startswith("condition-"):
            phrases = conditions.get(plain.removeprefix("condition-"), [])
            told |= dict.fromkeys(say("shut-condition", condition=phrase) for phrase in phrases)
        else:
            told[say(f"shut-{plain.removesuffix('-under').removesuffix('-over')}")] = None
    return all_of(told)


def cost_text(orders: Fraction, cost: Fraction | None, books: str, *, beside: bool) -> str:
    """Tells what a fix costs over a month, where some orders are paid so; `beside`: against the way that they have now.

    >>> cost_text(Fraction(3), Fraction(2), "EUR", beside=False)
    '2.00 EUR a month for 3 orders'
    >>> cost_text(Fraction(3), Fraction(-2), "EUR", beside=True)
    '2.00 EUR less a month, if 3 orders are paid so'
    """
    if not orders:
        return ""
    if cost is None:
        return say("fix-cost-unknown")
    rounded = Money.rounded(cost, books)
    name = "fix-costs" if not beside else "fix-saves" if rounded.minor < 0 else "fix-costs-more"
    amount = money(str(Money(abs(rounded.minor), books)))
    return say(name, amount=amount, orders=exact(orders, 2), one="yes" if orders == 1 else "no")
