"""Compare: every route and arrangement for the order in hand, ranked by what it costs all in, or with every reason."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.checkout.model import Tender
from monedero.core.cost.all_in import CostPiece, OtherCosts, all_in, earned
from monedero.core.cost.assumed import ZERO
from monedero.core.cost.buyer_fee import OnTop, falls_on
from monedero.core.cost.parts import CostPart
from monedero.core.money import Money
from monedero.core.ratecard.linear import NOTHING, FeePiece
from monedero.core.ratecard.model import RateCard
from monedero.core.reasons import Reason
from monedero.work.compare.candidates import Candidate, InQuestion, candidates, in_question, piece_at
from monedero.work.compare.reach import Reach
from monedero.work.context import Context
from monedero.work.month.figures import MonthFigures, RouteMonth, month_of
from monedero.work.prices.inputs import CompareInputs
from monedero.work.prices.other_costs import RouteOnDay, arrival, other_costs_of
from monedero.work.shop.delivered import way_of
from monedero.work.shop.order_in_hand import OrderInHand


@dataclass(frozen=True, slots=True)
class RankedRoute:
    """A candidate with its costs for the order in hand; money is in whole units of the shop's currency."""

    candidate: Candidate
    other_costs: OtherCosts
    piece: CostPiece
    cost: Fraction
    fee: Fraction
    earns: Fraction | None
    arrives_on: date | None
    reach: Fraction | None
    month: RouteMonth | None
    paid: Money


@dataclass(frozen=True, slots=True)
class Shut:
    """A route or arrangement that is not open to this shop or not for this order, with every reason."""

    candidate: Candidate
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class Comparison:
    """Everything for one order: ranked from the cheapest, and shut. `amount` is the order's in the shop currency."""

    inputs: CompareInputs
    hand: OrderInHand
    ranked: Sequence[RankedRoute]
    shut: Sequence[Shut]
    cards: dict[str, RateCard]
    amount: Fraction | None
    month: MonthFigures


def compare(context: Context, hand: OrderInHand, tenders: Sequence[Tender] = ()) -> Comparison:
    """Price, rank, and say why the others are not there; buyer fees are those of the tenders of a checkout."""
    asked = in_question(context, hand, tenders)
    ranking = _Ranking(asked, month_of(context, asked.day))
    ranked: list[RankedRoute] = []
    shut: list[Shut] = []
    for candidate, reasons in candidates(asked):
        if reasons:
            shut.append(Shut(candidate, reasons))
        else:
            ranked.append(ranking.entry(candidate))
    ranked.sort(key=lambda entry: entry.cost)
    amount = None if asked.to_books is None else hand.order.amount.exact * asked.to_books
    cards = cards_of(asked.inputs, asked.day)
    return Comparison(asked.inputs, hand, ranked, shut, cards, amount, ranking.month)


def cards_of(inputs: CompareInputs, day: date) -> dict[str, RateCard]:
    """The cards of a day, by their providers."""
    return {pricer.card.provider.id: pricer.card for pricer in inputs.catalogue.pricers(day)}


class _Ranking:
    """Holds what every candidate of one comparison is measured with."""

    def __init__(self, asked: InQuestion, month: MonthFigures) -> None:
        self.month = month
        self._asked, self._reach = asked, Reach(asked)
        self._amount = asked.hand.order.amount.exact
        self._margin = _margin(asked)

    def entry(self, candidate: Candidate) -> RankedRoute:
        """A candidate with its costs."""
        asked = self._asked
        arrives_on = arrival(asked.inputs, candidate.card, candidate.method, asked.hand)
        on_top = asked.charged(candidate.key)
        other_costs = other_costs_with(asked, candidate, self.month, arrives_on, on_top)
        pieces = falls_on((piece_at(candidate.pieces, self._amount + on_top.paid.intercept),), on_top)
        piece = _cost_piece(asked, candidate, pieces[0], other_costs)
        cost = piece.total.at(self._amount)
        return RankedRoute(
            candidate=candidate,
            other_costs=other_costs,
            piece=piece,
            cost=cost,
            fee=piece.parts.get(CostPart.FEE, NOTHING).at(self._amount),
            earns=None if self._margin is None else earned(cost, self._margin, other_costs.assumed),
            arrives_on=arrives_on,
            reach=self._reach.of(candidate),
            month=self.month.routes.get(candidate.key),
            paid=asked.paid(candidate.key),
        )


def _margin(asked: InQuestion) -> Fraction | None:
    """Tells what is left of the order before the cost of its payment, also of what is paid on the day; None: not
    known.
    """
    margin = asked.hand.line.margin
    if margin is None:
        return None
    return Fraction(margin) / 100 * asked.hand.whole.exact * (asked.to_books or ZERO)


def _cost_piece(asked: InQuestion, candidate: Candidate, fee: FeePiece, other_costs: OtherCosts) -> CostPiece:
    """The parts of the cost on a piece of the fee, kept for orders that differ in their amount alone."""
    known = (asked.hand.order.known, asked.takings.every, asked.day)
    # Two fees of the buyer may move a piece to one place, but not with the same costs beside it.
    key = (candidate.key, *known, fee.from_, fee.fixed, id(other_costs))
    # The other costs are kept with its costs, so that its identity stays its own.
    return asked.inputs.cost_pieces.get(key, lambda: (other_costs, all_in(fee, other_costs)))[1]


def other_costs_with(
    asked: InQuestion, candidate: Candidate, month: MonthFigures, arrives_on: date | None, on_top: OnTop
) -> OtherCosts:
    """Tells what a candidate bears besides its fee, for the order in hand or (no day of arrival) for a curve."""
    share = month.share(candidate.route) if candidate.route else ZERO
    way = way_of(asked.inputs.shop, asked.hand)
    orders = RouteOnDay(asked.day, asked.to_books or ZERO, share, arrives_on, way.id if way else None, on_top.kept)
    return asked.inputs.other_costs_kept.get(
        (candidate.key, orders), lambda: other_costs_of(asked.inputs, candidate.card, candidate.method, orders)
    )
