"""Money is asked for once, given back once, and told as it is, whoever interferes at whatever moment."""

import threading
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.core.papers.paper import Invoice
from monedero.core.record import OrderRecord
from monedero.demo import paper
from monedero.formats.gateway import PaymentHeld
from monedero.standins.provider.paying import Payments
from monedero.store import DatabaseError
from monedero.store.exchanges import Exchanges
from monedero.work.accounts.gateway import Gateway
from monedero.work.accounts.merchant_file import RECEIPTS_AT_MOST
from monedero.work.orders.place_order import MOST_TRIES
from tests.api.shopkeeper import BOAT, Shopkeeper
from tests.api.test_vouchers import NOW, balances, handle_of, issued, placed, tried

FIFTY = {**BOAT, "line": "sky-maps", "amount": "50.00"}


def beats_within(monkeypatch: pytest.MonkeyPatch, keeper: Shopkeeper, name: str) -> list[str]:
    """Let the server beat while a gateway is asked for something: before the answer, and before it is written down."""
    asked: list[str] = []
    inner: Callable[..., Any] = getattr(Gateway, name)

    def slow(self: Gateway, *given: Any) -> Any:
        asked.append(name)
        if len(asked) == 1:
            keeper.running.beat()
        answer = inner(self, *given)
        if len(asked) == 1:
            keeper.running.beat()
        return answer

    monkeypatch.setattr(Gateway, name, slow)
    return asked


@pytest.mark.parametrize("name", ["begin", "take", "refund", "release"])
def test_what_is_under_way_is_not_sent_by_the_beat(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch, name: str
) -> None:
    keeper.settings("card", take="on-word")
    token = keeper.place("card")["token"]
    if name != "begin":
        keeper.end({"token": token}, "paid")
    if name == "refund":
        keeper.act(token, "take", amount="85.00 EUR")
    asked = beats_within(monkeypatch, keeper, name)
    body: dict[str, Any] = {} if name == "release" else {"amount": "1.00 EUR"}
    if name == "begin":
        keeper.place("card")
    else:
        assert keeper.act(token, name, **body).status_code == 200
    assert asked == [name]
    keeper.running.beat()
    assert asked == [name]
    books = keeper.record(token)["payments"][0]["books"]
    assert books["refunded"] == ("1.00 EUR" if name == "refund" else "0.00 EUR")


def test_what_was_not_answered_is_sent_again_by_the_beat(keeper: Shopkeeper) -> None:
    token = keeper.paid("card")
    keeper.office("orlenta", "faults", given=["down"])
    assert keeper.act(token, "refund", amount="1.00 EUR").status_code == 200
    assert keeper.record(token)["due"][0]["who"] == "provider"
    keeper.office("orlenta", "faults")
    keeper.running.beat()
    assert keeper.record(token)["payments"][0]["books"]["refunded"] == "1.00 EUR"
    assert [due["text"] for due in keeper.record(token)["due"]] == ["Nothing is due on this order."]


def test_the_played_provider_does_what_one_key_asks_once_however_many_ask(keeper: Shopkeeper) -> None:
    token = keeper.paid("card")
    payment = keeper.running.store.orders.get(token).payment  # type: ignore[union-attr]
    gateway = keeper.running.gateways.by_id("orlenta", Mode.TEST)
    with ThreadPoolExecutor(8) as several:
        list(
            several.map(
                lambda _: gateway.refund(payment.reference or "", "one-key-for-all", payment.total), range(8)
            )
        )
    moves = [notice.move.value for notice in gateway.read(payment.reference or "").told]
    assert moves == ["paid", "refunded"]


