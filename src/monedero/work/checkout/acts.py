"""Acts on a draft that the server works out: ending a reason for the order in hand, and letting two tenders meet."""

from typing import NamedTuple

from monedero.core.as_typed import amount_of
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.checkout.widening import Around, widened
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, refuse
from monedero.core.reasons import ReasonCode
from monedero.core.window import Window
from monedero.store.documents import Versioned
from monedero.work.checkout.arranging import tender_in
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.tenders import Edit, save_draft
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop
from monedero.work.shop.order_in_hand import OrderInHand


class Pair(NamedTuple):
    """Two tenders: `lower` ends where `upper` begins, at an amount as it was typed."""

    lower: str
    upper: str
    amount: str


class HeldBack(NamedTuple):
    """A tender, by its id, with a reason why it is held back from the order in hand."""

    tender: str
    code: ReasonCode
    hand: OrderInHand


def end_reason(context: Context, held: HeldBack, version: int) -> Versioned[Checkout]:
    """Change a tender so that a reason does not hold it back from the order in hand any more.

    Refuses a reason that is not the shop's own to end.
    """
    checkout, shop = draft(context).value, described_shop(context.shop).value
    around = Around(checkout.shared_conditions, {area.id: area for area in shop.areas}, shop.currency)
    changed = widened(tender_in(checkout, held.tender), held.code, held.hand.order, around)
    if changed is None:
        raise Conflict(Fault(FaultCode.REASON_STAYS, "code", held.code.value))
    return _save(context, checkout, [changed], version)


def let_meet(context: Context, pair: Pair, version: int) -> Versioned[Checkout]:
    """Let one tender end exactly where another begins, with neither an overlap nor a crack between them.

    The amount is in the shop's currency where none is typed; other limits of the two stay.
    """
    checkout, shop = draft(context).value, described_shop(context.shop).value
    if pair.lower == pair.upper:
        raise refuse(FaultCode.DUPLICATE, "upper", pair.upper, what="way to pay")
    try:
        amount = amount_of(pair.amount, shop.currency)
    except InvalidInput as refused:
        raise InvalidInput(*(fault.at("amount") for fault in refused.faults)) from None
    lower, upper = (tender_in(checkout, id) for id in (pair.lower, pair.upper))
    below, above = _window(lower, amount.currency), _window(upper, amount.currency)
    if below and below.from_ is not None and below.from_.minor >= amount.minor:
        told = {"low": str(below.from_), "high": str(amount)}
        raise InvalidInput(Fault(FaultCode.LIMITS_CROSSED, "amount", pair.amount, told))
    ends = Window(from_=below.from_ if below else None, below=amount)
    end = (above.up_to or above.below) if above else None
    if end is not None and (end.minor < amount.minor or (end.minor == amount.minor and above and above.below)):
        told = {"low": str(amount), "high": str(end)}
        raise InvalidInput(Fault(FaultCode.LIMITS_CROSSED, "amount", pair.amount, told))
    begins = Window(from_=amount, up_to=above.up_to if above else None, below=above.below if above else None)
    changed = [_with(lower, ends), _with(upper, begins)]
    return _save(context, checkout, changed, version)


def _window(tender: Tender, currency: str) -> Window | None:
    return next((window for window in tender.windows if window.currency == currency), None)


def _with(tender: Tender, window: Window) -> Tender:
    others = [held for held in tender.windows if held.currency != window.currency]
    return tender.model_copy(update={"windows": [*others, window]})


def _save(context: Context, checkout: Checkout, changed: list[Tender], version: int) -> Versioned[Checkout]:
    by_id = {tender.id: tender for tender in changed}
    tenders = [by_id.get(tender.id, tender) for tender in checkout.tenders]
    return save_draft(context, version, Edit(tenders))
