"""Tests what else the core promises on its own, without a shop around it."""

from datetime import UTC, date, datetime

import pytest
from pydantic import ValidationError

from monedero.core.account import Account, Mode
from monedero.core.checkout.decision import Setting, decide
from monedero.core.checkout.model import Tender
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.payment.payment import Chosen, Payment
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.record import OrderRecord
from monedero.core.request import Asking, Request
from monedero.core.shop import Shop, Software, Storefront

NOW = datetime(2026, 11, 25, 10, 0, tzinfo=UTC)
PLANS = [{"id": "basic", "name": "Basic"}]


def record(provider: str | None) -> OrderRecord:
    chosen = Chosen(tender="t", name="T", method="card", provider=provider)
    return OrderRecord(
        token="t",
        number=1001,
        mode="test",
        edition=1,
        draft_version=None,
        placed_at=NOW,
        order=Order(Money(500, "EUR"), "ES", NOW.date(), frozenset({LineKind.GOODS}), recurring=False),
        line_name="Chart",
        payments=[Payment.begin(1, chosen, Money(500, "EUR"), NOW)],
        happened=[],
    )


def test_a_record_says_what_was_ordered_and_whether_something_is_to_come() -> None:
    at_provider = record("orlenta")
    assert at_provider.order == Order(
        Money(500, "EUR"), "ES", NOW.date(), frozenset({LineKind.GOODS}), recurring=False
    )
    assert not at_provider.asks
    assert at_provider.changes_at is None
    assert record(None).changes_at == record(None).payment.until
    asked = Request(key="k", what=Asking.BEGIN, payment=1, amount=None, at=NOW)
    assert at_provider.model_copy(update={"requests": [asked]}).asks


def test_the_plan_of_the_software_is_one_of_its_plans() -> None:
    assert Software.model_validate({"name": "S", "plan": "basic", "plans": PLANS}).held.name == "Basic"
    with pytest.raises(ValidationError, match="reference-dangling"):
        Software.model_validate({"name": "S", "plan": "grand", "plans": PLANS})


def test_an_order_is_not_given_up_before_it_is_overdue() -> None:
    given = {"id": "t", "method": "bank-transfer", "on": True, "name": "T", "due_days": 5}
    assert Tender.model_validate({**given, "lapse_days": 5}).carried_by is None
    with pytest.raises(ValidationError, match="days-crossed"):
        Tender.model_validate({**given, "lapse_days": 4})


def test_an_account_serves_its_storefronts_alone(rates: ReferenceRates) -> None:
    route = Route(provider="orlenta", plan="start", method="card")
    tender = Tender(id="card", method="card", route=route, on=False, follows=True, name="Card", account="second")
    account = Account.model_validate(
        {
            "id": "second",
            "provider": "orlenta",
            "mode": "test",
            "stage": "connected",
            "active_methods": ["card"],
            "storefronts": ["pier-counter"],
        }
    )
    card = Method(id="card", name="Card", family="card", buyer="", recurring=True)
    order = Order(Money(500, "EUR"), "ES", date(2026, 1, 5), frozenset({LineKind.GOODS}), recurring=False)

    def outcome(storefront: Storefront | None) -> list[str]:
        setting = Setting("PT", "EUR", Mode.TEST, {"card": card}, {"second": account}, rates, storefront)
        return [reason.code.value for reason in decide([tender], order, setting)[0].reasons]

    assert outcome(Storefront(id="pier-counter", name="The pier")) == []
    assert outcome(Storefront(id="web-shop", name="Web shop")) == ["account-storefront"]
    assert outcome(None) == []


def test_a_storefront_is_found_by_its_id_whatever_it_is_called() -> None:
    given = {"name": "S", "country": "PT", "currency": "EUR"}
    fronts = [{"id": "web-shop", "name": "Web shop"}, {"id": "pier", "name": "Pier"}]
    shop = Shop.model_validate({**given, "storefronts": fronts})
    assert [front.name if (front := shop.storefront(id)) else "" for id in ("pier", "web-shop", "Web shop")] == [
        *("Pier", "Web shop", ""),
    ]
    # A shop that names none has one.
    assert [front.id for front in Shop.model_validate(given).storefronts] == ["web-shop"]
    with pytest.raises(ValidationError, match="list-empty"):
        Shop.model_validate({**given, "storefronts": []})
    for twice in ([fronts[0], {**fronts[1], "id": "web-shop"}], [fronts[0], {**fronts[1], "name": "web SHOP"}]):
        with pytest.raises(ValidationError, match="duplicate"):
            Shop.model_validate({**given, "storefronts": twice})


def test_routes_without_a_price_stand_apart_in_a_ranking(rates: ReferenceRates, example_card: RateCard) -> None:
    order = Order(Money(8500, "USD"), "US", date(2024, 1, 2), frozenset({LineKind.GOODS}), recurring=False)
    catalogue = Catalogue([example_card], "PT", rates)
    ranked, shut = catalogue.rank(catalogue.price(order), "EUR", order.placed_on)
    assert [entry.pricing.route.method for entry in ranked] == ["card"]
    assert {entry.reason.code.value for entry in shut} == {"no-rate-fits"}
    assert len(ranked) + len(shut) == len(example_card.routes)
