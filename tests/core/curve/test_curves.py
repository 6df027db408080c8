"""Crossings and the cheapest route: handbook values by hand, and brute force over made-up curves and cards."""

from dataclasses import replace
from datetime import date
from fractions import Fraction
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.cost.all_in import fee_curve
from monedero.core.curve.crossings import crossings
from monedero.core.curve.envelope import envelope
from monedero.core.curve.pieces import Curve, Piece, joined
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.linear import NOTHING, FeeCurve, fee_curves
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import NOT_KNOWN, Takings
from tests.core.ratecard.made_up import RATES, TAKINGS, cards, orders
from tests.properties import tried_on

ZERO = Fraction(0)
RATES_DAY = date(2024, 1, 2)


def straight(percent: str, fixed: str) -> Curve:
    return Curve((Piece(ZERO, None, Fraction(percent) / 100, Fraction(fixed)),))


def held(percent: str, fixed: str, minimum: str, maximum: str) -> Curve:
    """A percentage with a minimum and a maximum."""
    share, low, high = Fraction(percent) / 100, Fraction(minimum), Fraction(maximum)
    start, end = (low - Fraction(fixed)) / share, (high - Fraction(fixed)) / share
    return Curve(
        (
            Piece(ZERO, start, ZERO, low),
            Piece(start, end, share, Fraction(fixed)),
            Piece(end, None, ZERO, high),
        )
    )


# Exact fractions worked by hand, as in any handbook on break-even points.
CARD, FLAT = straight("1.4", "0.25"), straight("0", "0.70")
A, B, C = straight("1.8", "0.10"), straight("0.9", "0.40"), straight("0", "1.30")
P, Q = held("1.4", "0", "0.30", "5.00"), straight("0.9", "0.20")


@pytest.mark.parametrize(
    ("one", "other", "amounts"),
    [
        (CARD, FLAT, [Fraction(225, 7)]),
        (A, B, [Fraction(100, 3)]),
        (B, C, [Fraction(100)]),
        (A, C, [Fraction(200, 3)]),
        (P, Q, [Fraction(100, 9), Fraction(40), Fraction(1600, 3)]),
        (CARD, CARD, []),
        (straight("1", "0.20"), straight("1", "0.30"), []),
    ],
)
def test_where_two_routes_cost_the_same(one: Curve, other: Curve, amounts: list[Fraction]) -> None:
    assert [crossing.at for crossing in crossings(one, other)] == amounts
    assert [crossing.at for crossing in crossings(other, one)] == amounts


def test_which_is_lower_between_the_crossings() -> None:
    cheaper = ["P" if (P.at(x) or 0) < (Q.at(x) or 0) else "Q" for x in map(Fraction, (5, 20, 100, 1000))]
    assert cheaper == ["Q", "P", "Q", "P"]
    assert [(c.before, c.after) for c in crossings(P, Q)] == [(1, -1), (-1, 1), (1, -1)]


def test_a_jump_is_a_crossing_and_a_gap_is_none() -> None:
    low_then_high = Curve(
        (Piece(ZERO, Fraction(50), ZERO, Fraction(1)), Piece(Fraction(50), None, ZERO, Fraction(3)))
    )
    assert [c.at for c in crossings(low_then_high, straight("0", "2"))] == [50]
    parted = Curve((Piece(ZERO, Fraction(50), ZERO, Fraction(1)), Piece(Fraction(60), None, ZERO, Fraction(3))))
    assert crossings(parted, straight("0", "2")) == []


def test_the_cheapest_of_three_leaves_out_a_crossing_that_is_not_on_it() -> None:
    found = envelope([A, B, C], Fraction(1), Fraction(5000))
    assert [(stretch.from_, stretch.below, stretch.curve) for stretch in found] == [
        (1, Fraction(100, 3), 0),
        (Fraction(100, 3), 100, 1),
        (100, 5000, 2),
    ]


