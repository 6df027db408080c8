"""Cash steps of currencies, and amounts in coins."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.cash import cash_step, in_coins
from monedero.core.money import Money


# Source: CLDR supplemental data on currencies, cash digits and cash rounding, as in checks 1.10.
@pytest.mark.parametrize(
    ("currency", "step"),
    [("CHF", 5), ("CAD", 5), ("DKK", 50), ("SEK", 100), ("EUR", 1), ("USD", 1), ("JPY", 1), ("KWD", 1)],
)
def test_the_least_amount_that_can_be_paid_in_cash(currency: str, step: int) -> None:
    assert cash_step(currency) == step


@pytest.mark.parametrize(
    ("amount", "coins"),
    [
        ("12.32 CHF", "12.30"),
        ("12.33 CHF", "12.35"),
        ("12.25 DKK", "12.50"),
        ("12.24 DKK", "12.00"),
        ("9.49 SEK", "9.00"),
    ],
)
def test_an_amount_goes_to_the_nearest_coins_and_halves_up(amount: str, coins: str) -> None:
    assert in_coins(Money.parse(amount)).amount == coins


@given(st.integers(-(10**9), 10**9), st.sampled_from(["CHF", "DKK", "SEK", "EUR", "IQD"]))
def test_coins_are_whole_and_near(minor: int, currency: str) -> None:
    step, paid = cash_step(currency), in_coins(Money(minor, currency)).minor
    assert paid % step == 0
    assert 2 * abs(paid - minor) <= step
    assert in_coins(Money(paid, currency)).minor == paid
