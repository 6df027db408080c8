"""The all-in cost of a route by its parts, on every piece of its fee.

Each part is a straight line in the order's amount. Amounts are in whole units of the order's currency, costs in
whole units of the shop's. The fee of an event that nobody told counts as nothing, and is said to be unknown elsewhere;
the rest of its part (the money lost, the work) stands. So does the share of a month that is not known.

| part | per order |
| --- | --- |
| provider fee | the rate card's |
| tax on fees | provider fee x fee tax, where the shop cannot recover it |
| monthly share | the plan's month over the orders of the account |
| refunds | refund rate x (refund fee - what is returned of the fee) |
| disputes | dispute rate x (fee + (1 - win rate) x amount - win rate x fee, if returned when won + handling) |
| failed debits | failure rate x failure fee |
| refused deliveries | refusal rate x (out + back); paid at the door also (1 - refusal rate) x the courier's fee |
| handling | minutes / 60 x the hour's cost |
| waiting | amount x yearly cost of money x days / 365 |
| reserve | what is held back, over its own days after the payout |
| shop software | percent and fixed of the platform under the storefront |
| less buyer fee | what the buyer paid for this way to pay, without its tax |

Source: own design; interest is simple, actual days over 365.

>>> card = FeePiece(ZERO, None, "any", Linear(Fraction(14, 1000), ZERO), Linear(ZERO, Fraction(1, 4)), NOTHING, ())
>>> week = OtherCosts(assumed=Assumed(money_cost=Fraction(6, 100)), days=Fraction(7))
>>> all_in(card, week).total.at(Fraction(50)) / 50
Fraction(1471, 73000)
>>> silent = OtherCosts(assumed=Assumed(dispute_rate=Fraction(1, 1000)), days=ZERO)
>>> all_in(card, silent).parts[CostPart.DISPUTES].at(Fraction(500))
Fraction(1, 2)
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property

from monedero.core.cost.assumed import ZERO, Assumed
from monedero.core.cost.parts import CostBand, CostPart, band_lines
from monedero.core.curve.pieces import Curve, Piece, joined
from monedero.core.ratecard.linear import NOTHING, FeePiece, Linear, total

YEAR = 365
HOUR = 60


@dataclass(frozen=True, slots=True)
class EventPrices:
    """Holds what may happen after an order, in whole units of the shop's currency; a fee of None is not known."""

    refund: Fraction | None = None
    refund_returns: str = "none"
    dispute: Fraction | None = None
    dispute_returned_if_won: bool = False
    failed: Fraction | None = None


@dataclass(frozen=True, slots=True)
class OtherCosts:
    """Holds what a route bears besides its fee. `days` is until the money arrives; `to_books` brings the amount over.

    A `monthly_share` of None is not known. `buyer_fee` is what of a fee of the buyer the shop keeps, in the currency of
    the order.
    """

    assumed: Assumed
    days: Fraction
    to_books: Fraction = Fraction(1)
    events: EventPrices = EventPrices()
    fee_tax: Fraction = ZERO
    monthly_share: Fraction | None = ZERO
    reserve: Fraction = ZERO
    reserve_days: int = 0
    software: Linear = NOTHING
    at_the_door: bool = False
    buyer_fee: Linear = NOTHING


@dataclass(frozen=True)
class CostPiece:
    """The cost on one piece of the fee; parts that are nothing at every amount are left out."""

    fee: FeePiece
    parts: Mapping[CostPart, Linear]

    @cached_property
    def total(self) -> Linear:
        """The all-in cost."""
        return total(self.parts.values())

    @cached_property
    def bands(self) -> dict[CostBand, Linear]:
        """The cost in the bands in which it is drawn."""
        return band_lines(self.parts)


def all_in(fee: FeePiece, other_costs: OtherCosts) -> CostPiece:
    """The parts of the cost on one piece of a fee."""
    parts = parts_of(fee.fee, fee.returned(other_costs.events.refund_returns), other_costs)
    return CostPiece(fee, {part: line for part, line in parts if line != NOTHING})


def parts_of(fee: Linear, returned: Linear, other_costs: OtherCosts) -> Iterable[tuple[CostPart, Linear]]:
    """Every part of the cost, in sequence; `returned` is what of the fee a refund brings back."""
    assumed, events = other_costs.assumed, other_costs.events
    amount = Linear(other_costs.to_books, ZERO)
    yield CostPart.FEE, fee
    yield CostPart.TAX, fee.times(other_costs.fee_tax * (1 - assumed.tax_recoverable))
    yield CostPart.MONTHLY, _fixed(other_costs.monthly_share or ZERO)
    less = returned.times(Fraction(-1))
    yield CostPart.REFUNDS, total((_fixed(events.refund or ZERO), less)).times(assumed.refund_rate)
    dispute = events.dispute or ZERO
    back = assumed.win_rate * dispute if events.dispute_returned_if_won else ZERO
    handled = assumed.dispute_minutes / HOUR * assumed.hour_cost
    lost = amount.times(1 - assumed.win_rate)
    yield CostPart.DISPUTES, total((_fixed(dispute - back + handled), lost)).times(assumed.dispute_rate)
    yield CostPart.FAILED, _fixed(assumed.failure_rate * (events.failed or ZERO))
    collected = (1 - assumed.refusal_rate) * assumed.collection_fee if other_costs.at_the_door else ZERO
    refused = assumed.refusal_rate * (assumed.delivery_out + assumed.delivery_back)
    yield CostPart.REFUSED, _fixed(refused + collected)
    yield CostPart.HANDLING, _fixed(assumed.minutes / HOUR * assumed.hour_cost)
    yield CostPart.WAITING, amount.times(assumed.money_cost * other_costs.days / YEAR)
    yield (
        CostPart.RESERVE,
        amount.times(other_costs.reserve * assumed.money_cost * other_costs.reserve_days / YEAR),
    )
    yield (
        CostPart.SOFTWARE,
        total((amount.times(other_costs.software.slope), _fixed(other_costs.software.intercept))),
    )
    yield CostPart.BUYER_FEE, other_costs.buyer_fee.times(-other_costs.to_books)


def _fixed(value: Fraction) -> Linear:
    return Linear(ZERO, value)


def cost_curve(fee: Iterable[FeePiece], other_costs: OtherCosts) -> Curve:
    """The all-in cost of a route for every amount."""
    return joined(_straight(piece, all_in(piece, other_costs).total) for piece in fee)


def fee_curve(fee: Iterable[FeePiece]) -> Curve:
    """The fee alone for every amount."""
    return joined(_straight(piece, piece.fee) for piece in fee)


def _straight(piece: FeePiece, line: Linear) -> Piece:
    return Piece(piece.from_, piece.below, line.slope, line.intercept)


def earned(cost: Fraction, margin: Fraction, assumed: Assumed) -> Fraction:
    """Tells what a route earns on an order: completion x (margin - cost) - (1 - completion) x what a lost order costs.

    >>> earned(Fraction(1), Fraction(20), Assumed(completion_rate=Fraction(9, 10), lost_order=Fraction(2)))
    Fraction(169, 10)
    """
    return assumed.earning.at(margin - cost)
