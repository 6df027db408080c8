"""The orders that play the cases of a draft: for each way and form one that the way is offered for."""

from datetime import date

from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.rehearsal.cases import Case, Form, LimitSide, Outcome, end_of
from monedero.core.shop import Line, Shop
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.coverage_orders import best_order
from monedero.work.checkout.examined import Asked, examined
from monedero.work.context import Context
from monedero.work.shop.in_cart import price_in
from monedero.work.shop.lookups import rates_of
from monedero.work.shop.order_in_hand import OrderInHand, OrderSentence, order_in_hand


def lines_of(shop: Shop, form: Form) -> list[Line]:
    """The lines that are ordered in a form."""
    plain = [
        line
        for line in shop.lines
        if not (line.recurring or line.chosen or line.deposit or line.highest or line.sells_voucher)
    ]
    return {
        Form.ONCE: plain,
        Form.VOUCHER: plain,
        Form.REPEATING: [line for line in shop.lines if line.recurring],
        Form.CHOSEN_AMOUNT: [line for line in shop.lines if line.chosen],
        Form.DEPOSIT: [line for line in shop.lines if line.deposit],
        Form.WEIGHED: [line for line in shop.lines if line.highest],
        Form.LIMIT: list(shop.lines),
    }[form]


class CaseOrders:
    """Finds the order that plays a case of a draft."""

    def __init__(self, context: Context, snapshot: CheckoutSnapshot, day: date) -> None:
        """The draft with the accounts as they stand."""
        self._shop, self._day = snapshot.shop, day
        self._over: Examined = examined(context, snapshot, Asked(day))
        self._rates = rates_of(snapshot.shop)
        self._tenders = {tender.id: tender for tender in snapshot.checkout.tenders}

    def of(self, tender: str, form: Form) -> OrderInHand | None:
        """An order in a form that a tender is offered for; None where there is none."""
        for part in self._over.parts:
            for line in lines_of(self._shop, form):
                hand = self._of_line(part, tender, line)
                if hand is not None:
                    return hand
        return None

    def of_limit(self, case: Case) -> OrderInHand | None:
        """An order at one side of a limit: the last amount that it lets in, or the first that it does not."""
        limit = case.limit
        if limit is None:
            return None
        amount = self._at(case.tender, limit, inside=case.outcome is Outcome.OFFERED)
        part = next((part for part in self._over.parts if part.region.currency == limit.currency), None)
        if part is None or amount is None or amount.minor < 1:
            return None
        hands = (self._of_line(part, case.tender, line) for line in lines_of(self._shop, Form.LIMIT))
        found = next((hand for hand in hands if hand is not None and hand.rest is None), None)
        if found is None:
            return None
        order = found.order.on(amount, found.order.placed_on)
        return OrderInHand(order, found.market, found.line)

    def _at(self, tender: str, limit: LimitSide, *, inside: bool) -> Money | None:
        end = end_of(self._tenders[tender], limit)
        if end is None:
            return None
        # `below` is the first amount that is not let in, the other two are the last that are.
        out = {"from": -1, "up_to": 1, "below": 0}[limit.end]
        step = (out - 1 if limit.end == "below" else 0) if inside else out
        return Money(end.minor + step, end.currency)

    def _of_line(self, part: Part, tender: str, line: Line) -> OrderInHand | None:
        at, cart = part.tenders.index(tender), part.region.space.cart_of((line.id,))
        if cart is None:
            return None
        reach = part.compiled[at].reach.meets(part.boxes.everything._replace(carts=1 << cart))
        order = best_order(part, [reach], self._shop, self._rates)
        if order is None:
            return None
        market = next(
            market
            for market in self._shop.markets
            if (market.country, market.currency) == (order.country, order.amount.currency)
        )
        whole = price_in(line, self._shop, market.currency, self._day) if line.deposit else order.amount
        if whole is None:
            return None
        said = OrderSentence(market.id, line.id, whole.amount, whole.currency, self._day, _facts_of(order, line))
        hand = order_in_hand(self._shop, said)
        # A deposit is a part of the price, which may lie outside of a limit.
        offered = (outcome.tender.id for outcome in self._over.decision.placed(hand.order))
        return hand if tender in offered else None


def _facts_of(order: Order, line: Line) -> dict[str, str]:
    """The facts of an order besides its line, amount and country, as they are said."""
    told = {
        "postcode": order.postcode,
        "delivery": order.delivery if line.deliveries else None,
        "customer_group": order.customer_group,
        "device": order.device.value if order.device else None,
        "signed_in": None if order.signed_in is None else str(order.signed_in).lower(),
    }
    return {name: text for name, text in told.items() if text}
