"""Tests what is offered at every amount: the stretches agree with the decision, amount by amount."""

from datetime import date
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.account import Mode
from monedero.core.checkout.decision import Decision, Setting
from monedero.core.checkout.model import Tender
from monedero.core.checkout.stretches import stretches
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.window import Window
from monedero.figures import reference_rates
from monedero.wording.tender_conditions import alone_text
from tests.properties import tried_on

RATES = ReferenceRates(reference_rates.bundled())
WINDOWS = st.builds(
    lambda ends, currency, end: Window.model_validate(
        {"from": f"{min(ends)} {currency}", end: f"{max(ends) + 1} {currency}"}
    ),
    st.tuples(st.integers(0, 9), st.integers(0, 9)),
    st.sampled_from(["EUR", "GBP", "XPF"]),
    st.sampled_from(["up_to", "below"]),
)


def decision(windows: list[list[Window]], amount: Window | None = None) -> Decision:
    traits = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=True, own=True, amount=amount)
    tenders = [
        Tender(id=f"t-{place}", method="cash", on=True, name=f"T {place}", windows=held, networks=["aster"])
        for place, held in enumerate(windows)
    ]
    return Decision(tenders, Setting("PT", "EUR", Mode.TEST, {"cash": traits}, {}, RATES))


def order(minor: int, currency: str) -> Order:
    return Order(Money(minor, currency), "PT", date(2026, 1, 5))


@tried_on(80)
@given(
    st.lists(st.lists(WINDOWS, max_size=2, unique_by=lambda window: window.currency), max_size=4),
    st.none() | WINDOWS,
    st.sampled_from(["EUR", "GBP"]),
)
def test_every_amount_is_in_the_stretch_that_says_what_it_is_offered(
    windows: list[list[Window]], amount: Window | None, currency: str
) -> None:
    made = decision(windows, amount)
    found = stretches(made, order(100, currency))
    assert found[0].from_.minor == 1
    assert [entry.below for entry in found[:-1]] == [entry.from_ for entry in found[1:]]
    assert found[-1].below is None
    for minor in range(1, 1200):
        [held] = [
            entry
            for entry in found
            if entry.from_.minor <= minor and (not entry.below or minor < entry.below.minor)
        ]
        assert held.tenders == made.offered(order(minor, currency))
    assert all(one.tenders != other.tenders for one, other in pairwise(found))


@pytest.mark.parametrize(
    ("windows", "told"),
    [
        ([], "Nobody can pay at any amount."),
        ([[]], "T 0 alone is left at any amount; if it fails, nobody can pay."),
        ([[], []], ""),
        (
            [[Window(up_to="150.00 EUR")], [Window(from_="20.00 EUR", below="90.00 EUR")]],
            "T 0 alone is left below 20.00 EUR; if it fails, nobody can pay. "
            "T 0 alone is left from 90.00 EUR below 150.01 EUR; if it fails, nobody can pay. "
            "Nobody can pay from 150.01 EUR.",
        ),
    ],
)
def test_where_buyers_have_little_to_choose_from(windows: list[list[Window]], told: str) -> None:
    assert alone_text(stretches(decision(windows), order(100, "EUR"))) == told
