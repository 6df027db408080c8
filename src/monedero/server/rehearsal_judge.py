"""Judge a case that was played: what it was to come to, beside what it came to, with everything that was kept."""

import re
from collections.abc import Iterable
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta

from monedero.core.checkout.model import Tender
from monedero.core.errors import Refused
from monedero.core.fx import ReferenceRates
from monedero.core.method import Certain, Family
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.payment import meaning
from monedero.core.payment.books import PARTS_OF_BOOKS
from monedero.core.payment.meaning import AccessState, Goods, Seat
from monedero.core.payment.payment import Take
from monedero.core.payment.state import State
from monedero.core.ratecard.passed_on import with_network_costs
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.record import OrderRecord
from monedero.core.rehearsal.cases import Case, Outcome, takes_later
from monedero.core.rehearsal.evidence import DifferenceKept, Evidence, MessageKept, StepKept
from monedero.core.rehearsal.expected import Came, Difference, Told, What, differences, expected
from monedero.figures import network_costs, reference_rates
from monedero.letters.buyer_message import buyer_message
from monedero.server.shops import RunningShop
from monedero.store.rate_cards import day_of
from monedero.wording.buyer_formats import day
from monedero.wording.buyers import to_buyer
from monedero.wording.order_story import happened_text
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.orders.buyer_papers import language_of
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

WAITING = (State.CONFIRMING, State.AWAITING_PAYMENT)
CARDS = (Family.CARD, Family.DEVICE_WALLET)
CHARGED = (Outcome.PAID, Outcome.PAID_AND_GONE, Outcome.TOLD_TWICE, Outcome.NEVER_TOLD, Outcome.PAID_LATER)
"""The outcomes whose fee is what the price of one payment says; others are charged for more than that."""


@dataclass
class Judged:
    """A case that is played: its order, what its buyer was shown, and whether things were given early.

    `token` is empty until the order is placed.
    """

    shop: RunningShop
    snapshot: CheckoutSnapshot
    case: Case
    hand: OrderInHand
    ways: list[str]
    at: datetime
    token: str = ""
    early: bool | None = field(default=None)

    @property
    def tender(self) -> Tender:
        """The tender that is played."""
        return next(tender for tender in self.snapshot.checkout.tenders if tender.id == self.case.tender)

    def look(self) -> None:
        """Note whether things are given while the money is still to come."""
        record = self.shop.intake.record(self.token)
        if record.state in WAITING:
            self.early = bool(self.early) or _given(record)


def judged(context: Context, of: Judged, refused: Refused | None = None) -> Evidence:
    """The evidence of a case."""
    if not of.token:
        lets_in = of.case.outcome is Outcome.OFFERED
        wrong = [Difference(What.OFFERED, "yes", "no")] if lets_in else []
        if refused is not None and not wrong:
            wrong = [Difference(What.FAILED, "", refused.faults[0].code.value)]
        return _evidence(of, wrong, refused)
    record = of.shop.intake.record(of.token)
    if of.case.limit is not None:
        wrong = [Difference(What.OFFERED, "no", "yes")] if of.case.outcome is Outcome.HELD_BACK else []
    elif refused is not None:
        wrong = [Difference(What.FAILED, "", refused.faults[0].code.value)]
    else:
        wrong = [*_differences(of, record), *_fee(of, record), *_due_day(of, record)]
    page = buyer_message(context, of.snapshot, record, of.shop.intake.link(record)).plain
    wrong += _blanks([page, *(message.text for message in _messages(of))])
    return _evidence(of, wrong, refused).model_copy(
        update={
            "page": page,
            "messages": _messages(of),
            "received": _received(record),
            "steps": [
                StepKept(at=step.at, text=happened_text(record, step), by=step.by, state=step.state)
                for step in record.happened
            ],
            "books": _books(record),
            "fees": list(record.payment.books.fees),
        }
    )


def _evidence(of: Judged, wrong: list[Difference], refused: Refused | None) -> Evidence:
    return Evidence(
        at=of.at,
        line=of.hand.line.name,
        ordered=of.hand.whole,
        ways=of.ways,
        differences=[DifferenceKept(**difference._asdict()) for difference in wrong],
        refused=refused.faults[0] if refused else None,
    )


