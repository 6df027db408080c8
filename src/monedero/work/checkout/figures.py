"""Tells what limits and fees of a draft come to: what each limit costs a month, and where two tenders cost the same."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import combinations
from typing import NamedTuple

from monedero.core.checkout.limit_cost import LimitCost
from monedero.core.checkout.model import Tender
from monedero.core.cost.buyer_fee import Amounts, netting, over_cost
from monedero.core.curve.crossings import crossings
from monedero.core.money import Money
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.month_of_orders import curves_of
from monedero.work.checkout.offered_month import offered_month
from monedero.work.compare.candidates import Candidate, InQuestion, in_question, key_of, open_candidates
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.order_in_hand import OrderInHand


class Meeting(NamedTuple):
    """An amount, in whole units of the shop's currency, at which two tenders cost the same.

    `lower` costs less below it, `upper` from it on; both are ids of tenders.
    """

    at: Fraction
    lower: str
    upper: str


class FeeFigures(NamedTuple):
    """Holds what a buyer fee comes to: where it takes more than the provider's fee, and the one that nets the order's
    price.

    `over` is in whole units of the order's currency, None where the provider's fee is not known; `nets` is None where
    no fee does it, or the shop's currency is another one.
    """

    over: Sequence[Amounts] | None
    nets: Money | None


@dataclass(frozen=True, slots=True)
class DraftFigures:
    """The figures of a draft; limits by tender and end, fees by tender."""

    snapshot: CheckoutSnapshot
    limits: Mapping[tuple[str, str], LimitCost]
    meetings: Sequence[Meeting]
    fees: Mapping[str, FeeFigures]


def draft_figures(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> DraftFigures:
    """The figures of a draft, for orders that are like the order in hand in what the month does not tell."""
    return DraftFigures(
        snapshot,
        offered_month(context, snapshot, hand).limits(),
        meetings(context, snapshot, hand),
        fee_figures(context, snapshot, hand),
    )


def meetings(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> list[Meeting]:
    """Tells where two tenders that are on cost the same, for the order in hand paid in the shop's currency."""
    tenders = [tender for tender in snapshot.checkout.tenders if tender.on]
    order = hand.order.on(Money(hand.order.amount.minor, snapshot.shop.currency), hand.order.placed_on)
    alike = OrderInHand(order, hand.market, hand.line)
    known = curves_of(context, inputs_of(context), alike, tenders).items()
    found = []
    for (first, one), (second, other) in combinations(known, 2):
        for crossing in crossings(one, other):
            if crossing.at > 0 and crossing.before and crossing.after:
                pair = (first, second) if crossing.before < 0 else (second, first)
                found.append(Meeting(crossing.at, *pair))
    return sorted(found)


def fee_figures(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> dict[str, FeeFigures]:
    """The figures of the buyer fees of a draft, by tender, for orders like one."""
    asked = in_question(context, hand)
    if asked.to_books is None:
        return {}
    by_key = {entry.key: entry for entry in open_candidates(asked)}
    found = {}
    for tender in snapshot.checkout.tenders:
        entry = by_key.get(key_of(tender.route, tender.method))
        if entry is not None and entry.pieces:
            found[tender.id] = _figures(asked.by(tender), snapshot, tender, entry)
    return found


def _figures(asked: InQuestion, snapshot: CheckoutSnapshot, tender: Tender, entry: Candidate) -> FeeFigures:
    amount, books = asked.hand.order.amount, snapshot.shop.currency
    over = None
    if tender.fee is not None and asked.to_books is not None:
        over = over_cost(entry.pieces, asked.on_top(entry.key), asked.to_books)
    tax = Fraction(tender.fee.tax_percent or 0) / 100 if tender.fee else Fraction(0)
    nets = netting(entry.pieces, amount, tax) if amount.currency == books else None
    return FeeFigures(over, None if nets is None else Money(nets, books))
