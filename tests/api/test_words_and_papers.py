"""Tests what buyers read and need, over HTTP: texts by language, papers to pay by, fields, pictures, the personal
link.
"""

import io
from collections.abc import Callable
from datetime import date
from decimal import Decimal
from typing import Any

import pytest
import zxingcpp
from fastapi.testclient import TestClient
from PIL import Image
from pypdf import PdfReader
from stdnum import iso11649

from monedero.demo import paper
from monedero.formats.euro_code import as_svg, euro_code
from tests.api.shopkeeper import BOAT, BUYERS, CHART, Shopkeeper

WEB = "/api/checkouts/web-shop"
BY_INVOICE = {
    "id": "invoice",
    "method": "invoice",
    "on": True,
    "name": "Invoice",
    "due_days": 30,
    "lapse_days": 60,
}


def words(keeper: Shopkeeper, tender: str, language: str) -> tuple[Any, dict[str, Any]]:
    found = keeper.get(f"{WEB}/words", **BOAT)["tenders"]
    [one] = [entry for entry in found if (entry["tender"], entry["language"]) == (tender, language)]
    return one, {text["kind"]: text for text in one["texts"]}


def added(keeper: Shopkeeper, **tender: Any) -> None:
    held = keeper.get(WEB)
    body = {"version": held["version"], "tenders": [*held["tenders"], tender]}
    answer = keeper.client.put(WEB, json=body)
    assert answer.status_code == 200, answer.text


def ordered(keeper: Shopkeeper, tender: str, **given: Any) -> Any:
    body = {"order": BOAT, "tender": tender, **given}
    return keeper.client.post("/api/checkouts/web-shop/orders", json=body)


def told(keeper: Shopkeeper, token: str) -> dict[str, str]:
    return {line["label"]: line["value"] for line in keeper.page(token)["paper"]["lines"]}


def test_a_transfer_is_told_whole_on_the_page_and_in_the_message_in_german(keeper: Shopkeeper) -> None:
    token = ordered(keeper, "bank-transfer", language="de").json()["token"]
    page = keeper.page(token)
    assert (page["language"], page["headline"]) == ("de", "Danke. Wir warten auf Ihre Zahlung")
    lines = told(keeper, token)
    assert lines == {
        "An": "Cabo Noite",
        "IBAN": "PT50 0099 0031 0001 2345 6783 3",
        "Bank": "Banco da Maré",
        "Referenz": "RF40 1001",
        "Betrag": "85,00\u00a0€",
        "Zahlbar bis": "29.11.2026",
    }
    assert iso11649.is_valid(lines["Referenz"])
    assert page["next"].startswith("Eine Überweisung dauert ein bis zwei Banktage.")
    [message] = keeper.record(token)["messages"]
    assert message["subject"] == "Cabo Noite, Bestellung 1001: Danke. Wir warten auf Ihre Zahlung"
    for part in (*lines.values(), page["next"], f"/buy/orders/{token}", "Dies ist eine Testbestellung"):
        assert part in message["text"]
    assert "{" not in message["text"]
    # The owner wrote what to bring in English alone: it stands for German too, with the buyer's own day in it.
    assert "held until 29.11.2026. Bring warm clothes" in message["text"]
    assert "<strong>warm clothes</strong>" in page["after"]
    # The link shows the same to anybody who has it, in any of the shop's languages, until it is paid.
    stranger = TestClient(keeper.client.app, base_url="http://127.0.0.1")
    assert stranger.get(f"/api/orders/{token}").json()["paper"] == page["paper"]
    english = keeper.get(f"/api/orders/{token}", language="en")
    assert english["headline"] == "Thank you. We are waiting for your payment"
    assert keeper.act(token, "paid").status_code == 200
    paid = keeper.page(token)
    assert (paid["paper"], paid["next"], paid["headline"]) == (None, "", "Danke. Ihre Bestellung ist bezahlt")
    assert keeper.client.get(f"/api/orders/{token}/transfer.svg").status_code == 404


