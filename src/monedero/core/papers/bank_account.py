"""The accounts of the shop to which buyers send transfers, one for each currency.

Source: ISO 13616-1 (IBAN) and ISO 9362 (BIC), package `schwifty`; elsewhere the shape of the
country's account numbers.

>>> account = TransferAccount(id="main", holder="Cabo Noite", country="PT", iban="PT50 0002 0123 1234 5678 9015 4")
>>> account.iban, account.takes_euro_code(["PT"])
('PT50000201231234567890154', True)
>>> account.model_copy(update={"currency": "GBP"}).takes_euro_code(["PT"])
False
>>> TransferAccount(id="main", holder="Cabo Noite", country="PT", iban="PT50000201231234567890154", bic="HELLO")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for TransferAccount
bic
  bic [type=bic, input_value='HELLO', input_type=str]
"""

from collections.abc import Container
from typing import Annotated, Any

import pycountry
from pydantic import PlainValidator, WithJsonSchema, model_validator
from schwifty import BIC, IBAN
from schwifty.exceptions import SchwiftyException

from monedero.core.business import PayoutAccount
from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import Description, checked

EURO = "EUR"


def bic_text(text: str) -> str:
    """A BIC of 8 or 11 signs without blanks."""
    try:
        return str(BIC(text))
    except SchwiftyException as wrong:
        raise refuse(FaultCode.BIC, value=text) from wrong


Bic = Annotated[
    str, PlainValidator(checked(bic_text)), WithJsonSchema({"type": "string", "description": "A BIC by ISO 9362"})
]


class TransferAccount(PayoutAccount):
    """An account for transfers in its currency; its bank is named by the owner, else by what is known of the IBAN.

    The country of an IBAN is its own; only an account without one needs to say where it is.
    """

    bank: Description = ""
    bic: Bic | None = None

    @model_validator(mode="before")
    @classmethod
    def _in_country_of_iban(cls, given: Any) -> Any:
        if isinstance(given, dict) and isinstance(given.get("iban"), str):
            country = given["iban"].strip()[:2].upper()
            if pycountry.countries.get(alpha_2=country) is not None:
                return {**given, "country": country}
        return given

    @property
    def bank_name(self) -> str:
        """The name of its bank, as far as it is known."""
        return self.bank or (IBAN(self.iban).bank_name if self.iban else "") or ""

    @property
    def bank_bic(self) -> str:
        """The BIC of its bank, as far as it is known."""
        if self.bic or not self.iban:
            return self.bic or ""
        return str(IBAN(self.iban).bic or "")

    def takes_euro_code(self, sepa: Container[str]) -> bool:
        """True if a SEPA credit transfer can be sent to it, which a QR code may describe; `sepa` are its countries."""
        return self.currency == EURO and self.iban is not None and self.country in sepa
