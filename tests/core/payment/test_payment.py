"""Payments: every end that a payment can have, the books after each move, and one end whatever comes when."""

import random
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.due import DueCode, Who, due
from monedero.core.errors import Conflict, FaultCode
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.payment import meaning
from monedero.core.payment.books import Books
from monedero.core.payment.notice import Fate, Notice
from monedero.core.payment.payment import Chosen, Gives, Payment, made, moved, told
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, HOLDS_MONEY, MOVES, Move, State
from monedero.core.record import By, Delivered, Dispatch, Happened, Happening, OrderRecord
from monedero.core.request import Asking, Request
from monedero.core.voucher.part import Back, VoucherPart
from tests.properties import tried_on

NOW = datetime(2026, 11, 25, 10, 0, tzinfo=UTC)
ORDERED = Money(8500, "EUR")
CARD = Chosen(tender="card", name="Card", method="card", provider="orlenta", plan="start", account="orlenta")
TRANSFER = Chosen(tender="bank-transfer", name="Bank transfer", method="bank-transfer", provider=None)


def begun(chosen: Chosen = CARD) -> Payment:
    return Payment.begin(1, chosen, ORDERED, NOW)


def walked(*moves: tuple[str, int | None], chosen: Chosen = CARD) -> Payment:
    payment = begun(chosen)
    for move, minor in moves:
        payment = made(payment, Move(move), minor)
    return payment


PAID = ("paid", 8500)
AUTHORISED = ("authorised", 8500)


@pytest.mark.parametrize(
    ("moves", "state", "kept"),
    [
        ([PAID], "paid", 8500),
        ([("confirming", None), PAID], "paid", 8500),
        ([("confirming", None), ("declined", None)], "declined", 0),
        ([("declined", None)], "declined", 0),
        ([("abandoned", None)], "abandoned", 0),
        ([("expired", None)], "expired", 0),
        ([AUTHORISED], "authorised", 0),
        ([AUTHORISED, ("taken", 8500)], "paid", 8500),
        ([AUTHORISED, ("taken", 2000)], "part-taken", 2000),
        ([AUTHORISED, ("taken", 2000), ("taken", 6500)], "paid", 8500),
        ([AUTHORISED, ("released", 8500)], "released", 0),
        ([AUTHORISED, ("authorisation-lapsed", 8500)], "authorisation-lapsed", 0),
        ([AUTHORISED, ("taken", 2000), ("authorisation-lapsed", 6500)], "paid", 2000),
        ([AUTHORISED, ("taken", 2000), ("refunded", 2000)], "part-refunded", 0),
        ([AUTHORISED, ("taken", 2000), ("released", 6500), ("refunded", 2000)], "refunded", 0),
        ([PAID, ("refunded", 2000)], "part-refunded", 6500),
        ([PAID, ("refunded", 2000), ("refunded", 6500)], "refunded", 0),
        ([PAID, ("credited", 8500)], "refunded", 8500),
        ([PAID, ("refunded", 2000), ("credited", 1000)], "part-refunded", 6500),
        ([PAID, ("disputed", 8500)], "disputed", 0),
        ([PAID, ("disputed", 8500), ("dispute-won", 8500)], "paid", 8500),
        ([PAID, ("refunded", 500), ("disputed", 8000), ("dispute-won", 8000)], "part-refunded", 8000),
        ([PAID, ("disputed", 8500), ("dispute-lost", 8500)], "dispute-lost", 0),
        ([PAID, ("returned", 8500)], "returned", 0),
    ],
)
def test_a_payment_ends_in_every_way_with_its_books_right(
    moves: list[tuple[str, int | None]], state: str, kept: int
) -> None:
    payment = walked(*moves)
    assert (payment.state.value, payment.books.kept) == (state, kept)
    assert not payment.books.disagree


