"""Vouchers and shop credit at work: issued, tried by their code, used for an order, given back, sold.

A code is shown once, to whom it is issued, and kept as a digest. A buyer who typed one uses it from then on by a
handle, so that it stands in no address. After five wrong codes a buyer cannot try more for a quarter of an hour, and
after fifty nobody at the same address can.
"""

import secrets
from collections.abc import Callable, Sequence
from datetime import date, datetime, timedelta
from math import ceil
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.money import Money
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.voucher.books import Entry, EntryKind, Voucher, VoucherKind
from monedero.core.voucher.code import RANDOM_BYTES, code_of, digest_of, ends_in
from monedero.core.voucher.part import Back, VoucherPart, covered
from monedero.store import Store
from monedero.store.vouchers import Head

MOST_WRONG, MOST_WRONG_AT_ADDRESS = 5, 50
HELD_OFF = timedelta(minutes=15)
MOST_AT_ONCE = 5
TAKEN_BACK = frozenset({State.DISPUTED, State.DISPUTE_LOST, State.RETURNED})
"""A voucher that was sold by an order in one of these states is not paid for, or may not be."""


class Issued(NamedTuple):
    """A voucher that was just issued, with its code, which is kept nowhere."""

    voucher: Voucher
    code: str


class Tried(NamedTuple):
    """A voucher whose code was typed, and the handle under which it is used."""

    voucher: Voucher
    handle: str


class Guesser(NamedTuple):
    """Holds who tries a code: the buyer, by a token of the shop, and the address from which the buyer asks."""

    buyer: str
    address: str

    @property
    def counted(self) -> dict[str, int]:
        """Under which names wrong codes are counted, with how many each may have."""
        return {f"buyer {self.buyer}": MOST_WRONG, f"address {self.address}": MOST_WRONG_AT_ADDRESS}


class Gone(Exception):
    """A voucher does not pay what an order wants of it any more."""


class Given(NamedTuple):
    """For what a voucher is issued: its kind, until when it holds, a note, the order that paid for it."""

    kind: VoucherKind = VoucherKind.GIFT
    expires: date | None = None
    note: str = ""
    sold_by: str = ""


