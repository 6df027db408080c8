"""The cost of every open route for every amount, and the cheapest with its exact break-evens."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.cost.all_in import cost_curve, fee_curve
from monedero.core.cost.buyer_fee import falls_on
from monedero.core.curve.envelope import Stretch, envelope
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.curve.samples import readings, round_amounts, scale
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.money import Money, minor_units
from monedero.work.compare.candidates import Candidate, InQuestion, open_candidates
from monedero.work.compare.ranking import other_costs_with
from monedero.work.context import Context
from monedero.work.month.figures import MonthFigures, month_of

POINTS = 97
DIGITS = 4


@dataclass(frozen=True, slots=True)
class Drawn:
    """Curves of candidates: readings at minor amounts in 1/10000 of the shop's currency, and who is cheapest where."""

    candidates: Sequence[Candidate]
    curves: Sequence[Curve]
    amounts: Sequence[int]
    readings: Sequence[Sequence[int | None]]
    cheapest: Sequence[Stretch]


def curves(context: Context, asked: InQuestion, low: Money, high: Money, *, all_in_costs: bool) -> Drawn:
    """The curves between two amounts: all-in costs over a mean week, or provider fees alone."""
    month = month_of(context, asked.day)
    candidates = open_candidates(asked) if asked.to_books is not None else []
    lines = [
        all_in_curve(asked, month, entry) if all_in_costs else _carried(asked, entry.method, _fees(asked, entry))
        for entry in candidates
    ]
    units = minor_units(low.currency)
    ends = (low.minor, high.minor)
    amounts = sorted({*scale(*ends, POINTS), *round_amounts(*ends)})
    return Drawn(
        candidates=candidates,
        curves=lines,
        amounts=amounts,
        readings=[readings(line, amounts, units, DIGITS) for line in lines],
        cheapest=envelope(lines, low.exact, high.exact),
    )


def all_in_curve(asked: InQuestion, month: MonthFigures, entry: Candidate) -> Curve:
    """The all-in cost of a candidate for every amount that its method carries, over a mean week.

    It is kept for every order with the same fee and the same costs beside it.
    """
    on_top = asked.on_top(entry.key)
    other_costs = other_costs_with(asked, entry, month, None, on_top)

    def curve() -> Curve:
        return _carried(asked, entry.method, cost_curve(falls_on(entry.pieces, on_top), other_costs))

    key = (entry.key, asked.hand.order.amount.currency, asked.day, entry.pieces, on_top, id(other_costs))
    # The other costs are kept with the curve, so that their identity stays their own.
    return asked.inputs.all_in_curves.get(key, lambda: (other_costs, curve()))[1]


def _fees(asked: InQuestion, entry: Candidate) -> Curve:
    """The provider's fee alone, which falls on all that is paid."""
    return fee_curve(falls_on(entry.pieces, asked.on_top(entry.key)))


def _carried(asked: InQuestion, method: Method, curve: Curve) -> Curve:
    """A curve cut to the amounts that its method carries; an inclusive end carries to below the next minor unit."""
    window = method.amount
    if window is None:
        return curve
    currency = asked.hand.order.amount.currency
    step = Fraction(1, minor_units(currency))
    try:
        rate = asked.inputs.rates.find(window.currency, currency, asked.day).value
    except NoReferenceRate:
        return Curve(())
    low = window.from_.exact * rate if window.from_ else Fraction(0)
    high = window.below.exact * rate if window.below else None
    if window.up_to:
        # The last whole minor unit that is still carried, and up to the one after it.
        high = (window.up_to.exact * rate // step + 1) * step
    cut = []
    for piece in curve.pieces:
        start = max(piece.from_, low)
        below = min((end for end in (piece.below, high) if end is not None), default=None)
        if below is None or start < below:
            cut.append(Piece(start, below, piece.slope, piece.intercept))
    return Curve(tuple(cut))
