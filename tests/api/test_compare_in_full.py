"""Comparing over HTTP: curves, plans, the catalogue, rate cards in versions, a month of orders, assumptions."""

import io
import json
import time
from collections.abc import Sequence
from datetime import date
from fractions import Fraction
from typing import Any

import pytest
from fastapi.testclient import TestClient
from openpyxl import Workbook

from monedero.core.best_set.month import Chosen
from monedero.core.best_set.month import month_of as month_of_set
from monedero.core.columns.fees import name_of
from monedero.core.cost.all_in import all_in
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.ratecard.linear import fee_curves
from monedero.core.ratecard.priced import NotPriced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Takings
from monedero.server.shops import RunningShop, Shops
from monedero.work.month.demand import demand_of
from monedero.work.month.figures import month_of
from monedero.work.month.orders_in_columns import month_orders
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import RouteOnDay, other_costs_of
from tests.conftest import NOW, at_desk
from tests.core.best_set.test_by_volume import scaled

HAND = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def compare(client: TestClient, **changed: str) -> Any:
    return client.get("/api/compare", params={**HAND, **changed}).json()


def ranked(client: TestClient, key: str, **changed: str) -> Any:
    """A row of the ranking with what it opens into."""
    row = next(entry for entry in compare(client, **changed)["ranked"] if entry["route"]["key"] == key)
    return row | client.get("/api/compare/route", params={**HAND, **changed, "key": key}).json()


def part(entry: Any, name: str) -> Any:
    return next(found for found in entry["parts"] if found["part"] == name)


def fact(entry: Any, key: str) -> str:
    return next(str(found["text"]) for found in entry["facts"] if found["key"] == key)


# The cost of an order, part by part.
def test_an_assumption_moves_the_figure_that_it_stands_beside_and_goes_back(client: TestClient) -> None:
    key = "orlenta/start/card"
    before = part(ranked(client, key), "disputes")
    # 0.1 % of (15 + 65 % of 85 - 35 % of 15 + 45 minutes at 15): worked by hand.
    assert before["exact"] == "0.07625 EUR"
    edit = {"id": "dispute-rate", "about": "card", "value": "1"}
    assert client.put("/api/assumptions", json=edit).status_code == 200
    after = part(ranked(client, key), "disputes")
    assert after["exact"] == "0.7625 EUR"
    rate = next(entry for entry in after["assumptions"] if entry["id"] == "dispute-rate")
    assert (rate["value"], rate["typed"]) == ("1", True)
    client.put("/api/assumptions", json={**edit, "value": None})
    assert part(ranked(client, key), "disputes") == before


@pytest.mark.parametrize(
    ("edit", "status", "code"),
    [
        ({"id": "dispute-rate", "about": "card", "value": "101"}, 422, "percent-range"),
        ({"id": "hour-cost", "about": "*", "value": "fifteen"}, 422, "amount-text"),
        ({"id": "hour-cost", "about": "card", "value": "15"}, 404, "assumption-unknown"),
        ({"id": "luck", "about": "*", "value": "1"}, 404, "assumption-unknown"),
    ],
)
def test_a_wrong_assumption_is_refused_and_nothing_changes(
    client: TestClient, edit: dict[str, str], status: int, code: str
) -> None:
    before = client.get("/api/assumptions").json()
    answer = client.put("/api/assumptions", json=edit)
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (status, code)
    assert client.get("/api/assumptions").json() == before


def test_a_route_that_is_not_ranked_has_no_detail(client: TestClient) -> None:
    answer = client.get("/api/compare/route", params={**HAND, "key": "mirabou/invoice/pay-after-delivery"})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (404, "key")


