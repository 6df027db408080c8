"""The shop's orders of a month as a decision sees them, and the costs of tenders for orders like one.

What the profile does not tell of an order is as in the order in hand where there is one: how it is delivered, if its
line may go that way, who the buyer is, and the address, if the buyer is of that country. A month is a forecast: its
orders are decided and priced on one day.
"""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date
from fractions import Fraction

import polars as pl

from monedero.core.checkout.coverage.share import PlacedMonth
from monedero.core.checkout.limit_cost import SameOrders
from monedero.core.checkout.model import Tender
from monedero.core.columns.typed import over_cards, typed_rows
from monedero.core.curve.pieces import Curve
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Order
from monedero.core.order.of_lines import with_lines
from monedero.core.profile import Source
from monedero.core.shop import Line, Shop
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.compare.candidates import in_question, key_of, open_candidates
from monedero.work.compare.curves import all_in_curve
from monedero.work.context import Context
from monedero.work.month.figures import month_of
from monedero.work.month.orders_in_columns import months_between
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.shop.delivered import way_of
from monedero.work.shop.order_in_hand import OrderInHand

ALIKE = ("currency", "country", "card_network", "card_kind", "recurring", "kinds", "line")


def same_orders(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> list[SameOrders]:
    """The month in groups of orders that differ in their amount alone."""
    lines = {line.id: line for line in snapshot.shop.lines}
    return [
        replace(told, order=as_in_hand(told.order, hand, lines))
        for told in told_orders(context, hand.order.placed_on)
    ]


def told_orders(context: Context, day: date, shop: Shop | None = None) -> list[SameOrders]:
    """The month in groups of orders that differ in their amount alone, as far as the profile tells.

    With a `shop` the orders are those that it sells, such as the one of an edition; else the shop as it stands.
    """
    inputs = inputs_of(context)
    if shop is not None and shop != inputs.shop:
        return [SameOrders(order, amounts) for order, amounts in _orders(context, inputs, day, shop)]

    def compute() -> list[SameOrders]:
        return [SameOrders(order, amounts) for order, amounts in _orders(context, inputs, day, inputs.shop)]

    found: list[SameOrders] = inputs.by_day.get(("told", day), compute)
    return found


def placed_orders(context: Context, day: date, shop: Shop | None = None) -> PlacedMonth:
    """The same month, as it is held against what coverage finds; kept until the shop or its month changes."""
    inputs = inputs_of(context)
    if shop is not None and shop != inputs.shop:
        return PlacedMonth(told_orders(context, day, shop))
    found: PlacedMonth = inputs.by_day.get(("placed", day), lambda: PlacedMonth(told_orders(context, day)))
    return found


def _orders(
    context: Context, inputs: CompareInputs, day: date, shop: Shop
) -> list[tuple[Order, dict[int, Fraction]]]:
    frame, over = _rows(context, inputs, day, shop)
    groups = frame.group_by([*ALIKE, "minor"], maintain_order=True).agg(pl.col("weight").sum())
    alike: dict[tuple[object, ...], dict[int, Fraction]] = defaultdict(dict)
    for *facts, minor, weight in groups.iter_rows():
        alike[tuple(facts)][minor] = Fraction(weight, over)
    lines = {line.id: line for line in shop.lines}
    return [(order_told(lines, day, facts), amounts) for facts, amounts in alike.items()]


def _rows(context: Context, inputs: CompareInputs, day: date, shop: Shop) -> tuple[pl.DataFrame, int]:
    """The rows of the profile, and what their weights are over."""
    if inputs.profile.source is Source.PAST_ORDERS:
        counts = context.shop.past_orders.counts()
        frame, over = over_cards(context.shop.past_orders.paid(), inputs.profile.cards)
        return frame, over * months_between(counts.first, counts.last)
    return typed_rows(inputs.profile, shop, day, inputs.rates)


def order_told(lines: Mapping[str, Line], day: date, facts: Sequence[object]) -> Order:
    """An order of the month, of a shop with some lines."""
    currency, country, network, kind, recurring, kinds, named = facts
    line = lines.get(str(named))
    order = Order(
        amount=Money(1, str(currency)),
        country=str(country),
        placed_on=day,
        kinds=frozenset(map(LineKind, str(kinds).split("+"))) if kinds else frozenset(),
        recurring=None if recurring is None else bool(recurring),
        card_network=None if network is None else str(network),
        card_kind=None if kind is None else CardKind(str(kind)),
        lines=(line.id,) if line else (),
    )
    return with_lines(order, lines)


def as_in_hand(order: Order, hand: OrderInHand, lines: Mapping[str, Line]) -> Order:
    """An order of the month, with what the order in hand tells of it; it goes its line's first way where no other is
    said.
    """
    here = hand.order.country == order.country
    line = lines.get(order.lines[0]) if order.lines else None
    ways = line.deliveries or [] if line else []
    goes = hand.order.delivery if hand.order.delivery in ways else next(iter(ways), None)
    return replace(
        order,
        postcode=hand.order.postcode if here else None,
        town=hand.order.town if here else None,
        customer_group=hand.order.customer_group,
        storefront=hand.order.storefront,
        device=hand.order.device,
        signed_in=hand.order.signed_in,
        delivery=order.delivery or goes,
    )


def curves_of(
    context: Context, inputs: CompareInputs, hand: OrderInHand, tenders: Sequence[Tender]
) -> dict[str, Curve]:
    """The all-in costs of tenders for orders like one, by tender; kept until a price or a buyer fee changes.

    Tenders of which nothing is known are left out. Two tenders of one route differ in their buyer fees.
    """
    wanted = tuple((tender.id, key_of(tender.route, tender.method), str(tender.fee)) for tender in tenders)
    order, way = hand.order, way_of(inputs.shop, hand)
    key = ("all-in", order.known, order.placed_on, way and way.id, wanted)

    def compute() -> dict[str, Curve]:
        asked = in_question(context, hand)
        if asked.to_books is None:
            return {}
        month = month_of(context, order.placed_on)
        entries = {entry.key: entry for entry in open_candidates(asked)}
        return {
            id: all_in_curve(asked.by(tender), month, entries[key])
            for tender, (id, key, _) in zip(tenders, wanted, strict=True)
            if key in entries
        }

    found: dict[str, Curve] = inputs.by_day.get(key, compute)
    return found