def test_the_code_of_an_order_is_the_transfer_that_is_told(keeper: Shopkeeper) -> None:
    keeper.settings("bank-transfer", fee={"percent": "-1", "networks": {}})
    token = ordered(keeper, "bank-transfer").json()["token"]
    drawing = keeper.client.get(f"/api/orders/{token}/transfer.svg")
    assert drawing.headers["content-type"] == "image/svg+xml"
    record = keeper.running.store.orders.get(token)
    assert record is not None
    # The drawing is of this code, which is read as a picture in dots.
    code = euro_code("Cabo Noite", "PT50009900310001234567833", record.payment.total, "RF401001")
    assert drawing.text == as_svg(code)
    written = io.BytesIO()
    code.save(written, kind="png", scale=4)
    [read] = zxingcpp.read_barcodes(Image.open(written))
    lines = bytes(read.bytes).decode().split("\n")
    assert (lines[6], Decimal(lines[7][3:]), lines[9]) == (
        "PT50009900310001234567833",
        Decimal("84.15"),
        "RF401001",
    )
    assert told(keeper, token)["Amount"] == "€84.15"


def test_what_its_buyer_would_not_know_how_to_pay_is_held_back_until_the_owner_types_it(
    keeper: Shopkeeper,
) -> None:
    added(keeper, id="wire", method="wire-transfer", on=True, name="Wire")
    dollars = {**BOAT, "market": "us-usd", "currency": "USD"}
    order = {"order": dollars, "tender": "wire"}
    assert keeper.fault(keeper.client.post("/api/checkouts/web-shop/orders", json=order))[:2] == (
        409,
        "tender-held-back",
    )
    held = keeper.get("/api/checkouts/web-shop/view", **dollars)
    reasons = next(each["reasons"] for each in held["outcomes"] if each["tender"]["id"] == "wire")
    assert [(reason["code"], reason["act"], reason["go"]) for reason in reasons] == [
        ("details-missing", "type them", "/shop/arrangements")
    ]
    account = {"id": "us", "holder": "Cabo Noite", "country": "US", "currency": "USD"}
    said = {"bank_code": "011103093", "account_number": "000123456789"}
    arranged(keeper, lambda told: {**told, "accounts": [*told["accounts"], {**account, **said}]})
    page = keeper.page(keeper.client.post("/api/checkouts/web-shop/orders", json=order).json()["token"])
    assert [line["label"] for line in page["paper"]["lines"]] == [
        *("To", "Routing number", "Account number", "Reference", "Amount")
    ]
    assert page["paper"]["code"] is None
    added(keeper, id="cheque", method="cheque", on=True, name="Cheque")
    arranged(keeper, lambda told: {**told, "post_to": ""})
    assert keeper.fault(ordered(keeper, "cheque"))[:2] == (409, "tender-held-back")


@pytest.mark.parametrize(
    ("country", "bank_code", "account_number", "labels"),
    [
        ("GB", "20-00-00", "55779911", ["Sort code", "Account number"]),
        ("AU", "062-000", "12345678", ["BSB", "Account number"]),
        ("IN", "HDFC0000001", "123456789012", ["IFSC", "Account number"]),
        ("MX", None, "032180000118359719", ["CLABE"]),
        ("JP", "0001 005", "1234567", ["Bank and branch", "Account number"]),
        ("CA", "00011-001", "1234567", ["Transit and institution number", "Account number"]),
    ],
)
def test_an_account_is_told_as_its_country_writes_it(
    keeper: Shopkeeper, country: str, bank_code: str | None, account_number: str, labels: list[str]
) -> None:
    """The numbers are invented; that their shapes are right is from memory."""
    account = {"id": "own", "holder": "Cabo Noite", "country": country, "currency": "EUR"}
    said = {"bank_code": bank_code, "account_number": account_number}
    arranged(keeper, lambda told: {**told, "accounts": [{**account, **said}]})
    paper = keeper.page(ordered(keeper, "bank-transfer").json()["token"])["paper"]
    shown = [line["label"] for line in paper["lines"]]
    assert shown == ["To", *labels, "Reference", "Amount", "Pay by"]
    assert paper["code"] is None
    held = keeper.get("/api/shop")
    wrong = {**held["shop"]["arrangements"], "accounts": [{**account, **said, "account_number": "1"}]}
    body = {"version": held["version"], "shop": {**held["shop"], "arrangements": wrong}}
    assert keeper.fault(keeper.client.put("/api/shop", json=body))[1] == "account-number"


