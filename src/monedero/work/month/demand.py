"""The orders of the shop's month with what its buyers choose: what every set of ways is computed from."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import date
from weakref import WeakKeyDictionary

from monedero.core.best_set.demand import Demand, OnCard, Way, cells_of
from monedero.core.best_set.terms import terms_of
from monedero.core.columns.arranged import Arranged
from monedero.core.columns.classes import classes
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import OrderClass
from monedero.core.columns.orders import OrderColumns
from monedero.work.context import Context
from monedero.work.month.buyers import shop_rankings
from monedero.work.month.costs import Month, the_month
from monedero.work.month.terms import completes_of
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import Changed, RouteOnDay, other_costs_of, own_fee

_kept: WeakKeyDictionary[OrderColumns, tuple[tuple[object, ...], list[OrderClass]]] = WeakKeyDictionary()


def demand_of(context: Context, day: date) -> Demand:
    """The demand of the month, made once per revision and day."""
    inputs = inputs_of(context)
    demand: Demand = inputs.by_day.get(("demand", day), lambda: _demand(inputs, the_month(context, day), day))
    return demand


def _demand(inputs: CompareInputs, month: Month, day: date) -> Demand:
    plans = {plan.id: OnCard(plan, card) for card in month.cards.values() for plan in card.plans}
    ways = [
        Way(route.rsplit("/", 1)[1], route, name) for name, entry in plans.items() for route in entry.plan.routes
    ]
    ways += [Way(method.id, method.id, None) for method in inputs.arrangements]
    found = _classes(month, arranged_in(inputs, month, day))
    cells = cells_of(found, shop_rankings(inputs, {entry.country for entry in found}), ways)
    unbrought = month.orders.left_out / month.orders.months
    return with_terms(inputs, Demand(cells, found, plans, ways, {}, unbrought), day)


def with_terms(inputs: CompareInputs, demand: Demand, day: date, changed: Changed | None = None) -> Demand:
    """The month with what its ways cost besides their fees; `changed` may put another value in the place of an
    assumption.
    """
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    terms = {}
    for way in demand.ways:
        method = inputs.methods[way.method]
        card = cards[demand.plans[way.plan].plan.provider] if way.plan else None
        other = other_costs_of(inputs, card, method, RouteOnDay(day), changed)
        terms[way.route] = terms_of(other, completes_of(inputs, method, changed))
    # Assumed of the whole shop, so that it is the same on every route.
    lost_order = next((held.lost_order for held in terms.values()), ZERO)
    return replace(demand, terms=terms, lost_order=lost_order)


def _classes(month: Month, arranged: list[Arranged]) -> list[OrderClass]:
    """The classes of a month, kept until its orders or a price change: shares of buyers do not."""
    columns, cards = month.orders.columns, list(month.cards.values())
    rests_on = (*cards, *((entry.method, entry.fee) for entry in arranged))
    before = _kept.get(columns)
    if before is None or before[0] != rests_on:
        before = _kept[columns] = (rests_on, classes(columns, cards, arranged))
    return before[1]


def arranged_in(inputs: CompareInputs, month: Month, day: date) -> list[Arranged]:
    """The arrangements of the shop's own, with the orders of the month that each carries and what one costs."""
    held: Mapping[str, frozenset[int]] = month.orders.carried.long
    return [
        Arranged(method.id, month.orders.carried.columns[method.id], held[method.id], own_fee(inputs, method, day))
        for method in inputs.arrangements
    ]
