"""One limit at a time: for each way of a set the limit on its amounts that leaves most, all else as it is.

The orders beyond a limit take the next way that their buyers rank, or none. What that leaves more is added up by
amount; the best limit is where the sum is greatest. Volumes and charges stay as they are.

Source: own design.

>>> best_limit([Fraction(-1), Fraction(4), Fraction(-2)])
('from', 2, Fraction(3, 1))
>>> best_limit([Fraction(-1), Fraction(-4)]) is None
True
"""

from collections.abc import Iterable, Mapping, Sequence
from fractions import Fraction
from typing import NamedTuple

from monedero.core.best_set.demand import Cell, Way
from monedero.core.best_set.month import SettledSet
from monedero.core.buyers.ranking import Rankings
from monedero.core.checkout.limit_cost import End
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import OrderClass


class OneLimit(NamedTuple):
    """A limit of a way: the amount (the first or the last one that it takes), and what it adds in a month."""

    way: Way
    end: End
    amount: Fraction
    adds: Fraction


def one_limit(
    settled: SettledSet, found: Iterable[OrderClass], rankings: Rankings, amounts: Sequence[Fraction]
) -> list[OneLimit]:
    """The best limit of each way that has one, the one that adds most first.

    `found` are classes whose parts are numbers of `amounts`, which rise; margins are known.
    """
    gains: dict[Way, list[Fraction]] = {}
    for entry in found:
        whole = _Whole(settled, entry)
        for ranking in rankings.of(entry.country):
            way = settled.taken(Cell(ranking.methods, whole.parts))
            if way is not None:
                more = ranking.share * whole.without(ranking.methods, way)
                gains.setdefault(way, [ZERO] * len(amounts))[entry.part] += more
    limits = []
    for way, by_amount in gains.items():
        best = best_limit(by_amount)
        if best is not None:
            end, place, adds = best
            limits.append(OneLimit(way, end, amounts[place], adds))
    return sorted(limits, key=lambda limit: -limit.adds)


class _Whole:
    """All orders of a class, whoever places them, with what they leave on each way, worked out once."""

    def __init__(self, settled: SettledSet, entry: OrderClass) -> None:
        self._settled = settled
        self.parts = [(Fraction(1), entry)]
        self._cell = Cell((), self.parts)
        self._values: dict[Way, Fraction] = {}

    def _value(self, way: Way) -> Fraction:
        if way not in self._values:
            self._values[way] = self._settled.value(self._cell, way)
        return self._values[way]

    def without(self, methods: tuple[str, ...], way: Way) -> Fraction:
        """The money that the orders leave more if buyers who rank so do not find the way that they take."""
        others: Mapping[str, Sequence[Way]] = {
            method: [other for other in held if other != way] for method, held in self._settled.by_method.items()
        }
        instead = self._settled.taken(Cell(methods, self.parts), others)
        lost = -self._settled.demand.lost_order * self._cell.orders.orders
        return (lost if instead is None else self._value(instead)) - self._value(way)


def best_limit(gains: Sequence[Fraction]) -> tuple[End, int, Fraction] | None:
    """The limit that adds most: its end, the place of the first or last amount that is taken, and what it adds.

    `gains` are what the orders of each amount leave more without the way. A limit takes one amount at the least.
    """
    found: tuple[End, int, Fraction] | None = None
    below = above = ZERO
    for place in range(1, len(gains)):
        below += gains[place - 1]
        if below > (found[2] if found else ZERO):
            found = "from", place, below
    for place in range(len(gains) - 2, -1, -1):
        above += gains[place + 1]
        if above > (found[2] if found else ZERO):
            found = "up_to", place, above
    return found
