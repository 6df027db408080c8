"""A plan in the programme of the best set: one option for every stretch of volumes on which it prices alike.

Between two ends of bands the same levels are reached. There the month of a graduated rate is what the orders cost at
the top band, and a part of the difference for each band below: its width over the volume. Where that difference is
the same share of every amount, it is a constant; else it is bounded by the ends of the stretch, which may be split
for a closer bound. So what an option says is left is never less than what is.

Numbers here are in binary floating point: they lead the search, and nothing that is shown comes from them.

Source: own design.

>>> stretches([Fraction(0), Fraction(5)], Fraction(9))
[(Fraction(0, 1), Fraction(5, 1)), (Fraction(5, 1), Fraction(9, 1))]
>>> stretches([Fraction(0), Fraction(5)], Fraction(4))
[(Fraction(0, 1), Fraction(4, 1))]
"""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from monedero.core.best_set.demand import Demand, OnCard, Way
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At, OrderClass
from monedero.core.ratecard.volume import Reached

Numbers = NDArray[Any]


class Aim(StrEnum):
    """The figure that a programme maximises: the money left, the orders carried, or minus their cost."""

    LEFT = "left"
    CARRIED = "carried"
    COST = "cost"


SAME = Fraction(1, 10**10)
"""Shares of amounts that are nearer to each other than this are the same."""


def rough(values: Iterable[Fraction]) -> Numbers:
    """The nearest binary floating-point numbers."""
    return np.array([value.numerator / value.denominator for value in values], dtype=np.float64)


class Carrying(NamedTuple):
    """The cells that a way carries, by number; what is aimed at of each, and its fees: bounds from above."""

    way: Way
    cells: Numbers
    value: Numbers
    fees: Numbers


@dataclass(frozen=True)
class Option:
    """A plan at a stretch of volumes, or the shop's own arrangements. `bound` says that the volume must lie there.

    What is aimed at of the cells, with `constant`, is not less than what is; likewise the fees.
    """

    plan: str | None
    low: Fraction
    high: Fraction
    bound: bool
    ways: Sequence[Carrying]
    constant: Fraction = ZERO
    fees_constant: Fraction = ZERO
    levels: Mapping[int, Reached] | None = None


class _Band(NamedTuple):
    """A band below the top one: its width, the least and most of the volume that it is, and the cells' amounts.

    `alone`: all that the plan carries is in these cells.
    """

    width: Fraction
    share: tuple[Fraction, Fraction]
    alone: bool
    amounts: Mapping[Any, Numbers]

    def add(self, sums: dict[Any, Numbers], more: Mapping[Any, Numbers]) -> Fraction:
        """Adds to the cells what the band makes of them, from above; or gives back what it makes of all of them."""
        shares = np.concatenate([part / self.amounts[key] for key, part in more.items()])
        least, most = Fraction(shares.min().item()), Fraction(shares.max().item())
        if self.alone and most - least <= SAME:
            return most * self.width
        smaller, larger = rough(self.share)
        for key, part in more.items():
            sums[key] += np.where(part > 0, part * larger, part * smaller)
        return ZERO


def stretches(edges: Collection[Fraction], most: Fraction) -> list[tuple[Fraction, Fraction]]:
    """The stretches between some volumes, up to the most that can be carried."""
    starts = sorted(edge for edge in edges if edge < most) or [ZERO]
    return list(zip(starts, [*starts[1:], max(most, starts[-1])], strict=True))


