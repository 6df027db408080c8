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
from monedero.core.day_typed import day_text
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.fields import BY_PROGRAM, MoneyText, Percent, Quantity, day
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


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        *(("12.03.1980", "1980-03-12"), ("12-03-1980", "1980-03-12"), ("1980/3/12", "1980-03-12")),
        *(("12 March 1980", "1980-03-12"), ("March 12, 1980", "1980-03-12"), ("12th of March 1980", "1980-03-12")),
        *(("12. März 1980", "1980-03-12"), ("12 de março de 1980", "1980-03-12"), ("1er août 2026", "2026-08-01")),
        *(("3 dic 2026", "2026-12-03"), ("5 Sept. 2026", "2026-09-05"), ("25/12/2026", "2026-12-25")),
        *(("12/25/2026", "2026-12-25"), ("2/2/2026", "2026-02-02"), (" 2026-11-24 ", "2026-11-24")),
    ],
)
def test_a_day_is_read_as_people_type_it(typed: str, kept: str) -> None:
    """Source: CLDR names of months; the writings themselves are common practice, no source."""
    assert day_text(typed) == kept


@pytest.mark.parametrize("typed", ["31.02.2026", "12 Blurb 1980", "12.03.80", "yesterday", "2026-13-01", "1" * 60])
def test_what_is_no_day_is_refused_as_it_was_typed(typed: str) -> None:
    with pytest.raises(InvalidInput, match="date-text"):
        day(day_text(typed))


def test_a_day_that_could_be_two_is_asked_about() -> None:
    with pytest.raises(InvalidInput) as refused:
        day_text("03/12/2026")
    assert refused.value.faults[0].fields == {"one": "2026-12-03", "other": "2026-03-12"}


@pytest.mark.parametrize(
    ("typed", "currency", "kept"),
    [
        ("$34.50", "USD", "34.50 USD"),
        ("$34.50", "CAD", "34.50 CAD"),
        ("£12", "GBP", "12.00 GBP"),
        ("¥1,200", "JPY", "1200 JPY"),
        ("18,71 €", "EUR", "18.71 EUR"),
    ],
)
def test_signs_of_currencies_are_understood(typed: str, currency: str, kept: str) -> None:
    assert str(amount_of(typed, currency)) == kept


@pytest.mark.parametrize(
    ("typed", "currency", "code"),
    [
        ("$34.50", "EUR", "currencies-typed"),
        ("£12", "EUR", "currencies-typed"),
        ("$ £ 5", "USD", "currencies-typed"),
    ],
)
def test_a_sign_of_another_currency_is_refused_as_what_it_is(typed: str, currency: str, code: str) -> None:
    with pytest.raises(InvalidInput, match=code):
        amount_of(typed, currency)


def test_a_sign_that_several_currencies_share_is_asked_about() -> None:
    assert money_text("£12") == "12 GBP"
    with pytest.raises(InvalidInput, match="sign-ambiguous"):
        money_text("$34.50")