def arranged(keeper: Shopkeeper, change: Callable[[Any], Any]) -> None:
    held = keeper.get("/api/shop")
    shop = {**held["shop"], "arrangements": change(held["shop"]["arrangements"])}
    answer = keeper.client.put("/api/shop", json={"version": held["version"], "shop": shop})
    assert answer.status_code == 200, answer.text


def test_an_invoice_keeps_its_number_for_good(keeper: Shopkeeper) -> None:
    added(keeper, **BY_INVOICE)
    refused = ordered(keeper, "invoice")
    assert keeper.fault(refused) == (422, "answer-missing", "answers.bill-to")
    answers = {"bill-to": "Zofia Żółć, Gdańsk", "purchase-order": "PO-77"}
    first = ordered(keeper, "invoice", answers=answers, language="pt").json()["token"]
    second = ordered(keeper, "invoice", answers=answers).json()["token"]
    assert (told(keeper, first)["Número"], told(keeper, second)["Number"]) == ("TEST-CN-0001", "TEST-CN-0002")
    at = keeper.page(first)["invoice"]
    content = keeper.client.get(at).content
    said = PdfReader(io.BytesIO(content)).pages[0].extract_text()
    for part in (
        "Fatura TEST-CN-0001",
        "85,00",
        "24/11/2026",
        "24/12/2026",
        "Zofia Żółć, Gdańsk",
        "PO-77",
        "RF40 1001",
    ):
        assert part in said
    # Another prefix is for those that come; what was given out stays, also when it is paid.
    held = keeper.get("/api/shop")
    told_now = {**held["shop"]["arrangements"], "invoice_prefix": "X-", "seller": "Another"}
    changed = {"version": held["version"], "shop": {**held["shop"], "arrangements": told_now}}
    assert keeper.client.put("/api/shop", json=changed).status_code == 200
    keeper.act(first, "paid")
    assert keeper.page(first)["invoice"] == at
    assert keeper.client.get(at).content == content
    third = ordered(keeper, "invoice", answers=answers).json()["token"]
    assert told(keeper, third)["Number"] == "TEST-X-0003"
    # The owner reads the labels in the language of the desk.
    answers_kept = {entry["label"]: entry["value"] for entry in keeper.record(first)["answers"]}
    assert answers_kept == {
        "Name and address for the invoice": "Zofia Żółć, Gdańsk",
        "Purchase order number": "PO-77",
    }
    # Only an invoice gives an invoice.
    token = ordered(keeper, "bank-transfer").json()["token"]
    assert keeper.client.get(f"/api/orders/{token}/invoice.pdf").status_code == 404


def test_cheques_cash_and_a_counter_are_told_too(keeper: Shopkeeper) -> None:
    added(keeper, id="cheque", method="cheque", on=True, name="Cheque")
    cheque = told(keeper, ordered(keeper, "cheque").json()["token"])
    assert (cheque["Payable to"], cheque["Send it to"]) == ("Cabo Noite", "Cabo Noite, Cais 3, 8650 Sagres")
    added(keeper, id="door", method="cash-on-delivery", on=True, name="At the door")
    chart = {**CHART, "goods": "38.00", "delivery": "courier", "postcode": "28001"}
    short = ordered(keeper, "door", order=chart, answers={"pays-with": "20"})
    assert keeper.fault(short) == (422, "cash-short", "answers.pays-with")
    unread = ordered(keeper, "door", order=chart, answers={"pays-with": "1.234,567"})
    assert unread.status_code == 422
    cash = told(keeper, ordered(keeper, "door", order=chart, answers={"pays-with": "50"}).json()["token"])
    assert (cash["Amount"], cash["You pay with"], cash["Change"]) == ("€42.00", "€50.00", "€8.00")
    assert "Change" not in told(keeper, ordered(keeper, "door", order=chart).json()["token"])
    own = {
        "id": "kiosk",
        "name": "Kiosk",
        "family": "counter-voucher",
        "own": True,
        "buyer": "x",
        "recurring": False,
    }
    held = keeper.get("/api/shop")
    methods = [*held["shop"]["own_methods"], {"method": own}]
    keeper.client.put(
        "/api/shop", json={"version": held["version"], "shop": {**held["shop"], "own_methods": methods}}
    )
    added(keeper, id="kiosk", method="kiosk", on=True, name="Kiosk", lapse_days=3)
    token = ordered(keeper, "kiosk").json()["token"]
    counter = told(keeper, token)
    assert counter["Number"].replace(" ", "").isdigit()
    assert counter["Last day"] == "27 Nov 2026"
    bars = keeper.client.get(keeper.page(token)["paper"]["bars"])
    assert (bars.status_code, bars.headers["content-type"]) == (200, "image/svg+xml")
    assert keeper.client.get(f"/api/orders/{token}/transfer.svg").status_code == 404
    assert (
        keeper.client.get(f"/api/orders/{ordered(keeper, 'cheque').json()['token']}/number.svg").status_code == 404
    )


