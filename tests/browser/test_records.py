"""Finding a test order among many."""

import httpx2

from tests.browser.desk import BOAT, Desk

ORDER = {"market": "es-eur", "line": "night-boat-tour", "amount": "85.00", "currency": "EUR"}


def test_orders_are_found_as_fast_as_one_types(desk: Desk) -> None:
    for number in range(9):
        tender = "bank-transfer" if number % 2 else "card"
        body = {"order": ORDER, "tender": tender}
        httpx2.post(f"{desk.address}/api/checkouts/web-shop/orders", json=body).raise_for_status()
    desk.open("/compare" + BOAT)
    desk.click("Rehearse", exact=False)
    desk.see("9 so far")
    desk.type_into("Find by number, line or way to pay", "transfer", end="")
    desk.see("4 found")
    assert desk.named("Find by number, line or way to pay", "input").get_attribute("value") == "transfer"
    assert desk.violations() == []
    # The search stays through a reload, and going back leads to the page of before.
    desk.until(lambda: "find=transfer" in desk.browser.current_url)
    desk.browser.refresh()
    desk.see("4 found")
    desk.browser.back()
    desk.until(lambda: "/compare" in desk.browser.current_url)


def test_a_wrong_address_is_told_by_what_would_be_right(desk: Desk) -> None:
    desk.open("/rehearse" + BOAT + "&before=abc")
    desk.see("Write a whole number.")