def test_what_is_not_a_price_is_told_with_days(client: TestClient) -> None:
    debit = ranked(client, "orlenta/start/sepa-direct-debit")
    # Tuesday 24 November and two TARGET days; five for a debit to be certain; it is taken after 14
    # days of notice, and may be taken back for eight weeks from then.
    assert fact(debit, "arrives") == "26 Nov 2026"
    assert fact(debit, "certain") == "1 Dec 2026"
    assert fact(debit, "reversible") == "2 Feb 2027, taken back without a reason for eight weeks"
    assert fact(debit, "reach") == "70 % of your orders"
    card = ranked(client, "tessaline/split/card")
    assert "5 % kept for 90 days more" in fact(card, "arrives")
    assert "24 months at the least" in fact(card, "terms")
    assert fact(ranked(client, "pocketfern/wallet/account-wallet"), "effort") == "apply: 1 paper, about 1 day"
    assert fact(ranked(client, "bank-transfer"), "refunds").startswith("by hand")


def test_where_the_first_two_would_change_places_they_do(client: TestClient) -> None:
    answer = client.get("/api/compare/turnings", params=HAND).json()
    turn = answer["turnings"][0]
    assumption = turn["assumption"]
    order = [answer["first"]["key"], turn["rival"]["key"]]
    beyond = Fraction(turn["turns_at"].rstrip("…")) + Fraction(1, 100) * (
        1 if Fraction(turn["turns_at"].rstrip("…")) > Fraction(assumption["value"]) else -1
    )
    edit = {"id": assumption["id"], "about": assumption["about"], "value": str(float(beyond))}
    assert client.put("/api/assumptions", json=edit).status_code == 200
    keys = [entry["route"]["key"] for entry in compare(client)["ranked"]]
    assert keys.index(order[1]) < keys.index(order[0])


# Curves.
def test_curves_hold_their_amounts_and_the_cheapest_is_the_first_of_the_fees(client: TestClient) -> None:
    asked = {**HAND, "low": "5", "high": "5000", "of": "fees"}
    drawn = client.get("/api/compare/curves", params=asked).json()
    assert {"5.00", "10.00", "1000.00", "5000.00"} <= set(drawn["amounts"])
    place = drawn["amounts"].index("100.00")
    cheapest = min(
        (float(curve["values"][place]), curve["route"]["key"])
        for curve in drawn["curves"]
        if curve["values"][place] is not None
    )
    held = next(
        stretch
        for stretch in drawn["cheapest"]
        if float(stretch["from_amount"]["decimal"]) <= 100 < float(stretch["below"]["decimal"])
    )
    chosen = next(curve for curve in drawn["curves"] if curve["route"]["key"] == held["route"])
    assert float(chosen["values"][place]) == cheapest[0]
    three = next(curve for curve in drawn["curves"] if curve["route"]["method"] == "instalments")
    carried = [amount for amount, value in zip(drawn["amounts"], three["values"], strict=True) if value]
    assert (float(carried[0]) >= 45, float(carried[-1]) <= 900) == (True, True)
    wrong = client.get("/api/compare/curves", params={**asked, "low": "0"})
    assert (wrong.status_code, wrong.json()["errors"][0]["code"]) == (422, "amount-zero")


# A month.
def test_the_month_of_a_route_is_the_sum_of_its_orders(demo: RunningShop) -> None:
    """All-in, cell by cell: every weighted row on its own piece of the fee, against the sums of the columns."""
    day = NOW.date()
    inputs, month = inputs_of(at_desk(demo.store)), month_of(at_desk(demo.store), day)
    rows = month_orders(at_desk(demo.store), inputs, day).columns
    pricer = next(held for held in inputs.catalogue.pricers(day) if held.card.provider.id == "tessaline")
    route, takings = pricer.routes[0], Takings(by_plan=month.volumes)
    total, orders = Fraction(0), Fraction(0)
    for row in rows.frame.rows(named=True):
        order = demo_order(row)
        amount = order.amount.exact
        fees = dict(fee_curves_by_name(pricer, order, takings, inputs))[name_of(route)]
        assert not isinstance(fees, NotPriced)
        piece = next(held for held in fees if held.below is None or amount < held.below)
        to_books = inputs.rates.find(order.amount.currency, "EUR", day).value
        other_costs = other_costs_of(
            inputs, pricer.card, inputs.methods["card"], RouteOnDay(day, to_books, month.share(route))
        )
        total += all_in(piece, other_costs).total.at(amount) * row["weight"]
        orders += row["weight"]
    found = month.routes[name_of(route)]
    assert found.cost == total / rows.weight_over
    assert found.orders == orders / rows.weight_over


