"""Many orders as columns: what is known of each, and what brings figures of a card to the order's own currency.

Orders of one currency and day are a *pair*: they meet the same reference rates. Fees are counted in minor units of the
order's own currency, over the pair's `over`: `fx:EUR` and its like bring minor units of a currency there, whole over
`over`; null where there is no reference rate, or no such order meets a figure in that currency. What a pair's numbers
are worth in the shop's currency stands in the pair alone, as a fraction, since it is needed for sums only.

An order whose own currency has no rate to the shop's, or of nothing, has no price and is left out. Orders of a pair
whose figures could leave 128 bits are the `long` ones: they are priced one by one by the exact core.

Source: own design.

>>> from monedero.core.fx import ReferenceRates
>>> frame = pl.DataFrame({"minor": [8500], "currency": ["EUR"], "day": [date(2026, 1, 5)], "country": ["ES"]})
>>> held = OrderColumns(frame, "EUR", ReferenceRates(None), lambda known: {"EUR"})
>>> held.frame.select("minor", "fx:EUR", "over", "weight").row(0), held.pairs[0].value
((8500, 1, 1, 1), Fraction(1, 100))
>>> OrderColumns(frame, "EUR", ReferenceRates(None), lambda known: {"ABC"})
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: currency-unknown ='ABC'
"""

from collections.abc import Callable, Iterable, Mapping
from datetime import date
from fractions import Fraction
from functools import cached_property
from math import lcm
from typing import NamedTuple

import polars as pl

from monedero.core.columns.exact import Adder
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_digits, minor_units
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Known, Order

WHOLE = pl.Int128
KNOWN: dict[str, type[pl.DataType]] = {
    "currency": pl.String,
    "country": pl.String,
    "card_network": pl.String,
    "card_kind": pl.String,
    "recurring": pl.Boolean,
    "kinds": pl.String,
}
BITS = 125


class Size(NamedTuple):
    """How large figures may become: the most that an amount is multiplied by, and the largest figure of a card.

    `weight_over` is what the orders' weights are over.
    """

    times: int = 1
    largest: int = 0
    weight_over: int = 1


PLAIN = Size()


class Pair(NamedTuple):
    """A currency and a day; `value` is what a minor unit is worth in whole units of the shop's currency."""

    currency: str
    day: date
    over: int
    value: Fraction


class LongOrder(NamedTuple):
    """An order whose figures are too long for columns; `value` as in its pair, `weight` how many it stands for.

    `margin` is as the column of that name has it.
    """

    row: int
    weight: Fraction
    order: Order
    value: Fraction
    margin: int | None = None

    @property
    def amount(self) -> Fraction:
        """Tells what it comes to in the shop's currency."""
        return self.order.amount.minor * self.value


