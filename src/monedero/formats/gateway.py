"""Tells what a shop and a gateway say to each other: the contract that a provider, or a gateway of one's own, keeps.

`docs/gateway.md` is its text. Every thing asked carries an idempotency key, every answer about a payment carries all
that has happened to it, numbered from 1, and the same moves come as signed notifications.

Source: own design; keys as in draft-ietf-httpapi-idempotency-key-header, notifications by Standard Webhooks 1.0.0,
access by RFC 6750.

>>> AmountAsked(amount="20.00 EUR").amount.minor
2000
>>> AmountAsked(amount="0.00 EUR")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for AmountAsked
amount
  amount-zero [type=amount-zero, input_value='0.00 EUR', input_type=str]
"""

from typing import Literal

from pydantic import StrictBool

from monedero.core.account import MethodStanding, Mode
from monedero.core.fields import CountryCode, Description, Identifier, MoneyPositive, Name, Strict
from monedero.core.order.kinds import LineKind
from monedero.core.payment.notice import Notice
from monedero.core.web_address import PageAddress

IDEMPOTENCY_KEY = "Idempotency-Key"
# A storefront's domain shows the file that a provider asks for here; RFC 8615.
WELL_KNOWN = "/.well-known/payment-domain/"


class ConnectionAsked(Strict):
    """The credentials of an account, by the names of their fields, for one mode."""

    mode: Mode
    fields: dict[Identifier, str]


class MethodHeld(Strict):
    """A method of an account: active, or where it stands."""

    method: Identifier
    active: StrictBool
    standing: MethodStanding | None = None


class AccountHeld(Strict):
    """An account as its gateway sees it."""

    number: Name
    mode: Mode
    holder: Name
    methods: list[MethodHeld]


class Connection(Strict):
    """An account that was opened to the shop: the token for every further request (RFC 6750)."""

    access_token: str
    token_type: Literal["Bearer"] = "Bearer"
    account: AccountHeld


class EndpointAsked(Strict):
    """Holds where notifications go, and the secret that signs them (Standard Webhooks)."""

    url: str
    secret: str


class PaymentAsked(Strict):
    """A payment to begin. `take` later: authorise now, and take when asked. `return_to` is where the buyer goes."""

    order: str
    number: int
    payment: int
    shop: Name
    amount: MoneyPositive
    method: Identifier
    plan: Identifier | None = None
    take: Literal["now", "later"] = "now"
    line: Name
    kind: LineKind
    recurring: StrictBool
    country: CountryCode
    return_to: str


class PaymentHeld(Strict):
    """A payment as its gateway sees it: where its buyer pays, and all that has happened to it."""

    reference: str
    page: PageAddress
    embedded: StrictBool
    told: list[Notice]


class AmountAsked(Strict):
    """An amount to take or to refund."""

    amount: MoneyPositive


class Notification(Strict):
    """The body of a notification: a move of a payment, or a change of the account or of an application."""

    type: Literal["payment.moved", "account.changed", "endpoint.checked"]
    mode: Mode
    account: Name
    payment: str | None = None
    notice: Notice | None = None


class ApplicationAsked(Strict):
    """An application as it is sent: who applies, and which papers come with it, by kind and SHA-256."""

    mode: Mode
    legal_name: Name
    country: CountryCode
    tax_number: Description
    email: Description
    phone: Description
    people: list[Name]
    payout: Description
    terms_version: Name
    papers: dict[Identifier, str]
    methods: list[Identifier]


class ApplicationHeld(Strict):
    """An application as its provider sees it."""

    reference: str
    state: Literal["in-review", "question", "refused", "approved"]
    said: Description = ""
    number: Description = ""
    refused_methods: list[MethodStanding] = []


class AnswerGiven(Strict):
    """The answer to a question, with the papers that came with it."""

    answer: Description
    papers: dict[Identifier, str] = {}
