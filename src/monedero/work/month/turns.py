"""The nearest prices of a plan, and shares of buyers, at which another set is best than the one that is best now."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction
from typing import Literal, NamedTuple

from monedero.core.best_set.demand import Demand, cells_of
from monedero.core.best_set.month import Chosen
from monedero.core.best_set.programme import Limits
from monedero.core.best_set.turning import Price, Turning, at_price, prices, turning
from monedero.core.buyers.ranking import Ranking, Rankings, written_out
from monedero.core.buyers.typed import kinds_of
from monedero.core.columns.level import ZERO
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.method import Family
from monedero.work.context import Context
from monedero.work.month.best import best_within
from monedero.work.month.buyers import buyers_of, families_of
from monedero.work.month.demand import demand_of
from monedero.work.prices.inputs import CompareInputs, inputs_of

PriceKind = Literal["percent", "fixed", "monthly"]
KINDS: tuple[PriceKind, ...] = ("percent", "fixed", "monthly")
HIGHEST = 3
"""A price may rise to so many times what it is; beyond, nobody asks."""


LEFT_OTHERS = Fraction(9, 10)
"""Some others are left: if nobody paid otherwise, sets that differ in ways which nobody takes were all the same."""


class PriceTurn(NamedTuple):
    """How much a price must move for another set to be best; None where no move of it does that."""

    kind: PriceKind
    turn: Turning | None


@dataclass(frozen=True)
class PriceTurns:
    """The prices of a plan at which the best set changes: lower ones where it is out, higher ones where it is in."""

    plan: str
    inside: bool
    chosen: Chosen
    turns: Sequence[PriceTurn]


def price_turns(context: Context, day: date, limits: Limits, plan: str) -> PriceTurns | None:
    """The nearest prices of a plan at which another set is best; None where no set keeps the limits."""
    demand = demand_of(context, day)
    if plan not in demand.plans:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "plan", plan, {"what": "plan"}))
    best = best_within(context, day, limits)
    if best is None:
        return None
    chosen = best.month.chosen
    inside = plan in chosen.plans
    least, most = prices(demand, plan)
    # No charge that is more than all that is left leaves the set the best.
    higher = Price(HIGHEST * most.percent, HIGHEST * most.fixed, best.month.left or ZERO)

    def turn(kind: PriceKind) -> Turning | None:
        def moved(at: Fraction) -> Demand:
            return at_price(demand, plan, Price()._replace(**{kind: -at if inside else at}))

        return turning(moved, chosen, limits, getattr(higher if inside else least, kind))

    return PriceTurns(plan, inside, chosen, [PriceTurn(kind, turn(kind)) for kind in KINDS])


@dataclass(frozen=True)
class ShareTurns:
    """The share (of one) of buyers who would pay by a family first, and the nearest lower and higher one at which
    another set is best; None where there is none.
    """

    family: Family
    share: Fraction
    chosen: Chosen
    fewer: Turning | None
    more: Turning | None


def share_turns(context: Context, day: date, limits: Limits, family: Family) -> ShareTurns | None:
    """The nearest shares of a family at which another set is best; in every country alike.

    None where no set keeps the limits.
    """
    inputs, demand = inputs_of(context), demand_of(context, day)
    best = best_within(context, day, limits)
    if best is None:
        return None
    shares = _Shares(inputs, demand, family)
    chosen, share = best.month.chosen, shares.share
    fewer = turning(lambda at: shares.moved(1 - at), chosen, limits, Fraction(1)) if share else None
    more = turning(lambda at: shares.moved(1 + at), chosen, limits, shares.most - 1) if share else None
    return ShareTurns(
        family,
        share,
        chosen,
        fewer._replace(at=share * (1 - fewer.at)) if fewer else None,
        more._replace(at=share * (1 + more.at)) if more else None,
    )


class _Shares:
    """The month where so many times as many buyers of every country would pay by a family first."""

    def __init__(self, inputs: CompareInputs, demand: Demand, family: Family) -> None:
        self._demand, self._families = demand, families_of(inputs)
        self._ways = list(demand.ways)
        self._kinds = {
            country: [
                (kind.families[0] is family, kind.share, self._methods(kind.families))
                for kind in kinds_of(buyers_of(inputs, country).families)
            ]
            for country in {entry.country for entry in demand.classes}
        }

    def _methods(self, families: Sequence[Family]) -> tuple[str, ...]:
        return written_out([family.value for family in families], self._families)

    def _of(self, country: str) -> Fraction:
        """The share of a country's buyers who would pay by the family first."""
        return sum((share for first, share, _ in self._kinds[country] if first), ZERO)

    @property
    def share(self) -> Fraction:
        """The share of all orders."""
        every = sum((entry.orders for entry in self._demand.classes), ZERO)
        held = sum((self._of(entry.country) * entry.orders for entry in self._demand.classes), ZERO)
        return held / every if every else ZERO

    @property
    def most(self) -> Fraction:
        """How many times as many are looked at: then a tenth of the others is left in the country with fewest."""
        ends = (1 / share for country in self._kinds if (share := self._of(country)))
        return 1 + LEFT_OTHERS * (min(ends, default=Fraction(1)) - 1)

    def moved(self, times: Fraction) -> Demand:
        """The month with so many times as many; the others of each country are fewer or more, each by its part."""
        rankings: Mapping[str | None, tuple[Ranking, ...]] = {
            country: tuple(self._moved(country, times)) for country in self._kinds
        }
        cells = cells_of(self._demand.classes, Rankings(rankings), self._ways)
        return replace(self._demand, cells=cells)

    def _moved(self, country: str, times: Fraction) -> list[Ranking]:
        share = self._of(country)
        others = (1 - times * share) / (1 - share) if share < 1 else ZERO
        factors = {True: times, False: others}
        found = [Ranking(part * factors[first], methods) for first, part, methods in self._kinds[country]]
        return [ranking for ranking in found if ranking.share]
