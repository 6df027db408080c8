"""A provider of the owner's own: looked at as it is typed or pasted, then kept with where its prices come from."""

from fractions import Fraction
from typing import Any

import pytest
from fastapi.testclient import TestClient

HAND = {
    "market": "es-eur",
    "line": "night-boat-tour",
    "amount": "85.00",
    "currency": "EUR",
    "card_kind": "consumer-debit",
}
TEXT = """Standard plan
EEA consumer cards 1.5% + €0.25
All other cards 3.25% + €0.25
Debit cards 1%
Currency conversion 2%
Large volumes: from 1.2%, talk to us

SEPA Direct Debit €0.35
Disputes €15, refunded if you win
Payouts every Monday after 2 business days
No set-up fee
Prices without VAT
"""


def asked(**changes: Any) -> dict[str, Any]:
    return {"name": "Larkhithe", "country": "PT", "currency": "EUR", "text": TEXT, "hand": HAND, **changes}


def preview(client: TestClient, **changes: Any) -> Any:
    answer = client.post("/api/new-provider/preview", json=asked(**changes))
    assert answer.status_code == 200, answer.json()
    return answer.json()


def test_every_line_says_what_it_means_and_what_the_order_costs_by_it(client: TestClient) -> None:
    seen = preview(client)
    assert [(line["number"], line["kind"], line["fee"]) for line in seen["lines"]] == [
        (1, "other", None),
        (2, "price", "1.53 EUR"),
        (3, "price", None),
        (4, "price", None),
        (5, "extra", None),
        (6, "unread", None),
        (7, "blank", None),
        (8, "price", "0.35 EUR"),
        (9, "other", None),
        (10, "other", None),
        (11, "other", None),
        (12, "note", None),
    ]
    said = {line["number"]: line["sentence"] for line in seen["lines"]}
    assert said[1] == "Everything below is the plan Standard."
    assert said[2] == (
        "Card, buyer in the shop's country or buyer elsewhere in the provider's region; consumer debit or consumer "
        "credit card: 1.5 % + 0.25 EUR."
    )
    assert said[5] == "On top, Currency conversion, converted: 2 %."
    assert said[6] == "There is no price in it."
    assert said[9] == "A dispute costs 15.00 EUR, given back when it is won."
    assert said[10] == "Money arrives every Monday after 2 business days."
    assert said[11] == "Set-up costs 0.00 EUR."
    assert seen["lines"][3]["overlaps"] == "Line 2 goes first for the orders that both are about."
    assert seen["lines"][1]["tail"] == ": 1.5 % + 0.25 EUR."
    assert (seen["prices"], seen["unread"]) == (5, 1)
    # Only cards have a kind and a place to be picked.
    assert [line["number"] for line in seen["lines"] if line["with_cards"]] == [2, 3, 4]
    # Nothing is kept by looking.
    assert "larkhithe" not in {card["provider"] for card in client.get("/api/rate-cards").json()}


def test_a_part_that_is_picked_otherwise_counts(client: TestClient) -> None:
    seen = preview(client, corrections=[{"line": 2, "card_kinds": ["commercial"], "places": ["domestic"]}])
    line = seen["lines"][1]
    assert (line["card_kinds"], line["places"], line["fee"]) == (["commercial"], ["domestic"], None)


def test_a_country_that_a_line_names_is_shown_and_another_place_stands_for_it(client: TestClient) -> None:
    text = "Cards 1.5% + 0.25 EUR\nUK cards 2.5% + 0.25 EUR"
    line = preview(client, text=text)["lines"][1]
    assert (line["countries"], line["places"]) == (["United Kingdom"], [])
    moved = preview(client, text=text, corrections=[{"line": 2, "places": ["abroad"]}])["lines"][1]
    assert (moved["countries"], moved["places"], moved["kind"]) == ([], ["abroad"], "price")


def test_the_prices_are_kept_with_their_text_and_compared(client: TestClient) -> None:
    kept = client.post("/api/new-provider", json=asked())
    assert (kept.status_code, kept.json()["provider"], kept.json()["routes"]) == (201, "larkhithe", 2)
    held = client.get("/api/rate-cards/larkhithe/always").json()["card"]
    assert held["source"] == {"text": TEXT.strip(), "read_on": "2026-11-24"}
    ranked = client.get("/api/compare", params=HAND).json()["ranked"]
    assert "larkhithe/standard/card" in {entry["route"]["key"] for entry in ranked}
    # It is a provider like any other: an account can be begun.
    providers = {entry["provider"] for entry in client.get("/api/accounts").json()["providers"]}
    assert "larkhithe" in providers
    twice = client.post("/api/new-provider", json=asked())
    assert (twice.status_code, twice.json()["errors"][0]["code"]) == (409, "cards-same-day")