def test_texts_are_ready_made_until_written_fall_back_and_are_taken_back(keeper: Shopkeeper) -> None:
    one, texts = words(keeper, "card", "de")
    assert one["name"] == "Karte"
    assert texts["before"]["ready"].startswith("Ihre Karte wird von Orlenta belastet")
    assert (texts["before"]["written"], texts["before"]["missing"]) == (None, False)
    keeper.settings("card", texts={"en": {"before": "Have your **card** ready, {way} for {amount}."}})
    _, texts = words(keeper, "card", "de")
    assert (texts["before"]["falls_back"], texts["before"]["missing"]) == ("English", True)
    assert texts["before"]["shown"] == "<p>Have your <strong>card</strong> ready, Karte for 85,00&nbsp;€.</p>"
    offered = keeper.get(f"{WEB}/view", **BOAT, language="de")
    card = next(way for way in offered["offered"] if way["tender"] == "card")
    assert (card["name"], card["before"], card["pay"]) == (
        "Karte",
        texts["before"]["shown"],
        "85,00\u00a0€ zahlen",
    )
    assert (offered["language"], offered["words"]["how_to_pay"]) == ("de", "Wie möchten Sie zahlen?")
    keeper.settings("card", texts={})
    assert words(keeper, "card", "de")[1]["before"]["shown"].startswith("<p>Ihre Karte wird von Orlenta")
    # They follow the settings.
    keeper.settings("bank-transfer", texts={}, due_days=9)
    assert "within 9 days" in words(keeper, "bank-transfer", "en")[1]["description"]["ready"]


def test_texts_after_paying_and_failing_stand_on_the_page_and_in_the_message(keeper: Shopkeeper) -> None:
    paid = "Thank you for **{amount}**. Order {number}: [see it]({link})."
    keeper.settings(
        "card", texts={"en": {"paid": paid, "failed": "Please try again, {shop} keeps {line} for you."}}
    )
    placed = keeper.place("card")
    keeper.end(placed, "declined-money")
    page = keeper.page(placed["token"])
    assert page["instead"] == "<p>Please try again, Cabo Noite keeps Night boat tour for you.</p>"
    assert page["text"] == "This is a test order: no money moves."
    token = keeper.paid("card")
    page = keeper.page(token)
    assert page["instead"].startswith("<p>Thank you for <strong>€85.00</strong>. Order 1002: <a href=")
    message = keeper.record(token)["messages"][-1]["text"]
    assert message.startswith("Thank you for €85.00. Order 1002: see it (http://127.0.0.1/buy/orders/")
    assert "You paid" not in message
    # An empty text is nothing said in its place.
    keeper.settings("card", texts={"en": {"paid": ""}})
    silent = keeper.paid("card")
    assert keeper.page(silent)["instead"] == ""
    assert "You paid" not in keeper.page(silent)["text"]


