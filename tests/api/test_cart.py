"""The page of a line and the cart over HTTP: what they show, what goes together, and how a cart is ordered."""

from typing import Any

import pytest

from tests.api.shopkeeper import BUYERS, DESK, Shopkeeper
from tests.api.test_paid_later import amounts, deposit, line, weighed

SPAIN = {"market": "es-eur"}
TIMES = "\u00d7"


def page(keeper: Shopkeeper, id: str, at: str = "edition", **more: Any) -> Any:
    path = f"{BUYERS}/offer/line" if at == "edition" else f"{DESK}/line-page"
    return keeper.get(path, line=id, **{**SPAIN, **more})


def cart(keeper: Shopkeeper, held: str, at: str = "edition", **more: Any) -> Any:
    path = f"{BUYERS}/offer/cart" if at == "edition" else f"{DESK}/cart-page"
    return keeper.get(path, cart=held, **{**SPAIN, **more})


def test_the_page_of_a_line_shows_what_parts_would_be_to_the_cent(keeper: Shopkeeper) -> None:
    found = page(keeper, "night-boat-tour")
    assert (found["name"], found["price"], found["notes"]) == ("Night boat tour", "€85.00", [])
    assert [(way["name"], way["note"]) for way in found["ways"]] == [
        ("Instalments", "3 parts: €28.34 first, then €28.33 each")
    ]
    assert [other["name"] for other in found["others"]] == [
        "Star chart and red-light lamp",
        "Printable sky maps",
        "Your first telescope, online course",
        "Dark-sky club",
    ]
    assert found["others"][-1]["price"] == "€12.00 each month"
    # Instalments are offered from 45 EUR on.
    assert page(keeper, "sky-maps")["ways"] == []
    # A browser's word on the price of a line is not believed.
    note = "3 parts: €49.67 first, then €49.66 each"
    assert page(keeper, "first-telescope", amount="90.00")["ways"][0]["note"] == note


def test_what_is_shown_where_is_the_owners_to_say_and_the_draft_says_it_first(keeper: Shopkeeper) -> None:
    keeper.settings("instalments", on_line_page=False)
    keeper.settings("card", on_line_page=True, in_cart=True, fee={"percent": "2", "networks": {}})
    ways = page(keeper, "night-boat-tour", at="draft")["ways"]
    assert [(way["name"], way["note"]) for way in ways] == [("Card", "€1.70 more")]
    assert page(keeper, "night-boat-tour")["ways"][0]["name"] == "Instalments"
    held = cart(keeper, "sky-maps:2", at="draft")["ways"]
    assert [(way["name"], way["note"]) for way in held] == [("Card", "€0.36 more")]


def test_a_line_says_how_it_is_paid_in_the_language_of_its_buyer(keeper: Shopkeeper) -> None:
    deposit(keeper, percent="30")
    weighed(keeper, "48.00 EUR")
    german = page(keeper, "night-boat-tour", language="de", at="draft")
    assert german["notes"] == ["25,50\u00a0€ bei der Buchung, 59,50\u00a0€ am Tag selbst."]
    chart = page(keeper, "star-chart", at="draft")
    assert (chart["price"], len(chart["notes"])) == ("at most €48.00", 1)
    deposit(keeper, percent="0")
    assert page(keeper, "night-boat-tour", at="draft")["notes"] == ["You pay on the day."]
    club = page(keeper, "dark-sky-club")
    assert (club["alone"], club["notes"]) == (True, ["To pay each month"])
    chosen = {"from": "5.00 EUR", "to": "50.00 EUR"}
    assert line(keeper, "sky-maps", chosen=chosen).status_code == 200
    assert page(keeper, "sky-maps", at="draft")["notes"] == ["from €5.00 to €50.00"]


def test_a_line_costs_in_the_currency_of_the_market_what_the_reference_rate_says(keeper: Shopkeeper) -> None:
    pounds = page(keeper, "night-boat-tour", market="gb-gbp")
    assert pounds["price"].startswith("£")
    assert pounds["price"] != "£85.00"
    held = keeper.get("/api/shops/demo/offer", market="gb-gbp", line="night-boat-tour")
    assert amounts(held)[0] == ("Night boat tour", pounds["price"])


