"""Accounts in countries that do not use IBANs: what the bank is found by there, and how the account number is built.

Source: from memory, to be read again: the sort code of UK payments, the routing number of the ABA (package
`python-stdnum`), the BSB of AusPayNet, the IFSC of the Reserve Bank of India, the CLABE of the Mexican bankers'
association with its check digit, the transit number of Payments Canada, branch numbers of Japan, Brazil and South
Africa, account numbers of New Zealand with the bank in them. Elsewhere a bank code and a number, of no known shape.

>>> scheme_of("GB").bank_code, scheme_of("MX").bank_code, scheme_of("CL").bank_code
('sort-code', '', 'bank-code')
>>> wrong_in("GB", "20-00-00", "5577 9911"), wrong_in("GB", "2000", "55779911"), wrong_in("GB", "200000", "12")
('', 'sort-code', 'digits')
>>> wrong_in("MX", "", "032180000118359719"), wrong_in("MX", "", "032180000118359718")
('', 'clabe')
"""

import re
from collections.abc import Callable
from typing import NamedTuple

from stdnum.us import rtn


class Scheme(NamedTuple):
    """How an account is written in a country: what its bank code is called (empty: there is none), and both shapes."""

    bank_code: str = "bank-code"
    account_number: str = "account-number"
    bank_shape: str = r"[A-Z0-9]{1,20}"
    number_shape: str = r"(?=.*[0-9])[A-Z0-9]{1,34}"
    bank_check: Callable[[str], bool] = bool
    number_check: Callable[[str], bool] = bool


def clabe_checks(number: str) -> bool:
    """True if the last digit of a CLABE is right: weights 3, 7, 1 over the others, each product modulo 10."""
    total = sum(int(digit) * (3, 7, 1)[place % 3] % 10 for place, digit in enumerate(number[:17]))
    return (10 - total % 10) % 10 == int(number[17])


SCHEMES = {
    "GB": Scheme("sort-code", bank_shape=r"[0-9]{6}", number_shape=r"[0-9]{6,8}"),
    "US": Scheme("routing-number", bank_shape=r"[0-9]{9}", number_shape=r"[0-9]{4,17}", bank_check=rtn.is_valid),
    "AU": Scheme("bsb", bank_shape=r"[0-9]{6}", number_shape=r"[0-9]{4,9}"),
    "IN": Scheme("ifsc", bank_shape=r"[A-Z]{4}0[A-Z0-9]{6}", number_shape=r"[0-9]{6,18}"),
    "MX": Scheme("", "clabe", number_shape=r"[0-9]{18}", number_check=clabe_checks),
    "CA": Scheme("transit", bank_shape=r"[0-9]{8,9}", number_shape=r"[0-9]{7,12}"),
    "JP": Scheme("branch", bank_shape=r"[0-9]{3,7}", number_shape=r"[0-9]{7}"),
    "BR": Scheme("branch", bank_shape=r"[0-9]{4,8}", number_shape=r"[0-9]{4,13}[0-9X]?"),
    "ZA": Scheme("branch", bank_shape=r"[0-9]{6}", number_shape=r"[0-9]{6,13}"),
    "NZ": Scheme("", number_shape=r"[0-9]{15,16}"),
}
ANYWHERE = Scheme()


def scheme_of(country: str) -> Scheme:
    """How accounts without an IBAN are written in a country."""
    return SCHEMES.get(country, ANYWHERE)


def wrong_in(country: str, bank_code: str, account_number: str) -> str:
    """Tells which part of an account is not built as its country writes it, by a code; empty where both are right."""
    scheme, bank, number = scheme_of(country), _plain(bank_code), _plain(account_number)
    if scheme.bank_code and not (re.fullmatch(scheme.bank_shape, bank, re.ASCII) and scheme.bank_check(bank)):
        return scheme.bank_code
    if re.fullmatch(scheme.number_shape, number, re.ASCII) and scheme.number_check(number):
        return ""
    return "clabe" if scheme.account_number == "clabe" else "digits" if country in SCHEMES else "signs"


def _plain(text: str) -> str:
    return re.sub(r"[ \-/.]", "", text).upper()
