"""A checkout goes out as a file, comes into an empty shop, and goes out the same; the set-up sheet says it in words."""

import csv
import io
import json
from collections.abc import Callable
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.shopkeeper import Shopkeeper
from tests.api.test_composing import compose

WEB = "/api/checkouts/web-shop"
IBERIA = {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}


def send(client: TestClient, content: bytes) -> Any:
    return client.post("/api/checkout-files", files={"file": ("checkout.json", content, "application/json")})


def snapshot(client: TestClient) -> bytes:
    later = {"id": "later", "name": {"en": "Pay later"}}
    compose(client, headings=[later], shared_conditions=[IBERIA])
    compose(client, only="bank-transfer", heading="later", shared=["iberia"], fee={"percent": "-1"})
    compose(client, only="card", conditions=[{"fact": "delivery", "not": ["courier"]}], networks=["aster"])
    return client.get(f"{WEB}/checkout.json").content


def test_out_in_and_out_again_are_the_same_bytes(keeper: Shopkeeper) -> None:
    client = keeper.client
    # A market of which nobody comes yet stays one.
    shop = client.get("/api/shop").json()
    shop["shop"]["markets"].append({"id": "fr-eur", "country": "FR", "currency": "EUR", "share": "0"})
    assert client.put("/api/shop", json={"version": shop["version"], "shop": shop["shop"]}).status_code == 200
    out = snapshot(client)
    client.delete("/api/demo")
    assert client.get("/api/shop").json()["shop"] is None
    opened = send(client, out)
    assert (opened.status_code, opened.json()["storefront"]) == (201, "web-shop")
    # The shop's account details are not in the file; until they are typed, those tenders are held back.
    told = {tender["id"]: tender.get("details") for tender in client.get(f"{WEB}/checkout.json").json()["tenders"]}
    assert told["bank-transfer"] == []
    now = client.get("/api/shop").json()
    here = {**now["shop"], "arrangements": shop["shop"]["arrangements"]}
    assert client.put("/api/shop", json={"version": now["version"], "shop": here}).status_code == 200
    assert client.get(f"{WEB}/checkout.json").content == out
    # Its accounts are held elsewhere, and every stage opens.
    accounts = keeper.shops.own.store.accounts.of(opened.json()["mode"])
    assert accounts
    assert all(account.elsewhere for account in accounts.values())
    order = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}
    for path in (f"{WEB}/view", f"{WEB}/figures", "/api/compare"):
        assert client.get(path, params=order).status_code == 200, path
    for path in ("/api/accounts", "/api/publication/web-shop", "/api/next-steps"):
        assert client.get(path).status_code in (200, 404), path
    # A second one is refused, and nothing is changed.
    again = send(client, out)
    assert keeper.fault(again) == (409, "shop-described", "")
    assert client.get(f"{WEB}/checkout.json").content == out


@pytest.mark.parametrize(
    ("change", "code", "field"),
    [
        (lambda file: file["lines"][0].pop("usual_amount"), "line-without-amount", "lines.0.usual_amount"),
        (lambda file: file.update(format="monedero/checkout/9"), "format-unknown", "format"),
        (lambda file: file["tenders"][0].update(method="unheard"), "reference-dangling", ""),
    ],
)
def test_a_file_that_does_not_fit_changes_nothing(
    keeper: Shopkeeper, change: Callable[[Any], Any], code: str, field: str
) -> None:
    file = json.loads(snapshot(keeper.client))
    change(file)
    keeper.client.delete("/api/demo")
    refused = send(keeper.client, json.dumps(file).encode())
    assert keeper.fault(refused)[:2] == (422, code)
    assert keeper.fault(refused)[2].startswith(field)
    assert keeper.client.get("/api/shop").json()["shop"] is None
    assert send(keeper.client, b"no JSON").status_code == 422


def test_what_is_not_in_the_file_is_filled_in_where_that_is_harmless(keeper: Shopkeeper) -> None:
    file = json.loads(snapshot(keeper.client))
    for market in file["markets"]:
        del market["share"]
    file["methods"][0]["recurring"] = False
    keeper.client.delete("/api/demo")
    assert send(keeper.client, json.dumps(file).encode()).status_code == 201
    shop = keeper.client.get("/api/shop").json()["shop"]
    assert sum(int(market["share"]) for market in shop["markets"]) == 100
    assert shop["own_methods"][0]["method"]["id"] == file["methods"][0]["id"]
    assert json.loads(keeper.client.get(f"{WEB}/checkout.json").content)["methods"][0]["recurring"] is False


def test_the_sheet_says_every_way_to_pay_in_words(keeper: Shopkeeper) -> None:
    snapshot(keeper.client)
    rows = list(csv.DictReader(io.StringIO(keeper.client.get(f"{WEB}/set-up-sheet.csv").text, newline="")))
    told: dict[str, dict[str, str]] = {}
    for row in rows:
        told.setdefault(row["Way to pay"], {})[row["What to set"]] = row["Value"]
    assert told["Card"]["Offered"] == "not by Courier"
    assert told["Card"]["Card networks"] == "Aster"
    assert told["Card"]["Account that it needs"] == "Orlenta"
    assert told["Bank transfer"]["Offered"] == "only for buyers in Portugal or Spain"
    assert told["Bank transfer"]["Buyer pays on top"] == "1 % less"
    assert told["Bank transfer"]["Amounts"] == "from 60.00 EUR"
    assert told["Bank transfer"]["Under the heading"] == "Pay later"
    # Buyers meet it last: the others have no heading.
    assert rows[-1]["Way to pay"] == "Bank transfer"
    assert {row["Done"] for row in rows} == {""}
    page = keeper.client.get(f"{WEB}/set-up-sheet")
    assert page.headers["content-type"].startswith("text/html")
    for lines in told.values():
        for value in lines.values():
            assert value.replace("&", "&amp;").replace("'", "&#39;") in page.text


def test_a_name_with_markup_or_a_formula_is_only_text(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="=1+1<script>alert(1)</script>")
    assert "<script>" not in keeper.client.get(f"{WEB}/set-up-sheet").text
    assert "'=1+1" in keeper.client.get(f"{WEB}/set-up-sheet.csv").text
