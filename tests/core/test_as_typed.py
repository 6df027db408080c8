"""Money as people type it: every way in which a European language prints it is understood, or asked about.

Source: CLDR, as package `babel` carries it, for how languages group thousands and mark decimals; ISO 4217 for decimals.
"""

from decimal import Decimal
from typing import Any

import pytest
from babel.numbers import format_decimal
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from monedero.core.as_typed import amount_of, money_text, percent_text, quantity_text
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.fields import BY_PROGRAM, MoneyText, Percent, Quantity
from monedero.core.money import Money, minor_digits

LANGUAGES = [
    "bg",
    "cs",
    "da",
    "de",
    "de_AT",
    "de_CH",
    "el",
    "en",
    "en_IE",
    "es",
    "et",
    "fi",
    "fr",
    "ga",
    "hr",
    "hu",
    "it",
]
LANGUAGES += ["lt", "lv", "mt", "nb", "nl", "pl", "pt", "pt_PT", "ro", "sk", "sl", "sv"]


@given(
    minor=st.integers(0, 10**11),
    language=st.sampled_from(LANGUAGES),
    currency=st.sampled_from(["EUR", "GBP", "SEK", "PLN", "JPY", "TND"]),
    placed=st.sampled_from(["{amount} {code}", "{code} {amount}", "{amount}{code}", "{amount} {code} {code}"]),
)
def test_what_a_language_prints_is_read_back(minor: int, language: str, currency: str, placed: str) -> None:
    money = Money(minor, currency)
    digits = minor_digits(currency)
    pattern = "#,##0" + ("." + "0" * digits if digits else "")
    amount = format_decimal(Decimal(money.amount), format=pattern, locale=language)
    typed = placed.format(amount=amount, code=currency.lower())
    readings = []
    try:
        readings = [Money.parse(money_text(typed))]
    except InvalidInput as asked:
        fields = asked.faults[0].fields
        readings = [Money.of(fields[way], currency) for way in ("thousands", "decimals")]
    assert money in readings
    # Only a single separator before three digits may be asked about.
    assert len(readings) == 1 or sum(amount.count(mark) for mark in ",.") == 1


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        ("12,50 EUR", "12.50 EUR"),
        ("12.50 EUR EUR", "12.50 EUR"),
        ("€12.50", "12.50 EUR"),
        ("12,5 €", "12.5 EUR"),
        (",50 eur", "0.50 EUR"),
        ("1.234.567 EUR", "1234567 EUR"),
        ("1 234,5 EUR", "1234.5 EUR"),
        ("1'234.50 CHF", "1234.50 CHF"),
        ("1,200 EUR", "1200 EUR"),
        ("1,200 JPY", "1200 JPY"),
        ("1.200 TND", "1.200 TND"),
        ("0,500 TND", "0.500 TND"),
        ("\uff11\uff12.50 EUR", "12.50 EUR"),
        ("\u22125 EUR", "-5 EUR"),
        ("9000\u00a0EUR", "9000 EUR"),
    ],
)
def test_one_meaning_is_understood(typed: str, kept: str) -> None:
    assert money_text(typed) == kept


def test_an_amount_of_one_currency_is_refused_as_it_was_typed() -> None:
    for typed, code in (("1.200", FaultCode.AMOUNT_AMBIGUOUS), ("much", FaultCode.AMOUNT_TEXT)):
        with pytest.raises(InvalidInput) as refused:
            amount_of(typed, "EUR")
        assert refused.value.faults[0].code is code


@pytest.mark.parametrize(
    ("typed", "thousands", "decimals"),
    [
        ("1.200 EUR", "1200", "1.20"),
        ("12.345 SEK", "12345", "12.35"),
        ("1,200 TND", "1200", "1.200"),
        ("9.000 JPY", "9000", "9"),
    ],
)
def test_two_meanings_are_asked_about(typed: str, thousands: str, decimals: str) -> None:
    with pytest.raises(InvalidInput) as asked:
        money_text(typed)
    [fault] = asked.value.faults
    assert fault.code is FaultCode.AMOUNT_AMBIGUOUS
    assert (fault.fields["thousands"], fault.fields["decimals"]) == (thousands, decimals)


@pytest.mark.parametrize(
    ("typed", "code"),
    [
        ("9000", FaultCode.MONEY_TEXT),
        ("EUR", FaultCode.MONEY_TEXT),
        ("", FaultCode.MONEY_TEXT),
        ("12 50 EUR", FaultCode.MONEY_TEXT),
        ("1,20,300 EUR", FaultCode.MONEY_TEXT),
        ("1.200.50 EUR", FaultCode.MONEY_TEXT),
        ("1.200,50.00 EUR", FaultCode.MONEY_TEXT),
        ("12 EUR 50", FaultCode.MONEY_TEXT),
        ("12.50 USD EUR", FaultCode.CURRENCIES_TYPED),
        ("€12 GBP", FaultCode.CURRENCIES_TYPED),
        ("12 euros", FaultCode.MONEY_TEXT),
        ("twenty EUR", FaultCode.MONEY_TEXT),
        ("12 XYZ", FaultCode.CURRENCY_UNKNOWN),
        ("9" * 40 + " EUR", FaultCode.MONEY_TEXT),
        ("9" * 400 + " EUR", FaultCode.MONEY_TEXT),
    ],
)
def test_what_is_no_money_is_refused(typed: str, code: FaultCode) -> None:
    with pytest.raises(InvalidInput) as refused:
        Money.parse(money_text(typed))
    assert refused.value.faults[0].code is code


@pytest.mark.parametrize(
    ("typed", "kept"),
    [("2,9", "2.9"), ("2.9 %", "2.9"), (" 0,25% ", "0.25"), ("1.234", "1.234"), ("ten", "ten"), ("%", "%")],
)
def test_percentages(typed: str, kept: str) -> None:
    assert percent_text(typed) == kept


@pytest.mark.parametrize(
    ("typed", "kept"),
    [("1,200", "1200"), ("1.200", "1.200"), ("12,5", "12.5"), ("1 200", "1200"), ("many", "many"), ("", "")],
)
def test_numbers_of_things(typed: str, kept: str) -> None:
    assert quantity_text(typed) == kept


@pytest.mark.parametrize(("kind", "typed"), [(MoneyText, "12,50 EUR"), (Percent, "2,9"), (Quantity, "1,200")])
def test_what_programs_write_is_in_one_way_only(kind: Any, typed: str) -> None:
    reader = TypeAdapter(kind)
    assert reader.validate_python(typed)
    with pytest.raises(ValidationError):
        reader.validate_python(typed, context=dict(BY_PROGRAM))
