"""An order: what a buyer orders, as every view sees it. What is not known of it is None, or empty where it is several.

Its amount, its buyer's country and its day are always known: without them there is nothing to decide and to price.
`monedero.core.order.facts` is the table of everything that can be known.

Source: own design.

>>> from monedero.core.money import Money
>>> order = Order(Money(8500, "EUR"), "ES", date(2026, 11, 24), kinds=frozenset({LineKind.BOOKING}))
>>> order.known.country, order.recurring, order.nothing_to_pay
('ES', None, False)
>>> Order(Money(0, "EUR"), "ES", date(2026, 11, 24)).nothing_to_pay
True
"""

from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import Annotated, ClassVar, NamedTuple

from pydantic import ConfigDict, PlainSerializer, StrictBool

from monedero.core.fields import CountryCode, Description, Identifier, MoneyText, Name
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind

NOT_DELIVERED = "none"
"""The way of delivery of an order of which nothing is delivered."""


class Device(StrEnum):
    """Names what a buyer pays on."""

    PHONE = "phone"
    DESKTOP = "desktop"


class Known(NamedTuple):
    """The facts that prices ask of an order besides its amount and day: hashable, so that an answer can be kept."""

    currency: str
    country: str
    card_network: str | None
    card_kind: CardKind | None
    recurring: bool | None
    kinds: frozenset[LineKind]


Kinds = Annotated[frozenset[LineKind], PlainSerializer(sorted, return_type=list[LineKind])]


@dataclass(frozen=True, slots=True)
class Order:
    """An order. The kinds are those of all its lines; the lines are ids, as are delivery, group and storefront."""

    # Read from bodies as strictly as every model is.
    __pydantic_config__: ClassVar[ConfigDict] = ConfigDict(extra="forbid")

    amount: MoneyText
    country: CountryCode
    placed_on: date
    kinds: Kinds = frozenset()
    recurring: StrictBool | None = None
    card_network: Identifier | None = None
    card_kind: CardKind | None = None
    lines: tuple[Name, ...] = ()
    postcode: Description | None = None
    delivery: Name | None = None
    customer_group: Name | None = None
    storefront: Name | None = None
    device: Device | None = None
    signed_in: StrictBool | None = None
    town: Name | None = None

    @property
    def nothing_to_pay(self) -> bool:
        """An order of zero needs no payment."""
        return self.amount.minor == 0

    def on(self, amount: Money, day: date) -> "Order":
        """The same order of another amount on another day."""
        return Order(
            amount,
            self.country,
            day,
            self.kinds,
            self.recurring,
            self.card_network,
            self.card_kind,
            self.lines,
            self.postcode,
            self.delivery,
            self.customer_group,
            self.storefront,
            self.device,
            self.signed_in,
            self.town,
        )

    @property
    def known(self) -> Known:
        """The facts that prices ask of it."""
        return Known(
            self.amount.currency, self.country, self.card_network, self.card_kind, self.recurring, self.kinds
        )
