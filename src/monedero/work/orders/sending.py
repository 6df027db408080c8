"""Requests to gateways: each is sent by one thread at a time, under the key that was written down with it.

A lease in the record says who sends a request. Whoever writes a request down holds its lease from the beginning, so
that the beat of the server never sends it as well. A lease ends when its sender is done, after two minutes, and when
the server is started anew.
"""

import secrets
import time
from collections.abc import Callable
from datetime import datetime, timedelta

from monedero.core.errors import Conflict, FaultCode, InvalidInput, NotFound
from monedero.core.payment.payment import Payment
from monedero.core.payment.state import Move
from monedero.core.record import OrderRecord
from monedero.core.request import Asking, Lease, Request
from monedero.formats.gateway import PaymentAsked, PaymentHeld
from monedero.store import Store
from monedero.work.accounts.gateways import Gateways
from monedero.work.orders import order_events
from monedero.work.orders.order_events import How

LEASE_HOLDS = timedelta(minutes=2)
RETURN = "/return"
# How long a buyer who asks again waits for the answer to the first time, in seconds.
WAITS, LOOKS_EVERY = 3.0, 0.05

Change = Callable[[str, Callable[[OrderRecord], OrderRecord]], OrderRecord]
Asked = Callable[[OrderRecord, Request, str], PaymentAsked]