def fee_curves_by_name(pricer: CardPricer, order: Order, takings: Takings, inputs: CompareInputs) -> Any:
    return [(name_of(route), fees) for route, fees in fee_curves(pricer, order, takings, "EUR", inputs.rates)]


def demo_order(row: dict[str, Any]) -> Order:
    return Order(
        amount=Money(row["minor"], row["currency"]),
        country=row["country"],
        placed_on=row["day"],
        kinds=frozenset({LineKind(row["kinds"])}),
        recurring=row["recurring"],
        card_network=row["card_network"],
        card_kind=None if row["card_kind"] is None else CardKind(row["card_kind"]),
    )


def test_a_stretch_says_the_first_amount_that_can_be_paid_in_it(client: TestClient) -> None:
    """The first whole cent that is not below the exact break-even."""
    drawn = client.get("/api/compare/curves", params={**HAND, "low": "5", "high": "5000"}).json()
    borders = drawn["cheapest"][1:]
    assert borders
    for stretch in borders:
        first, exact = Fraction(stretch["first"]), Fraction(stretch["from_amount"]["decimal"])
        assert 0 <= first - exact < Fraction(1, 100)
        assert (first * 100).denominator == 1


def test_plans_tell_what_pays_from_which_volume(client: TestClient) -> None:
    plans = client.get("/api/compare/plans").json()
    alone = plans["alone"]
    left = [Fraction(plan["left"].split()[0]) for plan in alone]
    assert left == sorted(left, reverse=True)
    # Nobody has a wallet, instalments and cash as well: whichever one is alone, some buyers find no way.
    assert all(Fraction(plan["lost"]) > 0 for plan in alone)
    assert all(abs(Fraction(plan["carried"]) + Fraction(plan["lost"]) - 168) <= Fraction(1, 10) for plan in alone)
    # The software: 12 and 39 a month, 1 % and 0.4 % of the orders: (39 - 12) / 0.006.
    assert [stretch["from_amount"]["exact"] for stretch in plans["software"]["stretches"]] == ["0", "4500"]
    assert plans["software"]["own_plan"] == "Growing"


def test_graduated_plans_cost_the_same_where_their_plans_are_said_to_meet(
    client: TestClient, demo: RunningShop
) -> None:
    """The demo's Dovetide: as many orders as come to the volume cost the same with either, to a part of a cent."""
    plans = client.get("/api/compare/plans").json()
    dovetide = next(volumes for volumes in plans["by_provider"] if volumes["name"] == "Dovetide")
    assert [stretch["plan_name"] for stretch in dovetide["stretches"]] == ["Basic", "Club"]
    assert dovetide["beside"] == []
    demand = demand_of(at_desk(demo.store), NOW.date())
    meets = Fraction(dovetide["stretches"][1]["from_money"].split()[0])
    own = Fraction(dovetide["own"].split()[0])
    basic, club = (
        month_of_set(scaled(demand, meets / own), Chosen((name,), tuple(demand.of_plan[name]))).cost
        for name in ("dovetide/basic", "dovetide/club")
    )
    assert abs(basic - club) < Fraction(1, 100)


# A month is a forecast, and what is unknown says so.
CARD = {
    "format": "monedero/rate-card/1",
    "valid_from": "2026-11-01",
    "provider": {"id": "eider", "name": "Eider", "countries": ["PT"], "region": [], "settles_in": ["EUR"]},
    "plans": [{"id": "all", "name": "All", "monthly": "30 EUR"}, {"id": "few", "name": "Few"}],
    "rates": [
        {"id": "busy", "method": "card", "plans": ["all"], "when": {"monthly_volume": {"from": "400 EUR"}},
         "percent": "1"},
        {"id": "any", "method": "card", "plans": ["all"], "when": {}, "percent": "2"},
        {"id": "few", "method": "card", "plans": ["few"], "when": {"amount": {"from": "1000 EUR"}}, "percent": "1"},
    ],
}  # fmt: skip