class OrderColumns:
    """Orders in columns.

    A frame given has `minor`, `currency`, `day` and `country`; `card_network`, `card_kind`, `recurring`,
    `kinds` (joined by `+`) and `weight` (how many such orders) may be missing; other columns are kept.
    """

    def __init__(
        self,
        frame: pl.DataFrame,
        books: str,
        rates: ReferenceRates,
        figures: Callable[[Known], Iterable[str]],
        size: Size = PLAIN,
    ) -> None:
        """`books` is the shop's currency; `figures` tells the currencies of the figures that such an order meets."""
        self.books, self.rates, self.weight_over = books, rates, size.weight_over
        frame = _complete(frame)
        known = frame.select(list(KNOWN)).unique(maintain_order=True).with_row_index("known")
        self.known = {row["known"]: _known(row) for row in known.iter_rows(named=True)}
        self.pairs: list[Pair] = []
        self._without: dict[str, list[int]] = {}
        met: dict[str, set[str]] = {}
        for known_of in self.known.values():
            met.setdefault(known_of.currency, set()).update(figures(known_of))
        factors = self._factors(frame, met, size)
        frame = (
            frame.join(known, on=list(KNOWN), how="left", nulls_equal=True)
            .join(factors, on=["currency", "day"], how="inner", maintain_order="left")
            .with_row_index("row")
        )
        self.frame = frame.filter(pl.col("over").is_not_null())
        self.long = [self._long(row) for row in frame.filter(pl.col("over").is_null()).iter_rows(named=True)]

    @cached_property
    def amounts(self) -> Adder:
        """Adds minor units of each pair, in whole units of the shop's currency."""
        return Adder([pair.value for pair in self.pairs])

    @cached_property
    def fees(self) -> Adder:
        """Adds numerators over each pair's `over`, in whole units of the shop's currency."""
        return Adder([pair.value / pair.over for pair in self.pairs])

    @property
    def height(self) -> int:
        """How many orders are not left out."""
        return self.frame.height + len(self.long)

    @cached_property
    def weight(self) -> Fraction:
        """How many orders the rows stand for."""
        inside = Fraction(int(self.frame["weight"].sum()), self.weight_over)
        return inside + sum((order.weight for order in self.long), Fraction(0))

    def _factors(self, frame: pl.DataFrame, met: Mapping[str, set[str]], size: Size) -> pl.DataFrame:
        """A row a pair that is worth something in the shop's currency; `met` are the figures' currencies by its own."""
        figures = sorted(set().union(*met.values()))
        for code in figures:
            minor_digits(code)
        rows: list[tuple[object, ...]] = []
        pairs = frame.group_by("currency", "day", maintain_order=True).agg(
            pl.col("minor").max(), pl.col("weight").sum()
        )
        for currency, day, minor, weight in pairs.iter_rows():
            try:
                value = self.rates.per_minor(currency, self.books, day) / minor_units(self.books)
            except NoReferenceRate:
                continue
            exact = {code: _factor(self.rates, code, currency, day) for code in met[currency]}
            over = lcm(*(factor.denominator for factor in exact.values() if factor is not None))
            whole = {code: int(factor * over) for code, factor in exact.items() if factor is not None}
            longest = max(int(minor) * over, size.largest * max(whole.values(), default=0))
            columns: list[str | None] = [None] * (len(figures) + 1)
            if (longest * size.times * max(int(weight), 1)).bit_length() < BITS:
                columns = [str(over), *(str(whole[code]) if code in whole else None for code in figures)]
            rows.append((currency, day, len(self.pairs), *columns))
            self.pairs.append(Pair(currency, day, over, value))
        names = ["over", *(f"fx:{code}" for code in figures)]
        schema = {"currency": pl.String, "day": pl.Date, "pair": pl.UInt32, **dict.fromkeys(names, pl.String)}
        return pl.DataFrame(rows, schema=schema, orient="row").with_columns(pl.col(names).cast(WHOLE))

    def _long(self, row: dict[str, object]) -> LongOrder:
        known, pair = self.known[row["known"]], self.pairs[int(str(row["pair"]))]
        order = alike(known, Money(int(str(row["minor"])), pair.currency), pair.day)
        weight = Fraction(int(str(row["weight"])), self.weight_over)
        margin = row.get("margin")
        return LongOrder(
            int(str(row["row"])), weight, order, pair.value, None if margin is None else int(str(margin))
        )

    def without_rate(self, currencies: Iterable[str]) -> pl.Expr | None:
        """Tells which orders lack a reference rate of one of these currencies on their day; None where none does."""
        lacking = sorted({number for code in currencies for number in self._lacking(code)})
        return pl.col("pair").is_in(lacking) if lacking else None

    def _lacking(self, code: str) -> list[int]:
        """The pairs without a reference rate of a currency, looked for once."""
        if code not in self._without:
            numbered = enumerate(self.pairs)
            self._without[code] = [
                number for number, pair in numbered if not self.rates.has(code, pair.currency, pair.day)
            ]
        return self._without[code]


def alike(known: Known, amount: Money, day: date) -> Order:
    """An order of which so much is known."""
    return Order(amount, known.country, day, known.kinds, known.recurring, known.card_network, known.card_kind)


def _complete(frame: pl.DataFrame) -> pl.DataFrame:
    """Every column, of its type; orders of nothing are left out."""
    absent = [pl.lit(None, dtype=kind).alias(name) for name, kind in KNOWN.items() if name not in frame.columns]
    if "weight" not in frame.columns:
        absent.append(pl.lit(1).alias("weight"))
    kinds: dict[str, type[pl.DataType]] = {"minor": WHOLE, "weight": WHOLE, "day": pl.Date, **KNOWN}
    frame = frame.with_columns(absent).filter(pl.col("minor") > 0)
    return frame.with_columns(pl.col(name).cast(kind) for name, kind in kinds.items())


def _factor(rates: ReferenceRates, currency: str, to: str, day: date) -> Fraction | None:
    try:
        return rates.per_minor(currency, to, day)
    except NoReferenceRate:
        return None


def _known(row: dict[str, str | bool | None]) -> Known:
    kinds = str(row["kinds"]).split("+") if row["kinds"] else []
    recurring = row["recurring"]
    return Known(
        currency=str(row["currency"]),
        country=str(row["country"]),
        card_network=None if row["card_network"] is None else str(row["card_network"]),
        card_kind=None if row["card_kind"] is None else CardKind(str(row["card_kind"])),
        recurring=recurring if isinstance(recurring, bool) else None,
        kinds=frozenset(LineKind(kind) for kind in kinds),
    )
