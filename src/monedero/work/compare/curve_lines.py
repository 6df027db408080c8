"""The curves of some rate cards as a report: every route's pieces and the cheapest route, in exact numbers.

Without a shop to look at, an all-in cost has no share of a month and no software; its days are the mean over a week.
"""

from collections.abc import Iterable
from fractions import Fraction
from typing import Any, NamedTuple

from monedero.core.cost.all_in import cost_curve, fee_curve
from monedero.core.cost.assumption import Assumptions
from monedero.core.curve.envelope import envelope
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.numbers import decimal_text, exact_text
from monedero.core.order.model import Order
from monedero.core.ratecard.linear import FeeCurve, fee_curves
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.priced import NotPriced
from monedero.core.ratecard.volume import Takings
from monedero.work.prices.inputs import CompareInputs
from monedero.work.prices.of_files import inputs_of_files
from monedero.work.prices.other_costs import RouteOnDay, other_costs_of


class Range(NamedTuple):
    """The amounts from `low` (inclusive) to `high` (exclusive), in whole units of the order's currency."""

    low: Fraction
    high: Fraction


class CurvesAsked(NamedTuple):
    """Holds what curves are drawn for: an order of any amount, takings, the amounts; fees alone where nothing is
    assumed.
    """

    order: Order
    takings: Takings
    amounts: Range
    chosen: Assumptions | None


def curve_report(cards: list[RateCard], shop: tuple[str, str], asked: CurvesAsked) -> dict[str, Any]:
    """Routes with their pieces, and the cheapest. `shop`: country and currency."""
    order, takings, amounts, chosen = asked
    inputs = inputs_of_files(cards, shop, chosen or Assumptions())
    routes: list[Route] = []
    curves: list[Curve] = []
    for pricer in inputs.catalogue.pricers(order.placed_on):
        starts = pricer.card.valid_from
        for route, pieces in fee_curves(pricer, order, takings, shop[1], inputs.rates):
            fee: FeeCurve = () if isinstance(pieces, NotPriced) else pieces
            if starts is not None and starts > order.placed_on:
                fee = ()
            routes.append(route)
            curves.append(fee_curve(fee) if chosen is None else _all_in(inputs, pricer.card, route, fee, order))
    cheapest = envelope(curves, amounts.low, amounts.high)
    return {
        "routes": [
            {**_named(route), "pieces": [_piece(piece, amounts) for piece in _within(curve, amounts)]}
            for route, curve in zip(routes, curves, strict=True)
        ],
        "cheapest": [
            {
                "from": _number(stretch.from_),
                "below": _number(stretch.below),
                "route": None if stretch.curve is None else _named(routes[stretch.curve]),
            }
            for stretch in cheapest
        ],
    }


def _all_in(inputs: CompareInputs, card: RateCard, route: Route, pieces: FeeCurve, order: Order) -> Curve:
    rate = (
        inputs.rates.find(order.amount.currency, inputs.shop.currency, order.placed_on).value if pieces else None
    )
    other_costs = other_costs_of(
        inputs, card, inputs.methods[route.method], RouteOnDay(order.placed_on, rate or Fraction(1))
    )
    return cost_curve(pieces, other_costs)


def _within(curve: Curve, amounts: Range) -> Iterable[Piece]:
    return (
        piece
        for piece in curve.pieces
        if piece.from_ < amounts.high and (piece.below is None or piece.below > amounts.low)
    )


def _piece(piece: Piece, amounts: Range) -> dict[str, Any]:
    below = amounts.high if piece.below is None else min(piece.below, amounts.high)
    return {
        "from": _number(max(piece.from_, amounts.low)),
        "below": _number(below),
        "slope": _number(piece.slope),
        "intercept": _number(piece.intercept),
    }


def _number(value: Fraction) -> dict[str, str]:
    return {"exact": exact_text(value), "decimal": decimal_text(value)}


def _named(route: Route) -> dict[str, str]:
    return {"provider": route.provider, "plan": route.plan, "method": route.method}