def everybody_pays_by_card(client: TestClient) -> None:
    version = client.get("/api/buyers").json()["version"]
    edit = {"version": version, "country": None, "family": "card", "share": "100"}
    assert client.post("/api/buyers/shares", json=edit).status_code == 200


def with_eider(client: TestClient, *, source: str = "past-orders") -> None:
    """A shop without typed takings, with one more provider, whose month is its past orders."""
    answer = client.put("/api/rate-cards/eider/2026-11-01", json={"version": 0, "card": CARD})
    assert answer.status_code == 200, answer.json()
    held = client.get("/api/profile").json()
    profile = {**held["profile"], "source": source, "cells": []}
    client.put("/api/profile", json={"version": held["version"], "profile": profile})
    shop = client.get("/api/shop").json()
    client.put("/api/shop", json={"version": shop["version"], "shop": {**shop["shop"], "takings": None}})


def test_past_orders_are_priced_by_the_cards_of_today(client: TestClient) -> None:
    """Orders of October, a card from November: 85.00 and 1,085.50 over two months, 1 % at the volume they make."""
    imported(client, table())
    with_eider(client)
    everybody_pays_by_card(client)
    plans = client.get("/api/compare/plans").json()
    alone = {(plan["provider"], plan["plan"]): plan for plan in plans["alone"]}
    month = alone["eider", "all"]
    assert (month["carried"], month["lost"], month["monthly"]) == ("2", "0", "30.00 EUR")
    amount = Fraction(plans["amount"].split()[0])
    assert Money.rounded(amount / 100, "EUR").amount == month["fees"].split()[0]
    # Few carries one order only: it is no break-even, and stands beside with what it leaves out.
    eider = next(volumes for volumes in plans["by_provider"] if volumes["name"] == "Eider")
    assert [stretch["plan_name"] for stretch in eider["stretches"]] == ["All"]
    assert [(plan["plan_name"], plan["not_carried"]) for plan in eider["beside"]] == [("Few", "1.5")]
    # The order in hand is priced at the volume that the month makes known.
    assert ranked(client, "eider/all/card")["fee"] == "0.85 EUR"
    assert ranked(client, "eider/all/card")["unknown"] == [
        "The rate card does not say what a refund, a dispute or a failed payment costs: that fee counts as nothing."
    ]


def test_without_a_month_a_share_of_it_is_unknown_and_says_so(client: TestClient) -> None:
    with_eider(client, source="typed")
    entry = ranked(client, "eider/all/card")
    assert part(entry, "monthly-share")["exact"] == "0 EUR"
    assert part(entry, "monthly-share")["formula"] == "unknown: the plan carries no orders of a month"
    assert "The share of the plan's month is unknown" in entry["unknown"][1]
    # The volume is unknown too, so that the band of the busy does not hold; a plan without charges has none to share.
    assert entry["fee"] == "1.70 EUR"
    assert all(found["part"] != "monthly-share" for found in ranked(client, "orlenta/start/card")["parts"])
    bands = next(row["bands"] for row in compare(client)["ranked"] if row["route"]["key"] == "eider/all/card")
    assert sum(Fraction(value) for value in bands.values()) == pytest.approx(
        Fraction(entry["cost"].split()[0]), abs=0.01
    )


def test_cash_is_there_on_the_day_it_is_handed_over(client: TestClient) -> None:
    """Saturday 28 November 2026: cash on the day is there that day, and waits for nothing."""
    cash = ranked(client, "cash-on-the-day", on="2026-11-28")
    assert fact(cash, "arrives") == "28 Nov 2026"
    assert part(cash, "waiting")["exact"] == "0 EUR"


def test_what_is_missing_is_named(client: TestClient) -> None:
    answer = client.put("/api/profile", json={"profile": {"cells": []}})
    assert answer.json()["errors"][0]["detail"] == "This is missing. Write version."


