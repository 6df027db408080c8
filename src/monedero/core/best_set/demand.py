"""A month's orders in cells: the orders of a cell all take the same way, whichever ways are offered.

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
from monedero.core.columns.level import ZERO, PlanColumns
from monedero.core.columns.order_class import At, Fees, OrderClass
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
    """The cost of orders on a route, and what they leave.

    cost = slope x amount + intercept x orders + by_fee x fees + by_returned x returned.

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
        """The margin of some orders less their cost, without the plan's month; an unknown margin counts as nothing."""
        kept = self.completes * ((orders.margin or ZERO) - self.cost(orders, fees))
        return kept - (1 - self.completes) * self.lost_order * orders.orders


@dataclass
class Cell:
    """Orders that are all chosen alike: the methods that their buyers take, and the shares of classes that they are.

    Those classes have their groups of days, and the routes that carry them, in common.
    """

    methods: tuple[str, ...]
    parts: list[tuple[Fraction, OrderClass]] = field(default_factory=list)

    @property
    def days(self) -> Mapping[str, int]:
        """By provider, the group of days in which the orders lie; where it does not say, there is one group."""
        return self.parts[0][1].days

    @cached_property
    def orders(self) -> Orders:
        """How many orders there are, and what they come to."""
        found = NO_ORDERS
        for share, entry in self.parts:
            found = found.plus(Orders(entry.orders, entry.amount, entry.margin).times(share))
        return found

    def carries(self, at: At) -> bool:
        """True if a route carries the orders at a level."""
        return at in self.parts[0][1].fees

    @property
    def carried_at(self) -> Iterable[At]:
        """Every route that carries the orders, at each level."""
        return self.parts[0][1].fees

    def fees(self, at: At) -> Fees:
        """The fees of the orders on a route at a level."""
        held = [(share, entry.fees[at]) for share, entry in self.parts]
        return Fees(
            sum((share * fees.fees for share, fees in held), ZERO),
            sum((share * fees.returned for share, fees in held), ZERO),
        )

    def surcharge(self, route: str) -> Fraction:
        """The buyer fees of the orders on a route of a checkout, without their tax; there a route is a tender's id."""
        return sum((share * entry.surcharges.get(route, ZERO) for share, entry in self.parts), ZERO)


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
        """The one level of each card whose prices do not depend on the volume, by provider."""
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
        by_method: dict[str, list[At]] = {}
        for at in entry.fees:
            by_method.setdefault(by_route[at.route], []).append(at)
        ats = {method: frozenset(held) for method, held in by_method.items()}
        days = tuple(entry.days.items())
        for ranking in _alike(rankings.of(entry.country), by_method):
            key = (ranking.methods, days, *(ats[method] for method in ranking.methods))
            cells.setdefault(key, Cell(ranking.methods)).parts.append((ranking.share, entry))
    return list(cells.values())


def _alike(rankings: Iterable[Ranking], carried: Mapping[str, object]) -> list[Ranking]:
    """Rankings without what cannot carry the orders; those that are then the same are one, and none has no share."""
    shares: dict[tuple[str, ...], Fraction] = {}
    for ranking in rankings:
        methods = tuple(method for method in ranking.methods if method in carried)
        shares[methods] = shares.get(methods, ZERO) + ranking.share
    return [Ranking(share, methods) for methods, share in shares.items() if share]
