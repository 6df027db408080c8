"""Shops, checkouts and payments: what is refused, what changes, and which moves there are."""

from fractions import Fraction
from typing import Any

import pytest
from pydantic import ValidationError

from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.shop import Shop
from monedero.core.tender.difference import changes, shop_changes, window_text
from monedero.core.tender.model import Checkout
from monedero.core.window import Window

MARKET = {"id": "es", "country": "ES", "currency": "EUR", "share": "100"}
LINE = {"id": "chart", "name": "Chart", "kind": "goods", "usual_amount": "5 EUR", "recurring": False}


def shop(**changed: Any) -> Shop:
    return Shop.model_validate({"name": "Cabo Noite", "country": "PT", "currency": "EUR", **changed})


def checkout(*tenders: dict[str, Any]) -> Checkout:
    return Checkout.model_validate({"storefront": "Web shop", "mode": "test", "tenders": list(tenders)})


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
        ([tender("Card", description="x" * 301)], "too-long"),
    ],
)
def test_a_checkout_that_breaks_a_rule_is_refused(tenders: list[dict[str, Any]], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        checkout(*tenders)
    assert refused.value.errors()[0]["type"] == code


def test_changes_of_a_checkout_are_told_one_by_one() -> None:
    before = checkout(tender("Card"), tender("Cash"), tender("Debit"), tender("Wallet"))
    after_it = checkout(
        tender("Cash", on=False, description="At the pier"),
        tender("Card", name="Bank card", windows=[{"from": "5 EUR", "below": "9 EUR"}]),
        tender("Debit"),
        tender("Paper"),
    )
    found = [(change.code.value, change.fields) for change in changes(before, after_it)]
    assert found == [
        ("tender-removed", {"name": "Wallet"}),
        ("tender-off", {"name": "Cash"}),
        ("tender-described", {"name": "Cash", "after": "At the pier"}),
        ("tender-renamed", {"before": "Card", "after": "Bank card"}),
        ("tender-window", {"name": "Bank card", "after": "from 5.00 EUR, below 9.00 EUR"}),
        ("tender-added", {"name": "Paper", "state": "on"}),
        ("sequence", {"after": "Cash, Bank card, Debit"}),
    ]
    assert changes(before, before) == []


def test_changes_of_a_shop_are_told_one_by_one() -> None:
    before = shop(markets=[MARKET], lines=[LINE])
    after_it = shop(name="Cabo Dia", markets=[{**MARKET, "country": "PT"}], lines=[{**LINE, "kind": "course"}])
    found = [(change.code.value, change.fields) for change in shop_changes(before, after_it)]
    assert found == [
        ("shop", {"what": "name", "before": "Cabo Noite", "after": "Cabo Dia"}),
        ("market", {"name": "ES EUR", "how": "removed"}),
        ("market", {"name": "PT EUR", "how": "added"}),
        ("line", {"name": "Chart", "how": "changed"}),
    ]
    assert shop_changes(None, after_it) == []


def test_a_window_reads_as_its_limits() -> None:
    assert window_text(Window.model_validate({"up_to": "5 EUR"})) == "up_to 5.00 EUR"
    assert Window.model_validate({"below": "5 GBP"}).currency == "GBP"


def test_typed_rates_are_exact_units_for_one_euro() -> None:
    typed = shop(typed_rates=[{"currency": "KWD", "per_euro": "0.3512"}]).typed
    assert typed == {"KWD": Fraction("0.3512")}


def test_what_stays_the_same_in_a_shop_is_no_change() -> None:
    assert shop_changes(shop(markets=[MARKET]), shop(markets=[MARKET], lines=[LINE]))[0].fields["how"] == "added"


def test_money_and_percentages_are_taken_as_they_are() -> None:
    window = Window(from_=Money.parse("5.00 EUR"))
    assert window.from_ == Money(500, "EUR")


def test_a_fault_seen_from_further_out_names_the_whole_place() -> None:
    assert refuse(FaultCode.BLANK, "name").faults[0].at("lines.0").field == "lines.0.name"