@pytest.mark.parametrize(
    ("moves", "move", "minor", "code"),
    [
        ([PAID], "paid", 8500, FaultCode.MOVE_NOT_ALLOWED),
        ([("declined", None)], "paid", 8500, FaultCode.MOVE_NOT_ALLOWED),
        ([], "paid", 8400, FaultCode.AMOUNT_DIFFERS),
        ([], "paid", None, FaultCode.AMOUNT_MISSING),
        ([], "authorised", 9000, FaultCode.AMOUNT_DIFFERS),
        ([AUTHORISED], "taken", 8501, FaultCode.BOOKS_DISAGREE),
        ([AUTHORISED], "refunded", 1, FaultCode.MOVE_NOT_ALLOWED),
        ([AUTHORISED, ("taken", 100)], "released", 8500, FaultCode.AMOUNT_DIFFERS),
        ([PAID], "refunded", 8501, FaultCode.BOOKS_DISAGREE),
        ([PAID, ("credited", 8000)], "credited", 501, FaultCode.AMOUNT_BEYOND),
        ([PAID, ("disputed", 8500)], "refunded", 1, FaultCode.BOOKS_DISAGREE),
        ([PAID, ("disputed", 8500)], "dispute-won", 8600, FaultCode.BOOKS_DISAGREE),
        ([PAID], "returned", 8000, FaultCode.AMOUNT_DIFFERS),
    ],
)
def test_what_does_not_fit_is_refused_by_its_name(
    moves: list[tuple[str, int | None]], move: str, minor: int | None, code: FaultCode
) -> None:
    payment = walked(*moves)
    with pytest.raises(Conflict) as refused:
        made(payment, Move(move), minor)
    assert refused.value.faults[0].code is code


def test_an_own_arrangement_is_seen_overdue_and_given_up_and_may_still_be_paid() -> None:
    sent = walked(("receipt-sent", None), chosen=TRANSFER)
    assert sent.state is State.RECEIPT_SENT
    assert made(sent, Move.RECEIPT_REFUSED).state is State.AWAITING_PAYMENT
    assert made(sent, Move.PAID, 8500).state is State.PAID
    late = walked(("overdue", None), ("receipt-sent", None), chosen=TRANSFER)
    assert late.state is State.RECEIPT_SENT
    lapsed = walked(("overdue", None), ("lapsed", None), chosen=TRANSFER)
    assert made(lapsed, Move.PAID, 8500).state is State.PAID


def test_the_day_of_an_authorisation_stays_while_something_is_open() -> None:
    authorised = made(begun(), Move.AUTHORISED, 8500, NOW)
    assert made(authorised, Move.TAKEN, 100).until == NOW
    assert made(authorised, Move.TAKEN, 8500).until is None


def test_fees_are_added_up_by_currency_and_given_back() -> None:
    books = Books(currency="EUR", ordered=8500)
    books = books.charged(Money(127, "EUR")).charged(Money(1500, "EUR")).charged(Money(20, "GBP"))
    assert books.charged(None, Money(1500, "EUR")).fees == [Money(127, "EUR"), Money(20, "GBP")]
    assert books.charged(None) == books
    with pytest.raises(Conflict):
        books.charged(None, Money(2000, "EUR"))


class Ledger:
    """A payment as a bank clerk would keep it: columns of money, no states. The model that the machine is held to."""

    def __init__(self, ordered: int) -> None:
        self.ordered = ordered
        self.asked = self.taken = self.let_go = self.back = self.contested = self.gone = 0
        self.over = self.coming = False

    def can(self, draw: random.Random) -> list[tuple[str, int | None]]:
        """Tells what could happen next, with an amount."""
        if self.over:
            return []
        if not self.asked and not self.coming:
            return [
                ("paid", self.ordered),
                ("authorised", self.ordered),
                ("confirming", None),
                ("declined", None),
                ("abandoned", None),
                ("expired", None),
            ]
        if not self.asked:
            return [("paid", self.ordered), ("declined", None)]
        rest = self.asked - self.taken - self.let_go
        here = self.taken - self.back - self.contested - self.gone
        found: list[tuple[str, int | None]] = []
        if rest:
            found += [("taken", draw.randint(1, rest)), ("released", rest), ("authorisation-lapsed", rest)]
        if here:
            found += [("refunded", draw.randint(1, here)), ("disputed", here)]
        if self.contested:
            found += [("dispute-won", self.contested), ("dispute-lost", self.contested)]
        if here and not rest and not self.contested:
            found.append(("returned", here))
        return found

    def do(self, what: str, minor: int | None) -> None:
        amount = minor or 0
        if what in ("paid", "authorised"):
            self.asked = amount
            self.taken = amount if what == "paid" else 0
        elif what == "confirming":
            self.coming = True
        elif what in ("declined", "abandoned", "expired"):
            self.over = True
        elif what == "taken":
            self.taken += amount
        elif what in ("released", "authorisation-lapsed"):
            self.let_go += amount
            self.over = not self.taken
        elif what == "refunded":
            self.back += amount
        elif what == "disputed":
            self.contested += amount
        elif what == "dispute-won":
            self.contested -= amount
        else:
            self.gone += amount
            self.contested -= amount if what == "dispute-lost" else 0
            self.over = what == "returned"


