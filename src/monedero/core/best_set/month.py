"""The month of a set of ways: what its buyers choose, what each plan carries, what it costs and what is left.

A buyer takes the first method of the ranking that is in the set and carries the order; if there is none, the order is
lost. Prices may depend on what an account takes in the month: the volumes are asked again, beginning with what each
plan could carry at most, until they settle; of a circle the largest of each plan counts.

Source: own design.

>>> month_of(Demand([], [], {}, [], {}), Chosen((), ())).lost
Fraction(0, 1)
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.demand import NO_ORDERS, Cell, Demand, OnCard, Orders, Way
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At, Fees
from monedero.core.ratecard.volume import Reached

Levels = Mapping[str, Mapping[int, Reached]]


class Chosen(NamedTuple):
    """A set: its plans, and its ways, of each method one; in a checkout several, of which the earlier goes first."""

    plans: tuple[str, ...]
    ways: tuple[Way, ...]


class WayMonth(NamedTuple):
    """The orders that take a way in a month, their fees, their cost, and what is left of them but for the plan."""

    way: Way
    orders: Orders
    fees: Fraction
    cost: Fraction
    value: Fraction


class PlanMonth(NamedTuple):
    """A plan of a set over the month: what it carries, its charge, and what its fees lack of its minimum."""

    plan: str
    volume: Fraction
    monthly: Fraction
    shortfall: Fraction


@dataclass(frozen=True)
class SetMonth:
    """A set over the month; money is in whole units of the shop's currency."""

    chosen: Chosen
    ways: tuple[WayMonth, ...]
    plans: tuple[PlanMonth, ...]
    lost: Fraction
    lost_margin: Fraction | None
    lost_cost: Fraction
    knows_margins: bool

    @property
    def carried(self) -> Fraction:
        """The orders that find a way that they take."""
        return sum((way.orders.orders for way in self.ways), ZERO)

    @property
    def fees(self) -> Fraction:
        """The fees of all orders that are carried."""
        return sum((way.fees for way in self.ways), ZERO)

    @property
    def monthly(self) -> Fraction:
        """The plans' charges."""
        return sum((plan.monthly for plan in self.plans), ZERO)

    @property
    def shortfall(self) -> Fraction:
        """The missing fees up to the plans' minimums."""
        return sum((plan.shortfall for plan in self.plans), ZERO)

    @property
    def cost(self) -> Fraction:
        """The all-in cost of what is carried, with charges and shortfalls."""
        return sum((way.cost for way in self.ways), ZERO) + self.monthly + self.shortfall

    @property
    def left(self) -> Fraction | None:
        """The margins less all costs; None where a margin is not known."""
        if not self.knows_margins:
            return None
        return sum((way.value for way in self.ways), ZERO) - self.lost_cost - self.monthly - self.shortfall

    @property
    def merit(self) -> tuple[Fraction, ...]:
        """The figures by which sets are compared, the first before all others."""
        return (self.carried, -self.cost) if self.left is None else (self.left,)


class MonthMove(NamedTuple):
    """The difference of a month after a change to the one before it; `left` is None where a margin is not known."""

    left: Fraction | None
    lost: Fraction
    cost: Fraction


def moved_to(before: SetMonth, after: SetMonth) -> MonthMove:
    """The difference of two months."""
    left = None if before.left is None or after.left is None else after.left - before.left
    return MonthMove(left, after.lost - before.lost, after.cost - before.cost)


class SettledSet:
    """A set at the volumes that its plans carry in the month: which way each buyer takes, and what it costs."""

    def __init__(self, demand: Demand, chosen: Chosen) -> None:
        """Asks for the volumes until they settle."""
        self.demand, self.chosen = demand, chosen
        self.by_method = by_method(chosen.ways)
        self.plans = {name: demand.plans[name] for name in chosen.plans}
        self.volumes = self._settled()
        self._levels = levels_at(self.plans, self.volumes)
        self._steps = {name: list(entry.card.walk(self.volumes[name])) for name, entry in self.plans.items()}

    def taken(self, cell: Cell, ways: Mapping[str, Sequence[Way]] | None = None) -> Way | None:
        """The way that the buyers of a cell take, of all ways or of some by method."""
        return taken(cell, self.by_method if ways is None else ways, self.plans, self._levels)

    def stands(self, cell: Cell, way: Way) -> bool:
        """True if a way of the set carries the orders of a cell."""
        return cell.carries(at_level(cell.days, way, self.plans, self._levels))

    def fees(self, cell: Cell, way: Way) -> Fees:
        """The fees of a cell's orders on a way, spread evenly over the bands that the volume fills."""
        if way.plan is None:
            return cell.fees(At(way.route, None))
        days = cell.days.get(self.plans[way.plan].plan.provider, 0)
        fees = returned = ZERO
        for step in self._steps[way.plan]:
            if step.days == days:
                paid = cell.fees(At(way.route, step.reached))
                fees, returned = fees + step.share * paid.fees, returned + step.share * paid.returned
        return Fees(fees, returned)

    def value(self, cell: Cell, way: Way) -> Fraction:
        """The money that a cell's orders leave on a way, without the plan's month; an unknown margin counts nothing."""
        terms = self.demand.terms[way.route]
        return terms.value(cell.orders, self.fees(cell, way)) + terms.completes * cell.surcharge(way.route)

    def _settled(self) -> dict[str, Fraction]:
        """The volume that each plan carries in the month."""
        seen = [{name: max(entry.card.edges) for name, entry in self.plans.items()}]
        while True:
            levels = levels_at(self.plans, seen[-1])
            volumes = dict.fromkeys(self.plans, ZERO)
            for cell in self.demand.cells:
                way = taken(cell, self.by_method, self.plans, levels)
                if way is not None and way.plan is not None:
                    volumes[way.plan] += cell.orders.amount
            if volumes in seen:
                circle = seen[seen.index(volumes) :]
                return {name: max(entry[name] for entry in circle) for name in self.plans}
            seen.append(volumes)


