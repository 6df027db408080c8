"""The orders of the shop's month with what its buyers choose: what every set of ways is computed from."""

from collections.abc import Mapping
from datetime import date
from weakref import WeakKeyDictionary

from monedero.core.best_set.demand import Demand, OnCard, RouteTerms, Way, cells_of
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
from monedero.work.prices.other_costs import RouteOnDay, other_costs_of, own_fee

_kept: WeakKeyDictionary[OrderColumns, tuple[tuple[object, ...], list[OrderClass]]] = WeakKeyDictionary()


def demand_of(context: Context, day: date) -> Demand:
    """The demand of the month, made once per revision and day."""
    inputs = inputs_of(context)
    demand: Demand = inputs.by_day.get(("demand", day), lambda: _demand(inputs, the_month(context, day), day))
    return demand


def _demand(inputs: CompareInputs, month: Month, day: date) -> Demand:
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    plans = {plan.id: OnCard(plan, card) for card in month.cards.values() for plan in card.plans}
    ways: list[Way] = []
    terms: dict[str, RouteTerms] = {}
    for name, entry in plans.items():
        for route in entry.plan.routes:
            way = Way(route.rsplit("/", 1)[1], route, name)
            ways.append(way)
            method = inputs.methods[way.method]
            other = other_costs_of(inputs, cards[entry.plan.provider], method, RouteOnDay(day))
            terms[route] = terms_of(other, completes_of(inputs, method))
    for method in inputs.arrangements:
        ways.append(Way(method.id, method.id, None))
        other = other_costs_of(inputs, None, method, RouteOnDay(day))
        terms[method.id] = terms_of(other, completes_of(inputs, method))
    found = _classes(month, arranged_in(inputs, month, day))
    return Demand(
        cells=cells_of(found, shop_rankings(inputs, {entry.country for entry in found}), ways),
        classes=found,
        plans=plans,
        ways=ways,
        terms=terms,
        unbrought=month.orders.left_out / month.orders.months,
        # Assumed of the whole shop, so that it is the same on every route.
        lost_order=next((held.lost_order for held in terms.values()), ZERO),
    )


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
