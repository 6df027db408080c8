"""The month of a checkout: the orders that find a way that they take, what is left, and what each limit costs.

A month is a forecast: its orders are decided and priced on one day. Accounts are as they stand. What the month does
not tell of an order is as in the order in hand.
"""

from bisect import bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from fractions import Fraction

import polars as pl

from monedero.core.best_set.demand import Demand, cells_of
from monedero.core.best_set.month import Chosen, SetMonth, SettledSet, month_at
from monedero.core.best_set.offered import OfTender, limit_costs, of_tenders
from monedero.core.buyers.ranking import Rankings
from monedero.core.checkout.decision import Decision
from monedero.core.checkout.limit_cost import LimitCost, Offer, offers_by_amount
from monedero.core.columns.classes import ClassColumns
from monedero.core.columns.fees import name_of
from monedero.core.columns.order_class import CHARGED, OrderClass, Parts
from monedero.core.columns.orders import OrderColumns
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.checkout.month_of_orders import as_in_hand, order_told
from monedero.work.checkout.offer import decision_of
from monedero.work.context import Context
from monedero.work.month.buyers import shop_rankings
from monedero.work.month.costs import Month, the_month
from monedero.work.month.demand import arranged_in, demand_of
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.shop.buyers_order import RETAIL
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True)
class OfferedMonth:
    """The month of a checkout: its tenders as a set over the orders for which they are offered.

    `classes` are of the orders, carried by the tenders that are offered for them.
    """

    currency: str
    settled: SettledSet
    month: SetMonth
    classes: Sequence[OrderClass]
    tenders: Mapping[str, OfTender]
    offers: Sequence[Offer]
    rankings: Rankings
    _every: Sequence[OrderClass] = field(repr=False)

    def limits(self) -> dict[tuple[str, str], LimitCost]:
        """The cost of each end of each window that keeps an order from a tender, by tender and end."""
        every = of_tenders(self._every, self.offers, self.tenders, kept=True)
        return limit_costs(self.settled, every, self.offers, self.tenders, self.rankings)


