"""A plan's month for every volume: the orders that its buyers bring to it, all of them scaled together.

Buyers find every way of the plan and nothing else. Between two ends of bands the fees are a straight line: what lies in
the bands below is paid at their prices, the rest at the price of the band that is reached. Where the plan no longer
carries the same orders by the same ways there is no line.

Source: own design; a test holds it against the months of so many times as many orders.

>>> added(Curve((Piece(ZERO, None, ZERO, ZERO + 5),)), [Piece(ZERO, None, ZERO + 2, ZERO)]).at(ZERO + 3)
Fraction(11, 1)
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.best_set.demand import Cell, Demand, Orders, Way
from monedero.core.best_set.month import Chosen, SettledSet, levels_at, taken
from monedero.core.columns.card import Step
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At, Fees
from monedero.core.cost.volume import plan_curve
from monedero.core.curve.pieces import Curve, Piece, joined


@dataclass(frozen=True)
class ByVolume:
    """A plan for every volume: what a month costs with it, the shop's own volume there, and which orders it carries.

    `carried` are the numbers of the demand's cells.
    """

    plan: str
    cost: Curve
    own: Fraction
    carried: frozenset[int]


def by_volume(demand: Demand, plan: str) -> ByVolume:
    """A plan with all its ways; its cost is nowhere where it carries nothing."""
    settled = SettledSet(demand, Chosen((plan,), tuple(demand.of_plan[plan])))
    ways = {number: way for number, cell in enumerate(demand.cells) if (way := settled.taken(cell)) is not None}
    own = settled.volumes[plan]
    scaled = _Scaled(demand, plan, settled, ways)
    return ByVolume(plan, scaled.cost(own) if own else Curve(()), own, frozenset(ways))


@dataclass(frozen=True)
class _Scaled:
    """The orders that a plan carries, by the way that each takes."""

    demand: Demand
    plan: str
    settled: SettledSet
    ways: Mapping[int, Way]

    def cost(self, own: Fraction) -> Curve:
        entry = self.demand.plans[self.plan]
        edges = entry.card.edges
        fees, others = [], []
        for start, below in zip(edges, [*edges[1:], None], strict=True):
            if self._same_at(start):
                fee, other = self._line(start, own, below)
                fees.append(fee)
                others.append(other)
        return added(plan_curve(fees, entry.plan.monthly, entry.plan.minimum), others)

    def _same_at(self, volume: Fraction) -> bool:
        """True if every order takes the way that it takes at the shop's own volume."""
        plans = self.settled.plans
        levels = levels_at(plans, {self.plan: volume})
        now = (taken(cell, self.settled.by_method, plans, levels) for cell in self.demand.cells)
        return all(way == self.ways.get(number) for number, way in enumerate(now))

    def _line(self, start: Fraction, own: Fraction, below: Fraction | None) -> tuple[Piece, Piece]:
        """The fees from one end of a band to the next, and what the orders cost besides; by the takings there."""
        card = self.demand.plans[self.plan].card
        rising = self._sums((step, Fraction(1)) for step in card.ended(start))
        paid = self._sums(card.bands(start, start))
        fee, other = (
            Piece(start, below, here / own, (before - here * start) / own)
            for here, before in zip(rising, paid, strict=True)
        )
        # Costs that are no fees rise with the takings, whatever the band.
        flat = self._besides()
        return fee, Piece(start, below, other.slope + flat / own, other.intercept)

    def _besides(self) -> Fraction:
        """The cost of all orders that is neither a fee nor what a refund returns of one."""
        found = ZERO
        for number, way in self.ways.items():
            orders = self.demand.cells[number].orders
            found += self.demand.terms[way.route].cost(orders, Fees(ZERO, ZERO))
        return found

    def _sums(self, steps: Iterable[tuple[Step, Fraction]]) -> tuple[Fraction, Fraction]:
        """The fees over some steps, each so many times, and what of the cost rests on them besides."""
        fees = other = ZERO
        for step, times in steps:
            for cell, way in self._on(step):
                paid = cell.fees(At(way.route, step.reached))
                cost = self.demand.terms[way.route].cost(Orders(ZERO, ZERO, None), paid)
                fees += times * paid.fees
                other += times * (cost - paid.fees)
        return fees, other

    def _on(self, step: Step) -> Iterator[tuple[Cell, Way]]:
        """The orders of a step's days, with the ways that they take."""
        provider = self.demand.plans[self.plan].plan.provider
        for number, way in self.ways.items():
            cell = self.demand.cells[number]
            if cell.days.get(provider, 0) == step.days:
                yield cell, way


def added(curve: Curve, pieces: Sequence[Piece]) -> Curve:
    """A curve with the pieces of another cost added; each of its pieces lies on one of those."""
    found = []
    for piece in curve.pieces:
        for other in pieces:
            low = max(piece.from_, other.from_)
            ends = [end for end in (piece.below, other.below) if end is not None]
            high = min(ends, default=None)
            if high is None or low < high:
                found.append(Piece(low, high, piece.slope + other.slope, piece.intercept + other.intercept))
    return joined(found)
