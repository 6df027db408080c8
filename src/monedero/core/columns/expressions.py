"""The fee of a route as an expression over columns: the first rate whose bands hold, and every extra whose do.

Figures are in minor units of the order's own currency, over the pair's `over`; fees over `percent_over` times that.
What the month's volume reaches is known before, so that only the bands of the order's amount are left to compare.

Source: own design; the rules are those of `monedero.core.ratecard.pricing`.

>>> str(_money(Money.parse("0.25 EUR")))
'[(col("fx:EUR")) * (25)]'
"""

from collections.abc import Callable
from functools import reduce

import polars as pl

from monedero.core.columns.orders import WHOLE, OrderColumns
from monedero.core.money import Money
from monedero.core.ratecard.model import Band
from monedero.core.ratecard.pricing import Candidates
from monedero.core.ratecard.scaled import ScaledEntry, percent_at, volume_holds
from monedero.core.ratecard.volume import Reached

NOTHING: pl.Expr = pl.lit(0, dtype=WHOLE)
NO_PRICE: pl.Expr = pl.lit(None, dtype=WHOLE)
ALWAYS: pl.Expr = pl.lit(True)


def _whole(value: int) -> pl.Expr:
    return pl.lit(value, dtype=WHOLE)


class Writer:
    """Writes the expressions of one card's routes."""

    def __init__(self, orders: OrderColumns, scale: int, percent_over: int, reached: Reached | None) -> None:
        """`scale` brings the card's percentages over the catalogue's `percent_over`."""
        self._orders = orders
        self._scale = scale
        self._over = percent_over
        self._reached = reached

    def fee(self, entry: Candidates) -> pl.Expr:
        """The fee of a route."""
        return self._chain(entry, self._base, self._priced)

    def returned(self, entry: Candidates) -> pl.Expr:
        """Tells what of the fee is percentage: the lesser of the rate's percentage and its base, and that of extras."""
        return self._chain(
            entry, lambda rate: pl.min_horizontal(self._percentage(rate), self._base(rate)), self._percentage
        )

    def stands(self, entry: Candidates) -> pl.Expr:
        """Nothing where the route has a fee, null where it has none: the fee without its figures."""
        return self._chain(entry, lambda rate: NOTHING, lambda extra: NOTHING)

    def _chain(
        self,
        entry: Candidates,
        of_rate: Callable[[ScaledEntry], pl.Expr],
        of_extra: Callable[[ScaledEntry], pl.Expr],
    ) -> pl.Expr:
        """The first rate that stands and every extra that does; null where a missing rate leaves that open."""

        def before(later: pl.Expr, rate: ScaledEntry) -> pl.Expr:
            return self._where_it_stands(rate, of_rate(rate), later)

        value = reduce(before, reversed(entry.rates), NO_PRICE)
        for extra in entry.extras:
            value = value + self._where_it_stands(extra, of_extra(extra), NOTHING)
        return value

    def _where_it_stands(self, entry: ScaledEntry, value: pl.Expr, otherwise: pl.Expr) -> pl.Expr:
        """A value where the entry's bands hold, another where they do not, null where that is left open."""
        volume = volume_holds(entry.volume, self._reached)
        if volume is False:
            return otherwise
        if volume is None or self._graduated_is_open(entry):
            value = NO_PRICE
        lacking = self._orders.without_rate({money.currency for money in entry.figures})
        if lacking is not None:
            value = pl.when(lacking).then(None).otherwise(value)
        if entry.amount is None:
            return value
        ends = {end.currency for end in (entry.amount.from_, entry.amount.below) if end}
        unknown = self._orders.without_rate(ends)
        value = pl.when(_within(entry.amount)).then(value).otherwise(otherwise)
        return value if unknown is None else pl.when(unknown).then(None).otherwise(value)

    def _graduated_is_open(self, entry: ScaledEntry) -> bool:
        reached = self._reached
        return reached is not None and any(below in reached.unknown for below, _ in entry.graduated)

    def _percentage(self, entry: ScaledEntry) -> pl.Expr:
        percent = percent_at(entry, self._reached) if entry.graduated else entry.percent
        return pl.col("minor") * pl.col("over") * _whole(percent * self._scale) if percent else NOTHING

    def _fixed(self, money: Money | None) -> pl.Expr:
        return _money(money) * _whole(self._over) if money else NOTHING

    def _base(self, rate: ScaledEntry) -> pl.Expr:
        base = self._priced(rate)
        if rate.minimum:
            base = pl.max_horizontal(base, self._fixed(rate.minimum))
        if rate.maximum:
            base = pl.min_horizontal(base, self._fixed(rate.maximum))
        return base

    def _priced(self, entry: ScaledEntry) -> pl.Expr:
        return self._percentage(entry) + self._fixed(entry.fixed)


def _money(money: Money) -> pl.Expr:
    """Minor units of the order's currency, over the pair's `over`."""
    return pl.col(f"fx:{money.currency}") * _whole(money.minor)


def _within(band: Band) -> pl.Expr:
    """True if the amount lies in a band."""
    within, amount = ALWAYS, pl.col("minor") * pl.col("over")
    if band.from_:
        within = within & (amount >= _money(band.from_))
    if band.below:
        within = within & (amount < _money(band.below))
    return within
