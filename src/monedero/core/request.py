"""Tells what a shop asks of a provider: written down before it is sent, and sent by one sender at a time.

Source: own design; keys as in draft-ietf-httpapi-idempotency-key-header.

>>> asked = Request(key="k", what="begin", payment=1, amount="85.00 EUR", at="2026-12-01T10:00:00Z")
>>> asked.begins(1), asked.begins(2)
(True, False)
>>> Request(key="k", what="begin", payment=1, amount="0.00 EUR", at="2026-12-01T10:00:00Z")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Request
amount
  amount-zero [type=amount-zero, input_value='0.00 EUR', input_type=str]
"""

from datetime import datetime
from enum import StrEnum

from pydantic import StrictBool

from monedero.core.fields import MoneyPositive, Strict


class Asking(StrEnum):
    """Names what the shop asks of a provider."""

    BEGIN = "begin"
    TAKE = "take"
    RELEASE = "release"
    REFUND = "refund"
    CANCEL = "cancel"


class Lease(Strict):
    """The right to send a request: nobody else sends it while `by` holds the lease, at most `until` a moment."""

    by: str
    until: datetime


class Request(Strict):
    """Something asked of a provider. It is written down before it is sent, and sent again under its key after a
    restart, so that it is done once. `lease` says who is sending it now."""

    key: str
    what: Asking
    payment: int
    amount: MoneyPositive | None
    at: datetime
    settled: StrictBool = False
    lease: Lease | None = None

    def begins(self, payment: int) -> bool:
        """True if it asks for the beginning of a payment."""
        return self.what is Asking.BEGIN and self.payment == payment