class Vouchers:
    """The vouchers of one shop; `now` tells the time in UTC."""

    def __init__(self, store: Store, now: Callable[[], datetime]) -> None:
        self._store = store
        self._now = now

    def issue(self, amount: Money, given: Given, mode: Mode) -> Issued:
        """Issue a voucher; refused where it would have expired already."""
        at = self._now()
        if given.expires is not None and given.expires < at.date():
            told = {"first": at.date().isoformat(), "last": date.max.isoformat()}
            raise InvalidInput(Fault(FaultCode.DATE_RANGE, "expires", given.expires.isoformat(), told))
        code = code_of(secrets.token_bytes(RANDOM_BYTES))
        head = Head(
            mode=mode,
            digest=digest_of(code),
            kind=given.kind.value,
            ends_in=ends_in(code),
            currency=amount.currency,
            expires=given.expires,
            note=given.note,
            sold_by=given.sold_by,
        )
        with self._store.together():
            first = Entry(at=at, what=EntryKind.ISSUED, amount=amount)
            return Issued(self._store.vouchers.add(head, first), code)

    def sold_with(self, after: OrderRecord) -> Issued | None:
        """The voucher that an order sells, once all of it is paid: it is issued then, and once."""
        paid = after.state is State.PAID and after.missing is None
        if not after.sells_voucher or not paid or self._store.vouchers.sold_by(after.token) is not None:
            return None
        return self.issue(after.goods, Given(sold_by=after.token), after.mode)

    def end(self, id: str) -> Voucher:
        """Take away what is left on a voucher, for good."""
        with self._store.together():
            before = self._voucher(id)
            after = before.end(Money(before.balance, before.currency), self._now())
            self._store.vouchers.keep(before, after)
        return after

    def end_part(self, before: Voucher, amount: Money) -> None:
        """Take a part of what is left on a voucher away, in the transaction of whoever asks."""
        self._store.vouchers.keep(before, before.end(amount, self._now()))

    def try_code(self, code: str, who: Guesser, currency: str, mode: Mode) -> Tried:
        """A voucher by its code, for an order in a currency; refused where it cannot be used now.

        After too many wrong codes every code is refused for a while, right ones too.
        """
        try:
            digest = digest_of(code)
        except InvalidInput as refused:
            raise InvalidInput(*(fault.at("code") for fault in refused.faults)) from refused
        now = self._now()
        # How many were wrong is counted in the transaction in which a wrong one is noted, so that many at once count.
        with self._store.together():
            wrong = self._wrong(who, now)
            voucher = None if wrong.held_off else self._store.vouchers.with_digest(digest, mode)
            if voucher is None and not wrong.held_off:
                self._store.vouchers.tried_wrong(who.counted, now, now - HELD_OFF)
        if wrong.held_off:
            raise Conflict(Fault(FaultCode.VOUCHER_HELD_OFF, "code", str(wrong.held_off)))
        if voucher is None:
            raise InvalidInput(Fault(FaultCode.VOUCHER_UNKNOWN, "code", "", {"left": str(wrong.left - 1)}))
        self._usable(voucher, currency, now.date())
        with self._store.together():
            return Tried(voucher, self._store.vouchers.hand_out(voucher.id, now))

    def _wrong(self, who: Guesser, now: datetime) -> "Wrong":
        """How many more wrong codes somebody may try, and for how many minutes somebody is held off."""
        left, held_off = MOST_WRONG, 0
        for name, most in who.counted.items():
            wrong = self._store.vouchers.wrong_since(name, now - HELD_OFF)
            left = min(left, most - len(wrong))
            if len(wrong) >= most:
                held_off = max(held_off, ceil((wrong[-most] + HELD_OFF - now) / timedelta(minutes=1)))
        return Wrong(left, held_off)

    def parts_of(self, handles: Sequence[str], amount: Money, mode: Mode) -> list[VoucherPart]:
        """Tells what vouchers pay of an amount, one after the other; what does not hold any more pays nothing."""
        now, left = self._now(), amount.minor
        parts: list[VoucherPart] = []
        for handle in dict.fromkeys(handles[:MOST_AT_ONCE]):
            voucher = self._store.vouchers.by_handle(handle, mode, now)
            if voucher is None or self._barred(voucher, amount.currency, now.date()):
                continue
            minor = min(voucher.balance, left)
            if minor > 0 and voucher.id not in {part.voucher for part in parts}:
                left -= minor
                paid = Money(minor, amount.currency)
                parts.append(VoucherPart(voucher=voucher.id, ends_in=voucher.ends_in, amount=paid))
        return parts

    def pay_nothing(self, handles: Sequence[str], amount: Money, mode: Mode) -> bool:
        """True if one of some vouchers pays nothing of an amount of which there is something left to pay."""
        parts = self.parts_of(handles, amount, mode)
        return covered(parts) < amount.minor and len(parts) < len(set(handles))

    def use(self, parts: Sequence[VoucherPart], order: str) -> None:
        """Write what an order uses, in the transaction in which it is placed.

        Raises `Gone` where a voucher holds less than that by now.
        """
        now = self._now()
        for part in parts:
            before = self._voucher(part.voucher)
            if self._barred(before, part.amount.currency, now.date()) or before.balance < part.amount.minor:
                raise Gone
            self._store.vouchers.keep(before, before.use(part.amount, order, now))

    def give_back(
        self, parts: Sequence[VoucherPart], shares: Sequence[int], order: str, why: Back
    ) -> list[VoucherPart]:
        """Let come back to each voucher its share, in minor units, in the transaction of its order."""
        after = []
        for part, minor in zip(parts, shares, strict=True):
            if not minor:
                after.append(part)
                continue
            before, amount = self._voucher(part.voucher), Money(minor, part.amount.currency)
            self._store.vouchers.keep(before, before.give_back(amount, order, self._now()))
            after.append(part.came_back(minor, why))
        return after

    def again(self, parts: Sequence[VoucherPart]) -> list[int]:
        """Tells how much of each part that went back when its order was given up can be taken again, in minor units."""
        today = self._now().date()
        can = []
        for part in parts:
            voucher = self._voucher(part.voucher) if part.waiting else None
            barred = voucher is None or self._barred(voucher, voucher.currency, today)
            can.append(0 if voucher is None or barred else min(voucher.balance, part.back))
        return can

    def take_again(self, parts: Sequence[VoucherPart], shares: Sequence[int], order: str) -> list[VoucherPart]:
        """The parts after shares of them were taken from their vouchers again, in the transaction of the order."""
        taken = []
        for part, minor in zip(parts, shares, strict=True):
            if minor:
                before, amount = self._voucher(part.voucher), Money(minor, part.amount.currency)
                self._store.vouchers.keep(before, before.use(amount, order, self._now()))
            taken.append(part.taken_again(minor) if minor else part)
        return taken

    def stands_still(self, voucher: Voucher) -> bool:
        """True if a sold voucher cannot be used, because the payment for it is disputed, or went back to its buyer."""
        sold = self._store.orders.get(voucher.sold_by) if voucher.sold_by else None
        return sold is not None and sold.state in TAKEN_BACK

    def _voucher(self, id: str) -> Voucher:
        found = self._store.vouchers.get(id)
        if found is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "voucher", id, {"what": "voucher"}))
        return found

    def _usable(self, voucher: Voucher, currency: str, on: date) -> None:
        """Refuse a voucher that cannot be used for an order in a currency on a day."""
        barred = self._barred(voucher, currency, on)
        if barred:
            raise Conflict(barred)

    def _barred(self, voucher: Voucher, currency: str, on: date) -> Fault | None:
        """Why a voucher cannot be used for an order in a currency on a day; None where it can."""
        ends = voucher.ends_in
        if voucher.expired(on):
            last = {"day": voucher.last_day.isoformat() if voucher.last_day else ""}
            return Fault(FaultCode.VOUCHER_EXPIRED, "code", ends, last)
        if voucher.balance <= 0:
            return Fault(FaultCode.VOUCHER_EMPTY, "code", ends)
        if voucher.currency != currency:
            return Fault(FaultCode.VOUCHER_OTHER_CURRENCY, "code", ends, {"currency": voucher.currency})
        return Fault(FaultCode.VOUCHER_STANDS_STILL, "code", ends) if self.stands_still(voucher) else None


class Wrong(NamedTuple):
    """How many more codes somebody may try, and for how many minutes none (nothing: not held off)."""

    left: int
    held_off: int
