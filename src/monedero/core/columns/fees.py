"""The fee of many orders on every route of a catalogue, in columns.

A column a route holds the exact fee in minor units of the order's own currency, as numerators over the pair's `over`
times the catalogue's `percent_over`; null is not priced. The rules are those of `monedero.core.ratecard.pricing`,
and a test holds the two together.

Source: own design.

>>> from monedero.core.ratecard.catalogue import Catalogue
>>> from monedero.core.fx import ReferenceRates
>>> FeeColumns(Catalogue([], "PT", ReferenceRates(None)), "EUR", ReferenceRates(None)).routes
[]
>>> route_name("orlenta", "start", "card")
'orlenta/start/card'
"""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date, timedelta
from types import MappingProxyType
from typing import NamedTuple

import polars as pl

from monedero.core.columns.expressions import Writer
from monedero.core.columns.orders import WHOLE, OrderColumns, Size
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.model import Known
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import Extra, Rate, Route
from monedero.core.ratecard.pricing import Candidates, CardPricer
from monedero.core.ratecard.scaled import scale_entry
from monedero.core.ratecard.volume import Reached, Volume, reached_by

LAST_DAY = date.max
EVERY_ORDER: Mapping[str, pl.Expr] = MappingProxyType({})


def route_name(provider: str, plan: str, method: str) -> str:
    """The name of a route's column."""
    return f"{provider}/{plan}/{method}"


def name_of(route: Route) -> str:
    """The name of a route's column."""
    return route_name(route.provider, route.plan, route.method)


class PricingTask(NamedTuple):
    """How the orders of some days are to be priced by a card.

    `reached` is what the account's volume reaches of the card's bands (None: not known). `returned` asks for a column
    more a route (`+returned`): what of the fee a refund brings back where it brings back the percentage. `carried`
    says by method which orders it can carry; others get no price, and a method that is not named carries all.
    `only_stands` puts nothing in the place of a fee, where it is asked only whether there is one.
    """

    reached: Reached | None = None
    returned: bool = False
    carried: Mapping[str, pl.Expr] = EVERY_ORDER
    only_stands: bool = False


