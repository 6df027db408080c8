"""Tells what a route bears besides its fee: its events and terms from the card, the shop's software, the
assumptions.
"""

from collections.abc import Callable
from datetime import date, timedelta
from fractions import Fraction
from typing import NamedTuple

from monedero.core.calendar import mean_days
from monedero.core.cost.all_in import EventPrices, OtherCosts
from monedero.core.cost.arrival import arrives, event_of, handed_over, settlement_of
from monedero.core.cost.assumed import ZERO, Assumed, assumed
from monedero.core.cost.assumption import Assumption
from monedero.core.delivery.days import first_day, next_open
from monedero.core.delivery.model import Delivery
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.ratecard.linear import NOTHING, Linear
from monedero.core.ratecard.model import RateCard, Settlement
from monedero.core.shop import SoftwarePlan
from monedero.figures import assumptions
from monedero.work.prices.inputs import CompareInputs
from monedero.work.shop.delivered import way_of
from monedero.work.shop.order_in_hand import OrderInHand

Changed = Callable[[Assumption, str], Fraction | None]


def assumed_of(inputs: CompareInputs, method: Method, changed: Changed | None = None) -> Assumed:
    """The assumptions about a method as they hold."""
    return assumed(method, assumptions.every(), inputs.chosen, changed)


def in_books(inputs: CompareInputs, money: Money | None, day: date) -> Fraction | None:
    """Money in whole units of the shop's currency; None where there is none, or no reference rate."""
    if money is None:
        return None
    try:
        return inputs.rates.convert(money, inputs.shop.currency, day)
    except NoReferenceRate:
        return None


def rule_of(inputs: CompareInputs, card: RateCard | None, method: Method) -> Settlement | None:
    """When the money of a method arrives: by the card, or for an arrangement by the method itself."""
    if card is not None:
        return settlement_of(card.settlement, method.id)
    own = inputs.own_method(method.id)
    days = own.business_days if own else method.arrives_days
    return None if days is None else Settlement(business_days=days, calendar="TARGET", payout="daily")


def starts(method: Method, hand: OrderInHand, way: Delivery | None) -> date:
    """The day from which the money is on its way: the delivery for what is paid at the door, else the order.

    A delivery comes on an open day of its way, once the way is ready and the line's own days are over.
    """
    day = hand.order.placed_on
    if not method.at_the_door:
        return day
    by_line = day + timedelta(days=hand.line.delivery_days or 0)
    return by_line if way is None else max(first_day(way, day), next_open(way, by_line))


def arrival(inputs: CompareInputs, card: RateCard | None, method: Method, hand: OrderInHand) -> date | None:
    """The day on which the money of an order arrives; None where nothing says so."""
    rule = rule_of(inputs, card, method)
    if rule is None:
        return None
    begins = starts(method, hand, way_of(inputs.shop, hand))
    if handed_over(rule, method):
        return begins
    new = card is not None and card.provider.id not in inputs.holding.accounts
    first = card.terms.first_payout_days if new and card and card.terms else None
    return arrives(begins, rule, first or 0)


class RouteOnDay(NamedTuple):
    """Holds what orders a route bears its costs on: their day, what brings their amounts to the shop's currency, the
    plan's share of an order (None: not known), the day on which the money arrives (None: the mean over a week), and the
    way by which they are delivered, with costs of its own (None: as is assumed); and what the shop keeps of a buyer
    fee.
    """

    day: date
    to_books: Fraction = Fraction(1)
    monthly_share: Fraction | None = ZERO
    arrives_on: date | None = None
    way: str | None = None
    buyer_fee: Linear = NOTHING


def other_costs_of(
    inputs: CompareInputs,
    card: RateCard | None,
    method: Method,
    orders: RouteOnDay,
    changed: Changed | None = None,
) -> OtherCosts:
    """Tells what a route bears besides its fee."""
    day, to_books, monthly_share, arrives_on, way, buyer_fee = orders
    rule = rule_of(inputs, card, method)
    if arrives_on is not None:
        days = Fraction((arrives_on - day).days)
    else:
        days = ZERO if rule is None or handed_over(rule, method) else mean_days(rule.business_days, rule.payout)
    terms = card.terms if card else None
    reserve = terms.reserve if terms else None
    return OtherCosts(
        assumed=_by_way(inputs, assumed_of(inputs, method, changed), way, day),
        days=days,
        to_books=to_books,
        events=_events(inputs, card, method, day),
        fee_tax=Fraction(card.fee_tax_percent or 0) / 100 if card else ZERO,
        monthly_share=monthly_share,
        reserve=Fraction(reserve.percent) / 100 if reserve else ZERO,
        reserve_days=reserve.days if reserve else 0,
        software=software_of(inputs, card, day),
        at_the_door=method.at_the_door,
        buyer_fee=buyer_fee,
    )


def _by_way(inputs: CompareInputs, assumed: Assumed, id: str | None, day: date) -> Assumed:
    """Tells what is assumed, with a way's own costs in the place of those that are assumed of every delivery."""
    way = next((way for way in inputs.shop.deliveries if way.id == id), None)
    if way is None:
        return assumed
    own = {
        "delivery_out": way.costs.out,
        "delivery_back": way.costs.back,
        "collection_fee": way.costs.collection,
    }
    known = {name: in_books(inputs, money, day) for name, money in own.items()}
    return assumed.replace(**{name: value for name, value in known.items() if value is not None})


def _events(inputs: CompareInputs, card: RateCard | None, method: Method, day: date) -> EventPrices:
    event = event_of(card.events, method.id) if card else None
    if event is None:
        return EventPrices()

    def price(money: Money | None) -> Fraction:
        return in_books(inputs, money, day) or ZERO

    return EventPrices(
        refund=price(event.refund.fixed) if event.refund else None,
        refund_returns=event.refund.returns if event.refund else "none",
        dispute=price(event.dispute.fixed) if event.dispute else None,
        dispute_returned_if_won=bool(event.dispute and event.dispute.returned_if_won),
        failed=price(event.failed.fixed) if event.failed else None,
    )


def own_fee(inputs: CompareInputs, method: Method, day: date) -> Linear:
    """Tells what an arrangement of the shop's own costs by itself: a share of the amount in the books, and fixed."""
    own = inputs.own_method(method.id)
    if own is None:
        return Linear(ZERO, ZERO)
    return Linear(Fraction(own.percent or 0) / 100, in_books(inputs, own.fixed, day) or ZERO)


def software_of(inputs: CompareInputs, card: RateCard | None, day: date) -> Linear:
    """Tells what the shop's software takes of an order on this route."""
    software = inputs.shop.software
    if software is None or (card is not None and card.provider.id in software.waived):
        return Linear(ZERO, ZERO)
    return software_fee(inputs, software.held, day)


def software_fee(inputs: CompareInputs, plan: SoftwarePlan, day: date) -> Linear:
    """The fee of a plan of the shop's software on one order."""
    return Linear(Fraction(plan.percent or 0) / 100, in_books(inputs, plan.fixed, day) or ZERO)
