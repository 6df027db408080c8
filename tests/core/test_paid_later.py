"""Tests what is paid later: deposits to the cent, what weighed goods may be taken for, and what is due of a rest."""

from datetime import UTC, date, datetime
from fractions import Fraction
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from monedero.core.account import Mode
from monedero.core.checkout.checks import NoneOf
from monedero.core.checkout.decision import Setting, decide
from monedero.core.checkout.model import Tender
from monedero.core.due import due
from monedero.core.fx import ReferenceRates
from monedero.core.method import Family, Method
from monedero.core.money import Money
from monedero.core.order.facts import LINE
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.paid_later import Deposit
from monedero.core.payment.payment import Chosen, Payment, made
from monedero.core.payment.state import Move, State
from monedero.core.reasons import ReasonCode
from monedero.core.record import REST, OrderRecord
from monedero.core.shop import Line, Shop
from monedero.core.voucher.part import VoucherPart
from tests.core.ratecard.made_up import RATES
from tests.properties import tried_on

AT = datetime(2026, 11, 27, 10, tzinfo=UTC)
CARD = Chosen(tender="card", name="Card", method="card", provider="orlenta", fee=Money(100, "EUR"))
ON_THE_DAY = Chosen(tender="on-the-day", name="On the day", method="cash-on-the-day", provider=None)


class NoTable:
    """A table of reference rates without any."""

    days: list[date] = []

    def per_euro(self, index: int, currency: str) -> Fraction | None:
        return None


def authorised(minor: int, **chosen: Any) -> Payment:
    begun = Payment.begin(1, CARD.model_copy(update=chosen), Money(minor, "EUR"), AT)
    return made(begun, Move.AUTHORISED, minor)


def record(payment: Payment, amount: int = 5000, **more: Any) -> OrderRecord:
    held: dict[str, Any] = {
        "token": "t",
        "number": 1001,
        "mode": Mode.TEST,
        "edition": 1,
        "draft_version": None,
        "placed_at": AT,
        "order": Order(Money(amount, "EUR"), "PT", AT.date(), kinds=frozenset({LineKind.GOODS})),
        "line_name": "Fish",
        "payments": [payment],
        "happened": [],
    }
    return OrderRecord(**(held | more))


@given(st.integers(0, 10**7), st.decimals(0, 100, places=3))
@tried_on(200)
def test_a_share_is_rounded_up_to_the_cent_and_never_more_than_all(minor: int, percent: Any) -> None:
    now = Deposit(percent=str(percent)).of(Money(minor, "EUR"), AT.date(), RATES)
    exact = Fraction(minor) * Fraction(percent) / 100
    assert exact <= now.minor < exact + 1
    assert now.minor <= minor


def test_an_amount_is_brought_over_and_where_that_cannot_be_all_is_paid_now() -> None:
    deposit = Deposit.model_validate({"amount": "20.00 EUR"})
    whole, day = Money(8500, "GBP"), AT.date()
    typed = ReferenceRates(NoTable(), {"GBP": Fraction(87, 100)})
    assert deposit.of(whole, day, typed) == Money(1740, "GBP")
    assert deposit.of(whole, day, ReferenceRates(NoTable())) == whole
    assert deposit.of(Money(1500, "EUR"), day, typed) == Money(1500, "EUR")
    assert [one.nothing_now for one in (deposit, Deposit(percent="0"), Deposit(percent="1"))] == [
        False,
        True,
        False,
    ]


@pytest.mark.parametrize("given_", [{}, {"percent": "10", "amount": "5.00 EUR"}])
def test_a_deposit_is_a_share_or_an_amount(given_: dict[str, str]) -> None:
    with pytest.raises(ValidationError, match="deposit-either"):
        Deposit.model_validate(given_)


@pytest.mark.parametrize(
    ("more", "code"),
    [
        ({"kind": "goods", "deposit": {"percent": "10"}}, "deposit-line"),
        ({"kind": "booking", "recurring": True, "deposit": {"percent": "10"}}, "deposit-line"),
        ({"kind": "booking", "sells_voucher": True, "deposit": {"percent": "10"}}, "deposit-line"),
        ({"kind": "goods", "highest": "9.99 EUR"}, "limits-crossed"),
        ({"kind": "goods", "sells_voucher": True, "highest": "12.00 EUR"}, "weighed-line"),
        ({"kind": "goods", "chosen": {"from": "1 EUR", "to": "20 EUR"}, "highest": "12.00 EUR"}, "weighed-line"),
    ],
)
def test_lines_that_cannot_be_paid_later(more: dict[str, Any], code: str) -> None:
    held = {"id": "a", "name": "A", "usual_amount": "10.00 EUR", "recurring": False}
    with pytest.raises(ValidationError, match=code):
        Line.model_validate({**held, **more})


