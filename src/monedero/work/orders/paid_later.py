"""Tells what is paid later than an order is placed: what weighed goods came to, and the rest of a booking on the
day.
"""

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.money import Money
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import Move
from monedero.core.record import REST, By, Dispatch, Happened, OrderRecord
from monedero.core.request import Asking
from monedero.core.voucher.part import Back, shares_back
from monedero.work.orders import order_events
from monedero.work.orders.acts import OrderActs
from monedero.work.orders.bounds import bounded, can_give_back
from monedero.work.orders.order_events import How
from monedero.work.orders.place_order import OrderIntake


class PaidLater:
    """Holds what is done with orders of which not everything was known, or paid, when they were placed."""

    def __init__(self, intake: OrderIntake, acts: OrderActs) -> None:
        self._intake = intake
        self._acts = acts

    def weigh(self, token: str, goods: Money, note: str, version: int) -> OrderRecord:
        """Goods went out, and it is known what they came to, without the delivery: that is taken, the rest released.

        Less than vouchers had paid goes back to them.
        """

        def weighed(before: OrderRecord) -> OrderRecord:
            if not before.weighs:
                state = {"state": before.state.value}
                raise Conflict(Fault(FaultCode.MOVE_NOT_ALLOWED, "move", Happened.WEIGHED.value, state))
            bounded(goods, before.goods.minor, before.payment)
            came_to = Money(goods.minor + before.amount.minor - before.goods.minor, goods.currency)
            return self._taken(self._out(before, came_to, note))

        return self._acts.sent(token, weighed, version)

    def _out(self, before: OrderRecord, came_to: Money, note: str) -> OrderRecord:
        """An order whose goods went out and came to an amount, delivery included."""
        at = self._intake.now()
        dispatch = Dispatch(at=at, amount=came_to, note=note)
        happening = order_events.step(before.payment, Happened.WEIGHED, By.SHOP, at, came_to)
        update = {
            "came_to": came_to,
            "dispatched": [*before.dispatched, dispatch],
            "happened": [*before.happened, happening.model_copy(update={"reason": dispatch.note})],
        }
        after = before.model_copy(update=update)
        over = Money(-after.left.minor, came_to.currency)
        if over.minor <= 0:
            return after
        held = [part.held for part in after.vouchers]
        return self._acts.vouchers_back(after, shares_back(over, held), Back.CAME_TO_LESS)

    def _taken(self, after: OrderRecord) -> OrderRecord:
        """An order with what it came to asked for, and the rest to be released; where vouchers pay all, only that."""
        payment, at = after.payment, self._intake.now()
        if not payment.books.open:
            return self._over_back(after)
        left, number = after.left, payment.number
        if left.minor:
            after = after.with_payment(self._charged(payment, self._intake.fee_of(after, left)))
            after = order_events.ask(after, number, Asking.TAKE, payment.books.money(after.to_take), at)
        else:
            paid = order_events.covered(len(after.payments) + 1, at, left)
            after = after.model_copy(update={"payments": [*after.payments, paid]})
        asked = order_events.asked_for(after, number, Asking.TAKE)
        return order_events.ask(after, number, Asking.RELEASE, None, at) if asked < payment.books.open else after

    def _over_back(self, after: OrderRecord) -> OrderRecord:
        """An order whose provider took all of it at once: what is above what it came to goes back."""
        payment = after.payment
        fee = payment.chosen.fee.minor if payment.chosen.fee else 0
        over = can_give_back(after, payment) - after.left.minor - fee
        if over <= 0 or not payment.books.taken:
            return after
        return order_events.ask(
            after, payment.number, Asking.REFUND, payment.books.money(over), self._intake.now()
        )

    def _charged(self, payment: Payment, fee: Money | None) -> Payment:
        """A payment with the fee of what was taken; one that is not known any more stays as it was."""
        return (
            payment
            if fee is None
            else payment.model_copy(update={"chosen": payment.chosen.model_copy(update={"fee": fee})})
        )

    def rest_paid(self, token: str, version: int) -> OrderRecord:
        """The rest of a booking was paid on the day."""
        return self._rest(token, Move.PAID, version)

    def rest_let_go(self, token: str, version: int) -> OrderRecord:
        """The rest of a booking is not asked for any more."""
        return self._rest(token, Move.LAPSED, version)

    def _rest(self, token: str, what: Move, version: int) -> OrderRecord:
        def moved(before: OrderRecord) -> OrderRecord:
            rest = before.rest
            if rest is None or before.rest_payable is None:
                state = {"state": rest.state.value if rest else before.state.value}
                raise Conflict(Fault(FaultCode.MOVE_NOT_ALLOWED, "move", what.value, state))
            minor = rest.books.ordered if what is Move.PAID else None
            return order_events.move(before, REST, what, self._intake.now(), How(minor))

        return self._intake.change(token, moved, version)
