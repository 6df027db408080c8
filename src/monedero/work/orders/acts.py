"""Tells what the owner does with an order: take, release, refund, send, mark as paid; and what time does by itself.

Money that a gateway holds is moved by asking the gateway. What is asked is bounded by the books and by what was
asked before and is not answered yet, so that nothing is taken or sent back twice.
"""

from collections.abc import Callable, Sequence
from contextlib import suppress

from monedero.core.errors import Conflict, Fault, FaultCode, Refused
from monedero.core.money import Money
from monedero.core.payment.payment import BY_VOUCHER, Payment, Take
from monedero.core.payment.state import Move, State
from monedero.core.record import REST, By, Dispatch, Happened, OrderRecord
from monedero.core.request import Asking
from monedero.core.voucher.books import VoucherKind
from monedero.core.voucher.part import Back, covered, shares_back
from monedero.store import Store
from monedero.work.orders import order_events
from monedero.work.orders.bounds import bounded, can_give_back, can_take, rest_kept
from monedero.work.orders.order_events import How
from monedero.work.orders.place_order import OrderIntake
from monedero.work.orders.vouchers import Given, Issued

UNDER_WAY = frozenset(
    {
        *(State.OPEN, State.AT_PROVIDER, State.CONFIRMING, State.AUTHORISED),
        *(State.AWAITING_PAYMENT, State.RECEIPT_SENT, State.OVERDUE),
    }
)
UNPAID = (State.AWAITING_PAYMENT, State.RECEIPT_SENT, State.OVERDUE, State.LAPSED)


