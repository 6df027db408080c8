"""Shops, checkouts and payments: what is refused, what changes, and which moves there are."""

from fractions import Fraction
from typing import Any

import pytest
from pydantic import ValidationError

from monedero.core.checkout.difference import changes, method_changes, shop_changes
from monedero.core.checkout.model import Checkout
from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.shop import Shop
from monedero.core.window import Window
from monedero.figures.methods import known

METHODS = known()
MARKET = {"id": "es", "country": "ES", "currency": "EUR", "share": "100"}
LINE = {"id": "chart", "name": "Chart", "kind": "goods", "usual_amount": "5 EUR", "recurring": False}


def shop(**changed: Any) -> Shop:
    return Shop.model_validate({"name": "Cabo Noite", "country": "PT", "currency": "EUR", **changed})


def checkout(*tenders: dict[str, Any]) -> Checkout:
    return Checkout.model_validate({"storefront": "web-shop", "mode": "test", "tenders": list(tenders)})


def tender(named: str, **changed: Any) -> dict[str, Any]:
    return {"id": named.lower(), "method": "card", "on": True, "name": named, **changed}


@pytest.mark.parametrize(
    ("changed", "code"),
    [
        ({"country": "XX"}, "country-unknown"),
        ({"currency": "XAU"}, "currency-unknown"),
        ({"takings": "0 EUR"}, "amount-zero"),
        ({"markets": [MARKET, {**MARKET, "id": "es-2"}]}, "duplicate"),
        ({"markets": [MARKET, {**MARKET, "country": "PT"}]}, "duplicate"),
        ({"markets": [{**MARKET, "share": "100.5"}]}, "percent-range"),
        ({"lines": [LINE, {**LINE, "name": "Lamp"}]}, "duplicate"),
        ({"lines": [LINE, {**LINE, "id": "lamp", "name": "CHART"}]}, "duplicate"),
        ({"lines": [{**LINE, "recurring": 1}]}, "bool_type"),
        ({"typed_rates": [{"currency": "KWD", "per_euro": "0"}]}, "amount-zero"),
        ({"typed_rates": [{"currency": "KWD", "per_euro": "1"}] * 2}, "duplicate"),
    ],
)
def test_a_shop_that_breaks_a_rule_is_refused(changed: dict[str, Any], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        shop(**changed)
    assert refused.value.errors()[0]["type"] == code


@pytest.mark.parametrize(
    ("tenders", "code"),
    [
        ([tender("Card"), tender("Card", id="card-2", name="CARD")], "name-taken"),
        ([tender("Card"), tender("Card", name="Other")], "duplicate"),
        ([tender("Card", windows=[{"from": "1 EUR"}, {"up_to": "5 EUR"}])], "duplicate"),
        ([tender("Card", windows=[{}])], "key-missing"),
        ([tender("Card", windows=[{"up_to": "5 EUR", "below": "6 EUR"}])], "limits-doubled"),
        ([tender("Card", windows=[{"from": "6 EUR", "up_to": "5 EUR"}])], "limits-crossed"),
        ([tender("Card", windows=[{"from": "5 EUR", "below": "5 EUR"}])], "limits-crossed"),
        (
            [tender("Card", route={"provider": "orlenta", "plan": "start", "method": "cash"})],
            "reference-dangling",
        ),
        ([tender("Card", texts={"en": {"description": "x" * 301}})], "too-long"),
    ],
)
def test_a_checkout_that_breaks_a_rule_is_refused(tenders: list[dict[str, Any]], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        checkout(*tenders)
    assert refused.value.errors()[0]["type"] == code


def test_changes_of_a_checkout_are_told_one_by_one() -> None:
    before = checkout(tender("Card"), tender("Cash"), tender("Debit"), tender("Wallet"))
    after_it = checkout(
        tender("Cash", on=False, texts={"en": {"description": "At the pier"}}),
        tender("Card", name="Bank card", windows=[{"from": "5 EUR", "below": "9 EUR"}]),
        tender("Debit"),
        tender("Paper"),
    )
    found = [(change.code.value, change.name, change.setting) for change in changes(before, after_it)]
    assert found == [
        ("tender-removed", "Wallet", ""),
        ("tender", "Cash", "on"),
        ("tender", "Cash", "texts"),
        ("tender", "Bank card", "name"),
        ("tender", "Bank card", "windows"),
        ("tender-added", "Paper", ""),
        ("sequence", "", ""),
    ]
    assert changes(before, after_it)[-1].after == ["Cash", "Bank card", "Debit", "Paper"]
    assert changes(before, before) == []


@pytest.mark.parametrize(
    ("field", "value"),
    [
        ("take", "on-dispatch"),
        ("gives", "at-order"),
        ("follows", True),
        ("account", "second"),
        ("route", {"provider": "orlenta", "plan": "start", "method": "card"}),
        ("due_days", 5),
        ("lapse_days", 9),
    ],
)
def test_whatever_is_changed_of_a_tender_is_told(field: str, value: Any) -> None:
    """Four of a tender's settings were compared; the others went live untold, or could not be published."""
    [change] = changes(checkout(tender("Card")), checkout(tender("Card", **{field: value})))
    assert (change.code.value, change.name, change.setting) == ("tender", "Card", field)


def test_changes_of_a_shop_are_told_one_by_one() -> None:
    before = shop(markets=[MARKET], lines=[LINE])
    after_it = shop(
        name="Cabo Dia", markets=[{**MARKET, "id": "pt", "country": "PT"}], lines=[{**LINE, "kind": "course"}]
    )
    found = [(change.code.value, change.setting, change.fields) for change in shop_changes(before, after_it)]
    assert found == [
        ("shop", "name", []),
        ("thing", "markets", []),
        ("thing", "markets", []),
        ("thing", "lines", ["kind"]),
    ]
    assert shop_changes(None, after_it) == []
    two = [MARKET, {**MARKET, "id": "pt", "country": "PT"}]
    [turned] = shop_changes(shop(markets=two), shop(markets=two[::-1]))
    assert (turned.code.value, turned.setting) == ("shop", "markets")


def test_what_a_method_can_carry_is_compared_where_both_use_it() -> None:
    card, cash = METHODS["card"], METHODS["cash-on-the-day"]
    limited = card.model_copy(update={"currencies": ["EUR"]})
    [change] = method_changes([card], [limited, cash])
    assert (change.code.value, change.name, change.after) == ("method", "card", limited)


def test_a_window_reads_as_its_limits() -> None:
    assert Window.model_validate({"below": "5 GBP"}).currency == "GBP"


def test_typed_rates_are_exact_units_for_one_euro() -> None:
    typed = shop(typed_rates=[{"currency": "KWD", "per_euro": "0.3512"}]).typed
    assert typed == {"KWD": Fraction("0.3512")}


def test_what_stays_the_same_in_a_shop_is_no_change() -> None:
    assert [
        change.before for change in shop_changes(shop(markets=[MARKET]), shop(markets=[MARKET], lines=[LINE]))
    ] == [None]


def test_money_and_percentages_are_taken_as_they_are() -> None:
    window = Window(from_=Money.parse("5.00 EUR"))
    assert window.from_ == Money(500, "EUR")


def test_a_fault_seen_from_further_out_names_the_whole_place() -> None:
    assert refuse(FaultCode.BLANK, "name").faults[0].at("lines.0").field == "lines.0.name"
