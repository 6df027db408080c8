"""The script of each outcome: what buyer, owner and provider do, and how long passes between.

A script is a generator: it does something, gives the time that is to pass, and goes on when it has passed.
"""

from collections.abc import Callable, Generator, Mapping
from datetime import timedelta

from monedero.core.money import Money
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.rehearsal.cases import Outcome
from monedero.figures import methods
from monedero.server.shops import RunningShop
from monedero.standins.provider.model import Outgoing
from monedero.standins.provider.paying import Ending

Script = Generator[timedelta, None, None]
AT_ONCE, PAGE_LAPSES = timedelta(0), timedelta(minutes=31)
DISPUTE_ENDS, LATER_DAYS, AUTHORISATION_DAYS = timedelta(days=15), 5, 7
DAY = timedelta(days=1)


class Played:
    """One order that is played in a room."""

    def __init__(self, shop: RunningShop, token: str, part: Money) -> None:
        """The order by its token; `part` is what a refund in part gives back."""
        self.shop, self.token, self._part = shop, token, part

    @property
    def record(self) -> OrderRecord:
        """The record of the order as it is now."""
        return self.shop.intake.record(self.token)

    @property
    def payment(self) -> Payment:
        """The payment that counts."""
        return self.record.payment

    def script(self, outcome: Outcome) -> Script:
        """The script of an outcome, from the order that is placed."""
        return SCRIPTS[outcome](self)

    def end(self, ending: Ending, *, comes_back: bool = True) -> None:
        """Let the buyer end the payment on the provider's page, and come back to the shop."""
        reference = self.payment.reference or ""
        self.shop.provider.payments.end(reference, ending)
        if comes_back:
            self.shop.intake.came_back(reference)

    def outgoing(self) -> list[Outgoing]:
        """The notifications about the payment that are on their way."""
        reference, memory = self.payment.reference or "none", self.shop.provider.world.memory
        return [each for each in memory.waiting(Outgoing) if reference in each.body]

    def take(self) -> None:
        """Take what is only held; of weighed goods all of them went out and came to the most that they may."""
        record, version = self.record, self._version()
        if record.weighs:
            self.shop.paid_later.weigh(self.token, record.goods, "", version)
        elif record.payment.books.open:
            self.shop.order_acts.take(self.token, record.payment.books.money(record.to_take), version)

    def refund(self, amount: Money) -> None:
        """Give an amount back."""
        self.shop.order_acts.refund(self.token, amount, self._version())

    def refund_whole(self) -> None:
        """Give everything back, to its voucher too."""
        record = self.record
        books = record.payment.books
        self.refund(books.money(books.can_give_back + record.by_voucher.minor))

    def refund_part(self) -> None:
        """Give a part back."""
        self.refund(self._part)

    def seen(self) -> None:
        """The owner sees the money of an arrangement of the shop's own."""
        self.shop.order_acts.mark_paid(self.token, self._version())

    def _version(self) -> int:
        stored = self.shop.store.orders.stored_order(self.token)
        return stored.version if stored else 0


def _ends(ending: Ending) -> Callable[[Played], Script]:
    def script(played: Played) -> Script:
        played.end(ending)
        yield AT_ONCE

    return script


def _paid_and_gone(played: Played) -> Script:
    """The buyer pays and never comes back: the shop knows from the provider alone."""
    played.end(Ending.PAID, comes_back=False)
    yield AT_ONCE


def _told_twice(played: Played) -> Script:
    """The provider sends each notification again, as it was and under another id."""
    played.end(Ending.PAID)
    on_their_way = played.outgoing()
    yield AT_ONCE
    memory, now = played.shop.provider.world.memory, played.shop.clock.now()
    for outgoing in on_their_way:
        played.shop.provider.courier.send_again(outgoing.id)
        other = outgoing.model_copy(update={"id": f"{outgoing.id}again", "due_at": now})
        memory.put(other.id, other, waits=True, due=now)
    yield AT_ONCE


