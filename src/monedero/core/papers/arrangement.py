"""The settings of the shop for arrangements of its own: who is paid, by which paper, and where it is sent.

Source: own design.

>>> Arrangements().account_for("EUR") is None
True
>>> Arrangements(invoice_prefix="CN/2026-").invoice_number(7, Mode.LIVE)
'CN/2026-0007'
>>> Arrangements(invoice_prefix="CN/2026-").invoice_number(7, Mode.TEST)
'TEST-CN/2026-0007'
"""

from collections.abc import Mapping
from enum import StrEnum
from typing import Annotated, Self

from pydantic import StringConstraints, model_validator

from monedero.core.account import Mode
from monedero.core.fields import Description, Strict, once
from monedero.core.method import Family
from monedero.core.papers.bank_account import TransferAccount


class Details(StrEnum):
    """The details of arrangements, in the groups in which an owner types them."""

    ACCOUNTS = "accounts"
    CHEQUES = "cheques"
    INVOICES = "invoices"


DETAILS: Mapping[Family, tuple[Details, ...]] = {
    Family.CREDIT_TRANSFER: (Details.ACCOUNTS,),
    Family.INVOICE: (Details.ACCOUNTS, Details.INVOICES),
    Family.CHEQUE: (Details.CHEQUES,),
}
"""The details that buyers of a method of the shop's own are told, by its family; the others need none."""


class Arrangements(Strict):
    """Holds what buyers are told by the shop's own arrangements.

    `payee` and `post_to` are for cheques (empty: the shop's name, no address). `seller` is the name and address that
    invoices bear, `tax_number` the number on them; `invoice_prefix` stands before their numbers.
    """

    accounts: list[TransferAccount] = []
    payee: Description = ""
    post_to: Description = ""
    seller: Description = ""
    tax_number: Description = ""
    invoice_prefix: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9/. -]{0,12}$")] = ""

    @model_validator(mode="after")
    def _one_each(self) -> Self:
        once((account.id for account in self.accounts), "account id")
        once((account.currency for account in self.accounts), "account for a currency")
        return self

    def account_for(self, currency: str) -> TransferAccount | None:
        """The account to which an amount in a currency is sent."""
        return next((account for account in self.accounts if account.currency == currency), None)

    def lacks_for(self, family: Family, currency: str) -> bool:
        """True if a buyer of a method of a family would lack what is needed to pay in a currency."""
        needed = DETAILS.get(family, ())
        if Details.ACCOUNTS in needed:
            return self.account_for(currency) is None
        return Details.CHEQUES in needed and not self.post_to

    def invoice_number(self, count: int, mode: Mode) -> str:
        """The number of the shop's invoice of a count, from 1; one of a test says so."""
        return f"{'TEST-' if mode is Mode.TEST else ''}{self.invoice_prefix}{count:04d}"
