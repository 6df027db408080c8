"""Order: a buyer chooses a way to pay, pays or arranges to, and the record keeps what happened."""

import secrets
from collections.abc import Callable, Mapping
from datetime import datetime

from monedero.core.checkout.decision import Outcome
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound, Refused
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import CAN_CHOOSE_ANOTHER, State
from monedero.core.record import Happened, Message, OrderRecord
from monedero.core.request import Lease, Request
from monedero.core.voucher.part import covered
from monedero.formats.gateway import PaymentAsked, PaymentHeld
from monedero.store import Store
from monedero.store.orders import Key
from monedero.work.accounts.gateways import Gateways
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.held_back import TenderHeldBack
from monedero.work.checkout.offer import decision_of, outcomes_of, placed
from monedero.work.orders import order_events
from monedero.work.orders.buyer_papers import language_of
from monedero.work.orders.choosing import Ordering, asked_of, buying_of
from monedero.work.orders.letter import LetterAsked, Write
from monedero.work.orders.of_record import OfRecord
from monedero.work.orders.papers import OrderName, with_paper, without_paper
from monedero.work.orders.placing import Begun, NewOrder, begin, record_of
from monedero.work.orders.sending import Sending, heard, leased
from monedero.work.orders.tells import tells
from monedero.work.orders.vouchers import Gone, Issued, Vouchers
from monedero.work.shop.order_in_hand import OrderInHand

TEST_BUYER = "test.buyer@example.org"
AFTER_PAYING = "/buy/orders"
# How often a buyer can choose a way to pay for one order.
MOST_TRIES = 20