def test_a_profile_is_kept_as_a_whole_and_an_empty_one_says_so(client: TestClient) -> None:
    held = client.get("/api/profile").json()
    assert held["orders"] == "168"
    empty = {"version": held["version"], "profile": {"cells": []}}
    assert client.put("/api/profile", json=empty).status_code == 200
    assert compare(client)["month_orders"] == "0"
    assert client.get("/api/compare/plans").json()["orders"] == "0"
    late = client.put("/api/profile", json=empty)
    assert (late.status_code, late.json()["errors"][0]["code"]) == (409, "version-old")
    wrong = {"cells": [{"line": "a", "market": "b", "orders": "many", "usual": "5 EUR"}]}
    refused = client.put("/api/profile", json={"version": held["version"] + 1, "profile": wrong})
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "profile.cells.0.orders")


# Past orders.
ROWS = [
    ("Order no", "Date", "Total", "Currency", "Country", "Product", "Card type"),
    ("A-1", "03.10.2026", "85,00", "EUR", "Spain", "Night boat tour", "consumer-debit"),
    ("A-2", "04.10.2026", "1.085,50", "EUR", "Portugal", "Night boat tour", "consumer-credit"),
    ("A-3", "05.11.2026", "42,00", "GBP", "Reino Unido", "Star chart and red-light lamp", ""),
    ("A-4", "05.11.2026", "0,00", "EUR", "ES", "Printable sky maps", ""),
    ("A-5", "06.11.2026", "-42,00", "GBP", "GB", "Star chart and red-light lamp", ""),
    ("A-6", "07.11.2026", "eighty", "EUR", "ES", "Night boat tour", ""),
    ("A-7", "31.02.2026", "85,00", "EUR", "ES", "Night boat tour", ""),
    ("A-8", "07.11.2026", "85,00", "EUR", "Atlantis", "Night boat tour", ""),
    ("A-1", "08.11.2026", "12,00", "EUR", "ES", "Dark-sky club", ""),
    ("A-9", "09.11.2026", "15,00", "EUR", "ES", "Mystery mug", ""),
]


def table(rows: Sequence[tuple[str, ...]] = ROWS) -> bytes:
    return "\n".join(";".join(row) for row in rows).encode()


def taken(client: TestClient, content: bytes) -> Any:
    answer = client.post("/api/past-orders/files", content=content)
    assert answer.status_code == 201, answer.json()
    return answer.json()


def imported(client: TestClient, content: bytes, **matching: str) -> Any:
    look = taken(client, content)
    body = {**look["matching"], **matching}
    begun = client.post(f"/api/past-orders/files/{look['file']}/import", json=body)
    assert begun.status_code == 202
    name = begun.json()["id"]
    for _ in range(200):
        progress = client.get(f"/api/past-orders/imports/{name}").json()
        if progress["state"] != "under-way":
            return progress
        time.sleep(0.02)
    raise AssertionError("the reading does not end")


def test_a_file_is_understood_then_read_and_the_second_time_changes_nothing(client: TestClient) -> None:
    look = taken(client, table())
    assert look["matching"]["columns"] == {
        "id": "Order no",
        "placed_on": "Date",
        "amount": "Total",
        "currency": "Currency",
        "country": "Country",
        "line": "Product",
        "card_kind": "Card type",
    }
    assert (look["matching"]["days"], look["matching"]["decimal"], look["remembered"]) == ("dmy", ",", False)
    assert [order["amount"] for order in look["read"]][:3] == ["85.00 EUR", "1085.50 EUR", "42.00 GBP"]
    assert client.get("/api/past-orders").json()["paid"] == 0
    done = imported(client, table())
    assert (done["new"], done["already"], done["free"], done["refunds"], done["refused"]) == (6, 0, 1, 1, 4)
    assert done["unknown_lines"] == 1
    refused = {(row["line"], row["column"]) for row in done["refused_rows"]}
    assert refused == {(7, "Total"), (8, "Date"), (9, "Country"), (10, "Order no")}
    kept = client.get("/api/past-orders").json()
    assert (kept["paid"], kept["free"], kept["refunds"], kept["months"]) == (4, 1, 1, 2)
    again = imported(client, table())
    assert (again["new"], again["already"]) == (0, 6)
    assert client.get("/api/past-orders").json() == kept
    assert taken(client, table())["remembered"] is True


