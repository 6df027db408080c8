"""Tells what providers ask about the merchant: its legal side, its people, its accounts for payouts, what it published.

Everything may be empty until an application needs it, so that it can be typed in one sitting or in ten. What is there
is checked: a tax number by its own check digits, an account by those of its IBAN or the shape of its country.

Source: tax numbers as in python-stdnum, which names the source of each; IBAN by ISO 13616-1 and bank code and account
number by the IBAN registry (package schwifty).

>>> PayoutAccount(id="main", holder="Cabo Noite", country="PT", iban="PT50000201231234567890154").iban
'PT50000201231234567890154'
>>> PayoutAccount(id="main", holder="Cabo Noite", country="PT", iban="PT50000201231234567890155")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for PayoutAccount
iban
  iban [type=iban, input_value='PT50000201231234567890155', input_type=str]
"""

from enum import StrEnum
from typing import Annotated, Self

from pydantic import PlainValidator, StrictBool, WithJsonSchema, model_validator
from schwifty import IBAN
from schwifty.exceptions import SchwiftyException
from stdnum import get_cc_module
from stdnum.exceptions import ValidationError as NumberRefused

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import (
    CountryCode,
    CurrencyCode,
    Day,
    Description,
    Identifier,
    Name,
    Share,
    Strict,
    broken,
    checked,
    once,
)
from monedero.core.papers.account_number import scheme_of, wrong_in


class LegalForm(StrEnum):
    """Names what the merchant is in law, as far as providers ask."""

    SOLE_TRADER = "sole-trader"
    COMPANY = "company"
    PARTNERSHIP = "partnership"
    ASSOCIATION = "association"


class StatedFact(StrEnum):
    """Names what the merchant has done in public, which some providers ask for."""

    RETURN_POLICY = "return-policy"
    PRIVACY_POLICY = "privacy-policy"
    LINES_LISTED = "lines-listed"
    STOREFRONT_OPEN = "storefront-open"


class Person(Strict):
    """Somebody who owns a part of the business, signs for it, or both. `owns` is in percent."""

    id: Identifier
    name: Name
    born: Day
    country: CountryCode
    owns: Share
    signs: StrictBool


# A check of a number raises one of these where it finds something wrong.
WRONGS = {
    "InvalidChecksum": "checksum",
    "InvalidChecksumDigits": "checksum",
    "InvalidBBANChecksum": "checksum",
    "InvalidLength": "length",
    "InvalidFormat": "format",
    "InvalidStructure": "format",
    "InvalidComponent": "component",
    "InvalidCountryCode": "country",
    "InvalidBankCode": "bank-code",
}


def _wrong(found: Exception) -> str:
    return WRONGS.get(type(found).__name__, "number")


def iban_text(text: str) -> str:
    """An IBAN without spaces; one whose check digits, bank code or length are wrong is refused."""
    try:
        return str(IBAN(text))
    except SchwiftyException as wrong:
        raise refuse(FaultCode.IBAN, value=text, wrong=_wrong(wrong)) from wrong


IbanText = Annotated[
    str,
    PlainValidator(checked(iban_text)),
    WithJsonSchema({"type": "string", "description": "An IBAN by ISO 13616-1"}),
]


class PayoutAccount(Strict):
    """An account that payouts go to: an IBAN, or an account number with a bank code where IBANs are not in use."""

    id: Identifier
    holder: Name
    country: CountryCode
    currency: CurrencyCode = "EUR"
    iban: IbanText | None = None
    bank_code: Name | None = None
    account_number: Name | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if self.iban is not None:
            if self.iban[:2] != self.country:
                raise broken(FaultCode.IBAN_COUNTRY, country=self.country, iban=self.iban[:2])
            return self
        if self.account_number is None or (self.bank_code is None and scheme_of(self.country).bank_code):
            raise broken(FaultCode.ACCOUNT_MISSING)
        wrong = wrong_in(self.country, self.bank_code or "", self.account_number)
        if wrong:
            raise broken(FaultCode.ACCOUNT_NUMBER, country=self.country, wrong=wrong)
        return self

    @property
    def ends_in(self) -> str:
        """The last four characters, to tell accounts apart by."""
        return (self.iban or self.account_number or "")[-4:]


def tax_number(country: str, text: str) -> str:
    """A tax number in its compact form, checked by its country's own check digits where they are known.

    >>> tax_number("PT", "PT 501 964 843")
    '501964843'
    >>> tax_number("PT", "501964842")
    Traceback (most recent call last):
    ...
    monedero.core.errors.InvalidInput: tax-number ='501964842'
    """
    module = get_cc_module(country, "vat") or get_cc_module(country, "tin")
    if module is None:
        return text
    try:
        return str(module.validate(text))
    except NumberRefused as wrong:
        raise refuse(FaultCode.TAX_NUMBER, value=text, country=country, wrong=_wrong(wrong)) from wrong


class Business(Strict):
    """The merchant as providers ask for it. `payout` is the account that is used where nothing else is said."""

    country: CountryCode = "PT"
    legal_name: Description = ""
    legal_form: LegalForm | None = None
    tax_number: Description = ""
    address: Description = ""
    email: Description = ""
    people: list[Person] = []
    payout_accounts: list[PayoutAccount] = []
    payout: Identifier | None = None
    facts: list[StatedFact] = []

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once((person.id for person in self.people), "person id")
        once((account.id for account in self.payout_accounts), "account id")
        once(
            (account.iban or f"{account.bank_code} {account.account_number}" for account in self.payout_accounts),
            "account",
        )
        if sum(person.owns for person in self.people) > 100:
            raise broken(FaultCode.SHARES_OVER, sum=sum(person.owns for person in self.people))
        if self.payout is not None and self.payout not in {account.id for account in self.payout_accounts}:
            raise broken(FaultCode.REFERENCE_DANGLING, what="account", value=self.payout, where="payout")
        return self
