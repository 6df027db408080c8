"""A month typed from past orders: it comes to what they came to."""

from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from monedero.core.typed_month import typed_month
from tests.properties import tried_on

AMOUNTS = st.lists(st.integers(1, 10_000_000) | st.integers(1, 2000), min_size=1, max_size=60)
NEAR = Fraction(1, 2)


@tried_on(200)
@given(AMOUNTS, st.integers(1, 24))
def test_the_turnover_is_kept_to_the_minor_unit_and_the_amounts_rise(amounts: list[int], months: int) -> None:
    month = typed_month(amounts, months, NEAR)
    assert abs(month.comes_to() - Fraction(sum(amounts), months)) <= NEAR
    low, usual, high = month.amounts
    assert min(amounts) <= low <= usual <= high <= max(amounts)


def test_orders_of_one_amount_are_counted_as_they_are() -> None:
    month = typed_month([4200] * 12, 4, NEAR)
    assert (str(month.orders), month.amounts) == ("3", (4200, 4200, 4200))