def offered_month(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> OfferedMonth:
    """The month of a draft or an edition, for orders that are like the order in hand in what the month does not tell.

    It is worked out once for a checkout as it stands.
    """
    inputs, order = inputs_of(context), hand.order
    said = order.on(Money(1, order.amount.currency), order.placed_on)
    # The shop of an edition is as it was when it was published: where nothing of it changed since, an edition and a
    # draft with the same ways have the same month.
    as_now = snapshot.shop == inputs.shop and snapshot.methods.items() <= inputs.methods.items()
    key = (None if as_now else snapshot.edition, snapshot.checkout.model_dump_json(), said)
    found: OfferedMonth = inputs.offered_months.get(key, lambda: _made(context, inputs, snapshot, hand))
    return found


def usual_hand(snapshot: CheckoutSnapshot, day: date) -> OrderInHand | None:
    """The order in hand where nobody says one: a retail buyer, of whom nothing else is known; None without a line or
    market.
    """
    shop = snapshot.shop
    if not shop.lines or not shop.markets:
        return None
    market = shop.markets[0]
    order = Order(
        Money(1, market.currency),
        market.country,
        day,
        customer_group=RETAIL,
        storefront=snapshot.checkout.storefront,
    )
    return OrderInHand(order, market, shop.lines[0])


def month_as_it_stands(context: Context, day: date) -> OfferedMonth | None:
    """The month of the draft for usual buyers; None where nothing of it is on, or there are no lines or markets."""
    snapshot = drafted(context)
    hand = usual_hand(snapshot, day)
    found = offered_month(context, snapshot, hand) if hand else None
    return found if found and found.tenders else None


def _made(context: Context, inputs: CompareInputs, snapshot: CheckoutSnapshot, hand: OrderInHand) -> OfferedMonth:
    day = hand.order.placed_on
    demand, month, decision = demand_of(context, day), the_month(context, day), decision_of(context, snapshot)
    tenders = _tenders(demand, decision)
    ways = [entry.way for entry in tenders.values()]
    plans = {name: demand.plans[name] for name in demand.plans if any(way.plan == name for way in ways)}
    parts = _Parts(decision, snapshot, hand, month.orders.columns, inputs)
    columns = _columns(inputs, month, day, tenders, frozenset(entry.plan.provider for entry in plans.values()))
    every = columns.classes(parts.cut())
    classes = list(of_tenders(every, parts.offers, tenders, kept=False))
    rankings = shop_rankings(inputs, {entry.country for entry in classes})
    offered = Demand(
        cells=cells_of(classes, rankings, ways),
        classes=classes,
        plans=plans,
        ways=ways,
        terms={entry.way.route: demand.terms[entry.route] for entry in tenders.values()},
        unbrought=demand.unbrought,
        lost_order=demand.lost_order,
    )
    settled = SettledSet(offered, Chosen(tuple(plans), tuple(ways)))
    return OfferedMonth(
        currency=inputs.shop.currency,
        settled=settled,
        month=month_at(settled),
        classes=classes,
        tenders=tenders,
        offers=parts.offers,
        rankings=rankings,
        _every=every,
    )


def _tenders(demand: Demand, decision: Decision) -> dict[str, OfTender]:
    """The tenders that are on and have a price in the month, in sequence."""
    by_route = {way.route: way for way in demand.ways}
    found = {}
    for tender in decision.in_place:
        route = name_of(tender.route) if tender.route else tender.method
        if (tender.on or tender.follows) and route in by_route:
            found[tender.id] = OfTender(by_route[route]._replace(route=tender.id), route)
    return found


def _columns(
    inputs: CompareInputs,
    month: Month,
    day: date,
    tenders: Mapping[str, OfTender],
    providers: frozenset[str],
) -> ClassColumns:
    """The orders on the routes of a checkout and by its arrangements, priced once."""
    own = frozenset(entry.route for entry in tenders.values() if entry.way.plan is None)
    routes = frozenset(entry.route for entry in tenders.values() if entry.way.plan is not None)
    cards = [card for name, card in month.cards.items() if name in providers]
    arranged = [entry for entry in arranged_in(inputs, month, day) if entry.method in own]
    columns: ClassColumns = inputs.month_frames.get(
        ("columns", day, routes, own),
        lambda: ClassColumns(month.orders.columns, cards, arranged, only=routes),
    )
    return columns


class _Parts:
    """Cuts the month into parts for which the same tenders are offered."""

    def __init__(
        self,
        decision: Decision,
        snapshot: CheckoutSnapshot,
        hand: OrderInHand,
        orders: OrderColumns,
        inputs: CompareInputs,
    ) -> None:
        self._decision, self._hand, self._shop, self._orders = decision, hand, snapshot.shop, orders
        self._inputs = inputs
        self._lines = {line.id: line for line in snapshot.shop.lines}
        self._numbers: dict[Offer, int] = {}
        self._decided: dict[object, tuple[int, list[tuple[int, int]]]] = {}
        self._charging = [tender.id for tender, _ in decision.tenders if tender.fee is not None]

    @property
    def offers(self) -> list[Offer]:
        """The offers of the parts, by their numbers."""
        return list(self._numbers)

    def cut(self) -> Parts:
        """The part of every order, and the buyer fees of tenders for it."""
        frame, groups, orders = self._told()
        decided = [self._stretches(order)[0] for order in orders]
        groups = groups.with_columns(pl.Series("decided", decided, dtype=pl.UInt32))
        begins = [
            (number, begin, part) for number, stretches in self._decided.values() for begin, part in stretches
        ]
        schema = {"decided": pl.UInt32, "minor": pl.Int64, "part": pl.UInt32}
        stretches = pl.DataFrame(begins, schema=schema, orient="row").sort("minor")
        rows = frame.join(groups, on="group", how="left", maintain_order="left").join_asof(
            stretches, on="minor", by="decided", strategy="backward", check_sortedness=False
        )
        for tender in self._charging:
            rows = rows.join(self._charged(rows, orders, tender), on=["group", "minor"], how="left")
        names = [f"{CHARGED}{tender}" for tender in self._charging]
        return Parts(rows.select("row", "part", *names), self._long())

    def _told(self) -> tuple[pl.DataFrame, pl.DataFrame, list[Order]]:
        """The rows, groups of rows that differ in their amount alone, and an order of each; no draft changes them."""
        order = self._hand.order
        said = order.on(Money(1, order.amount.currency), order.placed_on)

        def tell() -> tuple[pl.DataFrame, pl.DataFrame, list[Order]]:
            frame = self._orders.frame.select("row", "known", "line", pl.col("minor").cast(pl.Int64))
            groups = frame.select("known", "line").unique(maintain_order=True).with_row_index("group")
            rows = frame.join(groups, on=["known", "line"], how="left", nulls_equal=True)
            orders = [self._order(known, line) for _, known, line in groups.iter_rows()]
            return rows.sort("minor").select("row", "group", "minor"), groups.select("group"), orders

        found: tuple[pl.DataFrame, pl.DataFrame, list[Order]]
        found = self._inputs.month_frames.get(("told", self._shop.model_dump_json(), said), tell)
        return found

    def _order(self, known: int, line: str | None) -> Order:
        """An order of a group, with the order in hand for what is not told."""
        of = self._orders.known[known]
        kinds = "+".join(sorted(of.kinds))
        facts = (of.currency, of.country, of.card_network, of.card_kind, of.recurring, kinds, line)
        order = order_told(self._lines, self._hand.order.placed_on, facts)
        return as_in_hand(order, self._hand, self._lines)

    def _stretches(self, order: Order) -> tuple[int, list[tuple[int, int]]]:
        """The number of orders that are decided alike, and their parts, each from an amount on."""
        key = (order.amount.currency, self._decision.alike(order))
        if key not in self._decided:
            parts = [
                (begin, self._numbers.setdefault(offer, len(self._numbers)))
                for begin, offer in offers_by_amount(self._decision, order)
            ]
            self._decided[key] = len(self._decided), parts
        return self._decided[key]

    def _charged(self, rows: pl.DataFrame, orders: Sequence[Order], tender: str) -> pl.DataFrame:
        """The fee of a tender for each group and amount for which it is offered, or would be but for a limit."""
        parts = [
            number
            for offer, number in self._numbers.items()
            if tender in offer.tenders or any(tender == kept for kept, _ in offer.kept)
        ]
        met = rows.filter(pl.col("part").is_in(parts)).select("group", "minor").unique()
        fees = [self._kept(tender, orders[group], minor) for group, minor in met.iter_rows()]
        return met.with_columns(pl.Series(f"{CHARGED}{tender}", fees, dtype=pl.Int64))

    def _kept(self, tender: str, order: Order, minor: int) -> int | None:
        """The fee of a tender for an amount, without its tax; None where it is not known."""
        charged = self._decision.charged(tender, order.on(Money(minor, order.amount.currency), order.placed_on))
        return charged.kept.minor if charged and charged.kept else None

    def _long(self) -> dict[int, tuple[int, Mapping[str, Fraction]]]:
        """The part and the fees of the orders that are too long for columns."""
        found: dict[int, tuple[int, Mapping[str, Fraction]]] = {}
        for entry in self._orders.long:
            order = as_in_hand(entry.order, self._hand, self._lines)
            _, stretches = self._stretches(order)
            minor = entry.order.amount.minor
            part = stretches[bisect_right([begin for begin, _ in stretches], minor) - 1][1]
            fees = {tender: self._kept(tender, order, minor) or 0 for tender in self._charging}
            found[entry.row] = part, {tender: fee * entry.value for tender, fee in fees.items()}
        return found