def test_weighed_goods_are_taken_for_what_they_came_to_less_vouchers_with_the_fee() -> None:
    part = VoucherPart(voucher="a", ends_in="R38E", amount=Money(2000, "EUR"))
    held = record(authorised(3100), weighed=True, vouchers=[part])
    assert (held.weighs, held.to_take, [entry.code.value for entry in due(held)]) == (True, 0, ["weigh"])
    known = held.model_copy(update={"came_to": Money(4200, "EUR")})
    # 42.00 less 20.00 by voucher, and 1.00 for the way to pay.
    assert (known.amount, known.to_take, known.weighs) == (Money(4200, "EUR"), 2300, False)
    less = held.model_copy(update={"came_to": Money(1500, "EUR")})
    assert less.to_take == 0
    free = record(authorised(5000, fee=None), weighed=True, came_to=Money(5000, "EUR"))
    assert free.to_take == 5000
    assert record(authorised(5000)).to_take == 5000


def test_a_rest_is_due_once_the_booking_stands_and_not_after_it_was_let_go_or_paid() -> None:
    rest = Payment.begin(REST, ON_THE_DAY, Money(5950, "EUR"), AT)
    begun = record(Payment.begin(1, CARD, Money(2550, "EUR"), AT), 2550, rest=rest)
    assert (begun.rest_owed, begun.rest_payable, begun.whole) == (None, None, Money(8500, "EUR"))
    paid = begun.with_payment(made(begun.payment, Move.PAID, 2550))
    assert paid.rest_owed == Money(5950, "EUR")
    assert ("buyer", "pay-rest", "59.50 EUR") in [(e.who.value, e.code.value, str(e.amount)) for e in due(paid)]
    assert paid.numbered(REST) == rest
    let_go = paid.with_payment(made(rest, Move.LAPSED))
    assert (let_go.rest_owed, let_go.rest_payable) == (None, Money(5950, "EUR"))
    there = paid.with_payment(made(rest, Move.PAID, 5950))
    assert (there.rest_owed, there.rest_payable, there.state) == (None, None, State.PAID)
    assert there.numbered(1).books.taken == 2550
    assert record(authorised(5000)).rest_owed is None


def test_a_check_that_bars_values_says_which() -> None:
    check = NoneOf(LINE, frozenset({"fish", "cheese"}), ReasonCode.METHOD_TAKES_AT_ONCE)
    order = Order(Money(1000, "EUR"), "PT", date(2026, 11, 27), lines=("fish", "chart"))
    assert not check.holds(order)
    assert [(reason.code.value, reason.own) for reason in check.reasons(order)] == [
        ("method-takes-at-once", ("fish",))
    ]
    unknown = Order(Money(1000, "EUR"), "PT", date(2026, 11, 27))
    assert check.holds(unknown)
    assert list(check.reasons(unknown)) == []


def test_a_method_that_takes_at_once_is_held_back_from_weighed_goods_alone() -> None:
    held = {"kind": "goods", "usual_amount": "10.00 EUR", "recurring": False}
    lines = [
        {**held, "id": "fish", "name": "Fish", "highest": "14.00 EUR"},
        {**held, "id": "chart", "name": "Chart"},
    ]
    shop = Shop.model_validate({"name": "Cabo", "country": "PT", "currency": "EUR", "lines": lines})
    assert shop.weighed == {"fish"}
    traits = {
        id: Method(
            id=id, name=id, family=Family.CARD, buyer="Pays.", recurring=True, own=True, authorisation_days=days
        )
        for id, days in (("card", 7), ("cash", None))
    }
    setting = Setting("PT", "EUR", Mode.TEST, traits, {}, RATES, weighed=shop.weighed)
    tenders = [Tender(id=id, method=id, on=True, name=id) for id in traits]
    found = {}
    for line in ("fish", "chart"):
        order = Order(Money(1000, "EUR"), "PT", date(2026, 11, 27), recurring=False, lines=(line,))
        found[line] = [[reason.code.value for reason in one.reasons] for one in decide(tenders, order, setting)]
    assert found == {"fish": [[], ["method-takes-at-once"]], "chart": [[], []]}


def test_lines_with_a_deposit_are_due_before_the_day_and_those_paid_on_the_day_are_not() -> None:
    boat = {"kind": "booking", "usual_amount": "85.00 EUR", "recurring": False}
    lines = [
        {**boat, "id": "share", "name": "Share", "deposit": {"percent": "25"}},
        {**boat, "id": "day", "name": "Day", "deposit": {"percent": "0"}},
        {**boat, "id": "now", "name": "Now"},
    ]
    shop = Shop.model_validate({"name": "Cabo", "country": "PT", "currency": "EUR", "lines": lines})
    assert shop.due_before == {"share"}
