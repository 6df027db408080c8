"""The orders of a month on one card, at whatever volume its account takes in the month.

Prices change where the volume reaches an end of a band. An end in another currency is brought over at the reference
rate of each order's day, so that days on which the ends come to the same are taken together. A *level* is what a
volume reaches on such days; the orders are priced once for each level that is asked for.

Over a month a graduated rate is walked: the orders are spread evenly over the bands that the volume fills. One order
is priced at the band that the volume has reached.

Source: own design, `monedero/rate-card/1`; a test holds it against a month walked order by order.

>>> Step(0, Fraction(2, 5), Reached(frozenset(), frozenset(), frozenset())).share
Fraction(2, 5)
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from datetime import date
from fractions import Fraction
from functools import cached_property
from typing import NamedTuple

import polars as pl

from monedero.core.columns.carried import Carried
from monedero.core.columns.fees import FeeColumns, PricingTask, name_of
from monedero.core.columns.level import KEYS, NOTHING, ZERO, Level, LongFee, PlanColumns, Sum
from monedero.core.columns.orders import LongOrder, OrderColumns
from monedero.core.money import Money
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Reached, reached_by

ONE = Fraction(1)


class Days(NamedTuple):
    """Days on which the ends of the card's bands come to the same; None has no reference rate."""

    days: list[date]
    ends: Mapping[Money, Fraction | None]


class Step(NamedTuple):
    """A part of a month: which days, the share of their orders that is priced there, and the level."""

    days: int
    share: Fraction
    reached: Reached


class CardColumns:
    """One card over the orders of a month."""

    def __init__(
        self,
        columns: FeeColumns,
        pricer: CardPricer,
        orders: OrderColumns,
        carried: Carried,
        plans: Sequence[PlanColumns],
    ) -> None:
        """`carried` says which orders a method can carry; `plans` are those of the card that are open to the shop."""
        self.plans = plans
        self._columns, self._pricer, self._orders, self._carried = columns, pricer, orders, carried
        # A returned percentage is worked out only where a refund brings it back.
        refunds = (event.refund for event in pricer.card.events if event.refund)
        self._returns = any(refund.returns == "percent" for refund in refunds)
        self.provider, self.percent_over = pricer.card.provider.id, columns.percent_over
        self._levels: dict[tuple[int, Reached], Level] = {}
        together: dict[tuple[Fraction | None, ...], Days] = {}
        for day in sorted({pair.day for pair in orders.pairs}):
            ends = pricer.ends_in(columns.books, day)
            together.setdefault(tuple(ends.values()), Days([], ends)).days.append(day)
        self._days = list(together.values()) or [Days([], dict.fromkeys(pricer.volume_ends))]

    @property
    def edges(self) -> list[Fraction]:
        """Nothing, and every volume at which a band ends on some day, in rising sequence."""
        return sorted({ZERO, *(end for entry in self._days for end in entry.ends.values() if end)})

    @property
    def groups(self) -> int:
        """How many groups of days there are."""
        return len(self._days)

    @cached_property
    def group_by_day(self) -> Mapping[date, int]:
        """The group of each day."""
        return {day: number for number, entry in enumerate(self._days) for day in entry.days}

    @property
    def by_volume(self) -> bool:
        """True if prices depend on the month's volume at all."""
        return bool(self._pricer.volume_ends)

    def _reached(self, days: int, whole: Fraction, so_far: Fraction) -> Reached:
        there = reached_by(self._days[days].ends, whole, so_far)
        graduated = there.graduated & self._pricer.graduated_ends
        return Reached(there.whole & self._pricer.whole_ends, graduated, there.unknown)

    def bands(self, volume: Fraction, whole: Fraction) -> Iterator[tuple[Step, Fraction]]:
        """The bands that a volume fills, where the month's whole volume is `whole`, each with how wide it is."""
        for number, entry in enumerate(self._days):
            ends = (entry.ends[end] for end in self._pricer.graduated_ends)
            starts = sorted({ZERO, *(end for end in ends if end and end < volume)})
            for start, below in zip(starts, [*starts[1:], volume], strict=True):
                yield Step(number, ONE, self._reached(number, whole, start)), below - start

    def walk(self, volume: Fraction) -> Iterator[Step]:
        """A month of a volume: what share of the orders of which days is priced at which level."""
        for step, width in self.bands(volume, volume):
            yield step._replace(share=width / volume if volume else ONE)

    def ended(self, volume: Fraction) -> Iterator[Step]:
        """Every order as one order is priced at a volume."""
        for number in range(len(self._days)):
            yield Step(number, ONE, self._reached(number, volume, volume))

    def level(self, step: Step) -> Level:
        """The orders of a step's days, priced at its level."""
        key = (step.days, step.reached)
        if key not in self._levels:
            self._levels[key] = Level(self._orders, self.percent_over, *self.priced(*key), self.plans)
        return self._levels[key]

    def priced(self, number: int, reached: Reached) -> tuple[pl.DataFrame, list[LongFee]]:
        """The orders of a group of days at what a volume reaches: a row an order, a column a route; and long ones."""
        days = set(self._days[number].days)
        long = [self._long(order, reached) for order in self._orders.long if order.order.placed_on in days]
        return self._frame(number, PricingTask(reached, self._returns, self._carried.columns)), long

    def standing(self, number: int, reached: Reached) -> pl.DataFrame:
        """As `priced`, with nothing in the place of each fee: which routes carry an order."""
        return self._frame(number, PricingTask(reached, carried=self._carried.columns, only_stands=True))

    def _frame(self, number: int, asking: PricingTask) -> pl.DataFrame:
        orders, days = self._orders, self._days[number].days
        frame = orders.frame if len(self._days) == 1 else orders.frame.filter(pl.col("day").is_in(days))
        blocks = self._columns.by_card(self._pricer, orders, frame, asking)
        keys = frame.select(*KEYS)
        # Rows that meet no rate at all are in no block; they are kept, with nothing that carries them.
        return keys.join(pl.concat(blocks, how="diagonal"), on="row", how="left") if blocks else keys

    def _long(self, order: LongOrder, reached: Reached) -> LongFee:
        """One order by the exact core, its fees brought to the shop's currency."""
        by_plan = {plan.id: reached for plan in self._pricer.card.plans}
        fees = {}
        for priced in self._pricer.price(order.order, reached=by_plan):
            if isinstance(priced, Priced) and self._carries(order, priced.route.method):
                to_books = self._orders.rates.find(priced.currency, self._columns.books, order.order.placed_on)
                fees[name_of(priced.route)] = (priced.exact * to_books.value, priced.returned * to_books.value)
        return LongFee(order, fees)

    def _carries(self, order: LongOrder, method: str) -> bool:
        return method not in self._carried.long or order.row in self._carried.long[method]

    def volume(self, plan: PlanColumns) -> Fraction:
        """Tells what a plan carries in the month, in the shop's currency.

        It is asked again at the volume that came out, from the largest on, until that is what is carried. Where it goes
        round in a circle instead, the largest volume of the circle counts.
        """
        seen = [self.sum_of(plan.id, self.ended(max(self.edges))).amount]
        while (again := self.sum_of(plan.id, self.ended(seen[-1])).amount) not in seen:
            seen.append(again)
        return max(seen[seen.index(again) :])

    def sum_of(self, name: str, steps: Iterable[Step]) -> Sum:
        """The orders that a route or a plan carries over the steps of a month."""
        found = NOTHING
        for step in steps:
            summed = self.level(step).of(name)
            found = found.plus(summed if step.share == 1 else summed.times(step.share))
        return found
