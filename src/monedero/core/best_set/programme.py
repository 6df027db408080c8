"""The integer programme of the best set: which plans and ways are worth most, by what buyers then choose.

For every cell, option and way: `y` is the part of the cell that takes the way, `x` says that the way is there, `z` that
its plan is. `y <= x <= z`; of each provider one option, of each method one way, of each cell one way at most; and
nothing behind a better one that is offered: for each place of a ranking, whoever takes a way up to that place is not
less than the ways that are there at that place and carry the cell. A way that nobody takes is left out.

In a large shop the ways of a method are pooled, but for those of plans whose volume or fees count: for each cell and
method `u` is the part that takes any of them, and what it is worth is bounded by cuts (`pool`), written as they are
needed.

What a solution is worth is computed again exactly elsewhere; the bound is the programme's own.

Source: Bertsimas and Misic, Operations Research 67(3), 2019, and Farias, Jagabathula and Shah, Management Science
59(2), 2013 (from memory), with fixed charges.

>>> Limits().every_order
0
"""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from types import MappingProxyType
from typing import NamedTuple

import numpy as np

from monedero.core.best_set.branch import Search
from monedero.core.best_set.demand import Demand, Way
from monedero.core.best_set.month import Chosen
from monedero.core.best_set.options import Aim, Carrying, Option, Options, rough
from monedero.core.best_set.pool import Pool
from monedero.core.best_set.solver import Model, Numbers
from monedero.core.columns.level import ZERO
from monedero.core.columns.order_class import At

Splits = Mapping[str, Collection[Fraction]]
NO_SPLITS: Splits = MappingProxyType({})
WITHOUT_END = np.inf
PLAN, WAY = Fraction(1, 10**4), Fraction(1, 10**5)
"""A plan and a way cost this much more, in whole units of the shop's currency, so that the first in sequence wins."""


@dataclass(frozen=True)
class Limits:
    """Limits on a set: how many accounts and ways it has at most, and accounts at least.

    `apart` are providers of which it has one at most, `must` are methods that are in it, `closed` plans that cannot be
    had; `every_order` is how many of its ways must carry each order of the month.
    """

    most_accounts: int | None = None
    most_ways: int | None = None
    apart: tuple[frozenset[str], ...] = ()
    must: frozenset[str] = frozenset()
    closed: frozenset[str] = frozenset()
    every_order: int = 0
    least_accounts: int = 0


class Solved(NamedTuple):
    """The set that the programme found, and a bound from above on what any set is worth."""

    chosen: Chosen
    bound: Fraction


class _Taker(NamedTuple):
    """A way that may take a cell: its column `y` (None where it is pooled), that of the way, and what it is worth."""

    y: int | None
    x: int
    value: object


