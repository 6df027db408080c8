"""A disk that is full, as SQLite itself says it: every act is told so, and nothing of it is kept."""

from collections.abc import Callable
from typing import Any

import pytest

from monedero.demo import paper
from tests.api.shopkeeper import BOAT, Shopkeeper


def acts(keeper: Shopkeeper) -> dict[str, Callable[[], Any]]:
    """An act of each kind that writes."""
    client = keeper.client
    # Each paper is larger than what is left on any page.
    file = paper() + b"%" * 200_000

    def rename() -> Any:
        held = client.get("/api/shop").json()
        lines = [{**line, "names": {"pt": "x" * 60, "de": "y" * 60}} for line in held["shop"]["lines"]]
        return client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "lines": lines}})

    return {
        "a paper": lambda: client.post("/api/papers", data={"kind": "identity"}, files={"file": ("a.pdf", file)}),
        "a voucher": lambda: client.post("/api/vouchers", json={"amount": "10 EUR", "note": "n" * 250}),
        "an order": lambda: client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"}),
        "the shop": rename,
        "a wrong code": lambda: client.post(
            "/api/shops/demo/offer/vouchers",
            json={"code": "AAAA-AAAA-AAAA-AAAA-AAAA-AAAA", "currency": "EUR", "language": "en"},
        ),
    }


@pytest.mark.parametrize("what", ["a paper", "a voucher", "an order"])
def test_every_act_is_told_that_the_disk_is_full(keeper: Shopkeeper, what: str) -> None:
    database = keeper.running.store._database
    pages = database.pragma("page_count")
    database.pragma("max_page_count", pages, permanent=True)
    every = acts(keeper)
    for _ in range(400):
        answer = every[what]()
        if answer.status_code == 507:
            break
        assert answer.status_code == 201, answer.text
        keeper.client.cookies.clear()
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (507, "disk-full")
    assert answer.headers["content-type"] == "application/problem+json"
    before = keeper.get("/api/vouchers"), keeper.get("/api/records"), keeper.get("/api/shop")
    # Whatever else is asked now is done, refused for what it is, or told the same; nothing is unforeseen.
    for name, act in every.items():
        assert act().status_code in (200, 201, 409, 422, 507), name
    assert keeper.client.get("/api/compare", params=BOAT).status_code == 200
    again = every[what]()
    assert again.status_code == 507
    if what == "a voucher":
        assert keeper.get("/api/vouchers")["vouchers"] == before[0]["vouchers"]
