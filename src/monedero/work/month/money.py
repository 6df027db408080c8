"""Money in the account: the next month's takings of the best set, day by day, as payouts bring them."""

from calendar import monthrange
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from fractions import Fraction

from monedero.core.best_set.demand import Way
from monedero.core.best_set.money_by_day import Arriving, money_by_day
from monedero.core.best_set.programme import Limits
from monedero.core.columns.level import ZERO
from monedero.core.cost.arrival import arrives, handed_over, taken_on
from monedero.core.method import Method
from monedero.core.ratecard.model import RateCard
from monedero.work.context import Context
from monedero.work.month.best import best_within
from monedero.work.month.demand import demand_of
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import rule_of


@dataclass(frozen=True)
class MoneyOfMonth:
    """The money that has arrived by each day, in the shop's currency; `unknown` are takings whose arrival nobody told.

    `taken` is what buyers pay in the month, `first` its first day.
    """

    first: date
    taken: Fraction
    by_day: Mapping[date, Fraction]
    unknown: Fraction


def money_of_month(context: Context, day: date, limits: Limits) -> MoneyOfMonth | None:
    """The money of the best set over the month after a day; None where no set keeps the limits."""
    inputs, demand = inputs_of(context), demand_of(context, day)
    best = best_within(context, day, limits)
    if best is None:
        return None
    first = day.replace(day=1) + timedelta(days=monthrange(day.year, day.month)[1])
    cards = {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.in_force(day)}
    ways, unknown, taken = [], ZERO, ZERO
    for held in best.month.ways:
        card = None if held.way.plan is None else cards[demand.plans[held.way.plan].plan.provider]
        when = _arrives(inputs, card, held.way)
        taken += held.orders.amount
        if when is None:
            unknown += held.orders.amount
            continue
        reserve = card.terms.reserve if card and card.terms else None
        share = Fraction(reserve.percent) / 100 if reserve else ZERO
        days = reserve.days if reserve else 0
        ways.append(Arriving(held.orders.amount, held.fees, when, share, days))
    charges = best.month.monthly + best.month.shortfall
    return MoneyOfMonth(first, taken, money_by_day(ways, first, charges), unknown)


def _arrives(inputs: CompareInputs, card: RateCard | None, way: Way) -> Callable[[date], date] | None:
    """Tells when the money of a day's orders arrives; None where nothing says so."""
    method: Method = inputs.methods[way.method]
    rule = rule_of(inputs, card, method)
    if rule is None:
        return None
    if handed_over(rule, method):
        return lambda day: day
    new = card is not None and card.provider.id not in inputs.holding.accounts
    first = (card.terms.first_payout_days if new and card and card.terms else None) or 0
    return lambda day: arrives(taken_on(day, method), rule, first)
