"""The parts of an all-in cost, and the three bands in which they are drawn, which add up to it.

The bands are the fee; the month and the software; risk, work and waiting.

Risk may come out below nothing, where refunds return more of the fee than all risk costs. It cannot be drawn, and is
taken off the fee.

Source: own design.

>>> line = {CostPart.FEE: Linear(Fraction(0), Fraction(10)), CostPart.REFUNDS: Linear(Fraction(0), Fraction(-2))}
>>> [str(value) for value in bands_at(band_lines(line), Fraction(85)).values()]
['8', '0', '0']
"""

from collections.abc import Mapping
from enum import StrEnum
from fractions import Fraction

from monedero.core.ratecard.linear import Linear, total


class CostPart(StrEnum):
    """The parts of an all-in cost, in their sequence."""

    FEE = "provider-fee"
    TAX = "fee-tax"
    MONTHLY = "monthly-share"
    REFUNDS = "refunds"
    DISPUTES = "disputes"
    FAILED = "failed-debits"
    REFUSED = "refused-deliveries"
    HANDLING = "handling"
    WAITING = "waiting"
    RESERVE = "reserve"
    SOFTWARE = "shop-software"
    BUYER_FEE = "less-buyer-fee"


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


def band_lines(parts: Mapping[CostPart, Linear]) -> dict[CostBand, Linear]:
    """The parts of a cost added up by band."""
    named = [(OF_PARTS.get(part, CostBand.RISK), line) for part, line in parts.items()]
    return {band: total(line for of, line in named if of is band) for band in CostBand}


def bands_at(lines: Mapping[CostBand, Linear], amount: Fraction) -> dict[CostBand, Fraction]:
    """Tells what each band of a cost comes to at an amount; none is below nothing unless the whole cost is."""
    bands = {band: line.at(amount) for band, line in lines.items()}
    for band, other in ((CostBand.RISK, CostBand.FEE), (CostBand.FEE, CostBand.MONTH)):
        if bands[band].numerator < 0:
            bands[other] += bands[band]
            bands[band] = Fraction(0)
    return bands