class Options:
    """The options of a demand."""

    def __init__(self, demand: Demand, aim: Aim) -> None:
        """Hold what the cells come to, roughly."""
        self.demand, self.aim = demand, aim
        cells = demand.cells
        self.orders = rough(cell.orders.orders for cell in cells)
        self.amount = rough(cell.orders.amount for cell in cells)
        self._margin = rough(cell.orders.margin or ZERO for cell in cells)
        self._held = self._all_held()
        self._days = {
            entry.plan.provider: np.array(
                [cell.days.get(entry.plan.provider, 0) for cell in cells], dtype=np.int64
            )
            for entry in demand.plans.values()
        }

    @property
    def size(self) -> int:
        """How many ways and cells meet."""
        return sum(cells.size for cells, _, _ in self._held.values())

    def _all_held(self) -> dict[At, tuple[Numbers, Numbers, Numbers]]:
        """By way and level: the cells that are carried, what they cost, and what of it a refund returns."""
        methods = {way.route: way.method for way in self.demand.ways}
        fees = {id(entry): _roughly(entry) for entry in self.demand.classes}
        cells: dict[At, list[int]] = {}
        sums: dict[At, list[Numbers]] = {}
        for number, cell in enumerate(self.demand.cells):
            shares = rough(share for share, _ in cell.parts)
            held = [fees[id(entry)] for _, entry in cell.parts]
            for at in cell.carried_at:
                if methods.get(at.route) in cell.methods:
                    cells.setdefault(at, []).append(number)
                    sums.setdefault(at, []).append(shares @ np.array([entry[at] for entry in held]))
        return {
            at: (np.array(numbers, dtype=np.int64), *np.array(sums[at]).transpose())
            for at, numbers in cells.items()
        }

    def arranged(self) -> Option:
        """The shop's own arrangements."""
        held = [way for way in self.demand.ways if way.plan is None]
        ways = [Carrying(way, *self._at(way, At(way.route, None), None, 0)) for way in held]
        return Option(None, ZERO, ZERO, bound=False, ways=ways)

    def of(self, name: str, splits: Collection[Fraction] = ()) -> list[Option]:
        """The options of a plan; `splits` are volumes at which stretches end besides the ends of bands."""
        entry = self.demand.plans[name]
        if not entry.card.by_volume:
            return [self._option(name, entry, (ZERO, ZERO), bound=False)]
        bound = self._settles(entry)
        most = self.demand.every.amount
        edges = {*entry.card.edges, *splits}
        return [self._option(name, entry, stretch, bound=bound) for stretch in stretches(edges, most)]

    def _settles(self, entry: OnCard) -> bool:
        """True if a plan carries the same orders whatever its volume: then the volume is that of its orders."""
        for way in self.demand.of_plan[entry.plan.id]:
            by_days: dict[int, set[tuple[int, ...]]] = {}
            for step in (step for edge in entry.card.edges for step in entry.card.ended(edge)):
                cells, *_ = self._at(way, At(way.route, step.reached), entry, step.days)
                by_days.setdefault(step.days, set()).add(tuple(cells.tolist()))
            if any(len(held) > 1 for held in by_days.values()):
                return False
        return True

    def _at(self, way: Way, at: At, entry: OnCard | None, days: int) -> tuple[Numbers, Numbers, Numbers]:
        """The cells that a way carries at a level on some days, what is left of each, and its fees."""
        none = np.zeros(0)
        cells, fees, returned = self._held.get(at, (none.astype(np.int64), none, none))
        if entry is not None and entry.card.groups > 1:
            here = self._days[entry.plan.provider][cells] == days
            cells, fees, returned = cells[here], fees[here], returned[here]
        terms = self.demand.terms[way.route]
        slope, intercept, by_fee, by_returned, completes, lost = rough(terms)
        cost = slope * self.amount[cells] + intercept * self.orders[cells] + by_fee * fees + by_returned * returned
        orders, margin = self.orders[cells], self._margin[cells]
        if self.aim is Aim.LEFT:
            # Counted from losing the orders, which costs the shop `lost` each.
            return cells, completes * (margin - cost) + completes * lost * orders, fees
        return cells, orders if self.aim is Aim.CARRIED else -cost, fees

    def _option(self, name: str, entry: OnCard, stretch: tuple[Fraction, Fraction], *, bound: bool) -> Option:
        low, high = stretch
        levels = {step.days: step.reached for step in entry.card.ended(low)}
        ways = self.demand.of_plan[name]
        tops = {
            (way, days): self._at(way, At(way.route, reached), entry, days)
            for way in ways
            for days, reached in levels.items()
        }
        value = {key: left.copy() for key, (_, left, _) in tops.items()}
        fees = {key: paid.copy() for key, (_, _, paid) in tops.items()}
        constant = fees_constant = ZERO
        for step, width in entry.card.bands(low, low) if low else ():
            here = [(way, step.days) for way in ways if tops[way, step.days][0].size]
            if step.reached == levels[step.days] or not here:
                continue
            below = {key: self._at(key[0], At(key[0].route, step.reached), entry, step.days) for key in here}
            # Only where there is one group of days is the volume in a constant all of the plan's.
            alone = bound and entry.card.groups == 1
            amounts = {key: self.amount[tops[key][0]] for key in here}
            band = _Band(width, (width / high, width / low), alone, amounts)
            constant += band.add(value, {key: below[key][1] - tops[key][1] for key in here})
            fees_constant += band.add(fees, {key: below[key][2] - tops[key][2] for key in here})
        held = [
            Carrying(
                way,
                np.concatenate([tops[way, days][0] for days in levels]),
                np.concatenate([value[way, days] for days in levels]),
                np.concatenate([fees[way, days] for days in levels]),
            )
            for way in ways
        ]
        return Option(name, low, high, bound, held, constant, fees_constant, levels)


def _roughly(entry: OrderClass) -> dict[At, Numbers]:
    """The fees of a class on each way, and the part of them that a refund returns."""
    return {at: rough(fees) for at, fees in entry.fees.items()}