class Programme:
    """The programme of a demand within limits, for what is aimed at."""

    def __init__(
        self, made: Options, limits: Limits, splits: Splits = NO_SPLITS, *, prefers: bool = False
    ) -> None:
        """Write down all columns and rows; `splits` are volumes at which a plan's stretches are split.

        `prefers`: of sets that are worth the same but for fractions of a minor unit, the first in sequence.
        """
        self._demand, self._limits, self._aim = made.demand, limits, made.aim
        self._made, self._model, self._prefers = made, Model(), prefers
        self._places = {
            way: Fraction(number, len(made.demand.ways)) for number, way in enumerate(made.demand.ways)
        }
        plans = [name for name in self._demand.plans if name not in limits.closed]
        self._options = [option for name in plans for option in made.of(name, splits.get(name, ()))]
        self._options.append(made.arranged())
        self._z: dict[int, int] = {}
        self._x: dict[tuple[int, Way], int] = {}
        self._y: dict[tuple[int, Way], int] = {}
        self._pools: list[Pool] = []
        self._anys: dict[tuple[int, ...], int] = {}
        for number, option in enumerate(self._options):
            self._write_option(number, option)
        self._write_limits(self._write_once())
        self._write_choice()

    @property
    def _base(self) -> Fraction:
        """The figure that is maximised, where every order is lost."""
        lost = self._demand.every.orders + self._demand.unbrought
        return -self._demand.lost_order * lost if self._aim is Aim.LEFT else ZERO

    def _is_pooled(self, option: Option) -> bool:
        """True if the ways of an option are pooled with others of their methods: nothing but their cells counts."""
        minimum = ZERO if option.plan is None else self._demand.plans[option.plan].plan.minimum
        return self._prefers and not option.bound and not (minimum and self._aim is not Aim.CARRIED)

    def _provider(self, number: int) -> str:
        plan = self._options[number].plan
        return "" if plan is None else self._demand.plans[plan].plan.provider

    def _write_option(self, number: int, option: Option) -> None:
        """The columns of an option, and the rows that are about it alone."""
        model, charged = self._model, self._aim is not Aim.CARRIED
        plan = None if option.plan is None else self._demand.plans[option.plan].plan
        if plan is not None:
            worth = option.constant - plan.monthly if charged else ZERO
            self._z[number] = model.columns(1, worth=rough([worth - PLAN * self._prefers]), whole=True)
        for held in option.ways:
            if held.cells.size or self._limits.every_order or held.way.method in self._limits.must:
                dislike = WAY * (1 + self._places[held.way]) * self._prefers
                self._x[number, held.way] = model.columns(1, worth=rough([-dislike]), whole=True)
                if not self._is_pooled(option):
                    self._y[number, held.way] = model.columns(held.cells.size, worth=held.value)
        if plan is None:
            return
        z, ways = self._z[number], [(x, 1) for (other, _), x in self._x.items() if other == number]
        for x, _ in ways:
            model.row([(x, 1), (z, -1)], high=0)
        model.row([(z, -1), *ways], low=0)
        if option.bound:
            low, high = rough([option.low, option.high]).tolist()
            volume = list(self._all(number, lambda held: self._made.amount[held.cells]))
            model.row([*volume, (z, -low)], low=0)
            model.row([*volume, (z, -high)], high=0)
        if plan.minimum and charged:
            shortfall = model.columns(1, worth=-1, most=WITHOUT_END)
            (lacking,) = rough([plan.minimum - option.fees_constant]).tolist()
            model.row([(shortfall, 1), *self._all(number, lambda held: held.fees), (z, -lacking)], low=0)

    def _all(self, number: int, values: Callable[[Carrying], Numbers]) -> Iterable[tuple[int, object]]:
        """Every `y` of an option, each with its value."""
        for held in self._options[number].ways:
            if (number, held.way) in self._y:
                first = self._y[number, held.way]
                yield from zip(range(first, first + held.cells.size), values(held).tolist(), strict=True)

    def _write_once(self) -> Mapping[str, list[int]]:
        """Allows one option of each provider and one way of each method; returns the columns of each provider."""
        by_provider: dict[str, list[int]] = {}
        by_method: dict[str, list[int]] = {method: [] for method in self._limits.must}
        for number, z in self._z.items():
            by_provider.setdefault(self._provider(number), []).append(z)
        for (_, way), x in self._x.items():
            by_method.setdefault(way.method, []).append(x)
        for provider in by_provider.values():
            self._model.row([(z, 1) for z in provider], high=1)
        for method, columns in by_method.items():
            self._model.row([(x, 1) for x in columns], low=1 if method in self._limits.must else None, high=1)
        return by_provider

    def _write_limits(self, by_provider: Mapping[str, list[int]]) -> None:
        limits, model = self._limits, self._model
        if limits.most_accounts is not None:
            model.row([(z, 1) for z in self._z.values()], high=limits.most_accounts)
        if limits.least_accounts:
            model.row([(z, 1) for z in self._z.values()], low=limits.least_accounts)
        if limits.most_ways is not None:
            model.row([(x, 1) for x in self._x.values()], high=limits.most_ways)
        for together in limits.apart:
            model.row([(z, 1) for name in together for z in by_provider.get(name, [])], high=1)
        needed = self._write_every_order() if limits.every_order else {}
        for (number, way), x in self._x.items():
            # A way that nobody takes is there only where a limit asks for it.
            if way.method not in limits.must and (number, way) in self._y:
                first = self._y[number, way]
                cells = next(held.cells.size for held in self._options[number].ways if held.way == way)
                takers = [(y, 1) for y in range(first, first + cells)]
                model.row([(x, -1), *takers, *((tight, 1) for tight in needed.get(x, []))], low=0)

    def _write_every_order(self) -> dict[int, list[int]]:
        """The ways that each class of orders must find; by way, the columns that say that a class has none to spare."""
        needed: dict[int, list[int]] = {}
        least = self._limits.every_order
        for days, ats in {(tuple(entry.days.items()), frozenset(entry.fees)) for entry in self._demand.classes}:
            held = [(x, 1) for x in self._carrying(dict(days), ats)]
            tight = self._model.columns(1, whole=True)
            self._model.row(held, low=least)
            self._model.row([*held, (tight, len(held))], high=least + len(held))
            for x, _ in held:
                needed.setdefault(x, []).append(tight)
        if self._demand.unbrought:
            self._model.row([], low=1)
        return needed

    def _carrying(self, days: Mapping[str, int], ats: frozenset[At]) -> Iterable[int]:
        """The ways that carry the orders of a class."""
        for (number, way), x in self._x.items():
            levels = self._options[number].levels
            reached = None if levels is None else levels[days.get(self._provider(number), 0)]
            if At(way.route, reached) in ats:
                yield x

    def _write_choice(self) -> None:
        """Every cell takes the first way of its ranking that is there."""
        by_cell: dict[int, dict[str, list[_Taker]]] = {}
        for number, option in enumerate(self._options):
            for held in option.ways:
                first = self._y.get((number, held.way))
                for place, (cell, value) in enumerate(zip(held.cells.tolist(), held.value.tolist(), strict=True)):
                    taker = _Taker(None if first is None else first + place, self._x[number, held.way], value)
                    by_cell.setdefault(cell, {}).setdefault(held.way.method, []).append(taker)
        for cell, by_method in by_cell.items():
            taken: list[tuple[int, object]] = []
            for method in self._demand.cells[cell].methods:
                here = by_method.get(method, [])
                if here:
                    taken.append((self._write_method(cell, here), 1))
                    self._model.row([*taken, (self._any([taker.x for taker in here]), -1)], low=0)
            self._model.row(taken, high=1)

    def _any(self, ways: Sequence[int]) -> int:
        """A column that says that any of some ways of a method is there; many cells ask for the same ones."""
        key = tuple(ways)
        if key not in self._anys:
            self._anys[key] = self._model.columns(1)
            self._model.row([(self._anys[key], -1), *((way, 1) for way in ways)], low=0, high=0)
        return self._anys[key]

    def _write_method(self, cell: int, takers: Sequence["_Taker"]) -> int:
        """The ways of one method for one cell; gives the column of all that take any of them."""
        any_of = self._model.columns(1)
        parts = [(taker.y, 1) for taker in takers if taker.y is not None]
        for taker in takers:
            if taker.y is not None:
                self._model.row([(taker.y, 1), (taker.x, -1)], high=0)
        pooled = [taker for taker in takers if taker.y is None]
        if pooled:
            ways = [taker.x for taker in pooled]
            pool = Pool(self._model, cell, ways, np.array([taker.value for taker in pooled]), self._any(ways))
            self._pools.append(pool)
            parts.append((pool.taken, 1))
        self._model.row([(any_of, -1), *parts], low=0, high=0)
        return any_of

    def carry(self, orders: Fraction) -> None:
        """From now on only sets that carry so many orders of a month."""
        every = [entry for number in range(len(self._options)) for entry in self._all(number, self._orders)]
        every += [(pool.taken, self._made.orders[pool.cell]) for pool in self._pools]
        self._model.row(every, low=rough([orders])[0])

    def _orders(self, held: Carrying) -> Numbers:
        return self._made.orders[held.cells]

    def solve(self) -> Solved | None:
        """The best set that is not excluded; None where there is none."""
        found = (
            Search(self._model, self._pools, list(self._z.values())).best()
            if self._prefers
            else self._model.solve()
        )
        if found is None:
            return None
        plans = {str(self._options[number].plan) for number, z in self._z.items() if found.values[z].round()}
        ways = {way for (_, way), x in self._x.items() if found.values[x].round()}
        return Solved(in_sequence(self._demand, plans, ways), found.bound + self._base)

    @property
    def preferences(self) -> Fraction:
        """The most that preferring makes of any set."""
        methods = {way.method for _, way in self._x}
        return PLAN * len(self._demand.plans) + WAY * 2 * len(methods)

    def exclude(self, chosen: Chosen) -> None:
        """Leaves a set out from now on."""
        plans = [(z, 1 if self._options[number].plan in chosen.plans else -1) for number, z in self._z.items()]
        ways = [(x, 1 if way in chosen.ways else -1) for (_, way), x in self._x.items()]
        self._model.row([*plans, *ways], high=len(chosen.plans) + len(chosen.ways) - 1)


def in_sequence(demand: Demand, plans: Collection[str], ways: Collection[Way]) -> Chosen:
    """A set in the sequence of the cards."""
    return Chosen(
        tuple(name for name in demand.plans if name in plans), tuple(way for way in demand.ways if way in ways)
    )
