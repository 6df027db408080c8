"""The mode is a value that is handed on: header and body of an answer say the same, and openness is judged in it."""

import pytest
from fastapi.testclient import TestClient

from monedero.core.account import Mode
from monedero.server.shops import RunningShop
from monedero.work.prices.inputs import inputs_of
from tests.api.shopkeeper import BOAT
from tests.conftest import at_desk


@pytest.mark.parametrize(
    ("path", "mode"),
    [
        ("/api/accounts", "test"),
        ("/api/accounts?mode=test", "test"),
        ("/api/accounts?mode=live", "live"),
        ("/api/accounts/orlenta?mode=live", "live"),
        ("/api/accounts/nobody?mode=live", "live"),
        ("/api/shop", "test"),
        ("/api/nowhere", "test"),
    ],
)
def test_the_header_of_an_answer_is_of_the_mode_that_it_is_about(client: TestClient, path: str, mode: str) -> None:
    """`?mode=live` was answered with *live* under the header *test*."""
    answer = client.get(path)
    assert (answer.headers["Monedero-Mode"], answer.json()["mode"]) == (mode, mode)


def test_a_checkout_in_live_mode_is_judged_by_its_live_accounts(client: TestClient, demo: RunningShop) -> None:
    store = demo.store
    held = store.checkouts.read("web-shop")
    assert held
    assert inputs_of(at_desk(store)).accounts["orlenta"].mode is Mode.TEST
    store.checkouts.save(held.value.model_copy(update={"mode": Mode.LIVE}), held.version)
    assert demo.store.mode("web-shop") is Mode.LIVE
    assert inputs_of(at_desk(store)).accounts == {}
    answer = client.get("/api/checkouts/web-shop/view", params=BOAT)
    assert (answer.headers["Monedero-Mode"], answer.json()["mode"]) == ("live", "live")
    card = next(entry for entry in answer.json()["outcomes"] if entry["tender"]["id"] == "card")
    assert [reason["code"] for reason in card["reasons"]] == ["account-stage"]
    # Buyers go on to see the edition of before, and its mode.
    offer = client.get("/api/shops/demo/offer", params=BOAT).json()
    assert (offer["mode"], offer["offered"][0]["tender"]) == ("test", "card")