@pytest.mark.parametrize(
    ("changed", "code", "field"),
    [
        ({"texts": {"en": {"before": "{number}"}}}, "placeholder-unknown", "texts.en.before"),
        ({"texts": {"en": {"paid": "{total}"}}}, "placeholder-unknown", "texts.en.paid"),
        ({"texts": {"en": {"after": "a { b"}}}, "brace-alone", "texts.en.after"),
        ({"texts": {"klingonese": {"after": "a"}}}, "language-tag", "texts.klingonese.[key]"),
        ({"names": {"pt": " TRANSFERÊNCIA bancaria"}}, "name-taken", ""),
        ({"film": "javascript:alert(1)"}, "film-link", "film"),
        ({"picture": "../secret"}, None, "picture"),
        ({"fields": [{"id": "a", "kind": "choice", "label": {"en": "A"}}]}, "choices-count", "fields.0"),
    ],
)
def test_words_that_cannot_be_kept_are_refused_in_place(
    keeper: Shopkeeper, changed: dict[str, Any], code: str | None, field: str
) -> None:
    held = keeper.get(WEB)
    tenders = [{**entry, **changed} if entry["id"] == "card" else entry for entry in held["tenders"]]
    refused = keeper.client.put(WEB, json={"version": held["version"], "tenders": tenders})
    status, found, place = keeper.fault(refused)
    assert (status, code in (None, found)) == (422, True)
    assert place.startswith(f"tenders.0.{field}") if field else place in ("", "tenders")
    assert keeper.get(WEB) == held


def test_a_buyer_fills_in_what_an_arrangement_asks(keeper: Shopkeeper) -> None:
    size = {
        "id": "size",
        "kind": "choice",
        "label": {"en": "Size", "de": "Größe"},
        "needed": True,
        "choices": [{"en": "Small", "de": "Klein"}, {"en": "Large", "de": "Groß"}],
    }
    when = {"id": "when", "kind": "date", "label": {"en": "When"}}
    keeper.settings("cash-on-the-day", fields=[size, when])
    view = keeper.get(f"{WEB}/view", **BOAT, language="de")
    cash = next(way for way in view["offered"] if way["tender"] == "cash-on-the-day")
    assert [(field["label"], field["choices"]) for field in cash["fields"]] == [
        ("Größe", ["Klein", "Groß"]),
        ("When (freiwillig)", []),
    ]
    keeper.publish()
    wrong = keeper.client.post(
        f"{BUYERS}/orders",
        json={
            "order": BOAT,
            "tender": "cash-on-the-day",
            "answers": {"size": "XL", "when": "soon"},
        },
        headers={"Accept-Language": "de"},
    ).json()
    assert [(error["field"], error["code"]) for error in wrong["errors"]] == [
        ("answers.size", "not-one-of"),
        ("answers.when", "date-text"),
    ]
    assert wrong["errors"][0]["detail"].startswith("„XL“ steht nicht zur Wahl.")
    answers = {"size": "Groß", "when": date(2026, 12, 24).isoformat()}
    token = ordered(keeper, "cash-on-the-day", answers=answers, language="de").json()["token"]
    assert keeper.record(token)["answers"] == [
        {"field": "size", "label": "Größe", "value": "Large"},
        {"field": "when", "label": "When", "value": "2026-12-24"},
    ]
    number = keeper.client.post(
        "/api/checkouts/web-shop/orders",
        json={
            "order": BOAT,
            "tender": "cash-on-the-day",
            "answers": {"size": "4111 1111 1111 1111"},
        },
    )
    assert keeper.fault(number)[1] == "card-number"
    # Another way is chosen with what that one asks.
    other = keeper.place("bank-transfer")["token"]
    missing = keeper.client.post(f"/api/orders/{other}/tender", json={"tender": "cash-on-the-day"})
    assert keeper.fault(missing) == (422, "answer-missing", "answers.size")


def test_a_picture_is_kept_encoded_anew_and_a_drawing_with_script_is_refused(keeper: Shopkeeper) -> None:
    written = io.BytesIO()
    Image.new("RGB", (60, 40), (20, 90, 80)).save(written, "PNG")
    kept = keeper.client.post("/api/pictures", files={"file": ("boat.png", written.getvalue(), "image/png")})
    assert (kept.status_code, kept.json()["width"]) == (201, 60)
    again = keeper.client.post("/api/pictures", files={"file": ("boat2.png", written.getvalue(), "image/png")})
    assert again.json()["id"] == kept.json()["id"]
    shown = keeper.client.get(kept.json()["at"])
    assert shown.headers["content-type"] == "image/webp"
    assert "immutable" in shown.headers["cache-control"]
    keeper.settings("card", picture=kept.json()["id"])
    view = keeper.get(f"{WEB}/view", **BOAT)
    assert next(way for way in view["offered"] if way["tender"] == "card")["picture"] == kept.json()["at"]
    script = b"<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"
    refused = keeper.client.post("/api/pictures", files={"file": ("logo.png", script, "image/png")})
    assert keeper.fault(refused) == (422, "picture-kind", "file")
    assert keeper.client.get(f"/api/pictures/{'a' * 32}").status_code == 404