def test_prices_that_are_typed(client: TestClient) -> None:
    rows = [
        {"method": "card", "place": "domestic", "percent": "1,2", "fixed": "0.20 EUR"},
        {"method": "card", "place": "eea", "percent": "1.5"},
        {"method": "card", "place": "abroad", "percent": "2.9", "fixed": "0,25 EUR"},
        {"method": "invoice", "percent": "1"},
    ]
    seen = preview(client, text="", rows=rows)
    assert [line["fee"] for line in seen["lines"]] == [None, "1.28 EUR", None, "0.85 EUR"]
    assert client.post("/api/new-provider", json=asked(text="", rows=rows)).status_code == 201
    card = client.get("/api/rate-cards/larkhithe/always").json()["card"]
    assert card["source"] is None
    assert [rate["percent"] for rate in card["rates"]] == ["1.2", "1.5", "2.9", "1"]


@pytest.mark.parametrize(
    ("changes", "field", "code"),
    [
        ({"text": "Contact us"}, "text", "text-no-price"),
        ({"text": ""}, "text", "text-no-price"),
        ({"text": "Cards 1%\x00"}, "text", "text-binary"),
        ({"text": "Cards 1%\n" * 3000}, "text", "text-too-long"),
        ({"name": " "}, "name", "blank"),
        ({"country": "Portugal"}, "country", "country-unknown"),
        ({"currency": "euro"}, "currency", "currency-unknown"),
        ({"rows": [{"method": "card", "percent": "much"}]}, "rows.0.percent", "percent-text"),
        (
            {"rows": [{"method": "card", "percent": "1"}, {"method": "card", "percent": "2"}]},
            "rows.1",
            "price-row",
        ),
    ],
)
def test_what_cannot_be_kept_is_refused_by_field_and_nothing_is_half_kept(
    client: TestClient, changes: dict[str, Any], field: str, code: str
) -> None:
    answer = client.post("/api/new-provider", json=asked(**changes))
    assert answer.status_code == 422
    assert [(fault["field"], fault["code"]) for fault in answer.json()["errors"]] == [(field, code)]
    assert "larkhithe" not in {card["provider"] for card in client.get("/api/rate-cards").json()}


def test_a_text_of_ten_megabytes_is_refused(client: TestClient) -> None:
    answer = client.post("/api/new-provider", json=asked(text="x" * 10_000_000))
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (413, "body-too-large")


def test_a_table_of_prices_becomes_a_price_list(client: TestClient) -> None:
    table = b"Method;Percent;Fixed fee;Plan\nEEA cards;1,5;0,25;Basic\nSEPA Direct Debit;;0,35;Basic\n"
    read = client.post("/api/new-provider/table", content=table).json()
    assert read["columns"]["what"] == ["Method"]
    made = client.post("/api/new-provider/table/text", json={**read, "currency": "EUR"}).json()
    assert made["text"] == "Basic plan\nEEA cards: 1.5% + 0,25 EUR\nSEPA Direct Debit: 0,35 EUR"
    assert preview(client, text=made["text"])["unread"] == 0
    matched = {**read, "columns": {"what": ["Method"], "percent": "Fixed fee"}, "currency": "EUR"}
    assert client.post("/api/new-provider/table/text", json=matched).json()["text"].startswith("EEA cards: 0.25%")


def test_columns_of_a_table_are_remembered_by_its_header(client: TestClient) -> None:
    table = b"Method;Percent;Fixed fee\nEEA cards;1,5;0,25\n"
    read = client.post("/api/new-provider/table", content=table).json()
    assert read["columns"]["percent"] == "Percent"
    matched = {**read, "columns": {"what": ["Method"], "percent": "Fixed fee"}, "currency": "EUR"}
    client.post("/api/new-provider/table/text", json=matched)
    again = client.post("/api/new-provider/table", content=table.replace(b"1,5", b"1,9")).json()
    assert (again["columns"]["percent"], again["columns"]["fixed"]) == ("Fixed fee", None)
    other = client.post("/api/new-provider/table", content=table.replace(b"Method", b"Service")).json()
    assert other["columns"]["percent"] == "Percent"