def test_a_second_reference_for_one_payment_is_heard_and_does_not_take_the_place_of_the_first(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A gateway that forgets its keys begins two payments for one: the buyer may pay on either page."""
    inner = Gateway.begin
    lost: list[PaymentHeld] = []

    def forgetful(self: Gateway, key: str, asked: Any) -> PaymentHeld:
        answer = inner(self, f"{key}-{len(lost)}", asked)
        lost.append(answer)
        return answer

    monkeypatch.setattr(Gateway, "begin", forgetful)
    token = keeper.place("card")["token"]
    intake, before = keeper.running.intake, keeper.running.store.orders.get(token)
    assert before is not None
    # The answer to the first time comes after the request was taken for lost and sent again.
    request = before.requests[0].model_copy(update={"settled": False, "lease": None})
    asked_again = intake.change(token, lambda record: record.with_request(request))
    intake.sending.send(asked_again)
    after = keeper.running.store.orders.get(token)
    assert after is not None
    assert after.payments[-1].reference == lost[0].reference
    assert {payment.reference for payment in after.payments} == {answer.reference for answer in lost}
    page = lost[1].page
    back = keeper.client.post(page, data={"ending": "paid"}, follow_redirects=False)
    assert keeper.client.get(back.headers["location"], follow_redirects=False).status_code == 303
    assert keeper.page(token)["state"] == "paid"
    assert keeper.record(token)["payments"][0]["books"]["taken"] == "85.00 EUR"


def sells_vouchers(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/shop")
    lines = [{**line, "sells_voucher": line["id"] == "sky-maps"} for line in held["shop"]["lines"]]
    keeper.client.put("/api/shop", json={"version": held["version"], "shop": {**held["shop"], "lines": lines}})


@pytest.mark.parametrize(("by_voucher", "tender"), [("50 EUR", "voucher"), ("30 EUR", "card")])
def test_a_sold_voucher_that_was_paid_by_voucher_gives_back_no_more_than_was_paid(
    keeper: Shopkeeper, by_voucher: str, tender: str
) -> None:
    sells_vouchers(keeper)
    at = placed(keeper, tender, handle_of(keeper, by_voucher), order=FIFTY).json()
    if tender == "card":
        keeper.end(at, "paid")
    assert balances(keeper)[0] == "50.00 EUR"
    beyond = keeper.act(at["token"], "refund", amount="50.01 EUR")
    assert keeper.fault(beyond) == (422, "amount-beyond", "amount")
    assert keeper.act(at["token"], "refund", amount="20.00 EUR").status_code == 200
    assert balances(keeper)[0] == "30.00 EUR"
    assert keeper.act(at["token"], "refund", amount="30.00 EUR").status_code == 200
    record = keeper.record(at["token"])
    assert balances(keeper) == ["0.00 EUR", by_voucher.replace(" ", ".00 ")]
    assert (record["state"], record["can"]["refund"]) == ("refunded", None)


def test_a_sold_voucher_is_refunded_with_the_fee_and_not_beyond_what_its_holder_left(keeper: Shopkeeper) -> None:
    sells_vouchers(keeper)
    keeper.settings("card", fee={"fixed": "1.00 EUR", "networks": {}})
    token = keeper.paid("card", FIFTY)
    code = keeper.record(token)["messages"][-1]["text"].partition("Your voucher over €50.00: ")[2][:29]
    placed(keeper, "voucher", tried(keeper, code).json()["handle"], order={**BOAT, "amount": "20.00"})
    assert keeper.fault(keeper.act(token, "refund", amount="31.01 EUR")) == (422, "amount-beyond", "amount")
    assert keeper.act(token, "refund", amount="31.00 EUR").status_code == 200
    assert balances(keeper) == ["0.00 EUR"]


def test_an_order_paid_whole_by_voucher_is_refunded_in_every_view(keeper: Shopkeeper) -> None:
    token = placed(keeper, "voucher", handle_of(keeper, "100 EUR")).json()["token"]
    assert keeper.record(token)["meaning"] == "the seat is kept"
    assert keeper.act(token, "refund", amount="20.00 EUR").status_code == 200
    assert (keeper.record(token)["state"], keeper.page(token)["headline"]) == (
        "part-refunded",
        "A part of your payment comes back",
    )
    assert keeper.act(token, "refund", amount="65.00 EUR").status_code == 200
    record, page = keeper.record(token), keeper.page(token)
    assert (record["state"], record["meaning"]) == ("refunded", "the seat is let go")
    last = record["messages"][-1]
    assert "Your payment comes back" in last["subject"]
    assert "€85.00 that you paid by Voucher" in last["text"]
    assert "kept" not in last["text"] + page["text"]
    assert balances(keeper) == ["100.00 EUR"]


def test_what_was_paid_does_not_grow_when_it_goes_back(keeper: Shopkeeper) -> None:
    at = placed(keeper, "card", handle_of(keeper, "30 EUR")).json()
    keeper.end(at, "paid")

    def shown() -> list[tuple[str, str]]:
        return [(line["label"], line["amount"]) for line in keeper.page(at["token"])["lines"]]

    before = shown()
    assert before[-1] == ("Paid", "€55.00")
    assert keeper.act(at["token"], "refund", amount="85.00 EUR").status_code == 200
    after = shown()
    assert after[: len(before)] == before
    assert [amount for _, amount in after[len(before) :]] == ["-€55.00", "-€30.00"]


def test_late_money_for_an_order_that_was_given_up_takes_its_voucher_again(keeper: Shopkeeper) -> None:
    token = placed(keeper, "bank-transfer", handle_of(keeper, "20 EUR")).json()["token"]
    keeper.wind(days=11)
    assert balances(keeper) == ["20.00 EUR"]
    assert keeper.act(token, "paid").status_code == 200
    record = keeper.record(token)
    assert (balances(keeper), record["state_name"], record["by_voucher"]) == (["0.00 EUR"], "paid", "20.00 EUR")
    assert keeper.page(token)["lines"][-1]["amount"] == "€65.00"


def test_late_money_says_what_is_missing_where_the_voucher_was_used_elsewhere(keeper: Shopkeeper) -> None:
    code = issued(keeper, "20 EUR")["code"]
    token = placed(keeper, "bank-transfer", tried(keeper, code).json()["handle"]).json()["token"]
    keeper.wind(days=11)
    placed(keeper, "voucher", tried(keeper, code).json()["handle"], order={**BOAT, "amount": "15.00"})
    assert keeper.act(token, "paid").status_code == 200
    record, page = keeper.record(token), keeper.page(token)
    assert (balances(keeper), record["by_voucher"], record["state_name"]) == (
        ["0.00 EUR"],
        "5.00 EUR",
        "paid in part",
    )
    assert [due["text"] for due in record["due"] if due["who"] == "buyer"] == [
        "The buyer owes 15.00 EUR: the voucher went back when the order was given up, and holds it no more"
    ]
    assert (page["headline"], "€15.00 is missing" in page["text"]) == ("A part of your order is not paid", True)
    assert record["meaning"] == "the seat is held"
    assert "kept for you" not in record["messages"][-1]["text"]


def test_a_voucher_of_an_order_that_was_declined_comes_back_and_its_buyer_goes_on_with_it(
    keeper: Shopkeeper,
) -> None:
    at = placed(keeper, "card", handle_of(keeper, "20 EUR")).json()
    keeper.end(at, "declined-money")
    assert balances(keeper) == ["0.00 EUR"]
    keeper.wind(hours=25)
    assert (keeper.record(at["token"])["state"], balances(keeper)) == ("lapsed", ["20.00 EUR"])
    again = next(way for way in keeper.page(at["token"])["offered"] if way["tender"] == "card")
    assert again["pay"] == "Pay €65.00"
    keeper.post(f"/api/orders/{at['token']}/tender", {"tender": "card"}, 200)
    assert balances(keeper) == ["0.00 EUR"]
    assert keeper.end(at, "paid")["state"] == "paid"


def test_an_order_whose_total_is_no_longer_the_one_that_was_shown_is_refused_with_the_new_one(
    keeper: Shopkeeper,
) -> None:
    code = issued(keeper, "36 EUR")["code"]
    handle = str(tried(keeper, code).json()["handle"])
    shown = keeper.get("/api/shops/demo/offer", **NOW, voucher=[handle])
    card = next(way for way in shown["offered"] if way["tender"] == "card")
    assert card["to_pay"] == "49.00 EUR"
    body = {"order": BOAT, "tender": "card", "vouchers": [handle], "total": card["to_pay"]}
    other = tried(keeper, code).json()["handle"]
    assert placed(keeper, "voucher", other, order={**BOAT, "amount": "16.00"}).status_code == 201
    less = keeper.client.post("/api/checkouts/web-shop/orders", json=body)
    assert keeper.fault(less) == (409, "total-changed", "total")
    assert less.json()["detail"].startswith("There is 65.00 EUR to pay now.")
    assert placed(keeper, "voucher", other, order={**BOAT, "amount": "20.00"}).status_code == 201
    for told in (body, {**body, "total": None}):
        gone = keeper.client.post("/api/checkouts/web-shop/orders", json=told)
        assert keeper.fault(gone) == (409, "total-changed", "total")
        assert "There is 85.00 EUR to pay now" in gone.json()["detail"]
    assert len(keeper.get("/api/records")["records"]) == 2


def test_the_same_key_is_the_same_order_also_where_vouchers_paid_and_another_body_is_refused(
    keeper: Shopkeeper,
) -> None:
    body = {"order": BOAT, "tender": "voucher", "vouchers": [handle_of(keeper, "85 EUR")]}
    headers = {"Idempotency-Key": "one-order-and-no-more"}
    first, again = (
        keeper.client.post("/api/checkouts/web-shop/orders", json=body, headers=headers) for _ in range(2)
    )
    assert (first.status_code, again.json()) == (201, first.json())
    other = keeper.client.post("/api/checkouts/web-shop/orders", json={**body, "tender": "card"}, headers=headers)
    assert keeper.fault(other) == (409, "key-reused", "idempotency-key")
    assert len(keeper.get("/api/records")["records"]) == 1


def test_a_sold_voucher_stands_still_while_its_payment_is_disputed_and_after_that_was_lost(
    keeper: Shopkeeper,
) -> None:
    sells_vouchers(keeper)
    token = keeper.paid("card", FIFTY)
    code = keeper.record(token)["messages"][-1]["text"].partition("Your voucher over €50.00: ")[2][:29]
    handle = tried(keeper, code).json()["handle"]
    keeper.plays(token, "dispute")
    assert keeper.fault(tried(keeper, code)) == (409, "voucher-stands-still", "code")
    assert keeper.get("/api/vouchers")["vouchers"][0]["stands_still"]
    assert keeper.get("/api/shops/demo/offer", **NOW, voucher=[handle])["vouchers"] == []
    assert placed(keeper, "card", handle).status_code == 409
    keeper.plays(token, "lose")
    assert keeper.fault(tried(keeper, code)) == (409, "voucher-stands-still", "code")
    assert keeper.get("/api/vouchers")["owed"] == []


def stored(keeper: Shopkeeper, token: str) -> OrderRecord:
    record = keeper.running.store.orders.get(token)
    assert record is not None
    return record


def by_invoice(keeper: Shopkeeper) -> None:
    draft = keeper.get("/api/checkouts/web-shop")
    own = {"id": "invoice", "method": "invoice", "on": True, "name": "Invoice"}
    body = {"version": draft["version"], "tenders": [*draft["tenders"], own]}
    assert keeper.client.put("/api/checkouts/web-shop", json=body).status_code == 200


def test_an_order_has_one_invoice_which_is_void_where_it_was_replaced(keeper: Shopkeeper) -> None:
    by_invoice(keeper)
    bill = {"tender": "invoice", "answers": {"bill-to": "Ana Silva, Lagos"}}
    token, numbers = keeper.place("card")["token"], set()
    for tender in (bill, {"tender": "bank-transfer"}, bill):
        keeper.post(f"/api/orders/{token}/tender", tender, 200)
        payments = stored(keeper, token).payments
        papers = [payment.paper for payment in payments if isinstance(payment.paper, Invoice)]
        assert [paper.void for paper in papers] == [paper is not payments[-1].paper for paper in papers]
        numbers |= {paper.number for paper in papers}
    assert numbers == {"TEST-CN-0001"}
    other = keeper.post("/api/checkouts/web-shop/orders", {"order": BOAT, **bill}, 201)["token"]
    assert getattr(stored(keeper, other).payment.paper, "number", "") == "TEST-CN-0002"


def test_switches_and_receipts_of_an_order_are_bounded(keeper: Shopkeeper) -> None:
    token = keeper.place("bank-transfer")["token"]
    file = {"file": ("r.pdf", paper(), "application/pdf")}
    for _ in range(RECEIPTS_AT_MOST):
        assert keeper.client.post(f"/api/orders/{token}/receipt", files=file).status_code == 201
    many = keeper.client.post(f"/api/orders/{token}/receipt", files=file)
    assert keeper.fault(many) == (409, "papers-many", "file")
    token = keeper.place("bank-transfer")["token"]
    for number in range(MOST_TRIES - 1):
        keeper.post(
            f"/api/orders/{token}/tender", {"tender": ("cash-on-the-day", "bank-transfer")[number % 2]}, 200
        )
    many = keeper.client.post(f"/api/orders/{token}/tender", json={"tender": "bank-transfer"})
    assert keeper.fault(many) == (409, "tries-many", "tender")


def test_what_is_only_noted_fails_nothing(keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch) -> None:
    def locked(*_: Any) -> bool:
        raise DatabaseError("database is locked")

    monkeypatch.setattr(Exchanges, "add", locked)
    at = keeper.place("card")
    assert "/pay/" in at["go_to"]


def test_writers_wait_for_one_another_for_as_long_as_it_takes(keeper: Shopkeeper) -> None:
    store, free, done = keeper.running.store, threading.Event(), []
    held = threading.Event()

    def slow() -> None:
        with store.together():
            held.set()
            free.wait(10)

    def quick(number: int) -> None:
        store.exchanges.last_asked("none", Mode.TEST, "")
        with store.together():
            done.append(number)

    first = threading.Thread(target=slow)
    first.start()
    assert held.wait(10)
    # No writer is refused by SQLite, which would not wait at all now.
    store._database.execute_sql("PRAGMA busy_timeout = 0")
    others = [threading.Thread(target=quick, args=(number,)) for number in range(16)]
    for other in others:
        other.start()
    assert done == []
    free.set()
    for thread in (first, *others):
        thread.join()
    assert sorted(done) == list(range(16))


def test_a_key_is_looked_up_and_written_in_one_transaction(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Between the look-up and the write nobody else gets in: a second request waits for the first."""
    inner, entered = Payments._answered, threading.Event()
    token = keeper.paid("card")
    payment = keeper.running.store.orders.get(token).payment  # type: ignore[union-attr]
    payments, answers = keeper.running.provider.payments, []

    def pausing(self: Payments, key: str, body: str) -> str | None:
        known = inner(self, key, body)
        if not entered.is_set():
            entered.set()
            other.start()
            other.join(0.2)
            assert other.is_alive(), "the second request did not wait"
        return known

    def refund() -> None:
        answers.append(payments.refund(payment.reference or "", "key-for-two-requests", payment.total))

    other = threading.Thread(target=refund)
    monkeypatch.setattr(Payments, "_answered", pausing)
    refund()
    other.join(10)
    assert [len(answer.told) for answer in answers] == [2, 2]


@pytest.mark.parametrize(
    "key",
    [
        "95602620-6018-4508-817c-4ca30a68c487",
        "d437c927-6014-4887-9238-e6f762e3c898",
        "0e442326-9487-4645-8322-af5ceaa6c890",
    ],
)
def test_a_random_key_whose_digits_would_pass_for_a_card_number_places_its_order(
    keeper: Shopkeeper, key: str
) -> None:
    """Keys as browsers make them, RFC 9562 version 4; a card number in the place of one is refused all the same."""
    body = {"order": BOAT, "tender": "card"}
    placed = keeper.client.post("/api/checkouts/web-shop/orders", json=body, headers={"Idempotency-Key": key})
    assert placed.status_code == 201, placed.text
    number = {"Idempotency-Key": "4539 1488 0343 6467"}
    refused = keeper.client.post("/api/checkouts/web-shop/orders", json=body, headers=number)
    assert keeper.fault(refused)[:2] == (422, "card-number")
