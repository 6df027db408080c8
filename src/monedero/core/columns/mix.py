"""The cheapest mix of plans over a month: at most one of a provider, by enumeration.

Orders are placed by what each costs at the volume that every plan would carry alone; the mix is then priced at the
volumes that this gives. The cheapest carries as many orders as can be carried; of such mixes its fees, monthly charges
and shortfalls are least; of equals it has the fewest plans.

All mixes are first added up in binary floating point, which only sorts out those that cannot be the cheapest: a sum of
n positive numbers is off by at most n + 3 roundings of 2^-53, far less than `MARGIN`. What comes within `MARGIN` of
the least, or has a volume so near a band's end that its rough price may be another one, is added up exactly.

Source: own design; the bound: Higham, *Accuracy and Stability of Numerical Algorithms*, section 4.2 (from memory).

>>> list(combinations([["start", "steady"], ["one"]]))
[(), ('one',), ('start',), ('start', 'one'), ('steady',), ('steady', 'one')]
>>> list(combinations([]))
[()]
"""

from collections.abc import Iterator, Sequence
from fractions import Fraction
from itertools import product
from typing import NamedTuple

import polars as pl

from monedero.core.columns.card import Step
from monedero.core.columns.level import ZERO
from monedero.core.columns.month import PlanMonth, plan_month, together
from monedero.core.columns.orders import OrderColumns
from monedero.core.columns.placing import Alone, Places, place_of

MARGIN = Fraction(1, 10**9)


class _Part(NamedTuple):
    """A plan in a mix: which of its orders are placed there, what they roughly come to, and the steps of its month."""

    entry: Alone
    here: pl.Expr
    volume: Fraction
    steps: list[Step]


class _Rough(NamedTuple):
    """A mix added up roughly: orders carried (exactly), the cost, and whether that may be far from the exact one."""

    carried: Fraction
    cost: Fraction
    unsure: bool
    plans: tuple[str, ...]


def combinations(by_provider: Sequence[Sequence[str]]) -> Iterator[tuple[str, ...]]:
    """Every choice of at most one plan of each provider."""
    choices = product(*([None, *plans] for plans in by_provider))
    return (tuple(plan for plan in chosen if plan is not None) for chosen in choices)


class Mixes:
    """The mixes of some plans over a month of orders."""

    def __init__(self, orders: OrderColumns, percent_over: int, alone: Sequence[Alone]) -> None:
        """Place every order; `percent_over` is what the fees' percentages are over."""
        self._alone = {entry.plan.id: entry for entry in alone}
        self._places = Places(orders, percent_over, alone)

    def cheapest(self, without: str | None = None) -> PlanMonth:
        """The cheapest mix; one in which a provider may have no part."""
        by_provider: dict[str, list[str]] = {}
        for name, entry in self._alone.items():
            if entry.plan.provider != without:
                by_provider.setdefault(entry.plan.provider, []).append(name)
        rough = self._roughly(list(combinations(list(by_provider.values()))))
        most = max(mix.carried for mix in rough)
        fullest = [mix for mix in rough if mix.carried == most or mix.unsure]
        least = min(mix.cost for mix in fullest if mix.carried == most) * (1 + MARGIN) + MARGIN
        near = [self._exactly(mix.plans) for mix in fullest if mix.unsure or mix.cost <= least]
        return min(near, key=lambda mix: (-mix.carried, mix.cost, len(mix.plans)))

    def _exactly(self, plans: tuple[str, ...]) -> PlanMonth:
        """A mix over the month: every plan with the orders that are placed on it, at the volume that they give."""
        months = []
        for name, here in _placed(plans).items():
            plan, card, volume = self._alone[name]
            rows = self._places.frame.filter(here).select("row")
            given = card.sum_of(name, card.ended(volume), rows).amount if card.by_volume else ZERO
            months.append(plan_month(card, plan, given, rows))
        return together(months)

    def _roughly(self, mixes: Sequence[tuple[str, ...]]) -> list[_Rough]:
        """Every mix but those with a plan on which no order is placed: without it they are no worse."""
        held = [[(self._alone[name], here) for name, here in _placed(names).items()] for names in mixes]
        weight, amount = pl.col("weight"), pl.col("amount")
        alike = self._places.alike([weight.sum(), amount.sum()])
        sums = _asked(
            alike, [part.filter(here) for parts in held for _, here in parts for part in (weight, amount)]
        )
        kept = []
        for parts in held:
            told = [(entry, here, next(sums), next(sums)) for entry, here in parts]
            if all(orders for _, _, orders, _ in told):
                kept.append([self._part(entry, here, volume) for entry, here, _, volume in told])
        names = [
            [(part.here, self._places.fees(part.entry, step)) for part in parts for step in part.steps]
            for parts in kept
        ]
        priced = sorted({name for parts in names for _, name in parts})
        alike = self._places.alike(
            [
                *(pl.col(name).sum() for name in priced),
                *(weight.filter(pl.col(name).is_not_null()).sum().alias(f"held {name}") for name in priced),
            ]
        )
        asked = [
            pl.col(column).filter(here)
            for parts in names
            for here, name in parts
            for column in (name, f"held {name}")
        ]
        fees = _asked(alike, asked)
        return [self._rough(parts, fees) for parts in kept]

    def _part(self, entry: Alone, here: pl.Expr, volume: Fraction) -> _Part:
        return _Part(entry, here, volume, list(entry.card.walk(volume)))

    def _rough(self, parts: Sequence[_Part], fees: Iterator[Fraction]) -> _Rough:
        carried, cost, unsure = ZERO, ZERO, False
        for entry, _, volume, steps in parts:
            paid, held = ZERO, {}
            for step in steps:
                paid += step.share * next(fees)
                # Orders are counted once, however many bands they are spread over.
                held[step.days] = next(fees)
            carried += sum(held.values(), ZERO)
            cost += entry.plan.monthly + max(paid, entry.plan.minimum)
            unsure = unsure or any(abs(edge - volume) <= MARGIN * edge for edge in entry.card.edges if edge)
        return _Rough(carried, cost, unsure, tuple(part.entry.plan.id for part in parts))


def _asked(frame: pl.DataFrame, columns: Sequence[pl.Expr]) -> Iterator[Fraction]:
    """The sums of columns, one after the other."""
    sums = [column.sum().alias(str(number)) for number, column in enumerate(columns)]
    return (Fraction(value) for value in (frame.select(sums).row(0) if sums else ()))


def _placed(plans: Sequence[str]) -> dict[str, pl.Expr]:
    """Assigns each order to the first plan of the mix that can carry it."""
    first = pl.min_horizontal([place_of(name) for name in plans]) if plans else pl.lit(None)
    return {name: (place_of(name) == first).fill_null(False) for name in plans}
