"""From "never heard of it" to a connected account, in each of the three ways, with what goes wrong on the way."""

import io
import sqlite3
from typing import Any

import pytest

from monedero.api.app import create_app
from monedero.core.account import Mode
from monedero.demo import paper
from monedero.formats.paper import LARGEST
from monedero.server.shops import Shops
from tests.api.shopkeeper import CHART, Shopkeeper
from tests.conftest import browser_of
from tests.core.test_application import longer


def account(keeper: Shopkeeper, provider: str, mode: str = "test") -> Any:
    return keeper.get(f"/api/accounts/{provider}", mode=mode)["accounts"][0]


def add_paper(keeper: Shopkeeper, kind: str, content: bytes | None = None) -> Any:
    file = (f"{kind}.pdf", io.BytesIO(paper() if content is None else content))
    return keeper.client.post("/api/papers", data={"kind": kind}, files={"file": file})


def confirm_phone(keeper: Shopkeeper, id: str, mode: str = "test") -> None:
    keeper.post(f"/api/accounts/{id}/phone", {"phone": "912 345 678"}, 202, mode=mode)
    keeper.post(f"/api/accounts/{id}/phone/code", {"code": code(keeper)}, 200, mode=mode)


def code(keeper: Shopkeeper) -> str:
    """The code that the simulated phone shows."""
    text = keeper.get("/api/letters")["letters"][0]["text"]
    digits = text.split(" is ")[1].split(". It")[0]
    return "".join(sign for sign in digits if sign.isdigit())


def apply(keeper: Shopkeeper, provider: str, mode: str = "test") -> str:
    """An application that lacks nothing, sent; gives back its reference."""
    keeper.post(f"/api/accounts/{provider}/begin", {"mode": mode}, 201)
    for kind in ("register-extract", "yearly-accounts", "card-data-answers"):
        assert add_paper(keeper, kind).status_code == 201
    confirm_phone(keeper, provider, mode)
    keeper.post(f"/api/accounts/{provider}/terms", None, 200, mode=mode)
    sent = keeper.post(f"/api/accounts/{provider}/send", {}, 200, mode=mode)
    assert sent["stage"] == "in-review"
    return keeper.running.provider.reviews.all()[-1].reference


def test_every_provider_has_a_sheet_that_says_what_it_brings_and_asks(keeper: Shopkeeper) -> None:
    index = {entry["provider"]: entry for entry in keeper.get("/api/accounts")["providers"]}
    assert (index["orlenta"]["stage"], index["orlenta"]["since"]) == ("connected", "since 14 Sep 2026")
    assert index["dovetide"]["stands"] == "Dovetide is reviewing your application"
    sheet = keeper.get("/api/accounts/orlenta")
    # The part of all orders that find a way of one of its plans that they take.
    alone = [plan for plan in keeper.get("/api/compare/plans")["alone"] if plan["provider"] == "orlenta"]
    assert sheet["brings"]["percent"] == f"{float(alone[0]['carried']) / 1.68:.0f}"
    sides = {side["method"]: side for side in sheet["methods"]}
    assert (sides["card"]["there"], sides["card"]["here"], sides["card"]["tender"]) == ("active", "on", "card")
    assert sides["sepa-direct-debit"]["here"] == "not in the checkout"
    brixavo = keeper.get("/api/accounts/brixavo")
    debits = next(side for side in brixavo["methods"] if side["method"] == "sepa-direct-debit")
    assert debits["there"] == "refused: debits need a year of trading"
    assert keeper.client.get("/api/accounts/nobody").status_code == 404
    empty = keeper.get("/api/accounts/orlenta", mode="live")
    assert (empty["accounts"], empty["methods"][0]["there"]) == ([], "not connected")


