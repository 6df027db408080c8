"""Tells what a buyer needs to pay one payment, as it stood when it was chosen: it stays the same until it is paid.

A transfer has an account and a reference; a cheque a payee and an address; cash what the buyer pays with and the
change; an invoice its number for good; a counter voucher its number and its last day.

Source: own design; references by ISO 11649.

>>> Cash(kind="cash", pays_with="50.00 EUR").change(Money(4200, "EUR"))
Money(minor=800, currency='EUR')
>>> Cash(kind="cash", pays_with="40.00 EUR").change(Money(4200, "EUR")) is None
True
"""

from datetime import date
from typing import Annotated, Literal

from pydantic import Field, StrictBool

from monedero.core.fields import Description, MoneyPositive, Name, Strict
from monedero.core.money import Money
from monedero.core.papers.bank_account import TransferAccount


class _Paper(Strict):
    """`until` is the day by which it is to be paid, as it was told; None where nothing is said of it."""

    until: date | None = None


class Transfer(_Paper):
    """A transfer to an account of the shop; None where it has none for the currency."""

    kind: Literal["transfer"]
    account: TransferAccount | None
    reference: Name


class Cheque(_Paper):
    """A cheque or a money order, sent by post."""

    kind: Literal["cheque"]
    payee: Description
    post_to: Description
    reference: Name


class Cash(_Paper):
    """Cash; `pays_with` is the money that the buyer said to bring, None where nothing was said."""

    kind: Literal["cash"]
    pays_with: MoneyPositive | None = None

    def change(self, total: Money) -> Money | None:
        """Tells what is given back of the money that is brought; None where it is not more, or nothing was said."""
        brought = self.pays_with
        if brought is None or brought.currency != total.currency or brought.minor <= total.minor:
            return None
        return Money(brought.minor - total.minor, total.currency)


class Invoice(_Paper):
    """An invoice; `account` is where it is paid to. It is `void` where its buyer chose another way to pay."""

    kind: Literal["invoice"]
    number: Name
    day: date
    seller: Description
    tax_number: Description
    bill_to: Description
    purchase_order: Description
    account: TransferAccount | None
    reference: Name
    void: StrictBool = False


class Counter(_Paper):
    """A number to pay with at a counter."""

    kind: Literal["counter"]
    number: Name


Paper = Annotated[Transfer | Cheque | Cash | Invoice | Counter, Field(discriminator="kind")]