def history(seed: int) -> tuple[list[Notice], Ledger]:
    """Tells what a provider could tell of one payment, from its beginning to somewhere."""
    draw = random.Random(seed)
    ledger, notices = Ledger(8500), []
    for sequence in range(1, draw.randint(2, 12)):
        possible = ledger.can(draw)
        if not possible:
            break
        what, minor = draw.choice(possible)
        ledger.do(what, minor)
        amount = None if minor is None else Money(minor, "EUR")
        fee = Money(draw.randint(0, 300), "EUR")
        notices.append(Notice(sequence=sequence, move=Move(what), at=NOW, amount=amount, fee=fee))
    return notices, ledger


def heard(notices: list[Notice]) -> Payment:
    payment = begun()
    for notice in notices:
        payment = told(payment, notice).payment
    return payment


@tried_on(400)
@given(st.integers(0, 10**9), st.randoms(use_true_random=False))
def test_doubled_and_shuffled_notices_end_where_the_model_ends(seed: int, shuffled: random.Random) -> None:
    notices, ledger = history(seed)
    disorder = notices * 2 + shuffled.choices(notices, k=3)
    shuffled.shuffle(disorder)
    payment = heard(disorder)
    assert payment == heard(notices)
    books = payment.books
    assert (books.authorised, books.taken, books.released, books.refunded, books.disputed) == (
        ledger.asked,
        ledger.taken,
        ledger.let_go,
        ledger.back,
        ledger.contested,
    )
    assert books.lost + books.returned == ledger.gone
    # The books balance: what came in is somewhere, and what was authorised was taken, let go, or is open.
    assert books.kept + books.refunded + books.disputed + books.lost + books.returned == books.taken
    assert books.taken + books.released + books.open == books.authorised
    assert books.fees == ([Money(sum(n.fee.minor for n in notices if n.fee), "EUR")] if notices else [])
    assert not payment.early


@tried_on(300)
@given(
    st.lists(st.tuples(st.sampled_from(list(Move)), st.integers(0, 9000)), max_size=25),
    st.sampled_from([CARD, TRANSFER]),
)
def test_whatever_is_tried_nothing_is_negative_and_nothing_disagrees(
    tries: list[tuple[Move, int]], chosen: Chosen
) -> None:
    payment = begun(chosen)
    for move, minor in tries:
        before = payment
        try:
            payment = made(payment, move, minor)
        except Conflict:
            assert payment is before
        books = payment.books
        amounts = [value for name, value in books.model_dump().items() if isinstance(value, int)]
        assert min([*amounts, books.open, books.kept]) >= 0
        assert not books.disagree


def notice(sequence: int, move: str, amount: str | None = None, **more: Any) -> Notice:
    return Notice.model_validate({"sequence": sequence, "move": move, "at": NOW, "amount": amount, **more})


def test_a_notice_ahead_waits_and_one_that_contradicts_is_refused() -> None:
    early = told(begun(), notice(2, "refunded", "5.00 EUR"))
    assert (early.fate, early.state, early.counted) == (Fate.EARLY, State.AT_PROVIDER, [])
    assert told(early.payment, notice(2, "refunded", "5.00 EUR")).fate is Fate.AGAIN
    assert told(early.payment, notice(2, "refunded", "6.00 EUR")).fate is Fate.REFUSED
    both = told(early.payment, notice(1, "paid", "85.00 EUR"))
    assert (both.fate, both.state, len(both.counted)) == (Fate.COUNTED, State.PART_REFUNDED, 2)
    assert told(both.payment, notice(1, "declined")).fate is Fate.REFUSED