def test_an_application_is_refused_corrected_and_approved_as_time_passes(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/pocketfern/begin", {"mode": "test"}, 201)
    lacking = keeper.client.post("/api/accounts/pocketfern/send", json={})
    assert [error["field"] for error in lacking.json()["errors"]] == ["phone", "terms"]
    assert "a telephone number, confirmed by a code" in lacking.json()["detail"]
    confirm_phone(keeper, "pocketfern")
    keeper.post("/api/accounts/pocketfern/terms", None, 200)
    keeper.post("/api/accounts/pocketfern/send", {}, 200)
    again = keeper.client.post("/api/accounts/pocketfern/send", json={})
    assert keeper.fault(again)[:2] == (409, "stage-not-fit")
    reference = keeper.running.provider.reviews.all()[-1].reference
    keeper.office("pocketfern", f"reviews/{reference}", verdict="refuse", said="the document has expired")
    assert account(keeper, "pocketfern")["stage"] == "in-review"
    keeper.wind(days=1, minutes=1)
    refused = account(keeper, "pocketfern")
    assert (refused["stage"], refused["application"]["said"][0]["said"]) == ("refused", "the document has expired")
    assert keeper.get("/api/letters")["letters"][0]["text"] == "the document has expired"
    blank = keeper.client.post("/api/accounts/pocketfern/send", json={"answer": " "})
    assert keeper.fault(blank) == (422, "question-blank", "answer")
    add_paper(keeper, "identity")
    answered = keeper.post("/api/accounts/pocketfern/send", {"answer": "here is the new one"}, 200)
    assert (answered["stage"], answered["application"]["said"][0]["answer"]) == (
        "in-review",
        "here is the new one",
    )
    keeper.wind(days=1, minutes=1)
    approved = account(keeper, "pocketfern")
    assert (approved["stage"], approved["number"][:5]) == ("approved", "POC-T")
    held = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    wallet = next(entry for entry in held if entry["tender"]["id"] == "account-wallet")
    assert "is approved and not connected yet" in wallet["reasons"][0]["text"]


def test_a_question_is_answered_in_place(keeper: Shopkeeper) -> None:
    reference = apply(keeper, "pocketfern")
    keeper.office("pocketfern", f"reviews/{reference}", verdict="ask", said="what do you sell?", now=True)
    asked = account(keeper, "pocketfern")
    assert (asked["stage"], asked["application"]["said"][0]["said"]) == ("question", "what do you sell?")
    keeper.post("/api/accounts/pocketfern/send", {"answer": "nights under the stars"}, 200)
    assert keeper.running.provider.reviews.get(reference).answers == ["nights under the stars"]


def test_a_single_method_may_be_refused_in_an_approved_account(keeper: Shopkeeper) -> None:
    due = keeper.running.provider.reviews.all()[0]
    keeper.office(
        "dovetide", f"reviews/{due.reference}", verdict="approve", said="no cards yet", method="card", now=True
    )
    assert account(keeper, "dovetide")["stage"] == "approved"
    paste(keeper, "dovetide")
    sides = {side["method"]: side for side in keeper.get("/api/accounts/dovetide")["methods"]}
    assert sides["card"]["there"] == "refused: no cards yet"
    assert sides["device-wallet"]["there"] == "waits until your domain is checked"
    keeper.post("/api/accounts/dovetide/domain", None, 200)
    sides = {side["method"]: side for side in keeper.get("/api/accounts/dovetide")["methods"]}
    assert (sides["device-wallet"]["active"], sides["card"]["active"]) == (True, False)


def test_a_device_wallet_is_held_back_where_the_storefront_has_no_domain(keeper: Shopkeeper) -> None:
    due = keeper.running.provider.reviews.all()[0]
    keeper.office("dovetide", f"reviews/{due.reference}", verdict="approve", now=True)
    account(keeper, "dovetide")
    paste(keeper, "dovetide")
    held = keeper.get("/api/shop")
    shop = {**held["shop"], "storefronts": [{"id": "web-shop", "name": "Web shop"}]}
    assert keeper.client.put("/api/shop", json={"version": held["version"], "shop": shop}).status_code == 200
    unseen = keeper.client.post("/api/accounts/dovetide/domain")
    assert (unseen.status_code, "was not found" in unseen.json()["detail"]) == (422, True)
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    wallet = next(entry for entry in view if entry["tender"]["id"] == "device-wallet")
    assert "it waits until your domain is checked" in wallet["reasons"][0]["text"]


def credentials(keeper: Shopkeeper, provider: str, mode: str = "test") -> dict[str, str]:
    """The newest credentials of the newest account in a mode, as its back office shows them."""
    found = [
        one for one in keeper.running.provider.merchants.all() if (one.provider, one.mode) == (provider, mode)
    ]
    return dict(found[-1].credentials[0].fields)


def paste(keeper: Shopkeeper, id: str, mode: str = "test", **changed: str) -> Any:
    fields = {**credentials(keeper, id.removesuffix("-2"), mode), **changed}
    return keeper.client.post(f"/api/accounts/{id}/credentials", json={"fields": fields}, params={"mode": mode})


def test_methods_of_a_new_account_are_active_after_minutes(keeper: Shopkeeper) -> None:
    reference = apply(keeper, "brixavo", "live")
    keeper.office("brixavo", f"reviews/{reference}", verdict="approve", now=True)
    connected = paste(keeper, "brixavo", "live").json()
    assert connected["stage"] == "connected"
    sides = {side["method"]: side for side in keeper.get("/api/accounts/brixavo", mode="live")["methods"]}
    assert sides["online-banking"]["there"] == "being activated, ready 24 Nov 2026 at 10:05"
    keeper.wind(minutes=6)
    sides = {side["method"]: side for side in keeper.get("/api/accounts/brixavo", mode="live")["methods"]}
    assert sides["online-banking"]["active"]
    # Test mode knows nothing of it.
    assert account(keeper, "brixavo")["number"] != account(keeper, "brixavo", "live")["number"]


def test_credentials_are_checked_by_their_parts_kept_sealed_and_shown_masked(
    keeper: Shopkeeper, tmp_path: Any
) -> None:
    given = credentials(keeper, "tessaline")
    for part, wrong, code in (
        ("key", "", "credential-missing"),
        ("certificate", "not a certificate", "credential-file"),
        ("key", "tessaline test wrong", "provider-refused"),
        ("desk-number", "TES/1", "provider-refused"),
    ):
        answer = paste(keeper, "tessaline", **{part: wrong})
        assert keeper.fault(answer) == (422, code, f"fields.{part}")
    connected = paste(keeper, "tessaline").json()
    shown = {part["id"]: part["shown"] for part in connected["credentials"]}
    assert shown == {
        "merchant-number": given["merchant-number"],
        "desk-number": given["desk-number"],
        "key": f"ends in {given['key'][-4:]}",
        "certificate": "certificate file",
    }
    with sqlite3.connect(tmp_path / "data" / "demo.sqlite") as database:
        written = "".join(str(row) for row in database.iterdump())
    for secret in (given["key"], given["certificate"][40:80], "519999991", "Inês Farol", "PT500002"):
        assert secret not in written


def test_a_key_of_the_other_mode_is_never_accepted(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/brixavo/begin", {"mode": "live"}, 201)
    keeper.office("brixavo", "merchants", mode="live", holder="Cabo Noite")
    fields = credentials(keeper, "brixavo", "test")
    body = {"fields": fields}
    wrong = keeper.client.post("/api/accounts/brixavo/credentials", json=body, params={"mode": "live"})
    assert wrong.status_code == 422
    assert "These are credentials for test mode. This is the live account" in wrong.json()["detail"]
    assert account(keeper, "brixavo", "live")["stage"] == "begun"
    assert paste(keeper, "brixavo", "live").json()["stage"] == "connected"


def test_credentials_are_replaced_without_a_gap(keeper: Shopkeeper) -> None:
    placed = keeper.place("online-banking")
    before = account(keeper, "brixavo")
    number = before["number"]
    keeper.office("brixavo", f"merchants/{number}/credentials")
    assert keeper.end(placed, "paid")["state"] == "paid"
    after = paste(keeper, "brixavo").json()
    assert after["credentials"] != before["credentials"]
    assert after["since"] == before["since"]
    assert keeper.act(placed["token"], "refund", amount="5.00 EUR").json()["state"] == "part-refunded"


def signed_in(keeper: Shopkeeper, provider: str, mode: str = "test") -> tuple[str, dict[str, str]]:
    """The provider's page of a sign-in that was begun, and what it asks for."""
    keeper.post(f"/api/accounts/{provider}/begin", {"mode": mode}, 201)
    begun = keeper.post(f"/api/accounts/{provider}/sign-in", None, 200, mode=mode)
    path, _, query = begun["go_to"].partition("?")
    asked = dict(part.split("=", 1) for part in query.split("&"))
    names = ("mode", "redirect_uri", "state", "code_challenge")
    return path, {name: asked[name].replace("%2F", "/") for name in names}


def back(keeper: Shopkeeper, location: str) -> str:
    answer = keeper.client.get(location, follow_redirects=False)
    assert answer.status_code == 303
    return str(answer.headers["location"])


def allow(keeper: Shopkeeper, path: str, asked: dict[str, str], merchant: str) -> str:
    answer = keeper.client.post(path, data={**asked, "merchant": merchant}, follow_redirects=False)
    assert answer.status_code == 303
    return str(answer.headers["location"])


def test_a_sign_in_comes_back_to_where_one_was_once_and_in_its_own_browser(
    keeper: Shopkeeper, shops: Shops
) -> None:
    keeper.office("pocketfern", "merchants", mode="test", holder="Cabo Noite")
    number = keeper.running.provider.merchants.all()[-1].number
    path, asked = signed_in(keeper, "pocketfern")
    assert number in keeper.client.get(path, params=asked).text
    returned = allow(keeper, path, asked, number)
    stranger = browser_of(create_app(shops, demo_first=True))
    elsewhere = stranger.get(returned, follow_redirects=False)
    assert elsewhere.headers["location"] == "/accounts?refused=sign-in-forged"
    assert back(keeper, returned) == "/accounts/pocketfern?mode=test&connected=pocketfern"
    assert back(keeper, returned) == "/accounts?refused=sign-in-forged"  # a state is good once
    assert account(keeper, "pocketfern")["stage"] == "connected"


@pytest.mark.parametrize("query", ["state=forged&code=x", "state=&code=", "", "confirms=forged"])
def test_a_forged_return_connects_nothing(keeper: Shopkeeper, query: str) -> None:
    signed_in(keeper, "pocketfern")
    assert back(keeper, f"/accounts/connected?{query}") == "/accounts?refused=sign-in-forged"
    assert account(keeper, "pocketfern")["stage"] == "begun"


def test_a_code_needs_its_proof_its_address_and_its_time(keeper: Shopkeeper) -> None:
    keeper.office("pocketfern", "merchants", mode="test", holder="Cabo Noite")
    number = keeper.running.provider.merchants.all()[-1].number
    path, asked = signed_in(keeper, "pocketfern")
    other = allow(keeper, path, {**asked, "code_challenge": "another"}, number)
    assert back(keeper, other) == "/accounts?refused=provider-refused"
    path, asked = signed_in(keeper, "pocketfern")
    late = allow(keeper, path, asked, number)
    keeper.wind(minutes=11)
    assert back(keeper, late) == "/accounts?refused=sign-in-forged"
    path, asked = signed_in(keeper, "pocketfern")
    assert back(keeper, allow(keeper, path, asked, "")) == "/accounts?refused=sign-in-denied"
    for elsewhere in ("https://elsewhere.example/", "//elsewhere.example", "/\\elsewhere.example", "/accounts"):
        outside = {**asked, "redirect_uri": elsewhere, "merchant": number}
        assert keeper.client.post(path, data=outside, follow_redirects=False).status_code == 422
        assert keeper.client.get(path, params=outside).status_code == 422
    assert "There is no live account here yet" in keeper.client.get(path, params={**asked, "mode": "live"}).text
    assert keeper.client.get("/simulated-provider/demo/nobody/authorize", params=asked).status_code == 404


def test_an_account_is_connected_by_the_mail_to_its_address(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/quayling/disconnect", None, 200)
    keeper.post("/api/accounts/mirabou/begin", {"mode": "test"}, 201)
    keeper.office("mirabou", "merchants", mode="test", holder="Cabo Noite")
    for wrong, code in (("nobody@shop.example", "provider-refused"), ("nonsense", "email-text")):
        answer = keeper.client.post("/api/accounts/mirabou/email", json={"email": wrong})
        assert keeper.fault(answer)[1] == code
    keeper.post("/api/accounts/mirabou/email", {"email": "owner@shop.example"}, 202)
    letter = keeper.get("/api/letters")["letters"][0]
    assert letter["subject"] == "Use your Mirabou account with Monedero?"
    assert back(keeper, letter["link"]) == "/accounts/mirabou?mode=test&connected=mirabou"
    assert account(keeper, "mirabou")["connected_as"] == "owner@shop.example"
    assert back(keeper, letter["link"]) == "/accounts?refused=sign-in-forged"


def test_a_wrong_way_of_connecting_is_refused(keeper: Shopkeeper) -> None:
    assert keeper.fault(keeper.client.post("/api/accounts/brixavo/sign-in"))[:2] == (409, "stage-not-fit")
    body = {"email": "a@b.example"}
    assert keeper.client.post("/api/accounts/orlenta/email", json=body).status_code == 409
    assert keeper.client.post("/api/accounts/orlenta/credentials", json={"fields": {}}).status_code == 409


def test_providers_that_exclude_each_other_are_never_both_on(keeper: Shopkeeper) -> None:
    sheet = keeper.get("/api/accounts/mirabou")
    assert sheet["excludes"] == [{"provider": "quayling", "name": "Quayling", "unlocks": [], "held": True}]
    refused = keeper.client.post("/api/accounts/mirabou/begin", json={"mode": "test"})
    assert keeper.fault(refused)[:2] == (409, "excluded")
    assert keeper.post("/api/accounts/mirabou/begin", {"mode": "live"}, 201)["stage"] == "begun"
    keeper.post("/api/accounts/quayling/disconnect", None, 200)
    keeper.post("/api/accounts/mirabou/begin", {"mode": "test"}, 201)
    back_again = keeper.client.post("/api/accounts/quayling/reconnect")
    assert keeper.fault(back_again)[:2] == (409, "excluded")


def test_leaving_says_first_what_it_takes_away_and_can_be_undone(keeper: Shopkeeper) -> None:
    keeper.settings("card", take="on-word")
    placed = keeper.place("card")
    keeper.end(placed, "paid")
    leaving = keeper.get("/api/accounts/orlenta/leaving")
    assert (leaving["draft"], leaving["published"], leaving["orders"]) == (["Card"], ["Card"], [1001])
    assert keeper.get("/api/accounts/tessaline/leaving")["draft"] == []
    keeper.post("/api/accounts/orlenta/disconnect", None, 200)
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    card = next(entry for entry in view if entry["tender"]["id"] == "card")
    assert "is disconnected since 24 Nov 2026" in card["reasons"][0]["text"]
    assert keeper.post("/api/accounts/orlenta/reconnect", None, 200)["stage"] == "connected"
    assert keeper.fault(keeper.client.post("/api/accounts/orlenta/reconnect"))[:2] == (409, "stage-not-fit")
    assert keeper.act(placed["token"], "take", amount="85.00 EUR").json()["state"] == "paid"


def test_an_account_that_the_provider_closes_has_lapsed(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", f"merchants/{account(keeper, 'orlenta')['number']}/close")
    lapsed = account(keeper, "orlenta")
    assert (lapsed["stage"], lapsed["stands"]) == ("lapsed", "Orlenta closed the account")
    assert keeper.post("/api/accounts/orlenta/begin", {"mode": "test"}, 201)["stage"] == "begun"


def test_a_provider_that_is_silent_leaves_accounts_as_they_were(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", "faults", given=["down"])
    assert account(keeper, "orlenta")["stage"] == "connected"
    keeper.office("dovetide", "faults", given=["down"])
    assert account(keeper, "dovetide")["stage"] == "in-review"


def test_two_accounts_with_one_provider_each_serve_their_storefront(keeper: Shopkeeper) -> None:
    second = keeper.post("/api/accounts/brixavo/begin", {"mode": "test", "name": "Brixavo for the pier"}, 201)
    assert (second["id"], second["name"]) == ("brixavo-2", "Brixavo for the pier")
    taken = keeper.client.post(
        "/api/accounts/brixavo/begin", json={"mode": "test", "name": "Brixavo for the pier"}
    )
    assert keeper.fault(taken)[:2] == (409, "account-held")
    keeper.office("brixavo", "merchants", mode="test", holder="Cabo Noite pier")
    assert paste(keeper, "brixavo-2").json()["stage"] == "connected"
    keeper.settings("online-banking", account="brixavo-2")
    keeper.wind(minutes=6)
    keeper.get("/api/accounts/brixavo")
    token = keeper.paid("online-banking")
    assert keeper.running.store.orders.get(token).payment.chosen.account == "brixavo-2"  # type: ignore[union-attr]
    body = {"storefronts": ["pier-counter"], "pooled": True}
    served = keeper.client.put("/api/accounts/brixavo-2/serves", json=body).json()
    assert (served["storefronts"], served["pooled"]) == (["pier-counter"], True)
    nowhere = keeper.client.put("/api/accounts/brixavo-2/serves", json={"storefronts": ["pier-counter", "stall"]})
    assert keeper.fault(nowhere) == (422, "not-found", "storefronts.1")
    assert "There is no storefront “stall”." in nowhere.json()["detail"]
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    banking = next(entry for entry in view if entry["tender"]["id"] == "online-banking")
    assert banking["reasons"][0]["text"] == "the account with Brixavo does not serve Web shop"
    # A storefront that is named anew is the same one, in what is published too.
    held = keeper.get("/api/shop")
    fronts = [{**front, "name": f"{front['name']}, anew"} for front in held["shop"]["storefronts"]]
    renamed = {**held["shop"], "storefronts": fronts}
    saved = keeper.client.put("/api/shop", json={"version": held["version"], "shop": renamed})
    assert saved.status_code == 200
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    banking = next(entry for entry in view if entry["tender"]["id"] == "online-banking")
    assert banking["reasons"][0]["text"] == "the account with Brixavo does not serve Web shop, anew"
    keeper.client.put("/api/accounts/brixavo-2/serves", json={"storefronts": ["web-shop"]})
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    assert next(entry for entry in view if entry["tender"]["id"] == "online-banking")["reasons"] == []


def test_a_tender_that_follows_is_on_while_its_method_is_active_there(keeper: Shopkeeper) -> None:
    keeper.settings("card", on=False, follows=True)
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    assert next(entry for entry in view if entry["tender"]["id"] == "card")["place"] is not None
    keeper.settings("sepa-direct-debit", on=False, follows=True)
    view = keeper.get("/api/checkouts/web-shop/view", **CHART)["outcomes"]
    reasons = next(entry for entry in view if entry["tender"]["id"] == "sepa-direct-debit")["reasons"]
    assert [reason["code"] for reason in reasons] == ["account-method"]


def test_a_method_that_confirms_late_warns_until_notifications_arrive(keeper: Shopkeeper) -> None:
    def warned() -> dict[str, bool]:
        return {side["method"]: bool(side["warning"]) for side in keeper.get("/api/accounts/orlenta")["methods"]}

    assert warned() == {"card": False, "sepa-direct-debit": True}
    keeper.post("/api/accounts/orlenta/notifications/check")
    assert warned() == {"card": False, "sepa-direct-debit": False}
    held = keeper.running.store.accounts.get("orlenta", Mode.TEST)
    assert held is not None
    assert keeper.client.post(f"/notify/{held.endpoint}", content=b"{}").status_code == 422
    assert warned() == {"card": False, "sepa-direct-debit": True}


def test_a_code_by_phone_is_wrong_spent_old_or_too_soon(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/pocketfern/begin", {"mode": "test"}, 201)
    check, send = "/api/accounts/pocketfern/phone/code", "/api/accounts/pocketfern/phone"
    unsent = keeper.client.post(check, json={"code": "123456"})
    assert keeper.fault(unsent)[1] == "code-not-sent"
    assert keeper.fault(keeper.client.post(send, json={"phone": "12"}))[1:] == ("phone-number", "phone")
    keeper.post(send, {"phone": "912 345 678"}, 202)
    soon = keeper.client.post(send, json={"phone": "912 345 678", "way": "call"})
    assert keeper.fault(soon)[1] == "code-too-soon"
    right = code(keeper)
    wrong = f"{(int(right) + 1) % 10**6:06d}"
    told = [keeper.client.post(check, json={"code": wrong}).json()["errors"][0]["code"] for _ in range(6)]
    assert told == ["code-wrong"] * 4 + ["code-spent"] * 2
    assert keeper.fault(keeper.client.post(check, json={"code": right}))[1] == "code-spent"
    keeper.wind(minutes=1)
    keeper.post(send, {"phone": "912 345 678", "way": "call"}, 202)
    assert keeper.get("/api/letters")["letters"][0]["way"] == "call"
    keeper.wind(minutes=11)
    assert keeper.fault(keeper.client.post(check, json={"code": code(keeper)}))[1] == "code-expired"
    keeper.post(send, {"phone": "912 345 678"}, 202)
    confirmed = keeper.post(check, {"code": f" {code(keeper)[:3]} {code(keeper)[3:]} "}, 200)
    assert (confirmed["application"]["phone"], confirmed["application"]["phone_confirmed"]) == (
        "+351912345678",
        True,
    )
    keeper.post(send, {"phone": "+44 20 7946 0018"}, 202)
    assert not account(keeper, "pocketfern")["application"]["phone_confirmed"]


def test_papers_are_judged_bounded_sealed_and_never_shown_in_place(keeper: Shopkeeper, tmp_path: Any) -> None:
    for content, code in (
        (b"MZ", "paper-kind"),
        (b"", "paper-empty"),
        (b"%PDF-" + b"x" * LARGEST, "paper-too-large"),
    ):
        assert keeper.fault(add_paper(keeper, "identity", content))[:2] == (422, code)
    assert add_paper(keeper, "holiday").status_code == 422
    assert keeper.fault(add_paper(keeper, "phone"))[1] == "not-one-of"
    marked = paper().replace(b"%PDF-1.3", b"%PDF-1.3\n%marked by a test", 1)
    added = add_paper(keeper, "register-extract", marked).json()
    given = keeper.client.get(f"/api/papers/{added['id']}")
    assert given.content == marked
    assert given.headers["content-type"] == "application/octet-stream"
    assert given.headers["x-content-type-options"] == "nosniff"
    assert given.headers["content-disposition"].startswith("attachment;")
    assert b"marked by a test" not in (tmp_path / "data" / "demo.sqlite").read_bytes()
    assert keeper.client.delete(f"/api/papers/{added['id']}").status_code == 204
    assert keeper.client.get(f"/api/papers/{added['id']}").status_code == 404


def test_details_are_checked_as_they_are_kept(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/business")

    def save(**changed: Any) -> Any:
        version = keeper.get("/api/business")["version"]
        body = {"version": version, "business": {**held["business"], **changed}}
        return keeper.client.put("/api/business", json=body)

    assert keeper.fault(save(tax_number="519999992")) == (422, "tax-number", "tax_number")
    assert keeper.fault(save(email="nobody")) == (422, "email-text", "email")
    account = {"id": "two", "holder": "Cabo Noite", "country": "PT", "iban": "PT50000201231234567890155"}
    refused = save(payout_accounts=[*held["business"]["payout_accounts"], account])
    assert keeper.fault(refused) == (422, "iban", "business.payout_accounts.1.iban")
    assert save(tax_number="PT 519 999 991").json()["business"]["tax_number"] == "519999991"
    stale = keeper.client.put("/api/business", json={"version": 1, "business": held["business"]})
    assert keeper.fault(stale)[:2] == (409, "version-old")
    choose = keeper.client.put("/api/accounts/dovetide/payout", json={"payout": "nowhere"})
    assert choose.status_code == 404
    # The application stays as it was sent.
    sent = keeper.client.put("/api/accounts/dovetide/payout", json={"payout": "main"})
    assert keeper.fault(sent)[:2] == (409, "stage-not-fit")
    keeper.post("/api/accounts/pocketfern/begin", {"mode": "test"}, 201)
    assert keeper.client.put("/api/accounts/pocketfern/payout", json={"payout": "main"}).status_code == 200


CARD_NUMBER = longer("7992739871")


def test_no_card_number_comes_in_anywhere(keeper: Shopkeeper) -> None:
    shop = keeper.get("/api/shop")
    spaced = " ".join(CARD_NUMBER[place : place + 4] for place in range(0, 16, 4))
    named = {**shop["shop"], "name": f"Pay {spaced}"}
    refused = keeper.client.put("/api/shop", json={"version": shop["version"], "shop": named})
    assert keeper.fault(refused) == (422, "card-number", "shop.name")
    assert CARD_NUMBER[:8] not in refused.text
    token = keeper.paid(order=CHART)
    for body in ({"amount": "1.00 EUR", "note": spaced}, {"amount": CARD_NUMBER}, {"amount": int(CARD_NUMBER)}):
        assert keeper.act(token, "send", **body).json()["errors"][0]["code"] == "card-number"
    assert keeper.client.get("/api/catalogue", params={"asks": spaced}).status_code == 422
    page = keeper.running.store.orders.get(token).payment.page  # type: ignore[union-attr]
    assert keeper.client.post(page, data={"ending": CARD_NUMBER}).status_code == 422
    assert keeper.fault(paste(keeper, "brixavo", **{"opening-key": CARD_NUMBER}))[1] == "card-number"
    file = (f"{spaced}.pdf", io.BytesIO(paper()))
    named_so = keeper.client.post("/api/papers", data={"kind": "identity"}, files={"file": file})
    assert named_so.json()["errors"][0]["code"] == "card-number"
    logged = keeper.get("/api/accounts/orlenta/exchanges")
    assert CARD_NUMBER not in str(logged)


@pytest.mark.parametrize("body", ["[" * 100_000, '{"order": ' * 3_000 + "1" + "}" * 3_000])
def test_what_cannot_be_looked_through_is_not_let_in(keeper: Shopkeeper, body: str) -> None:
    headers = {"content-type": "application/json"}
    for path in ("/api/shops/own/orders", "/api/rate-cards", "/notify/nowhere"):
        refused = keeper.client.post(path, content=body, headers=headers)
        assert keeper.fault(refused)[:2] == (400, "body-unreadable")


def test_the_clock_only_goes_forward_and_not_for_ever(keeper: Shopkeeper) -> None:
    for minutes in (0, -5, 401 * 24 * 60):
        answer = keeper.client.post("/api/clock", json={"minutes": minutes})
        assert keeper.fault(answer) == (422, "clock-range", "minutes")
    keeper.wind(hours=1)
    told = keeper.get("/api/clock")
    assert (told["ahead_minutes"], told["now"]) == (60, "2026-11-24T11:00:00Z")


def test_the_back_office_shows_what_there_is_to_play(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    page = keeper.client.get("/simulated-provider/demo/orlenta/office").text
    assert "The buyer disputes it" in page
    assert "The buyer takes the debit back" not in page
    keeper.plays(token, "take-back")
    assert keeper.record(token)["state"] == "returned"
    keeper.plays(token, "win")
    number = account(keeper, "tessaline")["number"]
    office = "/simulated-provider/demo/tessaline/office"
    assert "BEGIN CERTIFICATE" in keeper.client.get(f"{office}/merchants/{number}/certificate").text
    nobody = "/simulated-provider/demo/nobody/office"
    assert keeper.client.get(nobody).status_code == 404
    for part, form in (("merchants", {"mode": "test", "holder": "x"}), ("faults", {"given": "down"})):
        assert keeper.client.post(f"{nobody}/{part}", data=form).status_code == 404
    message = keeper.running.provider.courier.all()[-1].id
    keeper.office("orlenta", f"outgoing/{message}")
    keeper.office("orlenta", "outgoing/nothing")
