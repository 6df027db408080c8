"""Tests what is offered: every reason, in its sequence, and the limits at their very edge."""

from dataclasses import replace
from datetime import date
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.account import Account, Mode
from monedero.core.checkout.decision import Decision, Outcome, Setting, cannot_carry, carrying, decide
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.delivery.model import Delivery
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method, UnknownMethod
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.model import Route
from monedero.core.reasons import ReasonCode
from monedero.core.window import Window
from monedero.figures import methods, reference_rates
from tests.properties import tried_on

RATES = ReferenceRates(reference_rates.bundled())
ROUTE = Route(provider="orlenta", plan="start", method="card")


def tender(**changes: Any) -> Tender:
    return Tender.model_validate({"id": "card", "method": "card", "on": True, "name": "Card", **changes})


def method(**changes: Any) -> Method:
    body = {"id": "card", "name": "Card", "family": "card", "buyer": "", "recurring": True, **changes}
    return Method.model_validate(body)


def account(**changes: Any) -> Account:
    body = {"provider": "orlenta", "mode": "test", "stage": "connected", "active_methods": ["card"], **changes}
    return Account.model_validate(body)


def order(amount: str = "85.00 EUR", country: str = "ES", recurring: bool = False) -> Order:
    return Order(Money.parse(amount), country, date(2026, 1, 5), frozenset({LineKind.BOOKING}), recurring)


def outcome(
    of: Order, placed: Tender, traits: Method | None = None, held: Account | None = None, shop: str = "PT"
) -> Outcome:
    accounts = {held.provider: held} if held else {}
    made = traits or method()
    if placed.route is None and not isinstance(made, UnknownMethod):
        made = made.model_copy(update={"own": True})
    setting = Setting(shop, "EUR", Mode.TEST, {"card": made}, accounts, RATES)
    return decide([placed], of, setting)[0]


def codes(of: Outcome) -> list[str]:
    return [reason.code.value for reason in of.reasons]


def test_an_own_arrangement_needs_no_account() -> None:
    assert outcome(order(), tender()).offered


@pytest.mark.parametrize(
    ("traits", "of", "shop", "code"),
    [
        ({"shop_countries": ["ES"]}, order(), "PT", ReasonCode.METHOD_SHOP_COUNTRY),
        ({"buyer_countries": ["PT"]}, order(), "PT", ReasonCode.METHOD_COUNTRY),
        ({"currencies": ["GBP"]}, order(), "PT", ReasonCode.METHOD_CURRENCY),
        ({"amount": {"from": "85.01 EUR"}}, order(), "PT", ReasonCode.METHOD_AMOUNT_UNDER),
        ({"amount": {"up_to": "84.99 EUR"}}, order(), "PT", ReasonCode.METHOD_AMOUNT_OVER),
        ({"amount": {"from": "1.000 KWD"}}, order(), "PT", ReasonCode.METHOD_AMOUNT_UNDER_UNKNOWN),
        ({"recurring": False}, order(recurring=True), "PT", ReasonCode.METHOD_RECURRING),
        ({"kinds": ["goods"]}, order(), "PT", ReasonCode.METHOD_KIND),
    ],
)
def test_what_a_method_cannot_carry(traits: dict[str, Any], of: Order, shop: str, code: ReasonCode) -> None:
    assert codes(outcome(of, tender(), method(**traits), shop=shop)) == [code.value]
    assert outcome(of, tender(), shop=shop).offered


@pytest.mark.parametrize(
    ("held", "code", "own"),
    [
        (None, ReasonCode.ACCOUNT_STAGE, "not-begun"),
        (account(stage="in-review", since=date(2026, 11, 19)), ReasonCode.ACCOUNT_STAGE, "in-review"),
        (account(mode="live"), ReasonCode.ACCOUNT_STAGE, "connected"),
        (account(active_methods=["device-wallet"]), ReasonCode.ACCOUNT_METHOD, "card"),
    ],
)
def test_an_account_that_is_not_ready(held: Account | None, code: ReasonCode, own: str) -> None:
    found = outcome(order(), tender(route=ROUTE), held=held).reasons
    assert [(reason.code, reason.own) for reason in found] == [(code, own)]
    assert outcome(order(), tender(route=ROUTE), held=account()).offered


