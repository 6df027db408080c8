"""Play the cases of a draft in a room: all of them at once, along one clock that is wound from moment to moment."""

import heapq
from collections.abc import Callable, Iterator, Sequence
from datetime import datetime
from itertools import count
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.checkout.decision import Outcome as Offered
from monedero.core.errors import Refused
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.rehearsal.cases import Case, Form, Outcome
from monedero.core.rehearsal.evidence import Evidence
from monedero.core.words.asked import AskedField, AskedKind
from monedero.server.rehearsal_judge import Judged, judged
from monedero.server.rehearsal_room import Room
from monedero.server.rehearsal_scripts import Played, Script
from monedero.work.checkout.asked_fields import PAYS_WITH, asked_fields
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.checkout.held_back import TenderHeldBack
from monedero.work.checkout.offer import decision_of
from monedero.work.context import Actor, Context
from monedero.work.orders.choosing import Ordering
from monedero.work.orders.vouchers import Given, Guesser
from monedero.work.rehearsal.orders import CaseOrders
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

ANSWERS = {AskedKind.TEXT: "Rehearsal", AskedKind.NUMBER: "1"}
HALF = 2


class Going(NamedTuple):
    """A case under way: what is judged in the end, and how it goes on."""

    case: Case
    judged: Judged
    script: Script


class Rehearsal:
    """Plays cases in a room; `ended` hears of every case that is over, `wanted` says whether to go on."""

    def __init__(
        self,
        room: Room,
        storefront: str,
        ended: Callable[[Case, Evidence], None],
        wanted: Callable[[], bool],
    ) -> None:
        self._room, self._shop = room, room.shop
        self._ended, self._wanted = ended, wanted
        self._context = Context.of(self._shop.store, Actor.OWNER, self._now, storefront)
        self._snapshot: CheckoutSnapshot = drafted(self._context)
        self._tenders = {tender.id: tender for tender in self._snapshot.checkout.tenders}
        self._orders = CaseOrders(self._context, self._snapshot, self._now.date())
        self._turn = count()

    @property
    def _now(self) -> datetime:
        return self._shop.clock.now()

    def play(self, cases: Sequence[Case]) -> None:
        """Play cases to their ends, in the sequence of the moments at which something happens."""
        waiting: list[tuple[datetime, int, Going]] = []
        for case in cases:
            if not self._wanted():
                return
            for going in self._begun(case):
                heapq.heappush(waiting, (self._now, next(self._turn), going))
        while waiting and self._wanted():
            moment = waiting[0][0]
            self._room.wind_to(moment)
            self._shop.beat()
            now: list[Going] = []
            while waiting and waiting[0][0] <= self._now:
                now.append(heapq.heappop(waiting)[2])
            for going in now:
                if (at := self._next(going)) is not None:
                    heapq.heappush(waiting, (at, next(self._turn), going))

    def _next(self, going: Going) -> datetime | None:
        """Go on with a case; the moment at which it goes on again, None where it is over."""
        try:
            going.judged.look()
            waits = next(going.script)
        except StopIteration:
            self._ended(going.case, judged(self._context, going.judged))
            return None
        except Refused as refused:
            self._ended(going.case, judged(self._context, going.judged, refused))
            return None
        return self._now + waits

    def _begun(self, case: Case) -> Iterator[Going]:
        """Place the order of a case; one that ends with that is over."""
        hand = self._orders.of_limit(case) if case.limit else self._orders.of(case.tender, case.form)
        if hand is None:
            self._ended(case, Evidence(at=self._now, differences=[]))
            return
        begun = Judged(self._shop, self._snapshot, case, hand, self._ways(hand), self._now)
        try:
            record = self._shop.intake.place(self._snapshot, hand, case.tender, self._ordering(case, hand))
        except TenderHeldBack as held:
            self._ended(case, judged(self._context, begun, None if case.outcome is Outcome.HELD_BACK else held))
            return
        except Refused as refused:
            self._ended(case, judged(self._context, begun, refused))
            return
        begun.token = record.token
        if case.limit:
            self._ended(case, judged(self._context, begun))
            return
        part = record.payment.books.money(max(record.payment.books.ordered // HALF, 1))
        yield Going(case, begun, Played(self._shop, record.token, part).script(case.outcome))

    def _ways(self, hand: OrderInHand) -> list[str]:
        placed: Sequence[Offered] = decision_of(self._context, self._snapshot).placed(hand.order)
        return [outcome.tender.name for outcome in placed]

    def _voucher(self, case: Case, order: Order) -> Money:
        """A voucher over a part of an order that leaves enough for the tender to be offered: half, or less."""
        amount = order.amount
        decision = decision_of(self._context, self._snapshot)
        for over in (HALF, 4, 10, 100):
            part = max(amount.minor // over, 1)
            left = order.on(Money(amount.minor - part, amount.currency), order.placed_on)
            if case.tender in (outcome.tender.id for outcome in decision.placed(left)):
                return Money(part, amount.currency)
        return Money(1, amount.currency)

    def _ordering(self, case: Case, hand: OrderInHand) -> Ordering:
        tender, vouchers = self._tenders[case.tender], list[str]()
        if case.form is Form.VOUCHER:
            amount = self._voucher(case, hand.order)
            issued = self._shop.intake.vouchers.issue(amount, Given(), Mode.TEST)
            who = Guesser(case.id, case.id)
            tried = self._shop.intake.vouchers.try_code(issued.code, who, amount.currency, Mode.TEST)
            vouchers = [tried.handle]
        fields = asked_fields(tender, method_in(self._snapshot.methods, tender.method))
        answers = {field.id: self._answer(field, hand) for field in fields}
        return Ordering(answers=answers, vouchers=vouchers)

    def _answer(self, field: AskedField, hand: OrderInHand) -> str:
        if field.id == PAYS_WITH:
            return hand.whole.amount
        if field.kind is AskedKind.CHOICE:
            return next(iter(field.choices[0].values()))
        return ANSWERS.get(field.kind, self._now.date().isoformat())
