"""A method: a kind of payment with its family, what it can carry, and what its buyer does.

A method cannot carry an order for every one of these reasons that holds, in this sequence: the shop's country,
the buyer's country, currency, amount, recurring, kind of line. None means that there is no limit.

Source: own design; the figures themselves lie in `monedero.figures`.

>>> Method(id="cash", name="Cash", family="cash", buyer="Pays on the day.", recurring=False).recurring
False
>>> Method(id="cash", name=" ", family="cash", buyer="Pays on the day.", recurring=False)
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Method
name
  blank [type=blank, input_value=' ', input_type=str]
"""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, StrictBool, StrictInt

from monedero.core.delivery.model import Handover
from monedero.core.fields import AnyOf, CountryCode, CurrencyCode, Description, Identifier, Name, Strict
from monedero.core.order.kinds import LineKind
from monedero.core.window import Window

Days = Annotated[StrictInt, Field(ge=0, le=3650)]


class Family(StrEnum):
    """The families of methods."""

    CARD = "card"
    DEVICE_WALLET = "device-wallet"
    ACCOUNT_WALLET = "account-wallet"
    PAY_LATER = "pay-later"
    BANK_DEBIT = "bank-debit"
    CREDIT_TRANSFER = "credit-transfer"
    ONLINE_BANKING = "online-banking"
    CASH = "cash"
    CHEQUE = "cheque"
    COUNTER_VOUCHER = "counter-voucher"
    INVOICE = "invoice"
    SHOP_CREDIT = "shop-credit"
    OWN = "own"


class Certain(StrEnum):
    """When an order paid by the method is certain: at once, after some business days, or when the shop sees it."""

    AT_ONCE = "at-once"
    LATER = "later"
    WHEN_SEEN = "when-seen"


class Refunds(StrEnum):
    """How money goes back to the buyer."""

    TO_METHOD = "to-method"
    BY_HAND = "by-hand"


class Method(Strict):
    """One method with its traits.

    `also` are other names by which it is known. `own` marks an arrangement of the shop's own, which needs no provider;
    a `usual` one is compared without being asked for. `parts` are those in which the buyer pays, `due_days` the
    calendar days within which: what is common, since each provider has its own. `arrives_days` are the business days
    until its money is there. `certain_days` are business days, `reversible_days` calendar days (None: it cannot be
    taken back), `notice_days` the days of notice before a collection, `authorisation_days` those after which an
    authorisation lapses (None: the method takes at once). `takes_card`: the buyer's card is charged. `handovers` are
    the ways of reaching its buyer that it fits (None: all). `paid_at_handover`: the money comes with the goods, or on
    the day of the booking, so that it meets nothing that is due before.
    """

    id: Identifier
    name: Name
    family: Family
    buyer: Description
    also: list[Name] = []
    own: StrictBool = False
    usual: StrictBool = False
    parts: Annotated[StrictInt, Field(ge=2, le=120)] | None = None
    due_days: Days | None = None
    shop_countries: AnyOf[CountryCode] | None = None
    buyer_countries: AnyOf[CountryCode] | None = None
    currencies: AnyOf[CurrencyCode] | None = None
    amount: Window | None = None
    recurring: StrictBool
    kinds: AnyOf[LineKind] | None = None
    certain: Certain = Certain.AT_ONCE
    certain_days: Days = 0
    reversible_days: Days | None = None
    reversal: Description = ""
    refunds: Refunds = Refunds.TO_METHOD
    leaves_page: StrictBool = False
    buyer_account: StrictBool = False
    saves_details: StrictBool = False
    mandate: StrictBool = False
    notice_days: Days = 0
    arrives_days: Days | None = None
    authorisation_days: Days | None = None
    at_the_door: StrictBool = False
    takes_card: StrictBool = False
    handovers: AnyOf[Handover] | None = None
    paid_at_handover: StrictBool = False


class UnknownMethod(Method):
    """A method that a rate card or a tender names and nobody described: it carries nothing until somebody does."""