class Sending:
    """Sends the requests of the orders of one shop."""

    def __init__(
        self, store: Store, gateways: Gateways, now: Callable[[], datetime], change: Change, asked: Asked
    ) -> None:
        """`change` moves a record on in a transaction; `asked` is what a gateway is asked to begin."""
        self._store = store
        self._gateways = gateways
        self._now = now
        self._change = change
        self._asked = asked
        self._run = secrets.token_hex(6)

    def lease(self) -> Lease:
        """A lease of a new sender."""
        return Lease(by=f"{self._run}.{secrets.token_hex(6)}", until=self._now() + LEASE_HOLDS)

    def send(self, record: OrderRecord, lease: Lease | None = None) -> OrderRecord:
        """Send what is not answered and nobody else is sending; `lease` is the one that the caller holds.

        A gateway that is silent is asked again later.
        """
        for request in record.requests:
            try:
                self._send(record.token, request.key, lease or self.lease())
            except Conflict as silent:
                if silent.faults[0].code is not FaultCode.PROVIDER_SILENT:
                    raise
        return self._read(record.token)

    def begin(self, record: OrderRecord, lease: Lease | None = None) -> OrderRecord:
        """Begin the newest payment of a record at its gateway, if it is not begun; a silent one is asked again later.

        Where somebody else is beginning it, the buyer waits a moment for that.
        """
        newest = record.payments[-1].number
        waiting = [request for request in record.requests if request.begins(newest) and not request.settled]
        for request in waiting:
            try:
                self._send(record.token, request.key, lease or self.lease())
            except Conflict:
                return self._read(record.token)
        until = time.monotonic() + WAITS
        record = self._read(record.token)
        while any(self._held(record.asked(request.key)) for request in waiting) and time.monotonic() < until:
            time.sleep(LOOKS_EVERY)
            record = self._read(record.token)
        return record

    def _read(self, token: str) -> OrderRecord:
        record = self._store.orders.get(token)
        assert record is not None  # records are never taken away
        return record

    def _send(self, token: str, key: str, mine: Lease) -> None:
        """Send a request if it is not answered and nobody else is sending it."""
        if not self._leased(token, key, mine):
            return
        try:
            record = self._read(token)
            if not _waits(record, record.asked(key)):
                self._one(record, record.asked(key))
        finally:
            self._change(token, lambda before: _freed(before, key, mine))

    def _held(self, request: Request) -> bool:
        """True if somebody is sending a request now."""
        lease = request.lease
        if lease is None or request.settled:
            return False
        return lease.by.startswith(f"{self._run}.") and lease.until > self._now()

    def _leased(self, token: str, key: str, mine: Lease) -> bool:
        """Take the lease of a request; False where it is answered, or somebody else is sending it."""
        if (known := self._read(token).asked(key)).settled or known.lease == mine:
            return not known.settled

        def take(before: OrderRecord) -> OrderRecord:
            request = before.asked(key)
            if request.settled or self._held(request):
                return before
            return before.with_request(request.model_copy(update={"lease": mine}))

        return self._change(token, take).asked(key).lease == mine

    def _one(self, record: OrderRecord, request: Request) -> None:
        """Send a request; an answer settles it, a refusal too."""
        try:
            if request.what is Asking.BEGIN:
                self._begin(record, request)
                return
            answer = self._answer(record, request)
        except (InvalidInput, NotFound) as refused:
            if request.what is not Asking.BEGIN and isinstance(refused, NotFound):
                raise
            why = refused.faults[0].fields.get("why", "")
            self._change(record.token, lambda before: self._refused(before, request, why))
            return

        def settled(before: OrderRecord) -> OrderRecord:
            return order_events.settle(heard(before, request.payment, answer), request.key, self._now())

        self._change(record.token, settled)

    def _begin(self, record: OrderRecord, request: Request) -> None:
        """Begin a payment. A gateway that gives it a second reference has begun a second payment: both are heard."""
        payment = record.numbered(request.payment)
        provider = payment.chosen.provider or ""
        asked = self._asked(record, request, self._gateways.here(provider, RETURN))
        answer = self._gateways.by_id(payment.chosen.account or "", record.mode).begin(request.key, asked)
        page = self._gateways.there(provider, answer.page)

        def begun(before: OrderRecord) -> OrderRecord:
            now = before.numbered(request.payment)
            update = {"reference": answer.reference, "page": page, "embedded": answer.embedded}
            if now.reference in (None, answer.reference):
                after = before.with_payment(now.model_copy(update=update))
            else:
                begun_again = Payment.begin(now.number, now.chosen, now.total, self._now())
                after = before.with_stray(begun_again.model_copy(update=update))
            return order_events.settle(after, request.key, self._now())

        self._change(record.token, begun)

    def _refused(self, before: OrderRecord, request: Request, why: str) -> OrderRecord:
        """Ends what a gateway does not do; a payment that it does not begin is declined, and another is chosen."""
        after = order_events.settle(before, request.key, self._now(), why)
        if request.what is not Asking.BEGIN or before.asked(request.key).settled:
            return after
        return order_events.move(after, request.payment, Move.DECLINED, self._now(), How(reason=why))

    def _answer(self, record: OrderRecord, request: Request) -> PaymentHeld:
        payment = record.numbered(request.payment)
        gateway = self._gateways.by_id(payment.chosen.account or "", record.mode)
        reference, amount = payment.reference or "", request.amount or record.amount
        if request.what is Asking.TAKE:
            return gateway.take(reference, request.key, amount)
        if request.what is Asking.REFUND:
            return gateway.refund(reference, request.key, amount)
        if request.what is Asking.RELEASE:
            return gateway.release(reference, request.key)
        return gateway.cancel(reference, request.key)


def heard(before: OrderRecord, number: int, answer: PaymentHeld) -> OrderRecord:
    """A record after everything that a gateway told of a payment; what was counted before counts once."""
    for notice in answer.told:
        before, _, _ = order_events.hear(before, number, notice)
    return before


def leased(before: OrderRecord | None, after: OrderRecord, lease: Lease) -> OrderRecord:
    """A record whose new requests are sent by whoever wrote them down."""
    known = {request.key for request in before.requests} if before else set()
    requests = [
        request if request.key in known else request.model_copy(update={"lease": lease})
        for request in after.requests
    ]
    return after.model_copy(update={"requests": requests})


def _freed(before: OrderRecord, key: str, mine: Lease) -> OrderRecord:
    request = before.asked(key)
    return before.with_request(request.model_copy(update={"lease": None})) if request.lease == mine else before


def _waits(record: OrderRecord, request: Request) -> bool:
    """True if a request waits for another: of weighed goods the rest is released once what they came to is taken."""
    payment = record.numbered(request.payment)
    return record.weighed and request.what is Asking.RELEASE and bool(record.to_take) and payment == record.payment
