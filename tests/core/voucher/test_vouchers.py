"""Vouchers: codes that cannot be guessed, books that never fall under nothing, shares that add up to the cent."""

import json
from datetime import UTC, date, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, rule

from monedero.core.account import Mode
from monedero.core.errors import Conflict, FaultCode, InvalidInput
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.payment.payment import Chosen, Payment
from monedero.core.record import OrderRecord
from monedero.core.voucher.books import SIGN, Entry, EntryKind, Voucher
from monedero.core.voucher.code import LENGTH, RANDOM_BYTES, READABLE, code_of, digest_of, ends_in, read_code
from monedero.core.voucher.part import VoucherPart, covered, shares_back
from tests.properties import tried_on

AT = datetime(2026, 11, 27, 10, tzinfo=UTC)


def issued(minor: int, expires: date | None = None) -> Voucher:
    first = Entry(at=AT, what=EntryKind.ISSUED, amount=Money(minor, "EUR"))
    return Voucher.model_validate(
        {"id": "a", "kind": "gift", "ends_in": "R38E", "currency": "EUR", "expires": expires, "entries": [first]}
    )


def test_a_code_holds_more_than_eighty_bits() -> None:
    assert RANDOM_BYTES * 8 >= 80
    assert len(READABLE) ** LENGTH == 2 ** (RANDOM_BYTES * 8)


@given(
    st.binary(min_size=RANDOM_BYTES, max_size=RANDOM_BYTES),
    st.binary(min_size=RANDOM_BYTES, max_size=RANDOM_BYTES),
)
@tried_on(200)
def test_every_code_is_its_own_however_it_is_typed(one: bytes, other: bytes) -> None:
    code = code_of(one)
    typed = f"  {code.replace('-', ' ').lower().replace('0', 'o').replace('1', 'l')} "
    assert read_code(typed) == read_code(code)
    assert digest_of(typed) == digest_of(code)
    assert ends_in(code) == code[-4:]
    assert (code == code_of(other)) == (one == other)


@pytest.mark.parametrize(
    "code", ["", "000G", "000G-40R4-0M30-E209-185G-R38U", "000G-40R4-0M30-E209-185G-R38E-0000"]
)
def test_what_is_no_code_is_refused(code: str) -> None:
    with pytest.raises(InvalidInput, match="voucher-code"):
        read_code(code)


def test_what_has_expired_is_not_used_and_what_comes_back_can_be_used_longer() -> None:
    held = issued(5000, date(2026, 12, 1)).use(Money(2000, "EUR"), "one", AT)
    late = AT + timedelta(days=30)
    assert not held.expired(date(2026, 12, 1))
    assert held.expired(date(2026, 12, 2))
    with pytest.raises(Conflict) as refused:
        held.use(Money(100, "EUR"), "two", late)
    assert refused.value.faults[0].code is FaultCode.VOUCHER_EXPIRED
    back = held.give_back(Money(2000, "EUR"), "one", late)
    assert back.last_day == late.date() + timedelta(days=90)
    assert back.use(Money(5000, "EUR"), "two", late).balance == 0
    # A voucher that came back in time changes nothing; one that never expires never does.
    assert held.give_back(Money(1, "EUR"), "one", AT).last_day == date(2026, 12, 1)
    assert not issued(1).expired(date.max)


def test_a_voucher_pays_in_its_own_currency_and_its_books_say_what_is_revenue() -> None:
    held = issued(5000).use(Money(2000, "EUR"), "one", AT)
    with pytest.raises(Conflict, match="currency-differs"):
        held.use(Money(1, "USD"), "two", AT)
    with pytest.raises(Conflict, match="amount-beyond"):
        held.give_back(Money(2001, "EUR"), "one", AT)
    ended = held.give_back(Money(500, "EUR"), "one", AT).end(Money(3500, "EUR"), AT)
    assert (ended.balance, ended.issued, ended.used) == (0, 5000, 1500)