def test_the_first_worked_pair() -> None:
    """Domestic consumer debit card 1.2 % + 0.25 against 0.5 % + 0.10 with a minimum of 0.30: equal at 25/6."""
    debit = held("0.5", "0.10", "0.30", "5.00")
    found = envelope([straight("1.2", "0.25"), debit], Fraction(1), Fraction(5000))
    assert [(stretch.from_, stretch.curve) for stretch in found] == [(1, 0), (Fraction(25, 6), 1)]


def test_ties_go_to_the_lower_slope_then_to_the_earlier() -> None:
    steep, level = straight("1", "0"), straight("0", "1")
    assert envelope([steep, level], Fraction(100), Fraction(200))[0].curve == 1
    assert [stretch.curve for stretch in envelope([level, level], Fraction(1), Fraction(9))] == [0]
    three = [straight("3", "0"), straight("1", "2"), straight("2", "1")]
    assert [(s.from_, s.curve) for s in envelope(three, Fraction(1), Fraction(500))] == [
        (Fraction(1), 0),
        (Fraction(100), 1),
    ]


def test_a_stretch_without_a_price_is_a_piece_with_no_route() -> None:
    middle = Curve((Piece(Fraction(10), Fraction(20), ZERO, Fraction(1)),))
    found = envelope([middle], Fraction(1), Fraction(100))
    assert [(s.from_, s.below, s.curve) for s in found] == [
        (Fraction(1), Fraction(10), None),
        (Fraction(10), Fraction(20), 0),
        (Fraction(20), Fraction(100), None),
    ]
    assert envelope([], Fraction(1), Fraction(9))[0].curve is None
    beyond = Curve((Piece(ZERO, Fraction(1), ZERO, ZERO), Piece(Fraction(9), None, ZERO, ZERO)))
    assert [s.curve for s in envelope([beyond], Fraction(1), Fraction(9))] == [None]


VALUES = st.integers(0, 12).map(lambda twelfths: Fraction(twelfths, 12))


@st.composite
def curves(draw: st.DrawFn) -> Curve:
    ends = sorted(draw(st.sets(st.integers(0, 40), min_size=2, max_size=5)))
    pieces = [
        Piece(Fraction(low), Fraction(high), draw(VALUES), draw(VALUES) * 20)
        for low, high in pairwise(ends)
        if draw(st.booleans())
    ]
    return joined(pieces)


@tried_on(300)
@given(st.lists(curves(), max_size=6))
def test_the_envelope_is_what_brute_force_finds(held_curves: list[Curve]) -> None:
    """At every edge, at every crossing of two, and between them, the cheapest by trying all."""
    found = envelope(held_curves, ZERO, Fraction(45))
    assert found[0].from_ == 0
    assert found[-1].below == 45
    assert all(one.below == other.from_ and one.curve != other.curve for one, other in pairwise(found))
    points = {ZERO, Fraction(44), *(piece.from_ for curve in held_curves for piece in curve.pieces)}
    points |= {c.at for one in held_curves for other in held_curves for c in crossings(one, other)}
    points |= {(one + other) / 2 for one in points for other in points}
    for point in points:
        stretch = next(entry for entry in found if entry.from_ <= point < entry.below)
        priced = [
            (piece.at(point), piece.slope, index)
            for index, curve in enumerate(held_curves)
            if (piece := curve.piece_at(point)) is not None
        ]
        assert stretch.curve == (min(priced)[2] if priced else None)


@tried_on(200)
@given(cards(graduated=True), orders(), TAKINGS)
def test_a_curve_is_the_fee_charged_with_the_rounding_taken_away(
    card: RateCard, order: Order, takings: Takings
) -> None:
    """Every route's curve at the order's own amount, against the exact fee of that order."""
    pricer = CardPricer(card, "PT", RATES)
    for (route, pieces), priced in zip(
        fee_curves(pricer, order, takings, "EUR", RATES), pricer.price(order, takings), strict=True
    ):
        assert priced.route == route
        if isinstance(pieces, NotPriced):
            assert isinstance(priced, NotPriced)
            continue
        value = fee_curve(pieces).at(order.amount.exact)
        if isinstance(priced, Priced):
            to_books = RATES.find(priced.currency, "EUR", order.placed_on).value
            assert value == priced.exact * to_books
            exact = {part.kind + part.entry: Fraction(part.numerator, priced.denominator) for part in priced.parts}
            held_parts = next(piece for piece in pieces if piece.from_ <= order.amount.exact)
            assert set(exact) >= {f"percentage{held_parts.rate}"} or len(pieces) > 1
        else:
            assert value is None


