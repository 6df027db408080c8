"""A storefront that is paused takes no orders of buyers, says why in their language, and opens by itself on its day."""

from contextlib import closing
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.store import Store
from tests.api.shopkeeper import BOAT, BUYERS, Shopkeeper

PAUSE = "/api/checkouts/web-shop/pause"
ORDER = {"order": BOAT, "tender": "card"}


def paused(keeper: Shopkeeper, days: int | None = None, said: str = "") -> Any:
    """Pause the web shop for so many days, or until it is opened."""
    today = keeper.running.clock.now().date()
    opens_on = None if days is None else (today + timedelta(days=days)).isoformat()
    answer = keeper.client.put(PAUSE, json={"opens_on": opens_on, "said": said})
    assert answer.status_code == 200, answer.text
    return answer.json()["pause"]


def offered(keeper: Shopkeeper, language: str = "en", **asked: str) -> Any:
    return keeper.client.get(f"{BUYERS}/offer", params={**BOAT, "language": language, **asked})


def test_buyers_cannot_order_and_read_what_the_owner_says(keeper: Shopkeeper) -> None:
    assert keeper.get(PAUSE)["pause"] is None
    assert paused(keeper, said="We are at sea.")["opens_on"] is None
    refused = offered(keeper)
    assert keeper.fault(refused) == (409, "storefront-paused", "storefront")
    assert refused.json()["title"] == "Closed for now"
    assert refused.json()["detail"] == "This shop takes no orders now. We are at sea."
    placed = keeper.client.post(f"{BUYERS}/orders", json=ORDER)
    assert keeper.fault(placed) == (409, "storefront-paused", "storefront")
    assert keeper.get("/api/records")["total"] == 0
    # The owner looks at the draft as before.
    assert keeper.client.get("/api/checkouts/web-shop/view", params=BOAT).status_code == 200
    assert keeper.client.delete(PAUSE).json()["pause"] is None
    assert offered(keeper).status_code == 200
    assert keeper.client.delete(PAUSE).status_code == 200, "open already"


@pytest.mark.parametrize(
    ("language", "told"),
    [
        ("en", "This shop takes no orders now. It opens again on "),
        ("de", "Dieser Laden nimmt zurzeit keine Bestellungen an. Er öffnet wieder am "),
        ("pt", "Esta loja não aceita encomendas por agora. Volta a abrir a "),
    ],
)
def test_the_day_is_told_in_the_language_of_the_buyer(keeper: Shopkeeper, language: str, told: str) -> None:
    paused(keeper, days=3)
    detail = offered(keeper, language).json()["detail"]
    assert detail.startswith(told)
    assert detail.endswith(".")
    assert "{" not in detail


def test_it_opens_by_itself_on_its_day(keeper: Shopkeeper) -> None:
    paused(keeper, days=2)
    keeper.wind(days=1)
    assert offered(keeper).status_code == 409
    keeper.wind(days=1)
    assert keeper.get(PAUSE)["pause"] is None
    assert offered(keeper).status_code == 200
    assert keeper.client.post(f"{BUYERS}/orders", json=ORDER).status_code == 201


def test_orders_that_are_there_go_on(keeper: Shopkeeper) -> None:
    key = {"Idempotency-Key": "once"}
    placed = keeper.client.post(f"{BUYERS}/orders", json=ORDER, headers=key).json()
    paused(keeper)
    assert keeper.end(placed, "declined-bank")["state"] == "declined"
    again = keeper.client.post(f"/api/orders/{placed['token']}/tender", json={"tender": "card"})
    assert again.status_code == 200, again.text
    assert keeper.end(placed, "paid")["state"] == "paid"
    # An order whose answer was lost is answered again.
    asked_again = keeper.client.post(f"{BUYERS}/orders", json=ORDER, headers=key)
    assert (asked_again.status_code, asked_again.json()["token"]) == (201, placed["token"])


def test_only_its_own_storefront_is_paused(keeper: Shopkeeper) -> None:
    keeper.post("/api/checkouts/pier-counter/copies", {"version": 0, "source": "web-shop"}, 201)
    keeper.publish("pier-counter")
    paused(keeper)
    assert offered(keeper).status_code == 409
    assert offered(keeper, storefront="pier-counter").status_code == 200


@pytest.mark.parametrize("days", [0, -1])
def test_a_day_that_is_not_to_come_is_refused(keeper: Shopkeeper, days: int) -> None:
    day = (keeper.running.clock.now().date() + timedelta(days=days)).isoformat()
    refused = keeper.client.put(PAUSE, json={"opens_on": day})
    assert keeper.fault(refused) == (422, "planned-past", "opens_on")
    assert keeper.get(PAUSE)["pause"] is None


def test_what_is_no_day_is_refused_by_its_field(keeper: Shopkeeper) -> None:
    refused = keeper.client.put(PAUSE, json={"opens_on": "next week"})
    assert keeper.fault(refused)[::2] == (422, "opens_on")


def test_a_copy_to_rehearse_in_is_open(keeper: Shopkeeper, tmp_path: Path) -> None:
    paused(keeper)
    store = keeper.running.store
    store.copy_to(tmp_path / "room.sqlite")
    with closing(Store(tmp_path / "room.sqlite")) as room:
        assert room.pauses.of("web-shop") is None
        assert room.buyers_mode("web-shop") is Mode.TEST
    assert store.pauses.of("web-shop") is not None
