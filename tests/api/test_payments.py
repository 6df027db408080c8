"""A payment in every way that payments go, with what the owner, the buyer and the books are told."""

import io
import json
import threading
from datetime import timedelta
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.demo import paper
from monedero.formats import webhook
from monedero.work.accounts.gateways import Access, access_name
from tests.api.shopkeeper import BOAT, BUYERS, CHART, Shopkeeper


def money(record: Any) -> dict[str, str]:
    books = record["payments"][-1]["books"]
    return {name: books[name] for name in ("taken", "refunded", "kept")}


@pytest.mark.parametrize(
    ("ending", "state", "headline"),
    [
        ("paid", "paid", "Thank you. Your order is paid"),
        ("declined-money", "declined", "Your payment was declined"),
        ("declined-bank", "declined", "Your payment was declined"),
        ("abandoned", "abandoned", "Your payment was not finished"),
        ("expires", "at-provider", "Your payment is not finished"),
    ],
)
def test_the_page_after_paying_names_the_tender_and_what_happens_next(
    keeper: Shopkeeper, ending: str, state: str, headline: str
) -> None:
    placed = keeper.place("card")
    assert keeper.end(placed, ending)["state"] == state
    page = keeper.page(placed["token"])
    assert page["headline"] == headline
    assert "Card" in page["text"]
    assert bool(page["offered"]) is (state != "paid")


def test_a_page_that_is_left_open_expires_by_the_clock(keeper: Shopkeeper) -> None:
    placed = keeper.place("card")
    keeper.end(placed, "expires")
    keeper.wind(minutes=31)
    record = keeper.record(placed["token"])
    assert (record["state"], record["messages"][-1]["subject"]) == (
        "expired",
        "Cabo Noite, order 1001: The time for your payment ran out",
    )


def test_what_is_authorised_is_taken_as_goods_go_out(keeper: Shopkeeper) -> None:
    keeper.settings("card", take="on-dispatch")
    placed = keeper.place("card", CHART)
    token = placed["token"]
    record = keeper.end(placed, "paid")
    assert (record["state"], record["can"]["take"], record["can"]["refund"]) == ("authorised", "85.00 EUR", None)
    assert [entry["text"] for entry in record["due"]] == [
        "You take 85.00 EUR before the authorisation lapses, by 1 Dec 2026",
        "You send the goods, 85.00 EUR of them still here",
    ]
    first = keeper.act(token, "send", amount="42.00 EUR", note="Parcel 7").json()
    assert (first["state"], money(first)["taken"]) == ("part-taken", "42.00 EUR")
    second = keeper.act(token, "send", amount="43.00 EUR").json()
    assert (second["state"], money(second)["taken"], second["due"][0]["text"]) == (
        "paid",
        "85.00 EUR",
        "Nothing is due on this order.",
    )
    assert second["meaning"] == "the goods are out; the stock is sold"
    more = keeper.act(token, "send", amount="0.01 EUR")
    assert keeper.fault(more) == (422, "amount-beyond", "amount")
    assert keeper.story(token)[2:] == [
        *("authorised", "dispatched", "take-asked", "taken"),
        *("dispatched", "take-asked", "taken"),
    ]


def test_what_is_authorised_is_taken_on_the_owners_word_released_or_lapses(keeper: Shopkeeper) -> None:
    keeper.settings("card", take="on-word")
    released = keeper.place("card")
    keeper.end(released, "paid")
    assert keeper.act(released["token"], "take", amount="10.00 EUR").json()["state"] == "part-taken"
    over = keeper.act(released["token"], "take", amount="75.01 EUR")
    assert keeper.fault(over) == (422, "amount-beyond", "amount")
    after = keeper.act(released["token"], "release").json()
    assert (after["state"], money(after)["kept"]) == ("paid", "10.00 EUR")
    again = keeper.act(released["token"], "release")
    assert keeper.fault(again) == (409, "move-not-allowed", "move")
    lapsed = keeper.place("card")
    keeper.end(lapsed, "paid")
    keeper.wind(days=7, minutes=1)
    record = keeper.record(lapsed["token"])
    assert (record["state"], record["meaning"]) == ("authorisation-lapsed", "the seat is let go")
    assert keeper.page(lapsed["token"])["offered"]