@tried_on(120)
@given(cards(graduated=True), cards(), orders(), TAKINGS, st.lists(st.integers(1, 60_000), min_size=1, max_size=6))
def test_the_cheapest_route_is_the_first_of_the_exact_fees(
    card: RateCard, second: RateCard, order: Order, takings: Takings, minors: list[int]
) -> None:
    """The envelope over made-up rate cards, against every fee at several amounts with its rounding taken away."""
    other = second.model_copy(update={"provider": second.provider.model_copy(update={"id": "orlenta"})})
    pricers = [CardPricer(held, "PT", RATES) for held in (card, other)]
    pairs = [pair for pricer in pricers for pair in fee_curves(pricer, order, takings, "EUR", RATES)]
    curves_of = [fee_curve(()) if isinstance(pieces, NotPriced) else fee_curve(pieces) for _, pieces in pairs]
    cheapest = envelope(curves_of, Fraction(1, 1000), Fraction(10**6))
    for minor in minors:
        here = replace(order, amount=Money(minor, order.amount.currency))
        exact = [
            priced.exact * RATES.find(priced.currency, "EUR", here.placed_on).value
            if isinstance(priced, Priced)
            else None
            for pricer in pricers
            for priced in pricer.price(here, takings)
        ]
        stretch = next(entry for entry in cheapest if entry.from_ <= here.amount.exact < entry.below)
        least = min((fee for fee in exact if fee is not None), default=None)
        assert (None if stretch.curve is None else exact[stretch.curve]) == least


def lesser(pieces: FeeCurve, at: str) -> Fraction:
    amount = Fraction(at)
    piece = next(p for p in pieces if p.from_ <= amount and (p.below is None or amount < p.below))
    return piece.returned("percent").at(amount)


def test_what_a_refund_returns(example_card: RateCard) -> None:
    """0.5 % + 0.10, at least 0.30 and at most 5.00: the lesser of the percentage and the base comes back."""
    order = Order(Money(8500, "EUR"), "PT", RATES_DAY)
    debit = {
        route.method + route.plan: pieces
        for route, pieces in fee_curves(CardPricer(example_card, "PT", RATES), order, NOT_KNOWN, "EUR", RATES)
    }["sepa-direct-debitstart"]
    assert not isinstance(debit, NotPriced)
    assert lesser(debit, "20") == Fraction("0.10")
    assert lesser(debit, "85") == Fraction("0.425")
    assert lesser(debit, "990") == Fraction("4.95")
    assert lesser(debit, "1500") == Fraction("5.00")
    assert debit[-1].returned("none") == NOTHING
    assert debit[-1].returned("all").at(Fraction(1500)) == 5


def test_a_card_whose_fee_cannot_be_brought_over_has_no_curve(example_card: RateCard) -> None:
    order = Order(Money(8500, "EUR"), "PT", RATES_DAY)
    found = fee_curves(CardPricer(example_card, "PT", RATES), order, NOT_KNOWN, "KWD", RATES)
    assert all(isinstance(pieces, NotPriced) and pieces.reason.limit == "KWD" for _, pieces in found)
    with pytest.raises(NoReferenceRate):
        RATES.find("EUR", "KWD", RATES_DAY)
    shut = fee_curves(CardPricer(example_card, "GB", RATES), order, NOT_KNOWN, "EUR", RATES)
    assert all(isinstance(pieces, NotPriced) and pieces.reason.code == "shop-country" for _, pieces in shut)
