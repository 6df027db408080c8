"""The best set of ways for the shop's month and its buyers, why each way is in it or out, and one account less."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction

from monedero.core.best_set.best import Best, best_set
from monedero.core.best_set.demand import Demand, Way
from monedero.core.best_set.month import Chosen, SetMonth, month_of
from monedero.core.best_set.programme import Limits, in_sequence
from monedero.core.best_set.share import pays_from
from monedero.core.method import Family
from monedero.core.ratecard.model import Plan, RateCard
from monedero.core.ratecard.volume import plan_key
from monedero.work.context import Context
from monedero.work.month.buyers import buyers_of
from monedero.work.month.demand import demand_of
from monedero.work.prices.inputs import CompareInputs, inputs_of


@dataclass(frozen=True)
class Without:
    """A way of the set, and the month without it."""

    way: Way
    month: SetMonth


@dataclass(frozen=True)
class With:
    """A method that is not in the set: its best way, the month with it, and from which share of buyers on it pays.

    The share is of all buyers, of those who would take this way alone and else leave; None where none makes it pay.
    """

    way: Way
    month: SetMonth
    pays_from: Fraction | None


@dataclass(frozen=True)
class BestOfShop:
    """The best set over the month; without one where nothing keeps the limits. Every plan alone, the best first."""

    inputs: CompareInputs
    demand: Demand
    plans: dict[str, tuple[RateCard, Plan]]
    best: Best | None
    inside: Sequence[Without]
    outside: Sequence[With]
    one_less: SetMonth | None
    one_more: SetMonth | None
    families: Sequence[Family]
    alone: Sequence[SetMonth]


def best_of_shop(context: Context, day: date, limits: Limits) -> BestOfShop:
    """The best set for the shop, worked out once per revision, day and limits."""
    inputs = inputs_of(context)
    demand = demand_of(context, day)
    best = best_within(context, day, limits)
    return BestOfShop(
        inputs=inputs,
        demand=demand,
        plans=plans_in_force(inputs, day),
        best=best,
        inside=list(_inside(demand, best.month)) if best else [],
        outside=list(_outside(demand, best.month)) if best else [],
        one_less=_one_less(context, day, limits, best),
        one_more=_one_more(context, day, limits, best),
        families=_families(inputs, demand),
        alone=alone_of(context, day),
    )


def plans_in_force(inputs: CompareInputs, day: date) -> dict[str, tuple[RateCard, Plan]]:
    """Every plan of the cards in force on a day, with its card."""
    cards = [pricer.card for pricer in inputs.catalogue.in_force(day)]
    return {plan_key(card.provider.id, plan.id): (card, plan) for card in cards for plan in card.plans}


def best_within(context: Context, day: date, limits: Limits) -> Best | None:
    """The best set of the shop within limits, worked out once per revision and day."""
    demand = demand_of(context, day)
    best: Best | None = inputs_of(context).by_day.get(("best", limits, day), lambda: best_set(demand, limits))
    return best


def alone_of(context: Context, day: date) -> list[SetMonth]:
    """Every plan with all its ways and nothing else, from the one that is best."""
    demand = demand_of(context, day)

    def months() -> list[SetMonth]:
        found = [month_of(demand, Chosen((name,), tuple(demand.of_plan[name]))) for name in demand.plans]
        return sorted(found, key=lambda month: tuple(-part for part in month.merit))

    alone: list[SetMonth] = inputs_of(context).by_day.get(("alone", day), months)
    return alone


def without(demand: Demand, chosen: Chosen, way: Way) -> Chosen:
    """A set without a way, and without its plan where that has no other way in it."""
    ways = [other for other in chosen.ways if other != way]
    needed = {other.plan for other in ways}
    return in_sequence(demand, [plan for plan in chosen.plans if plan != way.plan or plan in needed], ways)


def _inside(demand: Demand, month: SetMonth) -> Iterable[Without]:
    for way in month.chosen.ways:
        yield Without(way, month_of(demand, without(demand, month.chosen, way)))


def _outside(demand: Demand, month: SetMonth) -> Iterable[With]:
    """Yields for each method outside the set the way that leaves most, on a plan that fits beside the others."""
    plans, ways = month.chosen
    held = {demand.plans[name].plan.provider: name for name in plans}
    inside = {way.method for way in ways}
    found: dict[str, tuple[Way, SetMonth]] = {}
    for way in demand.ways:
        if way.method in inside:
            continue
        if way.plan is not None and held.get(demand.plans[way.plan].plan.provider, way.plan) != way.plan:
            continue
        chosen = in_sequence(demand, {*plans, *([way.plan] if way.plan else [])}, {*ways, way})
        other = month_of(demand, chosen)
        if way.method not in found or other.merit > found[way.method][1].merit:
            found[way.method] = way, other
    for way, other in sorted(found.values(), key=lambda entry: entry[1].merit, reverse=True):
        yield With(way, other, pays_from(demand, month, other, way))


def _one_less(context: Context, day: date, limits: Limits, best: Best | None) -> SetMonth | None:
    """The best set with one account less than the best one has."""
    if best is None or not best.month.chosen.plans:
        return None
    fewer = best_within(context, day, replace(limits, most_accounts=len(best.month.chosen.plans) - 1))
    return fewer.month if fewer else None


def _one_more(context: Context, day: date, limits: Limits, best: Best | None) -> SetMonth | None:
    """The best set with one account more than the best one has; None where the limits allow none."""
    if best is None:
        return None
    more = len(best.month.chosen.plans) + 1
    if limits.most_accounts is not None and more > limits.most_accounts:
        return None
    found = best_within(context, day, replace(limits, least_accounts=more))
    return found.month if found else None


def _families(inputs: CompareInputs, demand: Demand) -> list[Family]:
    """The families that some buyers of the month would pay by first."""
    countries = sorted({entry.country for entry in demand.classes})
    held = {entry.family for country in countries for entry in buyers_of(inputs, country).families if entry.share}
    return [family for family in Family if family in held]
