"""Tells what an owner, a buyer and whoever plays the provider do over HTTP."""

from datetime import timedelta
from typing import Any

from fastapi.testclient import TestClient

from monedero.server.shops import Shops

BOAT = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}
DESK, BUYERS = "/api/checkouts/web-shop", "/api/shops/demo"
CHART = {**BOAT, "line": "star-chart"}


class Shopkeeper:
    """A browser in the demo shop, with the hands of everybody."""

    def __init__(self, client: TestClient, shops: Shops) -> None:
        self.client, self.shops, self.running = client, shops, shops.demo

    def get(self, path: str, **query: Any) -> Any:
        answer = self.client.get(path, params=query, follow_redirects=False)
        assert answer.status_code == 200, answer.text
        return answer.json()

    def post(self, path: str, body: Any = None, status: int | None = None, **query: Any) -> Any:
        answer = self.client.post(path, json=body, params=query, follow_redirects=False)
        assert status is None or answer.status_code == status, answer.text
        return answer.json() if answer.content else None

    def fault(self, answer: Any) -> tuple[int, str, str]:
        """The status, code and field of a refusal."""
        error = answer.json()["errors"][0]
        return answer.status_code, error["code"], error["field"]

    def wind(self, **by: float) -> None:
        self.post("/api/clock", {"minutes": int(timedelta(**by) / timedelta(minutes=1))}, 200)

    # The owner, on orders.
    def record(self, token: str) -> Any:
        return self.get(f"/api/records/{token}")

    def act(self, token: str, what: str, **body: Any) -> Any:
        version = body.pop("version", None) or self.record(token)["version"]
        return self.client.post(f"/api/records/{token}/{what}", json={"version": version, **body})

    def story(self, token: str) -> list[str]:
        return [entry["what"] for entry in self.record(token)["happened"]]

    def settings(self, tender: str, **changed: Any) -> None:
        """Change a tender of the draft."""
        held = self.get("/api/checkouts/web-shop")
        tenders = [{**entry, **changed} if entry["id"] == tender else entry for entry in held["tenders"]]
        answer = self.client.put("/api/checkouts/web-shop", json={"version": held["version"], "tenders": tenders})
        assert answer.status_code == 200, answer.text

    def publish(self, storefront: str = "web-shop") -> Any:
        """Publish the draft of a storefront as it is shown."""
        at = f"/api/checkouts/{storefront}"
        return self.post(f"{at}/editions", {"fingerprint": self.get(f"{at}/publication")["fingerprint"]}, 201)

    # The buyer.
    def place(self, tender: str, order: dict[str, str] | None = None, at: str = DESK) -> Any:
        """Place an order: at the desk, by the draft, or where buyers do."""
        return self.post(f"{at}/orders", {"order": order or BOAT, "tender": tender}, 201)

    def page(self, token: str) -> Any:
        return self.get(f"/api/orders/{token}")

    def end(self, placed: Any, ending: str) -> Any:
        """End the newest payment on the provider's page, and come back."""
        page = self.running.store.orders.get(placed["token"]).payments[-1].page  # type: ignore[union-attr]
        back = self.client.post(page, data={"ending": ending}, follow_redirects=False)
        assert back.status_code == 303, back.text
        assert self.client.get(back.headers["location"], follow_redirects=False).status_code == 303
        return self.record(placed["token"])

    def paid(self, tender: str = "card", order: dict[str, str] | None = None) -> str:
        placed = self.place(tender, order)
        assert self.end(placed, "paid")["state"] == "paid"
        return str(placed["token"])

    # Whoever plays the provider.
    def office(self, provider: str, path: str, **form: Any) -> None:
        answer = self.client.post(
            f"/simulated-provider/demo/{provider}/office/{path}", data=form, follow_redirects=False
        )
        assert answer.status_code == 303, answer.text

    def plays(self, token: str, what: str) -> Any:
        """Tells what happens to a payment after it was paid."""
        payment = self.running.store.orders.get(token).payment  # type: ignore[union-attr]
        self.office(payment.chosen.provider or "", f"payments/{payment.reference}", happens=what)
        return self.record(token)

    def reference(self, token: str) -> str:
        return str(self.running.store.orders.get(token).payment.reference)  # type: ignore[union-attr]
