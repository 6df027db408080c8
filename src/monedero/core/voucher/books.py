"""The books of a voucher: entries that are never edited, and a balance that is their sum and never less than nothing.

An order uses a part of it, or all; what an order used can come back to it, and no more than that. What has expired is
not used; what comes back after that day can be used for ninety days more. What is ended by its owner is gone.

Source: own design; that a refund may be used again after the expiry is common practice, no source.

>>> issued = Entry(at="2026-11-27T10:00:00Z", what="issued", amount="50.00 EUR")
>>> held = Voucher(id="a", kind="gift", ends_in="R38E", currency="EUR", entries=[issued])
>>> used = held.use(Money(2000, "EUR"), "order-1", issued.at)
>>> used.balance, used.used_by("order-1"), used.give_back(Money(500, "EUR"), "order-1", issued.at).balance
(3000, 2000, 3500)
>>> used.use(Money(3001, "EUR"), "order-2", issued.at)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: amount-beyond amount='30.01 EUR'
"""

from datetime import date, datetime, timedelta
from enum import StrEnum
from typing import Self

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.fields import CurrencyCode, Description, Identifier, MoneyPositive, Name, Strict
from monedero.core.money import Money

AFTER_A_RETURN = timedelta(days=90)


class VoucherKind(StrEnum):
    """A voucher that was given or sold, or credit that the shop gave instead of money."""

    GIFT = "gift"
    CREDIT = "credit"


class EntryKind(StrEnum):
    """Names what happens to a voucher."""

    ISSUED = "issued"
    USED = "used"
    RETURNED = "returned"
    ENDED = "ended"


SIGN = {EntryKind.ISSUED: 1, EntryKind.USED: -1, EntryKind.RETURNED: 1, EntryKind.ENDED: -1}


class Entry(Strict):
    """One entry; `order` is the token of the order that used it, or to which it came back."""

    at: datetime
    what: EntryKind
    amount: MoneyPositive
    order: str = ""


class Voucher(Strict):
    """A voucher with its entries. `sold_by` is the order that paid for it; empty where it was given."""

    id: Identifier
    kind: VoucherKind
    ends_in: Name
    currency: CurrencyCode
    expires: date | None = None
    note: Description = ""
    sold_by: str = ""
    entries: list[Entry] = []

    @property
    def balance(self) -> int:
        """The amount that is left, in minor units."""
        return sum(SIGN[entry.what] * entry.amount.minor for entry in self.entries)

    @property
    def issued(self) -> int:
        """The amount for which it was issued, in minor units."""
        return sum(entry.amount.minor for entry in self.entries if entry.what is EntryKind.ISSUED)

    @property
    def used(self) -> int:
        """The amount that orders have used and did not give back: what is revenue of it."""
        return sum(-SIGN[entry.what] * entry.amount.minor for entry in self.entries if entry.order)

    @property
    def last_day(self) -> date | None:
        """The last day on which it can be used; None: never expires."""
        if self.expires is None:
            return None
        late = [
            entry.at.date() + AFTER_A_RETURN
            for entry in self.entries
            if entry.what is EntryKind.RETURNED and entry.at.date() > self.expires
        ]
        return max([self.expires, *late])

    def expired(self, on: date) -> bool:
        """True if it can be used no more on a day."""
        return self.last_day is not None and on > self.last_day

    def used_by(self, order: str) -> int:
        """Tells how much of it an order has used and did not give back, in minor units."""
        return sum(-SIGN[entry.what] * entry.amount.minor for entry in self.entries if entry.order == order)

    def use(self, amount: Money, order: str, at: datetime) -> Self:
        """Use a part of it for an order; refused beyond its balance, and after its last day."""
        if self.expired(at.date()):
            last = self.last_day.isoformat() if self.last_day else ""
            raise Conflict(Fault(FaultCode.VOUCHER_EXPIRED, "voucher", self.ends_in, {"day": last}))
        return self._less(EntryKind.USED, amount, self.balance, order, at)

    def give_back(self, amount: Money, order: str, at: datetime) -> Self:
        """Let come back what an order used; refused beyond that."""
        return self._less(EntryKind.RETURNED, amount, self.used_by(order), order, at)

    def end(self, amount: Money, at: datetime) -> Self:
        """Take a part of what is left away for good."""
        return self._less(EntryKind.ENDED, amount, self.balance, "", at)

    def _less(self, what: EntryKind, amount: Money, at_most: int, order: str, at: datetime) -> Self:
        if amount.currency != self.currency:
            raise Conflict(Fault(FaultCode.CURRENCY_DIFFERS, "amount", str(amount)))
        if not 0 < amount.minor <= at_most:
            left = str(Money(max(at_most, 0), self.currency))
            raise Conflict(Fault(FaultCode.AMOUNT_BEYOND, "amount", str(amount), {"left": left}))
        entry = Entry(at=at, what=what, amount=amount, order=order)
        return self.model_copy(update={"entries": [*self.entries, entry]})
