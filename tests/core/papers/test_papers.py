"""Tests what buyers need to pay: IBANs, references and numbers, held to published examples."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError
from stdnum import iso11649, luhn

from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.papers.arrangement import Arrangements
from monedero.core.papers.bank_account import TransferAccount
from monedero.core.papers.paper import Cash
from monedero.core.papers.reference import counter_number, grouped, of_order, reference
from tests.properties import tried_on

# Source: the IBAN registry's example of each country (from memory); the German one is also in schwifty's documents.
REGISTRY = (
    *("GB29NWBK60161331926819", "DE89370400440532013000", "FR1420041010050500013M02606", "NL91ABNA0417164300"),
    *("CH9300762011623852957", "AT611904300234573201", "ES9121000418450200051332", "FI2112345600000785"),
    *("IT60X0542811101000000123456", "NO9386011117947", "SE4550000000058398257466"),
    *("PT50000201231234567890154", "MT84MALT011000012345MTLCAST001S", "LC55HEMM000100010012001200023015"),
    *("GR1601101050000010547023795", "IE29AIBK93115212345678", "BE68539007547034"),
)
HOLDER = {"id": "main", "holder": "Cabo Noite"}


@pytest.mark.parametrize("iban", REGISTRY)
def test_an_iban_of_the_registry_is_taken_with_its_country(iban: str) -> None:
    account = TransferAccount.model_validate({**HOLDER, "country": "PT", "iban": grouped(iban)})
    assert (account.iban, account.country) == (iban, iban[:2])


# Source: single digits changed and pairs swapped, which ISO/IEC 7064 MOD 97-10 notices; lengths of ISO 13616.
@pytest.mark.parametrize(
    "iban",
    [
        *("GB29NWBK60161331926810", "DE89370400440532013001", "BE68539007547043", "NL91ABNA0417164301"),
        *("DE8937040044053201300", "XX8937040044053201300", ""),
    ],
)
def test_a_wrong_iban_is_refused_by_its_field(iban: str) -> None:
    with pytest.raises(ValidationError) as refused:
        TransferAccount.model_validate({**HOLDER, "country": "PT", "iban": iban})
    assert refused.value.errors()[0]["loc"] == ("iban",)


def test_elsewhere_an_account_is_a_bank_code_and_a_number() -> None:
    account = TransferAccount.model_validate(
        {**HOLDER, "country": "US", "currency": "USD", "bank_code": "021000021", "account_number": "12345678"}
    )
    assert (account.takes_euro_code(["PT", "GB"]), account.bank_name, account.bank_bic) == (False, "", "")


def test_a_bank_is_named_by_its_owner_else_by_what_is_known_of_the_iban() -> None:
    known = TransferAccount.model_validate({**HOLDER, "country": "DE", "iban": "DE89370400440532013000"})
    assert known.bank_name
    assert len(known.bank_bic) == 11
    named = known.model_copy(update={"bank": "Hausbank", "bic": "COBADEFF"})
    assert (named.bank_name, named.bank_bic) == ("Hausbank", "COBADEFF")


def test_one_account_for_each_currency() -> None:
    account = {**HOLDER, "country": "PT", "iban": REGISTRY[11]}
    with pytest.raises(ValidationError, match="duplicate"):
        Arrangements.model_validate({"accounts": [account, {**account, "id": "other"}]})
    told = Arrangements.model_validate({"accounts": [account]})
    assert told.account_for("EUR") is told.accounts[0]
    assert told.account_for("USD") is None


# Source: ISO 11649 examples, confirmed by package `stdnum`.
@pytest.mark.parametrize(
    ("body", "made"),
    [
        ("539007547034", "RF18539007547034"),
        ("ORDER2026000123", "RF07ORDER2026000123"),
        ("INV7", "RF79INV7"),
        ("1", "RF741"),
    ],
)
def test_a_reference_has_the_check_digits_of_the_standard(body: str, made: str) -> None:
    assert reference(body) == made


NUMBERS = st.integers(1001, 10**9 - 1)
TRIES = st.integers(1, 99)


@given(st.tuples(NUMBERS, TRIES), st.tuples(NUMBERS, TRIES))
@tried_on(200)
def test_no_two_payments_share_a_reference_or_a_number(one: tuple[int, int], other: tuple[int, int]) -> None:
    assert iso11649.is_valid(of_order(*one))
    assert luhn.is_valid(counter_number(*one))
    assert len(counter_number(*one)) == 12
    assert (of_order(*one) == of_order(*other)) == (one == other)
    assert (counter_number(*one) == counter_number(*other)) == (one == other)


def test_change_is_of_the_same_currency() -> None:
    assert Cash.model_validate({"kind": "cash", "pays_with": "50 USD"}).change(Money(4200, "EUR")) is None
    assert Cash(kind="cash").change(Money(4200, "EUR")) is None


def test_a_buyer_lacks_an_account_in_the_currency_or_where_cheques_go() -> None:
    told = Arrangements.model_validate({"accounts": [{**HOLDER, "country": "PT", "iban": REGISTRY[11]}]})
    assert not told.lacks_for(Family.CREDIT_TRANSFER, "EUR")
    assert told.lacks_for(Family.CREDIT_TRANSFER, "GBP")
    assert told.lacks_for(Family.CHEQUE, "EUR")
    assert not told.model_copy(update={"post_to": "Cais 3, Sagres"}).lacks_for(Family.CHEQUE, "EUR")
    assert not told.lacks_for(Family.CASH, "GBP")