@pytest.mark.parametrize(
    ("window", "amount", "code"),
    [
        ({"from": "85.00 EUR"}, "85.00 EUR", None),
        ({"from": "85.00 EUR"}, "84.99 EUR", ReasonCode.WINDOW_UNDER),
        ({"up_to": "85.00 EUR"}, "85.00 EUR", None),
        ({"up_to": "85.00 EUR"}, "85.01 EUR", ReasonCode.WINDOW_OVER),
        ({"below": "85.00 EUR"}, "84.99 EUR", None),
        ({"below": "85.00 EUR"}, "85.00 EUR", ReasonCode.WINDOW_OVER),
        ({"up_to": "85.00 EUR"}, "9.000 KWD", ReasonCode.WINDOW_OVER_UNKNOWN),
        ({"up_to": "85.00 GBP"}, "500.00 EUR", None),
    ],
)
def test_a_window_at_its_edges(window: dict[str, str], amount: str, code: ReasonCode | None) -> None:
    found = codes(outcome(order(amount), tender(windows=[window])))
    assert found == ([] if code is None else [code.value])


def test_a_window_without_the_orders_currency_is_brought_over_unrounded_and_says_so() -> None:
    # ECB, 2026-01-05: the limit lies between two pence.
    limit = RATES.convert(Money.parse("60.00 EUR"), "GBP", date(2026, 1, 5))
    under = Money(int(limit * 100), "GBP")
    placed = tender(windows=[{"from": "60.00 EUR"}])
    found = outcome(order(str(under), "GB"), placed).reasons[0]
    assert (found.code, found.fields["brought_from"]) == (ReasonCode.WINDOW_UNDER, "EUR")
    assert outcome(order(str(Money(under.minor + 1, "GBP")), "GB"), placed).offered


def test_a_window_in_the_orders_own_currency_goes_first() -> None:
    placed = tender(windows=[{"up_to": "10.00 EUR"}, {"up_to": "100.00 GBP"}])
    assert outcome(order("99.00 GBP", "GB"), placed).offered


def test_all_reasons_are_given_in_sequence() -> None:
    traits = method(
        shop_countries=["DE"],
        buyer_countries=["DE"],
        currencies=["GBP"],
        amount={"up_to": "5.00 EUR"},
        recurring=False,
        kinds=["goods"],
    )
    placed = tender(on=False, route=ROUTE, windows=[{"up_to": "5.00 EUR"}])
    found = codes(outcome(order(recurring=True), placed, traits))
    sequence = [code.value for code in ReasonCode]
    assert len(found) == 9
    assert found == sorted(found, key=sequence.index)


@tried_on(400)
@given(st.lists(st.booleans(), max_size=12))
def test_places_count_up_over_the_offered_and_nothing_is_left_out(switched: list[bool]) -> None:
    tenders = [tender(id=f"t-{index}", name=f"T {index}", on=on) for index, on in enumerate(switched)]
    setting = Setting("PT", "EUR", Mode.TEST, {"card": method(own=True)}, {}, RATES)
    outcomes = decide(tenders, order(), setting)
    assert [entry.tender for entry in outcomes] == tenders
    assert [entry.place for entry in outcomes if entry.offered] == list(range(1, sum(switched) + 1))
    assert decide(tenders, order(), setting) == outcomes


def test_a_method_that_nobody_described_carries_nothing() -> None:
    nobody = UnknownMethod(id="card", name="Card", family="own", buyer="", recurring=True)
    assert [reason.code for reason in outcome(order(), tender(), nobody).reasons] == [ReasonCode.METHOD_UNKNOWN]


AMOUNTS = st.builds(Money, st.integers(0, 200_000), st.sampled_from(["EUR", "GBP", "JPY", "XPF"]))
LIMITS = st.builds(
    lambda ends, currency, kind: Window.model_validate(
        {"from": f"{min(ends)} {currency}", kind: f"{max(ends) + 1} {currency}"}
    ),
    st.tuples(st.integers(0, 2000), st.integers(0, 2000)),
    st.sampled_from(["EUR", "GBP", "XPF"]),
    st.sampled_from(["up_to", "below"]),
)
ORDERS = st.builds(
    Order,
    AMOUNTS,
    st.sampled_from(["PT", "ES", "US"]),
    st.just(date(2026, 1, 5)),
    st.frozensets(st.sampled_from(LineKind), max_size=2),
    st.none() | st.booleans(),
)
METHODS = st.builds(
    lambda **traits: method(own=True, **{key: value for key, value in traits.items() if value is not None}),
    shop_countries=st.none() | st.lists(st.sampled_from(["PT", "FR"]), min_size=1, max_size=2),
    buyer_countries=st.none() | st.lists(st.sampled_from(["PT", "ES"]), min_size=1, max_size=2),
    currencies=st.none() | st.lists(st.sampled_from(["EUR", "GBP"]), min_size=1, max_size=2),
    amount=st.none() | LIMITS,
    recurring=st.booleans(),
    kinds=st.none() | st.lists(st.sampled_from(list(LineKind)), min_size=1, max_size=3),
)


