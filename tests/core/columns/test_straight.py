"""The straight lines of a route give the fee of the exact core, to the minor unit."""

from datetime import date
from math import lcm

import polars as pl
import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.columns.straight import charged, figures_of
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.straight import FeeLine, lines_of
from monedero.core.ratecard.volume import Reached, Takings
from monedero.core.reasons import Reason
from tests.core.ratecard.made_up import RATES, cards, orders
from tests.properties import tried_on


def fee(line: FeeLine, amount: int, figure: int, below: int) -> int:
    """The fee that columns charge for one order on a line."""
    row = {"amount": amount, "figure": figure, "below": below, **figures_of(line)}
    frame = pl.DataFrame([row], schema=dict.fromkeys(row, pl.Int128))
    return int(frame.select(charged(pl.col("amount"), pl.col("figure"))).item())


@tried_on(150)
@given(cards(), st.lists(orders(), min_size=1, max_size=4), st.none() | st.just(Money(7_000_000, "EUR")))
def test_lines_charge_what_the_exact_core_charges(card: RateCard, held: list[Order], volume: Money | None) -> None:
    pricer, takings = CardPricer(card, "PT", RATES), Takings(every=volume)
    for order in held:
        if order.amount.minor == 0 or not pricer.open:
            continue
        settlement, candidates = pricer.prepared(order.known)
        terms = pricer.terms(order, takings)
        if isinstance(terms, Reason):
            continue
        for entry, priced in zip(candidates, pricer.price(order, takings), strict=True):
            lines = lines_of(entry, settlement, pricer.percent_over, terms.reached.get(entry.route.plan))
            if lines is None:
                continue
            currency = next((line.currency for line in lines), settlement)
            try:
                amount = RATES.per_minor(order.amount.currency, settlement, order.placed_on)
                figure = RATES.per_minor(currency, settlement, order.placed_on)
            except NoReferenceRate:
                continue
            below = lcm(amount.denominator, figure.denominator)
            times, figures = int(amount * below), int(figure * below)
            minor = order.amount.minor * times
            found = next(
                (line for line in lines if line.holds(minor, figures)),
                None,
            )
            if found is None:
                assert isinstance(priced, NotPriced)
            else:
                assert isinstance(priced, Priced)
                assert (found.rate, fee(found, minor, figures, below)) == (priced.rate, priced.charged.minor)


@pytest.mark.parametrize(
    ("fixed", "extra"),
    [({"fixed": "0.25 EUR"}, {"fixed": "1 USD"}), ({}, {"when": {"amount": {"from": "5 EUR"}}})],
)
def test_figures_in_two_currencies_and_extras_by_amount_have_no_lines(
    example_card: RateCard, fixed: dict[str, object], extra: dict[str, object]
) -> None:
    body = example_card.model_dump(mode="json", by_alias=True, exclude_unset=True)
    first = {"id": "any", "method": "card", "percent": "1", "when": {}, **fixed}
    more = {"id": "more", "label": "More", "percent": "1", "when": {}, **extra}
    card = RateCard.model_validate({**body, "rates": [first], "extras": [more], "events": [], "settlement": []})
    pricer = CardPricer(card, "PT", RATES)
    known = Order(Money(8500, "EUR"), "PT", date(2026, 1, 5)).known
    settlement, candidates = pricer.prepared(known)
    assert [lines_of(entry, settlement, pricer.percent_over) for entry in candidates] == [None] * len(candidates)


@pytest.mark.parametrize(("minor", "charge"), [(1_000, 35), (8_500, 61), (220_595, 500)])
def test_a_limited_rate_lies_between_its_limits(example_card: RateCard, minor: int, charge: int) -> None:
    """0.6 % + 0.10 EUR, at least 0.35 EUR and at most 5.00 EUR, worked by hand."""
    body = example_card.model_dump(mode="json", by_alias=True, exclude_unset=True)
    limits = {"minimum": "0.35 EUR", "maximum": "5.00 EUR"}
    rate = {"id": "debit", "method": "card", "percent": "0.6", "fixed": "0.10 EUR", "when": {}, **limits}
    card = RateCard.model_validate({**body, "rates": [rate], "extras": [], "events": [], "settlement": []})
    pricer = CardPricer(card, "PT", RATES)
    settlement, candidates = pricer.prepared(Order(Money(1, "EUR"), "PT", date(2026, 1, 5)).known)
    lines = lines_of(candidates[0], settlement, pricer.percent_over)
    assert lines
    assert fee(lines[0], minor, 1, 1) == charge


def test_where_it_is_not_known_what_a_volume_reaches_there_are_no_lines(example_card: RateCard) -> None:
    pricer = CardPricer(example_card, "PT", RATES)
    settlement, candidates = pricer.prepared(Order(Money(1, "EUR"), "PT", date(2026, 1, 5)).known)
    open_ends = Reached(frozenset(), frozenset(), frozenset({Money(1, "KWD")}))
    assert lines_of(candidates[0], settlement, pricer.percent_over, open_ends) is None
    assert lines_of(candidates[0], settlement, pricer.percent_over)