def test_a_method_that_cannot_authorise_takes_at_once(keeper: Shopkeeper) -> None:
    keeper.settings("online-banking", take="on-dispatch")
    placed = keeper.place("online-banking")
    assert keeper.end(placed, "paid")["state"] == "paid"


def test_money_goes_back_in_parts_and_the_same_refund_twice_goes_back_once(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    version = keeper.record(token)["version"]
    first = keeper.act(token, "refund", amount="20.00 EUR", version=version)
    assert (first.json()["state"], money(first.json())["kept"]) == ("part-refunded", "65.00 EUR")
    twice = keeper.act(token, "refund", amount="20.00 EUR", version=version)
    assert keeper.fault(twice) == (409, "version-old", "version")
    assert "it is at" in twice.json()["detail"]
    assert money(keeper.record(token))["refunded"] == "20.00 EUR"
    for amount, code in (
        ("65.01 EUR", "amount-beyond"),
        ("1.00 GBP", "currency-differs"),
        ("0.00 EUR", "amount-zero"),
    ):
        assert keeper.act(token, "refund", amount=amount).json()["errors"][0]["code"] == code
    credit = keeper.act(token, "credit", amount="65.00 EUR").json()
    assert (credit["state"], credit["can"]["refund"], money(credit)["kept"]) == ("refunded", None, "65.00 EUR")
    assert "€65.00 of it as shop credit" in credit["messages"][-1]["text"]


def test_two_refunds_at_the_same_moment_go_back_once(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    version = keeper.record(token)["version"]
    answers: list[int] = []

    def refund() -> None:
        body = {"version": version, "amount": "85.00 EUR"}
        answers.append(keeper.client.post(f"/api/records/{token}/refund", json=body).status_code)

    threads = [threading.Thread(target=refund) for _ in range(4)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert sorted(answers) == [200, 409, 409, 409]
    assert money(keeper.record(token)) == {"taken": "85.00 EUR", "refunded": "85.00 EUR", "kept": "0.00 EUR"}


@pytest.mark.parametrize(
    ("decided", "state", "kept", "fees"),
    [("win", "paid", "85.00 EUR", ["1.53 EUR"]), ("lose", "dispute-lost", "0.00 EUR", ["16.53 EUR"])],
)
def test_a_dispute_is_won_or_lost_with_its_fee(
    keeper: Shopkeeper, decided: str, state: str, kept: str, fees: list[str]
) -> None:
    token = keeper.paid()
    disputed = keeper.plays(token, "dispute")
    assert (disputed["state"], money(disputed)["kept"]) == ("disputed", "0.00 EUR")
    assert disputed["due"][0]["text"].startswith("You answer the dispute about 85.00 EUR, by 8 Dec 2026")
    after = keeper.plays(token, decided)
    assert (after["state"], money(after)["kept"], after["payments"][0]["books"]["fees"]) == (state, kept, fees)


def test_a_dispute_that_nobody_answers_is_lost_by_the_clock(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    keeper.plays(token, "dispute")
    keeper.wind(days=14, minutes=1)
    assert keeper.record(token)["state"] == "dispute-lost"


def debit(keeper: Shopkeeper) -> Any:
    """A debit through Orlenta, where it is active."""
    route = {"provider": "orlenta", "plan": "start", "method": "sepa-direct-debit"}
    held = keeper.get("/api/checkouts/web-shop")
    tenders = [
        {**entry, "route": route} if entry["id"] == "sepa-direct-debit" else entry for entry in held["tenders"]
    ]
    body = {"version": held["version"], "tenders": tenders}
    assert keeper.client.put("/api/checkouts/web-shop", json=body).status_code == 200
    return keeper.place("sepa-direct-debit", CHART)


def test_a_debit_is_confirmed_days_later_and_returned_after_the_goods_went_out(keeper: Shopkeeper) -> None:
    placed = debit(keeper)
    token = placed["token"]
    confirming = keeper.end(placed, "paid-later")
    assert (confirming["state"], confirming["meaning"], confirming["can"]["send"]) == (
        "confirming",
        "keep the goods back; the stock is held",
        None,
    )
    page = keeper.page(token)
    assert (page["headline"], page["offered"]) == ("Thank you. Your payment is on its way", [])
    another = keeper.client.post(f"/api/orders/{token}/tender", json={"tender": "card"})
    assert keeper.fault(another) == (409, "order-settled", "state")
    keeper.wind(days=5, minutes=1)
    assert keeper.record(token)["state"] == "paid"
    keeper.act(token, "send", amount="85.00 EUR")
    returned = keeper.plays(token, "take-back")
    assert (returned["state"], money(returned)["kept"]) == ("returned", "0.00 EUR")
    assert [entry["text"] for entry in returned["due"]] == [
        "The buyer owes 85.00 EUR",
        "You ask for the goods back, worth 85.00 EUR",
    ]
    assert "Please send back what you received." in returned["messages"][-1]["text"]


def test_a_debit_that_fails_can_be_paid_another_way(keeper: Shopkeeper) -> None:
    placed = debit(keeper)
    keeper.end(placed, "fails-later")
    keeper.wind(days=5, minutes=1)
    record = keeper.record(placed["token"])
    assert (record["state"], record["payments"][0]["books"]["fees"]) == ("declined", ["3.50 EUR"])
    other = keeper.post(f"/api/orders/{placed['token']}/tender", {"tender": "card"}, 200)
    assert keeper.end(other, "paid")["state"] == "paid"


def test_another_way_ends_the_open_payment_first(keeper: Shopkeeper) -> None:
    placed = keeper.place("card")
    keeper.post(f"/api/orders/{placed['token']}/tender", {"tender": "bank-transfer"}, 200)
    record = keeper.record(placed["token"])
    assert [payment["state"] for payment in record["payments"]] == ["abandoned", "awaiting-payment"]


def test_another_way_is_refused_where_the_first_was_paid_meanwhile(keeper: Shopkeeper) -> None:
    placed = keeper.place("card")
    keeper.office("orlenta", "faults", given=["late"])
    page = keeper.running.store.orders.get(placed["token"]).payment.page  # type: ignore[union-attr]
    keeper.client.post(page, data={"ending": "paid"}, follow_redirects=False)
    another = keeper.client.post(f"/api/orders/{placed['token']}/tender", json={"tender": "instalments"})
    assert keeper.fault(another) == (409, "order-settled", "state")
    assert keeper.record(placed["token"])["state"] == "paid"


def test_money_that_comes_twice_is_seen_and_given_back(keeper: Shopkeeper) -> None:
    placed = keeper.place("card")
    token = placed["token"]
    first = keeper.running.store.orders.get(token).payment  # type: ignore[union-attr]
    keeper.office("orlenta", "faults", given=["down"])
    other = keeper.post(f"/api/orders/{token}/tender", {"tender": "online-banking"}, 200)
    keeper.office("orlenta", "faults")
    assert keeper.end(other, "paid")["state"] == "paid"
    keeper.client.post(first.page, data={"ending": "paid"}, follow_redirects=False)
    record = keeper.record(token)
    assert [payment["state"] for payment in record["payments"]] == ["paid", "paid"]
    assert record["can"]["refund_double"] == "85.00 EUR"
    assert any(entry["text"] == "You refund 85.00 EUR, which was paid twice" for entry in record["due"])
    after = keeper.act(token, "refund-double", amount="85.00 EUR").json()
    assert sorted(payment["state"] for payment in after["payments"]) == ["paid", "refunded"]
    assert keeper.act(token, "refund-double", amount="1.00 EUR").status_code == 404


def test_a_provider_that_is_silent_is_asked_again_under_the_same_key(keeper: Shopkeeper) -> None:
    token = keeper.paid()
    keeper.office("orlenta", "faults", given=["down"])
    waiting = keeper.act(token, "refund", amount="20.00 EUR").json()
    assert (waiting["state"], waiting["can"]["refund"]) == ("paid", "65.00 EUR")
    assert waiting["due"][-1]["who"] == "provider"
    keeper.running.beat()
    keeper.office("orlenta", "faults")
    keeper.running.beat()
    keeper.running.beat()
    record = keeper.record(token)
    assert (record["state"], money(record)["refunded"]) == ("part-refunded", "20.00 EUR")
    assert keeper.story(token).count("refunded") == 1


def test_an_order_is_kept_where_the_provider_is_silent_and_goes_on_later(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", "faults", given=["down"])
    placed = keeper.place("card")
    assert placed["go_to"] == f"/buy/orders/{placed['token']}"
    page = keeper.page(placed["token"])
    assert (page["state"], page["page"]) == ("at-provider", "")
    keeper.office("orlenta", "faults")
    on = keeper.post(f"/api/orders/{placed['token']}/go-on", None, 200)
    assert on["go_to"].startswith("/simulated-provider/demo/orlenta/pay/")
    assert keeper.end(placed, "paid")["state"] == "paid"


def test_a_payment_that_the_provider_refuses_to_begin_is_declined_with_its_reason(keeper: Shopkeeper) -> None:
    merchant = next(one for one in keeper.running.provider.merchants.all() if one.provider == "orlenta")
    standing = {"method": "card", "standing": "off"}
    body = merchant.model_dump() | {"methods": {**merchant.methods, "card": standing}}
    keeper.running.provider.merchants.put(type(merchant).model_validate(body))
    placed = keeper.place("card")
    record = keeper.record(placed["token"])
    assert record["state"] == "declined"
    assert "not active in this account" in record["happened"][-2]["text"]


def test_an_own_arrangement_is_overdue_given_up_and_still_marked_as_paid(keeper: Shopkeeper) -> None:
    placed = keeper.place("bank-transfer")
    token = placed["token"]
    assert keeper.record(token)["due"][0]["text"] == "The buyer pays 85.00 EUR, by 29 Nov 2026"
    keeper.wind(days=5, minutes=1)
    assert keeper.record(token)["state"] == "overdue"
    keeper.wind(days=5)
    lapsed = keeper.record(token)
    assert (lapsed["state"], lapsed["meaning"]) == ("lapsed", "the seat is let go")
    late = keeper.act(token, "paid").json()
    assert (late["state"], late["meaning"], money(late)["kept"]) == ("paid", "the seat is kept", "85.00 EUR")
    refunded = keeper.act(token, "refund", amount="5.00 EUR").json()
    assert (refunded["state"], money(refunded)["kept"]) == ("part-refunded", "80.00 EUR")


def receipt(keeper: Shopkeeper, token: str, name: str = "receipt.pdf", content: bytes | None = None) -> Any:
    file = (name, io.BytesIO(paper() if content is None else content))
    return keeper.client.post(f"/api/orders/{token}/receipt", files={"file": file})


def test_a_guest_sends_a_receipt_through_the_personal_link(keeper: Shopkeeper) -> None:
    token = keeper.place("bank-transfer")["token"]
    assert keeper.fault(receipt(keeper, token, "receipt.pdf", b"PK\x03\x04"))[1] == "paper-kind"
    sent = receipt(keeper, token)
    assert (sent.status_code, sent.json()["state"], sent.json()["receipts"]) == (201, "receipt-sent", 1)
    record = keeper.record(token)
    assert (record["due"][0]["text"], len(record["receipts"])) == ("You look at the receipt for 85.00 EUR", 1)
    file = keeper.client.get(f"/api/records/{token}/receipts/{record['receipts'][0]['id']}")
    assert file.content == paper()
    assert file.headers["content-disposition"].startswith("attachment;")
    assert keeper.client.get(f"/api/records/nobody/receipts/{record['receipts'][0]['id']}").status_code == 404
    refused = keeper.act(token, "receipt-refused", reason="it names another shop").json()
    assert refused["state"] == "awaiting-payment"
    assert receipt(keeper, token).json()["receipts"] == 2
    assert receipt(keeper, token).json()["receipts"] == 3
    assert keeper.act(token, "paid").json()["state"] == "paid"
    assert keeper.fault(receipt(keeper, token))[1] == "order-settled"


def test_only_own_arrangements_are_marked_by_hand(keeper: Shopkeeper) -> None:
    token = keeper.place("card")["token"]
    assert keeper.fault(keeper.act(token, "paid"))[:2] == (409, "move-not-allowed")


def test_cash_at_the_pier_keeps_the_seat_with_the_order(keeper: Shopkeeper) -> None:
    token = keeper.place("cash-on-the-day")["token"]
    assert keeper.record(token)["meaning"] == "the seat is kept"


def test_a_buyer_who_comes_again_meets_the_usual_way(keeper: Shopkeeper) -> None:
    placed = keeper.place("online-banking", at=BUYERS)
    keeper.end(placed, "paid")
    declined = keeper.place("card", at=BUYERS)
    keeper.end(declined, "declined-money")
    usual = [way["tender"] for way in keeper.get("/api/shops/demo/offer", **BOAT)["offered"] if way["usual"]]
    assert usual == ["online-banking"]
    keeper.client.cookies.delete("monedero_buyer")
    assert not any(way["usual"] for way in keeper.get("/api/shops/demo/offer", **BOAT)["offered"])


def endpoint(keeper: Shopkeeper, account: str = "orlenta") -> tuple[str, str, str]:
    """Tells where an account's notifications go, its secret and its number."""
    held = keeper.running.store.accounts.get(account, Mode.TEST)
    access = keeper.running.store.sealed.get(access_name(account, Mode.TEST), Access)
    assert held is not None
    assert access is not None
    return f"/notify/{held.endpoint}", access.secrets[0].secret, held.number


def notify(keeper: Shopkeeper, body: str, message: str = "msg_1", **how: Any) -> Any:
    path, secret, _ = endpoint(keeper)
    at = keeper.running.clock.now() + timedelta(minutes=how.get("off", 0))
    headers = webhook.signed(how.get("secret", secret), message, at, body.encode())
    return keeper.client.post(path, content=body.encode(), headers=headers)


def moved(keeper: Shopkeeper, reference: str, sequence: int, move: str, **more: Any) -> str:
    _, _, number = endpoint(keeper)
    notice = {"sequence": sequence, "move": move, "at": "2026-11-24T10:00:00Z", **more}
    told = {"type": "payment.moved", "mode": "test", "account": number, "payment": reference, "notice": notice}
    return json.dumps(told)


def test_notifications_are_believed_by_their_signature_and_counted_once(keeper: Shopkeeper) -> None:
    token = keeper.place("card")["token"]
    paid = moved(keeper, keeper.reference(token), 1, "paid", amount="85.00 EUR")
    forged = notify(keeper, paid, secret=webhook.new_secret())
    assert keeper.fault(forged)[:2] == (422, "notice-forged")
    old = notify(keeper, paid, off=-6)
    assert keeper.fault(old)[:2] == (422, "notice-old")
    assert keeper.record(token)["state"] == "at-provider"
    early = moved(keeper, keeper.reference(token), 2, "refunded", amount="5.00 EUR")
    assert notify(keeper, early, "msg_2").json() == {"verdict": "early"}
    assert notify(keeper, paid).json() == {"verdict": "counted"}
    assert notify(keeper, paid).json() == {"verdict": "again"}
    assert notify(keeper, paid, "msg_3").json() == {"verdict": "again"}
    assert keeper.record(token)["state"] == "part-refunded"
    wrong = moved(keeper, keeper.reference(token), 3, "taken", amount="500.00 EUR")
    assert notify(keeper, wrong, "msg_4").json() == {"verdict": "refused"}
    exchanges = keeper.get("/api/accounts/orlenta/exchanges")["exchanges"]
    verdicts = [entry["exchange"]["verdict"] for entry in exchanges if entry["exchange"]["incoming"]]
    assert verdicts == ["refused", "again", "again", "counted", "early", "refused", "refused"]
    assert "secret" not in str(exchanges)
    kept = next(entry for entry in exchanges if entry["exchange"]["verdict"] == "counted")
    assert keeper.post(f"/api/exchanges/{kept['number']}/replay", None, 200) == {"verdict": "again"}
    unsigned = next(entry for entry in exchanges[::-1] if entry["exchange"]["verdict"] == "refused")
    assert keeper.client.post(f"/api/exchanges/{unsigned['number']}/replay").status_code == 409
    assert keeper.client.post("/api/exchanges/999999/replay").status_code == 409


def test_a_notification_for_somebody_else_or_about_nothing_is_refused_and_kept(keeper: Shopkeeper) -> None:
    token = keeper.place("card")["token"]
    paid = moved(keeper, keeper.reference(token), 1, "paid", amount="85.00 EUR")
    live = paid.replace('"mode": "test"', '"mode": "live"')
    assert keeper.fault(notify(keeper, live))[:2] == (422, "notice-other")
    unknown = moved(keeper, "orl-nobody", 1, "declined")
    assert keeper.fault(notify(keeper, unknown, "msg_5"))[:2] == (422, "notice-unknown")
    assert keeper.fault(notify(keeper, "{}", "msg_6"))[:2] == (422, "notice-unreadable")
    assert keeper.fault(notify(keeper, '"' + "x" * 70_000 + '"', "msg_7"))[0] == 422
    assert keeper.client.post("/notify/nowhere", content=b"{}").status_code == 404
    assert keeper.record(token)["state"] == "at-provider"
    health = keeper.get("/api/accounts/orlenta")["accounts"][0]["notifications"]
    assert health["failing_since"] is not None
    keeper.post("/api/accounts/orlenta/notifications/check")
    health = keeper.get("/api/accounts/orlenta")["accounts"][0]["notifications"]
    assert (health["failing_since"], health["last_seen"] is not None) == (None, True)


def test_what_is_asked_over_and_over_is_kept_when_the_answer_is_another_one(keeper: Shopkeeper) -> None:
    def readings() -> list[Any]:
        entries = keeper.get("/api/accounts/orlenta/exchanges")["exchanges"]
        return [entry for entry in entries if entry["exchange"]["what"] == "GET /account"]

    keeper.post("/api/accounts/orlenta/notifications/check")
    for _ in range(3):
        keeper.running.ask_around()
    assert [entry["said"] for entry in readings()] == ["How does the account stand?"]
    keeper.office("orlenta", "faults", given=["down"])
    for _ in range(2):
        keeper.running.ask_around()
    keeper.office("orlenta", "faults")
    keeper.running.ask_around()
    assert [entry["exchange"]["verdict"] for entry in readings()] == ["sent", "failed", "sent"]


def test_notifications_are_remembered_however_much_is_asked(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/orlenta/notifications/check")
    asked = keeper.running.store.exchanges.newest("orlenta", Mode.TEST)[-1].exchange
    for number in range(250):
        keeper.running.store.exchanges.add(asked.model_copy(update={"what": f"POST /payments/{number}/take"}))
    health = keeper.get("/api/accounts/orlenta")["accounts"][0]["notifications"]
    assert health["last_seen"] is not None


def test_notifications_that_misbehave_end_where_the_others_do(keeper: Shopkeeper) -> None:
    keeper.office("orlenta", "faults", given=["double", "shuffle", "forge", "late"])
    placed = keeper.place("card")
    keeper.client.post(placed["go_to"], data={"ending": "paid"}, follow_redirects=False)
    keeper.wind(minutes=31)
    token = placed["token"]
    keeper.act(token, "refund", amount="5.00 EUR")
    keeper.act(token, "refund", amount="6.00 EUR")
    keeper.wind(minutes=31)
    record = keeper.record(token)
    assert (record["state"], money(record)["refunded"]) == ("part-refunded", "11.00 EUR")
    assert keeper.story(token).count("refunded") == 2
    exchanges = [entry["exchange"] for entry in keeper.get("/api/accounts/orlenta/exchanges")["exchanges"]]
    assert {entry["verdict"] for entry in exchanges if entry["incoming"]} >= {"again", "refused"}


def test_a_secret_is_replaced_without_a_gap(keeper: Shopkeeper) -> None:
    token = keeper.place("card")["token"]
    _, old, _ = endpoint(keeper)
    keeper.post("/api/accounts/orlenta/notifications/secret")
    _, new, _ = endpoint(keeper)
    assert old != new
    first = moved(keeper, keeper.reference(token), 1, "paid", amount="85.00 EUR")
    assert notify(keeper, first, secret=old).json() == {"verdict": "counted"}
    second = moved(keeper, keeper.reference(token), 2, "refunded", amount="1.00 EUR")
    assert notify(keeper, second, "msg_2").json() == {"verdict": "counted"}
    keeper.wind(days=1, minutes=1)
    third = moved(keeper, keeper.reference(token), 3, "refunded", amount="1.00 EUR")
    assert notify(keeper, third, "msg_3", secret=old).status_code == 422


def test_what_is_left_of_an_authorisation_lapses_whatever_becomes_of_the_part_that_was_taken(
    keeper: Shopkeeper,
) -> None:
    keeper.settings("card", take="on-dispatch")
    tokens = []
    for happens in ("dispute", "take-back"):
        placed = keeper.place("card", CHART)
        keeper.end(placed, "paid")
        keeper.act(placed["token"], "send", amount="42.00 EUR")
        keeper.plays(placed["token"], happens)
        tokens.append(placed["token"])
    disputed, returned = tokens
    keeper.wind(days=8)
    assert (keeper.record(disputed)["state"], keeper.story(disputed)[-1]) == ("disputed", "authorisation-lapsed")
    assert keeper.record(returned)["state"] == "returned"
    assert keeper.plays(disputed, "win")["state"] == "paid"
    assert money(keeper.record(disputed))["kept"] == "42.00 EUR"
