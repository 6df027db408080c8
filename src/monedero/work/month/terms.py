"""Assumptions about a month's orders that differ from those about an order in hand."""

from fractions import Fraction

from monedero.core.cost.assumption import read
from monedero.core.method import Method
from monedero.figures import assumptions
from monedero.work.prices.inputs import CompareInputs

COMPLETION = "completion-rate"


def completes_of(inputs: CompareInputs, method: Method) -> Fraction:
    """The share of a month's orders that is finished: all, but where the owner typed a share.

    The orders of a month are orders that were finished; the default is about buyers who begin one.
    """
    text = inputs.chosen.get((COMPLETION, method.family.value))
    return Fraction(1) if text is None else read(assumptions.every()[COMPLETION], text)
