"""Ways of delivery: their fee, and what of them contradicts itself."""

from typing import Any

import pytest
from pydantic import ValidationError

from monedero.core.delivery import Delivery
from monedero.core.money import Money
from monedero.core.shop import Shop

BANDS = [{"up_to_grams": 500, "fee": "3.00 EUR"}, {"up_to_grams": 2000, "fee": "5.00 EUR"}]


def way(**changes: Any) -> Delivery:
    return Delivery.model_validate({"id": "van", "name": "Van", **changes})


# Worked by hand.
@pytest.mark.parametrize(
    ("changes", "amount", "grams", "fee"),
    [
        ({}, "10.00 EUR", None, "0.00 EUR"),
        ({"fee": "4.00 EUR"}, "10.00 EUR", 10_000, "4.00 EUR"),
        ({"fee": "4.00 EUR", "free_from": "60.00 EUR"}, "59.99 EUR", None, "4.00 EUR"),
        ({"fee": "4.00 EUR", "free_from": "60.00 EUR"}, "60.00 EUR", None, "0.00 EUR"),
        ({"fee": "4.00 EUR", "free_from": "60.00 EUR"}, "600.00 GBP", None, "4.00 EUR"),
        ({"by_weight": BANDS}, "10.00 EUR", 500, "3.00 EUR"),
        ({"by_weight": BANDS}, "10.00 EUR", 501, "5.00 EUR"),
        ({"by_weight": BANDS}, "10.00 EUR", 2001, None),
        ({"by_weight": BANDS}, "10.00 EUR", None, None),
        ({"by_weight": [*BANDS, {"fee": "9.00 EUR"}]}, "10.00 EUR", 2001, "9.00 EUR"),
    ],
)
def test_what_it_costs_the_buyer(changes: dict[str, Any], amount: str, grams: int | None, fee: str | None) -> None:
    assert way(**changes).fee_for(Money.parse(amount), grams) == (Money.parse(fee) if fee else None)


@pytest.mark.parametrize(
    ("changes", "code"),
    [
        ({"fee": "4.00 EUR", "by_weight": BANDS}, "limits-doubled"),
        ({"by_weight": [*reversed(BANDS)]}, "bands-order"),
        ({"by_weight": [{"fee": "9.00 EUR"}, *BANDS]}, "bands-order"),
        ({"slots": [{"from": "18:00:00", "to": "10:00:00"}]}, "limits-crossed"),
        ({"closed_weekdays": ["SUN", "SUN"]}, "duplicate"),
        ({"closed_dates": ["2026-12-25", "2026-12-25"]}, "duplicate"),
        ({"id": "none"}, "name-taken"),
    ],
)
def test_what_contradicts_itself_is_refused(changes: dict[str, Any], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        way(**changes)
    assert refused.value.errors()[0]["type"] == code
    assert way(slots=[{"from": "10:00:00", "to": "18:00:00"}]).slots[0].to.hour == 18


def test_a_shop_holds_what_its_lines_and_ways_name() -> None:
    line = {
        "id": "a",
        "name": "A",
        "kind": "goods",
        "usual_amount": "5 EUR",
        "recurring": False,
        "deliveries": ["van"],
    }
    shop = {"name": "Cabo Noite", "country": "PT", "currency": "EUR"}
    van = {"id": "van", "name": "Van", "areas": ["north"]}
    area = {"id": "north", "name": "North", "postcodes": {"PT": ["4"]}}
    for lacking in ({"lines": [line]}, {"deliveries": [van]}, {"areas": [area, area]}):
        with pytest.raises(ValidationError):
            Shop.model_validate({**shop, **lacking})
    whole = Shop.model_validate({**shop, "lines": [line], "deliveries": [van], "areas": [area]})
    assert whole.lines[0].deliveries == ["van"]
