"""A price that ends or begins on a day is told where it moves the first place."""

from decimal import Decimal

from fastapi.testclient import TestClient

from monedero import demo
from tests.api.shopkeeper import BOAT
from tests.api.test_draft_figures import amount

SMALL = {**BOAT, "amount": "10.00"}


def prices(client: TestClient, share: str, valid_from: str | None) -> None:
    body = {
        "name": "Larkhithe",
        "country": "PT",
        "currency": "EUR",
        "valid_from": valid_from,
        "text": f"Online banking {share}%",
    }
    assert client.post("/api/new-provider", json=body).status_code == 201


def told(client: TestClient) -> list[dict[str, str]]:
    found: list[dict[str, str]] = client.get("/api/compare/changes", params=SMALL).json()["changes"]
    return found


def test_a_newer_card_that_moves_the_first_place_is_told_with_its_day(client: TestClient) -> None:
    assert told(client) == []
    prices(client, "9", None)
    # Dearer or as dear as the first: nothing moves.
    prices(client, "8", "2027-01-01")
    assert told(client) == []
    prices(client, "0", "2027-02-01")
    prices(client, "9", "2027-03-01")
    first = client.get("/api/compare", params=SMALL).json()["ranked"][0]
    [begins, ends] = told(client)
    assert (begins["on"], ends["on"]) == ("2027-02-01", "2027-03-01")
    assert begins["text"].startswith(
        "From 1 Feb 2027 on, with the new prices of Larkhithe, Online banking Larkhithe comes first for this order: "
    )
    assert f"Until then it is {first['route']['method_name']}" in begins["text"]
    assert "Until then it is Online banking Larkhithe" in ends["text"]


def test_a_plan_of_ones_own_provider_that_would_come_first_is_told(client: TestClient) -> None:
    text = "Basic plan\nOnline banking 9%\nMore plan\n5.00 EUR per month\nOnline banking 0%"
    body = {"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": text}
    assert client.post("/api/new-provider", json=body).status_code == 201
    assert told(client) == []
    held = {"methods": ["online-banking"], "plan": "basic"}
    assert client.put("/api/accounts/larkhithe/elsewhere", json=held).status_code == 200
    ranked = client.get("/api/compare", params=SMALL).json()["ranked"]
    assert ranked[0]["route"]["key"] == "larkhithe/more/online-banking"
    [change] = told(client)
    assert change["on"] is None
    assert change["text"].startswith(
        "On More, Larkhithe would come first for this order: Online banking Larkhithe More"
    )
    assert "Your account there is on Basic: Online banking Larkhithe Basic, at " in change["text"]
    client.put("/api/accounts/larkhithe/elsewhere", json={**held, "plan": "more"})
    assert told(client) == []


def test_a_card_that_holds_already_is_no_news(client: TestClient) -> None:
    prices(client, "0", "2026-01-01")
    assert told(client) == []


def test_newer_prices_of_the_checkout_say_what_they_do_to_its_month(client: TestClient) -> None:
    """All of Orlenta's percentages one higher: what its orders cost more is what the month leaves less."""
    card = next(card for card in demo.rate_cards() if card.provider.id == "orlenta").model_dump(
        mode="json", by_alias=True
    )
    rates = [{**rate, "percent": str(Decimal(rate["percent"]) + 1)} for rate in card["rates"] if rate["percent"]]
    dearer = {**card, "valid_from": "2027-02-01", "rates": rates}
    assert client.post("/api/rate-cards", json=dearer).status_code == 201
    (change,) = [entry for entry in told(client) if "your checkout" in entry["text"]]
    assert change["on"] == "2027-02-01"
    month = client.get("/api/checkouts/web-shop/month", params={**BOAT, "on": "2027-02-01"}).json()
    before = client.get("/api/checkouts/web-shop/month", params=BOAT).json()
    less = amount(before["draft"]["left"]) - amount(month["draft"]["left"])
    assert less > 0
    assert f"your checkout leaves {less:,} EUR less a month" in change["text"]
