"""Many orders as columns: what is known of each, and what brings its amount to the shop's currency on its day.

`fx:EUR` and its like are factors from minor units of a currency to minor units of the shop's, whole over the
row's `over`; one is null where there is no reference rate. An order whose own currency has none, or of nothing, has
no price and is left out.

Source: own design.

>>> from monedero.core.fx import ReferenceRates
>>> frame = pl.DataFrame({"minor": [8500], "currency": ["EUR"], "day": [date(2026, 1, 5)], "buyer_country": ["ES"]})
>>> held = OrderColumns(frame, "EUR", ReferenceRates(None), {"EUR"})
>>> held.frame.select("minor", "own", "over", "weight").row(0)
(8500, 1, 1, 1)
>>> OrderColumns(frame, "EUR", ReferenceRates(None), {"ABC"})
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: currency-unknown ='ABC'
"""

from collections.abc import Iterable
from datetime import date
from fractions import Fraction
from math import lcm

import polars as pl

from monedero.core.errors import FaultCode, refuse
from monedero.core.fx import NoReferenceRate, ReferenceRates
from monedero.core.money import minor_digits
from monedero.core.ratecard.context import Known
from monedero.core.ratecard.model import CardKind, LineKind

WHOLE = pl.Int128
KNOWN: dict[str, type[pl.DataType]] = {
    "currency": pl.String,
    "buyer_country": pl.String,
    "card_network": pl.String,
    "card_kind": pl.String,
    "recurring": pl.Boolean,
    "line_kinds": pl.String,
}
LARGEST = 2**125


class OrderColumns:
    """Orders in columns.

    A frame given has `minor`, `currency`, `day` and `buyer_country`; `card_network`, `card_kind`, `recurring`,
    `line_kinds` (joined by `+`) and `weight` (how many such orders) may be missing.
    """

    def __init__(self, frame: pl.DataFrame, books: str, rates: ReferenceRates, currencies: Iterable[str]) -> None:
        """Bring the orders to the shop currency (`books`); `currencies` are those of the rate cards' figures."""
        for code in currencies:
            minor_digits(code)
        absent = [
            pl.lit(None, dtype=kind).alias(name) for name, kind in KNOWN.items() if name not in frame.columns
        ]
        if "weight" not in frame.columns:
            absent.append(pl.lit(1).alias("weight"))
        frame = frame.with_columns(absent).filter(pl.col("minor") > 0)
        kinds: dict[str, type[pl.DataType]] = {"minor": WHOLE, "weight": WHOLE, "day": pl.Date, **KNOWN}
        frame = frame.with_columns(pl.col(name).cast(kind) for name, kind in kinds.items())
        known = frame.select(list(KNOWN)).unique(maintain_order=True).with_row_index("known")
        self.known = {row["known"]: _known(row) for row in known.iter_rows(named=True)}
        self.over: dict[tuple[str, date], int] = {}
        factors = self._factors(frame, books, rates, sorted(currencies))
        self.frame = (
            frame.join(known, on=list(KNOWN), how="left", nulls_equal=True)
            .join(factors, on=["currency", "day"], how="left")
            .filter(pl.col("own").is_not_null())
            .with_row_index("row")
        )

    def _factors(
        self, frame: pl.DataFrame, books: str, rates: ReferenceRates, currencies: list[str]
    ) -> pl.DataFrame:
        rows = []
        for currency, day in frame.select("currency", "day").unique(maintain_order=True).iter_rows():
            exact = {code: _factor(rates, code, books, day) for code in {currency, *currencies}}
            over = lcm(*(factor.denominator for factor in exact.values() if factor is not None))
            self.over[currency, day] = over
            whole = {code: None if factor is None else int(factor * over) for code, factor in exact.items()}
            rows.append(
                (currency, day, str(over), _text(whole[currency]), *(_text(whole[code]) for code in currencies))
            )
        names = ["over", "own", *(f"fx:{code}" for code in currencies)]
        schema = {"currency": pl.String, "day": pl.Date, **dict.fromkeys(names, pl.String)}
        return (
            pl.DataFrame(rows, schema=schema, orient="row")
            .with_columns(pl.col(names).cast(WHOLE, strict=False))
            .with_columns(pl.when(pl.col("over").is_not_null()).then("own").alias("own"))
        )

    def fits(self, percent_over: int, largest: int) -> None:
        """Refuse figures so long that a product could leave 128 bits.

        `percent_over` is what percentages are over, `largest` the largest fixed amount or limit in minor units.
        """
        if self.frame.is_empty():
            return
        names = [name for name in self.frame.columns if name in ("own", "over") or name.startswith("fx:")]
        factor = max(self.frame.select(pl.col(names).max()).row(0), key=lambda value: value or 0) or 1
        amount = max(int(self.frame.select(pl.col("minor").max()).item()), largest)
        weight = int(self.frame["weight"].sum())
        if amount * factor * percent_over * 20 * max(weight, 1) >= LARGEST:
            raise refuse(FaultCode.FIGURES_TOO_LONG, "typed_rates", amount)


def _factor(rates: ReferenceRates, currency: str, books: str, day: date) -> Fraction | None:
    try:
        return rates.per_minor(currency, books, day)
    except NoReferenceRate:
        return None


def _text(value: int | None) -> str | None:
    return None if value is None else str(value)


def _known(row: dict[str, str | bool | None]) -> Known:
    kinds = str(row["line_kinds"]).split("+") if row["line_kinds"] else []
    recurring = row["recurring"]
    return Known(
        currency=str(row["currency"]),
        buyer_country=str(row["buyer_country"]),
        card_network=None if row["card_network"] is None else str(row["card_network"]),
        card_kind=None if row["card_kind"] is None else CardKind(str(row["card_kind"])),
        recurring=recurring if isinstance(recurring, bool) else None,
        line_kinds=frozenset(LineKind(kind) for kind in kinds),
    )
