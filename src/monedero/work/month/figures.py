"""The figures of a month: each route if every order went that way, and each plan alone by what buyers choose."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from functools import cached_property

from monedero.core.best_set.demand import Orders
from monedero.core.best_set.month import SetMonth
from monedero.core.best_set.terms import terms_of
from monedero.core.columns.fees import name_of
from monedero.core.columns.level import Sum
from monedero.core.columns.month import Alone, PlanMonth, counted
from monedero.core.columns.order_class import Fees
from monedero.core.cost.all_in import OtherCosts
from monedero.core.cost.assumed import ZERO
from monedero.core.method import Method
from monedero.core.profile import Source
from monedero.core.ratecard.model import Route
from monedero.core.ratecard.volume import Volume, plan_key
from monedero.work.context import Context
from monedero.work.month.best import alone_of
from monedero.work.month.costs import Month, the_month
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import RouteOnDay, other_costs_of, own_fee


@dataclass(frozen=True, slots=True)
class RouteMonth:
    """A route over the month, if every order that it can carry took it; the cost is all-in."""

    provider: str | None
    method: str
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
    left_out: Fraction

    def share(self, route: Route) -> Fraction | None:
        """Tells what of the plan's month falls on one order: its charge and shortfall over the orders that its buyers
        bring.

        None where the plan carries no order of a month, so that nobody can know; a plan without charges has nothing to
        share.
        """
        return self._shares.get(plan_key(route.provider, route.plan))

    @cached_property
    def _shares(self) -> dict[str, Fraction | None]:
        return {key: _share(plan) for key, plan in self.plans.items()}


def _share(plan: PlanMonth) -> Fraction | None:
    charges = plan.monthly + plan.shortfall
    return charges / plan.carried if plan.carried else None if charges else ZERO


def month_of(context: Context, day: date) -> MonthFigures:
    """The figures of the month, computed once per revision and day."""
    inputs = inputs_of(context)
    figures: MonthFigures = inputs.by_day.get(
        ("month", day), lambda: _figures(inputs, the_month(context, day), alone_of(context, day), day)
    )
    return figures


def _figures(inputs: CompareInputs, month: Month, alone: Sequence[SetMonth], day: date) -> MonthFigures:
    every = counted(month.orders.columns)
    plans = {month.chosen.plans[0]: _plan_month(month) for month in alone}
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    routes = {}
    for entry in month.alone:
        card = cards[entry.plan.provider]
        methods = {name_of(route): inputs.methods[route.method] for route in card.routes}
        carried = RouteOnDay(day, monthly_share=_share(plans[entry.plan.id]))
        for name, sums in _route_sums(entry):
            other_costs = other_costs_of(inputs, card, methods[name], carried)
            routes[name] = _route_month(card.provider.id, methods[name], sums, other_costs)
    for method in inputs.arrangements:
        sums = counted(month.orders.columns, month.orders.carried, method.id)
        if sums.orders:
            fee = own_fee(inputs, method, day)
            fees = fee.slope * sums.amount + fee.intercept * sums.orders
            other_costs = other_costs_of(inputs, None, method, RouteOnDay(day))
            routes[method.id] = _route_month(None, method, sums._replace(fees=fees), other_costs)
    known = every.orders > 0
    return MonthFigures(
        source=inputs.profile.source,
        months=month.orders.months,
        orders=every.orders,
        amount=every.amount,
        routes=routes,
        plans=plans,
        volumes={name: Volume(plan.amount, inputs.shop.currency) for name, plan in plans.items() if known},
        left_out=month.orders.left_out,
    )


def _plan_month(month: SetMonth) -> PlanMonth:
    """A plan alone, with what its buyers bring to it."""
    amount = sum((way.orders.amount for way in month.ways), ZERO)
    return PlanMonth(month.chosen.plans[0], month.carried, amount, month.fees, month.monthly, month.shortfall)


def _route_sums(entry: Alone) -> Iterable[tuple[str, Sum]]:
    """The routes of a plan that carry orders, at the volume that the plan carries."""
    for name in entry.plan.routes:
        sums = entry.card.sum_of(name, entry.card.walk(entry.volume))
        if sums.orders:
            yield name, sums


def _route_month(provider: str | None, method: Method, sums: Sum, other_costs: OtherCosts) -> RouteMonth:
    """The all-in cost of a route over its orders."""
    terms = terms_of(other_costs, completes=Fraction(1))
    cost = terms.cost(Orders(sums.orders, sums.amount, None), Fees(sums.fees, sums.returned))
    return RouteMonth(provider, method.id, sums.orders, sums.amount, sums.fees, cost)
