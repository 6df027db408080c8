"""A tender: a route, or an arrangement of the shop's own, placed in a checkout under the shop's name for it.

Names are unique in their checkout, whatever their case; windows are written per currency.

Source: own design.

>>> card = Tender(id="card", method="card", on=True, name="Card")
>>> Checkout(storefront="Web shop", mode="test", tenders=[card]).tenders[0].windows
[]
>>> Checkout(storefront="Web shop", mode="test", tenders=[card, card])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Checkout
  duplicate [type=duplicate, input_value={'storefront': 'Web shop'...}, input_type=dict]
"""

from typing import Self

from pydantic import StrictBool, model_validator

from monedero.core.account import Mode
from monedero.core.errors import FaultCode
from monedero.core.fields import Description, Identifier, Name, Strict, broken, once
from monedero.core.ratecard.model import Route
from monedero.core.window import Window


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
