"""A month of the shop's orders: what each route, each plan alone and the cheapest mix of plans would cost.

A month is a forecast: all its orders are priced by the rate cards in force on the day of the order in hand.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.columns.card import CardColumns
from monedero.core.columns.level import Sum
from monedero.core.columns.mix import Mixes
from monedero.core.columns.month import PlanMonth, counted, plan_month
from monedero.core.columns.placing import Alone
from monedero.core.cost.all_in import Bearing, parts_of
from monedero.core.cost.assumed import ZERO
from monedero.core.profile import Source
from monedero.core.ratecard.linear import Linear, total
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.volume import Volume
from monedero.store import Store
from monedero.work.bearing import Carried, bearing_of, own_fee
from monedero.work.grounds import Grounds, grounds_of
from monedero.work.month_orders import MonthOrders, card_columns, month_orders


@dataclass(frozen=True, slots=True)
class RouteMonth:
    """A route over the month, if every order that it can carry took it; the cost is all-in."""

    orders: Fraction
    amount: Fraction
    fees: Fraction
    cost: Fraction


@dataclass(frozen=True)
class MonthFigures:
    """The figures of a month; money is in whole units of the shop's currency."""

    source: Source
    months: int
    orders: Fraction
    amount: Fraction
    routes: Mapping[str, RouteMonth]
    plans: Mapping[str, PlanMonth]
    volumes: Mapping[str, Volume]
    left_out: int

    def share(self, route: Route) -> Fraction | None:
        """What of the plan's month falls on one order: its charge and shortfall over the orders it would carry.

        None where the plan carries no order of a month, so that nobody can know; a plan without charges has nothing to
        share.
        """
        plan = self.plans.get(f"{route.provider}/{route.plan}")
        return None if plan is None else _share(plan)


@dataclass(frozen=True)
class Month:
    """The orders of a month on every card in force, and what every plan would carry alone."""

    orders: MonthOrders
    alone: Sequence[Alone]
    cards: Mapping[str, CardColumns]


def _share(plan: PlanMonth) -> Fraction | None:
    charges = plan.monthly + plan.shortfall
    return charges / plan.carried if plan.carried else None if charges else ZERO


def _month(store: Store, day: date) -> Month:
    grounds = grounds_of(store)

    def compute() -> Month:
        held = month_orders(store, grounds, day)
        cards = card_columns(store, grounds, held, day)
        alone = [Alone(plan, card, card.volume(plan)) for card in cards.values() for plan in card.plans]
        return Month(held, alone, cards)

    month: Month = grounds.by_day.get(("orders", day), compute)
    return month


def plans_of(store: Store, day: date) -> list[list[Alone]]:
    """The plans of every provider that are open to the shop, with the volume that each would carry alone."""
    month = _month(store, day)
    return [[entry for entry in month.alone if entry.card is card] for card in month.cards.values()]


def month_of(store: Store, day: date) -> MonthFigures:
    """The figures of the month, computed once per revision and day."""
    grounds = grounds_of(store)
    figures: MonthFigures = grounds.by_day.get(("month", day), lambda: _figures(grounds, _month(store, day), day))
    return figures


def mix_of(store: Store, day: date, without: str | None = None) -> PlanMonth:
    """The cheapest mix of plans over the month, computed once per revision and day; one may lack a provider."""
    grounds = grounds_of(store)

    def mixes() -> Mixes:
        month = _month(store, day)
        return Mixes(month.orders.columns, month.orders.percent_over, month.alone)

    held: Mixes = grounds.by_day.get(("mixes", day), mixes)
    mix: PlanMonth = grounds.by_day.get(("mix", without, day), lambda: held.cheapest(without))
    return mix


def _figures(grounds: Grounds, month: Month, day: date) -> MonthFigures:
    every = counted(month.orders.columns)
    plans = {entry.plan.id: plan_month(entry.card, entry.plan, entry.volume) for entry in month.alone}
    cards = {pricer.card.provider.id: pricer.card for pricer in grounds.catalogue.in_force(day)}
    routes = {}
    for entry in month.alone:
        for name, held in _route_sums(entry):
            card = cards[entry.plan.provider]
            routes[name] = _route_month(held, _bearing(grounds, card, name, plans[entry.plan.id], day))
    for method in grounds.arrangements:
        held = counted(month.orders.columns, month.orders.carried, method.id)
        if held.orders:
            fee = own_fee(grounds, method, day)
            fees = fee.slope * held.amount + fee.intercept * held.orders
            bearing = bearing_of(grounds, None, method, Carried(day))
            routes[method.id] = _route_month(held._replace(fees=fees), bearing)
    known = every.orders > 0
    return MonthFigures(
        source=grounds.profile.source,
        months=month.orders.months,
        orders=every.orders,
        amount=every.amount,
        routes=routes,
        plans=plans,
        volumes={entry.plan.id: Volume(entry.volume, grounds.shop.currency) for entry in month.alone if known},
        left_out=month.orders.left_out,
    )


def _route_sums(entry: Alone) -> Iterable[tuple[str, Sum]]:
    """The routes of a plan that carry orders, at the volume that the plan carries."""
    for name in entry.plan.routes:
        held = entry.card.sum_of(name, entry.card.walk(entry.volume))
        if held.orders:
            yield name, held


def _bearing(grounds: Grounds, card: RateCard, route: str, plan: PlanMonth, day: date) -> Bearing:
    method = grounds.methods[route.rpartition("/")[2]]
    return bearing_of(grounds, card, method, Carried(day, monthly_share=_share(plan)))


def _route_month(held: Sum, bearing: Bearing) -> RouteMonth:
    """The all-in cost of a route over its orders: every part is a line, taken at the whole amount and all orders.

    A cost is linear in the fee and in what of it returns, so that both are brought in at the end: the sums of a month
    are long numbers, and every calculation with them takes its time.
    """
    nothing, one = Linear(ZERO, ZERO), Linear(ZERO, Fraction(1))
    alone = _line(nothing, nothing, bearing)
    by_fee, by_return = (
        _line(*pair, bearing).intercept - alone.intercept for pair in ((one, nothing), (nothing, one))
    )
    returned = {"none": ZERO, "percent": held.returned, "all": held.fees}[bearing.events.refund_returns]
    cost = alone.slope * held.amount + alone.intercept * held.orders + by_fee * held.fees + by_return * returned
    return RouteMonth(held.orders, held.amount, held.fees, cost)


def _line(fee: Linear, returned: Linear, bearing: Bearing) -> Linear:
    return total(line for _, line in parts_of(fee, returned, bearing))