def test_a_notice_that_cannot_be_counted_is_kept_and_what_follows_still_counts() -> None:
    wrong = told(begun(), notice(1, "refunded", "5.00 EUR"))
    assert (wrong.fate, wrong.state) == (Fate.REFUSED, State.AT_PROVIDER)
    assert wrong.counted[0].fault is not None
    other = told(wrong.payment, notice(2, "paid", "85.00 GBP"))
    assert other.counted[0].fault is not None
    assert other.counted[0].fault.code is FaultCode.CURRENCY_DIFFERS
    right = told(other.payment, notice(3, "paid", "85.00 EUR"))
    assert (right.fate, right.state, right.payment.sequence) == (Fate.COUNTED, State.PAID, 3)


def test_moves_that_the_table_names_have_no_amount_and_the_others_go_by_the_books() -> None:
    books = Books(currency="EUR", ordered=8500)
    assert moved(State.AT_PROVIDER, books, Move.CONFIRMING, None) == (State.CONFIRMING, books)
    assert CAN_CHOOSE_ANOTHER.isdisjoint(HOLDS_MONEY)
    assert all(
        move in Move and (after is None or after in State) for row in MOVES.values() for move, after in row.items()
    )


def record(payment: Payment, kind: str = "goods", **more: Any) -> OrderRecord:
    return OrderRecord(
        token="t",
        number=1001,
        mode="test",
        edition=1,
        draft_version=None,
        placed_at=NOW,
        order=Order(ORDERED, "ES", NOW.date(), frozenset({LineKind(kind)}), recurring=False),
        line_name="Chart",
        payments=more.pop("payments", [payment]),
        happened=[],
        **more,
    )


def test_a_record_tells_its_goods_apart_from_their_delivery() -> None:
    """All of its amount is goods where nobody said how they go."""
    without = record(walked())
    assert without.goods == ORDERED
    by_courier = without.model_copy(update={"delivered": Delivered(way="Courier", fee="4.00 EUR")})
    assert by_courier.goods == Money(8100, "EUR")


def dues(of: OrderRecord) -> list[tuple[Who, DueCode, str]]:
    return [(entry.who, entry.code, str(entry.amount)) for entry in due(of)]


@pytest.mark.parametrize(
    ("moves", "chosen", "expected"),
    [
        ([], CARD, [("buyer", "finish", "85.00 EUR")]),
        ([("declined", None)], CARD, [("buyer", "choose", "85.00 EUR")]),
        ([("confirming", None)], CARD, [("provider", "confirm", "85.00 EUR")]),
        (
            [AUTHORISED, ("taken", 2000)],
            CARD,
            [("shop", "take", "65.00 EUR"), ("shop", "send", "85.00 EUR")],
        ),
        ([PAID], CARD, [("shop", "send", "85.00 EUR")]),
        ([PAID, ("disputed", 8500)], CARD, [("shop", "answer-dispute", "85.00 EUR")]),
        ([PAID, ("returned", 8500)], CARD, [("buyer", "owes", "85.00 EUR")]),
        ([], TRANSFER, [("buyer", "pay", "85.00 EUR")]),
        ([("overdue", None)], TRANSFER, [("buyer", "pay-overdue", "85.00 EUR")]),
        ([("receipt-sent", None)], TRANSFER, [("shop", "look-at-receipt", "85.00 EUR")]),
        ([("lapsed", None)], TRANSFER, [("buyer", "choose", "85.00 EUR")]),
    ],
)
def test_what_is_due_names_who_what_and_how_much(
    moves: list[tuple[str, int | None]], chosen: Chosen, expected: list[tuple[str, str, str]]
) -> None:
    assert dues(record(walked(*moves, chosen=chosen))) == expected


