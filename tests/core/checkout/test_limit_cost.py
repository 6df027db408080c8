"""The cost of limits and the moves of changes agree with pricing and deciding the month twice, order by order."""

import json
from dataclasses import replace
from datetime import date
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.limit_cost import SameOrders, moved, offers_by_amount
from monedero.core.checkout.model import Tender
from monedero.core.checkout.widening import Around, can_widen, widened
from monedero.core.money import Money
from monedero.core.order.area import Area
from monedero.core.order.model import Order
from monedero.core.reasons import MONTH_TELLS_NOT, ReasonCode
from monedero.core.window import Window
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile, read
from tests.core.checkout.drawn_checkouts import COUNTRIES, checkouts
from tests.properties import tried_on

DAY = date(2025, 6, 11)
ORDERS = st.builds(
    lambda country, lines, delivery, group, device, signed: Order(
        Money(1, "EUR"),
        country,
        DAY,
        lines=lines,
        delivery=delivery,
        customer_group=group,
        device=device,
        signed_in=signed,
    ),
    st.sampled_from(COUNTRIES),
    st.sampled_from([("chart",), ("course",), ("club",)]),
    st.sampled_from([None, "courier", "pier"]),
    st.sampled_from([None, "retail", "wholesale"]),
    st.sampled_from([None, "phone"]),
    st.sampled_from([None, True]),
)
AMOUNTS = st.dictionaries(st.integers(1, 12000), st.fractions(Fraction(1, 4), 9, max_denominator=4), max_size=5)


def file_of(raw: dict[str, Any]) -> CheckoutFile:
    return read(json.dumps(raw).encode())


def without_end(window: Window, end: str) -> Window | None:
    rest = {"from_": None} if end == "from" else {"up_to": None, "below": None}
    left = window.model_copy(update=rest)
    return left if left.currency else None


@tried_on(60)
@given(checkouts(), ORDERS)
def test_an_end_keeps_a_tender_away_where_lifting_it_offers_the_tender(raw: dict[str, Any], facts: Order) -> None:
    """Once with the end of a window and once without it, at every amount at which an offer begins."""
    file, table = file_of(raw), reference_rates.bundled()
    decision, order = file.decision(table), file.order_of(facts)
    for begin, offer in offers_by_amount(decision, order):
        at = order.on(Money(begin, "EUR"), DAY)
        assert decision.alike(at) == decision.alike(order)
        assert {*offer.tenders} == by_id(decision.outcomes(at))
        for place, tender in enumerate(file.tenders):
            for end in ("from", "up_to"):
                windows = [kept for window in tender.windows if (kept := without_end(window, end))]
                lifted = tender.model_copy(update={"windows": windows})
                tenders = [*file.tenders[:place], lifted, *file.tenders[place + 1 :]]
                after = file.model_copy(update={"tenders": tenders}).decision(table).outcomes(at)
                keeps = tender.id in by_id(after) and tender.id not in offer.tenders
                assert ((tender.id, end) in offer.kept) == keeps


def by_id(outcomes: list[Outcome]) -> set[str]:
    """The tenders against which nothing speaks that a month tells."""
    return {
        outcome.tender.id
        for outcome in outcomes
        if all(reason.code in MONTH_TELLS_NOT for reason in outcome.reasons)
    }


@tried_on(80)
@given(checkouts(), checkouts(), st.lists(st.tuples(ORDERS, AMOUNTS), max_size=4))
def test_what_a_change_moves_is_what_deciding_the_month_twice_says(
    raw: dict[str, Any], other: dict[str, Any], orders: list[tuple[Order, dict[int, Fraction]]]
) -> None:
    file, changed = file_of(raw), file_of(other)
    table = reference_rates.bundled()
    before, after = file.decision(table), changed.decision(table)
    month = [SameOrders(file.order_of(order), amounts) for order, amounts in orders]
    found = moved(before, after, month)
    slowly: dict[str, list[Fraction]] = {}
    for same in month:
        for minor, weight in same.amounts.items():
            order = same.order.on(Money(minor, "EUR"), DAY)
            old, new = ({tender.id for tender in each.offered(order)} for each in (before, after))
            for id in old ^ new:
                slowly.setdefault(id, [Fraction(0), Fraction(0)])[id in old] += weight
    assert {id: list(change) for id, change in found.items()} == slowly


