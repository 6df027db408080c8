"""How past orders were paid: matched once, read into shares of buyers by country, and the month typed from them."""

from fractions import Fraction
from time import sleep
from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_best_set import buyers, edit, shares

HEAD = "Order,Date,Customer country,Total,Status,Payment,Product\n"


def row(number: int, country: str, payment: str, total: str = "42.00", status: str = "Completed") -> str:
    return f"{number},2026-10-{number % 28 + 1:02},{country},{total},{status},{payment},Star chart and red-light lamp\n"


def export() -> str:
    rows = [row(number, "Germany", "Bank transfer" if number % 4 else "Aster credit") for number in range(40)]
    rows += [row(number, "Spain", "Credit card") for number in range(40, 70)]
    rows += [row(number, "Portugal", "Cash") for number in range(70, 80)]
    rows += [row(80, "Spain", "Cash", status="Cancelled"), row(81, "Spain", "Cash", status="Refunded")]
    return HEAD + "".join(rows)


def look(client: TestClient, text: str) -> Any:
    answer = client.post(
        "/api/past-orders/files", content=text.encode(), headers={"Content-Type": "application/octet-stream"}
    )
    assert answer.status_code == 201, answer.json()
    return answer.json()


def read(client: TestClient, text: str, **matched: Any) -> Any:
    found = look(client, text)
    begun = client.post(
        f"/api/past-orders/files/{found['file']}/import", json={**found["matching"], **matched}
    ).json()
    for _ in range(400):
        state = client.get(f"/api/past-orders/imports/{begun['id']}").json()
        if state["state"] != "under-way":
            assert state["state"] == "done", state
            return state
        sleep(0.05)
    raise AssertionError(state)


@pytest.fixture
def client_with_orders(client: TestClient) -> TestClient:
    read(client, export())
    return client


def test_the_words_of_a_file_are_guessed_and_shown(client: TestClient) -> None:
    found = look(client, export())
    assert found["matching"]["columns"]["method"] == "Payment"
    assert {word: paid["method"] for word, paid in found["paid"].items()} == {
        **{"Bank transfer": "bank-transfer", "Aster credit": "card", "Credit card": "card"},
        "Cash": "cash-on-the-day",
    }
    assert found["paid"]["Aster credit"]["kind"] == "consumer-credit"
    assert (found["matching"]["left_out"], found["matching"]["refunds"]) == (["Cancelled"], ["Refunded"])


def test_shares_are_read_by_country_where_enough_orders_say_so(client_with_orders: TestClient) -> None:
    state = buyers(client_with_orders)
    assert shares(state, "DE") == {"credit-transfer": "75", "card": "25"}
    assert shares(state, "ES") == {"card": "100"}
    assert [entry["country"] for entry in state["buyers"]] == ["all", "DE", "ES"]
    assert shares(state) == {"card": "50", "credit-transfer": "37.5", "cash": "12.5"}
    assert {(entry["origin"], entry["read_from"]) for entry in state["buyers"]} == {
        *(("past-orders", 80), ("past-orders", 40), ("past-orders", 30)),
    }


def test_what_is_given_back_or_cancelled_is_no_order_of_a_month(client_with_orders: TestClient) -> None:
    kept = client_with_orders.get("/api/past-orders").json()
    assert (kept["paid"], kept["refunds"], kept["refund_share"]) == (80, 1, "1.25")


def test_typed_shares_go_before_those_that_were_read_until_they_are_taken_away(
    client_with_orders: TestClient,
) -> None:
    edit(client_with_orders, "card", country="DE", share="40")
    state = buyers(client_with_orders)
    assert shares(state, "DE") == {"credit-transfer": "60", "card": "40"}
    assert shares(state, "ES") == {"card": "100"}
    body = {"version": state["version"], "country": "DE"}
    state = client_with_orders.post("/api/buyers/forget", json=body).json()
    assert shares(state, "DE") == {"credit-transfer": "75", "card": "25"}


def test_a_file_read_again_with_a_word_matched_anew_says_so_of_the_same_orders(
    client_with_orders: TestClient,
) -> None:
    words = {"Cash": {"method": "cash-on-the-day"}, "Bank transfer": {"method": "online-banking"}}
    state = read(client_with_orders, export(), paid_with=words)
    assert (state["new"], state["already"]) == (0, 81)
    assert shares(buyers(client_with_orders), "DE") == {"online-banking": "75", "card": "25"}


def test_the_month_typed_from_past_orders_keeps_their_turnover_and_the_buyers(client: TestClient) -> None:
    totals = ["10.00", "11.11", "12.34", "999.99", "10.07", "13.30", "250.01"]
    rows = [row(number, "Portugal", "Cash", total) for number, total in enumerate(totals)]
    read(client, HEAD + "".join(rows) + "99,2026-10-09,Japan,5.00,Completed,Cash,Nobody's\n")
    edit(client, "card", share="60")
    found = client.get("/api/profile/derived").json()
    cell, *others = found["profile"]["cells"]
    low, usual, high = (Fraction(cell[name].split()[0]) for name in ("low", "usual", "high"))
    comes_to = Fraction(cell["orders"]) * (low + 2 * usual + high) / 4
    assert abs(comes_to - sum(map(Fraction, totals))) <= Fraction(1, 200)
    assert others == []
    assert found["in_no_cell"] == 1
    assert found["profile"]["buyers"][0]["families"]


def test_kinds_of_card_typed_once_hold_for_past_orders_too(client: TestClient) -> None:
    """The same orders, typed and read from a file, make the same month."""
    state = client.get("/api/profile").json()
    cards = [{"kind": "consumer-debit", "network": None, "share": "60"}, {"kind": "commercial", "share": "10"}]
    cell = {"line": "star-chart", "market": "pt-eur", "orders": "10", "usual": "42.00 EUR"}
    profile = {**state["profile"], "cells": [cell], "cards": cards, "source": "typed"}
    state = client.put("/api/profile", json={"version": state["version"], "profile": profile}).json()
    address = "/api/compare/plans"
    typed = client.get(address).json()
    read(client, HEAD + "".join(row(number, "Portugal", "", "42.00") for number in range(10)))
    profile["source"] = "past-orders"
    answer = client.put("/api/profile", json={"version": state["version"], "profile": profile})
    assert answer.status_code == 200, answer.json()
    past = client.get(address).json()
    assert past["orders"] == typed["orders"] == "10"
    assert past["alone"] == typed["alone"]
