"""A cost in three bands for drawing, which add up to it: the fee; the month and the software; risk, work and waiting.

Risk may come out below nothing, where refunds return more of the fee than all risk costs. It cannot be drawn, and is
taken off the fee.

Source: own design.

>>> line = {CostPart.FEE: Linear(Fraction(0), Fraction(10)), CostPart.REFUNDS: Linear(Fraction(0), Fraction(-2))}
>>> [str(value) for value in bands_of(line, Fraction(85)).values()]
['8', '0', '0']
"""

from collections.abc import Mapping
from enum import StrEnum
from fractions import Fraction

from monedero.core.cost.all_in import CostPart
from monedero.core.ratecard.linear import Linear


class CostBand(StrEnum):
    """The bands of a cost, in their sequence."""

    FEE = "fee"
    MONTH = "month"
    RISK = "risk"


OF_PARTS = {
    CostPart.FEE: CostBand.FEE,
    CostPart.TAX: CostBand.FEE,
    CostPart.MONTHLY: CostBand.MONTH,
    CostPart.SOFTWARE: CostBand.MONTH,
}


def bands_of(parts: Mapping[CostPart, Linear], amount: Fraction) -> dict[CostBand, Fraction]:
    """What each band of a cost comes to at an amount; none is below nothing unless the whole cost is."""
    bands = dict.fromkeys(CostBand, Fraction(0))
    for part, line in parts.items():
        bands[OF_PARTS.get(part, CostBand.RISK)] += line.at(amount)
    for band, other in ((CostBand.RISK, CostBand.FEE), (CostBand.FEE, CostBand.MONTH)):
        if bands[band] < 0:
            bands[other] += bands[band]
            bands[band] = Fraction(0)
    return bands