class OrderActs:
    """Holds what is done with the orders of one shop after they are placed."""

    def __init__(self, store: Store, intake: OrderIntake) -> None:
        self._store = store
        self._intake = intake

    def take(self, token: str, amount: Money, version: int) -> OrderRecord:
        """Take a part of what was authorised, or all of it."""
        return self._ask(token, Asking.TAKE, amount, version)

    def release(self, token: str, version: int) -> OrderRecord:
        """Give back what was authorised and not taken."""
        return self._ask(token, Asking.RELEASE, None, version)

    def refund(self, token: str, amount: Money, version: int, payment: int | None = None) -> OrderRecord:
        """Send money back by the means by which it came, and to each voucher its part of it.

        `payment` where it is not the one that counts; such a one has no part of a voucher.
        """
        record = self._intake.record(token)
        if payment is None and (record.vouchers or record.rest):
            return self.sent(token, lambda before: self._shared_back(before, amount), version)
        number = payment or record.payment.number
        if record.numbered(number).chosen.provider is None:
            return self._refund_by_hand(token, number, amount, version)
        return self._ask(token, Asking.REFUND, amount, version, number)

    def sent(self, token: str, change: Callable[[OrderRecord], OrderRecord], version: int | None) -> OrderRecord:
        """Change an order, then ask what the change asks of its gateway; where that is silent the record says so."""
        lease = self._intake.sending.lease()
        return self._intake.sending.send(self._intake.change(token, change, version, lease=lease), lease)

    def _shared_back(self, before: OrderRecord, amount: Money) -> OrderRecord:
        """An order of which an amount goes back to where each part came from."""
        payment, at = before.payment, self._intake.now()
        held = [can_give_back(before, payment), rest_kept(before), *(part.held for part in before.vouchers)]
        if not held[0] and payment.state in UNDER_WAY:
            # The payment under way is over what the vouchers leave.
            state = {"state": payment.state.value}
            raise Conflict(Fault(FaultCode.MOVE_NOT_ALLOWED, "move", "refunded", state))
        bounded(amount, sum(held), payment)
        self._sold_back(before, amount, sum(held))
        money, on_the_day, *parts = shares_back(amount, held)
        after = self.vouchers_back(before, parts, Back.REFUNDED)
        if on_the_day:
            after = order_events.move(after, REST, Move.REFUNDED, at, How(on_the_day))
        if amount.minor == sum(held) and after.rest_owed is not None:
            # After a full refund the balance due on the day is cancelled.
            after = order_events.move(after, REST, Move.LAPSED, at)
        if not money:
            return after
        back = Money(money, amount.currency)
        if payment.chosen.provider is None:
            return order_events.move(after, payment.number, Move.REFUNDED, at, How(back.minor))
        return order_events.ask(after, payment.number, Asking.REFUND, back, at)

    def vouchers_back(self, before: OrderRecord, shares: Sequence[int], why: Back) -> OrderRecord:
        """An order with shares of its vouchers given back to them, in its transaction.

        An order that vouchers paid whole is refunded with them.
        """
        parts = self._intake.vouchers.give_back(before.vouchers, shares, before.token, why)
        payment = before.payment
        if payment.chosen.tender == BY_VOUCHER and why is Back.REFUNDED:
            state = State.PART_REFUNDED if covered(parts) else State.REFUNDED
            payment = payment.model_copy(update={"state": state})
        steps = order_events.voucher_steps(payment, parts, shares, Happened.VOUCHER_RETURNED, self._intake.now())
        by = By.CLOCK if why is Back.LAPSED else By.SHOP
        happened = [*before.happened, *(step.model_copy(update={"by": by}) for step in steps)]
        return before.with_payment(payment).model_copy(update={"vouchers": parts, "happened": happened})

    def _sold_back(self, before: OrderRecord, amount: Money, held: int) -> None:
        """Takes what is given back of a sold voucher off it; refused beyond what of the order's money is not used.

        `held` is all that the shop holds of the order, in minor units.
        """
        sold = self._store.vouchers.sold_by(before.token)
        if sold is None:
            return
        bounded(amount, held - sold.used, before.payment)
        if sold.balance:
            self._intake.vouchers.end_part(sold, Money(min(amount.minor, sold.balance), amount.currency))

    def credit(self, token: str, amount: Money, version: int) -> OrderRecord:
        """Give shop credit instead of money: a voucher of its own, whose code its buyer is told."""
        issued: list[Issued] = []

        def credit(before: OrderRecord) -> OrderRecord:
            payment = before.payment
            bounded(amount, can_give_back(before, payment), payment)
            self._sold_back(before, amount, self._held(before))
            issued.append(
                self._intake.vouchers.issue(
                    amount, Given(VoucherKind.CREDIT, note=str(before.number)), before.mode
                )
            )
            return order_events.move(before, payment.number, Move.CREDITED, self._intake.now(), How(amount.minor))

        return self._intake.change(token, credit, version, lambda: issued[0])

    def send(self, token: str, amount: Money, note: str, version: int) -> OrderRecord:
        """Note that goods went out; what is taken on dispatch is then taken, as much as went out."""
        at = self._intake.now()

        def sent(before: OrderRecord) -> OrderRecord:
            payment = before.payment
            if before.weighed:
                state = {"state": before.state.value}
                raise Conflict(Fault(FaultCode.MOVE_NOT_ALLOWED, "move", Happened.DISPATCHED.value, state))
            left = before.amount.minor - sum(entry.amount.minor for entry in before.dispatched)
            bounded(amount, left, payment)
            dispatch = Dispatch(at=at, amount=amount, note=note)
            happening = order_events.step(payment, Happened.DISPATCHED, By.SHOP, at, amount)
            happening = happening.model_copy(update={"reason": dispatch.note})
            update = {"dispatched": [*before.dispatched, dispatch], "happened": [*before.happened, happening]}
            after = before.model_copy(update=update)
            open_ = payment.books.open - order_events.asked_for(before, payment.number, Asking.TAKE)
            if payment.chosen.take is not Take.ON_DISPATCH or not open_:
                return after
            # Goods that went out and the money taken for them are written down together: neither is there without the
            # other.
            # With the last of it everything is taken, what the buyer pays for the way to pay included.
            part = Money(open_ if amount.minor == left else min(amount.minor, open_), amount.currency)
            return order_events.ask(after, payment.number, Asking.TAKE, part, at)

        return self.sent(token, sent, version)

    def mark_paid(self, token: str, version: int) -> OrderRecord:
        """The shop has seen the money of its own arrangement."""
        return self._own(token, Move.PAID, version)

    def refuse_receipt(self, token: str, reason: str, version: int) -> OrderRecord:
        """A transfer receipt does not show the payment; the buyer is told why."""
        return self._own(token, Move.RECEIPT_REFUSED, version, reason)

    def receipt_sent(self, token: str, paper: str) -> OrderRecord:
        """A buyer sent a transfer receipt, kept as a paper."""

        def sent(before: OrderRecord) -> OrderRecord:
            after = before
            if before.state is not State.RECEIPT_SENT:
                after = order_events.move(before, before.payment.number, Move.RECEIPT_SENT, self._intake.now())
            return after.model_copy(update={"receipts": [*after.receipts, paper]})

        return self._intake.change(token, sent)

    def look(self, token: str) -> OrderRecord:
        """Ask every gateway what has happened to the payments of an order."""
        record = self._intake.record(token)
        for payment in record.payments:
            record = self._intake.look(record, payment)
        return record

    def tick(self) -> None:
        """Let arrangements of the shop's own become overdue and lapse, and ask again what was not answered."""
        now = self._intake.now()
        for record in self._store.orders.due(now):
            payment = record.payment
            if payment.state is State.AWAITING_PAYMENT and payment.until and payment.until <= now:
                self._intake.change(record.token, lambda before: self._timed(before, Move.OVERDUE))
            waits = payment.state in (State.AWAITING_PAYMENT, State.OVERDUE)
            if waits and payment.gives_up_at and payment.gives_up_at <= now:
                self._intake.change(record.token, lambda before: self._timed(before, Move.LAPSED))
            if record.vouchers_until and record.vouchers_until <= now:
                self._intake.change(record.token, lambda before: self._timed(before, Move.LAPSED))
            if record.asks:
                # One order that cannot be asked about must not hold up the others; its record says what it waits for.
                with suppress(Refused):
                    self._intake.sending.send(record)

    def _timed(self, before: OrderRecord, what: Move) -> OrderRecord:
        """An order after its moment has come: overdue, or given up, whose vouchers are whole again."""
        payment, now = before.payment, self._intake.now()
        failed = before.vouchers_until is not None and before.vouchers_until <= now
        allowed = {Move.OVERDUE: (State.AWAITING_PAYMENT,), Move.LAPSED: (State.AWAITING_PAYMENT, State.OVERDUE)}
        if payment.state not in allowed[what] and not failed:
            return before
        after = order_events.move(before, payment.number, what, now, How(until=payment.gives_up_at))
        if what is Move.OVERDUE:
            return after
        return self.vouchers_back(after, [part.held for part in after.vouchers], Back.LAPSED)

    def _own(self, token: str, what: Move, version: int, reason: str = "") -> OrderRecord:
        def moved(before: OrderRecord) -> OrderRecord:
            payment = before.payment
            if payment.chosen.provider is not None:
                raise Conflict(
                    Fault(FaultCode.MOVE_NOT_ALLOWED, "move", what.value, {"state": before.state.value})
                )
            minor = payment.books.ordered if what is Move.PAID else None
            until = payment.until if what is Move.RECEIPT_REFUSED else None
            return order_events.move(before, payment.number, what, self._intake.now(), How(minor, until, reason))

        return self._intake.change(token, moved, version)

    def _refund_by_hand(self, token: str, number: int, amount: Money, version: int) -> OrderRecord:
        def refunded(before: OrderRecord) -> OrderRecord:
            payment = before.numbered(number)
            bounded(amount, can_give_back(before, payment), payment)
            self._back_of(before, payment, amount)
            return order_events.move(before, number, Move.REFUNDED, self._intake.now(), How(amount.minor))

        return self._intake.change(token, refunded, version)

    def _ask(
        self, token: str, what: Asking, amount: Money | None, version: int | None, number: int | None = None
    ) -> OrderRecord:
        """Write down what is asked, then ask it; where the gateway is silent the record says so."""

        def ask(before: OrderRecord) -> OrderRecord:
            payment = before.numbered(number or before.payment.number)
            open_ = payment.books.open - order_events.asked_for(before, payment.number, Asking.TAKE)
            if what is Asking.RELEASE and not open_:
                raise Conflict(
                    Fault(FaultCode.MOVE_NOT_ALLOWED, "move", "released", {"state": payment.state.value})
                )
            if amount is not None:
                at_most = can_take(before) if what is Asking.TAKE else can_give_back(before, payment)
                bounded(amount, at_most, payment)
            if what is Asking.REFUND and amount is not None:
                self._back_of(before, payment, amount)
            return order_events.ask(before, payment.number, what, amount, self._intake.now())

        return self.sent(token, ask, version)

    def _back_of(self, before: OrderRecord, payment: Payment, amount: Money) -> None:
        """Take what goes back of a payment off the voucher that it paid for; a second payment paid for none."""
        if payment.number == before.payment.number:
            self._sold_back(before, amount, self._held(before))

    @staticmethod
    def _held(record: OrderRecord) -> int:
        """All that the shop holds of an order and may give back, in minor units."""
        return can_give_back(record, record.payment) + rest_kept(record) + record.by_voucher.minor