def test_refused_rows_are_downloaded_with_their_reasons(client: TestClient) -> None:
    done = imported(client, table([*ROWS, ("=A-10", "bad", "1,00", "EUR", "ES", "", "")]))
    text = client.get(f"/api/past-orders/imports/{done['id']}/refused.csv").text
    lines = text.splitlines()
    assert lines[0] == "line,column,reason,Order no,Date,Total,Currency,Country,Product,Card type"
    assert lines[1].startswith('7,Total,"“eighty” is not an amount')
    # A cell that a spreadsheet would take for a formula comes as text.
    assert "'=A-10" in lines[-1]


def test_a_sheet_is_read_like_a_table(client: TestClient) -> None:
    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.append(["id", "date", "amount", "country", "recurring"])
    sheet.append([7, date(2026, 10, 3), 19.99, "PT", True])
    sheet.append([8, date(2026, 10, 4), 42, "ES", False])
    content = io.BytesIO()
    book.save(content)
    done = imported(client, content.getvalue())
    assert (done["new"], done["refused"]) == (2, 0)


def test_the_month_may_be_past_orders_or_be_typed_from_them(client: TestClient) -> None:
    imported(client, table())
    found = client.get("/api/profile/derived").json()["profile"]
    cells = {(cell["line"], cell["market"]): cell for cell in found["cells"]}
    assert cells["night-boat-tour", "es-eur"]["orders"] == "0.5"
    assert cells["star-chart", "gb-gbp"]["usual"] == "42.00 GBP"
    assert {card["kind"]: card["share"] for card in found["cards"]} == {
        "consumer-debit": "50",
        "consumer-credit": "50",
    }
    held = client.get("/api/profile").json()
    past = {**held["profile"], "source": "past-orders"}
    client.put("/api/profile", json={"version": held["version"], "profile": past})
    plans = client.get("/api/compare/plans").json()
    assert (plans["source"], plans["orders"], plans["months"]) == ("past-orders", "2", 2)
    assert client.delete("/api/past-orders").json()["paid"] == 0
    assert client.get("/api/compare/plans").json()["orders"] == "0"


def test_a_reading_can_be_stopped_and_then_keeps_nothing(client: TestClient, demo: RunningShop) -> None:
    many = [("id", "date", "amount"), *((str(n), "2026-10-03", "5.00") for n in range(60_000))]
    look = taken(client, "\n".join(",".join(row) for row in many).encode())
    begun = client.post(f"/api/past-orders/files/{look['file']}/import", json=look["matching"]).json()
    second = client.post(f"/api/past-orders/files/{look['file']}/import", json=look["matching"])
    assert (second.status_code, second.json()["errors"][0]["code"]) == (409, "import-under-way")
    client.delete(f"/api/past-orders/imports/{begun['id']}")
    for _ in range(200):
        state = client.get(f"/api/past-orders/imports/{begun['id']}").json()["state"]
        if state != "under-way":
            break
        time.sleep(0.02)
    assert state == "stopped"
    assert client.get("/api/past-orders").json()["paid"] == 0


@pytest.mark.parametrize(
    ("content", "code"),
    [
        (b"", "table-empty"),
        (b"id,date,amount\n", "table-empty"),
        (b"PK\x03\x04 not a sheet", "sheet-unreadable"),
        (b"id,date\n\xff\xfe,1\n", "not-utf8"),
        (b'id,date\n"7,1\n', "csv-broken"),
        (b"id,id\n1,2\n", "duplicate"),
    ],
)
def test_a_file_that_is_no_table_is_refused(client: TestClient, content: bytes, code: str) -> None:
    answer = client.post("/api/past-orders/files", content=content)
    assert (answer.status_code, answer.json()["errors"][0]["code"]) == (422, code)