class FeeColumns:
    """Prices orders in columns by the cards of a catalogue."""

    def __init__(self, catalogue: Catalogue, books: str, rates: ReferenceRates) -> None:
        """`books` is the shop's currency."""
        self.versions = catalogue.versions
        cards = [pricer for versions in self.versions for pricer in versions]
        self.percent_over = max((pricer.percent_over for pricer in cards), default=1)
        self.books = books
        self.routes = list(dict.fromkeys(name_of(route) for pricer in cards for route in pricer.routes))
        # In steps of eight bits, so that an edit of a price seldom changes how orders are held.
        bits = max((self._times(pricer) for pricer in cards), default=1).bit_length()
        times = 1 << 8 * -(-bits // 8)
        largest = max((money.minor for pricer in cards for money in pricer.amounts), default=0)
        self.size = Size(times, largest)
        self.rates = rates
        self._pricers = cards

    @property
    def foreign(self) -> list[Rate | Extra]:
        """The rates and extras with figures in another currency than the shop's: they decide how orders are held."""
        found: list[Rate | Extra] = []
        for pricer in self._pricers:
            entries: list[Rate | Extra] = [*pricer.card.rates, *pricer.card.extras]
            scaled = ((entry, scale_entry(entry, pricer.percent_over)) for entry in entries)
            found += [
                entry for entry, figures in scaled if any(end.currency != self.books for end in figures.amounts)
            ]
        return found

    def _times(self, pricer: CardPricer) -> int:
        """The most that a fee of a card can be of the largest figure in it: all its percentages and fixed amounts."""
        return pricer.most * (self.percent_over // pricer.percent_over)

    def orders(self, frame: pl.DataFrame, limits: Iterable[Money] = (), weight_over: int = 1) -> OrderColumns:
        """Orders as columns; `limits` are figures that their amounts will be compared with, besides the cards'."""
        ends = list(limits)
        largest = max([self.size.largest, *(end.minor for end in ends)])
        compared = {self.books, *(end.currency for end in ends)}
        return OrderColumns(
            frame,
            self.books,
            self.rates,
            lambda known: compared | self.figures_of(known),
            Size(self.size.times, largest, weight_over),
        )

    def figures_of(self, known: Known) -> set[str]:
        """The currencies of the figures that such an order may meet on the cards."""
        met = (entry for pricer in self._pricers for entry in pricer.prepared(known)[1])
        return {
            money.currency for route in met for entry in (*route.rates, *route.extras) for money in entry.amounts
        }

    def price(self, orders: OrderColumns, volume: Volume | None = None, returned: bool = False) -> pl.DataFrame:
        """A row an order, a column a route, each by the card in force on its day; `volume` is what an account takes."""
        priced = orders.frame.select("row")
        for versions in self.versions:
            later = [*(pricer.card.valid_from for pricer in versions[1:]), None]
            blocks = []
            for pricer, until in zip(versions, later, strict=True):
                last = LAST_DAY if until is None else until - timedelta(days=1)
                of_days = pl.col("day").is_between(pricer.card.valid_from or date.min, last)
                for days, reached in self._days(pricer, orders, volume):
                    frame = orders.frame.filter(of_days & pl.col("day").is_in(days))
                    blocks += self.by_card(pricer, orders, frame, PricingTask(reached, returned))
            if blocks:
                together = pl.concat(blocks, how="diagonal")
                priced = priced.join(together, on="row", how="left", maintain_order="left")
        missing = [name for name in self.routes if name not in priced.columns]
        return priced.with_columns(pl.lit(None, dtype=WHOLE).alias(name) for name in missing)

    def _days(
        self, pricer: CardPricer, orders: OrderColumns, volume: Volume | None
    ) -> Iterator[tuple[list[date], Reached | None]]:
        """The days of the orders, together where a volume reaches the same ends of the card's bands."""
        together: dict[Reached | None, list[date]] = {}
        for day in sorted({pair.day for pair in orders.pairs}):
            reached = None if volume is None else self._reached(pricer, volume, day)
            together.setdefault(reached, []).append(day)
        return ((days, reached) for reached, days in together.items())

    def _reached(self, pricer: CardPricer, volume: Volume, day: date) -> Reached:
        ends = pricer.ends_in(self.books, day)
        amount = pricer.brought(volume, self.books, day)
        return (
            Reached(frozenset(), frozenset(), frozenset(ends))
            if amount is None
            else reached_by(ends, amount, amount)
        )

    def by_card(
        self, pricer: CardPricer, orders: OrderColumns, frame: pl.DataFrame, asking: PricingTask
    ) -> list[pl.DataFrame]:
        """Some rows of the orders priced by a card, cut into those that meet the same rates and extras."""
        alike: dict[tuple[str, tuple[Candidates, ...]], list[int]] = {}
        for number, known in orders.known.items() if pricer.open else ():
            alike.setdefault(pricer.prepared(known), []).append(number)
        blocks = []
        for (settlement, met), numbers in alike.items():
            block = frame if len(alike) == 1 else frame.filter(pl.col("known").is_in(numbers))
            if not block.is_empty():
                writer = Writer(
                    orders, self.percent_over // pricer.percent_over, self.percent_over, asking.reached
                )
                unsettled = orders.without_rate([settlement])
                named = [column for entry in met for column in _columns(writer, entry, unsettled, asking)]
                blocks.append(block.select("row", *named))
        return blocks


def _columns(
    writer: Writer, entry: Candidates, unsettled: pl.Expr | None, asking: PricingTask
) -> Iterator[pl.Expr]:
    """The columns of one route: its fee, and what of it may come back."""
    name = name_of(entry.route)
    open_to = asking.carried.get(entry.route.method, pl.lit(True))
    if unsettled is not None:
        open_to = open_to & ~unsettled
    fee = writer.stands(entry) if asking.only_stands else writer.fee(entry)
    yield pl.when(open_to).then(fee).otherwise(None).alias(name)
    if asking.returned:
        yield pl.when(open_to).then(writer.returned(entry)).otherwise(None).alias(f"{name}+returned")
