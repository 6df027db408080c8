"""The best set of ways for the orders of a file, with every plan alone, as a report in exact numbers."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from typing import Any

import polars as pl

from monedero.core.best_set.best import best_set
from monedero.core.best_set.demand import Demand, OnCard, RouteTerms, Way, cells_of
from monedero.core.best_set.month import Chosen, SetMonth, month_of
from monedero.core.best_set.programme import Limits, in_sequence
from monedero.core.best_set.terms import terms_of
from monedero.core.buyers.model import Buyers
from monedero.core.buyers.ranking import rankings
from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried
from monedero.core.columns.classes import classes
from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.level import ZERO, PlanColumns
from monedero.core.columns.order_class import MARGIN_OVER
from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import FaultCode, refuse
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.numbers import decimal_text, exact_text
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import plan_key
from monedero.figures import methods
from monedero.work.month.terms import completes_of
from monedero.work.prices.inputs import CompareInputs
from monedero.work.prices.of_files import inputs_of_files
from monedero.work.prices.other_costs import RouteOnDay, other_costs_of

ORDERS = {
    "minor": pl.Int128,
    "currency": pl.String,
    "day": pl.Date,
    "country": pl.String,
    "card_network": pl.String,
    "card_kind": pl.String,
    "recurring": pl.Boolean,
    "kinds": pl.String,
    "margin": pl.Int128,
}


@dataclass(frozen=True)
class SetAsked:
    """A question for a set: kinds of buyer, the margin in percent (None: not known), limits, the day that prices.

    `given` is a set to price besides, as it is written; assumptions of None make costs fees.
    """

    shop: tuple[str, str]
    buyers: Buyers
    margin: Fraction | None
    limits: Limits
    on: date | None
    given: str | None
    assumptions: Assumptions | None


def set_report(cards: list[RateCard], orders: Iterable[Order], asked: SetAsked) -> dict[str, Any]:
    """The best set, every plan alone, and a given set, over the month that the orders are."""
    demand, closed = demand_of_files(cards, orders, asked)
    given = None if asked.given is None else month_of(demand, set_of(demand, asked.given))
    limits = Limits(**{**vars(asked.limits), "closed": closed})
    best = best_set(demand, limits)
    alone = [
        month_of(demand, Chosen((name,), tuple(demand.of_plan[name])))
        for name in demand.plans
        if name not in closed
    ]
    bound = None if best is None or best.month.left is None else best.bound
    return {
        "best": None if best is None else _set(demand, best.month),
        "alone": [_set(demand, entry) for entry in alone],
        "given": None if given is None else _set(demand, given),
        "bound": None if bound is None else _number(bound),
    }


def demand_of_files(
    cards: list[RateCard], orders: Iterable[Order], asked: SetAsked
) -> tuple[Demand, frozenset[str]]:
    """The demand of the orders, and the plans that cannot be had: of providers that are barred from the country."""
    inputs = inputs_of_files(cards, asked.shop, asked.assumptions or Assumptions())
    month = [order for order in orders if order.amount.minor]
    day = asked.on or max((order.placed_on for order in month), default=date.max)
    pricers = inputs.catalogue.in_force(day)
    columns = FeeColumns(
        Catalogue(
            [pricer.card.model_copy(update={"valid_from": None}) for pricer in pricers],
            inputs.shop.country,
            inputs.rates,
            inputs.network_costs,
        ),
        inputs.shop.currency,
        inputs.rates,
    )
    in_columns = columns.orders(_frame(month, asked.margin))
    plans: dict[str, OnCard] = {}
    ways: list[Way] = []
    terms: dict[str, RouteTerms] = {}
    closed: set[str] = set()
    for (pricer,) in columns.versions:
        held = [_plan(inputs, pricer, number, day) for number in range(len(pricer.card.plans))]
        card = CardColumns(columns, pricer, in_columns, Carried({}, {}), held)
        plans |= {plan.id: OnCard(plan, card) for plan in held}
        closed |= set() if pricer.open else {plan.id for plan in held}
        for route in pricer.card.routes:
            way = Way(route.method, name_of(route), plan_key(route.provider, route.plan))
            ways.append(way)
            terms[way.route] = _terms(inputs, pricer.card, route.method, day, asked)
    known = {name: method.family for name, method in methods.known().items()}
    unknown = sorted({rate.method for card in cards for rate in card.rates} - known.keys())
    ranked = rankings(asked.buyers, {**known, **dict.fromkeys(unknown, Family.OWN)})
    for country in {order.country for order in month}:
        ranked.of(country)
    found = classes(in_columns, list(dict.fromkeys(entry.card for entry in plans.values())))
    return Demand(
        cells=cells_of(found, ranked, ways),
        classes=found,
        plans=plans,
        ways=ways,
        terms=terms,
        unbrought=Fraction(len(month) - in_columns.height),
        lost_order=next((held.lost_order for held in terms.values()), ZERO),
    ), frozenset(closed)


def _plan(inputs: CompareInputs, pricer: CardPricer, number: int, day: date) -> PlanColumns:
    """A plan with its routes; refuses one whose charge has no reference rate."""
    card, plan = pricer.card, pricer.card.plans[number]
    routes = tuple(name_of(route) for route in card.routes if route.plan == plan.id)

    def charge(money: Money | None) -> Fraction:
        try:
            return ZERO if money is None else inputs.rates.convert(money, inputs.shop.currency, day)
        except NoReferenceRate as missing:
            raise refuse(
                FaultCode.CHARGE_RATE, f"plans.{number}", money, currency=missing.currency, day=day
            ) from missing

    key = plan_key(card.provider.id, plan.id)
    return PlanColumns(key, card.provider.id, routes, charge(plan.monthly), charge(plan.minimum_monthly))


def _terms(inputs: CompareInputs, card: RateCard, method: str, day: date, asked: SetAsked) -> RouteTerms:
    if asked.assumptions is None:
        return RouteTerms()
    found = inputs.methods[method]
    return terms_of(other_costs_of(inputs, card, found, RouteOnDay(day)), completes_of(inputs, found))


def _frame(month: Sequence[Order], margin: Fraction | None) -> pl.DataFrame:
    share = None if margin is None else int(margin / 100 * MARGIN_OVER)
    rows = [
        (
            order.amount.minor,
            order.amount.currency,
            order.placed_on,
            order.country,
            order.card_network,
            order.card_kind.value if order.card_kind else None,
            order.recurring,
            "+".join(sorted(order.kinds)) or None,
            share,
        )
        for order in month
    ]
    return pl.DataFrame(rows, schema=ORDERS, orient="row")


def set_of(demand: Demand, text: str) -> Chosen:
    """A set as it is written: `orlenta/start:card,device-wallet;brixavo/one:sepa-direct-debit`."""
    plans: list[str] = []
    ways: list[Way] = []
    for part in (part.strip() for part in text.split(";") if part.strip()):
        plan, _, listed = part.partition(":")
        if plan.count("/") != 1:
            raise refuse(FaultCode.SET_TEXT, value=part)
        if plan not in demand.plans:
            raise refuse(FaultCode.ROUTE_UNKNOWN, value=plan)
        if any(other.split("/")[0] == plan.split("/")[0] for other in plans):
            raise refuse(FaultCode.TWO_OF_SET, value=plan.split("/")[0], what="plan")
        plans.append(plan)
        for method in (method.strip() for method in listed.split(",") if method.strip()):
            way = next((way for way in demand.of_plan[plan] if way.method == method), None)
            if way is None:
                raise refuse(FaultCode.ROUTE_UNKNOWN, value=f"{plan}/{method}")
            if any(other.method == method for other in ways):
                raise refuse(FaultCode.TWO_OF_SET, value=method, what="route")
            ways.append(way)
    return in_sequence(demand, plans, ways)


def _set(demand: Demand, month: SetMonth) -> dict[str, Any]:
    return {
        "plans": [dict(zip(("provider", "plan"), name.split("/"), strict=True)) for name in month.chosen.plans],
        "ways": [
            dict(zip(("method", "provider", "plan"), (way.method, *str(way.plan).split("/")), strict=True))
            for way in month.chosen.ways
        ],
        "orders": _number(demand.every.orders + demand.unbrought),
        "carried": _number(month.carried),
        "lost": _number(month.lost),
        "fees": _number(month.fees),
        "monthly": _number(month.monthly),
        "shortfall": _number(month.shortfall),
        "left": None if month.left is None else _number(month.left),
    }


def _number(value: Fraction) -> dict[str, str]:
    return {"exact": exact_text(value), "decimal": decimal_text(value)}
