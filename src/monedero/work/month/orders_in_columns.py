"""The orders of a month in columns, and on every rate card: kept as long as what they rest on stays the same.

Reading and pricing a hundred thousand orders takes a second; an edit of one card should not wait for the others.
"""

from collections.abc import Hashable
from dataclasses import dataclass, field
from datetime import date
from fractions import Fraction
from typing import Any
from weakref import WeakKeyDictionary

import polars as pl

from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried, carried, limits_in
from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.level import PlanColumns
from monedero.core.columns.order_class import MARGIN_OVER
from monedero.core.columns.orders import OrderColumns
from monedero.core.columns.typed import over_cards, typed_rows
from monedero.core.cost.assumed import ZERO
from monedero.core.money import Money
from monedero.core.openness import shut_to
from monedero.core.profile import Source
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import plan_key
from monedero.store import Store
from monedero.work.context import Context
from monedero.work.prices.inputs import CompareInputs
from monedero.work.prices.other_costs import in_books


@dataclass(frozen=True)
class MonthOrders:
    """The orders of a month: in columns, which of them each method can carry, and how many had no reference rate.

    Those left out are counted over all months.
    """

    columns: OrderColumns
    carried: Carried
    months: int
    left_out: Fraction
    percent_over: int


@dataclass
class _KeptColumns:
    """Holds what was made for a shop, each with what it rests on."""

    orders: tuple[Any, MonthOrders] | None = None
    cards: dict[str, tuple[Any, CardColumns]] = field(default_factory=dict)


_kept: WeakKeyDictionary[Store, _KeptColumns] = WeakKeyDictionary()


def _columns(inputs: CompareInputs, day: date) -> FeeColumns:
    """The cards in force on a day, whatever the days of the orders."""
    cards = [pricer.card.model_copy(update={"valid_from": None}) for pricer in inputs.catalogue.in_force(day)]
    catalogue = Catalogue(cards, inputs.shop.country, inputs.rates, inputs.network_costs)
    columns: FeeColumns = inputs.by_day.get(
        ("columns", day), lambda: FeeColumns(catalogue, inputs.shop.currency, inputs.rates)
    )
    return columns


def month_orders(context: Context, inputs: CompareInputs, day: date) -> MonthOrders:
    """The orders of the month: those of the typed profile, or the past orders, all of them over their months."""
    columns, past = _columns(inputs, day), inputs.profile.source is Source.PAST_ORDERS
    limits = limits_in(inputs.methods.values())
    rests_on = (
        inputs.shop,
        # Orders are priced alike, whatever buyers pay with.
        inputs.profile.model_copy(update={"buyers": []}),
        context.shop.past_orders.changes if past else day,
        (columns.foreign, columns.size, columns.percent_over),
        inputs.methods,
    )
    kept = _kept.setdefault(context.shop, _KeptColumns())
    before = kept.orders
    if before is not None and before[0] == rests_on:
        return before[1]
    frame, months, cards_over = rows_of_month(context, inputs, day)
    in_columns = columns.orders(frame, limits, months * cards_over)
    found = MonthOrders(
        columns=in_columns,
        carried=carried(inputs.methods, in_columns, inputs.setting),
        months=months,
        left_out=Fraction(int(frame["weight"].sum()), cards_over) - in_columns.weight * months,
        percent_over=columns.percent_over,
    )
    kept.orders = (rests_on, found)
    kept.cards.clear()
    return found


def rows_of_month(context: Context, inputs: CompareInputs, day: date) -> tuple[pl.DataFrame, int, int]:
    """The orders of all months as rows with their margins, over how many months, and what their weights are over."""
    months = 1
    if inputs.profile.source is Source.PAST_ORDERS:
        paid, counts = context.shop.past_orders.paid(), context.shop.past_orders.counts()
        months = months_between(counts.first, counts.last)
        frame, cards_over = over_cards(paid, inputs.profile.cards)
    else:
        frame, cards_over = typed_rows(inputs.profile, inputs.shop, day, inputs.rates)
    return _with_margins(frame, inputs), months, cards_over


def _with_margins(frame: pl.DataFrame, inputs: CompareInputs) -> pl.DataFrame:
    """The margin of each order, as the owner typed it of its line; null where that is not known."""
    typed = {
        line.id: int(line.margin * MARGIN_OVER / 100) for line in inputs.shop.lines if line.margin is not None
    }
    margins = pl.DataFrame(
        {"line": list(typed), "margin": list(typed.values())}, schema={"line": pl.String, "margin": pl.Int128}
    )
    return frame.join(margins, on="line", how="left", maintain_order="left")


def card_columns(
    context: Context, inputs: CompareInputs, orders: MonthOrders, day: date
) -> dict[str, CardColumns]:
    """Every card in force with a plan that is open to the shop, over the orders of the month."""
    columns, kept = _columns(inputs, day), _kept[context.shop].cards
    found: dict[str, CardColumns] = {}
    for (pricer,) in columns.versions:
        provider, plans = pricer.card.provider.id, _plans(inputs, pricer, day)
        if plans:
            # A request that began before an edit may still keep cards on the orders of before.
            rests_on: Hashable = (orders.columns, pricer.card, plans)
            entry = kept.get(provider)
            if entry is None or entry[0] != rests_on:
                entry = kept[provider] = (
                    rests_on,
                    CardColumns(columns, pricer, orders.columns, orders.carried, plans),
                )
            found[provider] = entry[1]
    return found


def _plans(inputs: CompareInputs, pricer: CardPricer, day: date) -> list[PlanColumns]:
    """The plans of a card with the routes that are open to the shop.

    A plan without such a route is left out, and so is one whose charges have no reference rate: its month is unknown.
    """
    card, provider, plans = pricer.card, pricer.card.provider.id, []
    facts = inputs.providers.get(provider)
    for plan in card.plans if pricer.open else []:
        routes = [
            name_of(route)
            for route in card.routes
            if route.plan == plan.id and not shut_to(facts, route.method, inputs.holding)
        ]
        charges = [_charge(inputs, money, day) for money in (plan.monthly, plan.minimum_monthly)]
        if routes and None not in charges:
            plans.append(
                PlanColumns(
                    plan_key(provider, plan.id), provider, tuple(routes), *(charge or ZERO for charge in charges)
                )
            )
    return plans


def _charge(inputs: CompareInputs, money: Money | None, day: date) -> Fraction | None:
    """A charge of a month in the shop's currency; None where there is no reference rate."""
    return ZERO if money is None else in_books(inputs, money, day)


def months_between(first: str | None, last: str | None) -> int:
    """The calendar months from the first to the last order, both counted; one where there is none."""
    if first is None or last is None:
        return 1
    start, end = date.fromisoformat(first), date.fromisoformat(last)
    return (end.year - start.year) * 12 + end.month - start.month + 1