def test_what_is_no_table_is_refused(client: TestClient) -> None:
    for content, code in ((b"", "table-empty"), (b"\xff\xfe", "not-utf8"), (b"PK\x03\x04", "sheet-unreadable")):
        answer = client.post("/api/new-provider/table", content=content)
        assert (answer.status_code, answer.json()["errors"][0]["code"]) == (422, code)
    none = {"header": ["A"], "rows": [["1"]], "columns": {"what": []}, "currency": "EUR"}
    assert client.post("/api/new-provider/table/text", json=none).status_code == 422


@pytest.mark.parametrize(
    ("text", "why", "correction", "sentence"),
    [
        ("1.9 % + 0.25 per transaction", "which-method", {"methods": ["card"]}, "Card: 1.9 % + 0.25 EUR."),
        ("Moonbeams 2%", "word", {"methods": ["instalments"]}, "Instalments: 2 %."),
        ("Cards 0-10,000: 1.35%", "figure", {"band": "volume"}, "below 10,000.01 EUR a month"),
        ("Cards between 10 and 50 EUR: 1.4%", "which-band", {"band": "amount"}, "10.00 EUR"),
    ],
)
def test_a_line_that_was_left_out_is_pointed_at(
    client: TestClient, text: str, why: str, correction: dict[str, Any], sentence: str
) -> None:
    (line,) = preview(client, text=text)["lines"]
    assert (line["kind"], line["why"]) == ("unread", why)
    (line,) = preview(client, text=text, corrections=[{"line": 1, **correction}])["lines"]
    assert line["kind"] == "price", line
    assert sentence in line["sentence"]


def test_a_line_below_an_unknown_plan_is_given_its_plan(client: TestClient) -> None:
    text = "Harbour plan\nCards 1%\nMoonlit plan of ours 5\nCards 2%"
    found = preview(client, text=text)
    assert [line["why"] for line in found["lines"]] == [None, None, "word", "which-plan"]
    assert found["plans"] == {"harbour": "Harbour"}
    found = preview(client, text=text, corrections=[{"line": 4, "plan": "harbour"}])
    assert found["lines"][3]["why"] == "another-price"


def test_a_line_that_is_no_price_stays_out_and_is_told(client: TestClient) -> None:
    found = preview(client, text="Cards 1%\nPhone support 24/7", corrections=[{"line": 2, "no_price": True}])
    assert found["unread"] == 0
    assert found["lines"][1]["sentence"] == "You said that it is no price."
    assert found["lines"][1]["pointed"]


def test_a_table_is_written_out_and_its_lines_counted_anew(client: TestClient) -> None:
    found = preview(client, text="\tHarbour\tMast\nCards\t1.8%\t1.2%\nMonthly fee\t0 €\t29 €")
    assert found["text"].splitlines() == [
        *("Harbour plan", "Cards 1.8%", "Monthly fee 0 €"),
        *("Mast plan", "Cards 1.2%", "Monthly fee 29 €"),
    ]
    assert [line["number"] for line in found["lines"]] == [1, 2, 3, 4, 5, 6]
    assert preview(client, text=found["text"])["text"] == found["text"]


def test_a_way_that_cannot_carry_the_order_is_not_its_cheapest(client: TestClient) -> None:
    """A SEPA direct debit is for the euro alone; in pounds there is none, whatever the price list says."""
    hand = {**HAND, "market": "gb-gbp", "amount": "70.00", "currency": "GBP"}
    found = preview(client, text="SEPA Direct Debit 0.50 EUR\nCards 5%", hand=hand)
    debit = next(entry for entry in found["tried"] if entry["route"]["method"] == "sepa-direct-debit")
    assert debit["fee"] is None
    assert found["lines"][0]["overlaps"].startswith("Not for this order: ")
    assert found["lines"][1]["fee"] is not None


def test_orders_of_the_month_without_a_price_are_counted_by_country(client: TestClient) -> None:
    body = {"name": "Larkhithe", "country": "PT", "currency": "EUR"}
    every = client.post("/api/new-provider/month", json={**body, "text": "Cards 1.5%"}).json()
    assert every["orders"] == "0"
    assert every["text"].startswith("Each of your")
    near = client.post("/api/new-provider/month", json={**body, "text": "Domestic cards 1.5%"}).json()
    assert 0 < Fraction(near["orders"]) < Fraction(near["of"])
    assert "have no price here: " in near["text"]
    none = client.post("/api/new-provider/month", json={**body, "text": "Moonbeams"})
    assert none.status_code == 422