def _differences(of: Judged, record: OrderRecord) -> list[Difference]:
    tender, payment = of.tender, record.payment
    total = payment.books.ordered
    method = method_in(of.snapshot.methods, tender.method)
    told = Told(
        outcome=of.case.outcome,
        total=total,
        part=max(total // 2, 1),
        # Weighed goods have their amount when they go out: until then the money is only held.
        takes_later=takes_later(method, Take.ON_WORD if record.weighed else tender.take),
        gives=tender.gives,
        voucher=sum(part.amount.minor for part in record.vouchers),
        certain_later=method.certain is Certain.LATER,
        overdue=tender.due_days is not None and (tender.lapse_days or 0) > tender.due_days,
    )
    came = Came(
        state=record.state,
        taken=payment.books.taken,
        back=payment.books.refunded,
        messages=len(_messages(of)),
        early=of.early,
        given=_given(record),
    )
    return list(differences(expected(told), came))


def _given(record: OrderRecord) -> bool:
    """True if the buyer has, or is sent, what was ordered."""
    means = meaning.of(record.state, record.payment.chosen.gives)
    if record.kind is LineKind.GOODS:
        return means.goods is Goods.SEND
    return means.seat is Seat.KEEP if record.kind is LineKind.BOOKING else means.access is AccessState.GIVE


def _fee(of: Judged, record: OrderRecord) -> list[Difference]:
    """The provider's fee against the one that its price says, to the cent."""
    payment, route = record.payment, of.tender.route
    if route is None or of.case.outcome not in CHARGED or not payment.books.taken:
        return []
    cards = [card for card in of.shop.store.rate_cards.all() if card.provider.id == route.provider]
    today = record.order.placed_on
    in_force = [card for card in cards if (card.valid_from or date.min) <= today]
    card = max(in_force or cards, key=day_of)
    family = method_in(of.snapshot.methods, route.method).family
    order = Order(
        Money(payment.books.taken, payment.books.currency),
        record.order.country,
        today,
        frozenset({record.kind}),
        bool(record.order.recurring),
        card_kind=CardKind.CONSUMER_CREDIT if family in CARDS else None,
    )
    country = card.provider.countries[0]
    passed_on = with_network_costs(card, network_costs.costs(country, {}))
    pricer = CardPricer(passed_on, country, ReferenceRates(reference_rates.bundled()))
    wanted = [
        str(priced.charged)
        for priced in pricer.price(order)
        if isinstance(priced, Priced) and (priced.route.method, priced.route.plan) == (route.method, route.plan)
    ]
    came = [str(fee) for fee in payment.books.fees]
    return [] if wanted == came else [Difference(What.FEE, ", ".join(wanted), ", ".join(came))]


def _due_day(of: Judged, record: OrderRecord) -> list[Difference]:
    """The day by which an arrangement is to be paid, as the buyer is told it."""
    tender = of.tender
    if tender.route is not None or tender.due_days is None:
        return []
    snapshot = of.snapshot
    with to_buyer(language_of(snapshot, record), snapshot.shop.country):
        due = day((record.placed_at + timedelta(days=tender.due_days)).date())
    first = next((message.text for message in _messages(of)), "")
    return [] if due in first else [Difference(What.DUE_DAY, due, first)]


GAP = re.compile(r"[^.!?\n]*\w[ \t]+[.,;:!?](?=\s|$)[^.!?\n]*")
"""A sentence in which a sign stands by itself after a word: something before it was not filled in."""


def _blanks(texts: Iterable[str]) -> list[Difference]:
    """Gaps in what the buyer reads; the same one is told once."""
    gaps = dict.fromkeys(found.group().strip() for text in texts for found in GAP.finditer(text))
    return [Difference(What.BLANK, "", gap) for gap in gaps]


def _messages(of: Judged) -> list[MessageKept]:
    return [
        MessageKept(at=message.at, subject=message.subject, text=message.text)
        for message in of.shop.store.orders.messages(of.token)
    ]


def _received(record: OrderRecord) -> list[str]:
    """The notices of the provider as they were taken in, payment by payment."""
    return [notice.model_dump_json(exclude_none=True) for payment in record.payments for notice in payment.told]


def _books(record: OrderRecord) -> dict[str, Money]:
    """The amounts of the payment that are not nothing."""
    books = record.payment.books
    amounts = {part: getattr(books, part) for part in PARTS_OF_BOOKS if part != "ordered"}
    return {part: books.money(minor) for part, minor in amounts.items() if minor}
