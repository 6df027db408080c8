"""Rehearse every case, end what stands in the way, publish, plan, and go back, as an owner does."""

from typing import Any

import httpx2

from tests.browser.desk import Desk

WEB = "/api/checkouts/web-shop"


def api(served: str) -> httpx2.Client:
    return httpx2.Client(base_url=served, trust_env=False, timeout=30)


def renamed(served: str, name: str) -> None:
    """The card of the draft gets another name."""
    with api(served) as client:
        held: Any = client.get(WEB).json()
        tenders = [{**each, "name": name} if each["id"] == "card" else each for each in held["tenders"]]
        answer = client.put(WEB, json={"version": held["version"], "tenders": tenders})
        assert answer.status_code == 200, answer.text


def cells(desk: Desk, standing: str) -> int:
    return len(desk.all(f"[data-standing={standing}]"))


def played(desk: Desk) -> None:
    desk.until(lambda: cells(desk, "open") == cells(desk, "stale") == 0 and "Playing" not in desk.text("main"), 90)


def test_every_case_is_played_a_cell_is_opened_and_an_edit_makes_its_way_stale(desk: Desk, served: str) -> None:
    desk.open("/rehearse")
    desk.until(lambda: cells(desk, "open"))
    desk.click("Play all")
    desk.see("Playing:", "main")
    played(desk)
    assert cells(desk, "failed") == 0
    assert cells(desk, "passed") > 20
    desk.click("Bank transfer, you see the money: passed")
    desk.see("Everything came as it should.", "main")
    desk.see("2 messages to the buyer", "main")
    assert "Your seat on the boat is held until" not in desk.text("main")
    assert desk.violations() == []
    # The card's buyers read something else: its cases wait to be played again, and no others.
    renamed(served, "Bank card")
    desk.open("/rehearse")
    desk.until(lambda: cells(desk, "stale"))
    assert all("Bank card" in cell.accessible_name for cell in desk.all("[data-standing=stale]"))
    desk.click("Bank card, paid: stale")
    desk.see("Something that this rests on has changed", "main")
    desk.click("Play this cell")
    desk.until(lambda: desk.all("[data-outcome=paid] [data-standing=passed][aria-label^='Bank card']"), 60)
    assert cells(desk, "stale")


def test_what_stands_in_the_way_is_accepted_with_a_reason_or_ended_where_it_is(desk: Desk) -> None:
    desk.open("/publish")
    desk.until(lambda: desk.all("[data-weight=forbids] li"))
    before = len(desk.all("[data-weight=warns] li"))
    desk.one("[data-code=single-way] button").click()
    desk.click("Accept", "button[type=submit]")
    desk.until(lambda: desk.all("[data-code=single-way] [role=alert]"))
    desk.type_into("Reason", "small orders, and cash is there")
    desk.until(lambda: len(desk.all("[data-weight=warns] li")) == before - 1)
    desk.see("1 accepted with a reason", "main")
    assert desk.violations() == []
    desk.one("[data-code=account-not-live] a").click()
    desk.until(lambda: "/accounts/" in desk.browser.current_url)


def test_a_storefront_is_paused_with_words_for_buyers_and_opened_again(desk: Desk) -> None:
    desk.open("/publish")
    desk.see("Open: it takes orders", "main")
    desk.click("Pause it")
    desk.type_into("Opens again on, such as 2027-01-07", "soon", "")
    desk.type_into("What buyers read besides", "We are at sea.")
    desk.see("“soon” is not a day", "main")
    desk.type_into("Opens again on, such as 2027-01-07", "2099-01-07")
    desk.see("It opens by itself on 7 Jan 2099. They read: “We are at sea.”", "main")
    assert desk.violations() == []
    desk.open("/buy/demo")
    desk.see("Closed for now")
    desk.see("It opens again on 7 Jan 2099. We are at sea.")
    assert desk.violations() == []
    desk.open("/publish")
    desk.click("Open it again")
    desk.see("Open: it takes orders", "main")
    desk.open("/buy/demo")
    desk.see("How would you like to pay?")


def test_an_edition_is_published_with_a_note_planned_and_gone_back_from(desk: Desk, served: str) -> None:
    renamed(served, "Bank card")
    desk.open("/publish")
    desk.type_into("A note on it, for you", "the name that buyers know", end="")
    desk.click("Publish as edition 2")
    desk.see("the name that buyers know", "main")
    desk.see("Nothing differs. Buyers see what you see.", "main")
    desk.click("Go back to edition 1")
    desk.until(lambda: desk.all("[role=alertdialog]"))
    desk.see("Card", "[role=alertdialog]")
    desk.click("Go back to edition 1", "[role=alertdialog] button")
    desk.see("Edition 1 again", "main")
    desk.see("The draft against edition 3", "main")
    # The draft is planned for later; until then buyers see what they saw.
    desk.click("Publish later")
    field = desk.one("input[type=datetime-local]")
    desk.browser.execute_script(
        "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;"
        "set.call(arguments[0], arguments[1]);"
        "arguments[0].dispatchEvent(new Event('input', {bubbles: true}));",
        field,
        "2099-05-01T09:00",
    )
    desk.click("Plan it")
    desk.see("An edition is planned for 1 May 2099", "main")
    desk.click("Plan it no more")
    desk.until(lambda: "An edition is planned" not in desk.text("main"))
