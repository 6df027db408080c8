"""What buyers would do with a month's orders, whichever ways are offered: cells of orders that are all chosen alike.

A cell is the orders of a class by the buyers of a ranking: those of one ranking and one class take the same way of
every set. Cells of several countries that do are one. Everything in a cell is by share of those buyers.

Source: own design; ranking-based choice as in Farias, Jagabathula and Shah, Management Science 59(2), 2013.

>>> terms = RouteTerms(by_fee=Fraction(1), completes=Fraction(9, 10), lost_order=Fraction(2))
>>> terms.value(Orders(Fraction(10), Fraction(500), Fraction(100)), Fees(Fraction(10), Fraction(0)))
Fraction(79, 1)
>>> terms.cost(Orders(Fraction(10), Fraction(500), None), Fees(Fraction(10), Fraction(0)))
Fraction(10, 1)
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from functools import cached_property
from typing import NamedTuple

from monedero.core.buyers.ranking import Ranking, Rankings
from monedero.core.columns.card import CardColumns
from monedero.core.columns.classes import At, Fees, OrderClass
from monedero.core.columns.level import ZERO, PlanColumns
from monedero.core.ratecard.volume import Reached

ONE = Fraction(1)


class Way(NamedTuple):
    """A method on one of the routes on which it can be had; an arrangement of the shop's own has no plan."""

    method: str
    route: str
    plan: str | None


class Orders(NamedTuple):
    """So many orders, what they come to and their margin, in the shop's currency; a margin of None is not known."""

    orders: Fraction
    amount: Fraction
    margin: Fraction | None

    def plus(self, other: "Orders") -> "Orders":
        """The orders of both."""
        margin = None if self.margin is None or other.margin is None else self.margin + other.margin
        return Orders(self.orders + other.orders, self.amount + other.amount, margin)

    def times(self, share: Fraction) -> "Orders":
        """A share of them."""
        return Orders(
            self.orders * share, self.amount * share, None if self.margin is None else self.margin * share
        )


NO_ORDERS = Orders(ZERO, ZERO, ZERO)


class RouteTerms(NamedTuple):
    """What orders bear on a route: cost = slope x amount + intercept x orders + by_fee x fees + by_returned x returned.

    `completes` is the share of the orders that is finished; each other one costs what a lost order does. Without
    assumptions the cost is the fee.
    """

    slope: Fraction = ZERO
    intercept: Fraction = ZERO
    by_fee: Fraction = ONE
    by_returned: Fraction = ZERO
    completes: Fraction = ONE
    lost_order: Fraction = ZERO

    def cost(self, orders: Orders, fees: Fees) -> Fraction:
        """The all-in cost of some orders, but for the plan's month."""
        return (
            self.slope * orders.amount
            + self.intercept * orders.orders
            + self.by_fee * fees.fees
            + self.by_returned * fees.returned
        )

    def value(self, orders: Orders, fees: Fees) -> Fraction:
        """What is left of some orders, but for the plan's month; a margin that is not known counts as nothing."""
        kept = self.completes * ((orders.margin or ZERO) - self.cost(orders, fees))
        return kept - (1 - self.completes) * self.lost_order * orders.orders


@dataclass(slots=True)
class Cell:
    """Orders that are all chosen alike: the methods that their buyers take, and what the routes of these cost.

    `days` says by provider in which group of days they lie; where it does not, there is one group.
    """

    methods: tuple[str, ...]
    days: Mapping[str, int]
    orders: Orders
    fees: dict[At, Fees] = field(default_factory=dict)


class OnCard(NamedTuple):
    """A plan, and its card with the orders of the month."""

    plan: PlanColumns
    card: CardColumns


@dataclass(frozen=True)
class Demand:
    """The orders of a month, what buyers choose, and everything that may be offered to them.

    `plans` and `ways` stand in the sequence of cards, plans and methods, then the shop's own. `unbrought` orders have
    no reference rate to the shop's currency: they are lost. `classes` are what the cells were made of.
    """

    cells: Sequence[Cell]
    classes: Sequence[OrderClass]
    plans: Mapping[str, OnCard]
    ways: Sequence[Way]
    terms: Mapping[str, RouteTerms]
    unbrought: Fraction = ZERO
    lost_order: Fraction = ZERO

    @cached_property
    def every(self) -> Orders:
        """All orders of the month that can be brought to the shop's currency."""
        found = NO_ORDERS
        for cell in self.cells:
            found = found.plus(cell.orders)
        return found

    @property
    def knows_margins(self) -> bool:
        """True if the margin of every order is known."""
        return self.every.margin is not None

    @cached_property
    def of_plan(self) -> Mapping[str, Sequence[Way]]:
        """The ways of each plan."""
        return {plan: [way for way in self.ways if way.plan == plan] for plan in self.plans}

    @cached_property
    def flat(self) -> Mapping[str, Reached]:
        """What is reached on the cards whose prices do not depend on the volume, by provider."""
        return {
            entry.plan.provider: next(iter(entry.card.ended(ZERO))).reached
            for entry in self.plans.values()
            if not entry.card.by_volume
        }


def cells_of(found: Iterable[OrderClass], rankings: Rankings, ways: Sequence[Way]) -> list[Cell]:
    """The cells of a month's classes; refuses a country with orders and without buyers."""
    by_route = {way.route: way.method for way in ways}
    cells: dict[tuple[object, ...], Cell] = {}
    for entry in found:
        by_method: dict[str, dict[At, Fees]] = {}
        for at, fees in entry.fees.items():
            if at.route in by_route:
                by_method.setdefault(by_route[at.route], {})[at] = fees
        ats = {method: frozenset(fees) for method, fees in by_method.items()}
        days = tuple(entry.days.items())
        for ranking in _alike(rankings.of(entry.country), by_method):
            key = (ranking.methods, days, *(ats[method] for method in ranking.methods))
            cell = cells.setdefault(key, Cell(ranking.methods, entry.days, NO_ORDERS))
            cell.orders = cell.orders.plus(Orders(entry.orders, entry.amount, entry.margin).times(ranking.share))
            for method in ranking.methods:
                for at, fees in by_method[method].items():
                    before = cell.fees.get(at, Fees(ZERO, ZERO))
                    cell.fees[at] = Fees(
                        *(one + ranking.share * two for one, two in zip(before, fees, strict=True))
                    )
    return list(cells.values())


def _alike(rankings: Iterable[Ranking], carried: Mapping[str, object]) -> list[Ranking]:
    """Rankings without what cannot carry the orders; those that are then the same are one, and none has no share."""
    shares: dict[tuple[str, ...], Fraction] = {}
    for ranking in rankings:
        methods = tuple(method for method in ranking.methods if method in carried)
        shares[methods] = shares.get(methods, ZERO) + ranking.share
    return [Ranking(share, methods) for methods, share in shares.items() if share]
