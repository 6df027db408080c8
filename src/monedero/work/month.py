"""A month of the shop's orders: what each route, each plan alone and the cheapest mix of plans would cost."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction

import polars as pl

from monedero.core.columns.carried import carried, limits_in
from monedero.core.columns.fees import Asking, name_of
from monedero.core.columns.month import Month, Plan, PlanMonth, Sum
from monedero.core.columns.orders import OrderColumns
from monedero.core.columns.typed import typed_rows
from monedero.core.cost.all_in import Bearing, parts_of
from monedero.core.cost.assumed import ZERO
from monedero.core.openness import shut_to
from monedero.core.profile import Source
from monedero.core.ratecard.linear import Linear
from monedero.core.ratecard.model import Route
from monedero.store import Store
from monedero.work.bearing import Carried, bearing_of, in_books, own_fee
from monedero.work.grounds import Grounds, grounds_of

DETAILS = frozenset({"returned", "graduated"})


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
    left_out: int

    def share(self, route: Route) -> Fraction:
        """What of the plan's month falls on one order: its charge and shortfall over the orders it would carry."""
        plan = self.plans.get(f"{route.provider}/{route.plan}")
        return (plan.monthly + plan.shortfall) / plan.carried if plan and plan.carried else ZERO


class MonthRows:
    """The orders of a month in columns, with what is needed to price them again at another volume."""

    def __init__(self, store: Store, grounds: Grounds, day: date) -> None:
        """Take the typed profile, or the past orders; a month of these is all of them over their months."""
        self.grounds = grounds
        self.months = 1
        if grounds.profile.source is Source.PAST_ORDERS:
            frame = store.past_orders.paid()
            counts = store.past_orders.counts()
            self.months = months_between(counts.first, counts.last)
            self.over = self.months
        else:
            frame, self.over = typed_rows(grounds.profile, grounds.shop, day)
        takings = grounds.shop.takings
        also = limits_in(grounds.methods.values()) | ({takings.currency} if takings else set())
        self.frame = frame
        self.orders: OrderColumns = grounds.columns.orders(frame, also)
        self.left_out = frame.height - self.orders.frame.height
        self.carried = carried(grounds.methods, self.orders, grounds.setting)

    def fees(self, asking: Asking) -> pl.DataFrame:
        """The fees of all routes; orders that a method cannot carry have none."""
        return self.grounds.columns.price(self.orders, asking._replace(carried=self.carried))

    def month(self, asking: Asking) -> Month:
        """The sums of the month."""
        return Month(self.grounds.columns, self.orders, self.fees(asking), self.over)


def months_between(first: str | None, last: str | None) -> int:
    """The calendar months from the first to the last order, both counted; one where there is none."""
    if first is None or last is None:
        return 1
    start, end = date.fromisoformat(first), date.fromisoformat(last)
    return (end.year - start.year) * 12 + end.month - start.month + 1


def rows_of(store: Store, day: date) -> MonthRows:
    """The orders of the month, read once per revision and day."""
    grounds = grounds_of(store)
    rows: MonthRows = grounds.by_day.get(("rows", day), lambda: MonthRows(store, grounds, day))
    return rows


def month_of(store: Store, day: date) -> MonthFigures:
    """The figures of the month, computed once per revision and day."""
    grounds = grounds_of(store)
    figures: MonthFigures = grounds.by_day.get(("month", day), lambda: _compute(grounds, rows_of(store, day), day))
    return figures


def mix_of(store: Store, day: date) -> PlanMonth:
    """The cheapest mix of plans over the month, computed once per revision and day."""
    grounds = grounds_of(store)

    def compute() -> PlanMonth:
        month = rows_of(store, day).month(Asking(grounds.shop.takings))
        return month.cheapest_mix(plans_by_provider(grounds, day))

    mix: PlanMonth = grounds.by_day.get(("mix", day), compute)
    return mix


def mix_without(store: Store, provider: str, day: date) -> PlanMonth:
    """The cheapest mix of plans in which a provider has no part, computed once per revision and day."""
    grounds = grounds_of(store)

    def compute() -> PlanMonth:
        month = rows_of(store, day).month(Asking(grounds.shop.takings))
        others = [plans for plans in plans_by_provider(grounds, day) if not plans[0].id.startswith(f"{provider}/")]
        return month.cheapest_mix(others)

    mix: PlanMonth = grounds.by_day.get(("mix", provider, day), compute)
    return mix


def plans_by_provider(grounds: Grounds, day: date) -> list[list[Plan]]:
    """The plans of every provider with the routes that are open to the shop; a plan without one is left out."""
    found = []
    for pricer in grounds.catalogue.pricers(day):
        card, held = pricer.card, []
        facts = grounds.providers.get(card.provider.id)
        for plan in card.plans if pricer.open else []:
            routes = [
                name_of(route)
                for route in card.routes
                if route.plan == plan.id and not shut_to(facts, route.method, grounds.holding)
            ]
            if routes:
                monthly = in_books(grounds, plan.monthly, day) or ZERO
                minimum = in_books(grounds, plan.minimum_monthly, day) or ZERO
                held.append(Plan(f"{card.provider.id}/{plan.id}", tuple(routes), monthly, minimum))
        if held:
            found.append(held)
    return found


def _compute(grounds: Grounds, rows: MonthRows, day: date) -> MonthFigures:
    month = rows.month(Asking(grounds.shop.takings, DETAILS))
    by_provider = plans_by_provider(grounds, day)
    plans = {plan.id: month.plans([plan]) for held in by_provider for plan in held}
    sums = month.routes(grounds.columns.routes)
    cards = {pricer.card.provider.id: pricer.card for pricer in grounds.catalogue.pricers(day)}
    routes = {}
    for card in cards.values():
        for route in card.routes:
            name = name_of(route)
            if name in sums and sums[name].orders:
                plan = plans.get(f"{route.provider}/{route.plan}")
                charge = (plan.monthly + plan.shortfall) / plan.carried if plan and plan.carried else ZERO
                bearing = bearing_of(
                    grounds, card, grounds.methods[route.method], Carried(day, monthly_share=charge)
                )
                routes[name] = _route_month(sums[name], bearing)
    for method in grounds.arrangements:
        counted = month.counted(rows.carried[method.id])
        if counted.orders:
            fee = own_fee(grounds, method, day)
            fees = fee.slope * counted.amount + fee.intercept * counted.orders
            routes[method.id] = _route_month(
                replace(counted, fees=fees), bearing_of(grounds, None, method, Carried(day))
            )
    return MonthFigures(
        source=grounds.profile.source,
        months=rows.months,
        orders=month.all.orders,
        amount=month.all.amount,
        routes=routes,
        plans=plans,
        left_out=rows.left_out,
    )


def _route_month(held: Sum, bearing: Bearing) -> RouteMonth:
    """The all-in cost of a route over its orders: each part is a line, taken at the whole amount and all orders."""
    returned = {"none": ZERO, "percent": held.returned, "all": held.fees}[bearing.events.refund_returns]
    fee, back = (Linear(ZERO, value / held.orders) for value in (held.fees, returned))
    cost = sum(
        (line.slope * held.amount + line.intercept * held.orders for _, line in parts_of(fee, back, bearing)), ZERO
    )
    return RouteMonth(held.orders, held.amount, held.fees, cost)
