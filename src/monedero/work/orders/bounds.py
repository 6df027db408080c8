"""How much may be moved of an order: bounded by the books, and by what was asked before and is not answered yet."""

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.money import Money
from monedero.core.payment.payment import Payment
from monedero.core.record import OrderRecord
from monedero.core.request import Asking
from monedero.work.orders import order_events


def can_give_back(record: OrderRecord, payment: Payment) -> int:
    """Tells what of a payment may still be given back, in minor units."""
    return payment.books.can_give_back - order_events.asked_for(record, payment.number, Asking.REFUND)


def can_take(record: OrderRecord) -> int:
    """Tells what of the payment that counts may still be taken, in minor units."""
    return max(0, record.to_take - order_events.asked_for(record, record.payment.number, Asking.TAKE))


def rest_kept(record: OrderRecord) -> int:
    """Tells what the shop holds of what was paid on the day, in minor units."""
    return record.rest.books.can_give_back if record.rest else 0


def bounded(amount: Money, at_most: int, payment: Payment) -> None:
    """Refuse an amount in another currency, of nothing, or of more than there is."""
    if amount.currency != payment.books.currency:
        raise InvalidInput(Fault(FaultCode.CURRENCY_DIFFERS, "amount", str(amount)))
    if amount.minor <= 0:
        raise InvalidInput(Fault(FaultCode.AMOUNT_ZERO, "amount", str(amount)))
    if amount.minor > at_most:
        left = str(payment.books.money(max(0, at_most)))
        raise InvalidInput(Fault(FaultCode.AMOUNT_BEYOND, "amount", str(amount), {"left": left}))