def test_a_cart_adds_up_and_is_ordered_as_one(keeper: Shopkeeper) -> None:
    found = cart(keeper, "star-chart:2,night-boat-tour:1")
    assert [(item["name"], item["times"], item["amount"]) for item in found["items"]] == [
        ("Star chart and red-light lamp", 2, "€84.00"),
        ("Night boat tour", 1, "€85.00"),
    ]
    assert (amounts(found)[-1], found["problem"]) == (("To pay", "€169.00"), "")
    assert found["ways"][0]["note"] == "3 parts: €56.34 first, then €56.33 each"
    offer = keeper.client.get(f"/api/shops/demo/offer{found['search']}&delivery=pier").json()
    assert amounts(offer)[:2] == [
        (f"2 {TIMES} Star chart and red-light lamp", "€84.00"),
        ("Night boat tour", "€85.00"),
    ]
    assert offer["order"]["delivery"] == "pier"
    body = {"order": offer["order"], "tender": "card"}
    token = keeper.post("/api/shops/demo/orders", body, 201)["token"]
    record = keeper.end({"token": token}, "paid")
    assert record["line_name"] == "Star chart and red-light lamp and 1 more"
    assert [(item["line"], item["times"], item["amount"]) for item in record["items"]] == [
        ("star-chart", 2, "84.00 EUR"),
        ("night-boat-tour", 1, "85.00 EUR"),
    ]
    assert (record["kind"], record["amount"], record["can"]["send"]) == ("goods", "169.00 EUR", "169.00 EUR")
    after = keeper.page(token)
    assert amounts(after)[0] == (f"2 {TIMES} Star chart and red-light lamp", "€84.00")
    assert amounts(after)[-1] == ("Paid", "€169.00")


def test_a_cart_weighs_what_its_lines_weigh_and_goes_as_they_may(keeper: Shopkeeper) -> None:
    islands = {"market": "pt-eur", "postcode": "9500", "delivery": "courier"}
    one = keeper.get("/api/shops/demo/offer", cart="star-chart:1,sky-maps:1", **islands)
    assert ("Courier", "€9.00") in amounts(one)
    # Two of 450 grams are over the first band of 500.
    two = keeper.get("/api/shops/demo/offer", cart="star-chart:2,sky-maps:1", **islands)
    assert ("Courier", "€14.50") in amounts(two)


def test_a_cart_with_deposits_is_paid_for_in_part_and_one_with_weighed_goods_at_most(keeper: Shopkeeper) -> None:
    deposit(keeper, amount="20.00 EUR")
    found = cart(keeper, "night-boat-tour:2,sky-maps:1", at="draft")
    assert amounts(found) == [("To pay on the day", "-€130.00"), ("To pay now", "€49.00")]
    order = {"market": "es-eur", "line": "sky-maps", "amount": "1", "currency": "EUR"}
    paid = keeper.paid(order={**order, "cart": "night-boat-tour:2,sky-maps:1"})
    record = keeper.record(paid)
    assert (record["state_name"], record["payments"][0]["books"]["taken"]) == ("deposit paid", "49.00 EUR")
    assert record["can"]["rest_paid"] == "130.00 EUR"
    weighed(keeper, "48.00 EUR")
    both = cart(keeper, "night-boat-tour:1,star-chart:1", at="draft")
    assert both["problem"].startswith("Night boat tour is ordered by itself.")
    held = "star-chart:2,sky-maps:1"
    assert amounts(cart(keeper, held, at="draft")) == [("To pay at most", "€105.00")]
    # Only what is weighed may come to less.
    offer = keeper.get("/api/shops/demo/offer", cart=held, delivery="pier", **SPAIN)
    assert [amount for _, amount in amounts(offer)[:2]] == ["€84.00", "€9.00"]
    view = keeper.get("/api/checkouts/web-shop/view", **order, cart=held, delivery="pier")
    assert [amount for _, amount in amounts(view)[:2]] == ["at most €96.00", "€9.00"]
    placed = keeper.place("card", {**order, "line": "star-chart", "delivery": "pier", "cart": held})
    assert keeper.end(placed, "paid")["can"]["weigh"] == "105.00 EUR"
    record = keeper.act(placed["token"], "weigh", amount="99.50 EUR", note="").json()
    assert (record["state"], record["payments"][0]["books"]["taken"]) == ("paid", "99.50 EUR")
    shown = amounts(keeper.page(placed["token"]))
    assert [entry for entry in shown[2:] if entry[1] != "€0.00"] == [
        ("Came to less", "-€5.50"),
        ("Paid", "€99.50"),
    ]


