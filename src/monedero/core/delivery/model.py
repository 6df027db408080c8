"""How what is ordered gets to its buyer, and the groups of buyers that a shop tells apart.

A way of delivery has prices by area: the first that holds an address is the price there, and one that names no area is
for everywhere else. With no price at all it goes everywhere, for nothing. It is open on the weekdays on which it has
hours, or on all where none are given, but on its closed weekdays and dates.

Source: own design; the ways are *common practice, no source*.

>>> van = Delivery(id="van", name="Van", kind="own-round", prices=[{"fee": "4.00 EUR", "free_from": "60.00 EUR"}])
>>> van.prices[0].fee, van.needs_address
(Money(minor=400, currency='EUR'), True)
>>> Delivery(id="none", name="Nothing")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Delivery
  name-taken [type=name-taken, input_value={'id': 'none', 'name': 'Nothing'}, input_type=dict]
"""

import re
from enum import StrEnum
from typing import Annotated, Literal, Self

from pydantic import Field, PlainValidator, StrictBool, StrictInt, WithJsonSchema, model_validator

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import AnyOf, Day, Identifier, MoneyText, Name, Strict, broken, checked, once
from monedero.core.language import OtherNames
from monedero.core.order.model import NOT_DELIVERED

Grams = Annotated[StrictInt, Field(ge=0, le=10**8)]
Days = Annotated[StrictInt, Field(ge=0, le=365)]
Weekday = Literal["MON", "TUE", "WED", "THU", "FRI", "SAT", "SUN"]


def hour(text: str) -> str:
    """An hour of the day with its minutes, written with two digits each; 24:00 is the end of the day.

    >>> hour("9:30")
    '09:30'
    """
    found = re.fullmatch(r"([0-9]{1,2}):([0-9]{2})", text.strip(), re.ASCII)
    if found is None or int(found[2]) > 59 or int(found[1]) * 60 + int(found[2]) > 24 * 60:
        raise refuse(FaultCode.HOUR_TEXT, value=text)
    return f"{int(found[1]):02}:{found[2]}"


Hour = Annotated[
    str,
    PlainValidator(checked(hour)),
    WithJsonSchema({"type": "string", "pattern": "^[0-9]{1,2}:[0-9]{2}$", "description": "Such as 09:30"}),
]


class DeliveryKind(StrEnum):
    """The usual ways of delivery."""

    COURIER = "courier"
    OWN_ROUND = "own-round"
    COLLECTION = "collection"
    IN_PERSON = "in-person"
    DOWNLOAD = "download"
    OWN = "own"


class Handover(StrEnum):
    """How an order reaches its buyer's hands: brought to the door, fetched from a place, or not handed over at all."""

    BROUGHT = "brought"
    COLLECTED = "collected"
    NOTHING = "not-delivered"


HANDOVERS = {
    DeliveryKind.COURIER: Handover.BROUGHT,
    DeliveryKind.OWN_ROUND: Handover.BROUGHT,
    DeliveryKind.COLLECTION: Handover.COLLECTED,
    DeliveryKind.IN_PERSON: Handover.COLLECTED,
    DeliveryKind.DOWNLOAD: Handover.NOTHING,
}
WITH_ADDRESS = (DeliveryKind.COURIER, DeliveryKind.OWN_ROUND)
"""The kinds that go to an address, unless the way says otherwise."""


class WeightBand(Strict):
    """Holds what delivery costs up to a weight, that weight included; None: whatever is heavier."""

    up_to_grams: Grams | None = None
    fee: MoneyText


class DeliveryPrice(Strict):
    """Holds what delivery costs in some areas (None: everywhere else): flat or by weight, free from an amount of goods
    on.
    """

    areas: AnyOf[Identifier] | None = None
    fee: MoneyText | None = None
    by_weight: list[WeightBand] = []
    free_from: MoneyText | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once(self.areas or [], "area")
        if self.fee is not None and self.by_weight:
            raise broken(FaultCode.FEE_TWICE, fee=self.fee)
        ends = [band.up_to_grams for band in self.by_weight]
        known = [end for end in ends if end is not None]
        if None in ends[:-1] or known != sorted(set(known)):
            raise broken(FaultCode.WEIGHTS_ORDER)
        return self


class Hours(Strict):
    """Hours of some weekdays in which it comes, or can be collected."""

    weekdays: AnyOf[Weekday]
    from_: Hour = Field(alias="from")
    until: Hour

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once(self.weekdays, "weekday")
        if self.from_ >= self.until:
            raise broken(FaultCode.HOURS_CROSSED, low=self.from_, high=self.until)
        return self


class DeliveryCosts(Strict):
    """Holds what it costs the shop: on the way out, on the way back, and for money that is taken at the door."""

    out: MoneyText | None = None
    back: MoneyText | None = None
    collection: MoneyText | None = None


class Delivery(Strict):
    """A way of delivery; `names` are its names in the other languages of the shop.

    `address`: whether it goes to an address (None: as is usual for its kind). `preparation_days` are open days before
    it can leave. `ahead_days`: how many days ahead its buyer may choose the day (None: the buyer does not choose one).
    """

    id: Identifier
    name: Name
    names: OtherNames = {}
    kind: DeliveryKind = DeliveryKind.OWN
    prices: list[DeliveryPrice] = []
    address: StrictBool | None = None
    preparation_days: Days = 0
    closed_weekdays: list[Weekday] = []
    closed_dates: list[Day] = []
    hours: list[Hours] = []
    ahead_days: Days | None = None
    costs: DeliveryCosts = DeliveryCosts()

    @property
    def needs_address(self) -> bool:
        """True if its buyer says where it shall go."""
        return self.kind in WITH_ADDRESS if self.address is None else self.address

    @property
    def handover(self) -> Handover | None:
        """How it reaches the buyer's hands; None for a way of the shop's own that does not say."""
        if self.kind in HANDOVERS or self.address is None:
            return HANDOVERS.get(self.kind)
        return Handover.BROUGHT if self.address else Handover.COLLECTED

    @property
    def area_ids(self) -> list[str]:
        """The areas that its prices name."""
        return [id for price in self.prices for id in price.areas or []]

    @property
    def open_weekdays(self) -> frozenset[str]:
        """The weekdays on which it is open."""
        named = [day for hours in self.hours for day in hours.weekdays]
        every: tuple[str, ...] = Weekday.__args__  # type: ignore[attr-defined]
        return frozenset(named or every) - frozenset(self.closed_weekdays)

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if self.id == NOT_DELIVERED:
            raise broken(FaultCode.NAME_TAKEN, value=self.id)
        once(self.closed_weekdays, "weekday")
        once((day.isoformat() for day in self.closed_dates), "date")
        if not self.open_weekdays:
            raise broken(FaultCode.NEVER_OPEN, value=self.name)
        if None in [price.areas for price in self.prices][:-1]:
            raise broken(FaultCode.EVERYWHERE_LAST)
        return self


class CustomerGroup(Strict):
    """A group of buyers that the shop tells apart, such as wholesale."""

    id: Identifier
    name: Name
