"""Vouchers and shop credit at work: issued, tried by their code, used for an order, given back, sold.

A code is shown once, to whom it is issued, and kept as a digest. A buyer who typed one uses it from then on by a
handle, so that it stands in no address. After five wrong codes nobody can try more for a quarter of an hour.
"""

import secrets
from collections.abc import Callable, Sequence
from datetime import date, datetime, timedelta
from math import ceil
from typing import NamedTuple

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.money import Money
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.voucher.books import Entry, EntryKind, Voucher, VoucherKind
from monedero.core.voucher.code import RANDOM_BYTES, code_of, digest_of, ends_in
from monedero.core.voucher.part import VoucherPart
from monedero.store import Store
from monedero.store.vouchers import Head
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import tell, to_buyer
from monedero.work.checkout.composed import Composed
from monedero.work.orders.told import language_of

MOST_WRONG = 5
HELD_OFF = timedelta(minutes=15)
MOST_AT_ONCE = 5


class Issued(NamedTuple):
    """A voucher that was just issued, with its code, which is kept nowhere."""

    voucher: Voucher
    code: str


class Tried(NamedTuple):
    """A voucher whose code was typed, and the handle under which it is used."""

    voucher: Voucher
    handle: str


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

    def issue(self, amount: Money, given: Given) -> Issued:
        """Issue a voucher; refused where it would have expired already."""
        at = self._now()
        if given.expires is not None and given.expires < at.date():
            told = {"first": at.date().isoformat(), "last": date.max.isoformat()}
            raise InvalidInput(Fault(FaultCode.DATE_RANGE, "expires", given.expires.isoformat(), told))
        code = code_of(secrets.token_bytes(RANDOM_BYTES))
        head = Head(
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

    def sold_with(self, composed: Composed, before: OrderRecord | None, after: OrderRecord) -> str:
        """What is told of a voucher that an order sells, once it is paid: it is issued then, and once."""
        paid = after.state is State.PAID and (before is None or before.state is not State.PAID)
        if not after.sells_voucher or not paid or self._store.vouchers.sold_by(after.token) is not None:
            return ""
        return self.told(composed, after, self.issue(after.goods, Given(sold_by=after.token)))

    def told(self, composed: Composed, record: OrderRecord, issued: Issued) -> str:
        """What the buyer of an order is told of a voucher that was issued for it; its code is nowhere else."""
        voucher = issued.voucher
        kind = "voucher-credit" if voucher.kind is VoucherKind.CREDIT else "voucher-sold"
        with to_buyer(language_of(composed, record), composed.shop.country):
            amount = money(Money(voucher.issued, voucher.currency))
            until = tell("voucher-sold-until", day=day(voucher.expires)) if voucher.expires else ""
            return " ".join(
                filter(None, (f"{tell(kind, amount=amount, code=issued.code)}.", until, tell("voucher-keep")))
            )

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

    def try_code(self, code: str, who: str, currency: str) -> Tried:
        """A voucher by its code, for an order in a currency; refused where it cannot be used now.

        After five wrong codes of the same buyer every code is refused for a while, right ones too.
        """
        now = self._now()
        wrong = self._store.vouchers.wrong_since(who, now - HELD_OFF)
        if len(wrong) >= MOST_WRONG:
            minutes = ceil((wrong[-MOST_WRONG] + HELD_OFF - now) / timedelta(minutes=1))
            raise Conflict(Fault(FaultCode.VOUCHER_HELD_OFF, "code", str(minutes)))
        try:
            digest = digest_of(code)
        except InvalidInput as refused:
            raise InvalidInput(*(fault.at("code") for fault in refused.faults)) from refused
        voucher = self._store.vouchers.with_digest(digest)
        if voucher is None:
            self._store.vouchers.tried_wrong(who, now)
            left = {"left": str(MOST_WRONG - len(wrong) - 1)}
            raise InvalidInput(Fault(FaultCode.VOUCHER_UNKNOWN, "code", "", left))
        self._usable(voucher, currency, now.date())
        with self._store.together():
            return Tried(voucher, self._store.vouchers.hand_out(voucher.id, now))

    def parts_of(self, handles: Sequence[str], amount: Money) -> list[VoucherPart]:
        """What vouchers pay of an amount, one after the other; what does not hold any more pays nothing."""
        now, left = self._now(), amount.minor
        parts: list[VoucherPart] = []
        for handle in dict.fromkeys(handles[:MOST_AT_ONCE]):
            voucher = self._store.vouchers.by_handle(handle, now)
            if voucher is None or voucher.currency != amount.currency or voucher.expired(now.date()):
                continue
            minor = min(voucher.balance, left)
            if minor > 0 and voucher.id not in {part.voucher for part in parts}:
                left -= minor
                paid = Money(minor, amount.currency)
                parts.append(VoucherPart(voucher=voucher.id, ends_in=voucher.ends_in, amount=paid))
        return parts

    def use(self, parts: Sequence[VoucherPart], order: str) -> None:
        """Write what an order uses, in the transaction in which it is placed; refused where it is there no more."""
        for part in parts:
            before = self._voucher(part.voucher)
            self._store.vouchers.keep(before, before.use(part.amount, order, self._now()))

    def give_back(self, parts: Sequence[VoucherPart], shares: Sequence[int], order: str) -> list[VoucherPart]:
        """Let come back to each voucher its share, in minor units, in the transaction of its order."""
        after = []
        for part, minor in zip(parts, shares, strict=True):
            if not minor:
                after.append(part)
                continue
            before, amount = self._voucher(part.voucher), Money(minor, part.amount.currency)
            self._store.vouchers.keep(before, before.give_back(amount, order, self._now()))
            returned = Money(minor + (part.returned.minor if part.returned else 0), amount.currency)
            after.append(part.model_copy(update={"returned": returned}))
        return after

    def _voucher(self, id: str) -> Voucher:
        found = self._store.vouchers.get(id)
        if found is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "voucher", id, {"what": "voucher"}))
        return found

    def _usable(self, voucher: Voucher, currency: str, on: date) -> None:
        if voucher.expired(on):
            last = {"day": day(voucher.last_day) if voucher.last_day else ""}
            raise Conflict(Fault(FaultCode.VOUCHER_EXPIRED, "code", voucher.ends_in, last))
        if voucher.balance <= 0:
            raise Conflict(Fault(FaultCode.VOUCHER_EMPTY, "code", voucher.ends_in))
        if voucher.currency != currency:
            told = {"currency": voucher.currency}
            raise Conflict(Fault(FaultCode.VOUCHER_OTHER_CURRENCY, "code", voucher.ends_in, told))
