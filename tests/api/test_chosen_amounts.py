"""An amount that the buyer chooses: between two, in any currency, with delivery apart; refused in place otherwise."""

from typing import Any

import pytest

from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

WITHIN = {"from": "20.00 EUR", "to": "120.00 EUR"}


def choosing(keeper: Shopkeeper, line: str, chosen: Any) -> Any:
    held = keeper.get("/api/shop")
    lines = [{**entry, "chosen": chosen} if entry["id"] == line else entry for entry in held["shop"]["lines"]]
    return keeper.client.put(
        "/api/shop", json={"version": held["version"], "shop": {**held["shop"], "lines": lines}}
    )


def published(keeper: Shopkeeper) -> None:
    publication = keeper.get("/api/checkouts/web-shop/publication")
    keeper.post("/api/checkouts/web-shop/editions", {"fingerprint": publication["fingerprint"]}, 201)


def test_a_buyer_chooses_between_two_amounts(keeper: Shopkeeper) -> None:
    assert choosing(keeper, "night-boat-tour", WITHIN).status_code == 200
    published(keeper)
    usual = keeper.get("/api/shops/demo/offer", line="night-boat-tour", market="es-eur")
    assert (usual["amount"], usual["chooses"]) == ("85.00 EUR", "from €20.00 to €120.00")
    for amount in ("20", "120,00"):
        assert keeper.client.get("/api/shops/demo/offer", params={**BOAT, "amount": amount}).status_code == 200
    for amount in ("19.99", "120.01"):
        refused = keeper.client.get("/api/shops/demo/offer", params={**BOAT, "amount": amount})
        assert keeper.fault(refused) == (422, "amount-chosen", "amount")
        assert refused.json()["detail"].endswith("Choose from €20.00 to €120.00.")
        placed = keeper.client.post(
            "/api/shops/demo/orders", json={"order": {**BOAT, "amount": amount}, "tender": "card"}
        )
        assert keeper.fault(placed)[:2] == (422, "amount-chosen")
    assert (
        keeper.get("/api/shops/demo/offer", line="star-chart", market="es-eur", postcode="28001")["chooses"]
        is None
    )


def test_limits_are_brought_over_and_delivery_stands_apart(keeper: Shopkeeper) -> None:
    assert choosing(keeper, "star-chart", {"from": "40.00 EUR", "to": "50.00 EUR"}).status_code == 200
    published(keeper)
    chart = {**CHART, "delivery": "courier", "postcode": "28001"}
    # 50.00 of goods and 4.00 for the courier: it is the goods that are chosen.
    assert keeper.client.get("/api/shops/demo/offer", params={**chart, "goods": "50.00"}).status_code == 200
    beyond = keeper.client.get("/api/shops/demo/offer", params={**chart, "goods": "50.01"})
    assert keeper.fault(beyond) == (422, "amount-chosen", "goods")
    pounds = keeper.get(
        "/api/shops/demo/offer", line="star-chart", market="gb-gbp", currency="GBP", amount="38", delivery="pier"
    )
    low, high = pounds["chooses"].removeprefix("from £").split(" to £")
    rate = float(low) / 40
    assert 0.5 < rate < 1.2
    assert float(high) == pytest.approx(50 * rate, abs=0.02)


@pytest.mark.parametrize(
    ("chosen", "code"),
    [
        ({"from": "90.00 EUR", "to": "120.00 EUR"}, "limits-crossed"),
        ({"from": "20.00 EUR", "to": "80.00 EUR"}, "limits-crossed"),
        ({"from": "20.00 EUR", "to": "120.00 USD"}, "currency-mixed"),
        ({"from": "0 EUR", "to": "120.00 EUR"}, "amount-zero"),
    ],
)
def test_limits_that_leave_out_the_usual_amount_are_refused(keeper: Shopkeeper, chosen: Any, code: str) -> None:
    refused = choosing(keeper, "night-boat-tour", chosen)
    assert keeper.fault(refused)[:2] == (422, code)