def month_of(demand: Demand, chosen: Chosen) -> SetMonth:
    """The month of a set, exactly."""
    return month_at(SettledSet(demand, chosen))


def month_at(settled: SettledSet) -> SetMonth:
    """The month of a set at its volumes."""
    demand, chosen = settled.demand, settled.chosen
    orders = dict.fromkeys(chosen.ways, NO_ORDERS)
    fees = dict.fromkeys(chosen.ways, Fees(ZERO, ZERO))
    surcharges = dict.fromkeys(chosen.ways, ZERO)
    lost = NO_ORDERS
    for cell in demand.cells:
        way = settled.taken(cell)
        if way is None:
            lost = lost.plus(cell.orders)
        else:
            orders[way] = orders[way].plus(cell.orders)
            fees[way] = Fees(*(one + two for one, two in zip(fees[way], settled.fees(cell, way), strict=True)))
            surcharges[way] += cell.surcharge(way.route)
    ways = tuple(_of_way(demand, way, orders[way], fees[way], surcharges[way]) for way in chosen.ways)
    without = lost.orders + demand.unbrought
    return SetMonth(
        chosen=chosen,
        ways=ways,
        plans=tuple(_of_plan(entry, ways, settled.volumes[name]) for name, entry in settled.plans.items()),
        lost=without,
        lost_margin=lost.margin,
        lost_cost=demand.lost_order * without,
        knows_margins=demand.knows_margins,
    )


def by_method(ways: Iterable[Way]) -> dict[str, list[Way]]:
    """Ways by their methods; those of one method in the sequence in which they are given."""
    found: dict[str, list[Way]] = {}
    for way in ways:
        found.setdefault(way.method, []).append(way)
    return found


def _of_way(demand: Demand, way: Way, orders: Orders, fees: Fees, surcharge: Fraction) -> WayMonth:
    terms = demand.terms[way.route]
    cost = terms.cost(orders, fees) - surcharge
    return WayMonth(way, orders, fees.fees, cost, terms.value(orders, fees) + terms.completes * surcharge)


def _of_plan(entry: OnCard, ways: Iterable[WayMonth], volume: Fraction) -> PlanMonth:
    paid = sum((way.fees for way in ways if way.way.plan == entry.plan.id), ZERO)
    return PlanMonth(entry.plan.id, volume, entry.plan.monthly, max(ZERO, entry.plan.minimum - paid))


def taken(
    cell: Cell, ways: Mapping[str, Sequence[Way]], plans: Mapping[str, OnCard], levels: Levels
) -> Way | None:
    """The way that the buyers of a cell take: the first method that they rank that is there and carries the orders; of
    several ways of one method the first that does.
    """
    for method in cell.methods:
        for way in ways.get(method, ()):
            if cell.carries(at_level(cell.days, way, plans, levels)):
                return way
    return None


def at_level(days: Mapping[str, int], way: Way, plans: Mapping[str, OnCard], levels: Levels) -> At:
    """A way at what its account's volume reaches on a group of days."""
    if way.plan is None:
        return At(way.route, None)
    return At(way.route, levels[way.plan][days.get(plans[way.plan].plan.provider, 0)])


def levels_at(plans: Mapping[str, OnCard], volumes: Mapping[str, Fraction]) -> Levels:
    """The level that each plan's account reaches at a volume, by group of days."""
    return {
        name: {step.days: step.reached for step in entry.card.ended(volumes[name])}
        for name, entry in plans.items()
    }