def test_goods_that_went_out_are_asked_back_and_requests_are_waited_for() -> None:
    sent = [Dispatch(at=NOW, amount=ORDERED, note="")]
    assert dues(record(walked(PAID), dispatched=sent)) == []
    returned = record(walked(PAID, ("returned", 8500)), dispatched=sent)
    assert dues(returned) == [("buyer", "owes", "85.00 EUR"), ("shop", "ask-back", "85.00 EUR")]
    asked = [Request(key="k", what=Asking.REFUND, payment=1, amount=Money(500, "EUR"), at=NOW)]
    assert dues(record(walked(PAID), "course", requests=asked)) == [("provider", "answer-request", "5.00 EUR")]
    assert dues(record(walked(PAID), "course", requests=[asked[0].model_copy(update={"settled": True})])) == []


def test_the_payment_that_counts_is_the_one_with_money_and_a_second_one_is_to_be_given_back() -> None:
    first = walked(PAID)
    second = walked(("declined", None)).model_copy(update={"number": 2})
    held = record(first, "course", payments=[first, second])
    assert (held.payment.number, held.state, dues(held)) == (1, State.PAID, [])
    twice = record(first, "course", payments=[first, walked(PAID).model_copy(update={"number": 2})])
    assert dues(twice) == [("shop", "refund-double", "85.00 EUR")]
    assert twice.with_payment(second).payments[1].state is State.DECLINED
    assert not twice.all_out


def test_what_is_given_with_the_order_is_given_before_the_money_and_taken_back_after_it() -> None:
    assert meaning.of(State.AWAITING_PAYMENT, Gives.AT_ORDER).seat.value == "keep"
    assert meaning.of(State.AWAITING_PAYMENT, Gives.AT_CERTAINTY).seat.value == "hold"
    assert meaning.of(State.RETURNED, Gives.AT_ORDER).access.value == "withdraw"


def test_what_a_voucher_no_longer_pays_is_missing_and_its_failed_order_keeps_it_for_a_day() -> None:
    part = VoucherPart(voucher="v", ends_in="R38E", amount=Money(3000, "EUR"))
    lapsed = part.came_back(3000, Back.LAPSED)
    assert (part.held, lapsed.held, lapsed.paid, lapsed.lacks) == (3000, 0, 0, 3000)
    refunded = part.came_back(1000, Back.REFUNDED)
    assert (refunded.held, refunded.paid, refunded.lacks) == (2000, 3000, 0)
    less = part.came_back(1000, Back.CAME_TO_LESS).came_back(500, Back.CAME_TO_LESS)
    assert (less.held, less.paid, str(less.less)) == (1500, 1500, "15.00 EUR")
    placed = Happening(
        at=NOW, by=By.BUYER, what=Happened.PLACED, payment=1, tender="card", state=State.DECLINED, kept=ORDERED
    )
    failed = record(walked(("declined", None)), vouchers=[part]).model_copy(update={"happened": [placed]})
    assert failed.vouchers_until == NOW + timedelta(days=1)
    assert failed.model_copy(update={"vouchers": [lapsed]}).vouchers_until is None
    owing = record(walked(PAID), vouchers=[lapsed])
    assert (str(owing.missing), ("buyer", "owes-missing", "30.00 EUR") in dues(owing)) == ("30.00 EUR", True)


def test_a_record_finds_what_it_asked_of_a_provider_and_keeps_it_in_its_place() -> None:
    requests = [
        Request(key=key, what=Asking.REFUND, payment=1, amount=Money(500, "EUR"), at=NOW) for key in ("a", "b")
    ]
    held = record(walked(PAID), requests=requests)
    assert held.asked("b") is requests[1]
    other = requests[1].model_copy(update={"amount": Money(700, "EUR")})
    assert held.with_request(other).requests == [requests[0], other]


def test_a_payment_that_a_gateway_began_besides_stands_before_the_newest_once() -> None:
    first = walked()
    held = record(first)
    stray = first.model_copy(update={"reference": "other"})
    both = held.with_stray(stray)
    assert [entry.reference for entry in both.payments] == ["other", first.reference]
    assert [entry.number for entry in both.payments] == [2, 1]
    assert both.with_stray(stray) is both
