"""A gateway of one's own, run as it ships in `docs/examples`, carries an order of the shop."""

import importlib.util
import json
import signal
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import httpx2
import pytest

from tests.browser.server import listening
from tests.contract.test_gateway import ROOT
from tests.work.orders.test_killed import HAND, served

CARD = {
    "format": "monedero/rate-card/1",
    "provider": {"id": "my-till", "name": "My till", "countries": ["PT"], "region": [], "settles_in": ["EUR"]},
    "plans": [{"id": "own", "name": "Own"}],
    "rates": [{"id": "card", "method": "card", "when": {}, "percent": "1"}],
}


@pytest.fixture
def intake() -> Iterator[tuple[str, Any]]:
    """The example gateway on a port of its own."""
    spec = importlib.util.spec_from_file_location("own_till", ROOT / "docs" / "examples" / "own_gateway.py")
    assert spec is not None
    assert spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    with listening(module.app) as address:
        yield address, module


def said(answer: httpx2.Response, status: int) -> Any:
    assert answer.status_code == status, answer.text
    return answer.json()


def test_a_gateway_of_ones_own_carries_an_order(tmp_path: Path, intake: tuple[str, Any]) -> None:
    address, module = intake
    with served(tmp_path / "data", signal.SIGTERM) as shop:
        for wrong in ("till", "ftp://till.example", "http://"):
            refused = shop.post("/api/gateways", json={"name": "My till", "address": wrong, "parts": ["Key"]})
            assert said(refused, 422)["errors"][0]["code"] == "gateway-text"
        new = {"name": "Orlenta", "address": address, "parts": ["Key"]}
        assert said(shop.post("/api/gateways", json=new), 409)["errors"][0]["code"] == "account-held"
        view = said(shop.post("/api/gateways", json={**new, "name": "Papers"}), 201)
        assert view["go_to"] == "/accounts/papers-gateway"
        added = said(shop.post("/api/gateways", json={**new, "name": "My till"}), 201)
        assert added["go_to"] == "/accounts/my-till"
        sheet = said(shop.get("/api/accounts/my-till"), 200)
        assert (sheet["asks"], sheet["own_gateway"], sheet["office"]) == ([], address, "")
        said(shop.post("/api/accounts/my-till/begin", json={"mode": "test"}), 201)
        wrong_key = shop.post("/api/accounts/my-till/credentials", json={"fields": {"key": "wrong"}})
        assert said(wrong_key, 422)["errors"][0]["field"] == "fields.key"
        connected = said(shop.post("/api/accounts/my-till/credentials", json={"fields": {"key": module.KEY}}), 200)
        assert (connected["stage"], connected["notifications"]["last_seen"] is not None) == ("connected", True)

        assert shop.post("/api/rate-cards", content=json.dumps(CARD)).status_code in (200, 201)
        draft = said(shop.get("/api/checkouts/web-shop"), 200)
        route = {"provider": "my-till", "plan": "own", "method": "card"}
        body = {"version": draft["version"], "method": "card", "route": route}
        tenders = said(shop.post("/api/checkouts/web-shop/tenders", json=body), 201)
        own = [{**entry, "on": entry["id"] == tenders["added"]} for entry in tenders["tenders"]]
        said(shop.put("/api/checkouts/web-shop", json={"version": tenders["version"], "tenders": own}), 200)
        placed = said(
            shop.post("/api/checkouts/web-shop/orders", json={"order": HAND, "tender": tenders["added"]}), 201
        )
        assert placed["go_to"].startswith(f"{address}/pay/own-")
        back = httpx2.post(placed["go_to"], data={"ending": "paid"}, follow_redirects=False)
        assert back.headers["location"].startswith(str(shop.base_url))
        assert shop.get(back.headers["location"], follow_redirects=False).status_code == 303
        record = said(shop.get(f"/api/records/{placed['token']}"), 200)
        assert (record["state"], record["provider_name"]) == ("paid", "My till")
        refund = {"version": record["version"], "amount": "5.00 EUR"}
        after = said(shop.post(f"/api/records/{placed['token']}/refund", json=refund), 200)
        assert after["state"] == "part-refunded"
