"""The shop: its country, the currency of its books, its markets and its lines.

A market is a country with a currency, and a country may stand in several; a line is of one of five kinds. Ids are
unique, and names too.

Source: own design.

>>> Market(id="es-eur", country="ES", currency="EUR", share="35").share
Decimal('35')
>>> Line(id="chart", name="Star chart", kind="goods", usual_amount="24.555 EUR", recurring=False)
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Line
usual_amount
  amount-decimals [type=amount-decimals, input_value='24.555 EUR', input_type=str]
"""

from fractions import Fraction
from typing import Self

from pydantic import StrictBool, model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import (
    CountryCode,
    CurrencyCode,
    Identifier,
    MoneyPositive,
    Name,
    Percent,
    Share,
    Strict,
    broken,
    once,
)
from monedero.core.ratecard.model import LineKind


class Market(Strict):
    """A country that buyers come from with a currency, and their share of orders in percent."""

    id: Identifier
    country: CountryCode
    currency: CurrencyCode
    share: Share


class Line(Strict):
    """Something sold: its kind, its usual amount, and whether it repeats."""

    id: Identifier
    name: Name
    kind: LineKind
    usual_amount: MoneyPositive
    recurring: StrictBool


class TypedRate(Strict):
    """A reference rate that the owner typed: units of a currency for one euro."""

    currency: CurrencyCode
    per_euro: Percent


class Shop(Strict):
    """The merchant's business. `takings` is what its accounts take in a month, for prices that depend on it."""

    name: Name
    country: CountryCode
    currency: CurrencyCode
    markets: list[Market] = []
    lines: list[Line] = []
    typed_rates: list[TypedRate] = []
    takings: MoneyPositive | None = None

    @model_validator(mode="after")
    def _unique(self) -> Self:
        once((f"{market.country} {market.currency}" for market in self.markets), "market")
        once((market.id for market in self.markets), "market id")
        once((line.id for line in self.lines), "line id")
        once((line.name.casefold() for line in self.lines), "line")
        once((rate.currency for rate in self.typed_rates), "typed rate")
        for rate in self.typed_rates:
            if not rate.per_euro:
                raise broken(FaultCode.AMOUNT_ZERO, currency=rate.currency)
        return self

    @property
    def typed(self) -> dict[str, Fraction]:
        """The typed rates as units of a currency for one euro."""
        return {rate.currency: Fraction(rate.per_euro) for rate in self.typed_rates}
