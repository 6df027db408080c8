"""Tests what a buyer fee does to a cost, where it takes more than it costs, and the fee that nets the shop its
price.
"""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.fee import BuyerFee
from monedero.core.cost.buyer_fee import OnTop, falls_on, netting, on_top_of, over_cost
from monedero.core.money import Money, round_half_up
from monedero.core.ratecard.linear import NOTHING, FeePiece, Linear
from tests.properties import tried_on

ZERO = Fraction(0)
SHARES = st.fractions(0, Fraction(1, 10), max_denominator=200)
FIXED = st.fractions(0, 2, max_denominator=100)


def piece(start: object, below: object, slope: Fraction, fixed: Fraction) -> FeePiece:
    end = None if below is None else Fraction(str(below))
    return FeePiece(Fraction(str(start)), end, "any", Linear(slope, ZERO), Linear(ZERO, fixed), NOTHING, ())


def card(percent: str, fixed: str) -> list[FeePiece]:
    return [piece(0, None, Fraction(percent) / 100, Fraction(fixed))]


# Source: handbook gross-up, checks 9.10 and 9.11: for 100.00 at 1.4 % + 0.25 the formula is 50125/493 = 101.673..., and
# the smallest right amount is 101.67. Checks 9.17: JPY 1000 at 3.6 %, 1037 nets 1000. The last is a card that is free.
@pytest.mark.parametrize(
    ("percent", "fixed", "price", "total"),
    [
        ("1.4", "0.25", Money(10000, "EUR"), 10167),
        ("3.6", "0", Money(1000, "JPY"), 1037),
        ("0", "0", Money(500, "EUR"), 500),
    ],
)
def test_the_fee_that_nets_the_price(percent: str, fixed: str, price: Money, total: int) -> None:
    fee = netting(card(percent, fixed), price)
    assert fee is not None
    assert price.minor + fee == total


PIECES = st.builds(
    lambda cut, one, two: [piece(0, cut, *one), piece(cut, None, *two)],
    st.integers(1, 60),
    st.tuples(SHARES, FIXED),
    st.tuples(SHARES, FIXED),
)


@tried_on(150)
@given(PIECES, st.integers(1, 6000), st.sampled_from([ZERO, Fraction(23, 100), Fraction(13, 200)]))
def test_no_smaller_fee_nets_the_price(pieces: list[FeePiece], price: int, tax: Fraction) -> None:
    """Searched one by one from nothing, as section 4 says."""

    def enough(fee: int) -> bool:
        taxed = fee * tax
        paid = Fraction(price + fee + round_half_up(taxed.numerator, taxed.denominator), 100)
        of = next(entry for entry in pieces if entry.below is None or paid < entry.below)
        exact = of.fee.at(paid) * 100
        return fee >= round_half_up(exact.numerator, exact.denominator)

    found = netting(pieces, Money(price, "EUR"), tax)
    assert found == next(fee for fee in range(10**6) if enough(fee))


def test_nothing_nets_where_all_of_it_is_taken() -> None:
    assert netting(card("100", "0"), Money(100, "EUR")) is None
    assert netting([], Money(100, "EUR")) is None
    # A piece that ends before its own fee is reached is passed over.
    assert netting([piece(0, 1, ZERO, Fraction(5))], Money(50, "EUR")) is None


FEES = st.builds(
    lambda percent, fixed, tax: BuyerFee.model_validate(
        {"percent": str(percent), "fixed": f"{fixed} EUR", "tax_percent": tax}
    ),
    st.integers(-3, 5),
    st.sampled_from(["0.10", "-0.25", "0", "1.50"]),
    st.sampled_from(["0", "23"]),
)


@tried_on(150)
@given(PIECES, FEES, st.integers(1, 9000))
def test_the_provider_is_paid_on_all_that_is_paid(pieces: list[FeePiece], fee: BuyerFee, minor: int) -> None:
    on_top = on_top_of(fee, Fraction(1))
    amount = Fraction(minor, 100)
    paid = amount + on_top.paid.at(amount)
    found = [entry for entry in falls_on(pieces, on_top) if within(entry, amount)]
    if paid < 0:
        assert found == []
        return
    of = next(entry for entry in pieces if entry.below is None or paid < entry.below)
    assert [entry.fee.at(amount) for entry in found] == [of.fee.at(paid)]
    over = any(within(stretch, amount) for stretch in over_cost(pieces, on_top, Fraction(1)))
    gap = on_top.kept.at(amount) - of.fee.at(paid)
    # At the very point where both are the same, neither takes more.
    assert gap == 0 or over is (gap > 0)


def within(stretch: object, amount: Fraction) -> bool:
    from_, below = stretch.from_, stretch.below  # type: ignore[attr-defined]
    return bool(from_ <= amount and (below is None or amount < below))


def test_a_price_for_less_than_the_fee_itself_falls_on_no_order() -> None:
    pieces = [piece("0", "0.50", ZERO, Fraction(1)), piece("0.50", None, ZERO, Fraction(2))]
    # With 1.00 on top of every order nobody pays less than 0.50.
    [left] = falls_on(pieces, OnTop(Linear(ZERO, Fraction(1)), Linear(ZERO, Fraction(1))))
    assert (left.from_, left.below, left.fee.at(ZERO)) == (ZERO, None, Fraction(2))


def test_neighbouring_stretches_are_one() -> None:
    pieces = [piece(0, 50, Fraction(1, 100), ZERO), piece(50, None, Fraction(2, 100), ZERO)]
    over = over_cost(pieces, OnTop(NOTHING, Linear(Fraction(3, 100), ZERO)), Fraction(1))
    assert [(entry.from_, entry.below) for entry in over] == [(ZERO, None)]
    assert over_cost(pieces, OnTop(NOTHING, NOTHING), Fraction(1)) == []
    apart = over_cost(pieces, OnTop(NOTHING, Linear(Fraction(3, 200), ZERO)), Fraction(1))
    assert [(entry.from_, entry.below) for entry in apart] == [(ZERO, Fraction(50))]
