"""The fee of many orders on every route of a catalogue, in columns.

A column a route holds the exact fee in minor units of the shop's currency, as numerators over the row's `over`
times the catalogue's `percent_over`; null is not priced. The rules are those of `monedero.core.ratecard.pricing`,
and a test holds the two together.

Source: own design.

>>> from monedero.core.ratecard.catalogue import Catalogue
>>> from monedero.core.fx import ReferenceRates
>>> FeeColumns(Catalogue([], "PT", ReferenceRates(None)), "EUR", ReferenceRates(None)).routes
[]
>>> route_name("orlenta", "start", "card")
'orlenta/start/card'
>>> FeeColumns(None, "EUR", None)
Traceback (most recent call last):
...
AttributeError: 'NoneType' object has no attribute 'versions'
"""

from collections.abc import Callable, Iterable, Mapping, Sequence
from datetime import date, timedelta
from functools import reduce
from types import MappingProxyType
from typing import NamedTuple

import polars as pl

from monedero.core.columns.orders import WHOLE, OrderColumns
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import Band, Route
from monedero.core.ratecard.pricing import Candidates, CardPricer
from monedero.core.ratecard.scaled import ScaledEntry

LAST_DAY = date.max
NO_LIMITS: Mapping[str, pl.Expr] = MappingProxyType({})


def route_name(provider: str, plan: str, method: str) -> str:
    """The name of a route's column."""
    return f"{provider}/{plan}/{method}"


def name_of(route: Route) -> str:
    """The name of a route's column."""
    return route_name(route.provider, route.plan, route.method)


def _whole(value: int) -> pl.Expr:
    return pl.lit(value, dtype=WHOLE)


class Asking(NamedTuple):
    """How orders are to be priced.

    `volume` is what the account takes in a month. `details` may ask for two more columns a route: `returned`
    (`+returned`), what of the fee a refund brings back where it brings back the percentage, and `graduated`
    (`+graduated`), the fee where its rate is graduated. `carried` says by method which orders it can carry; others
    get no price, and a method that is not named carries all.
    """

    volume: Money | None = None
    details: frozenset[str] = frozenset()
    carried: Mapping[str, pl.Expr] = NO_LIMITS


PLAINLY = Asking()


class FeeColumns:
    """Prices orders in columns by the cards of a catalogue."""

    def __init__(self, catalogue: Catalogue, books: str, rates: ReferenceRates) -> None:
        """`books` is the shop's currency, to which every fee is brought."""
        self.versions = catalogue.versions
        cards = [pricer for held in self.versions for pricer in held]
        self.percent_over = max((pricer.percent_over for pricer in cards), default=1)
        self.currencies = {
            code for pricer in cards for code in (*pricer.currencies, *pricer.card.provider.settles_in)
        }
        self.books = books
        self.routes = list(dict.fromkeys(name_of(route) for pricer in cards for route in pricer.routes))
        self.largest = max((money.minor for pricer in cards for money in pricer.monies), default=0)
        self._rates = rates

    def orders(self, frame: pl.DataFrame, also: Iterable[str] = ()) -> OrderColumns:
        """Orders brought to the shop currency; refused where their figures are too long for 128 bits.

        `also` are currencies of volumes and limits that will be asked for, besides those of the cards.
        """
        currencies = self.currencies | {self.books, *also}
        held = OrderColumns(frame, self.books, self._rates, currencies)
        held.fits(self.percent_over, self.largest)
        return held

    def price(self, orders: OrderColumns, asking: Asking = PLAINLY) -> pl.DataFrame:
        """A row an order, a column a route."""
        priced = orders.frame.select("row")
        for held in self.versions:
            later = [*(pricer.card.valid_from for pricer in held[1:]), None]
            blocks = []
            for pricer, until in zip(held, later, strict=True):
                if pricer.open:
                    last = LAST_DAY if until is None else until - timedelta(days=1)
                    days = (pricer.card.valid_from or date.min, last)
                    blocks += self._by_card(pricer, days, orders, asking)
            if blocks:
                together = pl.concat(blocks, how="diagonal")
                priced = priced.join(together, on="row", how="left", maintain_order="left")
        missing = [name for name in self.routes if name not in priced.columns]
        return priced.with_columns(pl.lit(None, dtype=WHOLE).alias(name) for name in missing)

    def _by_card(
        self, pricer: CardPricer, days: tuple[date, date], orders: OrderColumns, asking: Asking
    ) -> list[pl.DataFrame]:
        """The orders of one card's days, cut into those that meet the same rates and extras."""
        alike: dict[tuple[str, tuple[Candidates, ...]], list[int]] = {}
        for number, known in orders.known.items():
            settlement, candidates = pricer.prepared(known)
            alike.setdefault((settlement, tuple(candidates)), []).append(number)
        frame = orders.frame.filter(pl.col("day").is_between(*days))
        blocks = []
        for (settlement, met), numbers in alike.items():
            block = frame if len(alike) == 1 else frame.filter(pl.col("known").is_in(numbers))
            if not block.is_empty():
                writer = _Writer(pricer, self.percent_over, asking, settlement)
                named = [column for entry in met for column in writer.route(entry)]
                blocks.append(block.select("row", *named))
        return blocks


