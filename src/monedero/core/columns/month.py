"""A month of orders over every route: sums that are exact, each plan alone, and the cheapest mix of plans.

Orders have whole weights; a month is their sum over `weight_over` (months of past orders, or the parts into which a
typed profile was cut). Sums are whole numbers over one denominator, so that they are compared without a fraction.

The cheapest mix takes at most one plan of a provider and sends every order to its cheapest route. It carries as
many orders as can be carried; among those mixes fees, monthly charges and shortfalls are least.

Source: own design; by enumeration.

>>> combinations([["start", "steady"], ["one"]])
[(), ('one',), ('start',), ('start', 'one'), ('steady',), ('steady', 'one')]
>>> combinations([])
[()]
>>> combinations(None)
Traceback (most recent call last):
...
TypeError: 'NoneType' object is not iterable
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import product
from math import lcm

import polars as pl

from monedero.core.columns.fees import FeeColumns
from monedero.core.columns.orders import OrderColumns
from monedero.core.money import minor_units

BEST = "best"


@dataclass(frozen=True, slots=True)
class Plan:
    """One plan of a provider with its routes' columns; charges of a month in whole units of the shop's currency."""

    id: str
    routes: tuple[str, ...]
    monthly: Fraction
    minimum: Fraction


@dataclass(frozen=True, slots=True)
class Sum:
    """Of some orders in a month: how many, what they come to, their fees, and what of a fee a refund returns."""

    orders: Fraction
    amount: Fraction
    fees: Fraction
    returned: Fraction
    graduated: Fraction


@dataclass(frozen=True, slots=True)
class PlanMonth:
    """A set of plans over the month: what is carried, its fees, the monthly charges, and shortfalls to minimums."""

    plans: tuple[str, ...]
    carried: Fraction
    amount: Fraction
    fees: Fraction
    monthly: Fraction
    shortfall: Fraction

    @property
    def cost(self) -> Fraction:
        """Fees, monthly charges and shortfalls."""
        return self.fees + self.monthly + self.shortfall


def combinations(by_provider: Sequence[Sequence[str]]) -> list[tuple[str, ...]]:
    """Every choice of at most one plan of each provider."""
    choices = product(*([None, *plans] for plans in by_provider))
    return [tuple(plan for plan in chosen if plan is not None) for chosen in choices]


class Month:
    """The sums of a month of orders that are priced in columns."""

    def __init__(self, columns: FeeColumns, orders: OrderColumns, fees: pl.DataFrame, weight_over: int) -> None:
        """Bring all rows over one denominator."""
        self._frame = orders.frame.join(fees, on="row", maintain_order="left")
        self._weight_over = weight_over
        overs = [int(over) for over in self._frame["over"].unique().to_list()]
        self._common = lcm(*overs)
        self._money_over = self._common * columns.percent_over * minor_units(columns.books) * weight_over
        self._amount_over = self._common * minor_units(columns.books) * weight_over
        self.all = self.counted(pl.lit(True))

    def _grouped(self, named: Iterable[pl.Expr], frame: pl.DataFrame | None = None) -> dict[str, int]:
        """Sums of expressions over all rows, each brought over the common denominator.

        What is not over the row's `over` yet, such as a count of orders, comes multiplied by it.
        """
        held = self._frame if frame is None else frame
        totals: dict[str, int] = {}
        for row in held.group_by("over").agg(*named).iter_rows(named=True):
            factor = self._common // int(row.pop("over"))
            for name, value in row.items():
                totals[name] = totals.get(name, 0) + int(value or 0) * factor
        return totals

    def counted(self, which: pl.Expr) -> Sum:
        """How many orders there are of some, and what they come to; no fees."""
        weight = pl.col("weight")
        counted = self._frame.filter(which)
        amount = self._grouped([(weight * pl.col("minor") * pl.col("own")).sum().alias("amount")], counted)
        orders = Fraction(int(counted["weight"].sum()), self._weight_over)
        nothing = Fraction(0)
        return Sum(orders, Fraction(amount.get("amount", 0), self._amount_over), nothing, nothing, nothing)

    def routes(self, names: Sequence[str]) -> dict[str, Sum]:
        """The sums of each route over the orders that it can carry."""
        weight, wanted = pl.col("weight"), set(self._frame.columns)
        named: list[pl.Expr] = []
        for name in names:
            held = pl.col(name).is_not_null()
            named += [
                (weight * pl.col(name)).sum().alias(f"{name}|fees"),
                (weight * pl.col("over")).filter(held).sum().alias(f"{name}|orders"),
                (weight * pl.col("minor") * pl.col("own")).filter(held).sum().alias(f"{name}|amount"),
            ]
            for detail in ("returned", "graduated"):
                if f"{name}+{detail}" in wanted:
                    named.append((weight * pl.col(f"{name}+{detail}")).sum().alias(f"{name}|{detail}"))
        totals = self._grouped(named)
        return {
            name: Sum(
                orders=Fraction(totals.get(f"{name}|orders", 0), self._common * self._weight_over),
                amount=Fraction(totals.get(f"{name}|amount", 0), self._amount_over),
                fees=Fraction(totals.get(f"{name}|fees", 0), self._money_over),
                returned=Fraction(totals.get(f"{name}|returned", 0), self._money_over),
                graduated=Fraction(totals.get(f"{name}|graduated", 0), self._money_over),
            )
            for name in names
        }

    def graduated(self, plan: Plan) -> tuple[Fraction, Fraction]:
        """Over the orders of a plan, each on its cheapest route: graduated fees and all others, in a month."""
        chosen = self._with_best([plan])
        taken = pl.lit(None, dtype=pl.Int128)
        for name in reversed(plan.routes):
            taken = pl.when(pl.col(name) == pl.col(BEST)).then(pl.col(f"{name}+graduated")).otherwise(taken)
        weight = pl.col("weight")
        named = [(weight * pl.col(BEST)).sum().alias("fees"), (weight * taken).sum().alias("graduated")]
        totals = self._grouped(named, chosen)
        steps = Fraction(totals.get("graduated", 0), self._money_over)
        return steps, Fraction(totals.get("fees", 0), self._money_over) - steps

    def plans(self, plans: Sequence[Plan]) -> PlanMonth:
        """Some plans together: every order on the cheapest of their routes, ties to the earlier plan."""
        weight, best = pl.col("weight"), pl.col(BEST)
        named = [
            (weight * pl.col("over")).filter(best.is_not_null()).sum().alias("orders"),
            (weight * best).sum().alias("fees"),
            (weight * pl.col("minor") * pl.col("own")).filter(best.is_not_null()).sum().alias("amount"),
        ]
        earlier = pl.lit(False)
        for plan in plans:
            own = pl.min_horizontal(plan.routes) == best
            named.append((weight * best).filter((own & ~earlier).fill_null(False)).sum().alias(f"fees|{plan.id}"))
            earlier = earlier | own.fill_null(False)
        totals = self._grouped(named, self._with_best(plans)) if plans else {}
        shortfall = sum(
            (
                max(Fraction(0), plan.minimum - Fraction(totals.get(f"fees|{plan.id}", 0), self._money_over))
                for plan in plans
            ),
            Fraction(0),
        )
        return PlanMonth(
            plans=tuple(plan.id for plan in plans),
            carried=Fraction(totals.get("orders", 0), self._common * self._weight_over),
            amount=Fraction(totals.get("amount", 0), self._amount_over),
            fees=Fraction(totals.get("fees", 0), self._money_over),
            monthly=sum((plan.monthly for plan in plans), Fraction(0)),
            shortfall=shortfall,
        )

    def _with_best(self, plans: Sequence[Plan]) -> pl.DataFrame:
        routes = [name for plan in plans for name in plan.routes]
        return self._frame.with_columns(pl.min_horizontal(routes).alias(BEST))

    def cheapest_mix(self, by_provider: Sequence[Sequence[Plan]]) -> PlanMonth:
        """Of all choices of at most one plan of each provider: most orders carried, then least cost, then fewest."""
        plans = {plan.id: plan for held in by_provider for plan in held}
        chosen = combinations([[plan.id for plan in held] for held in by_provider])
        months = [self.plans([plans[name] for name in names]) for names in chosen]
        return min(months, key=lambda month: (-month.carried, month.cost, len(month.plans)))