WINDOWS = st.lists(LIMITS, max_size=2, unique_by=lambda window: window.currency)


@tried_on(150)
@given(st.lists(st.tuples(METHODS, WINDOWS, st.booleans()), max_size=5), ORDERS)
def test_what_is_offered_is_what_no_reason_holds_back(
    drawn: list[tuple[Method, list[Window], bool]], of: Order
) -> None:
    """The two answers of one compiled decision agree."""
    tenders = [
        Tender(id=f"t-{place}", method=f"m-{place}", on=on, name=f"T {place}", windows=windows)
        for place, (_, windows, on) in enumerate(drawn)
    ]
    traits = {f"m-{place}": made for place, (made, _, _) in enumerate(drawn)}
    setting = Setting("PT", "EUR", Mode.TEST, traits, {}, RATES)
    decision = Decision(tenders, setting)
    outcomes = decision.outcomes(of)
    assert decision.offered(of) == [outcome.tender for outcome in outcomes if outcome.offered]
    assert [outcome.place for outcome in outcomes if outcome.offered] == list(
        range(1, sum(outcome.offered for outcome in outcomes) + 1)
    )
    for (made, _, _), (_, sifted) in zip(drawn, decision.tenders, strict=True):
        # Each check says why exactly where it does not hold.
        assert all(check.holds(of) is not any(check.reasons(of)) for check in sifted.checks)
        against = any(cannot_carry(made, of, setting))
        assert against is any(any(check.reasons(of)) for check in carrying(made, setting))


def test_a_method_with_handovers_fits_the_ways_of_delivery_that_hand_over_so() -> None:
    kinds = {"courier": "courier", "pier": "collection", "kite": "own"}
    ways = [Delivery.model_validate({"id": id, "name": id, "kind": kind}) for id, kind in kinds.items()]
    cash = method(handovers=["collected"], own=True)
    setting = Setting("PT", "EUR", Mode.TEST, {"card": cash}, {}, RATES, deliveries=ways)
    for way, offered in (("courier", False), ("pier", True), ("kite", True)):
        found = decide([tender()], replace(order(), delivery=way), setting)[0]
        assert (found.place is not None) is offered, way


def test_what_is_paid_at_the_handover_pays_no_deposit() -> None:
    cash = method(own=True, paid_at_handover=True)
    setting = Setting("PT", "EUR", Mode.TEST, {"card": cash}, {}, RATES, due_before=frozenset({"boat"}))
    assert codes(decide([tender()], replace(order(), lines=("boat",)), setting)[0]) == ["method-due-before"]
    assert decide([tender()], replace(order(), lines=("chart",)), setting)[0].place == 1


def test_a_tender_whose_details_are_missing_is_held_back_in_the_currency_that_lacks_them() -> None:
    setting = Setting("PT", "EUR", Mode.TEST, {"card": method(own=True)}, {}, RATES, details={"card": ["EUR"]})
    assert decide([tender()], order(), setting)[0].place == 1
    assert codes(decide([tender()], order("85.00 GBP"), setting)[0]) == ["details-missing"]


def test_tenders_stand_in_one_sequence_without_a_heading_first_then_heading_by_heading() -> None:
    """The checkout and its decision have the same one, whatever the sequence in which it is kept."""
    headings = [{"id": id, "name": {"en": id}} for id in ("now", "later")]
    kept = [("a", "later"), ("b", None), ("c", "now"), ("d", "later"), ("e", None)]
    tenders = [{"id": id, "method": "bank-transfer", "name": id, "on": True, "heading": at} for id, at in kept]
    checkout = Checkout.model_validate(
        {"storefront": "web-shop", "mode": "test", "headings": headings, "tenders": tenders}
    )
    in_place = [tender.id for tender in checkout.in_place]
    assert in_place == ["b", "e", "c", "a", "d"]
    setting = Setting(
        shop_country="PT",
        shop_currency="EUR",
        mode=Mode.TEST,
        methods=methods.known(),
        accounts={},
        rates=ReferenceRates(reference_rates.bundled()),
    )
    decision = Decision(checkout.tenders, setting, headings=checkout.headings)
    order = Order(Money(8500, "EUR"), "PT", date(2026, 11, 24), recurring=False)
    assert [tender.id for tender in decision.offered(order)] == in_place