def test_a_matching_that_lacks_something_is_told_before_anything_is_read(client: TestClient) -> None:
    look = taken(client, table())
    columns = {name: column for name, column in look["matching"]["columns"].items() if name != "amount"}
    body = {**look["matching"], "columns": {**columns, "line": "Colour"}}
    shown = client.post(f"/api/past-orders/files/{look['file']}/look", json=body).json()
    assert {(problem["field"], problem["code"]) for problem in shown["problems"]} == {
        ("amount", "column-unmatched"),
        ("line", "column-missing"),
    }
    refused = client.post(f"/api/past-orders/files/{look['file']}/import", json=body)
    assert refused.status_code == 422
    assert client.post("/api/past-orders/files/nowhere/look", json=body).status_code == 404
    assert client.get("/api/past-orders/imports/nothing").status_code == 404


# Rate cards.
def test_a_corrected_rate_is_tried_then_kept_and_the_ranking_follows(client: TestClient) -> None:
    key = "orlenta/start/card"
    held = client.get("/api/rate-cards/orlenta/2026-01-01").json()
    card = json.loads(json.dumps(held["card"]).replace('"percent": "1.9"', '"percent": "0.9"'))
    tried = client.post("/api/rate-cards/try", json={"card": card, "hand": HAND}).json()
    fees = {(entry["route"]["plan"], entry["route"]["method"]): entry["fee"] for entry in tried}
    assert fees["start", "card"] == "1.02 EUR"
    assert ranked(client, key)["fee"] == "1.87 EUR"
    pounds = {"card": card, "hand": {**HAND, "market": "gb-gbp", "currency": "GBP"}}
    shut = [entry for entry in client.post("/api/rate-cards/try", json=pounds).json() if entry["fee"] is None]
    assert {entry["reasons"][0]["code"] for entry in shut} == {"no-rate-fits"}
    kept = client.put("/api/rate-cards/orlenta/2026-01-01", json={"version": held["version"], "card": card})
    assert kept.json()["version"] == held["version"] + 1
    assert ranked(client, key)["fee"] == "1.02 EUR"
    late = client.put("/api/rate-cards/orlenta/2026-01-01", json={"version": held["version"], "card": card})
    assert (late.status_code, late.json()["errors"][0]["code"]) == (409, "version-old")


def test_a_card_keeps_its_versions_and_the_newest_one_prices(client: TestClient) -> None:
    held = client.get("/api/rate-cards/orlenta/2026-01-01").json()
    newer = json.loads(json.dumps(held["card"]).replace('"percent": "1.9"', '"percent": "3.9"'))
    newer["valid_from"] = "2026-11-01"
    assert client.put("/api/rate-cards/orlenta/2026-11-01", json={"version": 0, "card": newer}).status_code == 200
    key = "orlenta/start/card"
    assert ranked(client, key)["fee"] == "3.57 EUR"
    assert ranked(client, key, on="2026-10-31")["fee"] == "1.87 EUR"
    cards = {entry["provider"]: entry["versions"] for entry in client.get("/api/rate-cards").json()}
    assert [(version["day"], version["in_force"]) for version in cards["orlenta"]] == [
        ("2026-11-01", True),
        ("2026-01-01", False),
    ]
    taken_day = {"version": 1, "card": {**newer, "valid_from": "2026-01-01"}}
    clash = client.put("/api/rate-cards/orlenta/2026-11-01", json=taken_day)
    assert (clash.status_code, clash.json()["errors"][0]["code"]) == (409, "cards-same-day")
    assert client.delete("/api/rate-cards/orlenta/2026-11-01").status_code == 204
    assert ranked(client, key)["fee"] == "1.87 EUR"
    assert client.get("/api/rate-cards/orlenta/2026-11-01").status_code == 404
    assert client.delete("/api/rate-cards/orlenta/2026-11-01").status_code == 404


def test_a_card_goes_out_and_comes_back_as_it_was(client: TestClient, shops: Shops) -> None:
    before = shops.demo.store.rate_cards.get("tessaline", "2026-01-01")
    file = client.get("/api/rate-cards/tessaline/2026-01-01/card.json")
    assert client.post("/api/rate-cards", content=file.content).status_code == 201
    rates = client.get("/api/rate-cards/tessaline/2026-01-01/rates.csv").content
    assert client.post("/api/rate-cards/tessaline/2026-01-01/rates.csv", content=rates).status_code == 200
    after = shops.demo.store.rate_cards.get("tessaline", "2026-01-01")
    assert before
    assert after
    assert after.card == before.card


