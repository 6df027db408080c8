"""Plans and providers: which plan is cheaper from which volume a month, and each provider alone."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.best_set.by_volume import ByVolume, by_volume
from monedero.core.best_set.demand import Demand
from monedero.core.best_set.month import SetMonth
from monedero.core.columns.month import PlanMonth
from monedero.core.cost.assumed import ZERO
from monedero.core.curve.envelope import Stretch, envelope
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.ratecard.model import Plan, RateCard
from monedero.core.ratecard.volume import plan_key
from monedero.work.context import Context
from monedero.work.month.best import alone_of
from monedero.work.month.demand import demand_of
from monedero.work.month.figures import MonthFigures, month_of
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import in_books, software_fee

LEAST = Fraction(1)
# How many times the shop's own volume the comparison of plans reaches.
BEYOND = 20


@dataclass(frozen=True, slots=True)
class Volumes:
    """The month's cost of several plans for every volume, and which is cheapest where.

    They carry the same orders; plans that carry others stand `beside` them.
    """

    plans: Sequence[str]
    curves: Sequence[Curve]
    cheapest: Sequence[Stretch]
    own: Fraction
    beside: Sequence[PlanMonth] = ()


@dataclass(frozen=True, slots=True)
class PlansAndProviders:
    """Everything about plans over the month; `alone`, by what buyers choose, is from the one that leaves most."""

    inputs: CompareInputs
    month: MonthFigures
    cards: Mapping[str, RateCard]
    plans: Mapping[str, tuple[RateCard, Plan]]
    by_provider: Mapping[str, Volumes]
    alone: Sequence[SetMonth]
    software: Volumes | None


def plans_and_providers(context: Context, day: date) -> PlansAndProviders:
    """Compare the plans of every provider, the providers, and the plans of the shop's software."""
    inputs, month = inputs_of(context), month_of(context, day)
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    demand = demand_of(context, day)
    by_provider: dict[str, list[str]] = {}
    for name, entry in demand.plans.items():
        by_provider.setdefault(entry.plan.provider, []).append(name)
    compared = ((provider, _volumes(demand, plans, month)) for provider, plans in by_provider.items())
    return PlansAndProviders(
        inputs=inputs,
        month=month,
        cards=cards,
        plans={
            plan_key(provider, plan.id): (card, plan) for provider, card in cards.items() for plan in card.plans
        },
        by_provider={provider: group for provider, group in compared if group is not None},
        alone=alone_of(context, day),
        software=_software(inputs, month, day),
    )


def _volumes(demand: Demand, plans: Sequence[str], month: MonthFigures) -> Volumes | None:
    """The plans of a provider that carry the same orders, over their volume; None where there is nothing to compare.

    Of several sets of such plans it is the one that carries most; the others stand beside it.
    """
    if len(plans) < 2 or not any(month.plans[name].carried for name in plans):
        return None
    alike: dict[frozenset[int], list[ByVolume]] = {}
    for name in plans:
        found = by_volume(demand, name)
        alike.setdefault(found.carried, []).append(found)
    compared = max(alike.values(), key=lambda group: (group[0].own, len(group)))
    own, curves = compared[0].own, [entry.cost for entry in compared]
    names = [entry.plan for entry in compared]
    high = BEYOND * max([own, *(edge for name in names for edge in demand.plans[name].card.edges)])
    beside = [month.plans[name] for name in plans if name not in names]
    return Volumes(names, curves, envelope(curves, LEAST, high), own, beside)


def _software(inputs: CompareInputs, month: MonthFigures, day: date) -> Volumes | None:
    """The plans of the shop's software over the volume of the whole shop."""
    software = inputs.shop.software
    if software is None or not month.amount:
        return None
    curves = []
    for plan in software.plans:
        fee = software_fee(inputs, plan, day)
        slope = fee.slope + fee.intercept * month.orders / month.amount
        curves.append(Curve((Piece(ZERO, None, slope, in_books(inputs, plan.monthly, day) or ZERO),)))
    cheapest = envelope(curves, LEAST, BEYOND * month.amount)
    return Volumes([plan.id for plan in software.plans], curves, cheapest, month.amount)
