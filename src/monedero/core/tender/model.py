"""A tender: a route, or an arrangement of the shop's own, placed in a checkout under the shop's name for it.

Names are unique in their checkout, whatever their case. A window is written per currency; it begins at `from`
(inclusive) and ends either at `up_to` (inclusive) or `below` (exclusive).

Source: own design.

>>> Window(from_="60.00 EUR", up_to="1200.00 EUR").currency
'EUR'
>>> Window(from_="60.00 EUR", up_to="59.99 EUR")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Window
  limits-crossed [type=limits-crossed, input_value={'from_': '60.00 EUR', 'up_to': '59.99 EUR'}, input_type=dict]
"""

from typing import Self

from pydantic import Field, StrictBool, model_validator

from monedero.core.account import Mode
from monedero.core.errors import FaultCode
from monedero.core.fields import Description, Identifier, MoneyText, Name, Strict, broken, once
from monedero.core.ratecard.model import Route, ordered


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


class Tender(Strict):
    """A way to pay in a checkout. `route` is None for an arrangement of the shop's own."""

    id: Identifier
    method: Identifier
    route: Route | None = None
    on: StrictBool
    name: Name
    description: Description = ""
    windows: list[Window] = []

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once((window.currency for window in self.windows), "window")
        if self.route is not None and self.route.method != self.method:
            raise broken(FaultCode.REFERENCE_DANGLING, what="method", value=self.route.method, where=self.id)
        return self


class Checkout(Strict):
    """The tenders of one storefront, in the sequence in which buyers meet them."""

    storefront: Name
    mode: Mode
    tenders: list[Tender] = []

    @model_validator(mode="after")
    def _unique(self) -> Self:
        once((tender.id for tender in self.tenders), "tender id")
        names: set[str] = set()
        for tender in self.tenders:
            if tender.name.casefold() in names:
                raise broken(FaultCode.NAME_TAKEN, value=tender.name)
            names.add(tender.name.casefold())
        return self
