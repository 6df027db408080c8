"""Sums over a month agree with adding its orders up one by one, exactly."""

from fractions import Fraction
from itertools import zip_longest

from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.month_sums import Sums, cost_of
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.money import Money
from tests.properties import tried_on

WEIGHTS = st.fractions(min_value=0, max_value=50, max_denominator=12)
MONTHS = st.dictionaries(st.integers(1, 400), WEIGHTS, max_size=12)
ENDS = st.integers(1, 420)


@st.composite
def curves(draw: st.DrawFn) -> Curve:
    """Pieces with gaps between them, whose ends may lie between two minor units."""
    ends = sorted(draw(st.sets(st.fractions(min_value=0, max_value=5, max_denominator=300), max_size=6)))
    pieces = []
    for first, below in zip_longest(ends, ends[1:]):
        if draw(st.integers(0, 3)):
            slope, fixed = (draw(st.fractions(min_value=-1, max_value=1, max_denominator=50)) for _ in range(2))
            pieces.append(Piece(first, below, slope, fixed))
    return Curve(tuple(pieces))


@tried_on(400)
@given(MONTHS, curves(), ENDS, st.none() | ENDS, st.sampled_from(["EUR", "JPY", "KWD"]))
def test_sums_are_those_of_the_orders(
    month: dict[int, Fraction], curve: Curve, first: int, below: int | None, currency: str
) -> None:
    sums = Sums.of(month)
    inside = {minor: weight for minor, weight in month.items() if first <= minor < (below or 10**9)}
    orders, come_to = sums.between(first, below)
    assert orders == sum(inside.values())
    assert come_to == sum(minor * weight for minor, weight in inside.items())
    each = {minor: curve.at(Money(minor, currency).exact) for minor, weight in inside.items() if weight}
    wanted = (
        None
        if None in each.values()
        else sum((inside[minor] * (cost or 0) for minor, cost in each.items()), Fraction())
    )
    assert cost_of(sums, curve, currency, first, below) == wanted
