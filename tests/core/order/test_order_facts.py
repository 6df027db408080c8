"""The table of facts: every fact of an order is read in one way, and what a decision checks stands in it."""

from dataclasses import fields
from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

from monedero.core.account import Mode
from monedero.core.checkout.checks import Within
from monedero.core.checkout.condition import SEQUENCE as FACTS_OF_CONDITIONS
from monedero.core.checkout.coverage.reach import Reach
from monedero.core.checkout.decision import Setting, checks_of
from monedero.core.checkout.model import Tender
from monedero.core.errors import InvalidInput
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.facts import AMOUNT, FACTS, MAY_BE_UNKNOWN, POSTCODE, Cut, Fact, Part, order_from
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Device, Order
from monedero.figures import methods
from monedero.formats import orders_csv

BODY = TypeAdapter(Order)
WORDS = st.sampled_from(["courier", "star-chart", "9500-303", "members"])
ORDER = {"amount": "85.00", "currency": "EUR", "buyer_country": "ES", "placed_on": "2026-11-24"}


@st.composite
def any_order(draw: st.DrawFn) -> Order:
    """An order of which anything is known or not."""
    return Order(
        Money(draw(st.integers(0, 10**7)), draw(st.sampled_from(["EUR", "JPY", "KWD"]))),
        draw(st.sampled_from(["PT", "ES", "JP"])),
        draw(st.dates(date(1990, 1, 1), date(2199, 12, 31))),
        kinds=frozenset(draw(st.sets(st.sampled_from(LineKind)))),
        recurring=draw(st.none() | st.booleans()),
        card_network=draw(st.none() | WORDS),
        card_kind=draw(st.none() | st.sampled_from(CardKind)),
        lines=tuple(sorted(draw(st.sets(WORDS)))),
        postcode=draw(st.none() | WORDS),
        delivery=draw(st.none() | WORDS),
        customer_group=draw(st.none() | WORDS),
        storefront=draw(st.none() | WORDS),
        device=draw(st.none() | st.sampled_from(Device)),
        signed_in=draw(st.none() | st.booleans()),
    )


@given(any_order())
def test_an_order_is_read_again_from_the_texts_of_its_facts_and_from_its_body(order: Order) -> None:
    texts = {fact.column: fact.text(order) for fact in FACTS} | {"amount": order.amount.amount}
    assert order_from(texts) == order
    assert BODY.validate_json(BODY.dump_json(order)) == order


def test_every_field_of_an_order_is_a_fact_and_every_fact_a_column_of_orders_files() -> None:
    assert {field.name for field in fields(Order)} == {fact.field for fact in FACTS if fact.field}
    assert {fact.column for fact in FACTS} | {"id", "refund_of", "method"} == {
        *orders_csv.REQUIRED,
        *orders_csv.OPTIONAL,
    }


@pytest.mark.parametrize("fact", FACTS, ids=lambda fact: fact.id)
def test_what_cannot_be_read_is_refused_under_its_column(fact: object) -> None:
    for broken in FACTS:
        if broken is fact:
            with pytest.raises(InvalidInput) as refused:
                order_from({**ORDER, broken.column: "x" * 200 + "?"})
            assert refused.value.faults[0].field == broken.column


def test_what_is_left_out_is_unknown() -> None:
    order = order_from(ORDER)
    assert order == Order(Money(8500, "EUR"), "ES", date(2026, 11, 24))
    assert [fact.values(order) for fact in MAY_BE_UNKNOWN] == [()] * len(MAY_BE_UNKNOWN)
    for needed in ORDER:
        with pytest.raises(InvalidInput) as refused:
            order_from({**ORDER, needed: ""})
        assert refused.value.faults[0].field == needed
    with pytest.raises(InvalidInput, match="amount-negative"):
        order_from({**ORDER, "amount": "-0.01"})


def test_what_a_decision_checks_is_in_the_table(rates: ReferenceRates) -> None:
    for method in methods.known().values():
        tender = Tender(id="t", method=method.id, on=True, name="T", windows=[{"up_to": "5.00 EUR"}])
        setting = Setting("PT", "EUR", Mode.TEST, {method.id: method}, {}, rates)
        for check in checks_of(tender, setting):
            assert check.fact is None or check.fact in FACTS
            assert isinstance(check, Within) == (check.fact is AMOUNT)
            assert check.fact is None or (check.fact.cut is Cut.AMOUNTS) == isinstance(check, Within)


def test_coverage_tells_every_fact_apart_that_a_condition_can_be_about() -> None:
    """A fact whose part of a possible order was not said would leave coverage silent about its conditions."""
    assert {part.value for part in Part} - {"one"} == set(Reach._fields)
    about = {fact.id: fact for fact in FACTS} | {"area": POSTCODE}
    told_apart = {id for id in FACTS_OF_CONDITIONS if about[id].part is not Part.ONE}
    assert told_apart == set(FACTS_OF_CONDITIONS) - {"day"}
    # Nobody can add one without saying it.
    with pytest.raises(TypeError):
        Fact("mood", "mood", "mood", str, cut=Cut.CLASSES)  # type: ignore[call-arg]
