"""Assumptions about a month's orders that differ from those about an order in hand."""

from fractions import Fraction

from monedero.core.cost.assumption import read
from monedero.core.method import Method
from monedero.figures import assumptions
from monedero.work.prices.inputs import CompareInputs
from monedero.work.prices.other_costs import Changed

COMPLETION = "completion-rate"


def completes_of(inputs: CompareInputs, method: Method, changed: Changed | None = None) -> Fraction:
    """The share of a month's orders that is finished: all, but where the owner typed a share.

    The orders of a month are orders that were finished; the default is about buyers who begin one. `changed` may put
    another value in the place of the one that holds.
    """
    assumption, family = assumptions.every()[COMPLETION], method.family.value
    other = changed(assumption, family) if changed else None
    if other is not None:
        return other
    text = inputs.chosen.get((COMPLETION, family))
    return Fraction(1) if text is None else read(assumption, text)
