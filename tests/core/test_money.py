"""Minor units, rounding and allocation against published tables.

Sources: ISO 4217 List One of 2026-01-01 (as package `iso4217` carries it); General Decimal Arithmetic as in
Python's `decimal`; Balinski and Young, *Fair Representation*, 1982 (the first allocation is its textbook example,
from memory); Regulation (EC) 1103/97 Art. 5 (half-way is rounded up).
"""

from decimal import ROUND_HALF_UP, Decimal
from fractions import Fraction

import iso4217
import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.money import Money, minor_digits, round_half_up, split

EXPONENTS = {
    0: "BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF",
    3: "BHD IQD JOD KWD LYD OMR TND",
    4: "CLF UYW",
}
WITHOUT = "XAG XAU XBA XBB XBC XBD XDR XPD XPT XSU XTS XUA XXX"


@pytest.mark.parametrize(("digits", "codes"), EXPONENTS.items())
def test_minor_digits_by_iso_4217(digits: int, codes: str) -> None:
    assert {minor_digits(code) for code in codes.split()} == {digits}


def test_every_other_currency_has_two_decimals() -> None:
    listed = {code for codes in EXPONENTS.values() for code in codes.split()} | set(WITHOUT.split())
    others = [currency.code for currency in iso4217.Currency if currency.code not in listed]
    assert len(others) == 139
    assert {minor_digits(code) for code in others} == {2}


@pytest.mark.parametrize("code", [*WITHOUT.split(), "eur", "EURO", "", "ZZZ"])
def test_codes_without_a_minor_unit_are_refused(code: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        minor_digits(code)
    assert refused.value.faults[0].code is FaultCode.CURRENCY_UNKNOWN


@pytest.mark.parametrize(
    ("exact", "currency", "rounded"),
    [
        ("0.125", "EUR", "0.13"),
        ("0.135", "EUR", "0.14"),
        ("2.675", "EUR", "2.68"),
        ("2.665", "EUR", "2.67"),
        ("1000.5", "JPY", "1001"),
        ("1001.5", "JPY", "1002"),
        ("1.0005", "KWD", "1.001"),
        ("1.0015", "KWD", "1.002"),
        ("0.00005", "CLF", "0.0001"),
        ("-0.125", "EUR", "-0.13"),
        ("14.9985", "KWD", "14.999"),
    ],
)
def test_rounding_is_half_up_and_away_from_zero(exact: str, currency: str, rounded: str) -> None:
    assert Money.rounded(Fraction(exact), currency).amount == rounded


@given(st.integers(-(10**9), 10**9), st.integers(1, 10**4))
def test_rounding_agrees_with_the_decimal_module(numerator: int, denominator: int) -> None:
    tenth = Decimal(numerator) / Decimal(2)
    assert round_half_up(numerator, 2) == int(tenth.quantize(Decimal(1), ROUND_HALF_UP))
    assert abs(Fraction(numerator, denominator) - round_half_up(numerator, denominator)) <= Fraction(1, 2)


@pytest.mark.parametrize(
    ("weights", "seats", "shares"),
    [
        ([47000, 16000, 15800, 12000, 6100, 3100], 10, [5, 2, 1, 1, 1, 0]),
        ([6, 6, 2], 10, [4, 4, 2]),
        ([6, 6, 2], 11, [5, 5, 1]),
        ([1, 1, 1], 10000, [3334, 3333, 3333]),
        ([1, 1, 1], 1000, [334, 333, 333]),
        ([70, 20, 10], 5, [4, 1, 0]),
        ([1999, 1, 500], 101, [81, 0, 20]),
        ([5, 3, 2], 1, [1, 0, 0]),
    ],
)
def test_allocation_by_largest_remainder(weights: list[int], seats: int, shares: list[int]) -> None:
    quotas = [Fraction(seats * weight, sum(weights)) for weight in weights]
    assert split(quotas, seats) == shares


@given(st.lists(st.fractions(-100, 100), min_size=1, max_size=8))
def test_parts_add_up_and_stay_within_one_unit(parts: list[Fraction]) -> None:
    exact = sum(parts, Fraction(0))
    total = round_half_up(exact.numerator, exact.denominator) if exact >= 0 else int(exact // 1)
    shares = split(parts, total)
    assert sum(shares) == total
    assert all(abs(share - part) <= 1 for share, part in zip(shares, parts, strict=True))


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("5.001 EUR", FaultCode.AMOUNT_DECIMALS),
        ("5.0 JPY", FaultCode.AMOUNT_DECIMALS),
        ("5 XAU", FaultCode.CURRENCY_UNKNOWN),
        ("1,000.00 EUR", FaultCode.MONEY_TEXT),
        (".5 EUR", FaultCode.MONEY_TEXT),
        ("1. EUR", FaultCode.MONEY_TEXT),
        ("+1 EUR", FaultCode.MONEY_TEXT),
        ("1e3 EUR", FaultCode.MONEY_TEXT),
        (" 1 EUR", FaultCode.MONEY_TEXT),
        ("٣ EUR", FaultCode.MONEY_TEXT),
        ("five EUR", FaultCode.MONEY_TEXT),
        ("", FaultCode.MONEY_TEXT),
        ("5", FaultCode.MONEY_TEXT),
        ("5 EUR\n", FaultCode.CURRENCY_UNKNOWN),
    ],
)
def test_money_that_cannot_be_read_is_refused(text: str, code: FaultCode) -> None:
    with pytest.raises(InvalidInput) as refused:
        Money.parse(text)
    assert refused.value.faults[0].code is code


@given(st.integers(-(10**12), 10**12), st.sampled_from(["EUR", "JPY", "KWD", "CLF"]))
def test_money_comes_back_from_its_text(minor: int, currency: str) -> None:
    assert Money.parse(str(Money(minor, currency))) == Money(minor, currency)


def test_an_amount_that_is_not_digits_is_refused_by_name() -> None:
    with pytest.raises(InvalidInput) as refused:
        Money.of("1,5", "EUR")
    assert refused.value.faults[0].code is FaultCode.AMOUNT_TEXT
