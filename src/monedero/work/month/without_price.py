"""Orders of the month for which a card that is not kept yet has no price, whatever the way to pay."""

from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import carried, limits_in
from monedero.core.columns.classes import classes
from monedero.core.columns.fees import FeeColumns, name_of
from monedero.core.columns.level import ZERO, PlanColumns
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.volume import plan_key
from monedero.work.context import Context
from monedero.work.month.orders_in_columns import rows_of_month
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.lookups import method_in


@dataclass(frozen=True)
class WithoutPrice:
    """How many orders a month there are, and by country of their buyers how many have no price, most first.

    `unbrought` orders a month have no reference rate to the shop's currency.
    """

    orders: Fraction
    by_country: dict[str, Fraction]
    unbrought: Fraction

    @property
    def lacking(self) -> Fraction:
        """The orders that have no price, of all countries."""
        return sum(self.by_country.values(), ZERO)


def without_price(context: Context, card: RateCard, day: date) -> WithoutPrice:
    """The orders of the month that no route of a card can price or carry, whatever the day from which it holds."""
    inputs = inputs_of(context)
    always = card.model_copy(update={"valid_from": None})
    catalogue = Catalogue([always], inputs.shop.country, inputs.rates, inputs.network_costs)
    columns = FeeColumns(catalogue, inputs.shop.currency, inputs.rates)
    methods = {**inputs.methods, **{rate.method: method_in(inputs.methods, rate.method) for rate in card.rates}}
    frame, months, over = rows_of_month(context, inputs, day)
    orders = columns.orders(frame, limits_in(methods.values()), months * over)
    held = carried(methods, orders, inputs.setting)
    ((pricer,),) = columns.versions
    plans = [
        PlanColumns(
            plan_key(card.provider.id, plan.id),
            card.provider.id,
            tuple(name_of(route) for route in pricer.card.routes if route.plan == plan.id),
            ZERO,
            ZERO,
        )
        for plan in card.plans
    ]
    found: dict[str, Fraction] = {}
    every = ZERO
    for entry in classes(orders, [CardColumns(columns, pricer, orders, held, plans)]):
        every += entry.orders
        if not entry.fees:
            found[entry.country] = found.get(entry.country, ZERO) + entry.orders
    all_rows = Fraction(int(frame["weight"].sum()), over) / months if frame.height else ZERO
    most_first = dict(sorted(found.items(), key=lambda item: (-item[1], item[0])))
    return WithoutPrice(every, most_first, all_rows - every)