class OrderIntake:
    """Takes orders for one shop; `now` tells the time in UTC, `gateways` is where buyers pay, `write` words a letter.

    What is asked of a gateway is written down first, under a key, and only then sent: whatever stops in between, it
    is sent again under the same key and done once.
    """

    def __init__(self, store: Store, gateways: Gateways, now: Callable[[], datetime], write: Write) -> None:
        self._store = store
        self._gateways = gateways
        self.now = now
        self._write = write
        self.of_record = OfRecord(store, now)
        self.vouchers = Vouchers(store, now)
        self.sending = Sending(store, gateways, now, self.change, self._asked)

    def kept(self, key: Key | None) -> OrderRecord | None:
        """The order that was placed under a key before, with its payment begun; None where there is none."""
        record = self._store.orders.under(key) if key else None
        return self.sending.begin(record) if record else None

    def place(
        self, snapshot: CheckoutSnapshot, order: OrderInHand, tender: str, by: Ordering | None = None
    ) -> OrderRecord:
        """Place an order with a tender that is offered for it; one that was placed under the same key is there already.

        Refused where its buyer would pay more than the total that was shown.
        """
        new = NewOrder(snapshot, order, tender, by or Ordering(), self.now(), secrets.token_urlsafe(12))
        if (kept := self.kept(new.by.key)) is not None:
            return kept
        if self.vouchers.pay_nothing(new.by.vouchers, order.order.amount, new.mode):
            raise self._total_changed(new)
        begun = self._prepared(new)
        if new.by.total is not None and _is_more(begun.payment.total, new.by.total):
            raise self._total_changed(new)
        lease = self.sending.lease()

        def build(number: int) -> OrderRecord:
            self.vouchers.use(begun.parts, new.token)
            return leased(None, record_of(self.of_record.context(new.snapshot), new, begun, number), lease)

        try:
            record = self._store.orders.add(build, self._letters, new.mode, new.by.key)
        except Gone as gone:
            raise self._total_changed(new) from gone
        return self.sending.begin(record, lease)

    def _prepared(self, new: NewOrder) -> Begun:
        parts = self.vouchers.parts_of(new.by.vouchers, new.hand.order.amount, new.mode)
        return begin(new, parts, lambda left: self._offered(new.snapshot, left, new.tender))

    def _total_changed(self, new: NewOrder) -> Conflict:
        """Refuse an order of which its buyer saw another total, with the one that there is now."""
        amount = new.hand.order.amount
        try:
            total = self._prepared(new).payment.total
        except Refused:
            # This tender cannot pay what vouchers leave: the total is then what another one would meet.
            parts = self.vouchers.parts_of(new.by.vouchers, amount, new.mode)
            total = Money(amount.minor - covered(parts), amount.currency)
        shown = str(new.by.total) if new.by.total is not None else ""
        return Conflict(Fault(FaultCode.TOTAL_CHANGED, "total", shown, {"now": str(total)}))

    def offered_again(self, record: OrderRecord) -> list[Outcome]:
        """Tells what an order that is not paid could be paid with, by the checkout with which it was placed."""
        snapshot = self.of_record.snapshot(record)
        return placed(self.of_record.context(snapshot), snapshot, self.as_paid_again(record).order_left)

    def as_paid_again(self, record: OrderRecord) -> OrderRecord:
        """An order as it would be if its buyer paid it now: with the vouchers that went back when it was given up."""
        shares = self.vouchers.again(record.vouchers)
        parts = [
            part.taken_again(minor) for part, minor in zip(record.vouchers, shares, strict=True) if part.waiting
        ]
        if not parts:
            return record
        kept = [part for part in record.vouchers if not part.waiting]
        return record.model_copy(update={"vouchers": [*kept, *parts]})

    def choose_another(self, token: str, tender: str, answers: Mapping[str, str]) -> OrderRecord:
        """Pay an order another way; refused once its money is there or on its way."""
        record = self.record(token)
        snapshot = self.of_record.snapshot(record)
        again = self.as_paid_again(record)
        chosen = self._offered(snapshot, again.order_left, tender)
        buying = buying_of(snapshot, chosen, again.left, answers, language_of(snapshot, record))
        buying = buying._replace(weighed=record.weighed)
        if record.state is State.AT_PROVIDER:
            record = self._withdraw(record)
        at = self.now()

        def choose(before: OrderRecord) -> OrderRecord:
            if before.state not in CAN_CHOOSE_ANOTHER:
                order_events.refuse_settled(before)
            if len(before.payments) >= MOST_TRIES:
                raise Conflict(Fault(FaultCode.TRIES_MANY, "tender", str(len(before.payments))))
            before = self._vouchers_again(before)
            if before.left != again.left:
                now = {"now": str(before.left)}
                raise Conflict(Fault(FaultCode.TOTAL_CHANGED, "total", str(again.left), now))
            payment, steps, requests = order_events.begin(len(before.payments) + 1, buying, at)
            name = OrderName(token, before.number)
            update = {
                "payments": [
                    *(without_paper(payment) for payment in before.payments),
                    with_paper(self.of_record.context(snapshot), snapshot, payment, name),
                ],
                # This payment pays what a voucher lacks.
                "vouchers": [part.model_copy(update={"waiting": False}) for part in before.vouchers],
                "happened": [*before.happened, *steps],
                "requests": [*before.requests, *requests],
            }
            return before.model_copy(update=update)

        lease = self.sending.lease()
        return self.sending.begin(self.change(token, choose, lease=lease), lease)

    def _vouchers_again(self, before: OrderRecord) -> OrderRecord:
        """An order whose vouchers went back when it was given up, after they were taken again, in its transaction."""
        shares = self.vouchers.again(before.vouchers)
        if not any(shares):
            return before
        parts = self.vouchers.take_again(before.vouchers, shares, before.token)
        steps = order_events.voucher_steps(before.payment, parts, shares, Happened.VOUCHER_USED, self.now())
        return before.model_copy(update={"vouchers": parts, "happened": [*before.happened, *steps]})

    def go_on(self, token: str) -> OrderRecord:
        """Go on with a payment that was begun; one that could not be begun is tried again."""
        return self.sending.begin(self.record(token))

    def came_back(self, reference: str) -> OrderRecord:
        """A buyer came back from a gateway. What became of the payment is asked there, never believed from here."""
        tokens = self._store.orders.with_reference(reference)
        if not tokens:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "payment", reference[:40], {"what": "payment"}))
        record = self.record(tokens[0])
        payment = next(entry for entry in record.payments if entry.reference == reference)
        return self.look(record, payment)

    def look(self, record: OrderRecord, payment: Payment) -> OrderRecord:
        """Ask the gateway what has happened to a payment; where it does not answer, the record stays as it is."""
        if payment.chosen.account is None or payment.reference is None:
            return record
        try:
            answer = self._gateways.by_id(payment.chosen.account, record.mode).read(payment.reference)
        except Refused:
            return record
        return self.hear_all(record.token, payment.number, answer)

    def hear_all(self, token: str, number: int, answer: PaymentHeld) -> OrderRecord:
        """Count everything that a gateway told of a payment; what was counted before counts once."""

        return self.change(token, lambda before: heard(before, number, answer))

    def go_to(self, record: OrderRecord) -> str:
        """The path where the buyer goes next: the provider's own page, or the page of the order."""
        payment = record.payments[-1]
        if payment.state is State.AT_PROVIDER and payment.page and not payment.embedded:
            return payment.page
        return f"{AFTER_PAYING}/{record.token}"

    def record(self, token: str) -> OrderRecord:
        """The record of an order."""
        record = self._store.orders.get(token)
        if record is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "order", token, {"what": "order"}))
        return record

    def provider_names(self) -> dict[str, str]:
        """The names of the providers by id."""
        return {card.provider.id: card.provider.name for card in self._store.rate_cards.all()}

    def change(
        self,
        token: str,
        change: Callable[[OrderRecord], OrderRecord],
        version: int | None = None,
        besides: Callable[[], Issued | None] = lambda: None,
        lease: Lease | None = None,
    ) -> OrderRecord:
        """Move a record on, and write to the buyer where it says so, with what is to be told `besides`.

        With a `lease` the caller sends what the change asks of gateways. An order that was given up and is paid after
        all takes its vouchers again, whoever tells of the money.
        """

        def changed(before: OrderRecord) -> OrderRecord:
            after = change(before)
            if after.missing is not None:
                after = self._vouchers_again(after)
            return after if lease is None else leased(before, after, lease)

        def letters(before: OrderRecord | None, after: OrderRecord) -> list[Message]:
            return self._letters(before, after, besides())

        record = self._store.orders.change(token, changed, letters, version)
        return record or self.record(token)

    def _asked(self, record: OrderRecord, request: Request, back: str) -> PaymentAsked:
        """Tells what a gateway is asked to begin for a request of an order; its buyer comes back to a path."""
        return asked_of(record, record.numbered(request.payment), self.of_record.snapshot(record).shop.name, back)

    def _withdraw(self, record: OrderRecord) -> OrderRecord:
        """End what is open at a gateway before another way is chosen, and hear whether it was paid meanwhile."""
        payment = record.payments[-1]
        if payment.reference is None or payment.chosen.account is None:
            return record
        key = f"cancel-{record.token}-{payment.number}"
        try:
            gateway = self._gateways.by_id(payment.chosen.account, record.mode)
            answer = gateway.cancel(payment.reference, key)
        except Refused:
            return record
        return self.hear_all(record.token, payment.number, answer)

    def fee_of(self, record: OrderRecord, amount: Money) -> Money | None:
        """Tells what the buyer of an order pays on top of an amount of it with the tender that was chosen."""
        snapshot = self.of_record.snapshot(record)
        decision = decision_of(self.of_record.context(snapshot), snapshot)
        order = record.order.on(amount, record.order.placed_on)
        charged = decision.charged(record.payment.chosen.tender, order)
        return charged.amount if charged else None

    def _offered(self, snapshot: CheckoutSnapshot, order: Order, tender: str) -> Outcome:
        outcomes = {
            outcome.tender.id: outcome
            for outcome in outcomes_of(self.of_record.context(snapshot), snapshot, order)
        }
        if tender not in outcomes:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "tender", tender, {"what": "way to pay"}))
        outcome = outcomes[tender]
        if not outcome.offered:
            raise TenderHeldBack(outcome, snapshot.shop, snapshot.checkout, self.provider_names())
        return outcome

    def _letters(
        self, before: OrderRecord | None, after: OrderRecord, besides: Issued | None = None
    ) -> list[Message]:
        """Tells what the buyer is told of a change, with the code of a voucher where one was sold by it.

        It runs in the transaction of the change; what it rests on is read only where there is something to tell.
        """
        if not tells(before, after):
            return []
        snapshot = self.of_record.snapshot(after)
        issued = [one for one in (self.vouchers.sold_with(after), besides) if one]
        asked = LetterAsked(self.of_record.context(snapshot), snapshot, after, self.link(after), issued)
        letter = self._write(asked)
        return [Message(order=after.token, at=self.now(), to=TEST_BUYER, subject=letter.subject, text=letter.text)]

    def link(self, record: OrderRecord) -> str:
        """The buyer's personal link to an order, as it stands in a message."""
        return f"{self._gateways.address.rstrip('/')}{AFTER_PAYING}/{record.token}"


def _is_more(total: Money, shown: Money) -> bool:
    """True if a total is more than the one that its buyer saw, or in another currency."""
    return total.currency != shown.currency or total.minor > shown.minor
