"""Tells what orders meet: the cards of a day, on each the lines that fit what is known of them, and what brings
amounts.

What is the same for many orders is found out once. It goes into the tables of `fee_text`, and is told by numbers.
"""

from collections.abc import Hashable
from datetime import date
from math import lcm
from typing import NamedTuple

from monedero.core.columns.straight import BRINGINGS, fits
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import minor_digits
from monedero.core.order.model import Known, Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import Route
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.straight import FeeLine, lines_of
from monedero.core.ratecard.volume import Reached, Takings
from monedero.core.reasons import Reason, ReasonCode
from monedero.work.compare.fee_text import NO_CURRENCIES, ONE_TO_ONE, Bringing, Currencies, Tables, Way


class MetCard(NamedTuple):
    """A card as some orders meet it: its number in the tables, its currencies, and the ways that are told exactly."""

    pricer: CardPricer
    number: int
    currencies: Currencies
    exact: tuple[int, ...]


class Meeting(NamedTuple):
    """Holds what orders meet of which as much is known: a group of cards, their currencies, and whether some of their
    ways are told exactly.
    """

    group: int
    cards: tuple[MetCard, ...]
    currencies: tuple[Currencies, ...]
    exact: bool


# A card on a day, whether it does not hold yet, and what the month's volume reaches of its bands.
CardOnDay = tuple[CardPricer, bool, Reached | None]


class Day(NamedTuple):
    """A day as orders in one currency meet it: its cards with their number, the number of what brings amounts then,
    where amounts and figures are brought to (False: there is no way there), and the currencies of meetings for which
    every way is there."""

    day: date
    currency: str
    number: int
    cards: tuple[CardOnDay, ...]
    bringing: int
    there: dict[Currencies, bool]
    plain: set[tuple[Currencies, ...]]


class Meetings:
    """Holds what orders were found to meet so far, with the tables for it."""

    def __init__(self, catalogue: Catalogue, rates: ReferenceRates, takings: Takings) -> None:
        self._catalogue, self._rates, self._takings = catalogue, rates, takings
        self.tables = Tables()
        self.nothing = self.tables.group(())
        """The group of orders that meet no card in columns."""
        self._on_day: dict[tuple[date, str], tuple[int, tuple[CardOnDay, ...]]] = {}
        self._numbers: dict[tuple[CardOnDay, ...], int] = {}
        self._cards: dict[Hashable, MetCard] = {}
        self._met: dict[tuple[Known, int], Meeting] = {}

    def day(self, order: Order) -> Day:
        """The day of an order as orders in its currency meet it."""
        day, currency = order.placed_on, order.amount.currency
        # The bands that a volume reaches may depend on the currency of an order; without one a day's cards are the same
        # for all.
        key = (day, "" if self._takings.every is None else currency)
        if key not in self._on_day:
            pricers = self._catalogue.pricers(day)
            cards = tuple((pricer, _early(pricer, day), self._reached(pricer, order)) for pricer in pricers)
            self._on_day[key] = self._numbers.setdefault(cards, len(self._numbers)), cards
        return Day(day, currency, *self._on_day[key], self.tables.bringing(), {}, set())

    def _reached(self, pricer: CardPricer, order: Order) -> Reached | None:
        if self._takings.every is None:
            return None
        terms = pricer.terms(order, self._takings)
        return None if isinstance(terms, Reason) else next(iter(terms.reached.values()), None)

    def meeting(self, known: Known, day: Day) -> Meeting:
        """Tells what orders meet on a day of which so much is known."""
        key = (known, day.number)
        if key not in self._met:
            self._met[key] = self._meeting(known, day)
        return self._met[key]

    def _meeting(self, known: Known, day: Day) -> Meeting:
        told = tuple(self._card(known, *card) for card in day.cards)
        return Meeting(
            self.tables.group(tuple(card.number for card in told)),
            told,
            tuple(dict.fromkeys(card.currencies for card in told if card.currencies != NO_CURRENCIES)),
            any(card.exact for card in told),
        )

    def missing(self, met: Meeting, day: Day) -> list[Currencies]:
        """Tells where nothing brings amounts and figures that orders need on a day; what does goes into the tables."""
        for currencies in met.currencies:
            if currencies not in day.there:
                by = self._brings(day, *currencies)
                day.there[currencies] = by is not None
                if by is not None:
                    self.tables.brings(day.bringing, currencies, by)
        return [currencies for currencies in met.currencies if not day.there[currencies]]

    def _card(self, known: Known, pricer: CardPricer, early: bool, reached: Reached | None) -> MetCard:
        """A card as orders meet it of which so much is known; the same one for all that meet the same entries."""
        if early or not pricer.open:
            code = ReasonCode.CARD_NOT_VALID_YET if early else ReasonCode.SHOP_COUNTRY
            key: Hashable = (pricer, code)
            if key not in self._cards:
                texts = [not_priced(route, code) for route in pricer.routes]
                self._cards[key] = MetCard(pricer, self.tables.shut(texts), NO_CURRENCIES, ())
            return self._cards[key]
        settlement, candidates = pricer.prepared(known)
        key = (pricer, settlement, reached, candidates)
        if key not in self._cards:
            found = [
                (entry.route, lines_of(entry, settlement, pricer.percent_over, reached)) for entry in candidates
            ]
            self._cards[key] = self._told(pricer, settlement, found)
        return self._cards[key]

    def _told(
        self, pricer: CardPricer, settlement: str, found: list[tuple[Route, list[FeeLine] | None]]
    ) -> MetCard:
        # One currency brings all figures of a card; a route with figures in another one is asked of the core.
        named = (line.currency for _, lines in found for line in lines or [] if not line.bare)
        figures = next(named, settlement)
        ways: list[Way | None] = []
        for route, lines in found:
            if lines is None or not all((line.bare or line.currency == figures) and fits(line) for line in lines):
                ways.append(None)
                continue
            begins = f",{route.provider},{route.plan},{route.method},priced,"
            told = [(f"{begins}{line.rate},", line) for line in lines]
            ways.append(Way(told, not_priced(route, ReasonCode.NO_RATE_FITS)))
        number = self.tables.card(ways, settlement, figures, minor_digits(settlement))
        exact = tuple(place for place, way in enumerate(ways) if way is None)
        return MetCard(pricer, number, (settlement, figures), exact)

    def _brings(self, day: Day, settlement: str, figures: str) -> Bringing | None:
        """Tells what brings an amount and a card's figures to its settlement currency.

        None without a reference rate, or where columns cannot hold it.
        """
        if day.currency == settlement == figures:
            return ONE_TO_ONE
        try:
            amount = self._rates.per_minor(day.currency, settlement, day.day)
            figure = self._rates.per_minor(figures, settlement, day.day)
        except NoReferenceRate:
            return None
        below = lcm(amount.denominator, figure.denominator)
        found = int(amount * below), int(figure * below), below
        return found if max(found) < BRINGINGS else None


def _early(pricer: CardPricer, day: date) -> bool:
    """True if a card does not hold yet on a day."""
    starts = pricer.card.valid_from
    return starts is not None and starts > day


def not_priced(route: Route, code: ReasonCode) -> str:
    """Tells what stands after the order in the line of a route without a price."""
    return f",{route.provider},{route.plan},{route.method},not-priced,,,,{code.value}"
