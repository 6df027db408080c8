"""The paper of a payment: what its buyer needs to pay by an arrangement of the shop's own, as it stands then."""

from collections.abc import Mapping
from typing import NamedTuple

from monedero.core.as_typed import amount_of
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.papers.paper import Cash, Cheque, Counter, Invoice, Paper, Transfer
from monedero.core.papers.reference import counter_number, of_order
from monedero.core.payment.payment import Payment
from monedero.work.checkout.asked_fields import BILL_TO, PAYS_WITH, PURCHASE_ORDER
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.shop.lookups import method_in


class OrderName(NamedTuple):
    """An order by its token and its number."""

    token: str
    number: int


def with_paper(context: Context, snapshot: CheckoutSnapshot, payment: Payment, order: OrderName) -> Payment:
    """A payment with the paper that it needs; one through a provider has none of the shop's.

    An order has one invoice: it gets its number in the transaction in which it is first written, and keeps it.
    """
    if payment.chosen.provider is not None:
        return payment
    paper = _paper(context, snapshot, payment, order)
    if paper is None:
        return payment
    until = payment.until or payment.gives_up_at
    dated = paper.model_copy(update={"until": until.date() if until else None})
    return payment.model_copy(update={"paper": dated})


def without_paper(payment: Payment) -> Payment:
    """A payment that another one stands for; its invoice is void."""
    if not isinstance(payment.paper, Invoice):
        return payment
    return payment.model_copy(update={"paper": payment.paper.model_copy(update={"void": True})})


def _paper(context: Context, snapshot: CheckoutSnapshot, payment: Payment, order: OrderName) -> Paper | None:
    mode = snapshot.checkout.mode
    told, reference = snapshot.shop.arrangements, of_order(order.number, payment.number)
    account = told.account_for(payment.total.currency)
    answers = {answer.field: answer.value for answer in payment.answers}
    match method_in(snapshot.methods, payment.chosen.method).family:
        case Family.CREDIT_TRANSFER:
            return Transfer(kind="transfer", account=account, reference=reference)
        case Family.CHEQUE:
            payee = told.payee or snapshot.shop.name
            return Cheque(kind="cheque", payee=payee, post_to=told.post_to, reference=reference)
        case Family.CASH:
            return Cash(kind="cash", pays_with=_brought(answers, payment.total))
        case Family.INVOICE:
            return Invoice(
                kind="invoice",
                number=told.invoice_number(
                    context.shop.invoices.number_of(mode, order.token, payment.number), mode
                ),
                day=payment.begun_at.date(),
                seller=told.seller or snapshot.shop.name,
                tax_number=told.tax_number,
                bill_to=answers.get(BILL_TO, ""),
                purchase_order=answers.get(PURCHASE_ORDER, ""),
                account=account,
                reference=reference,
            )
        case Family.COUNTER_VOUCHER:
            return Counter(kind="counter", number=counter_number(order.number, payment.number))
        case _:
            return None


def _brought(answers: Mapping[str, str], total: Money) -> Money | None:
    """The money that a buyer said to bring; refused where it is less than there is to pay."""
    text = answers.get(PAYS_WITH)
    if not text:
        return None
    try:
        brought = amount_of(text, total.currency)
    except InvalidInput as refused:
        raise InvalidInput(*(fault.at(f"answers.{PAYS_WITH}") for fault in refused.faults)) from refused
    if brought.minor < total.minor:
        told = {"least": total.amount}
        raise InvalidInput(Fault(FaultCode.CASH_SHORT, f"answers.{PAYS_WITH}", text, told))
    return brought
