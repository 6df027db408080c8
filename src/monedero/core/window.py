"""A window: the amounts for which something is offered or carried, in one currency.

It begins at `from` (inclusive) and ends either at `up_to` (inclusive) or `below` (exclusive), so that two windows
can meet with neither overlap nor crack.

Source: own design.

>>> Window(from_="60.00 EUR", up_to="1200.00 EUR").currency
'EUR'
>>> Window(up_to="90.00 EUR", below="90.00 EUR")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Window
  limits-doubled [type=limits-doubled, input_value={'up_to': '90.00 EUR', 'below': '90.00 EUR'}, input_type=dict]
"""

from typing import Self

from pydantic import Field, model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import MoneyText, Strict, broken, ordered


class Window(Strict):
    """The amounts for which a tender is offered, in one currency."""

    from_: MoneyText | None = Field(default=None, alias="from")
    up_to: MoneyText | None = None
    below: MoneyText | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if self.up_to is not None and self.below is not None:
            raise broken(FaultCode.LIMITS_DOUBLED, up_to=self.up_to, below=self.below)
        if self.from_ is None and self.up_to is None and self.below is None:
            raise broken(FaultCode.KEY_MISSING, key="from, up_to or below")
        ordered(self.from_, self.up_to, touching=True)
        ordered(self.from_, self.below, touching=False)
        return self

    @property
    def currency(self) -> str:
        """The currency of its limits."""
        limit = self.from_ or self.up_to or self.below
        return limit.currency if limit else ""
