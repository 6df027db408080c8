"""The assumptions about one method as exact numbers, ready to compute with.

Rates are shares of one, money is in whole units of the shop's currency. A completion that nobody assumed is None
and counts as one.

Source: own design.

>>> Assumed(refund_rate=Fraction(2, 100)).replace(win_rate=Fraction(1, 2)).win_rate
Fraction(1, 2)
>>> Assumed().completes
Fraction(1, 1)
"""

import dataclasses
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from typing import Any

from monedero.core.cost.assumption import ALL, Assumption, Scope, read, value_of
from monedero.core.method import Method
from monedero.core.ratecard.linear import Linear

ZERO = Fraction(0)


@dataclass(frozen=True)
class Assumed:
    """Holds what is assumed about orders that are paid by one method."""

    refund_rate: Fraction = ZERO
    dispute_rate: Fraction = ZERO
    win_rate: Fraction = ZERO
    failure_rate: Fraction = ZERO
    refusal_rate: Fraction = ZERO
    completion_rate: Fraction | None = None
    money_cost: Fraction = ZERO
    hour_cost: Fraction = ZERO
    minutes: Fraction = ZERO
    dispute_minutes: Fraction = ZERO
    delivery_out: Fraction = ZERO
    delivery_back: Fraction = ZERO
    collection_fee: Fraction = ZERO
    tax_recoverable: Fraction = Fraction(1)
    lost_order: Fraction = ZERO

    @property
    def completes(self) -> Fraction:
        """The share of buyers who choose the method and succeed."""
        return Fraction(1) if self.completion_rate is None else self.completion_rate

    @cached_property
    def earning(self) -> Linear:
        """Tells what comes of an order by what is left of it: that where it is completed, what a lost one costs where
        not.
        """
        return Linear(self.completes, (self.completes - 1) * self.lost_order)

    def replace(self, **values: Any) -> "Assumed":
        """The same with some values changed."""
        return dataclasses.replace(self, **values)


FIELDS = {field.name.replace("_", "-"): field.name for field in dataclasses.fields(Assumed)}


def about(assumption: Assumption, method: Method) -> str:
    """Tells what a value of the assumption is about, for a method."""
    if assumption.scope is Scope.SHOP:
        return ALL
    return method.family.value if assumption.scope is Scope.FAMILY else method.id


def assumed(
    method: Method,
    assumptions: Mapping[str, Assumption],
    chosen: Mapping[tuple[str, str], str],
    changed: Callable[[Assumption, str], Fraction | None] | None = None,
) -> Assumed:
    """Everything assumed about a method; `changed` may put another value in the place of one that holds."""
    values: dict[str, Fraction] = {}
    for assumption in assumptions.values():
        where = about(assumption, method)
        other = changed(assumption, where) if changed else None
        text = value_of(assumption, where, chosen)
        if other is not None:
            values[FIELDS[assumption.id]] = other
        elif text is not None:
            values[FIELDS[assumption.id]] = read(assumption, text)
    return Assumed(**values)
