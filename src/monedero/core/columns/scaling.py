"""A plan's month for every volume: the shop's own mix of orders, all of them scaled together.

Between two ends of bands the fees are a straight line: what lies in the bands below is paid at their prices, the rest
at the price of the band that is reached. Bands of the whole volume may change all prices at once; where the plan then
no longer carries the same orders there is no line.

Source: own design.

>>> same_orders([pl.DataFrame({"row": [1, 2]})] * 2)
True
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction

import polars as pl

from monedero.core.columns.level import ZERO
from monedero.core.columns.month import Alone
from monedero.core.cost.volume import plan_curve
from monedero.core.curve.pieces import Curve, Piece


def carried_by(alone: Alone, volume: Fraction) -> pl.DataFrame:
    """The rows of the orders that a plan carries at a volume."""
    levels = [alone.card.level(step) for step in alone.card.ended(volume)]
    rows = [level.best.filter(pl.col(alone.plan.id).is_not_null()).select("row") for level in levels]
    long = [entry.order.row for level in levels for entry in level.long if entry.sum_of(alone.plan.routes).orders]
    return pl.concat([*rows, pl.DataFrame({"row": long}, schema={"row": pl.UInt32})]).sort("row")


def same_orders(rows: Sequence[pl.DataFrame]) -> bool:
    """True if all of these are the same rows, in rising sequence.

    >>> same_orders([pl.DataFrame({"row": [1, 2]}), pl.DataFrame({"row": [1]})])
    False
    """
    return all(other.equals(rows[0]) for other in rows[1:])


def cost_by_volume(alone: Alone) -> Curve:
    """The month's cost of a plan for every volume; none where it carries nothing."""
    plan, _, own = alone
    return plan_curve(_fees(alone), plan.monthly, plan.minimum) if own else Curve(())


def _fees(alone: Alone) -> Iterable[Piece]:
    """The fees between the ends of bands, in whole units of the shop's currency by its own takings there."""
    plan, card, own = alone
    edges, carried = card.edges, carried_by(alone, own)
    for start, below in zip(edges, [*edges[1:], None], strict=True):
        if same_orders([carried, carried_by(alone, start)]):
            slope = card.sum_of(plan.id, card.ended(start)).fees / own
            # The part of an amount in the bands below is paid at their prices.
            paid = (card.level(step).of(plan.id).fees * width for step, width in card.bands(start, start))
            yield Piece(start, below, slope, sum(paid, ZERO) / own - slope * start)