class Books(RuleBasedStateMachine):
    """Whatever comes, twice or out of turn: the balance is the sum of the entries, and never under nothing."""

    def __init__(self) -> None:
        super().__init__()
        self.voucher = issued(10_000)
        self.used: dict[str, int] = {}

    @rule(minor=st.integers(-5, 6000), order=st.sampled_from("abc"))
    def uses(self, minor: int, order: str) -> None:
        if 0 < minor <= self.voucher.balance:
            self.used[order] = self.used.get(order, 0) + minor
            self.voucher = self.voucher.use(Money(minor, "EUR"), order, AT)
        else:
            with pytest.raises((Conflict, ValueError)):
                self.voucher.use(Money(minor, "EUR"), order, AT)

    @rule(minor=st.integers(1, 6000), order=st.sampled_from("abc"))
    def comes_back(self, minor: int, order: str) -> None:
        if minor <= self.used.get(order, 0):
            self.used[order] -= minor
            self.voucher = self.voucher.give_back(Money(minor, "EUR"), order, AT)
        else:
            with pytest.raises(Conflict):
                self.voucher.give_back(Money(minor, "EUR"), order, AT)

    @rule(minor=st.integers(1, 3000))
    def ends(self, minor: int) -> None:
        if minor <= self.voucher.balance:
            self.voucher = self.voucher.end(Money(minor, "EUR"), AT)
        else:
            with pytest.raises(Conflict):
                self.voucher.end(Money(minor, "EUR"), AT)

    @invariant()
    def agrees(self) -> None:
        assert self.voucher.balance >= 0
        assert self.voucher.balance == sum(SIGN[entry.what] * entry.amount.minor for entry in self.voucher.entries)
        assert self.voucher.used == sum(self.used.values())
        for order, minor in self.used.items():
            assert self.voucher.used_by(order) == minor
        assert Voucher.model_validate_json(self.voucher.model_dump_json()) == self.voucher
        assert json.loads(self.voucher.model_dump_json())["currency"] == "EUR"


TestBooks = Books.TestCase
TestBooks.settings = tried_on(25, stateful_step_count=20)

PARTS = st.lists(st.integers(1, 10**6), max_size=4)


@given(st.integers(0, 10**6), PARTS, st.integers(0, 10**4))
@tried_on(200)
def test_what_is_given_back_adds_up_and_is_never_more_than_each_part_holds(
    money: int, held: list[int], share: int
) -> None:
    parts = [
        VoucherPart(voucher=f"v{place}", ends_in="R38E", amount=Money(minor, "EUR"))
        for place, minor in enumerate(held)
    ]
    whole = money + covered(parts)
    amount = whole * share // 10**4
    everywhere = [money, *(part.held for part in parts)]
    back = shares_back(Money(amount, "EUR"), everywhere)
    assert sum(back) == amount
    assert all(0 <= minor <= there for minor, there in zip(back, everywhere, strict=True))
    # Giving all of it back makes every part whole.
    assert shares_back(Money(whole, "EUR"), everywhere) == [money, *held]


def test_an_order_is_left_with_what_vouchers_do_not_pay() -> None:
    order = Order(Money(8500, "EUR"), "PT", AT.date())
    part = VoucherPart(voucher="a", ends_in="R38E", amount=Money(3000, "EUR"), returned=Money(1000, "EUR"))
    begun = Payment.begin(1, Chosen(tender="cash", name="Cash", method="cash", provider=None), order.amount, AT)
    record = OrderRecord(
        token="t",
        number=1001,
        mode=Mode.TEST,
        edition=1,
        draft_version=None,
        placed_at=AT,
        order=order,
        line_name="Chart",
        payments=[begun],
        happened=[],
        vouchers=[part],
    )
    assert (record.left, record.by_voucher) == (Money(6500, "EUR"), Money(2000, "EUR"))
    assert record.order_left == Order(Money(6500, "EUR"), "PT", AT.date())
