"""A refusal is in one language as a whole: the buyer's, whatever the browser wishes, or the desk's."""

from typing import Any

import pytest

from monedero.wording.buyers import BUYER_LANGUAGES
from tests.api.shopkeeper import BOAT, BUYERS, DESK, Shopkeeper

SPAIN = {"line": "star-chart", "market": "es-eur", "delivery": "courier", "amount": "60.00", "currency": "EUR"}
# Orders that are refused, each for another reason.
REFUSED: dict[str, dict[str, Any]] = {
    "delivery": {"order": {**SPAIN, "postcode": "28001"}, "tender": "card"},
    "address": {"order": {**SPAIN, "postcode": "07001"}, "tender": "card", "address": ""},
    "tender": {"order": {**BOAT, "line": "sky-maps", "amount": "18.00"}, "tender": "instalments"},
    "total": {"order": BOAT, "tender": "bank-transfer", "total": "80.00 EUR"},
}


CODES = {
    "delivery": "delivery-refused",
    "address": "address-missing",
    "tender": "tender-held-back",
    "total": "total-changed",
}


@pytest.fixture(autouse=True)
def islands(keeper: Shopkeeper) -> None:
    """The courier goes to the islands alone, and the shop sells in every language that there is wording for."""
    held = keeper.get("/api/shop")
    shop = held["shop"]
    ways = [{**way, "prices": way["prices"][:1]} if way["id"] == "courier" else way for way in shop["deliveries"]]
    every = {**shop, "languages": list(BUYER_LANGUAGES), "deliveries": ways}
    saved = keeper.client.put("/api/shop", json={"version": held["version"], "shop": every})
    assert saved.status_code == 200, saved.text
    keeper.publish()


def refused(
    keeper: Shopkeeper, body: dict[str, Any], reads: str, wishes: str, at: str = BUYERS
) -> tuple[str, str]:
    answer = keeper.client.post(
        f"{at}/orders", json={**body, "language": reads}, headers={"accept-language": wishes}
    )
    assert answer.status_code in (409, 422), answer.text
    error = answer.json()["errors"][0]
    return error["code"], error["detail"]


@pytest.mark.parametrize("what", REFUSED)
@pytest.mark.parametrize("reads", BUYER_LANGUAGES)
def test_what_a_buyer_reads_is_said_in_the_buyers_language_whatever_the_browser_wishes(
    keeper: Shopkeeper, what: str, reads: str
) -> None:
    body = REFUSED[what]
    same = refused(keeper, body, reads, reads)
    assert same[0] == CODES[what]
    others = [language for language in BUYER_LANGUAGES if language != reads]
    for wishes in others:
        assert refused(keeper, body, reads, wishes) == same
        assert refused(keeper, body, wishes, wishes)[1] != same[1]


@pytest.mark.parametrize("what", ["delivery", "address"])
def test_a_name_in_a_refusal_is_in_the_language_of_the_rest(keeper: Shopkeeper, what: str) -> None:
    """The way of delivery is called Courier, and Kurier in German."""
    code, german = refused(keeper, REFUSED[what], "de", "en")
    _, english = refused(keeper, REFUSED[what], "en", "de")
    assert ("Kurier" in german, "Courier" in german) == (True, False), (code, german)
    assert ("Courier" in english, "Kurier" in english) == (True, False), (code, english)


def test_at_the_desk_all_of_it_is_in_the_desks_language(keeper: Shopkeeper) -> None:
    for what in ("delivery", "tender", "total"):
        said = refused(keeper, REFUSED[what], "de", "en", DESK)
        assert said[0] == CODES[what]
        assert said == refused(keeper, REFUSED[what], "en", "en", DESK)


def test_a_record_holds_codes_and_each_reader_their_own_words(keeper: Shopkeeper) -> None:
    """Paid by a voucher alone: stored as a code, read as Voucher, Gutschein, Vale."""
    code = keeper.post("/api/vouchers", {"amount": "85.00 EUR"}, 201)["code"]
    handle = keeper.post(f"{BUYERS}/offer/vouchers", {"code": code, "currency": "EUR"}, 200)["handle"]
    body = {"order": BOAT, "tender": "voucher", "vouchers": [handle], "language": "de"}
    token = keeper.post(f"{BUYERS}/orders", body, 201)["token"]
    stored = keeper.running.store.orders.get(token)
    assert stored
    assert (stored.payment.chosen.name, stored.payment.chosen.buyers_name) == ("voucher", None)
    assert keeper.get(f"/api/orders/{token}", language="de")["tender_name"] == "Gutschein"
    assert keeper.get(f"/api/orders/{token}", language="en")["tender_name"] == "Voucher"
    assert keeper.record(token)["tender_name"] == "Voucher"
    cart = {"order": {**BOAT, "cart": "sky-maps:1,first-telescope:1"}, "tender": "card", "language": "pt"}
    token = keeper.post(f"{BUYERS}/orders", cart, 201)["token"]
    stored = keeper.running.store.orders.get(token)
    assert stored
    assert stored.line_name == stored.items[0].name
    assert keeper.record(token)["line_name"] == f"{stored.line_name} and 1 more"
    assert keeper.get(f"/api/orders/{token}", language="pt")["line_name"].endswith("e mais 1")