def _never_told(played: Played) -> Script:
    """No notification arrives: the shop asks when the buyer is back."""
    played.end(Ending.PAID, comes_back=False)
    memory = played.shop.provider.world.memory
    for outgoing in played.outgoing():
        memory.put(outgoing.id, outgoing.model_copy(update={"done": True}), waits=False)
    played.shop.intake.came_back(played.payment.reference or "")
    yield AT_ONCE


def _expired(played: Played) -> Script:
    yield PAGE_LAPSES
    yield AT_ONCE


def _paid(played: Played) -> Script:
    """The buyer has paid for certain, and the shop has taken all of it."""
    method = methods.method(played.payment.chosen.method)
    later = method.certain == "later"
    played.end(Ending.PAID_LATER if later else Ending.PAID)
    yield (method.certain_days or LATER_DAYS) * DAY if later else AT_ONCE
    yield AT_ONCE
    if played.payment.state is State.AUTHORISED:
        played.take()
        yield AT_ONCE


def _confirmed_later(ending: Ending) -> Callable[[Played], Script]:
    def script(played: Played) -> Script:
        days = methods.method(played.payment.chosen.method).certain_days or LATER_DAYS
        played.end(ending)
        yield AT_ONCE
        yield days * DAY
        yield AT_ONCE

    return script


def _not_taken(played: Played) -> Script:
    days = methods.method(played.payment.chosen.method).authorisation_days or AUTHORISATION_DAYS
    played.end(Ending.PAID)
    yield days * DAY + timedelta(minutes=1)
    yield AT_ONCE


def _refunded(played: Played) -> Script:
    yield from _paid(played)
    played.refund_whole()
    yield AT_ONCE


def _part_refunded(played: Played) -> Script:
    yield from _paid(played)
    played.refund_part()
    yield AT_ONCE


def _dispute_lost(played: Played) -> Script:
    yield from _paid(played)
    played.shop.provider.payments.dispute(played.payment.reference or "")
    yield AT_ONCE
    yield DISPUTE_ENDS
    yield AT_ONCE


def _taken_back(played: Played) -> Script:
    yield from _paid(played)
    played.shop.provider.payments.take_back(played.payment.reference or "")
    yield AT_ONCE


def _seen(played: Played) -> Script:
    yield AT_ONCE
    played.seen()
    yield AT_ONCE


def _unpaid(played: Played) -> Script:
    payment, begun = played.payment, played.record.placed_at
    for moment in (payment.until, payment.gives_up_at):
        if moment is not None:
            yield max(moment - begun, AT_ONCE)
            begun = max(moment, begun)
    yield AT_ONCE


def _given_back(played: Played) -> Script:
    yield from _seen(played)
    played.refund_whole()
    yield AT_ONCE


SCRIPTS: Mapping[Outcome, Callable[[Played], Script]] = {
    Outcome.PAID: _ends(Ending.PAID),
    Outcome.PAID_AND_GONE: _paid_and_gone,
    Outcome.TOLD_TWICE: _told_twice,
    Outcome.NEVER_TOLD: _never_told,
    Outcome.PAID_LATER: _confirmed_later(Ending.PAID_LATER),
    Outcome.FAILS_LATER: _confirmed_later(Ending.FAILS_LATER),
    Outcome.DECLINED: _ends(Ending.DECLINED_MONEY),
    Outcome.NOT_CONFIRMED: _ends(Ending.DECLINED_CONFIRMATION),
    Outcome.ABANDONED: _ends(Ending.ABANDONED),
    Outcome.EXPIRED: _expired,
    Outcome.NOT_TAKEN: _not_taken,
    Outcome.REFUNDED: _refunded,
    Outcome.PART_REFUNDED: _part_refunded,
    Outcome.DISPUTE_LOST: _dispute_lost,
    Outcome.TAKEN_BACK: _taken_back,
    Outcome.SEEN: _seen,
    Outcome.UNPAID: _unpaid,
    Outcome.GIVEN_BACK: _given_back,
}