def test_what_a_buyer_asks_for_in_vain_is_told_in_the_buyers_language(keeper: Shopkeeper) -> None:
    def told(path: str) -> tuple[int, str, str]:
        answer = keeper.client.get(path, headers={"Accept-Language": "de"})
        return answer.status_code, answer.json()["title"], answer.json()["detail"]

    gone = told("/api/orders/none")
    assert gone[:2] == (404, "Diese Bestellung gibt es nicht")
    assert gone[2].startswith("„none“ gibt es nicht.")
    assert told("/api/shops/demo/offer?line=none")[1] == "Diese Bestellung kann hier nicht bezahlt werden"


def test_a_language_that_the_browser_asks_for_is_read_else_the_first(keeper: Shopkeeper) -> None:
    for wished, tag, pay in (("de-AT, en;q=0.2", "de", "85,00\u00a0€ zahlen"), ("fr", "en", "Pay €85.00")):
        offer = keeper.client.get("/api/shops/demo/offer", headers={"Accept-Language": wished}).json()
        assert (offer["language"], offer["offered"][0]["pay"]) == (tag, pay)
    picked = keeper.get("/api/shops/demo/offer", language="pt")
    assert (picked["language"], picked["country_name"]) == ("pt", "Portugal")
    assert [entry["name"] for entry in picked["languages"]] == ["English", "Português", "Deutsch"]


def test_a_new_way_to_pay_has_its_name_in_every_language_for_which_there_is_wording(keeper: Shopkeeper) -> None:
    held = keeper.get(WEB)
    added = keeper.post(f"{WEB}/tenders", {"version": held["version"], "method": "invoice", "route": None}, 201)
    [invoice] = [tender for tender in added["tenders"] if tender["id"] == added["added"]]
    assert (invoice["name"], invoice["names"]) == ("Invoice", {"pt": "Fatura", "de": "Rechnung"})
    again = keeper.post(f"{WEB}/tenders", {"version": added["version"], "method": "invoice", "route": None}, 201)
    [second] = [tender for tender in again["tenders"] if tender["id"] == again["added"]]
    assert (second["name"], second["names"]) == ("Invoice 2", {"pt": "Fatura 2", "de": "Rechnung 2"})


