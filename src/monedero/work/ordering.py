"""Order: a buyer chooses a way to pay, pays or arranges to, and the record keeps what happened."""

import secrets
from collections.abc import Callable
from datetime import datetime

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.order import Order
from monedero.core.payment import Move, State, after
from monedero.core.record import Chosen, Happening, Message, OrderRecord
from monedero.core.tender.decision import Outcome
from monedero.figures import methods
from monedero.standins.provider import Answer, Payment, SimulatedProvider
from monedero.standins.provider import Outcome as Ending
from monedero.store import Store
from monedero.wording import reason_text
from monedero.wording.letters import letter
from monedero.work.basis import Basis, Hand, draft_basis, edition_basis
from monedero.work.looking import outcomes_of

TEST_BUYER = "test.buyer@example.org"
AFTER_PAYING = "/buy/orders"
RETURN = "/return"


class Till:
    """Takes orders for one shop; `now` tells the time in UTC, `provider` is where buyers pay."""

    def __init__(self, store: Store, provider: SimulatedProvider, now: Callable[[], datetime]) -> None:
        """Keep what every order needs."""
        self._store = store
        self._provider = provider
        self._now = now

    def place(self, basis: Basis, order: Hand, tender: str) -> OrderRecord:
        """Place an order with a tender that is offered for it."""
        if order.order.nothing_to_pay:
            raise InvalidInput(Fault(FaultCode.AMOUNT_ZERO, "amount", str(order.order.amount)))
        chosen = _chosen(self._offered(basis, order.order, tender))
        move, state = _begun(State.OPEN, chosen)
        at = self._now()

        def build(number: int) -> OrderRecord:
            return OrderRecord(
                token=secrets.token_urlsafe(12),
                number=number,
                mode=basis.checkout.mode,
                edition=basis.edition,
                draft_version=basis.draft_version,
                placed_at=at,
                country=order.order.country,
                line_name=order.line.name,
                kind=order.line.kind,
                recurring=order.line.recurring,
                amount=order.order.amount,
                state=state,
                chosen=chosen,
                attempt=1,
                happened=[
                    Happening(at=at, move=Move.PLACED, tender=chosen.name),
                    Happening(at=at, move=move, tender=chosen.name),
                ],
            )

        return self._store.orders.add(build, self._letters(basis))

    def offered_again(self, record: OrderRecord) -> list[Outcome]:
        """What an order that is not paid could be paid with, by the basis on which it was placed."""
        basis = self._basis(record)
        return [outcome for outcome in outcomes_of(self._store, basis, record.order) if outcome.offered]

    def choose_another(self, token: str, tender: str) -> OrderRecord:
        """Pay an order another way; refused once it is paid."""
        record = self.record(token)
        after(record.state, Move.ARRANGED)
        basis = self._basis(record)
        chosen = _chosen(self._offered(basis, record.order, tender))
        at = self._now()

        def choose(before: OrderRecord) -> OrderRecord:
            move, state = _begun(before.state, chosen)
            happening = Happening(at=at, move=move, tender=chosen.name)
            return before.model_copy(
                update={
                    "state": state,
                    "chosen": chosen,
                    "attempt": before.attempt + 1,
                    "happened": [*before.happened, happening],
                }
            )

        return self._changed(token, choose, basis)

    def take_answer(self, signed: str) -> OrderRecord:
        """What the provider answered. An answer to an earlier attempt, or after payment, is kept and set aside."""
        answer = self._provider.read_answer(signed)
        basis = self._basis(self.record(answer.order))
        return self._changed(answer.order, lambda before: _answered(before, answer, self._now()), basis)

    def go_to(self, record: OrderRecord) -> str:
        """The path where the buyer goes next: the provider's page, or the page after paying."""
        if record.state is not State.AT_PROVIDER or record.chosen.provider is None:
            return f"{AFTER_PAYING}/{record.token}"
        names = self.provider_names()
        payment = Payment(
            order=record.token,
            number=record.number,
            attempt=record.attempt,
            shop=self.shop_name(record),
            provider=names.get(record.chosen.provider, record.chosen.provider),
            method=methods.method(record.chosen.method).name,
            amount=str(record.amount),
            mode=record.mode.value,
            back=RETURN,
        )
        return self._provider.page_for(payment)

    def record(self, token: str) -> OrderRecord:
        """The record of an order."""
        record = self._store.orders.get(token)
        if record is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "order", token, {"what": "order"}))
        return record

    def shop_name(self, record: OrderRecord) -> str:
        """The name of the shop, as it stood in the edition of the order."""
        return self._basis(record).shop.name

    def provider_names(self) -> dict[str, str]:
        """The names of the providers by id."""
        return {card.provider.id: card.provider.name for card in self._store.rate_cards.all()}

    def _basis(self, record: OrderRecord) -> Basis:
        return draft_basis(self._store) if record.edition is None else edition_basis(self._store, record.edition)

    def _offered(self, basis: Basis, order: Order, tender: str) -> Outcome:
        outcomes = {outcome.tender.id: outcome for outcome in outcomes_of(self._store, basis, order)}
        if tender not in outcomes:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "tender", tender, {"what": "way to pay"}))
        outcome = outcomes[tender]
        if not outcome.offered:
            why = "; ".join(reason_text(reason, self.provider_names()) for reason in outcome.reasons)
            raise Conflict(Fault(FaultCode.TENDER_HELD_BACK, "tender", outcome.tender.name, {"why": why}))
        return outcome

    def _letters(self, basis: Basis) -> Callable[[OrderRecord], list[Message]]:
        def letters(record: OrderRecord) -> list[Message]:
            if record.state is State.AT_PROVIDER:
                return []
            return [letter(record, basis.shop.name, TEST_BUYER, self._now())]

        return letters

    def _changed(self, token: str, change: Callable[[OrderRecord], OrderRecord], basis: Basis) -> OrderRecord:
        record = self._store.orders.change(token, change, self._letters(basis))
        return record or self.record(token)


def _chosen(outcome: Outcome) -> Chosen:
    tender = outcome.tender
    provider = tender.route.provider if tender.route else None
    return Chosen(tender=tender.id, name=tender.name, method=tender.method, provider=provider)


def _begun(state: State, chosen: Chosen) -> tuple[Move, State]:
    move = Move.ARRANGED if chosen.provider is None else Move.SENT_TO_PROVIDER
    return move, after(state, move)


def _answered(before: OrderRecord, answer: Answer, at: datetime) -> OrderRecord:
    move = Move.PAID if answer.outcome is Ending.PAID else Move.DECLINED
    state = before.state
    if before.state is State.AT_PROVIDER and before.attempt == answer.attempt:
        state = after(before.state, move)
    elif before.state is not State.AT_PROVIDER and before.attempt == answer.attempt:
        return before  # the same answer once more: counted once
    else:
        move = Move.OUTCOME_SET_ASIDE
    happening = Happening(at=at, move=move, tender=before.chosen.name)
    return before.model_copy(update={"state": state, "happened": [*before.happened, happening]})
