"""A way to pay as a buyer chose it: who orders, what was filled in for it, and whether it is paid in cash."""

from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import NamedTuple

from monedero.core.checkout.decision import Outcome
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.payment.payment import Payment
from monedero.core.record import OrderRecord
from monedero.core.words.asked import answered
from monedero.figures import methods
from monedero.formats.gateway import PaymentAsked
from monedero.store.orders import Key
from monedero.work.checkout.asked_fields import asked_fields
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.orders.order_events import Buying
from monedero.work.shop.delivered import Wish
from monedero.work.shop.lookups import method_in

# As long as the contract of a gateway lets the name of a line be.
LONGEST_LINE = 80


class Ordering(NamedTuple):
    """Holds who orders, and how it shall come: `buyer` knows one who comes again; under a `key` an order is placed
    once.

    `answers` are what the buyer filled in, by field, `vouchers` the handles of those that pay a part; `language` is the
    one that the buyer reads (None: the shop's first). `total` is what the page showed that there is to pay
    (None: nobody saw one).
    """

    buyer: str = ""
    key: Key | None = None
    wish: Wish = Wish(known=False)
    answers: Mapping[str, str] = MappingProxyType({})
    language: str | None = None
    vouchers: Sequence[str] = ()
    total: Money | None = None


def buying_of(
    snapshot: CheckoutSnapshot, chosen: Outcome, amount: Money, answers: Mapping[str, str], language: str
) -> Buying:
    """A tender with what its buyer filled in; answers that are wrong or missing are refused by their fields."""
    method = method_in(snapshot.methods, chosen.tender.method)
    given = answered(asked_fields(chosen.tender, method), answers, language)
    return Buying(chosen, amount, method.family is Family.CASH, given, language)


def asked_of(record: OrderRecord, payment: Payment, shop: str, return_to: str) -> PaymentAsked:
    """Tells what a gateway is asked to begin for a payment; one whose method holds nothing takes at once."""
    holds = methods.method(payment.chosen.method).authorisation_days is not None
    return PaymentAsked(
        order=record.token,
        number=record.number,
        payment=payment.number,
        shop=shop,
        amount=payment.total,
        method=payment.chosen.method,
        plan=payment.chosen.plan,
        take="later" if holds and payment.chosen.take != "now" else "now",
        line=", ".join(item.name for item in record.items)[:LONGEST_LINE] or record.line_name,
        kind=record.kind,
        recurring=bool(record.order.recurring),
        country=record.order.country,
        return_to=return_to,
    )
