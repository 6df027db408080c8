"""The paper that the buyer of an order needs now, and whether a receipt can be sent for it."""

from monedero.core.method import Family
from monedero.core.papers.paper import Counter, Invoice, Paper
from monedero.core.payment.state import MOVES, Move, State
from monedero.core.record import OrderRecord
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.shop.lookups import method_in

WAITING = frozenset({State.AWAITING_PAYMENT, State.RECEIPT_SENT, State.OVERDUE})
WITH_RECEIPT = frozenset({Family.CREDIT_TRANSFER, Family.INVOICE, Family.OWN})
AT_A_COUNTER = frozenset({State.AT_PROVIDER, State.CONFIRMING})


def language_of(snapshot: CheckoutSnapshot, record: OrderRecord) -> str:
    """The language in which the buyer of an order is told of it."""
    return record.language or snapshot.shop.languages[0]


def paper_of(snapshot: CheckoutSnapshot, record: OrderRecord) -> Paper | None:
    """Tells what the buyer needs to pay, as long as it is not paid; at a provider's counter the number is the
    provider's.
    """
    payment = record.payment
    if payment.paper is not None and record.state in WAITING:
        return payment.paper
    family = method_in(snapshot.methods, payment.chosen.method).family
    if at_a_counter(record, family) and payment.reference:
        until = payment.until.date() if payment.until else None
        return Counter(kind="counter", number=payment.reference, until=until)
    return None


def takes_receipt(snapshot: CheckoutSnapshot, record: OrderRecord) -> bool:
    """True if the buyer of an order can send a receipt of what was paid: cash and cheques have none to send."""
    chosen = record.payment.chosen
    family = method_in(snapshot.methods, chosen.method).family
    can = record.state is State.RECEIPT_SENT or Move.RECEIPT_SENT in MOVES[record.state]
    return can and chosen.provider is None and family in WITH_RECEIPT


def invoice_of(record: OrderRecord) -> Invoice | None:
    """The invoice of an order, also after it is paid."""
    paper = record.payment.paper
    return paper if isinstance(paper, Invoice) else None


def at_a_counter(record: OrderRecord, family: Family) -> bool:
    """True if an order waits to be paid at the counter of a provider."""
    with_provider = record.payment.chosen.provider is not None
    return family is Family.COUNTER_VOUCHER and with_provider and record.state in AT_A_COUNTER