@tried_on(80)
@given(checkouts(), ORDERS, st.integers(1, 12000), st.sampled_from([None, "1000", "9000", "4000"]))
def test_the_act_of_a_reason_ends_it_and_adds_no_other(
    raw: dict[str, Any], order: Order, minor: int, postcode: str | None
) -> None:
    file = file_of(raw)
    decision = file.decision(reference_rates.bundled())
    placed = replace(file.order_of(order.on(Money(minor, "EUR"), DAY)), postcode=postcode)
    around = Around(file.shared_conditions, {area.id: area for area in file.areas}, "EUR")
    for outcome in decision.outcomes(placed):
        before = [reason.code for reason in outcome.reasons]
        for code in dict.fromkeys(before):
            wider = widened(outcome.tender, code, placed, around)
            assert (wider is not None) is can_widen(code)
            if wider is None:
                continue
            [held] = [tender for tender in file.tenders if tender.id == wider.id]
            told = {name: getattr(wider, name) for name in ("on", "windows", "conditions", "shared", "networks")}
            alone = file.model_copy(update={"tenders": [held.model_copy(update=told)]})
            [again] = alone.decision(reference_rates.bundled()).outcomes(placed)
            after = [reason.code for reason in again.reasons]
            assert code not in after
            # Nothing else comes in its place; an area that cannot be known may be asked with it and stay so.
            assert set(after) <= set(before)


def plain(windows: list[dict[str, str]], **more: Any) -> Tender:
    return Tender.model_validate({"id": "a", "method": "a", "on": True, "name": "A", "windows": windows, **more})


@pytest.mark.parametrize(
    ("windows", "code", "left"),
    [
        ([{"from": "9 EUR", "up_to": "50 EUR"}, {"up_to": "9 GBP"}], "window-over", [("9.00", ""), ("", "9.00")]),
        ([{"from": "90 EUR", "up_to": "95 EUR"}], "window-under", [("", "95.00")]),
        ([{"from": "90 EUR"}], "window-under", []),
        ([{"below": "50 EUR"}], "window-over", []),
    ],
)
def test_the_end_that_an_amount_is_beyond_is_lifted_and_the_others_stay(
    windows: list[dict[str, str]], code: str, left: list[tuple[str, str]]
) -> None:
    order = Order(Money(8500, "EUR"), "PT", DAY)
    wider = widened(plain(windows), ReasonCode(code), order, Around([], {}, "EUR"))
    assert wider is not None
    assert [
        (window.from_.amount if window.from_ else "", window.up_to.amount if window.up_to else "")
        for window in wider.windows
    ] == left


def test_a_card_network_is_let_in() -> None:
    order = Order(Money(8500, "EUR"), "PT", DAY, card_network="cygnet")
    tender = plain([], networks=["aster"])
    wider = widened(tender, ReasonCode.CONDITION_CARD_NETWORK, order, Around([], {}, "EUR"))
    assert wider is not None
    assert wider.networks == ["aster", "cygnet"]


@pytest.mark.parametrize(
    ("condition", "left"),
    [
        ({"fact": "area", "only": ["mainland"]}, [({"mainland", "islands"}, None)]),
        ({"fact": "area", "not": ["islands", "mainland"]}, [(None, {"mainland"})]),
        ({"fact": "area", "not": ["islands"]}, []),
    ],
)
def test_an_order_is_let_in_by_the_areas_in_which_it_lies(
    condition: dict[str, Any], left: list[tuple[set[str] | None, set[str] | None]]
) -> None:
    islands = Area(id="islands", name="Islands", postcodes={"PT": ["9"]})
    mainland = Area(id="mainland", name="Mainland", postcodes={"PT": ["1"]})
    around = Around([], {area.id: area for area in (islands, mainland)}, "EUR")
    order = Order(Money(8500, "EUR"), "PT", DAY, postcode="9000-082")
    wider = widened(plain([], conditions=[condition]), ReasonCode.CONDITION_AREA, order, around)
    assert wider is not None
    kept = [(each.only and set(each.only), each.not_ and set(each.not_)) for each in wider.conditions]
    assert kept == left
