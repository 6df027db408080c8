"""Compare: every route and arrangement for the order in hand, ranked by what it costs all in, or with every reason."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.cost.all_in import Bearing, CostPiece, all_in, earned
from monedero.core.cost.assumed import ZERO
from monedero.core.ratecard.linear import FeePiece
from monedero.core.ratecard.model import CardKind, RateCard
from monedero.core.reasons import Reason
from monedero.store import Store
from monedero.work.basis import Hand
from monedero.work.bearing import Carried, arrival, bearing_of
from monedero.work.candidates import Candidate, InQuestion, candidates, in_question, piece_at
from monedero.work.grounds import Grounds
from monedero.work.month import MonthFigures, RouteMonth, month_of
from monedero.work.reach import Market, markets_of, reach


@dataclass(frozen=True, slots=True)
class RankedRoute:
    """A candidate with its costs for the order in hand; money is in whole units of the shop's currency."""

    candidate: Candidate
    bearing: Bearing
    piece: CostPiece
    cost: Fraction
    fee: Fraction
    earns: Fraction | None
    arrives_on: date | None
    reach: Fraction | None
    month: RouteMonth | None


@dataclass(frozen=True, slots=True)
class Shut:
    """A route or arrangement that is not open to this shop or not for this order, with every reason."""

    candidate: Candidate
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class Comparison:
    """Everything for one order: ranked from the cheapest, and shut. `amount` is the order's in the shop currency."""

    grounds: Grounds
    hand: Hand
    ranked: Sequence[RankedRoute]
    shut: Sequence[Shut]
    cards: dict[str, RateCard]
    amount: Fraction | None
    month: MonthFigures


def compare(store: Store, hand: Hand, card_kind: CardKind | None, card_network: str | None) -> Comparison:
    """Price, rank, and say why the others are not there."""
    asked = in_question(store, hand, card_kind, card_network)
    grounds, day = asked.grounds, asked.day
    month = month_of(store, day)
    markets = markets_of(asked)
    ranked: list[RankedRoute] = []
    shut: list[Shut] = []
    for candidate, reasons in candidates(asked):
        if reasons:
            shut.append(Shut(candidate, reasons))
        else:
            ranked.append(_ranked(asked, candidate, month, markets))
    ranked.sort(key=lambda entry: entry.cost)
    amount = None if asked.to_books is None else hand.order.amount.exact * asked.to_books
    cards = {pricer.card.provider.id: pricer.card for pricer in grounds.catalogue.pricers(day)}
    return Comparison(grounds, hand, ranked, shut, cards, amount, month)


def _ranked(
    asked: InQuestion, candidate: Candidate, month: MonthFigures, markets: Sequence[Market]
) -> RankedRoute:
    grounds, hand, day = asked.grounds, asked.hand, asked.day
    amount = hand.order.amount.exact
    arrives_on = arrival(grounds, candidate.card, candidate.method, hand.line.id, day)
    bearing = bearing_with(asked, candidate, month, arrives_on)
    piece = _cost_piece(asked, candidate, piece_at(candidate.pieces, amount), bearing)
    cost = piece.total.at(amount)
    margin = None if hand.line.margin is None else Fraction(hand.line.margin) / 100 * amount * bearing.to_books
    return RankedRoute(
        candidate=candidate,
        bearing=bearing,
        piece=piece,
        cost=cost,
        fee=piece.fee.fee.at(amount),
        earns=None if margin is None else earned(cost, margin, bearing.assumed),
        arrives_on=arrives_on,
        reach=reach(asked, markets, candidate),
        month=month.routes.get(candidate.key),
    )


def _cost_piece(asked: InQuestion, candidate: Candidate, fee: FeePiece, bearing: Bearing) -> CostPiece:
    """The parts of the cost on a piece of the fee, kept for orders that differ in their amount alone."""
    context = asked.context
    key = (candidate.key, context.known, context.monthly_volume, asked.day, fee.from_, id(bearing))
    # The bearing is kept with its costs, so that its identity stays its own.
    return asked.grounds.cost_pieces.get(key, lambda: (bearing, all_in(fee, bearing)))[1]


def bearing_with(asked: InQuestion, candidate: Candidate, month: MonthFigures, arrives_on: date | None) -> Bearing:
    """What a candidate bears besides its fee, for the order in hand or (no day of arrival) for a curve."""
    share = month.share(candidate.route) if candidate.route else ZERO
    orders = Carried(asked.day, asked.to_books or ZERO, share, arrives_on)
    return asked.grounds.bearings.get(
        (candidate.key, orders), lambda: bearing_of(asked.grounds, candidate.card, candidate.method, orders)
    )
