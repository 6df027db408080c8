"""Everything that forbids to meet real buyers is met in the list, ended where it leads to, and gone then."""

from collections.abc import Callable
from typing import NamedTuple

import httpx2
import pytest
from fastapi import FastAPI
from selenium.webdriver.common.keys import Keys

from monedero.core.ready import FORBIDS, ReadyCode
from tests.api import test_ready
from tests.api.shopkeeper import Shopkeeper
from tests.browser.desk import Desk

KEPT = "fetch('/api/business').then((answer) => answer.text()).then(arguments[arguments.length - 1])"
BOAT = "?market=es-eur&line=night-boat-tour&amount=85.00&currency=EUR"


class Ended(NamedTuple):
    """A page that an item leads to, what its owner does there, and the part of the item's sentence that tells it."""

    page: str
    by: Callable[[Desk], None]
    told: str


def switched_on(desk: Desk) -> None:
    desk.click("Card switched on")
    desk.see("Card", "aside")


def gap_closed(desk: Desk) -> None:
    desk.until(lambda: desk.all("[data-kind=dead-end]"))
    desk.click("Offer Card without an upper limit")
    desk.see("This is how it would be; nothing is changed yet.")
    desk.click("Make this change")
    desk.see("Done: Offer Card without an upper limit.")


def iban_typed(desk: Desk) -> None:
    desk.type_into("IBAN of an account in EUR", "DE89 3704 0044 0532 0130 00")
    desk.named("Holder of the EUR account", "input")


def held_elsewhere(desk: Desk) -> None:
    desk.click("I hold an account there, and keep it where it is")
    desk.click("It is held elsewhere")
    desk.see("Held elsewhere")


def said_anew(desk: Desk) -> None:
    desk.click("Say it anew")
    desk.click("Methods that are active there", exact=False)
    desk.keys("card", Keys.ENTER, Keys.ESCAPE)
    desk.click("It is held elsewhere")
    desk.until(lambda: "It is held elsewhere" not in desk.texts("main button"))


def card_off(desk: Desk) -> None:
    desk.pick("Card of Orlenta in your checkout", "off")
    desk.until(lambda: "Card" not in desk.ways())


def disconnected(desk: Desk) -> None:
    desk.click("Disconnect")
    desk.click("Disconnect Orlenta")
    desk.named("Connect it again")


def withdrawn(desk: Desk) -> None:
    desk.click("Withdraw", "main button", exact=False)
    desk.until(lambda: "In review" not in desk.text("main article"))


def fee_taken_off(desk: Desk) -> None:
    desk.type_into("Fixed amount", "")
    desk.until(lambda: desk.named("Fixed amount", "input").get_attribute("value") == "")
    desk.until(lambda: "pays 1.00 EUR on top" not in desk.text("[data-tender=card]"))


def condition_taken_out(desk: Desk) -> None:
    desk.click("Card: let it be offered here")
    desk.until(lambda: "Card" in desk.ways())


def address_typed(desk: Desk) -> None:
    desk.type_into("E-mail", "ola@cabonoite.example", Keys.TAB)
    # Leaving the page at once would break off what is on its way to the server.
    desk.until(lambda: "ola@cabonoite.example" in desk.browser.execute_async_script(KEPT))


def played_again(desk: Desk) -> None:
    desk.click("Card, paid: failed")
    desk.click("Play this cell")
    desk.until(lambda: desk.all("[data-outcome=paid] [data-standing=passed][aria-label^='Card']"), 60)


ENDS = {
    ReadyCode.NOTHING_ON: Ended("/checkout", switched_on, "No way to pay"),
    ReadyCode.DEAD_END: Ended("/coverage", gap_closed, "nobody can pay for"),
    ReadyCode.NO_DETAILS: Ended("/shop/arrangements", iban_typed, "Bank transfer"),
    ReadyCode.ACCOUNT_NOT_LIVE: Ended("/accounts/orlenta", held_elsewhere, "Orlenta takes no real money"),
    ReadyCode.METHOD_NOT_ACTIVE: Ended("/accounts/orlenta", said_anew, "Orlenta does not carry Card"),
    ReadyCode.DOMAIN_NOT_PROVEN: Ended("/accounts/orlenta", card_off, "once your domain is proven"),
    ReadyCode.TEST_ACCESS: Ended("/accounts/orlenta", disconnected, "by the credentials of its test"),
    ReadyCode.EXCLUDED_PAIR: Ended("/accounts/brixavo", withdrawn, "exclude each other"),
    ReadyCode.FEE_FORBIDDEN: Ended("/checkout", fee_taken_off, "Card asks its buyers a fee"),
    ReadyCode.COUNTRY_FORBIDDEN: Ended("/checkout", condition_taken_out, "Card is kept from some"),
    ReadyCode.NO_CONTACT: Ended("/accounts/papers", address_typed, "whom to turn to"),
    ReadyCode.REHEARSAL_FAILED: Ended("/rehearse", played_again, "otherwise than it should"),
}


def as_it_is(keeper: Shopkeeper) -> None:
    """In the demo nobody can pay above the limit of the card, which one act lifts."""


MAKES = {**test_ready.MAKES, ReadyCode.DEAD_END: as_it_is}


@pytest.mark.parametrize("code", sorted(FORBIDS))
def test_what_forbids_is_ended_where_the_list_leads_to(
    desk: Desk, server: tuple[FastAPI, str], served: str, code: ReadyCode
) -> None:
    ended = ENDS[code]
    with httpx2.Client(base_url=served, trust_env=False, timeout=30) as client:
        MAKES[code](Shopkeeper(client, server[0].state.shops))  # type: ignore[arg-type]
    desk.open(f"/publish{BOAT}")

    def told() -> list[str]:
        return [text for text in desk.texts(f"[data-code={code.value}]") if ended.told in text]

    def followed() -> bool:
        items = desk.all(f"[data-code={code.value}]")
        next(item for item in items if ended.told in item.text).find_element("css selector", "a").click()
        return True

    desk.until(told)
    desk.until(followed)
    desk.until(lambda: desk.browser.current_url.removeprefix(served).startswith(ended.page))
    ended.by(desk)
    desk.open(f"/publish{BOAT}")
    desk.until(lambda: desk.all("[data-weight=warns] li"))
    assert told() == []
