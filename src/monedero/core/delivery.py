"""How what is ordered gets to its buyer, and the groups of buyers that a shop tells apart.

Source: own design; the ways are *common practice, no source*.

>>> Delivery(id="van", name="Van", kind="courier", fee="4.00 EUR", free_from="60.00 EUR").fee
Money(minor=400, currency='EUR')
>>> Delivery(id="none", name="Nothing")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Delivery
  name-taken [type=name-taken, input_value={'id': 'none', 'name': 'Nothing'}, input_type=dict]
"""

from enum import StrEnum
from typing import Annotated, Self

from pydantic import Field, StrictInt, model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import AnyOf, Identifier, MoneyText, Name, Strict, broken

NOT_DELIVERED = "none"
"""The way of delivery of an order of which nothing is delivered."""

Grams = Annotated[StrictInt, Field(ge=0, le=10**8)]


class DeliveryKind(StrEnum):
    """The usual ways of delivery."""

    COURIER = "courier"
    OWN_ROUND = "own-round"
    COLLECTION = "collection"
    IN_PERSON = "in-person"
    DOWNLOAD = "download"
    OWN = "own"


class Delivery(Strict):
    """A way of delivery: what it costs its buyer, from which amount nothing, and to which areas it goes (None: all)."""

    id: Identifier
    name: Name
    kind: DeliveryKind = DeliveryKind.OWN
    areas: AnyOf[Identifier] | None = None
    fee: MoneyText | None = None
    free_from: MoneyText | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if self.id == NOT_DELIVERED:
            raise broken(FaultCode.NAME_TAKEN, value=self.id)
        return self


class CustomerGroup(Strict):
    """A group of buyers that the shop tells apart, such as wholesale."""

    id: Identifier
    name: Name