class _Writer:
    """Writes the expressions of one card."""

    def __init__(self, pricer: CardPricer, percent_over: int, asking: Asking, settlement: str) -> None:
        self._scale = percent_over // pricer.percent_over
        self._over = percent_over
        self._volume, self._details, self._carried = asking
        self._settled = pl.col(f"fx:{settlement}").is_not_null()

    def route(self, entry: Candidates) -> list[pl.Expr]:
        """The columns of one route."""
        name = name_of(entry.route)
        fee = [(name, self._chain(entry, self._base, self._extra))]
        if "returned" in self._details:
            lesser = self._chain(
                entry,
                lambda rate: pl.min_horizontal(self._percentage(rate), self._base(rate)),
                self._percentage,
            )
            fee.append((f"{name}+returned", lesser))
        if "graduated" in self._details:
            steps = self._chain(
                entry,
                lambda rate: self._base(rate) if rate.graduated else _whole(0),
                lambda extra: _whole(0),
            )
            fee.append((f"{name}+graduated", steps))
        open_to = self._settled & self._carried.get(entry.route.method, pl.lit(True))
        return [pl.when(open_to).then(column).otherwise(None).alias(named) for named, column in fee]

    def _chain(
        self,
        entry: Candidates,
        of_rate: Callable[[ScaledEntry], pl.Expr],
        of_extra: Callable[[ScaledEntry], pl.Expr],
    ) -> pl.Expr:
        """The first rate whose bands hold, and every extra whose bands hold; null where a reference rate is missing."""
        nothing: pl.Expr = pl.lit(None, dtype=WHOLE)

        def before(later: pl.Expr, rate: ScaledEntry) -> pl.Expr:
            held = pl.when(self._holds(rate)).then(of_rate(rate)).otherwise(later)
            return pl.when(self._lacks(rate)).then(None).otherwise(held) if rate.currencies else held

        value = reduce(before, reversed(entry.rates), nothing)
        for extra in entry.extras:
            more = pl.when(self._holds(extra)).then(of_extra(extra)).otherwise(_whole(0))
            value = value + (pl.when(self._lacks(extra)).then(None).otherwise(more) if extra.currencies else more)
        return value

    def _lacks(self, entry: ScaledEntry) -> pl.Expr:
        return pl.any_horizontal(pl.col(f"fx:{code}").is_null() for code in sorted(entry.currencies))

    def _holds(self, entry: ScaledEntry) -> pl.Expr:
        return _within(entry.amount, pl.col("minor") * pl.col("own")) & self._at_volume(entry.volume)

    def _at_volume(self, band: Band | None) -> pl.Expr:
        if band is None:
            return pl.lit(True)
        if self._volume is None:
            return pl.lit(False)
        return _within(band, _money(self._volume)).fill_null(False)

    def _percent(self, entry: ScaledEntry) -> pl.Expr:
        """The percentage, over the catalogue's `percent_over`; of a graduated rate, at the band that is reached."""
        if not entry.graduated:
            return _whole(entry.percent * self._scale)
        reached = _whole(entry.graduated[-1][1] * self._scale)
        for below, percent in reversed(entry.graduated[:-1]):
            under = self._under(below)
            reached = pl.when(under).then(_whole(percent * self._scale)).otherwise(reached)
        return reached

    def _under(self, below: Money | None) -> pl.Expr:
        if self._volume is None or below is None:
            return pl.lit(True)
        return (_money(self._volume) < _money(below)).fill_null(True)

    def _percentage(self, entry: ScaledEntry) -> pl.Expr:
        return pl.col("minor") * pl.col("own") * self._percent(entry)

    def _fixed(self, money: Money | None) -> pl.Expr:
        return _whole(0) if money is None else _money(money) * self._over

    def _base(self, rate: ScaledEntry) -> pl.Expr:
        base = self._percentage(rate) + self._fixed(rate.fixed)
        if rate.minimum:
            base = pl.max_horizontal(base, self._fixed(rate.minimum))
        if rate.maximum:
            base = pl.min_horizontal(base, self._fixed(rate.maximum))
        return base

    def _extra(self, extra: ScaledEntry) -> pl.Expr:
        return self._percentage(extra) + self._fixed(extra.fixed)


def _money(money: Money) -> pl.Expr:
    """Minor units of the shop's currency, over the row's `over`."""
    return pl.col(f"fx:{money.currency}") * _whole(money.minor)


def _within(band: Band | None, value: pl.Expr) -> pl.Expr:
    """Whether a value lies in a band; an end without a reference rate lets nothing in."""
    held = pl.lit(True)
    if band and band.from_:
        held = held & (value >= _money(band.from_))
    if band and band.below:
        held = held & (value < _money(band.below))
    return held


def charged(
    orders: OrderColumns, fees: pl.DataFrame, route: str, settlement: str, percent_over: int
) -> Sequence[int | None]:
    """The fees of one route as money charged, in minor units of its settlement currency, rounded once, half up."""
    against = pl.col(f"fx:{settlement}") * _whole(percent_over)
    rounded = (2 * pl.col(route) + against) // (2 * against)
    return orders.frame.join(fees, on="row").select(rounded.alias("charged"))["charged"].to_list()