def test_an_account_for_transfers_is_refused_by_its_part(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/shop")

    def put(**account: Any) -> Any:
        arrangements = {**held["shop"]["arrangements"], "accounts": [{"id": "a", "holder": "C", **account}]}
        shop = {**held["shop"], "arrangements": arrangements}
        return keeper.client.put("/api/shop", json={"version": held["version"], "shop": shop})

    at = "shop.arrangements.accounts.0"
    assert keeper.fault(put(country="PT", iban="PT50009900310001234567834")) == (422, "iban", f"{at}.iban")
    assert keeper.fault(put(iban="PT50009900310001234567833", bic="ABC")) == (422, "bic", f"{at}.bic")
    assert keeper.fault(put(country="US", currency="USD"))[1] == "account-missing"
    assert keeper.get("/api/shop") == held


@pytest.mark.parametrize("language", ["en", "pt", "de"])
def test_a_text_in_a_second_language_takes_no_ready_made_text_away(keeper: Shopkeeper, language: str) -> None:
    before = keeper.get("/api/shops/demo/offer", **BOAT, language=language)
    keeper.settings("card", texts={"pt": {"description": "Com cartão.", "before": "Confirme no banco."}})
    publication = keeper.get("/api/checkouts/web-shop/publication")
    keeper.post("/api/checkouts/web-shop/editions", {"fingerprint": publication["fingerprint"]}, 201)
    after = keeper.get("/api/shops/demo/offer", **BOAT, language=language)
    told = [
        [(way["description"], way["before"]) for way in offer["offered"] if way["tender"] == "card"]
        for offer in (before, after)
    ]
    assert (told[0] == told[1]) is (language != "pt")
    assert told[1][0] == ("Com cartão.", "<p>Confirme no banco.</p>") if language == "pt" else told[0]


def test_a_fee_is_told_with_its_tax_and_by_its_own_name_before_and_after_ordering(keeper: Shopkeeper) -> None:
    names = {"en": "Card fee", "pt": "Taxa do cartão"}
    keeper.settings("card", fee={"percent": "5", "tax_percent": "23", "label": names, "networks": {}})
    panel = keeper.get("/api/checkouts/web-shop/view", **BOAT)
    card = next(way for way in panel["offered"] if way["tender"] == "card")
    assert "6.15 % is added." in card["before"]
    assert (card["on_top"], card["fee_label"]) == ("€5.23", "Card fee")
    at = keeper.place("card")
    assert ("Card fee", "€5.23") in [(line["label"], line["amount"]) for line in keeper.page(at["token"])["lines"]]
    keeper.end(at, "paid")
    page = keeper.get(f"/api/orders/{at['token']}", language="pt")
    assert page["fee_label"] == "Taxa do cartão"


def test_placeholders_under_the_name_are_filled_and_unknown_ones_refused(keeper: Shopkeeper) -> None:
    keeper.settings("card", texts={"en": {"description": "Pay {amount} to {shop}."}})
    card = next(
        way for way in keeper.get("/api/checkouts/web-shop/view", **BOAT)["offered"] if way["tender"] == "card"
    )
    assert card["description"] == "Pay €85.00 to Cabo Noite."


@pytest.mark.parametrize(
    ("kind", "text", "code"),
    [
        ("description", "Pay {amout}.", "placeholder-unknown"),
        ("after", "![a boat](https://boats.example/1.png)", "picture-elsewhere"),
        ("before", "![a boat][boat]", "picture-elsewhere"),
        ("after", "[Look](https://maps.example/?back={link})", "link-elsewhere"),
        ("after", "[Look](https://maps.example/?back=%7Blink%7D)", "link-elsewhere"),
        ("paid", "<https://maps.example/{link}>", "link-elsewhere"),
        ("failed", "[Look][there]\n\n[there]: //maps.example/{link}", "link-elsewhere"),
    ],
)
def test_a_text_that_its_buyers_could_not_read_or_that_gives_them_away_is_refused_by_its_field(
    keeper: Shopkeeper, kind: str, text: str, code: str
) -> None:
    held = keeper.get("/api/checkouts/web-shop")
    tenders = [{**held["tenders"][0], "texts": {"en": {kind: text}}}, *held["tenders"][1:]]
    answer = keeper.client.put("/api/checkouts/web-shop", json={"version": held["version"], "tenders": tenders})
    assert keeper.fault(answer) == (422, code, f"tenders.0.texts.en.{kind}")


def test_what_a_failure_says_of_cash_is_that_it_did_not_come(keeper: Shopkeeper) -> None:
    words = keeper.get("/api/checkouts/web-shop/words", **BOAT)
    said = {
        entry["tender"]: text["ready"]
        for entry in words["tenders"]
        for text in entry["texts"]
        if text["kind"] == "failed" and entry["language"] == "en"
    }
    assert "declined" in said["card"]
    assert "declined" not in said["cash-on-the-day"]
    assert "did not arrive" in said["cash-on-the-day"]


@pytest.mark.parametrize("tender", ["cash-on-the-day", "cheque", "bank-transfer"])
def test_a_receipt_is_asked_for_where_there_is_one(keeper: Shopkeeper, tender: str) -> None:
    if tender == "cheque":
        added(keeper, id="cheque", method="cheque", on=True, name="Cheque")
    token = ordered(keeper, tender).json()["token"]
    takes = keeper.page(token)["can_send_receipt"]
    assert takes is (tender == "bank-transfer")
    file = {"file": ("r.pdf", paper(), "application/pdf")}
    assert (keeper.client.post(f"/api/orders/{token}/receipt", files=file).status_code == 201) is takes
