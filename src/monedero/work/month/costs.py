"""The orders of a month on every card in force, and what every plan would carry if each order took its cheapest route.

A month is a forecast: all its orders are priced by the rate cards in force on the day of the order in hand.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from monedero.core.columns.card import CardColumns
from monedero.core.columns.month import Alone
from monedero.work.context import Context
from monedero.work.month.orders_in_columns import MonthOrders, card_columns, month_orders
from monedero.work.prices.inputs import inputs_of


@dataclass(frozen=True)
class Month:
    """The orders of a month on every card in force, and what every plan would carry alone."""

    orders: MonthOrders
    alone: Sequence[Alone]
    cards: Mapping[str, CardColumns]


def the_month(context: Context, day: date) -> Month:
    """The orders of the month on every card, made once per revision and day."""
    inputs = inputs_of(context)

    def compute() -> Month:
        orders = month_orders(context, inputs, day)
        cards = card_columns(context, inputs, orders, day)
        alone = [Alone(plan, card, card.volume(plan)) for card in cards.values() for plan in card.plans]
        return Month(orders, alone, cards)

    month: Month = inputs.by_day.get(("orders", day), compute)
    return month
