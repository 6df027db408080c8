"""How what is ordered gets to its buyer, and the groups of buyers that a shop tells apart.

A way of delivery has a fee, flat or by weight, which is dropped from an amount on; it goes to some areas, or anywhere.

Source: own design; the ways are *common practice, no source*.

>>> van = Delivery(id="van", name="Van", kind="courier", fee="4.00 EUR", free_from="60.00 EUR")
>>> van.fee_for(Money(3800, "EUR"), None), van.fee_for(Money(6000, "EUR"), None)
(Money(minor=400, currency='EUR'), Money(minor=0, currency='EUR'))
>>> Delivery(id="none", name="Nothing")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Delivery
  name-taken [type=name-taken, input_value={'id': 'none', 'name': 'Nothing'}, input_type=dict]
"""

from datetime import date, time
from enum import StrEnum
from itertools import pairwise
from typing import Annotated, Self

from pydantic import Field, StrictBool, StrictInt, model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import AnyOf, Identifier, MoneyText, Name, Strict, broken, once
from monedero.core.money import Money

NOT_DELIVERED = "none"
"""The way of delivery of an order of which nothing is delivered."""

Grams = Annotated[StrictInt, Field(ge=0, le=10**8)]
Days = Annotated[StrictInt, Field(ge=0, le=365)]


class DeliveryKind(StrEnum):
    """The usual ways of delivery."""

    COURIER = "courier"
    OWN_ROUND = "own-round"
    COLLECTION = "collection"
    IN_PERSON = "in-person"
    DOWNLOAD = "download"
    OWN = "own"


class Weekday(StrEnum):
    """The days of the week."""

    MON = "MON"
    TUE = "TUE"
    WED = "WED"
    THU = "THU"
    FRI = "FRI"
    SAT = "SAT"
    SUN = "SUN"


class WeightBand(Strict):
    """The fee of a delivery up to a weight (inclusive); without one, for everything heavier."""

    up_to_grams: Grams | None = None
    fee: MoneyText


class Slot(Strict):
    """Hours of a day within which a delivery comes."""

    from_: time = Field(alias="from")
    to: time

    @model_validator(mode="after")
    def _in_sequence(self) -> Self:
        if self.from_ >= self.to:
            raise broken(FaultCode.LIMITS_CROSSED, low=self.from_, high=self.to)
        return self


class Delivery(Strict):
    """A way of delivery.

    `areas` are ids of areas (None: anywhere). `preparation_days` pass before it leaves; it does not go on closed days
    of the week and dates. A day may be chosen up to `ahead_days` ahead (None: no day is chosen).
    """

    id: Identifier
    name: Name
    kind: DeliveryKind = DeliveryKind.OWN
    areas: AnyOf[Identifier] | None = None
    fee: MoneyText | None = None
    by_weight: list[WeightBand] = []
    free_from: MoneyText | None = None
    address_needed: StrictBool = False
    preparation_days: Days = 0
    closed_weekdays: list[Weekday] = []
    closed_dates: list[date] = []
    slots: list[Slot] = []
    ahead_days: Days | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if self.id == NOT_DELIVERED:
            raise broken(FaultCode.NAME_TAKEN, value=self.id)
        if self.fee is not None and self.by_weight:
            raise broken(FaultCode.LIMITS_DOUBLED, up_to=self.fee, below=self.by_weight[0].fee)
        once(self.closed_weekdays, "weekday")
        once(map(str, self.closed_dates), "date")
        for lighter, heavier in pairwise(self.by_weight):
            if lighter.up_to_grams is None or (heavier.up_to_grams or 10**9) <= lighter.up_to_grams:
                raise broken(FaultCode.BANDS_ORDER)
        return self

    def fee_for(self, amount: Money, grams: int | None) -> Money | None:
        """What it costs the buyer of an order of an amount and a weight, in the currency of the fee.

        None where nothing is said of such a weight, or the weight is not known and the fee depends on it.
        """
        fee = self.fee
        if self.by_weight and grams is not None:
            bands = (band for band in self.by_weight if band.up_to_grams is None or grams <= band.up_to_grams)
            fee = next((band.fee for band in bands), None)
        if fee is None:
            return None if self.by_weight else Money(0, amount.currency)
        free = self.free_from
        if free is not None and free.currency == amount.currency and amount.minor >= free.minor:
            return Money(0, fee.currency)
        return fee


class CustomerGroup(Strict):
    """A group of buyers that the shop tells apart, such as wholesale."""

    id: Identifier
    name: Name