def test_what_does_not_go_together_stays_in_the_cart_and_is_told(keeper: Shopkeeper) -> None:
    found = cart(keeper, "dark-sky-club:1,star-chart:1")
    assert [item["line"] for item in found["items"]] == ["dark-sky-club", "star-chart"]
    assert found["problem"].startswith("Dark-sky club is ordered by itself.")
    assert (found["lines"], found["ways"]) == ([], [])
    assert cart(keeper, "dark-sky-club:1")["problem"] == ""
    # A line that is sold no more is gone; a cart that cannot be read is empty.
    assert [item["line"] for item in cart(keeper, "gone:3,sky-maps:1")["items"]] == ["sky-maps"]
    for held in ("", "sky-maps", "sky-maps:0", "x" * 900):
        assert cart(keeper, held)["items"] == []


@pytest.mark.parametrize(
    ("held", "code"),
    [
        ("sky-maps", "cart-text"),
        ("gone:1", "not-found"),
        ("dark-sky-club:1,sky-maps:1", "cart-alone"),
        ("sky-maps:100", "cart-text"),
    ],
)
def test_a_cart_that_cannot_be_ordered_is_refused_by_name(keeper: Shopkeeper, held: str, code: str) -> None:
    order = {"market": "es-eur", "line": "sky-maps", "amount": "9.00", "currency": "EUR", "cart": held}
    answer = keeper.client.post("/api/checkouts/web-shop/orders", json={"order": order, "tender": "card"})
    assert keeper.fault(answer)[1:] == (code, "cart")


def test_lines_and_ways_of_delivery_are_called_in_the_language_of_their_buyer(keeper: Shopkeeper) -> None:
    german = cart(keeper, "star-chart:2,night-boat-tour:1", language="de")
    assert [item["name"] for item in german["items"]] == ["Sternkarte und Rotlichtlampe", "Nächtliche Bootstour"]
    offer = keeper.client.get(f"/api/shops/demo/offer{german['search']}&delivery=pier").json()
    assert offer["line_name"] == "Sternkarte und Rotlichtlampe und 1 mehr"
    assert [way["name"] for way in offer["deliveries"]] == ["Kurier", "Am Pier abgeholt"]
    body = {"order": offer["order"], "tender": "card", "language": "de"}
    token = keeper.post("/api/shops/demo/orders", body, 201)["token"]
    record = keeper.end({"token": token}, "paid")
    # The owner reads the first language of the shop, the buyer the other.
    assert record["line_name"] == "Star chart and red-light lamp and 1 more"
    assert "Sternkarte und Rotlichtlampe und 1 mehr, bezahlt" in record["messages"][0]["text"]
    lines = amounts(keeper.page(token))
    assert (lines[0][0], lines[2][0].partition(",")[0]) == (
        f"2 {TIMES} Sternkarte und Rotlichtlampe",
        "Am Pier abgeholt",
    )
    portuguese = amounts(keeper.get(f"/api/orders/{token}", language="pt"))
    assert portuguese[1][0] == "Passeio de barco à noite"


def test_two_lines_cannot_be_called_the_same_in_another_language(keeper: Shopkeeper) -> None:
    answer = line(keeper, "star-chart", names={"de": "nachtliche  bootstour"})
    assert answer.status_code == 200
    answer = line(keeper, "star-chart", names={"de": "NÄCHTLICHE BOOTSTOUR"})
    assert keeper.fault(answer)[:2] == (422, "duplicate")
