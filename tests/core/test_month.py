"""A month over every route: sums, plans alone and the cheapest mix, against brute force order by order."""

from datetime import date
from fractions import Fraction
from itertools import product

import polars as pl
from hypothesis import given, settings
from hypothesis import strategies as st

from monedero.core.columns.fees import Asking, FeeColumns, name_of
from monedero.core.columns.month import Month, Plan
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.pricing import Priced
from tests.core.made_up import RATES, cards, orders
from tests.core.test_columns import frame_of, no_volume

ZERO = Fraction(0)


def plans_of(card: RateCard, monthly: list[int], minimum: list[int]) -> list[Plan]:
    return [
        Plan(
            f"{card.provider.id}/{plan.id}",
            tuple(name_of(route) for route in card.routes if route.plan == plan.id),
            Fraction(monthly[number]),
            Fraction(minimum[number]),
        )
        for number, plan in enumerate(card.plans)
    ]


def fee_in_euro(priced: Priced, order: OrderContext) -> Fraction:
    return priced.exact * RATES.find(priced.currency, "EUR", order.placed_on).value


@settings(max_examples=60, deadline=None)
@given(
    cards(),
    cards(),
    st.lists(orders(), min_size=1, max_size=6),
    st.lists(st.integers(0, 3), min_size=8, max_size=8),
)
def test_the_cheapest_mix_is_what_brute_force_finds(
    card: RateCard, second: RateCard, held: list[OrderContext], charges: list[int]
) -> None:
    other = second.model_copy(update={"provider": second.provider.model_copy(update={"id": "orlenta"})})
    held = [no_volume(order) for order in held]
    catalogue = Catalogue([card, other], "PT", RATES)
    columns = FeeColumns(catalogue, "EUR", RATES)
    priced_orders = columns.orders(frame_of(held))
    month = Month(columns, priced_orders, columns.price(priced_orders), 1)
    by_provider = [plans_of(card, charges[:2], charges[2:4]), plans_of(other, charges[4:6], charges[6:])]
    fees = [
        {
            f"{priced.route.provider}/{priced.route.plan}": fee_in_euro(priced, order)
            for priced in catalogue.price(order)
            if isinstance(priced, Priced)
        }
        for order in held
    ]

    def slowly(chosen: list[Plan]) -> list[Fraction | int]:
        cost, carried = sum((plan.monthly for plan in chosen), ZERO), 0
        shares = dict.fromkeys((plan.id for plan in chosen), ZERO)
        for fee in fees:
            open_to = [plan.id for plan in chosen if plan.id in fee]
            if open_to:
                best = min(open_to, key=lambda plan: fee[plan])
                shares[best] += fee[best]
                carried += 1
        cost += sum((max(plan.minimum, shares[plan.id]) for plan in chosen), ZERO)
        return [-carried, cost, len(chosen)]

    every = [
        [plan for plan in chosen if plan is not None]
        for chosen in product([None, *by_provider[0]], [None, *by_provider[1]])
    ]
    best = min(every, key=slowly)
    found = month.cheapest_mix(by_provider)
    assert [-found.carried, found.cost, len(found.plans)] == slowly(best)
    for plan in (*by_provider[0], *by_provider[1]):
        alone = month.plans([plan])
        assert [-alone.carried, alone.cost, 1] == slowly([plan])
    sums = month.routes([name_of(route) for route in card.routes])
    for route in card.routes:
        own = [fee[f"{route.provider}/{route.plan}"] for fee in fees if f"{route.provider}/{route.plan}" in fee]
        assert sums[name_of(route)].fees == sum(own, ZERO)
        assert sums[name_of(route)].orders == len(own)
    assert month.all.orders == len(held)
    in_euro = [
        order.amount.exact * RATES.find(order.amount.currency, "EUR", order.placed_on).value for order in held
    ]
    assert month.all.amount == sum(in_euro, ZERO)


def test_weights_over_months(example_card: RateCard) -> None:
    """Twelve orders of 85.00 over four months: three a month, each 1.2 % + 0.25 by consumer debit card."""
    columns = FeeColumns(Catalogue([example_card], "PT", RATES), "EUR", RATES)
    frame = pl.DataFrame(
        {
            "minor": [8500],
            "currency": ["EUR"],
            "day": [date(2024, 1, 2)],
            "buyer_country": ["PT"],
            "card_kind": ["consumer-debit"],
            "weight": [12],
        }
    )
    held = columns.orders(frame)
    month = Month(columns, held, columns.price(held, Asking(None, frozenset({"returned", "graduated"}))), 4)
    start = month.routes(["orlenta/start/card"])["orlenta/start/card"]
    assert [start.orders, start.amount, start.fees] == [3, 255, 3 * Fraction(127, 100)]
    assert start.returned == 3 * Fraction("1.02")
    plan = Plan("orlenta/start", ("orlenta/start/card",), ZERO, ZERO)
    assert month.graduated(plan) == (ZERO, 3 * Fraction(127, 100))
    assert month.plans([]).cost == 0