def test_a_wrong_table_of_rates_is_refused_by_line_and_column(client: TestClient, shops: Shops) -> None:
    before = shops.demo.store.rate_cards.all()
    rates = client.get("/api/rate-cards/orlenta/2026-01-01/rates.csv").text
    wrong = rates.replace(",2.5,", ",two,")
    answer = client.post("/api/rate-cards/orlenta/2026-01-01/rates.csv", content=wrong.encode())
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "line.4.percent")
    assert shops.demo.store.rate_cards.all() == before


# The catalogue, from both ends.
def test_who_carries_bank_debits_for_memberships_in_euro(client: TestClient) -> None:
    question = "Who carries bank debits for recurring memberships in euro?"
    answer = client.get("/api/catalogue", params={"asks": question}).json()
    assert {(entry["provider"], entry["method"]) for entry in answer["entries"]} == {
        ("orlenta", "sepa-direct-debit"),
        ("brixavo", "sepa-direct-debit"),
    }
    assert answer["unknown"] == []


def test_what_a_provider_carries_and_why_it_is_not_open(client: TestClient) -> None:
    brixavo = client.get("/api/catalogue", params={"asks": "what does Brixavo carry?"}).json()
    assert [entry["method"] for entry in brixavo["entries"]] == [
        "online-banking",
        "sepa-direct-debit",
        "instant-transfer",
    ]
    assert brixavo["providers"][0]["facts"]["review_days"] == 5
    mirabou = client.get("/api/catalogue", params={"asks": "Mirabou"}).json()
    assert [reason["code"] for reason in mirabou["entries"][0]["reasons"]] == [
        "shop-country",
        "trade-refused",
        "excluded-by",
    ]
    pounds = client.get("/api/catalogue", params={"asks": "pay later in pounds, glorious"}).json()
    assert [entry["provider"] for entry in pounds["entries"]] == ["mirabou", "pocketfern"]
    assert pounds["unknown"] == ["gloriou"]


def test_an_application_is_begun_once_from_a_route(client: TestClient) -> None:
    begun = client.post("/api/accounts/pocketfern/begin", json={"mode": "test"}).json()
    assert (begun["stage"], begun["since"]) == ("begun", "since 24 Nov 2026")
    assert client.post("/api/accounts/orlenta/begin", json={"mode": "test"}).json()["stage"] == "connected"
    assert client.post("/api/accounts/nobody/begin", json={"mode": "test"}).status_code == 404
    assert fact(ranked(client, "pocketfern/wallet/account-wallet"), "effort") == "application begun"


def test_the_shops_software_and_what_it_holds_count(client: TestClient) -> None:
    held = client.get("/api/shop").json()
    software = {**held["shop"]["software"], "allows": ["orlenta"]}
    shop = {**held["shop"], "software": software, "trade": "retail"}
    assert client.put("/api/shop", json={"version": held["version"], "shop": shop}).status_code == 200
    shut = {entry["route"]["key"]: [r["code"] for r in entry["reasons"]] for entry in compare(client)["shut"]}
    assert shut["brixavo/one/online-banking"] == ["software-refuses"]
    assert "trade-refused" not in shut["mirabou/invoice/pay-after-delivery"]
    wrong = {**shop, "software": {**software, "plan": "grand"}}
    refused = client.put("/api/shop", json={"version": held["version"] + 1, "shop": wrong})
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (422, "reference-dangling")


def test_a_method_of_the_shops_own_is_compared_with_its_cost_and_can_be_offered(client: TestClient) -> None:
    own = ranked(client, "phone-transfer", market="pt-eur")
    assert part(own, "provider-fee")["exact"] == "0.2 EUR"
    draft = client.get("/api/checkouts/web-shop").json()
    body = {"method": "phone-transfer", "route": None, "version": draft["version"]}
    added = client.post("/api/checkouts/web-shop/tenders", json=body)
    assert added.status_code == 201
    assert added.json()["tenders"][-1]["name"] == "Phone transfer"
